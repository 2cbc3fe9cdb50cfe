using Wellsedes.Core.Capacity;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Capacity;

/// <summary>Briefs by zone and by what items are: counted live, said on every tally, found when short, and selected when pressed.</summary>
public sealed class HoldingTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    /// <summary>"28 at the front, 28 with a screen each at the back": a training room in two zones.</summary>
    private static Sample Training(int screens = 28)
    {
        var sample = new Sample().Room(16_000, 18_000).Door();
        sample.Do(new PutRepeat(new Repeat("front", S, L, 2500, 3000, 0, 7, 4, 1500, 1500), "stacking-chair"));
        sample.Do(new PutRepeat(new Repeat("back", S, L, 2500, 11_000, 0, 7, 4, 1800, 1700), "pupil-table-single"));
        var tables = sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == "back").OrderBy(item => item.Slot).Take(screens);
        foreach (var table in tables.ToArray())
            sample.Do(new PlaceItem($"screen-{table.Slot}", S, L, "monitor-24", table.X, table.Y + 120));
        sample.Do(new PutThing(new Zone("zone-front", S, L, 8000, 5200, 0, 14_000, 7000, "Front", Seats: 28)) { Sure = true });
        return sample.Do(
            new PutThing(new Zone("zone-back", S, L, 8000, 13_500, 0, 15_000, 8000, "Back", Seats: 28, Screens: 28)) { Sure = true }
        );
    }

    private static TallyLine Line(Sample sample, string name) =>
        TallyLines.Of(sample.State.Tally, UnitSystem.Metric).Single(line => line.Name == name);

    [Fact]
    public void Zones_count_their_seats_and_screens_against_what_is_asked_of_each()
    {
        var sample = Training();
        Assert.Equal(
            ("28", "of 28", false),
            (Line(sample, "Front: seats").Value, Line(sample, "Front: seats").Rest, Line(sample, "Front: seats").Short)
        );
        Assert.Equal(("28", "of 28"), (Line(sample, "Back: screens").Value, Line(sample, "Back: screens").Rest));
        Assert.DoesNotContain(sample.State.Findings, finding => finding.Id.StartsWith("brief/", StringComparison.Ordinal));
        var few = Training(25);
        Assert.True(Line(few, "Back: screens").Short);
        var found = Assert.Single(few.State.Findings, finding => finding.Id == "brief/screens/zone-back");
        Assert.Equal("Back: screens: 25 set, 28 asked", found.Title);
    }

    [Fact]
    public void It_is_counted_while_something_is_still_being_moved()
    {
        var sample = Training();
        var member = sample.Plan.OfScheme<Item>(S).First(item => item.Parent == "front" && item.Slot == 0);
        var probe = sample.Planner.Probe(sample.Plan, new MoveItems([member.Id], 0, 7500), S, L);
        var line = TallyLines.Of(probe.State.Tally, UnitSystem.Metric).Single(one => one.Name == "Front: seats");
        Assert.Equal(("27", true), (line.Value, line.Short));
    }

    [Fact]
    public void The_whole_is_asked_for_screens_wheelchair_spaces_and_metres_of_storage()
    {
        var sample = new Sample().Room().Door().Place("c", "cupboard-1000", 2000, 3000).Place("w", "wheelchair-space", 5000, 3000);
        var brief = sample.Plan.OfScheme<Brief>(S).Single();
        sample.Do(new SetBrief(brief with { Screens = 0, WheelchairSpaces = 2, StorageLength = 2500 }));
        Assert.Equal(
            ("1 000", "of 2 500 mm", true),
            (Plain(Line(sample, "Storage").Value), Plain(Line(sample, "Storage").Rest), Line(sample, "Storage").Short)
        );
        Assert.Equal(("1", "of 2"), (Line(sample, "Wheelchair spaces").Value, Line(sample, "Wheelchair spaces").Rest));
        Assert.Equal(
            ["brief/storageLength", "brief/wheelchairSpaces"],
            sample.State.Findings.Select(f => f.Id).Where(id => id.StartsWith("brief/", StringComparison.Ordinal)).Order()
        );
        Assert.Equal("screens", sample.Refused(new SetBrief(brief with { Screens = -1 })).Field);
        Assert.Equal("storageLength", sample.Refused(new SetBrief(brief with { StorageLength = -1 })).Field);

        static string Plain(string text) => text.Replace('\u00a0', ' ').Replace('\u202f', ' ');
    }

    [Fact]
    public void What_a_line_counts_can_be_selected()
    {
        var sample = Training();
        foreach (
            var line in TallyLines.Of(sample.State.Tally, UnitSystem.Metric).Where(line => line.What.Length > 0 && line.What != "narrowest")
        )
            Assert.Equal(line.Value, $"{Selecting.Counted(sample.State, line.What).Length}");
        // A table with too little room beside it: the way to its farther seats is the narrowest.
        var narrow = new Sample().Room(3400, 6000).Door(along: 1700).Place("t", "round-table-1525", 1700, 3500);
        Assert.Equal(["t"], Selecting.Counted(narrow.State, "narrowest"));
        Assert.Empty(Selecting.Counted(sample.State, "no-such/zone-back"));
        Assert.Empty(Selecting.Counted(sample.State, "seats/no-zone"));
    }

    [Fact]
    public void A_zone_asked_for_nothing_says_nothing_and_one_asked_for_nonsense_is_refused()
    {
        var sample = new Sample().Room().Door();
        sample.Do(new PutThing(new Zone("z", S, L, 4000, 3000, 0, 3000, 2000, "Quiet")) { Sure = true });
        Assert.Empty(sample.State.Tally.Further);
        Assert.Equal(
            "seats",
            sample.Refused(new PutThing(new Zone("z", S, L, 4000, 3000, 0, 3000, 2000, "Quiet", Seats: -2)) { Sure = true }).Field
        );
    }
}
