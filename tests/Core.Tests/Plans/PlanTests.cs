using CsCheck;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.KindsOfThing.Marks;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Plans;

/// <summary>Plans find by type, scheme and level what looking at everything finds; changes fit by version.</summary>
public sealed class PlanTests
{
    private static Entity Made(int id, int kind, int scheme, int level) =>
        (kind % 5) switch
        {
            0 => new Item($"e{id}", $"s{scheme}", $"l{level}", "ottoman", id, 0, 0),
            1 => new Zone($"e{id}", $"s{scheme}", $"l{level}", id, 0, 0, 1, 1, ""),
            2 => new Mark($"e{id}", $"s{scheme}", $"l{level}", MarkShape.Ring, id, 0, 0, 1, 1),
            3 => new Column($"e{id}", $"l{level}", id, 0, 0, 1, 1, false),
            _ => new Opening($"e{id}", $"l{level}", OpeningKind.Gap, id, 1, 1, 1, 0, OpeningMark.None, false, false, ""),
        };

    [Fact]
    public void Indexes_say_what_looking_at_everything_says() =>
        Gen.Select(Gen.Int[0, 30], Gen.Int[0, 4], Gen.Int[0, 2], Gen.Int[0, 2], Gen.Bool)
            .Array[1, 60]
            .Sample(
                steps =>
                {
                    var plan = Plan.Of([], Shipped.Library);
                    foreach (var (id, kind, scheme, level, remove) in steps)
                    {
                        var before = plan.Find($"e{id}");
                        var after = remove ? null : Made(id, kind, scheme, level);
                        if (before is null && after is null)
                            continue;
                        Assert.True(plan.TryApply(new Change("", [new EntityChange(before, after)]), out plan, out _));
                    }
                    var all = plan.Entities.Values.OrderBy(e => e.Id, StringComparer.Ordinal).ToArray();
                    Assert.Equal(all.OfType<Item>(), plan.All<Item>());
                    Assert.Equal(all.OfType<Thing>(), plan.All<Thing>());
                    Assert.Equal(all.OfType<Item>().Where(i => i.SchemeId == "s1"), plan.OfScheme<Item>("s1"));
                    Assert.Equal(all.OfType<Thing>().Where(t => t.LevelId == "l2"), plan.OnLevel<Thing>("l2"));
                    Assert.Equal(all.OfType<Item>().Where(i => i.SchemeId == "s0" && i.LevelId == "l1"), plan.OnLevel<Item>("s0", "l1"));
                    Assert.Equal(all.OfType<Opening>().Where(o => o.WallId == "l0"), plan.OpeningsIn("l0"));
                },
                iter: 300
            );

    private static Plan With(Entity entity)
    {
        var plan = Plan.Of([], Shipped.Library);
        plan.TryApply(plan.Numbered(new Change("", [new EntityChange(null, entity)]), 1), out plan, out _);
        return plan;
    }

    [Fact]
    public void A_change_fits_the_version_it_was_made_on_and_no_other()
    {
        var first = new Item("a", "s", "l", "ottoman", 0, 0, 0);
        var plan = With(first);
        var (one, two) = (first with { X = 1 }, first with { X = 2 });
        var mine = plan.Numbered(new Change("", [new EntityChange(first, one)]), 2);
        var theirs = plan.Numbered(new Change("", [new EntityChange(first, two)]), 2);
        Assert.True(plan.TryApply(mine, out var after, out _));
        Assert.False(after.TryApply(theirs, out _, out var clashes));
        Assert.Equal(["a"], clashes);
        // Content that happens to be the same again is not the same version.
        var back = after.Numbered(new Change("", [new EntityChange(one, first)]), 3);
        Assert.True(after.TryApply(back, out var again, out _));
        Assert.False(again.TryApply(theirs, out _, out _));
        // An undo gives the version back with the content.
        Assert.True(after.TryApply(mine.Reversed("Undid"), out var undone, out _));
        Assert.Equal(1, undone.VersionOf("a"));
        Assert.True(undone.TryApply(theirs, out _, out _));
    }

    [Fact]
    public void A_record_that_holds_a_list_read_anew_is_still_the_one_the_log_means()
    {
        var item = new Item("a", "s", "l", "ottoman", 0, 0, 0, Parameters: ItemParameters.None.With("bays", 400, 500));
        var plan = With(item);
        var read = item with { Parameters = ItemParameters.None.With("bays", 400, 500) };
        var logged = new Change("", [new EntityChange(read, read with { X = 5 }, 1, 2)]);
        Assert.True(plan.TryApply(logged, out var after, out _));
        Assert.Equal(5, after.Find<Item>("a")!.X);
    }
}
