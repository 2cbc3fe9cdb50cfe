using System.Collections.Immutable;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Planning;

/// <summary>A probe that moves many things says at once what stands in what, and of walkways that they come later.</summary>
public sealed class ManyThingsProbedTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static readonly Sample Hall = FullHall();

    private static Sample FullHall()
    {
        var sample = new Sample().Room(40_000, 30_000).Door(along: 20_000);
        for (var i = 0; i < 60; i++)
            sample.Do(new PlaceItem($"t{i}", S, L, "round-table-1830", 3000 + i % 10 * 3600, 3000 + i / 10 * 3600) { Sure = true });
        return sample;
    }

    private static ImmutableArray<string> Tables(int count) => [.. Enumerable.Range(0, count).Select(i => $"t{i}")];

    private static ProbeAnswer Ask(Edit edit, bool atOnce) => Hall.Planner.Probe(Hall.Plan, edit, S, L, atOnce);

    [Fact]
    public void Few_things_are_answered_in_full_at_once()
    {
        var edit = new MoveItems(Tables(3), 300, 200);
        var (soon, full) = (Ask(edit, true), Ask(edit, false));
        Assert.False(soon.State.IsStale);
        Assert.Equal(full.State.Tally, soon.State.Tally);
        Assert.Equal(full.State.Findings.Select(f => f.Id), soon.State.Findings.Select(f => f.Id));
    }

    [Fact]
    public void Of_many_things_overlaps_are_said_at_once_and_walkways_are_those_of_before()
    {
        _ = Hall.State;
        var edit = new MoveItems(Tables(40), -2600, 0);
        var (soon, full) = (Ask(edit, true), Ask(edit, false));
        Assert.True(soon.State.IsStale);
        Assert.False(full.State.IsStale);
        Assert.NotEmpty(full.State.Overlaps);
        Assert.Equal(full.State.Overlaps, soon.State.Overlaps);
        Assert.Same(Hall.State.Level.Ground, soon.State.Level.Ground);
        Assert.NotSame(Hall.State.Level.Ground, full.State.Level.Ground);
    }

    [Theory]
    [InlineData("remove")]
    [InlineData("aside")]
    [InlineData("copy")]
    [InlineData("rotate")]
    public void What_comes_and_goes_is_counted_at_once(string what)
    {
        _ = Hall.State;
        var some = Tables(50);
        Edit edit = what switch
        {
            "remove" => new Remove(some),
            "aside" => new SetItemsAside(some, true),
            "copy" => new DuplicateItems(some, [.. some.Select(id => $"{id}-b")], 1200, 900),
            _ => new RotateItems(some, 15),
        };
        var (soon, full) = (Ask(edit, true), Ask(edit, false));
        Assert.Null(soon.Problem);
        Assert.True(soon.State.IsStale);
        Assert.Equal(full.State.Tally.Seats, soon.State.Tally.Seats);
        Assert.Equal(full.State.Overlaps, soon.State.Overlaps);
    }

    [Fact]
    public void Nothing_of_such_a_probe_stays()
    {
        var before = Hall.State.Tally;
        Ask(new MoveItems(Tables(60), 500, 500), true);
        var same = new Planner().StateOf(Hall.Plan, S, L);
        Assert.Equal(before.Narrowest, Hall.Planner.StateOf(Hall.Plan, S, L).Tally.Narrowest);
        Assert.Equal(same.Findings.Select(f => f.Id), Hall.Planner.StateOf(Hall.Plan, S, L).Findings.Select(f => f.Id));
    }
}
