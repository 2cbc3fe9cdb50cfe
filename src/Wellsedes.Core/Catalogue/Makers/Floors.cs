using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>What lies on a floor.</summary>
internal static class Floors
{
    /// <summary>A rug: its fringe at the two ends.</summary>
    public static Form Rug(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Bedding);
        var (x, y) = (making.X, making.Y);
        var edge = making.Within(120, 0.1);
        making.Draw(SymbolRole.Detail, PathShape.Box(-x + edge, -y + edge, x - edge, y - edge));
        PathShape? fringe = null;
        for (var at = -y + 30; at < y; at += 60)
        {
            var threads = PathShape
                .Line(new Point(-x, at), new Point(-x + edge * 0.4, at))
                .Then(PathShape.Line(new Point(x, at), new Point(x - edge * 0.4, at)));
            fringe = fringe?.Then(threads) ?? threads;
        }
        if (fringe is not null)
            making.Fine(fringe);
        return making.Form(stoodOn: true);
    }

    /// <summary>A mat to wipe feet on.</summary>
    public static Form Mat(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Bedding);
        var (x, y) = (making.X, making.Y);
        for (var at = -x + 60; at < x; at += 60)
            making.Draw(SymbolRole.Detail, PathShape.Line(new Point(at, -y), new Point(at, y)));
        return making.Form(stoodOn: true);
    }

    /// <summary>A bay marked on the floor, open to the front: for a car.</summary>
    public static Form Bay(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y))
            .Stands(PrismRole.Top, -x, -y, x, y, 0, making.H)
            .Draw(SymbolRole.Use, PathShape.Rounded(-x * 0.72, -y * 0.88, x * 0.72, y * 0.88, making.Within(300, 0.15)))
            .Draw(SymbolRole.Use, PathShape.Box(-x * 0.6, -y * 0.35, x * 0.6, y * 0.45))
            .Form(stoodOn: true);
    }
}
