using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>Parts that several makers share.</summary>
internal static class Marks
{
    /// <summary>The parts of a chair seen from above about its middle: rounded seat, back rest on the side away from the front.</summary>
    public static SymbolPart[] Chair(double width, double depth)
    {
        var (x, y) = (width / 2, depth / 2);
        var rest = Math.Min(60, depth * 0.14);
        var round = Math.Min(width, depth) * 0.2;
        return
        [
            new(SymbolRole.Seat, PathShape.Rounded(-x, -y, x, y, round, round, round / 2, round / 2)),
            new(SymbolRole.Back, PathShape.Rounded(-x, y - rest, x, y, rest * 0.2, rest * 0.2, rest * 0.5, rest * 0.5)),
        ];
    }

    /// <summary>The leaves of a cupboard open to the front and the arcs they swept: one hung at the left, or two that meet.</summary>
    public static PathShape Swings(int leaves, double leaf, double left, double right, double front)
    {
        var swing = Swing(new Point(left, front), leaf);
        return leaves == 2 ? swing.Then(Swing(new Point(right, front), leaf, -90)) : swing;
    }

    /// <summary>A leaf open to the front and the arc it swept, in degrees counter-clockwise: 90 hung at the left, -90 at the right.</summary>
    public static PathShape Swing(Point hinge, double leaf, double sweep = 90) =>
        PathShape.Line(hinge, new Point(hinge.X, hinge.Y - leaf)).Then(PathShape.Arc(hinge, leaf, -90, sweep));

    public static IEnumerable<SymbolPart> At(IEnumerable<SymbolPart> parts, Placement placement) =>
        parts.Select(part => part with { Path = part.Path.At(placement) });

    /// <summary>The height of a seat for a chair of a height overall, in mm: 450 for usual ones, common practice.</summary>
    public static double SeatHeight(double height) => Math.Min(450, height * 0.55);

    /// <summary>The corners of an oval in a box, counter-clockwise from the right.</summary>
    public static Point[] OvalCorners(double x, double y, int corners = 48) =>
        [.. Enumerable.Range(0, corners).Select(i => Point.At(360.0 * i / corners)).Select(p => new Point(p.X * x, p.Y * y))];

    /// <summary>The uprights of a chair: four legs, a seat and a back, as solids in the making's whole box.</summary>
    public static Making ChairSolids(this Making making, double thick = 28)
    {
        var (x, y) = (making.X, making.Y);
        var seat = SeatHeight(making.H);
        var rest = Math.Min(60, y * 0.28);
        foreach (var (cx, cy) in ((double, double)[])[(-1, -1), (1, -1), (1, 1), (-1, 1)])
        {
            var (px, py) = (cx * (x - thick / 2), cy * (y - thick / 2));
            making.Stands(PrismRole.Leg, px - thick / 2, py - thick / 2, px + thick / 2, py + thick / 2, 0, seat - 40);
        }
        return making.Stands(PrismRole.Seat, -x, -y, x, y, seat - 40, seat).Stands(PrismRole.Back, -x, y - rest, x, y, seat, making.H);
    }
}
