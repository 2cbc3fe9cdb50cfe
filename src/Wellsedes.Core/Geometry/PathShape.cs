using System.Collections.Immutable;
using System.Globalization;
using System.Text;

namespace Wellsedes.Core.Geometry;

public enum PathStepKind
{
    Move,
    Line,
    Cubic,
    Close,
}

/// <summary>One step of a drawn path; a cubic uses two control points before its end.</summary>
public readonly record struct PathStep(PathStepKind Kind, Point End, Point Control1 = default, Point Control2 = default);

/// <summary>A drawn path in mm. Circles are four cubic curves, at most 0.03 % of the radius off.</summary>
public sealed record PathShape(ImmutableArray<PathStep> Steps)
{
    private const double Quarter = 0.5522847498307936;

    public static PathShape Line(params ReadOnlySpan<Point> points) => Run(points, false);

    public static PathShape Closed(params ReadOnlySpan<Point> points) => Run(points, true);

    private static PathShape Run(ReadOnlySpan<Point> points, bool close)
    {
        var steps = ImmutableArray.CreateBuilder<PathStep>(points.Length + 1);
        for (var i = 0; i < points.Length; i++)
            steps.Add(new PathStep(i == 0 ? PathStepKind.Move : PathStepKind.Line, points[i]));
        if (close)
            steps.Add(new PathStep(PathStepKind.Close, points[0]));
        return new PathShape(steps.ToImmutable());
    }

    public static PathShape Box(double minX, double minY, double maxX, double maxY) =>
        Closed(new(minX, minY), new(maxX, minY), new(maxX, maxY), new(minX, maxY));

    public static PathShape Circle(Point centre, double radius)
    {
        var steps = Arc(centre, radius, 0, 360).Steps;
        return new PathShape(steps.Add(new PathStep(PathStepKind.Close, steps[0].End)));
    }

    /// <summary>An arc from an angle in degrees through a sweep in degrees, counter-clockwise when positive.</summary>
    public static PathShape Arc(Point centre, double radius, double from, double sweep)
    {
        var parts = Math.Max(1, (int)Math.Ceiling(Math.Abs(sweep) / 90 - 1e-9));
        var part = sweep / parts;
        var reach = 4.0 / 3 * Math.Tan(part * Math.PI / 720) * radius;
        var steps = ImmutableArray.CreateBuilder<PathStep>(parts + 1);
        var direction = Point.At(from);
        steps.Add(new PathStep(PathStepKind.Move, centre + direction * radius));
        for (var i = 1; i <= parts; i++)
        {
            var next = Point.At(from + part * i);
            var start = centre + direction * radius;
            var end = centre + next * radius;
            steps.Add(new PathStep(PathStepKind.Cubic, end, start + direction.Left() * reach, end - next.Left() * reach));
            direction = next;
        }
        return new PathShape(steps.ToImmutable());
    }

    /// <summary>A box with rounded corners; radii in the order front left, front right, back right, back left.</summary>
    public static PathShape Rounded(double minX, double minY, double maxX, double maxY, params ReadOnlySpan<double> radii)
    {
        double R(ReadOnlySpan<double> all, int i) => all.Length == 1 ? all[0] : all[i];
        var (a, b, c, d) = (R(radii, 0), R(radii, 1), R(radii, 2), R(radii, 3));
        var k = 1 - Quarter;
        return new PathShape([
            new(PathStepKind.Move, new(minX + a, minY)),
            new(PathStepKind.Line, new(maxX - b, minY)),
            new(PathStepKind.Cubic, new(maxX, minY + b), new(maxX - b * k, minY), new(maxX, minY + b * k)),
            new(PathStepKind.Line, new(maxX, maxY - c)),
            new(PathStepKind.Cubic, new(maxX - c, maxY), new(maxX, maxY - c * k), new(maxX - c * k, maxY)),
            new(PathStepKind.Line, new(minX + d, maxY)),
            new(PathStepKind.Cubic, new(minX, maxY - d), new(minX + d * k, maxY), new(minX, maxY - d * k)),
            new(PathStepKind.Line, new(minX, minY + a)),
            new(PathStepKind.Cubic, new(minX + a, minY), new(minX, minY + a * k), new(minX + a * k, minY)),
            new(PathStepKind.Close, new(minX + a, minY)),
        ]);
    }

    /// <summary>A line with a head at its end.</summary>
    public static PathShape Arrow(Point from, Point to)
    {
        var back = (from - to).Unit() * Math.Min(140, from.DistanceTo(to) / 2);
        return Line(from, to).Then(Line(to + back + back.Left() * 0.45, to, to + back - back.Left() * 0.45));
    }

    /// <summary>An oval about its centre by its two half sizes.</summary>
    public static PathShape Oval(Point centre, double halfWidth, double halfDepth) =>
        Circle(default, 1).Map(p => new Point(centre.X + p.X * halfWidth, centre.Y + p.Y * halfDepth));

    public PathShape Then(PathShape other) => new(Steps.AddRange(other.Steps));

    public PathShape Map(Func<Point, Point> move) =>
        new([.. Steps.Select(s => new PathStep(s.Kind, move(s.End), move(s.Control1), move(s.Control2)))]);

    public PathShape At(Placement placement) => Map(placement.Out);

    /// <summary>Its runs, each as a path of its own.</summary>
    public IEnumerable<PathShape> Apart()
    {
        var from = 0;
        for (var i = 1; i <= Steps.Length; i++)
            if (i == Steps.Length || Steps[i].Kind == PathStepKind.Move)
            {
                yield return new PathShape(Steps[from..i]);
                from = i;
            }
    }

    /// <summary>Its runs as points, each curve in a number of steps; closed where they close.</summary>
    public IEnumerable<(ImmutableArray<Point> Points, bool Closed)> Runs(int perCurve)
    {
        var points = ImmutableArray.CreateBuilder<Point>();
        foreach (var step in Steps)
            switch (step.Kind)
            {
                case PathStepKind.Move:
                    if (points.Count > 1)
                        yield return (points.ToImmutable(), false);
                    points.Clear();
                    points.Add(step.End);
                    break;
                case PathStepKind.Line:
                    points.Add(step.End);
                    break;
                case PathStepKind.Cubic:
                    var from = points[^1];
                    for (var i = 1; i <= perCurve; i++)
                    {
                        var (t, u) = ((double)i / perCurve, 1 - (double)i / perCurve);
                        points.Add(
                            from * (u * u * u) + step.Control1 * (3 * u * u * t) + step.Control2 * (3 * u * t * t) + step.End * (t * t * t)
                        );
                    }
                    break;
                default:
                    if (points.Count > 1)
                        yield return (points.ToImmutable(), true);
                    points.Clear();
                    points.Add(step.End);
                    break;
            }
        if (points.Count > 1)
            yield return (points.ToImmutable(), false);
    }

    /// <summary>SVG path data with figures to a hundredth, or to whole mm where it is drawn small; y is not turned over.</summary>
    public string ToPathData(bool isSmall = false)
    {
        var text = new StringBuilder();
        foreach (var step in Steps)
            switch (step.Kind)
            {
                case PathStepKind.Move:
                    Write(text.Append('M'), step.End, isSmall);
                    break;
                case PathStepKind.Line:
                    Write(text.Append('L'), step.End, isSmall);
                    break;
                case PathStepKind.Cubic:
                    Write(text.Append('C'), step.Control1, isSmall);
                    Write(text.Append(' '), step.Control2, isSmall);
                    Write(text.Append(' '), step.End, isSmall);
                    break;
                default:
                    text.Append('Z');
                    break;
            }
        return text.ToString();
    }

    private static void Write(StringBuilder text, Point p, bool isSmall)
    {
        if (isSmall)
            text.Append((long)Math.Round(p.X)).Append(' ').Append((long)Math.Round(p.Y));
        else
            text.Append(CultureInfo.InvariantCulture, $"{Math.Round(p.X, 2)} {Math.Round(p.Y, 2)}");
    }
}
