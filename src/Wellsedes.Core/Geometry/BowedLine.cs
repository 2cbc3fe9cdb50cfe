namespace Wellsedes.Core.Geometry;

/// <summary>
/// A straight line or an arc from start to end, in mm. Bow is the distance from the middle of the chord to the middle
/// of the arc, positive to the left of the direction of travel.
/// </summary>
public readonly record struct BowedLine(Point Start, Point End, double Bow)
{
    /// <summary>Less bow than this is a straight line.</summary>
    private const double Straight = 0.05;

    public bool IsStraight => Math.Abs(Bow) < Straight;

    private double Chord => Start.DistanceTo(End);

    /// <summary>Radius of the arc in mm; endless for a straight line.</summary>
    public double Radius => IsStraight ? double.PositiveInfinity : (Chord * Chord / 4 + Bow * Bow) / (2 * Math.Abs(Bow));

    /// <summary>The angle the arc spans, in radians; 0 for a straight line.</summary>
    public double Sweep => IsStraight ? 0 : 2 * Math.Atan2(Chord / 2, Radius - Math.Abs(Bow));

    public double Length => IsStraight ? Chord : Radius * Sweep;

    public Point Centre => Point.Middle(Start, End) + (End - Start).Unit().Left() * (Bow - Math.Sign(Bow) * Radius);

    /// <summary>The line's arc through three points; straight when they lie in line.</summary>
    public static BowedLine Through(Point start, Point on, Point end)
    {
        var (a, b) = (start - on, end - on);
        var cross = a.Cross(b);
        var chord = start.DistanceTo(end);
        if (Math.Abs(cross) < 1e-6 * chord * chord)
            return new BowedLine(start, end, 0);
        // The circle through three points, about the middle one.
        var d = 2 * cross;
        var centre = on + new Point((b.Y * a.Dot(a) - a.Y * b.Dot(b)) / d, (a.X * b.Dot(b) - b.X * a.Dot(a)) / d);
        var radius = centre.DistanceTo(on);
        var left = (end - start).Unit().Left();
        var side = Math.Sign((on - start).Dot(left));
        var offset = (centre - Point.Middle(start, end)).Dot(left);
        return new BowedLine(start, end, offset + side * radius);
    }

    /// <summary>The place a distance in mm along the line from its start, moved to its left by an offset.</summary>
    public Point At(double along, double left = 0)
    {
        if (IsStraight)
        {
            var direction = (End - Start).Unit();
            return Start + direction * along + direction.Left() * left;
        }
        var radial = Radial(along);
        return Centre + radial * (Radius + Math.Sign(Bow) * left);
    }

    /// <summary>The direction of travel at a distance along.</summary>
    public Point Direction(double along) => IsStraight ? (End - Start).Unit() : Radial(along).Left() * -Math.Sign(Bow);

    private Point Radial(double along)
    {
        var from = (Start - Centre).Unit();
        var (sin, cos) = Math.SinCos(-Math.Sign(Bow) * along / Radius);
        return new Point(from.X * cos - from.Y * sin, from.X * sin + from.Y * cos);
    }

    /// <summary>How far along the line a point lies (clamped to the line) and how far to its left.</summary>
    public (double Along, double Left) Nearest(Point p)
    {
        if (IsStraight)
        {
            var direction = (End - Start).Unit();
            return (Math.Clamp((p - Start).Dot(direction), 0, Chord), direction.Cross(p - Start));
        }
        var centre = Centre;
        var (from, to) = (Start - centre, p - centre);
        // The angle from the start to the point, turning the way the arc turns.
        var angle = Math.Atan2(from.Cross(to), from.Dot(to)) * -Math.Sign(Bow);
        if (angle < 0)
            angle += 2 * Math.PI;
        var sweep = Sweep;
        if (angle > sweep)
            angle = angle - sweep < 2 * Math.PI - angle ? sweep : 0;
        return (angle * Radius, (to.Length - Radius) * Math.Sign(Bow));
    }

    /// <summary>Distances along, both ends included, so dense that chords stay within a sag in mm of an arc moved out by an offset.</summary>
    public double[] Steps(double from, double to, double outermost, double sag = 0.2)
    {
        if (IsStraight)
            return [from, to];
        var radius = Radius + outermost;
        var step = 2 * Math.Acos(Math.Max(0, 1 - sag / radius)) * Radius;
        var count = Math.Max(1, (int)Math.Ceiling((to - from) / step));
        var steps = new double[count + 1];
        for (var i = 0; i <= count; i++)
            steps[i] = from + (to - from) * i / count;
        return steps;
    }

    /// <summary>The straight line a walk would go on along past the end, and the one it would have come by.</summary>
    /// <summary>Where two straight lines cross, drawn on beyond their ends; null when one is bowed or they run too much alike.</summary>
    public Point? Crossing(BowedLine other) =>
        IsStraight && other.IsStraight
            ? new EndlessLine(Start, Direction(0)).Crossing(new EndlessLine(other.Start, other.Direction(0)), 0.1)
            : null;

    public EndlessLine Onward => new(End, Direction(Length));

    public EndlessLine Back => new(Start, Direction(0));

    public BowedLine Reversed() => new(End, Start, -Bow);

    /// <summary>The part between two distances along.</summary>
    public BowedLine Part(double from, double to)
    {
        if (IsStraight)
            return new BowedLine(At(from), At(to), 0);
        var radius = Radius;
        var sweep = (to - from) / radius;
        return new BowedLine(At(from), At(to), Math.Sign(Bow) * radius * (1 - Math.Cos(sweep / 2)));
    }

    /// <summary>The same line moved to its left by an offset in mm; an arc keeps its centre.</summary>
    public BowedLine Offset(double left)
    {
        if (IsStraight)
        {
            var by = (End - Start).Unit().Left() * left;
            return new BowedLine(Start + by, End + by, 0);
        }
        var length = Length;
        var radius = Radius + Math.Sign(Bow) * left;
        return new BowedLine(At(0, left), At(length, left), Math.Sign(Bow) * radius * (1 - Math.Cos(Sweep / 2)));
    }
}
