using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>A box whose front is divided: rows from the floor up, each of drawers, doors, open shelves or a plain panel, in columns.</summary>
internal static class Fronts
{
    private const double Board = 18;

    /// <summary>What a row may hold, numbered from 1.</summary>
    public static readonly ImmutableArray<string> Kinds = ["Drawer", "Doors", "Shelves", "Plain"];

    private const int Drawer = 1;
    private const int Doors = 2;
    private const int Shelves = 3;

    private sealed record Row(double From, double To, int Kind);

    /// <summary>The rows of a box from the floor up; evenly high where no heights are told, one of doors where nothing is.</summary>
    private static Row[] Rows(double height, MakerParameters parameters)
    {
        var (heights, kinds) = (parameters.List(0), parameters.List(1));
        var count = Math.Max(1, Math.Max(heights.Length, kinds.Length));
        var from = 0.0;
        return
        [
            .. Enumerable
                .Range(0, count)
                .Select(i =>
                {
                    var row = new Row(
                        from,
                        from + (heights.IsEmpty ? height / count : heights[i]),
                        kinds.IsEmpty ? Doors : (int)kinds[Math.Min(i, kinds.Length - 1)]
                    );
                    from = row.To;
                    return row;
                }),
        ];
    }

    /// <summary>How many drawers, leaves and open compartments a box has, for lists.</summary>
    public static string MadeOf(ItemSize size, MakerParameters parameters)
    {
        var rows = Rows(size.Height, parameters);
        var columns = (int)parameters.Number(2);
        var leaf = Leaves(size.Width, columns);
        (int Count, string One, string More)[] parts =
        [
            (rows.Count(row => row.Kind == Drawer) * columns, "drawer", "drawers"),
            (rows.Count(row => row.Kind == Doors) * columns * leaf, "door", "doors"),
            (rows.Count(row => row.Kind == Shelves) * columns, "shelf", "shelves"),
        ];
        return string.Join(
            ", ",
            parts.Where(part => part.Count > 0).Select(part => $"{part.Count} {(part.Count == 1 ? part.One : part.More)}")
        );
    }

    /// <summary>Leaves of a door in a column: two above 650 mm, common practice.</summary>
    private static int Leaves(double width, int columns) => width / columns > 650 ? 2 : 1;

    public static (string, string)? Wrong(ItemSize size, MakerParameters parameters)
    {
        var (heights, kinds) = (parameters.List(0), parameters.List(1));
        if (!heights.IsEmpty && !kinds.IsEmpty && heights.Length != kinds.Length)
            return ("fronts", $"There are {heights.Length} heights of rows and {kinds.Length} fronts; give each row one.");
        return heights.IsEmpty || Math.Abs(heights.Sum() - size.Height) <= Tolerance.Length
            ? null
            : ("rows", $"The rows add up to {heights.Sum():0.##} mm; the whole is {size.Height:0.##} high.");
    }

    /// <summary>Rows keep their shares of the height; the last takes what rounding leaves.</summary>
    public static ItemParameters Refit(ItemSize size, ItemParameters told) => Catalogue.Refit.Shares(told, "rows", size.Height);

    public static Form Box(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making.Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y));
        var board = making.Within(Board, 0.1);
        var columns = Math.Max(1, (int)input.Parameters.Number(2));
        var rows = Rows(making.H, input.Parameters);
        var wide = 2 * x / columns;
        var leaves = Leaves(2 * x, columns);
        foreach (var row in rows)
            if (row.Kind == Shelves)
                Open(making, row, board, columns);
            else
            {
                making.Stands(PrismRole.Body, -x, -y + board, x, y, row.From, row.To);
                var fronts = columns * (row.Kind == Doors ? leaves : 1);
                for (var i = 0; i < fronts; i++)
                    making.Stands(
                        PrismRole.Front,
                        -x + 2 * x * i / fronts + 2,
                        -y,
                        -x + 2 * x * (i + 1) / fronts - 2,
                        -y + board,
                        row.From + 2,
                        row.To - 2
                    );
            }
        double deep = 0;
        if (rows.Any(row => row.Kind == Doors))
        {
            var leaf = wide / leaves;
            deep = leaf;
            for (var i = 0; i < columns; i++)
                making.Draw(SymbolRole.Use, Marks.Swings(leaves, leaf, -x + wide * i, -x + wide * (i + 1), -y));
        }
        if (rows.Any(row => row.Kind == Drawer))
        {
            var pull = input.Size.Depth * 0.8;
            deep = Math.Max(deep, pull);
            for (var i = 0; i < columns; i++)
            {
                var (left, right) = (-x + wide * i + 15, -x + wide * (i + 1) - 15);
                making
                    .Draw(SymbolRole.Solid, PathShape.Box(left + wide * 0.25, -y + board * 1.6, right - wide * 0.25, -y + board * 2.6))
                    .Draw(
                        SymbolRole.Use,
                        PathShape.Line(new Point(left, -y), new Point(left, -y - pull), new Point(right, -y - pull), new Point(right, -y))
                    );
            }
        }
        if (rows.Any(row => row.Kind == Shelves))
        {
            deep = Math.Max(deep, 600);
            making.Fine(PathShape.Line(new Point(-x, -y), new Point(x, y)).Then(PathShape.Line(new Point(-x, y), new Point(x, -y))));
        }
        if (rows.Any(row => row.Kind != Shelves))
            making.Line(new Point(-x, -y + board), new Point(x, -y + board));
        for (var i = 1; i < columns; i++)
            making.Line(new Point(-x + wide * i, -y), new Point(-x + wide * i, y));
        if (deep > 0)
            making.NeedsInFront("Reach", deep);
        return making.Front().Form();
    }

    /// <summary>An open row: sides between columns, a back, a shelf below and above.</summary>
    private static void Open(Making making, Row row, double board, int columns)
    {
        var (x, y) = (making.X, making.Y);
        making.Stands(PrismRole.Back, -x, y - board, x, y, row.From, row.To);
        for (var i = 0; i <= columns; i++)
        {
            var at = Math.Clamp(-x + 2 * x * i / columns - board / 2, -x, x - board);
            making.Stands(PrismRole.Body, at, -y, at + board, y - board, row.From, row.To);
        }
        making
            .Stands(PrismRole.Top, -x, -y, x, y - board, row.From, row.From + board)
            .Stands(PrismRole.Top, -x, -y, x, y - board, row.To - board, row.To);
    }
}
