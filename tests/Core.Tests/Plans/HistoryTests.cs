using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Plans;

/// <summary>Undo is per person: each takes back their own changes, to the start.</summary>
public sealed class HistoryTests
{
    private readonly Sample sample = new Sample().Room();
    private Plan plan = null!;
    private History history = History.Empty;

    private void Edit(string author, Edit edit)
    {
        plan ??= sample.Plan;
        Log(author, plan.Numbered(sample.Planner.Answer(plan, edit).Change!, history.Log.Length + 100));
    }

    private void Log(string author, Change change, long? undoes = null, long? redoes = null)
    {
        Assert.True(plan.TryApply(change, out plan, out _));
        history = history.With(new LoggedChange(history.Log.Length + 1, author, change, undoes, redoes));
    }

    private bool Undo(string author)
    {
        var next = history.NextUndo(author).Next!;
        var back = next.Change.Reversed("Undid");
        if (!plan.TryApply(back, out _, out _))
            return false;
        Log(author, back, next.Revision);
        return true;
    }

    private void Redo(string author)
    {
        var next = history.NextRedo(author).Next!;
        Log(author, next.Change, null, next.Revision);
    }

    private static PlaceItem Place(string id) => new(id, PlanStart.SchemeId, PlanStart.LevelId, "ottoman", 2000, 2000);

    [Fact]
    public void Each_takes_back_their_own_to_the_start()
    {
        Edit("ash", Place("a"));
        Edit("teasel", Place("b"));
        Edit("ash", new MoveItems(["a"], 100, 0));
        Assert.True(Undo("ash"));
        Assert.True(Undo("ash"));
        Assert.Null(plan.Find("a"));
        Assert.NotNull(plan.Find("b"));
        Assert.Null(history.NextUndo("ash").Next);
    }

    [Fact]
    public void Redo_brings_back_and_can_be_undone_again()
    {
        Edit("ash", Place("a"));
        Edit("ash", new MoveItems(["a"], 100, 0));
        Undo("ash");
        Undo("ash");
        Redo("ash");
        Redo("ash");
        Assert.Equal(2100, plan.Find<Item>("a")!.X);
        Assert.Null(history.NextRedo("ash").Next);
        Undo("ash");
        Assert.Equal(2000, plan.Find<Item>("a")!.X);
        Redo("ash");
        Assert.Equal(2100, plan.Find<Item>("a")!.X);
    }

    [Fact]
    public void A_new_change_ends_redo()
    {
        Edit("ash", Place("a"));
        Undo("ash");
        Edit("ash", Place("b"));
        Assert.Null(history.NextRedo("ash").Next);
    }

    [Fact]
    public void Undo_stops_and_names_who_has_built_on_it()
    {
        Edit("ash", Place("a"));
        Edit("teasel", new MoveItems(["a"], 100, 0));
        Assert.False(Undo("ash"));
        Assert.Equal(["teasel"], history.BuiltOnBy(history.NextUndo("ash").Next!, "ash"));
        Undo("teasel");
        Assert.True(Undo("ash"));
    }
}
