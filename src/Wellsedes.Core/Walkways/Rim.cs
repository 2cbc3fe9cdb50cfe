using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>The boundary of a grown shape as arcs and straight pieces, in the order they are walked counter-clockwise.</summary>
internal sealed class Rim
{
    /// <summary>A piece: an arc about a corner, or the straight run that follows it.</summary>
    private readonly record struct Piece(bool IsArc, Point From, Point To, Point Centre, double Radius, double Start, double Sweep)
    {
        /// <summary>A hair larger than it is.</summary>
        public Bounds Box { get; } = (IsArc ? Bounds.At(Centre).Grown(Radius) : Bounds.Around([From, To])).Grown(1e-6);
    }

    private readonly Convex shape;
    private List<Piece>? known;

    /// <summary>Laid out when they are first asked for: most rims are only asked on which side a point lies.</summary>
    private List<Piece> Pieces => known ??= PiecesOf(shape);

    public Rim(Convex shape) => this.shape = shape;

    private static List<Piece> PiecesOf(Convex shape)
    {
        List<Piece> pieces = [];
        var corners = shape.Corners;
        var at = 0;
        foreach (var (centre, from, sweep) in shape.Arcs())
        {
            pieces.Add(new Piece(true, default, default, centre, shape.Radius, from, sweep));
            if (corners.Length > 1)
            {
                var next = corners[(at + 1) % corners.Length];
                var along = (next - centre).Unit();
                var outward = new Point(along.Y, -along.X) * shape.Radius;
                pieces.Add(new Piece(false, centre + outward, next + outward, default, 0, 0, 0));
            }
            at++;
        }
        return pieces;
    }

    /// <summary>Where on the boundary a point of it lies: even figures are arcs, odd ones straight runs.</summary>
    public double Position(Point p)
    {
        var corners = shape.Corners;
        if (corners.Length == 1)
            return Fraction(Math.Atan2(p.Y - corners[0].Y, p.X - corners[0].X), 0, 2 * Math.PI);
        var best = double.PositiveInfinity;
        double position = 0;
        for (var i = 0; i < corners.Length; i++)
        {
            var a = corners[i];
            var b = corners[i + 1 == corners.Length ? 0 : i + 1];
            var edge = b - a;
            var square = edge.Dot(edge);
            var from = p - a;
            if (edge.Cross(from) > 0)
                continue;
            var along = from.Dot(edge) / square;
            var inEdge = Math.Clamp(along, 0, 1);
            var distance = p.DistanceTo(a + edge * inEdge);
            if (distance >= best)
                continue;
            best = distance;
            position =
                along <= 0 ? 2 * i + ArcFraction(i, p)
                : along >= 1 ? 2 * ((i + 1) % corners.Length) + ArcFraction((i + 1) % corners.Length, p)
                : 2 * i + 1 + along;
        }
        return position;
    }

    private double ArcFraction(int corner, Point p)
    {
        var arc = Pieces[2 * corner];
        return Fraction(Math.Atan2(p.Y - arc.Centre.Y, p.X - arc.Centre.X), arc.Start, arc.Sweep);
    }

    /// <summary>How far through an arc an angle is, in [0, 1]; angles a hair outside go to the nearer end.</summary>
    private static double Fraction(double angle, double start, double sweep)
    {
        var turned = Turned(angle - start);
        if (turned <= sweep)
            return sweep == 0 ? 0 : turned / sweep;
        return turned - sweep < 2 * Math.PI - turned ? 1 : 0;
    }

    private static double Turned(double angle)
    {
        angle %= 2 * Math.PI;
        return angle < 0 ? angle + 2 * Math.PI : angle;
    }

    /// <summary>Where two boundaries cross; outside a place they may be left out.</summary>
    public static List<Point> Crossings(Rim a, Rim b, Bounds within)
    {
        List<Point> found = [];
        foreach (var one in a.Pieces)
        foreach (var two in one.Box.Meets(within) ? b.Pieces : [])
        {
            if (!two.Box.Meets(one.Box) || !two.Box.Meets(within))
                continue;
            if (one.IsArc && two.IsArc)
                ArcArc(one, two, found);
            else if (one.IsArc)
                LineArc(two, one, found);
            else if (two.IsArc)
                LineArc(one, two, found);
            else
                LineLine(one, two, found);
        }
        for (var i = found.Count - 1; i > 0; i--)
            if (found.Take(i).Any(other => other.DistanceTo(found[i]) < 1e-7))
                found.RemoveAt(i);
        return found;
    }

    private static void LineLine(Piece one, Piece two, List<Point> found)
    {
        var (r, s) = (one.To - one.From, two.To - two.From);
        var cross = r.Cross(s);
        if (Math.Abs(cross) < 1e-12 * r.Length * s.Length)
            return;
        var between = two.From - one.From;
        var t = between.Cross(s) / cross;
        var u = between.Cross(r) / cross;
        var (slackT, slackU) = (1e-9 / r.Length, 1e-9 / s.Length);
        if (t >= -slackT && t <= 1 + slackT && u >= -slackU && u <= 1 + slackU)
            found.Add(one.From + r * t);
    }

    private static void LineArc(Piece line, Piece arc, List<Point> found)
    {
        if (arc.Radius <= 0)
            return;
        var along = line.To - line.From;
        var length = along.Length;
        var direction = along * (1 / length);
        var from = arc.Centre - line.From;
        var foot = from.Dot(direction);
        var off = from.Cross(direction);
        var square = arc.Radius * arc.Radius - off * off;
        if (square < 0)
            return;
        var half = Math.Sqrt(square);
        foreach (var t in (ReadOnlySpan<double>)[foot - half, foot + half])
            if (t >= -1e-9 && t <= length + 1e-9)
                AddOnArc(line.From + direction * t, arc, found);
    }

    private static void ArcArc(Piece one, Piece two, List<Point> found)
    {
        var apart = two.Centre - one.Centre;
        var distance = apart.Length;
        if (distance == 0 || distance > one.Radius + two.Radius || distance < Math.Abs(one.Radius - two.Radius))
            return;
        var along = (distance * distance + one.Radius * one.Radius - two.Radius * two.Radius) / (2 * distance);
        var half = Math.Sqrt(Math.Max(0, one.Radius * one.Radius - along * along));
        var direction = apart * (1 / distance);
        var foot = one.Centre + direction * along;
        foreach (var side in (ReadOnlySpan<double>)[half, -half])
        {
            var p = foot + direction.Left() * side;
            if (OnArc(p, one))
                AddOnArc(p, two, found);
        }
    }

    private static void AddOnArc(Point p, Piece arc, List<Point> found)
    {
        if (OnArc(p, arc))
            found.Add(p);
    }

    private static bool OnArc(Point p, Piece arc)
    {
        var turned = Turned(Math.Atan2(p.Y - arc.Centre.Y, p.X - arc.Centre.X) - arc.Start);
        const double slack = 1e-8;
        return turned <= arc.Sweep + slack || turned >= 2 * Math.PI - slack;
    }
}
