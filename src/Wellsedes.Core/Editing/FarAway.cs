using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Asks about what would come to lie far from everything else: mostly a figure typed in the wrong unit.</summary>
internal static class FarAway
{
    /// <summary>Further than this from everything else on its level, in mm, is asked about; a house value.</summary>
    public const double Ask = 200_000;

    public static Problem? Of(Plan plan, Change change, Plan after)
    {
        var moved = change
            .Entities.Where(e => e.After is Item or Thing or Wall or Boundary or Dimension && !SamePlace(e))
            .Select(e => e.After!)
            .ToArray();
        if (moved.Length == 0)
            return null;
        var ids = change.Entities.Select(e => e.Id).ToHashSet();
        foreach (var level in moved.GroupBy(e => ((IOnLevel)e).LevelId))
        {
            var near = Bounds.Empty;
            foreach (var wall in after.OnLevel<Wall>(level.Key).Where(wall => !ids.Contains(wall.Id)))
                near = near.Including(wall.Start).Including(wall.End);
            foreach (var thing in after.OnLevel<Thing>(level.Key).Where(thing => !ids.Contains(thing.Id)))
                near = near.Including(thing.Placement.Origin);
            if (near.IsEmpty)
                foreach (var item in after.OnLevel<Item>(level.Key).Where(item => !ids.Contains(item.Id)))
                    near = near.Including(item.Placement.Origin);
            if (near.IsEmpty)
                continue;
            foreach (var entity in level)
            foreach (var point in PointsOf(entity))
            {
                var off = near.DistanceTo(Bounds.At(point));
                if (off > Ask)
                    return new Problem(
                        "place",
                        $"{EntityWords.Called(after, entity)} would stand {AreaText.WriteFar(off, plan.Details.Units)} from everything else: meant?",
                        null,
                        true,
                        off
                    );
            }
        }
        return null;
    }

    private static bool SamePlace(EntityChange change) =>
        change.Before is { } before && PointsOf(before).SequenceEqual(PointsOf(change.After!));

    private static IEnumerable<Point> PointsOf(Entity entity) =>
        entity switch
        {
            Item item => [item.Placement.Origin],
            Thing thing => [thing.Placement.Origin],
            Wall wall => [wall.Start, wall.End],
            Boundary boundary => [boundary.Start, boundary.End],
            Dimension measure => [measure.From, measure.To],
            _ => [],
        };
}
