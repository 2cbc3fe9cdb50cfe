using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue;

/// <summary>
/// A form in the making: what it takes of the floor, who sits where, what is drawn, and what stands up. Parts that are drawn and
/// stand up are said once, so that plan and model cannot disagree. Own coordinates in mm: origin in the middle, front towards -y.
/// </summary>
internal sealed class Making(MakerInput input)
{
    private readonly List<Convex> solids = [];
    private readonly List<SeatPlace> seats = [];
    private readonly List<ActivitySpace> spaces = [];
    private readonly List<SymbolPart> symbol = [];
    private readonly List<Prism> prisms = [];

    public MakerInput Input => input;

    /// <summary>Half the width.</summary>
    public double X => input.Size.Width / 2;

    /// <summary>Half the depth.</summary>
    public double Y => input.Size.Depth / 2;

    /// <summary>The height.</summary>
    public double H => input.Size.Height;

    /// <summary>The longest of a length and what a share of the width or depth allows: fittings shrink with what they are on.</summary>
    public double Within(double length, double share = 0.25) => Math.Min(length, Math.Min(input.Size.Width, input.Size.Depth) * share);

    /// <summary>The floor it takes is its whole box.</summary>
    public Making Whole() => Solid(Convex.Rectangle(default, input.Size.Width, input.Size.Depth));

    /// <summary>The whole box, filled to its full height: a machine, a mirror, a mat.</summary>
    public Making Filled(PrismRole role) => Whole().Block(SymbolRole.Body, role, -X, -Y, X, Y, 0, H);

    public Making Solid(Convex shape)
    {
        solids.Add(shape);
        return this;
    }

    public Making Sits(SeatPlace seat)
    {
        seats.Add(seat);
        return this;
    }

    /// <summary>Somebody sits on the thing itself, looking to the front.</summary>
    public Making SitsOnIt(double x = 0, double? width = null) =>
        Sits(new SeatPlace(new Point(x, -Y), new Point(0, 1), width ?? input.Size.Width, input.Size.Depth, false));

    /// <summary>Floor in front that is needed in use, the full width and a depth in mm.</summary>
    public Making NeedsInFront(string name, double depth) => Needs(name, -X, -Y - depth, X, -Y);

    /// <summary>Floor that is needed in use, by its corners.</summary>
    public Making Needs(string name, double minX, double minY, double maxX, double maxY)
    {
        spaces.Add(new ActivitySpace(name, Box(minX, minY, maxX, maxY)));
        return this;
    }

    public Making Draw(SymbolRole role, PathShape path)
    {
        symbol.Add(new SymbolPart(role, path));
        return this;
    }

    /// <summary>Drawn only where the scale leaves room for it.</summary>
    public Making Fine(PathShape path, SymbolRole role = SymbolRole.Detail)
    {
        symbol.Add(new SymbolPart(role, path, true));
        return this;
    }

    public Making Draw(IEnumerable<SymbolPart> parts)
    {
        symbol.AddRange(parts);
        return this;
    }

    /// <summary>A thin line through points.</summary>
    public Making Line(params ReadOnlySpan<Point> points) => Draw(SymbolRole.Detail, PathShape.Line(points));

    /// <summary>A solid part that is not drawn by itself.</summary>
    public Making Stands(PrismRole role, Convex outline, double from, double to, double taper = 1)
    {
        // Fittings of usual heights go no further than what they are on.
        (from, to) = (Math.Max(0, from), Math.Min(to, H));
        if (to > from + Tolerance.Length)
            prisms.Add(new Prism(role, outline, from, to, taper));
        return this;
    }

    public Making Stands(PrismRole role, double minX, double minY, double maxX, double maxY, double from, double to, double taper = 1) =>
        Stands(role, Box(minX, minY, maxX, maxY), from, to, taper);

    /// <summary>A box that is drawn and stands up.</summary>
    public Making Block(
        SymbolRole drawn,
        PrismRole role,
        double minX,
        double minY,
        double maxX,
        double maxY,
        double from,
        double to,
        double corner = 0
    ) =>
        Draw(drawn, corner > 0 ? PathShape.Rounded(minX, minY, maxX, maxY, corner) : PathShape.Box(minX, minY, maxX, maxY))
            .Stands(role, minX, minY, maxX, maxY, from, to);

    /// <summary>A disc that is drawn and stands up.</summary>
    public Making Disc(SymbolRole drawn, PrismRole role, Point centre, double radius, double from, double to, double taper = 1) =>
        Draw(drawn, PathShape.Circle(centre, radius)).Stands(role, Convex.Disc(centre, radius), from, to, taper);

    /// <summary>A convex polygon that is drawn and stands up.</summary>
    public Making Plate(SymbolRole drawn, PrismRole role, Point[] corners, double from, double to) =>
        Draw(drawn, PathShape.Closed(corners)).Stands(role, Convex.Polygon(corners), from, to);

    /// <summary>Four legs, drawn where the scale leaves room.</summary>
    public Making Legs(double inset, double thick, double to, PrismRole role = PrismRole.Leg)
    {
        var (x, y, h) = (X - Within(inset), Y - Within(inset), Within(thick, 0.12) / 2);
        PathShape? all = null;
        foreach (var (cx, cy) in ((double, double)[])[(-x, -y), (x, -y), (x, y), (-x, y)])
        {
            var leg = PathShape.Box(cx - h, cy - h, cx + h, cy + h);
            all = all?.Then(leg) ?? leg;
            Stands(role, cx - h, cy - h, cx + h, cy + h, 0, to);
        }
        return Fine(all!);
    }

    /// <summary>A short notch on the front edge.</summary>
    public Making Front()
    {
        var half = Math.Min(70, input.Size.Width / 6);
        return Draw(SymbolRole.Front, PathShape.Closed(new(-half, -Y), new(half, -Y), new(0, -Y + half * 0.8)));
    }

    public Form Form(bool walkedOn = false, bool stoodOn = false) =>
        new([.. solids], [.. seats], [.. spaces], [.. symbol], walkedOn, stoodOn) { Prisms = [.. prisms] };

    public static Convex Box(double minX, double minY, double maxX, double maxY) =>
        Convex.Rectangle(new Point((minX + maxX) / 2, (minY + maxY) / 2), maxX - minX, maxY - minY);
}
