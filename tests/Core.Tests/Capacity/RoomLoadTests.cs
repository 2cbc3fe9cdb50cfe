using Wellsedes.Core.Capacity;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Capacity;

/// <summary>
/// Occupant load beyond one use and one area: zones with a use of their own, benches and booths by length, fixed seats, a factor chosen by hand, parts of a person. International Building Code
/// 2021 (1004.5, 1004.6), NFPA 101 (7.3.1.2) and the National Construction Code 2022 (D2D18), all from memory.
/// </summary>
public sealed class RoomLoadTests
{
    private static Sample Hall(double feet, double deep, string use = "Assembly", string book = "international-model-code")
    {
        var sample = new Sample().Room(feet * 304.8, deep * 304.8);
        sample.Do(new NameRoom("room", "Hall", use, ""));
        return sample.Do(new ChooseBook("book", book));
    }

    private static Sample Zone(Sample sample, string id, string use, double x, double y, double width, double depth) =>
        sample.Do(
            new PutThing(
                new Zone(id, PlanStart.SchemeId, PlanStart.LevelId, x * 304.8, y * 304.8, 0, width * 304.8, depth * 304.8, id, Use: use)
            )
        );

    private static RoomLoad Room(Sample sample) => sample.State.Loads.Single(load => load.ZoneId.Length == 0);

    private static RoomLoad Of(Sample sample, string zone) => sample.State.Loads.Single(load => load.ZoneId == zone);

    /// <summary>60 x 40 ft with a dance floor of 20 x 20 ft: 400 / 7 = 57.1, so 58; the rest 2000 / 15 = 133.3, so 134; together 192.</summary>
    [Fact]
    public void Uses_of_one_room_are_added_up()
    {
        var sample = Zone(Hall(60, 40), "dance", "Dance floor", 30, 20, 20, 20);
        Assert.Equal((58.0, "400 ft² net / 7 = 57.1, so 58"), (Of(sample, "dance").People, Of(sample, "dance").Working));
        Assert.Equal((134.0, "Hall, dance"), (Room(sample).People, Of(sample, "dance").Name));
        sample.Door(outward: false);
        Assert.Equal(192, Assert.Single(sample.State.Proof.Exits).People);
        Assert.Equal(192, sample.State.Findings.Single(finding => finding.RuleId == "ibc-1010.1.2.1-swing").Measured);
        // Turned by 5 degrees it is as large.
        sample.Do(new PutThing((Zone)sample.Plan.Find<Zone>("dance")! with { Rotation = 5 }));
        Assert.Equal((58.0, 134.0), (Of(sample, "dance").People, Room(sample).People));
        // Without a use of its own it counts with its room: 2400 / 15.
        sample.Do(new PutThing(sample.Plan.Find<Zone>("dance")! with { Use = "" }));
        Assert.Equal(160, Assert.Single(sample.State.Loads).People);
    }

    /// <summary>A standing bar within a dance floor is counted once: 100 / 5 = 20 and 300 / 7 = 42.9, so 43.</summary>
    [Fact]
    public void A_zone_within_a_zone_is_counted_once()
    {
        var sample = Zone(Zone(Hall(60, 40), "dance", "Dance floor", 30, 20, 20, 20), "stand", "Standing", 30, 20, 10, 10);
        Assert.Equal((20.0, 43.0, 134.0), (Of(sample, "stand").People, Of(sample, "dance").People, Room(sample).People));
        Assert.Equal(197, sample.State.Proof.Loads.Sum(load => load.People));
    }

    /// <summary>A room and a zone of it that no book counts are asked about each by itself.</summary>
    [Fact]
    public void What_is_not_counted_is_asked_about_by_itself()
    {
        var sample = Zone(Hall(60, 40, "Aviary"), "zone", "Orchard", 30, 20, 20, 20);
        var asked = sample.State.Findings.Where(finding => finding.Weight == Core.Findings.FindingWeight.Unjudged).ToArray();
        Assert.Equal(2, asked.Select(finding => finding.Id).Distinct().Count());
        Assert.Contains(asked, finding => finding.Title.Contains("counts nobody for Orchard"));
    }

    /// <summary>Seats of a zone govern there alone: 60 on 400 ft² of dance floor are more than its 58.</summary>
    [Fact]
    public void Seats_govern_where_they_stand()
    {
        var sample = Zone(Hall(60, 40), "dance", "Dance floor", 30, 20, 20, 20);
        for (var i = 0; i < 60; i++)
            sample.Place($"c{i:00}", "stacking-chair", 20.5 * 304.8 + 500 * (i % 12), 10.5 * 304.8 + 1000 * (i / 12));
        Assert.Equal((60, 60.0), (Of(sample, "dance").Seats, Of(sample, "dance").People));
        Assert.Equal((0, 134.0), (Room(sample).Seats, Room(sample).People));
    }

    /// <summary>A pew of 3000 mm is 118.1 in: 6 by 18 in each; a booth of 48 in has 2 on either side by 24 in. In Australia 450 mm each make the same six of the pew.</summary>
    [Theory]
    [InlineData("international-model-code", 6, 4)]
    [InlineData("life-safety-code", 6, null)]
    [InlineData("australian-code", 6, null)]
    public void Benches_and_booths_are_counted_by_their_length(string book, int pew, int? booth)
    {
        var sample = Hall(10, 10, "Office", book);
        sample.Place("pew", "pew-3000", 1500, 500);
        Assert.Equal(pew, Room(sample).Seats);
        Assert.Contains("3 m of bench for 6", Room(sample).Working);
        sample.Place("booth", "restaurant-booth", 1500, 2000);
        Assert.Equal(pew + (booth ?? 4), Room(sample).Seats);
    }

    /// <summary>Two fixed rows of ten on 600 ft²: 20, not 600 / 7 = 86.</summary>
    [Fact]
    public void Fixed_seats_are_counted_instead_of_the_area()
    {
        var sample = Hall(30, 20, "Assembly in rows");
        Assert.Equal(86, Room(sample).People);
        sample.Place("a", "fixed-row-10", 4000, 2000);
        sample.Place("b", "fixed-row-10", 4000, 3000);
        Assert.Equal(
            (20.0, null, "20 fixed seats of 20, counted instead of the area"),
            (Room(sample).People, Room(sample).ByArea, Room(sample).Working)
        );
    }

    /// <summary>2 m² each by hand of 18.58 m²: 9.3, so 10.</summary>
    [Fact]
    public void A_factor_is_chosen_by_hand()
    {
        var sample = Hall(20, 10);
        sample.Do(new SetRoomPeople("room", 2));
        Assert.Equal((10.0, "18.6 m² net / 2 = 9.3, so 10, by hand"), (Room(sample).People, Room(sample).Working));
        Assert.Contains("0.1 to 1000", sample.Refused(new SetRoomPeople("room", 0)).Message);
        Assert.Contains("0.1 to 1000", sample.Refused(new SetRoomPeople("room", -3)).Message);
        sample.Do(new SetRoomPeople("room"));
        Assert.Equal(14, Room(sample).People);
    }

    /// <summary>200 / 15 = 13.3: 14 up, 13 to the nearest and down; 205 x 1.1 / 15 is checked at the half by 7.5.</summary>
    [Theory]
    [InlineData(LoadRounding.Up, 20, 14)]
    [InlineData(LoadRounding.Nearest, 20, 13)]
    [InlineData(LoadRounding.Down, 20, 13)]
    [InlineData(LoadRounding.Nearest, 11.25, 8)]
    [InlineData(LoadRounding.Down, 11.25, 7)]
    public void Parts_of_a_person_count_as_the_plan_says(LoadRounding rounding, double feet, int people)
    {
        var sample = Hall(feet, 10);
        sample.Do(new SetDetails("Hall", UnitSystem.FeetInches, 0, LoadRounding: rounding));
        Assert.Equal(people, Room(sample).People);
        Assert.EndsWith($"so {people}", Room(sample).Working);
    }
}
