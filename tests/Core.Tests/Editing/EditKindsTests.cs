using System.Collections.Immutable;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>The table of edits has no gap, and what its rows say is what happens.</summary>
public sealed class EditKindsTests
{
    /// <summary>An edit that only this test knows: all of it is here.</summary>
    private sealed record Paint(string Id, double Coats = 2) : Edit
    {
        public static EditKind Kind { get; } =
            EditKind.Of<Paint>("paint", "Paint an item", "Painted an item", (_, plan, edit) => Do(plan, edit));

        private static EditAnswer Do(Plan plan, Paint edit) =>
            plan.Find<Item>(edit.Id) is { } item
                ? EditAnswer.Done(new Change(Kind.Did, [new EntityChange(item, item with { X = item.X + edit.Coats })]))
                : EditAnswer.No("id", "There is nothing to paint.");
    }

    [Fact]
    public void The_table_that_ships_is_whole()
    {
        Assert.Empty(EditKinds.Gaps(EditKinds.Shipped.All));
        Assert.True(EditKinds.Shipped.All.Length >= 110);
    }

    public static TheoryData<string> Edits => [.. EditKinds.Shipped.All.Select(kind => kind.Name)];

    [Theory]
    [MemberData(nameof(Edits))]
    public void A_row_that_is_forgotten_is_a_gap_that_is_named(string name)
    {
        ImmutableArray<EditKind> without = [.. EditKinds.Shipped.All.Where(kind => kind.Name != name)];
        var forgotten = EditKinds.Shipped.All.Single(kind => kind.Name == name).Type.Name;
        Assert.Equal([$"{forgotten} has no row"], EditKinds.Gaps(without));
        Assert.Contains(forgotten, Assert.Throws<InvalidOperationException>(() => new EditKinds(without)).Message);
    }

    [Fact]
    public void Rows_that_say_two_things_or_nothing_are_gaps()
    {
        var all = EditKinds.Shipped.All;
        Assert.Equal(["Paint has 2 rows", "\"paint\" is the name of 2 edits"], EditKinds.Gaps([.. all, Paint.Kind, Paint.Kind]));
        Assert.Equal(["\"remove\" is the name of 2 edits"], EditKinds.Gaps([.. all, Paint.Kind with { Name = "remove" }]));
        Assert.Equal(["Paint has no proper name (\"Paint it\")"], EditKinds.Gaps([.. all, Paint.Kind with { Name = "Paint it" }]));
        Assert.Equal(["Paint has no words"], EditKinds.Gaps([.. all, Paint.Kind with { Did = "" }]));
    }

    [Fact]
    public void An_edit_says_its_subject_and_what_it_needs()
    {
        Assert.Equal("id", Paint.Kind.Subject);
        Assert.Equal([("id", true), ("coats", false)], Paint.Kind.Fields.Select(one => (one.Name, one.IsNeeded)));
        Assert.Equal("ids", EditKinds.Shipped.All.Single(kind => kind.Name == "change-kind").Subject);
    }

    [Fact]
    public void An_invented_edit_is_done_checked_and_held_by_locks_as_any_other()
    {
        var plan = new Sample().Do(new PlaceItem("a", PlanStart.SchemeId, PlanStart.LevelId, "ottoman", 1000, 1000)).Plan;
        var planner = new Planner(EditKinds.Shipped.With(Paint.Kind));
        var change = planner.Answer(plan, new Paint("a")).Change!;
        Assert.Equal("Painted an item", change.Label);
        Assert.True(plan.TryApply(change, out var painted, out _));
        Assert.Equal(1002, painted.Find<Item>("a")!.X);
        Assert.Equal("coats", planner.Answer(plan, new Paint("a", double.NaN)).Problem!.Field);

        var locked = plan.TryApply(planner.Answer(plan, new LockThings(["a"], true)).Change!, out var held, out _) ? held : plan;
        var refused = planner.Answer(locked, new Paint("a")).Problem!;
        Assert.Equal("id", refused.Field);
        Assert.Equal("Upholstered stool is locked; unlock it first.", refused.Message);
        var passing = new Planner(EditKinds.Shipped.With(Paint.Kind with { Locks = LockRule.Passes }));
        Assert.NotNull(passing.Answer(locked, new Paint("a")).Change);
    }

    [Fact]
    public void An_edit_that_is_in_no_table_is_said_to_be()
    {
        var plan = new Sample().Plan;
        Assert.Contains("Paint", Assert.Throws<ArgumentException>(() => new Planner().Answer(plan, new Paint("a"))).Message);
    }
}
