using System.Collections.Immutable;
using System.Text.Json;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Seating;

namespace Wellsedes.Core.Tests.Seating;

/// <summary>
/// Nine bare halls with the region of table middles stated exactly, and the counts that a measured design of such fills reached in each (an invented set that the
/// project carries; halls.json beside this file says how far a middle keeps from what).
/// </summary>
internal static class Halls
{
    public const double Ring = 2860;
    public const double Gap = 500;
    public const double OffWall = 1730;

    public sealed record Hall(string Name, CentreRegion Region, ImmutableArray<double> Turns, int Square, int Staggered, int Dense);

    public static ImmutableArray<Hall> All { get; } = Read();

    private static ImmutableArray<Hall> Read()
    {
        using var stream = typeof(Halls).Assembly.GetManifestResourceStream("halls.json")!;
        using var file = JsonDocument.Parse(stream);
        return [.. file.RootElement.GetProperty("halls").EnumerateArray().Select(Of)];
    }

    private static Hall Of(JsonElement hall)
    {
        ImmutableArray<Point> outline;
        List<Convex> kept = [];
        double off = OffWall;
        if (hall.TryGetProperty("circle", out var circle))
        {
            // Chords outside the circle, so that a middle keeps off the true wall: as a disc of middles.
            var (x, y, r) = (
                circle.GetProperty("x").GetDouble(),
                circle.GetProperty("y").GetDouble(),
                circle.GetProperty("radius").GetDouble()
            );
            outline = [.. Enumerable.Range(0, 720).Select(i => new Point(x, y) + Point.At(i / 2.0) * (r - OffWall))];
            off = 0;
        }
        else
            outline = [.. Corners(hall.GetProperty("outline"))];
        if (hall.TryGetProperty("columns", out var columns))
            foreach (var column in columns.EnumerateArray())
                kept.Add(Convex.Disc(At(column), hall.GetProperty("centre_from_column").GetDouble()));
        if (hall.TryGetProperty("keep", out var keeps))
            foreach (var keep in keeps.EnumerateArray())
            {
                var from = keep.GetProperty("centre_from").GetDouble();
                kept.Add(
                    keep.TryGetProperty("segment", out var segment)
                        ? Convex.Capsule(At(segment[0]), At(segment[1]), from)
                        : Convex.Polygon([.. Corners(keep.GetProperty("outline"))], from)
                );
            }
        var turns = hall.TryGetProperty("circle", out _)
            ? [0.0]
            : Enumerable
                .Range(0, outline.Length)
                .SelectMany(i =>
                {
                    var angle = Angles.Of(outline[(i + 1) % outline.Length] - outline[i]);
                    return new[] { angle, angle + 90 };
                })
                .Select(angle => Math.Round((angle % 180 + 180) % 180, 6))
                .Distinct()
                .ToArray();
        return new Hall(
            hall.GetProperty("name").GetString()!,
            new CentreRegion([new Region(outline, [])], off, kept),
            [.. turns],
            hall.GetProperty("square").GetInt32(),
            hall.GetProperty("staggered").GetInt32(),
            hall.GetProperty("dense_2s").GetInt32()
        );
    }

    private static IEnumerable<Point> Corners(JsonElement ring) => ring.EnumerateArray().Select(At);

    private static Point At(JsonElement point) => new(point[0].GetDouble(), point[1].GetDouble());
}
