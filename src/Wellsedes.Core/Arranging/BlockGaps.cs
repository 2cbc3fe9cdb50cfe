using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>
/// The gaps of a block where one sees them, near its middle: between two of a row, between two rows, across an aisle, to the nearest wall. Each is measured between the true shapes
/// and names the field of the block it is changed by.
/// </summary>
internal static class BlockGaps
{
    /// <summary>In one row within this, in mm.</summary>
    private const double OnRow = 10;

    /// <summary>Of a larger block only those nearest to its middle are looked at.</summary>
    private const int MostLooked = 400;
    private const int FewLooked = 6;

    public static ImmutableArray<NearDistance> Of(Thing block, SeatsAsked asked, LevelSpace space, IEnumerable<PlacedItem> items)
    {
        var middle = block.Areas().MaxBy(area => area.Area)!.Centroid;
        var (towards, across) = (Point.At(asked.Facing), Point.At(asked.Facing).Left());
        PlacedItem[] own =
        [
            .. items
                .Where(item => item.Item.Parent == block.Id)
                .OrderBy(item => item.Item.Placement.Origin.DistanceTo(middle))
                .ThenBy(item => item.Item.Id, StringComparer.Ordinal),
        ];
        if (own.Length == 0)
            return [];
        var usual = SeatingStyles.Of(asked.Style);
        PlacedItem[] near = [.. own.Take(MostLooked)];
        List<NearDistance> gaps = [];
        if (!usual.IsOne)
        {
            Add("gapInRow", "the next in the row", (one, item) => Off(one, item) <= OnRow, asked.GapInRow);
            Add("gapBetweenRows", "the next row", (one, item) => Off(one, item) > OnRow, asked.GapBetweenRows);
        }
        if (usual.HasRows && asked.FromAisle is not null && AcrossAisle() is { } aisle)
            gaps.Add(aisle);
        if (Nearest.OfShapes([.. own.SelectMany(item => item.Standing)], new HashSet<string>(), space, [], 0).FirstOrDefault() is { } wall)
            gaps.Add(wall with { Field = "gapToWalls" });
        return [.. gaps];

        double Off(PlacedItem one, PlacedItem item) => Math.Abs((item.Item.Placement.Origin - one.Item.Placement.Origin).Dot(towards));

        // The least of some pairs about the middle: of two rows those that stand behind each other.
        void Add(string field, string name, Func<PlacedItem, PlacedItem, bool> which, double asks)
        {
            var found = near.Take(FewLooked)
                .SelectMany(one =>
                    near.Where(item => item != one && which(one, item))
                        .OrderBy(item => item.Item.Placement.Origin.DistanceTo(one.Item.Placement.Origin))
                        .Take(3)
                        .Select(item => Nearest.Closest([.. one.Standing], item.Item.Id, name, item.Standing))
                )
                .Where(gap => gap.Width < double.PositiveInfinity && gap.Width >= asks - Tolerance.Length)
                .MinBy(gap => Math.Round(gap.Width));
            if (found is not null)
                gaps.Add(found with { Field = field });
        }

        NearDistance? AcrossAisle()
        {
            // The pair of a row about the middle between which an aisle lies.
            foreach (var row in near.GroupBy(item => Math.Round(item.Item.Placement.Origin.Dot(towards) / OnRow)).Take(6))
            {
                PlacedItem[] places = [.. row.OrderBy(item => item.Item.Placement.Origin.Dot(across))];
                for (var i = 1; i < places.Length; i++)
                    if (
                        Nearest.Closest([.. places[i - 1].Standing], places[i].Item.Id, "the other side of the aisle", places[i].Standing)
                            is var gap
                        && gap.Width >= asked.Aisle - 1
                        && gap.Width < 2 * asked.Aisle
                    )
                        return gap with { Field = "aisle" };
            }
            return null;
        }
    }
}
