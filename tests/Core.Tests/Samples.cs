using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests;

/// <summary>A plan that is built by edits, as a person would.</summary>
internal sealed class Sample
{
    public Planner Planner { get; } = new();
    public Plan Plan { get; private set; } = Plan.Of(PlanStart.Entities("Sample", UnitSystem.Metric), Shipped.Library);

    private long revision;

    public Sample Do(Edit edit)
    {
        var answer = Planner.Answer(Plan, edit);
        Assert.True(answer.Problem is null, answer.Problem?.Message);
        Assert.True(Plan.TryApply(Plan.Numbered(answer.Change!, ++revision), out var after, out _));
        Plan = after;
        return this;
    }

    /// <summary>Does an edit, and holds that it is undone to the plan before, entity by entity.</summary>
    public Plan DoAndUndo(Edit edit)
    {
        var before = Plan;
        var change = Planner.Answer(before, edit).Change!;
        Assert.True(before.TryApply(before.Numbered(change, 900), out var after, out _));
        Assert.True(after.TryApply(after.Numbered(change.Reversed("back"), 901), out var back, out _));
        Assert.Equal(before.Entities.Values.OrderBy(e => e.Id), back.Entities.Values.OrderBy(e => e.Id));
        Do(edit);
        return after;
    }

    public Problem Refused(Edit edit)
    {
        var answer = Planner.Answer(Plan, edit);
        Assert.Null(answer.Change);
        return answer.Problem!;
    }

    public Sample Room(double width = 8000, double depth = 6000) =>
        Do(new MakeRoom("room", PlanStart.LevelId, "Room", width, depth, 200, 3000));

    public Sample Door(
        double along = 4100,
        double width = 1000,
        OpeningMark mark = OpeningMark.EntranceAndExit,
        string wall = "south",
        bool outward = true
    ) =>
        Do(
            new PutOpening(
                new Opening(
                    $"door-{wall}-{along:0}",
                    $"room-{wall}",
                    OpeningKind.SingleDoor,
                    along,
                    width,
                    0,
                    2100,
                    0,
                    mark,
                    false,
                    outward,
                    ""
                )
            )
        );

    /// <summary>A single door of a clear width, at its middle along the wall.</summary>
    public Sample ClearDoor(
        string id,
        double along,
        double clear,
        string wall = "room-south",
        OpeningMark mark = OpeningMark.EntranceAndExit,
        bool outward = true
    ) =>
        Do(
            new PutOpening(new Opening(id, wall, OpeningKind.SingleDoor, along, clear + 100, clear, 2100, 0, mark, false, outward, ""))
            {
                Sure = true,
            }
        );

    public Sample Place(string id, string catalogue, double x, double y, double turn = 0, SeatsBySide? seats = null) =>
        Do(new PlaceItem(id, PlanStart.SchemeId, PlanStart.LevelId, catalogue, x, y, turn, Seats: seats));

    public PlanState State => Planner.StateOf(Plan, PlanStart.SchemeId, PlanStart.LevelId);
}
