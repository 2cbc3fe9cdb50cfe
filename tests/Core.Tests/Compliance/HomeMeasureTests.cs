using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Fittings;
using Wellsedes.Core.KindsOfThing.LowCeilings;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Compliance;

/// <summary>
/// Homes, sanitary ware, showers, desks and workrooms by their size, each at its limit and just off it. Technical housing standards (nationally described space standard, March 2015),
/// International Residential Code 2021, ASR, DGUV, AStV, NF X 35-102 and EN 527-1, all from memory.
/// </summary>
public sealed class HomeMeasureTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Sample Room(double width, double depth, string use, string book, UnitSystem units = UnitSystem.Metric)
    {
        var sample = new Sample().Do(new MakeRoom("room", L, "Room", width, depth, 200, 3000) { Sure = true });
        sample.Do(new SetDetails("Room", units, 0));
        sample.Do(new NameRoom("room", "Room", use, ""));
        return sample.Do(new ChooseBook("book", book));
    }

    private static Finding[] Of(Sample sample, string rule) => [.. sample.State.Findings.Where(finding => finding.RuleId == rule)];

    /// <summary>
    /// A home of one bedroom for two needs 50 m² (Table 1): a bedroom of 3.0 m, a partition of 0.1 m and a living room of 4.9 m, all 6.25 m deep, are 8.0 x 6.25 = 50.0 m² with the partition and
    /// 49.4 m² without.
    /// </summary>
    private static Sample Home(double depth, string bed = "bed-uk-double", double turn = 0, UnitSystem units = UnitSystem.Metric)
    {
        var sample = new Sample().Room(8000, depth);
        sample.Do(new SetDetails("Home", units, 0));
        sample.Do(new DrawWalls("p", L, new(3050, -100), [new(new(3050, depth + 100))], false, "Stud 100"));
        sample.Do(new NameRoom("room", "Living", "Living", ""));
        sample.Do(new NameRoom("bed", "Bedroom", "Bedroom", "", null, L, 1500, depth / 2));
        sample.Place("b", bed, 1500, 2000, turn);
        sample.Do(
            new PutThing(new Zone("home", S, L, 4000, depth / 2, turn, 7800, depth - 200, "Flat 1", Use: "Dwelling")) { Sure = true }
        );
        return sample.Do(new ChooseBook("book", "space-standards"));
    }

    [Theory]
    [InlineData(6250, 0, true)]
    [InlineData(6240, 0, false)]
    [InlineData(6250, 5, true)]
    [InlineData(6240, 5, false)]
    public void A_home_by_its_gross_internal_area(double depth, double turn, bool holds)
    {
        foreach (var units in new[] { UnitSystem.Metric, UnitSystem.FeetInches })
        {
            var sample = Home(depth, turn: turn, units: units);
            var found = Of(sample, "ndss-gia-1b2p").Where(finding => finding.Title.Contains("too small")).ToArray();
            Assert.Equal(holds ? 0 : 1, found.Length);
            Assert.All(found, finding => Assert.Equal((8.0 * depth / 1000, 50.0), (Math.Round(finding.Measured, 6), finding.Needed)));
            Assert.Empty(Of(sample, "ndss-gia-1b1p"));
        }
    }

    /// <summary>One person has a single bed: 39 m² and 1.0 m² of storage; with none there is too little, with a store of 1 m x 1 m enough.</summary>
    [Fact]
    public void Beds_say_for_how_many_and_stores_count()
    {
        var sample = Home(6240, "bed-uk-single");
        var finding = Assert.Single(Of(sample, "ndss-gia-1b1p"));
        Assert.Equal(("Flat 1: too little storage", 0.0, 1.0), (finding.Title, finding.Measured, finding.Needed));
        Assert.Empty(Of(sample, "ndss-gia-1b2p"));
        // A store of 1000 x 1000 clear in the corner of the living room.
        sample.Do(new DrawWalls("s", L, new(6950, -100), [new(new(6950, 1050)), new(new(8100, 1050))], false, "Stud 100"));
        sample.Do(new NameRoom("store", "Cupboard", "Store", "", null, L, 7500, 500));
        Assert.Empty(Of(sample, "ndss-gia-1b1p"));
        // From 0.9 to 1.5 m of clear height it counts by half (paragraph 10g).
        sample.Do(new PutThing(new LowCeiling("low", L, 7500, 500, 0, 1200, 1200, 1200, 1200)) { Sure = true });
        Assert.Equal(0.5, Assert.Single(Of(sample, "ndss-gia-1b1p")).Measured, 6);
    }

    /// <summary>A wardrobe of 2400 x 600 is 1.44 m²: beyond 0.36 m² it is storage in a single bedroom, beyond 0.72 m² in a double one (paragraph 10i).</summary>
    [Theory]
    [InlineData("bed-uk-single", "ndss-gia-1b1p", null)]
    [InlineData("bed-uk-double", "ndss-gia-1b2p", 0.72)]
    public void Wardrobes_of_bedrooms_count_beyond_their_share(string bed, string rule, double? measured)
    {
        var sample = Home(7000, bed);
        sample.Place("w", "wardrobe-2400", 1500, 6500);
        var size = sample.State.Items.Single(item => item.Item.Id == "w").Size;
        Assert.Equal(1.44, size.Width * size.Depth / 1e6, 6);
        Assert.Equal(measured, Of(sample, rule).Select(finding => (double?)Math.Round(finding.Measured, 6)).SingleOrDefault());
    }

    /// <summary>75 % of a home is 2.3 m high (paragraph 10h): a slope over 2.0 m of the 8.0 m leaves 75 %, one over 2.1 m less.</summary>
    [Theory]
    [InlineData(2000, true)]
    [InlineData(2100, false)]
    public void A_home_is_high_enough(double under, bool holds)
    {
        var sample = Home(7000);
        sample.Do(new PutThing(new LowCeiling("low", L, 8000 - under / 2, 3500, 90, 7200, under, 2290, 2290)) { Sure = true });
        var gross = 8.0 * 7.0;
        var high = gross - under / 1000 * 7.0;
        Assert.Equal(holds, Of(sample, "ndss-height").Length == 0);
        Assert.All(
            Of(sample, "ndss-height"),
            finding => Assert.Equal((Math.Round(high, 6), gross * 0.75), (Math.Round(finding.Measured, 6), Math.Round(finding.Needed, 6)))
        );
    }

    /// <summary>Two levels of one name are one home with two storeys: 58 m² for one bedroom and two people.</summary>
    [Fact]
    public void Two_levels_are_one_home()
    {
        var sample = Home(6250);
        sample.Do(new PutLevel(new Level("up", "First", 3000, 2500)));
        Assert.DoesNotContain(Of(sample, "ndss-gia-1b2p"), finding => finding.Title.Contains("small"));
        sample.Do(new MakeRoom("loft", "up", "Loft", 2000, 3900, 200, 2500) { Sure = true });
        sample.Do(new PutThing(new Zone("home-up", S, "up", 1000, 1950, 0, 1500, 3000, "Flat 1", Use: "Dwelling")) { Sure = true });
        var found = sample
            .Planner.StateOf(sample.Plan, S, L)
            .Findings.Single(finding => finding.RuleId == "ndss-gia-1b2p" && finding.Title.Contains("small"));
        Assert.Equal((57.8, 58.0), (Math.Round(found.Measured, 6), found.Needed));
    }

    /// <summary>A dwelling is no use that people are counted by: its rooms keep theirs.</summary>
    [Fact]
    public void The_rooms_of_a_home_keep_their_uses()
    {
        var sample = Home(6250).Do(new ChooseBook("model", "international-model-code"));
        Assert.All(sample.State.Loads, load => Assert.Equal("", load.ZoneId));
    }

    /// <summary>15 in (381 mm) from the centre line of a wc to the wall, and 30 in (762 mm) to stand in (R307.1, P2705.1).</summary>
    [Theory]
    [InlineData(381, 3000, 0)]
    [InlineData(380, 3000, 1)]
    [InlineData(381, 762, 0)]
    [InlineData(381, 761, 2)]
    public void Beside_the_centre_line_of_a_wc(double centre, double width, int findings)
    {
        foreach (var units in new[] { UnitSystem.Metric, UnitSystem.FeetInches })
        {
            var sample = Room(width, 3000, "Bathroom", "space-standards", units);
            sample.Place("wc", "wc", centre, 2000);
            Assert.Equal(findings, Of(sample, "irc-wc-centre").Length);
        }
    }

    /// <summary>A basin beside a wc is as much in its way as a wall; turned together by 5 degrees it is the same.</summary>
    [Theory]
    [InlineData(0, 381, true)]
    [InlineData(5, 382, true)]
    [InlineData(5, 380, false)]
    public void A_basin_beside_a_wc(double turn, double centre, bool holds)
    {
        var sample = Room(6000, 6000, "Bathroom", "space-standards");
        var at = new Placement(3000, 3000, turn);
        sample.Place("wc", "wc", 3000, 3000, turn);
        var beside = at.Out(new Point(centre + 275, 0));
        sample.Place("basin", "basin", beside.X, beside.Y, turn);
        Assert.Equal(holds ? 0 : 1, Of(sample, "irc-wc-centre").Length);
        Assert.All(Of(sample, "irc-wc-centre"), finding => Assert.Equal(centre, finding.Measured, 0.02));
    }

    /// <summary>What is fixed to the building counts as what is furnished: a toilet 380 mm from the wall, a shower of 750, a basin with 530 mm of floor before it.</summary>
    [Theory]
    [InlineData(1, 0)]
    [InlineData(-1, 1)]
    public void Fittings_of_the_shell(double more, int findings)
    {
        var sample = Room(4000, 3000, "Bathroom", "space-standards");
        Fitting Put(string id, FittingKind kind, double x, double y, double width, double depth, double turn = 0) =>
            new(id, L, kind, x, y, turn, width, depth, 800);
        sample.Do(new PutThing(Put("wc", FittingKind.Toilet, 381 + more, 2650, 380, 700)));
        sample.Do(new PutThing(Put("shower", FittingKind.Shower, 3000, 2500, 762 + more, 800)) { Sure = true });
        sample.Do(new PutThing(Put("basin", FittingKind.Basin, 2000, 225 + 533.4 + more, 550, 450)));
        Assert.Equal(findings, Of(sample, "irc-wc-centre").Length);
        Assert.Equal(findings, Of(sample, "irc-shower-24").Length);
        Assert.Equal(findings, Of(sample, "irc-front-21").Length);
    }

    /// <summary>A toilet is at least 30 x 60 in (762 x 1524 mm; International Plumbing Code 405.3.1).</summary>
    [Theory]
    [InlineData(762, 1524, 0)]
    [InlineData(761, 1524, 1)]
    [InlineData(762, 1523, 1)]
    public void A_toilet_by_its_size(double width, double depth, int findings) =>
        Assert.Equal(findings, Of(Room(width, depth, "Toilets", "space-standards"), "ipc-405.3-wc").Length);

    /// <summary>A shower of 800 x 800 is larger than 30 x 30 in, and smaller than the 36 x 36 in that is recommended.</summary>
    [Fact]
    public void A_shower_by_its_size()
    {
        var sample = Room(3000, 3000, "Bathroom", "space-standards").Do(new ChooseBook("homes", "homes-and-kitchens"));
        sample.Place("shower", "shower-800", 1500, 1500);
        Assert.Empty(Of(sample, "irc-shower-24"));
        var advice = Assert.Single(Of(sample, "nkba-b9-shower"));
        Assert.Equal((FindingWeight.Advise, 800.0, 914.4), (advice.Weight, advice.Measured, Math.Round(advice.Needed, 6)));
    }

    /// <summary>A desk of 1400 x 800 has room for little equipment, which 1200 x 800 mm are for, one of 1200 x 600 has not (DGUV 215-410); of 740 mm and 20 more or less it is a fixed desk (EN 527-1).</summary>
    [Fact]
    public void A_desk_by_its_size()
    {
        var sample = Room(6000, 6000, "Office", "german-workplaces").Do(new ChooseBook("furniture", "european-workplaces"));
        sample.Place("desk", "desk-1400", 3000, 3000);
        Assert.Empty(Of(sample, "dguv-215-410-desk"));
        var high = sample.State.Items.Single().Size.Height;
        Assert.Equal(high is >= 720 and <= 760 ? 0 : 1, Of(sample, "en527-1-heights").Length);
        sample.Place("shallow", "desk-1200-600", 3000, 5000);
        var finding = Assert.Single(Of(sample, "dguv-215-410-desk"));
        Assert.Equal((FindingWeight.Advise, 600.0, 800.0), (finding.Weight, finding.Measured, finding.Needed));
    }

    /// <summary>Three workplaces need 8 + 2 x 5 = 18 m² in Austria, 33 m² in France and 24 m² by 8 m² each; which country's, the books say.</summary>
    [Theory]
    [InlineData("austrian-workplaces", "at-astv-24", 18.0)]
    [InlineData("french-workplaces", "fr-nfx35-102", 33.0)]
    [InlineData("british-workplaces", "bco-density", 24.0)]
    public void A_workroom_by_the_book_of_its_country(string book, string rule, double area)
    {
        Sample Office(double depth)
        {
            var sample = Room(6000, depth, "Office", book);
            for (var i = 0; i < 3; i++)
                sample.Place($"desk-{i}", "desk-1200-600", 1000 + 2000 * i, 1000, 180);
            return sample;
        }
        Assert.Empty(Of(Office(area / 6 * 1000), rule));
        Assert.Single(Of(Office(area / 6 * 1000 - 1), rule));
    }

    /// <summary>Each of four seats in a room for meetings has 2.3 m² or more (floor per person, boardroom: common practice, from memory, of low confidence: a rule of the house).</summary>
    [Theory]
    [InlineData(2300, 0)]
    [InlineData(2299, 1)]
    public void A_meeting_room_by_the_floor_of_each_seat(double depth, int findings)
    {
        var sample = Room(4000, depth, "Meeting", "events").Do(new TakeHouseRule("house", "area-boardroom"));
        sample.Place("table", "meeting-table-1800", 2000, 1150, 0, new SeatsBySide(Front: 2, Back: 2));
        Assert.Equal(findings, Of(sample, "area-boardroom").Length);
    }

    /// <summary>Round tables are 54 in (1371.6 mm) apart where they are set tight (common practice, from memory).</summary>
    [Theory]
    [InlineData(1371.6, 0, 0)]
    [InlineData(1370.6, 0, 1)]
    [InlineData(1370.6, 5, 1)]
    public void Between_round_tables(double gap, double turn, int findings)
    {
        var sample = Room(9000, 9000, "Dining", "events");
        var at = new Placement(3000, 3000, turn).Out(new Point(1524 + gap, 0));
        sample.Place("a", "round-table-1525", 3000, 3000, turn);
        sample.Place("b", "round-table-1525", at.X, at.Y, turn);
        Assert.Equal(findings, Of(sample, "round-spacing").Length);
    }

    /// <summary>A living room is 7 ft (2133.6 mm) high (International Residential Code, from memory).</summary>
    [Theory]
    [InlineData(2133.6, 0)]
    [InlineData(2132.6, 1)]
    public void A_living_room_by_its_height(double high, int findings)
    {
        var sample = Room(6000, 6000, "Living", "space-standards");
        sample.Do(new NameRoom("room", "Room", "Living", "", high) { Sure = true });
        Assert.Equal(findings, Of(sample, "irc-habitable-area").Length);
    }

    /// <summary>A room for meetings by the floor that each seat has is a rule of the house's own.</summary>
    [Theory]
    [InlineData(3000, 0)]
    [InlineData(2990, 1)]
    public void A_meeting_room_by_a_rule_of_the_house(double depth, int findings)
    {
        var sample = Room(4000, depth, "Meeting", "offices");
        sample.Place("table", "meeting-table-1800", 2000, 1500, 0, new SeatsBySide(Front: 2, Back: 2));
        sample.Do(new WriteHouseRule("each", "Floor a seat", "room-size", "m2_per_seat", true, 3.0, "Meeting"));
        Assert.Equal(findings, sample.State.Findings.Count(finding => finding.RuleId == "house-1"));
    }
}
