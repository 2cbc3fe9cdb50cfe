using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Sets something by its clear distance to the wall on one side of it, whatever it is and however it moves.</summary>
internal static class FromWall
{
    public static EditAnswer Put(PutFromWall edit, ImmutableArray<WallAhead> walls, Func<Point, EditAnswer> moveBy)
    {
        if (!(edit.Distance >= 0 && edit.Distance <= SizeSense.Longest))
            return EditAnswer.No("distance", "The distance must be 0 or more.");
        return walls.FirstOrDefault(found => found.Side == edit.Side) is { } ahead
            ? moveBy(ahead.Towards * (ahead.Distance - edit.Distance))
            : EditAnswer.No("side", $"There is no wall to the {edit.Side.ToString().ToLowerInvariant()} to measure from.");
    }
}
