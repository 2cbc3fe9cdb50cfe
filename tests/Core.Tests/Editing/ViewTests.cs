using System.Collections.Immutable;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Mark = Wellsedes.Core.KindsOfThing.Marks.Mark;
using MarkShape = Wellsedes.Core.KindsOfThing.Marks.MarkShape;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>What is seen, printed and locked: by kind, level, zone and own group.</summary>
public sealed class ViewTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Sample Furnished()
    {
        var sample = new Sample().Room(12_000, 9000).Door();
        sample
            .Place("table", "round-table-1525", 3000, 3000)
            .Place("chair", "armchair", 8000, 3000)
            .Place("shelf", "cupboard-1000", 8000, 7000);
        sample.Do(new PutThing(new Zone("zone", S, L, 8000, 4500, 0, 4000, 7000, "East")));
        sample.Do(new PutThing(new Mark("mark", S, L, MarkShape.Text, 3000, 7000, 0, 2000, 300, "Note")));
        return sample.Do(new KeepMeasure("measure", S, L, new Point(0, 1000), new Point(3000, 1000)));
    }

    private static View A(string name, string[]? hidden = null, string[]? notPrinted = null) =>
        new("view", S, name, [.. hidden ?? []], [.. notPrinted ?? []]);

    private static IEnumerable<string> Hidden(Sample sample, params string[] keys) =>
        new Subjects(sample.Plan, S).Under(keys).Order(StringComparer.Ordinal);

    [Fact]
    public void Each_thing_falls_under_its_kind_its_level_its_zones_and_its_groups()
    {
        var sample = Furnished().Do(new PutGroup(new OwnGroup("g", S, "Lounge", ["chair", "mark"])));
        Assert.Equal(["table"], Hidden(sample, "kind/Tables"));
        Assert.Equal(["chair"], Hidden(sample, "kind/Lounge"));
        Assert.Equal(["chair", "shelf", "zone"], Hidden(sample, "zone/zone"));
        Assert.Equal(["chair", "mark"], Hidden(sample, "group/g"));
        Assert.Equal(["mark"], Hidden(sample, "thing/mark"));
        Assert.Equal(["measure"], Hidden(sample, "measures"));
        Assert.Equal(["chair", "mark", "measure", "shelf", "table", "zone"], Hidden(sample, $"level/{L}"));
        Assert.Equal(
            ["Tables 1", "Lounge 1", "Storage 1", "Zones 1", "Marks 1", "Kept measures 1", "Ground floor 6", "East 3", "Lounge 2"],
            new Subjects(sample.Plan, S).All().Select(line => $"{line.Name} {line.Count}")
        );
    }

    [Fact]
    public void Views_are_made_changed_and_removed_and_taken_back()
    {
        var sample = Furnished();
        sample.DoAndUndo(new PutView(A("Plain", ["thing/mark", "measures"])));
        sample.DoAndUndo(new PutView(A("Plain", ["thing/mark"], ["kind/Storage"])));
        sample.Do(new SetSheet(sample.Plan.OfScheme<SheetSettings>(S).First() with { ViewId = "view" }));
        sample.DoAndUndo(new Remove(["view"]));
        Assert.Equal("", sample.Plan.OfScheme<SheetSettings>(S).First().ViewId);
    }

    [Fact]
    public void A_view_that_hides_everything_or_names_nothing_is_refused()
    {
        var sample = Furnished();
        void Refused(string field, View view, string says)
        {
            var problem = sample.Refused(new PutView(view));
            Assert.Equal(field, problem.Field);
            Assert.Contains(says, problem.Message);
        }
        Refused("hidden", A("All", [$"level/{L}"]), "would hide everything");
        Refused("hidden", A("All", ["kind/Tables", "kind/Lounge", "kind/Storage", "thing/zone", "thing/mark", "measures"]), "leave one");
        Refused("notPrinted", A("All", [], [$"level/{L}"]), "would be empty");
        Refused("hidden", A("Odd", ["kind/Nothing"]), "nothing called \"kind/Nothing\"");
        Refused("hidden", A("Odd", ["zone/mark"]), "nothing called");
        Refused("hidden", A("Odd", ["thing/mark", "thing/mark"]), "twice");
        Refused("name", A("  "), "missing");
        sample.Do(new PutView(A("Plain")));
        Refused("name", A("plain") with { Id = "second" }, "already a view");
        Assert.Equal("viewId", sample.Refused(new SetSheet(sample.Plan.OfScheme<SheetSettings>(S).First() with { ViewId = "zone" })).Field);
        Assert.Equal("members", sample.Refused(new PutGroup(new OwnGroup("g", S, "G", ["nobody"]))).Field);
        Assert.Equal("members", sample.Refused(new PutGroup(new OwnGroup("g", S, "G", []))).Field);
        Assert.Equal("locked", sample.Refused(new SetLocks(S, ["kind/Nothing"])).Field);
        // What an empty scheme has not to show it can hide.
        sample.Do(new AddScheme("two", "Two"));
        sample.Do(new PutView(new View("empty", "two", "None", [$"level/{L}"], [])));
    }

    [Theory]
    [InlineData("kind/Tables", "table", "Tables")]
    [InlineData("zone/zone", "chair", "East")]
    [InlineData("group/g", "shelf", "Shelves")]
    [InlineData("level/ground", "chair", "Ground floor")]
    public void What_is_locked_cannot_be_moved_by_mistake_and_says_so(string key, string id, string words)
    {
        var sample = Furnished().Do(new PutGroup(new OwnGroup("g", S, "Shelves", ["shelf"])));
        key = key.StartsWith("level/", StringComparison.Ordinal) ? $"level/{L}" : key;
        sample.DoAndUndo(new SetLocks(S, [key]));
        Edit[] moving =
        [
            new MoveItems([id], 300, 0),
            new RotateItems([id], 15),
            new Remove([id]),
            new ResizeItem(id, 1234) { Sure = true },
            new SetItemsAside([id], true),
            new MoveItems(["table", "chair", "shelf"], 10, 10),
            new SetOff([id], new Point(0, 3000), 500),
        ];
        foreach (var edit in moving)
        {
            var problem = sample.Refused(edit);
            Assert.Contains("is locked with", problem.Message);
            Assert.Contains(words, problem.Message);
            var probe = sample.Planner.Probe(sample.Plan, edit, S, L);
            Assert.Equal(problem, probe.Problem);
        }
        // More may be said of it, and more may come beside it.
        sample.Do(new LabelItem(id, "7")).Place("another", "round-table-1525", 6000, 6500);
        Assert.Equal("locked", sample.Refused(new SetLocks(S, [key])).Field);
        sample.Do(new SetLocks(S, [])).Do(new MoveItems([id], 300, 0));
        Assert.Null(sample.Plan.Find(Locks.IdOf(S)));
    }

    [Fact]
    public void Locks_hold_the_shell_and_marks_too()
    {
        var sample = Furnished();
        sample.Do(new SetLocks(S, [$"level/{L}"]));
        Assert.Contains("Ground floor", sample.Refused(new MoveWall("room-east", 500, 0)).Message);
        Assert.Contains("Ground floor", sample.Refused(new MoveThings(["mark"], 500, 0)).Message);
        sample.Do(new SetLocks(S, ["thing/mark"])).Do(new MoveWall("room-east", 500, 0));
        Assert.Contains("Marks", sample.Refused(new MoveThings(["mark"], 500, 0)).Message);
    }

    [Fact]
    public void What_goes_is_forgotten_by_views_locks_and_groups()
    {
        var sample = Furnished().Do(new PutGroup(new OwnGroup("g", S, "Pair", ["chair", "shelf"])));
        sample.Do(new PutView(A("East off", ["zone/zone", "group/g"], ["zone/zone"]))).Do(new SetLocks(S, ["zone/zone", "thing/mark"]));
        sample.Do(new SetLocks(S, ["group/g"])).Do(new SetLocks(S, ["thing/mark", "zone/zone"]));
        sample.Do(new SetLocks(S, ["thing/mark"]));
        sample.DoAndUndo(new Remove(["zone"]));
        Assert.Equal(["group/g"], sample.Plan.Find<View>("view")!.Hidden);
        Assert.Empty(sample.Plan.Find<View>("view")!.NotPrinted);
        sample.DoAndUndo(new Remove(["chair"]));
        Assert.Equal(["shelf"], sample.Plan.Find<OwnGroup>("g")!.Members);
        sample.DoAndUndo(new Remove(["shelf"]));
        Assert.Null(sample.Plan.Find("g"));
        Assert.Empty(sample.Plan.Find<View>("view")!.Hidden);
    }

    [Fact]
    public void A_scheme_is_copied_with_its_views_locks_and_groups()
    {
        var sample = Furnished().Do(new PutGroup(new OwnGroup("g", S, "Pair", ["chair", "shelf"])));
        sample.Do(new PutView(A("East off", ["zone/zone", "group/g", "kind/Tables"]))).Do(new SetLocks(S, ["zone/zone"]));
        sample.Do(new AddScheme("two", "Two", S));
        var view = Assert.Single(sample.Plan.OfScheme<View>("two"));
        var subjects = new Subjects(sample.Plan, "two");
        Assert.Equal(["East", "Pair", "Tables"], view.Hidden.Select(subjects.WordsOf));
        Assert.Equal(5, subjects.Under(view.Hidden).Count + 1);
        Assert.Equal("East", subjects.WordsOf(Assert.Single(sample.Plan.Find<Locks>(Locks.IdOf("two"))!.Locked)));
        sample.Do(new RemoveScheme("two"));
    }

    /// <summary>What leaves the house: a sheet by a view draws less, counts the same, and says so.</summary>
    [Fact]
    public void A_sheet_by_a_view_leaves_out_what_it_does_not_print()
    {
        var sample = Furnished();
        Sheet Composed()
        {
            var settings = sample.Plan.OfScheme<SheetSettings>(S).First();
            return new SheetComposer(new FixedWidths()).Compose(
                sample.State.SheetInput(settings, "P", "", "Draft", new DateOnly(2026, 11, 26))
            );
        }
        static string[] Words(Sheet sheet) => [.. sheet.Drawing.Marks.OfType<TextMark>().Select(mark => mark.Text)];
        var whole = Composed();
        Assert.Contains("Note", Words(whole));
        sample.Do(new PutView(A("Crew", [], ["thing/mark", "kind/Storage"])));
        sample.Do(new SetSheet(sample.Plan.OfScheme<SheetSettings>(S).First() with { ViewId = "view" }));
        var less = Composed();
        Assert.DoesNotContain("Note", Words(less));
        Assert.True(less.Drawing.Marks.Length < whole.Drawing.Marks.Length);
        Assert.Contains("Counted, but not drawn here:", string.Join(" ", Words(less)));
        Assert.Equal(whole.Ratio, less.Ratio);
        foreach (var line in Words(whole).Where(text => text.StartsWith("Cupboard", StringComparison.Ordinal)))
            Assert.Contains(line, Words(less));
    }

    /// <summary>The views that are offered name what there can be.</summary>
    [Fact]
    public void The_offered_views_can_be_taken()
    {
        var sample = Furnished();
        foreach (var ready in ReadyViews.All)
            sample.Do(new PutView(new View($"v{ready.Name.Length}", S, ready.Name, ready.Hidden, ready.NotPrinted)));
        Assert.Equal(ReadyViews.All.Length, sample.Plan.OfScheme<View>(S).Count());
    }

    private sealed class FixedWidths : ITextMeasure
    {
        public double Width(string text, double size, bool bold) => text.Length * size * 0.5;
    }
}
