using Wellsedes.Core.Findings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Tests;

/// <summary>The shipped studio and training room are what their edits draw, hold what their briefs ask, and nothing stands in anything.</summary>
public sealed class StudioTests
{
    private static readonly string Reed = Path.Combine(Demo.Root, "demo", "reed-workshop.wellsedes.json");
    private static readonly string House = Path.Combine(Demo.Root, "demo", "tidemill-house.wellsedes.json");

    [Fact]
    public void Reed_Workshop_is_what_its_edits_draw()
    {
        var drawn = ReedWorkshop.Draw();
        if (Environment.GetEnvironmentVariable("WELLSEDES_WRITE_DEMO") == "1")
            File.WriteAllBytes(Reed, PlanFiles.Write(drawn));
        var plan = PlanFiles.Read(File.ReadAllBytes(Reed));
        Assert.Equal(drawn.Entities.Values.OrderBy(e => e.Id), plan.Entities.Values.OrderBy(e => e.Id));
    }

    [Fact]
    public void Reed_Workshop_seats_28_at_the_front_and_28_with_a_screen_each_at_the_back()
    {
        var plan = PlanFiles.Read(File.ReadAllBytes(Reed));
        var state = new Planner().StateOf(plan, PlanStart.SchemeId, PlanStart.LevelId);
        Assert.Equal((28, 28), (state.Tally.Seats, state.Tally.Workstations));
        Assert.All(state.Tally.Further, line => Assert.Equal(28, line.Has));
        Assert.Equal(4, state.Tally.Further.Length);
        Assert.Equal((2, true), (state.Level.Drawn.Length, state.Level.Drawn.All(way => way.Holds)));
        Nothing_wrong(state);
    }

    [Fact]
    public void Reed_Workshop_has_an_exam_of_30_desks_in_its_second_scheme()
    {
        var plan = PlanFiles.Read(File.ReadAllBytes(Reed));
        var state = new Planner().StateOf(plan, "exam-scheme", PlanStart.LevelId);
        Assert.Equal((30, 1), (state.Tally.Seats, state.Tally.Workstations));
        Nothing_wrong(state);
    }

    [Theory]
    [InlineData(PlanStart.SchemeId, 24)]
    [InlineData("open-house", 0)]
    public void Sluice_Studio_holds_what_its_brief_asks(string scheme, int desks)
    {
        var plan = PlanFiles.Read(File.ReadAllBytes(House));
        var state = new Planner().StateOf(plan, scheme, "level-1");
        Assert.Equal(desks, state.Tally.Workstations);
        Assert.DoesNotContain(state.Tally.Further, line => line.IsShort);
        if (desks == 0)
            Assert.Equal(48, state.Items.Count(item => item.Kind.Key == "stacking-chair"));
        Nothing_wrong(state);
    }

    private static void Nothing_wrong(PlanState state)
    {
        Assert.Equal(
            "",
            string.Join("; ", state.Overlaps.Select(overlap => $"{overlap.ItemName} in {overlap.OtherName} by {overlap.Depth:0}"))
        );
        Assert.Equal(
            "",
            string.Join(
                "; ",
                state.Findings.Where(finding => finding.IsOpen && finding.RuleId.Length == 0).Select(finding => finding.Title)
            )
        );
    }
}
