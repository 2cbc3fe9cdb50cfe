using System.Collections.Immutable;
using System.Diagnostics;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Seating.Dense;
using SeatingHalls = Wellsedes.Core.Tests.Seating.Halls;

namespace Wellsedes.Bench;

/// <summary>
/// Counts and times of fills: nine halls by lattices and dense, and circles in a square and in a circle against radii of the best packings known (published; recalled from
/// memory; taken at 0.9999 of them). That what is found holds is proved by its distances.
/// </summary>
internal static class Packing
{
    /// <summary>Radius in a square of side 1.</summary>
    private static readonly (int Count, double Radius)[] InSquare =
    [
        (7, 0.174457630187),
        (10, 0.148204322565),
        (13, 0.133993513500),
        (19, 0.112265437571),
        (20, 0.111382347512),
        (25, 0.1),
        (30, 0.091671057986),
        (37, 0.082023),
        // Seven rows of six and five in turn, from side to side and just touching: between middles the root of 34 to 30, the side being one diameter longer.
        (39, Math.Sqrt(34) / 30 / (2 + Math.Sqrt(34) / 15)),
        (50, 0.071377103865),
        (52, 0.070957),
        (100, 0.051401071774),
    ];

    /// <summary>Radius in a circle of radius 1.</summary>
    private static readonly (int Count, double Radius)[] InCircle =
    [
        (7, 1 / 3.0),
        (10, 0.262258924190),
        (13, 0.236067977500),
        (19, 0.205604646760),
        (20, 0.195224011019),
        (25, 0.173827661421),
        (30, 0.161349109065),
        (37, 1 / 6.758773),
        (39, 1 / 7.057884),
        (50, 1 / 7.947515),
        (61, 1 / 8.661298),
        (68, 1 / 9.229774),
        (91, 1 / 10.566772),
        (100, 1 / 11.082150),
    ];

    public static void Run(string[] only)
    {
        if (!only.Contains("circles"))
            Halls();
        if (!only.Contains("halls"))
            Circles();
    }

    private static void Halls()
    {
        const double apart = SeatingHalls.Ring + SeatingHalls.Gap;
        Console.WriteLine(
            "hall | quick, ms | square, staggered | dense at 5 000, 18 000, 200 000 looks, ms | mirrored at 10 000, 100 000, ms"
        );
        // The first runs compile.
        foreach (var hall in SeatingHalls.All.SelectMany(hall => Enumerable.Repeat(hall, 30)))
        foreach (var kind in (LatticeKind[])[LatticeKind.Square, LatticeKind.Staggered])
            Filling.Fullest(hall.Region, new FillAsked(apart, apart, hall.Turns, Quick: true), kind);
        foreach (var hall in SeatingHalls.All)
        {
            var asked = new FillAsked(apart, apart, hall.Turns);
            LatticeFill?[] Lattices(bool quick) =>
                [
                    Filling.Fullest(hall.Region, asked with { Quick = quick }, LatticeKind.Square),
                    Filling.Fullest(hall.Region, asked with { Quick = quick }, LatticeKind.Staggered),
                ];
            var runs = Enumerable.Range(0, 21).Select(_ => Timed(() => Lattices(true))).OrderBy(run => run.Milliseconds).ToArray();
            var (quick, fast) = runs[10];
            var all = Lattices(false);
            var starts = DenseFill.Starts(hall.Region, asked);
            List<string> dense = [];
            foreach (var looks in (long[])[5_000, 18_000, 200_000])
            {
                // Short ones are the median of some; the first compiles.
                var times = Enumerable
                    .Range(0, looks < 100_000 ? 10 : 1)
                    .Select(_ => Timed(() => DenseFill.More(hall.Region, apart, starts, looks)))
                    .OrderBy(run => run.Milliseconds)
                    .ToArray();
                var (found, ms) = times[times.Length / 2];
                Prove(hall.Region, found, apart);
                dense.Add($"{found.Length} ({ms:0})");
            }
            var axis = new MirrorAxis(hall.Region.Bounds.Centre, new Point(0, 1));
            List<string> mirrored = [];
            foreach (var looks in (long[])[10_000, 100_000])
            {
                var (found, ms) = Timed(() => DenseFill.Mirrored(hall.Region, apart, axis, starts, looks));
                Prove(hall.Region, found, apart);
                mirrored.Add($"{found.Length} ({ms:0})");
            }
            Console.WriteLine(
                $"{hall.Name} | {quick.Max(one => one!.Count)} ({fast:0.0}) | {all[0]!.Count}, {all[1]!.Count} | {string.Join(", ", dense)} | {string.Join(", ", mirrored)}"
            );
        }
    }

    private static void Circles()
    {
        const double scale = 10_000;
        Console.WriteLine("circles | asked | found in a square, s | found in a circle, s");
        Region square = new([new(0, 0), new(scale, 0), new(scale, scale), new(0, scale)], []);
        foreach (var (count, radius) in InSquare)
            One("square", count, 2 * radius * scale * 0.9999, new CentreRegion([square], radius * scale * 0.9999, []));
        foreach (var (count, radius) in InCircle)
        {
            // The circle of middles, in chords that lie within it by less than the hundredth of a percent that is given.
            var within = scale * (1 - radius * 0.9999);
            ImmutableArray<Point> ring = [.. Enumerable.Range(0, 720).Select(i => Point.At(i / 2.0) * within)];
            One("circle", count, 2 * radius * scale * 0.9999, new CentreRegion([new Region(ring, [])], 0, []));
        }
    }

    /// <summary>Of each seed.</summary>
    private const long Looks = 270_000;

    private static void One(string where, int count, double apart, CentreRegion region)
    {
        var asked = new FillAsked(apart, apart, [0, 30]);
        Point[][] starts = [.. DenseFill.Starts(region, asked), []];
        var (found, ms) = Timed(() => DenseFill.More(region, apart, starts, Looks));
        Prove(region, found, apart);
        Console.WriteLine($"{where} | {count} | {found.Length} | {ms / 1000:0.00}");
    }

    private static (T Result, double Milliseconds) Timed<T>(Func<T> work)
    {
        var watch = Stopwatch.StartNew();
        var result = work();
        return (result, watch.Elapsed.TotalMilliseconds);
    }

    private static void Prove(CentreRegion region, Point[] places, double apart)
    {
        for (var i = 0; i < places.Length; i++)
        {
            if (!region.Holds(places[i]))
                throw new InvalidOperationException($"{places[i]} is outside.");
            for (var j = 0; j < i; j++)
                if (places[i].DistanceTo(places[j]) < apart - 0.01)
                    throw new InvalidOperationException($"{places[i]} and {places[j]} are too near.");
        }
    }
}
