using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Staging
{
    private const double DeckThick = 90;

    /// <summary>A raised deck: things may stand on it, people do not walk through it.</summary>
    public static Form Deck(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var rim = making.Within(35, 0.1);
        return making
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, Math.Max(0, making.H - DeckThick), making.H)
            .Draw(SymbolRole.Detail, PathShape.Box(-x + rim, -y + rim, x - rim, y - rim))
            .Legs(90, 60, Math.Max(0, making.H - DeckThick))
            .Front()
            .Form(stoodOn: true);
    }

    /// <summary>A stage of decks in rows: one thing with its decks drawn, a skirt round it, and steps where it is told.</summary>
    public static Form Stage(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var (across, deep) = (input.Parameters.Number(0), input.Parameters.Number(1));
        making.Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, Math.Max(0, making.H - DeckThick), making.H);
        Joints(making, across, deep, SymbolRole.Detail);
        if (input.Parameters.Number(2) > 0)
        {
            var skirt = Math.Max(0, making.H - DeckThick);
            making
                .Stands(PrismRole.Front, -x, -y, x, -y + 10, 0, skirt)
                .Stands(PrismRole.Front, -x, y - 10, x, y, 0, skirt)
                .Stands(PrismRole.Front, -x, -y, -x + 10, y, 0, skirt)
                .Stands(PrismRole.Front, x - 10, -y, x, y, 0, skirt)
                .Fine(PathShape.Box(-x + 25, -y + 25, x - 25, y - 25));
        }
        else
            making.Legs(90, 60, Math.Max(0, making.H - DeckThick));
        return making.Front().Form(stoodOn: true);
    }

    /// <summary>Steps up to a stage: as many as its height takes at most 190 mm each, common practice; the top one is at the back.</summary>
    public static Form Steps(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var steps = StepsOf(making.H);
        for (var i = 0; i < steps; i++)
        {
            var from = -y + input.Size.Depth * i / steps;
            making.Block(
                SymbolRole.Body,
                PrismRole.Top,
                -x,
                from,
                x,
                -y + input.Size.Depth * (i + 1) / steps,
                0,
                making.H * (i + 1) / steps
            );
        }
        return making.Draw(SymbolRole.Detail, PathShape.Arrow(new Point(0, -y * 0.85), new Point(0, y * 0.85))).Form(stoodOn: true);
    }

    public static int StepsOf(double height) => Math.Max(1, (int)Math.Ceiling(height / 190 - 1e-9));

    /// <summary>A flat dance panel: walked on, drawn as strips laid crosswise.</summary>
    public static Form FloorPanel(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Top);
        var (x, y) = (making.X, making.Y);
        var strips = PathShape.Line(new Point(0, -y), new Point(0, y)).Then(PathShape.Line(new Point(-x, 0), new Point(x, 0)));
        for (var i = 1; i < 4; i++)
        {
            var at = -x + 2 * x / 8 * i;
            strips = strips.Then(PathShape.Line(new Point(at, -y), new Point(at, 0)));
            strips = strips.Then(PathShape.Line(new Point(-at, 0), new Point(-at, y)));
        }
        return making.Fine(strips).Form(walkedOn: true, stoodOn: true);
    }

    /// <summary>A dance floor of panels in rows: one thing, walked on, its panels drawn as they are laid.</summary>
    public static Form DanceFloor(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Top);
        var (x, y) = (making.X, making.Y);
        Joints(making, input.Parameters.Number(0), input.Parameters.Number(0), SymbolRole.Detail);
        var edge = making.Within(60, 0.05);
        return making.Draw(SymbolRole.Use, PathShape.Box(-x + edge, -y + edge, x - edge, y - edge)).Form(walkedOn: true, stoodOn: true);
    }

    /// <summary>How many parts of a size lie along a length; the last is cut where they do not come out even.</summary>
    public static int Along(double length, double part) => Math.Max(1, (int)Math.Ceiling(length / Math.Max(1, part) - 1e-6));

    /// <summary>How many decks a stage is made of.</summary>
    public static int Decks(ItemSize size, MakerParameters parameters) =>
        Along(size.Width, parameters.Number(0)) * Along(size.Depth, parameters.Number(1));

    /// <summary>How many panels a dance floor is made of.</summary>
    public static int Panels(ItemSize size, MakerParameters parameters) =>
        Along(size.Width, parameters.Number(0)) * Along(size.Depth, parameters.Number(0));

    private static void Joints(Making making, double across, double deep, SymbolRole role)
    {
        var (x, y) = (making.X, making.Y);
        for (var i = 1; i < Along(2 * x, across); i++)
            making.Draw(role, PathShape.Line(new Point(-x + across * i, -y), new Point(-x + across * i, y)));
        for (var i = 1; i < Along(2 * y, deep); i++)
            making.Draw(role, PathShape.Line(new Point(-x, -y + deep * i), new Point(x, -y + deep * i)));
    }

    /// <summary>A sloping reading desk: narrower towards the hall.</summary>
    public static Form Lectern(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        Point[] outline = [new(-x * 0.7, -y), new(x * 0.7, -y), new(x, y), new(-x, y)];
        return making
            .Solid(Convex.Polygon(outline))
            .Needs("Speaker", -x, y, x, y + 700)
            .Plate(SymbolRole.Body, PrismRole.Top, outline, making.H - 120, making.H)
            .Stands(PrismRole.Body, Convex.Polygon([.. outline.Select(p => p * 0.8)]), 0, making.H - 120)
            .Draw(SymbolRole.Detail, PathShape.Box(-x * 0.5, -y * 0.5, x * 0.5, y * 0.7))
            .Draw(SymbolRole.Solid, PathShape.Box(-x * 0.8, y * 0.78, x * 0.8, y * 0.9))
            .Front()
            .Form();
    }

    /// <summary>An upright piano: case, keyboard along the front.</summary>
    public static Form Piano(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        PathShape? keys = null;
        for (var at = -x + 160; at < x - 80; at += 100)
        {
            var key = PathShape.Line(new Point(at, -y), new Point(at, -y + 100));
            keys = keys?.Then(key) ?? key;
        }
        making
            .NeedsInFront("Player", 750)
            .Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y))
            .Stands(PrismRole.Body, -x, -y * 0.4, x, y, 0, making.H)
            .Stands(PrismRole.Body, -x, -y, x, -y * 0.4, Math.Min(620, making.H * 0.5), Math.Min(740, making.H * 0.6))
            .Stands(PrismRole.Leg, -x, -y, -x + 60, -y * 0.4, 0, Math.Min(620, making.H * 0.5))
            .Stands(PrismRole.Leg, x - 60, -y, x, -y * 0.4, 0, Math.Min(620, making.H * 0.5))
            .Draw(SymbolRole.Solid, PathShape.Box(-x, y - 60, x, y))
            .Draw(SymbolRole.Detail, PathShape.Box(-x + 60, -y, x - 60, -y + 160));
        if (keys is not null)
            making.Fine(keys);
        return making.Front().Form();
    }

    /// <summary>A grand piano: the keys at the front, the case curved in at the right.</summary>
    public static Form Grand(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        // The straight left part and the curve at the right, as two convex shapes.
        Point[] left = [new(-x, -y), new(0, -y), new(0, y * 0.9), new(-x * 0.4, y), new(-x, y * 0.8)];
        Point[] right = [new(0, -y), new(x, -y), new(x, -y * 0.2), new(x * 0.55, y * 0.15), new(0, y * 0.9)];
        // The bent side bulges inward; the tail at the left is round.
        PathShape outline = new([
            new(PathStepKind.Move, new(-x, -y)),
            new(PathStepKind.Line, new(x, -y)),
            new(PathStepKind.Line, new(x, -y * 0.2)),
            new(PathStepKind.Cubic, new(0, y * 0.9), new(x * 0.95, y * 0.25), new(x * 0.15, y * 0.15)),
            new(PathStepKind.Cubic, new(-x, y * 0.8), new(-x * 0.1, y * 1.02), new(-x * 0.8, y * 1.05)),
            new(PathStepKind.Close, new(-x, -y)),
        ]);
        var keys = Math.Min(160, y * 0.3);
        return making
            .Solid(Convex.Polygon(left))
            .Solid(Convex.Polygon(right))
            .NeedsInFront("Player", 750)
            .Draw(SymbolRole.Body, outline)
            .Stands(PrismRole.Body, Convex.Polygon(left), making.H * 0.65, making.H)
            .Stands(PrismRole.Body, Convex.Polygon(right), making.H * 0.65, making.H)
            .Stands(PrismRole.Leg, -x + 60, -y + 60, -x + 160, -y + 160, 0, making.H * 0.65)
            .Stands(PrismRole.Leg, x - 160, -y + 60, x - 60, -y + 160, 0, making.H * 0.65)
            .Stands(PrismRole.Leg, -x * 0.5 - 50, y * 0.6, -x * 0.5 + 50, y * 0.6 + 100, 0, making.H * 0.65)
            .Draw(SymbolRole.Detail, PathShape.Box(-x + 60, -y, x - 60, -y + keys))
            .Line(new Point(-x, -y + keys * 1.4), new Point(x, -y + keys * 1.4))
            .Front()
            .Form();
    }
}
