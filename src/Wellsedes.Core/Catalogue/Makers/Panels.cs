using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>Panels between posts, in a run or round a cell, bay by bay.</summary>
internal static class Panels
{
    /// <summary>What a bay is told to be, by its number: counted from 1, round a cell counter-clockwise from its front left.</summary>
    private sealed record Bays(double Thick, HashSet<int> Open, HashSet<int> Doors, HashSet<int> Glass)
    {
        public static Bays Of(double thick, MakerParameters parameters, int first) =>
            new(thick, Numbers(parameters, first), Numbers(parameters, first + 1), Numbers(parameters, first + 2));

        private static HashSet<int> Numbers(MakerParameters parameters, int i) => [.. parameters.List(i).Select(number => (int)number)];
    }

    /// <summary>A straight run of panels by bays: solid, glass, with a door, or left open.</summary>
    public static Form Run(MakerInput input)
    {
        var making = new Making(input);
        var bays = BaysOf(input.Size.Width, input.Parameters, 0);
        Side(making, new Point(-making.X, 0), 0, bays, 1, Bays.Of(input.Size.Depth, input.Parameters, 1));
        return making.Form();
    }

    /// <summary>Panels round a cell, its four sides by bays.</summary>
    public static Form Cell(MakerInput input)
    {
        var making = new Making(input);
        var (x, y, thick) = (making.X, making.Y, input.Parameters.Number(7));
        var kinds = Bays.Of(thick, input.Parameters, 4);
        var half = thick / 2;
        var number = 1;
        foreach (
            var (side, from, turn) in ((int, Point, double)[])
                [(0, new(-x, -y + half), 0), (1, new(x - half, -y), 90), (2, new(x, y - half), 180), (3, new(-x + half, y), 270)]
        )
        {
            var bays = BaysOf(side % 2 == 0 ? input.Size.Width : input.Size.Depth, input.Parameters, side);
            Side(making, from, turn, bays, number, kinds);
            number += bays.Count;
        }
        return making.Form();
    }

    /// <summary>The bays of a side: as told, else the usual panels that come out exactly, else equal ones.</summary>
    public static IReadOnlyList<double> BaysOf(double length, MakerParameters parameters, int side) =>
        parameters.List(side) is { IsEmpty: false } given ? given : Fill(length);

    /// <summary>Widths of panels in mm that are usual: 3 ft, 2 ft 6 in, 2 ft; 1000, 900, 800, 750, 600; common practice.</summary>
    private static readonly double[][] Usual =
    [
        [914.4, 762, 609.6],
        [1000, 900, 800, 750, 600],
    ];

    /// <summary>
    /// A length in as few usual panels as come out exactly, alike rather than mixed, all of one system of measures; where none do, in equal
    /// bays no wider than 1000 mm.
    /// </summary>
    public static IReadOnlyList<double> Fill(double length)
    {
        foreach (var widths in Usual)
            if (Exactly(length, widths) is { } bays)
                return bays;
        var count = Math.Max(1, (int)Math.Ceiling(length / 1000 - 1e-9));
        return [.. Enumerable.Repeat(length / count, count)];
    }

    private static List<double>? Exactly(double length, double[] widths)
    {
        List<double>? best = null;
        Try([], 0, length);
        return best;

        void Try(List<double> chosen, int from, double rest)
        {
            if (Math.Abs(rest) < Tolerance.Length)
            {
                if (best is null || (chosen.Count, chosen.Distinct().Count()).CompareTo((best.Count, best.Distinct().Count())) < 0)
                    best = [.. chosen];
                return;
            }
            if (chosen.Count >= 24 || (best is not null && chosen.Count >= best.Count))
                return;
            for (var i = from; i < widths.Length; i++)
                if (widths[i] <= rest + Tolerance.Length)
                {
                    chosen.Add(widths[i]);
                    Try(chosen, i, rest - widths[i]);
                    chosen.RemoveAt(chosen.Count - 1);
                }
        }
    }

    /// <summary>Bays add up to their side, and what a bay is told to be is told of one that is there.</summary>
    public static (string, string)? WrongRun(ItemSize size, MakerParameters parameters) =>
        WrongSide("bays", "run", size.Width, parameters, 0) ?? WrongNumbers(parameters, 1, BaysOf(size.Width, parameters, 0).Count);

    public static (string, string)? WrongCell(ItemSize size, MakerParameters parameters)
    {
        var all = 0;
        foreach (var (side, name) in ((int, string)[])[(0, "front"), (1, "right"), (2, "back"), (3, "left")])
        {
            var length = side % 2 == 0 ? size.Width : size.Depth;
            if (WrongSide(name, $"{name} side", length, parameters, side) is { } wrong)
                return wrong;
            all += BaysOf(length, parameters, side).Count;
        }
        return parameters.Number(7) * 2 >= Math.Min(size.Width, size.Depth)
            ? ("thickness", "The panels are too thick for the cell: nothing is left inside.")
            : WrongNumbers(parameters, 4, all);
    }

    private static (string, string)? WrongSide(string key, string name, double length, MakerParameters parameters, int side)
    {
        var bays = parameters.List(side);
        return bays.IsEmpty || Math.Abs(bays.Sum() - length) <= Tolerance.Length
            ? null
            : (key, $"The bays of the {name} add up to {bays.Sum():0.##} mm; it is {length:0.##} long.");
    }

    private static (string, string)? WrongNumbers(MakerParameters parameters, int first, int bays)
    {
        foreach (var (i, key) in ((int, string)[])[(first, "open"), (first + 1, "doors"), (first + 2, "glass")])
            if (parameters.List(i).FirstOrDefault(number => number > bays) is var wrong && wrong > 0)
                return (key, $"There is no bay {wrong:0}; there are {bays}.");
        return null;
    }

    /// <summary>One side along its own x axis: posts at its ends and between its bays, panels between posts.</summary>
    private static void Side(Making making, Point from, double turn, IReadOnlyList<double> bays, int number, Bays kinds)
    {
        var at = new Placement(from.X, from.Y, turn);
        var half = kinds.Thick / 2;
        var length = bays.Sum();
        Point[] Corners(double a, double b, double low, double high) =>
            [at.Out(new(a, low)), at.Out(new(b, low)), at.Out(new(b, high)), at.Out(new(a, high))];

        double run = 0;
        for (var i = 0; i < bays.Count; i++, number++)
        {
            var (a, b) = (run + (i == 0 ? kinds.Thick : half), run + bays[i] - (i == bays.Count - 1 ? kinds.Thick : half));
            run += bays[i];
            if (kinds.Open.Contains(number) || b <= a)
                continue;
            if (kinds.Doors.Contains(number))
            {
                // The door stands closed in the model, open in plan, and is walked through.
                making
                    .Stands(PrismRole.Front, Convex.Polygon(Corners(a, b, -half, half)), 0, making.H)
                    .Draw(
                        SymbolRole.Use,
                        PathShape
                            .Line(at.Out(new(a, half)), at.Out(new(a, half + (b - a))))
                            .Then(PathShape.Arc(at.Out(new(a, half)), b - a, turn, 90))
                    );
                continue;
            }
            var panel = Corners(a, b, -half, half);
            var isGlass = kinds.Glass.Contains(number);
            making.Solid(Convex.Polygon(panel)).Plate(SymbolRole.Body, isGlass ? PrismRole.Glass : PrismRole.Body, panel, 0, making.H);
            if (isGlass)
                making.Line(at.Out(new(a, 0)), at.Out(new(b, 0)));
        }
        run = 0;
        for (var i = 0; i <= bays.Count; i++)
        {
            var middle =
                i == 0 ? half
                : i == bays.Count ? length - half
                : run;
            // A post stands only beside a panel or a door.
            var before = i > 0 && !kinds.Open.Contains(number - bays.Count + i - 1);
            var after = i < bays.Count && !kinds.Open.Contains(number - bays.Count + i);
            if (before || after || i == 0 || i == bays.Count)
            {
                var post = Corners(middle - half, middle + half, -half, half);
                making.Solid(Convex.Polygon(post)).Plate(SymbolRole.Solid, PrismRole.Leg, post, 0, making.H);
            }
            if (i < bays.Count)
                run += bays[i];
        }
    }
}
