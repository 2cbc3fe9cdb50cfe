using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Schemes are alternatives of one shell; sheets are of one scheme and one level.</summary>
public sealed class SchemeTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Sample Furnished() =>
        new Sample()
            .Room()
            .Door()
            .Place("a", "round-table-1525", 2000, 3000)
            .Place("lamp", "ottoman", 2000, 3000)
            .Do(new RaiseItem("lamp", 0, "a"))
            .Do(new PutRepeat(new Repeat("r", S, L, 4000, 4000, 0, 3, 2, 600, 900), "banquet-chair"))
            .Do(new PutThing(new Zone("z", S, L, 2000, 3000, 0, 3000, 3000, "West")));

    [Fact]
    public void A_copy_holds_everything_with_its_references_carried_over()
    {
        var sample = Furnished().Do(new AddScheme("two", "Two", S));
        var copies = sample.Plan.OfScheme<Item>("two").ToArray();
        Assert.Equal(sample.Plan.OfScheme<Item>(S).Count(), copies.Length);
        var lamp = copies.Single(item => item.Catalogue == "ottoman");
        Assert.Equal("round-table-1525", sample.Plan.Find<Item>(lamp.StandsOn!)!.Catalogue);
        Assert.Equal("two", sample.Plan.Find<Item>(lamp.StandsOn!)!.SchemeId);
        var repeat = sample.Plan.OfScheme<Repeat>("two").Single();
        Assert.Equal(6, copies.Count(item => item.Parent == repeat.Id));
        Assert.Single(sample.Plan.OfScheme<Zone>("two"));
        // Figures of the two are alike, and changing one leaves the other.
        var (one, two) = (State(sample, S), State(sample, "two"));
        Assert.Equal(one.Tally.Seats, two.Tally.Seats);
        sample.Do(new Remove([.. copies.Where(item => item.Catalogue == "round-table-1525").Select(item => item.Id)]));
        Assert.Equal(one.Tally.Seats, State(sample, S).Tally.Seats);
        Assert.Equal(one.Tally.Seats - 8, State(sample, "two").Tally.Seats);
    }

    private static Core.Planning.PlanState State(Sample sample, string scheme) => sample.Planner.StateOf(sample.Plan, scheme, L);

    [Fact]
    public void An_empty_one_shares_the_shell_and_has_checks_a_brief_and_a_sheet()
    {
        var sample = Furnished().Do(new AddScheme("two", "Two"));
        Assert.Empty(sample.Plan.OfScheme<Item>("two"));
        Assert.Single(State(sample, "two").Space.Rooms);
        Assert.Equal("102", sample.Plan.OfScheme<SheetSettings>("two").Single().TitleBlock.SheetNumber);
        Assert.Null(PlanChecks.OfWhole(sample.Plan));
    }

    [Fact]
    public void They_are_renamed_and_removed_but_the_last_stays()
    {
        var sample = Furnished().Do(new AddScheme("two", "Two", S));
        Assert.Contains("already", sample.Refused(new RenameScheme("two", "scheme a")).Message);
        sample.Do(new RenameScheme("two", "Meeting"));
        Assert.Equal(["Scheme A", "Meeting"], sample.Plan.Schemes.Select(s => s.Name));
        sample.Do(new RemoveScheme(S));
        Assert.Empty(sample.Plan.OfScheme<Item>(S));
        Assert.NotEmpty(sample.Plan.OfScheme<Item>("two"));
        Assert.Contains("at least one", sample.Refused(new RemoveScheme("two")).Message);
        Assert.Null(PlanChecks.OfWhole(sample.Plan));
    }

    [Fact]
    public void A_level_gets_a_sheet_of_its_own_and_the_last_sheet_stays()
    {
        var sample = Furnished().Do(new PutLevel(new Level("up", "First floor", 4500, 2700)));
        sample.Do(new AddSheet("s2", S, "up"));
        Assert.Equal(
            ("up", "102"),
            (sample.Plan.Find<SheetSettings>("s2")!.LevelId, sample.Plan.Find<SheetSettings>("s2")!.TitleBlock.SheetNumber)
        );
        Assert.Equal("levelId", sample.Refused(new AddSheet("s3", S, "cellar")).Field);
        sample.Do(new Remove(["up"]));
        Assert.Null(sample.Plan.Find("s2"));
        Assert.Contains("at least one sheet", sample.Refused(new Remove(["sheet-a"])).Message);
    }
}
