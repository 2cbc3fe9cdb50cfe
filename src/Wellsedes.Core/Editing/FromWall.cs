using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Sets something by its clear distance to the wall on one side of it, whatever it is and however it moves.</summary>
internal static class FromWall
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<PutFromWall>(
            "put-from-wall",
            "Set the distance to a wall",
            "Set the distance to a wall",
            (tools, plan, e) => Put(tools, plan, e)
        ),
    ];

    private static EditAnswer Put(EditTools tools, Plan plan, PutFromWall edit) =>
        plan.Find<Boundary>(edit.Id) is { } boundary
            ? BoundaryEdits.PutFromWall(plan, boundary, edit, tools.SpaceOn)
            : tools.Items.PutFromWall(plan, edit);

    public static EditAnswer Put(PutFromWall edit, ImmutableArray<WallAhead> walls, Func<Point, EditAnswer> moveBy)
    {
        if (!(edit.Distance >= 0 && edit.Distance <= SizeSense.Longest))
            return EditAnswer.No("distance", "The distance must be 0 or more.");
        return walls.FirstOrDefault(found => found.Side == edit.Side) is { } ahead
            ? moveBy(ahead.Towards * (ahead.Distance - edit.Distance))
            : EditAnswer.No("side", $"There is no wall to the {edit.Side.ToString().ToLowerInvariant()} to measure from.");
    }
}
