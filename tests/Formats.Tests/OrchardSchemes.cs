using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Tests;

/// <summary>The blocks of Orchard supper: 150 in curved rows at the members' meeting, and the supper once more, refilled by a block, with a top table.</summary>
public sealed class OrchardSchemes
{
    private const string L = "level-0";
    private const string Refilled = "refilled";

    private static Plan Shipped() => PlanFiles.Read(File.ReadAllBytes(Demo.PlanPath));

    private static SeatingBlock Block(string id, string scheme, SeatingStyle style, double x, double y, double width, double depth) =>
        ((SeatingBlock)SeatingBlock.Kind.Make(id, L, scheme, new Point(x, y))).As(style) with
        {
            Width = width,
            Depth = depth,
        };

    private static SeatingBlock Meeting =>
        Block("members-rows", "members", SeatingStyle.CurvedRows, 9000, 5350, 17_400, 9700) with
        {
            Guests = 150,
            Rule = SeatingRule.Germany,
            Aisles = AislesAt.Middle,
            Ways = WaysKept.FromDoors,
        };

    private static SeatingBlock TopTable =>
        Block("top-table", Refilled, SeatingStyle.Training, 1500, 6500, 2600, 6600) with
        {
            Catalogue = "top-table-1830",
            Facing = 0,
            Guests = 8,
            FromAisle = null,
        };

    private static SeatingBlock Supper =>
        Block("supper", Refilled, SeatingStyle.Rounds, 0, 0, 1, 1) with
        {
            Guests = 72,
            Ways = WaysKept.FromDoors,
        };

    /// <summary>The plan with its blocks, drawn onto what it was without them.</summary>
    private static Plan Draw(Plan plan)
    {
        var planner = new Planner();
        void Do(Edit edit)
        {
            var answer = planner.Answer(plan, edit);
            if (answer.Change is null || !plan.TryApply(answer.Change, out plan, out _))
                throw new InvalidOperationException($"{edit}: {answer.Problem?.Message}");
        }
        string[] Old(string scheme, Func<Item, bool> which) => [.. plan.OfScheme<Item>(scheme).Where(which).Select(item => item.Id)];
        foreach (var block in plan.OfScheme<SeatingBlock>("members").ToArray())
            Do(new Remove([block.Id]));
        if (Old("members", item => item.Catalogue == "stacking-chair") is { Length: > 0 } chairs)
            Do(new Remove([.. chairs]));
        Do(new PutThing(Meeting) { Sure = true });
        plan = DemoViewpoints.WithPictures(plan);
        if (plan.Find(Refilled) is not null)
            Do(new RemoveScheme(Refilled));
        Do(new AddScheme(Refilled, "Supper refilled", "scheme-a"));
        Do(new Remove([.. Old(Refilled, item => item.Catalogue is "round-table-1525" or "dance-floor-5x4")]));
        Do(new PutThing(TopTable) { Sure = true });
        Do(new PutOverRooms(Supper, [plan.All<Room>().Single().Id]) { Sure = true });
        Do(new SetBrief(plan.OfScheme<Brief>(Refilled).Single() with { Seats = 80 }));
        foreach (var book in (string[])["english-guidance", "english-accessibility"])
            Do(new ChooseBook($"book-{book}", book));
        return plan;
    }

    [Fact]
    public void The_blocks_are_what_their_edits_draw()
    {
        if (Environment.GetEnvironmentVariable("WELLSEDES_WRITE_DEMO") == "1")
            File.WriteAllBytes(Demo.PlanPath, PlanFiles.Write(Draw(Shipped())));
        var plan = Shipped();
        Assert.Equal(Draw(plan).Entities.Values.OrderBy(e => e.Id), plan.Entities.Values.OrderBy(e => e.Id));
    }

    [Theory]
    [InlineData("members", 150)]
    [InlineData(Refilled, 80)]
    public void They_seat_who_comes_and_no_way_is_broken(string scheme, int seats)
    {
        var state = new Planner().StateOf(Shipped(), scheme, L);
        Assert.Equal(seats, state.Tally.Seats);
        Assert.Empty(state.Overlaps);
        Assert.Equal(
            "",
            string.Join(
                "; ",
                state
                    .Findings.Where(finding => finding.RuleId.Length == 0)
                    .Select(finding => $"{finding.Title} {finding.Measured:0} of {finding.Needed:0}")
            )
        );
    }
}
