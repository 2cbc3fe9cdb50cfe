using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Screens
{
    /// <summary>A panel on two cross feet; the feet take floor, so they are solid too.</summary>
    public static Form Screen(MakerInput input)
    {
        var making = new Making(input);
        var x = making.X;
        // What is no deeper than a panel has no feet.
        var hasFeet = input.Size.Depth > 120;
        var thick = hasFeet ? 60 : input.Size.Depth;
        var foot = making.Y;
        var half = Math.Min(30, x);
        var apart = Math.Min(x * 0.75, x - half);
        making
            .Solid(Convex.Rectangle(default, input.Size.Width, thick))
            .Block(SymbolRole.Solid, PrismRole.Body, -x, -thick / 2, x, thick / 2, hasFeet ? Math.Min(40, making.H * 0.1) : 0, making.H);
        if (hasFeet)
            foreach (var at in (double[])[-apart, apart])
                making
                    .Solid(Convex.Rectangle(new Point(at, 0), 2 * half, foot * 2))
                    .Block(SymbolRole.Body, PrismRole.Leg, at - half, -foot, at + half, foot, 0, Math.Min(40, making.H * 0.1));
        return making.Line(new Point(-x, -thick / 2), new Point(x, -thick / 2)).Form();
    }

    /// <summary>A screen for projection: it hangs or stands behind its image, and is seen from the front.</summary>
    public static Form Projection(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var view = Math.Min(2 * x * 0.3, 900);
        return making
            .Block(SymbolRole.Body, PrismRole.Display, -x, -y, x, y, 0, making.H)
            .Draw(SymbolRole.Solid, PathShape.Box(-x, -y, x, -y + Math.Max(8, y * 0.5)))
            .Draw(
                SymbolRole.Use,
                PathShape
                    .Line(new Point(-x, -y), new Point(-x - view * 0.2, -y - view))
                    .Then(PathShape.Line(new Point(x, -y), new Point(x + view * 0.2, -y - view)))
            )
            .Form();
    }

    /// <summary>A run of cloth on uprights: its folds seen from above.</summary>
    public static Form Drape(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        List<Point> folds = [new(-x, 0)];
        for (var at = -x + 75; at < x; at += 150)
            folds.AddRange([new Point(at, making.Within(40, 0.1)), new Point(Math.Min(x, at + 75), -making.Within(40, 0.1))]);
        foreach (var at in (double[])[-x, x - Math.Min(2 * x, 2 * y)])
            making.Block(SymbolRole.Body, PrismRole.Leg, at, -y, at + Math.Min(2 * x, 2 * y), y, 0, 10);
        return making
            .Draw(SymbolRole.Back, PathShape.Box(-x, -8, x, 8))
            .Line([.. folds])
            .Stands(PrismRole.Back, -x, -20, x, 20, 10, making.H)
            .Form();
    }

    /// <summary>A three-legged easel with its board across the front.</summary>
    public static Form Easel(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        Point[] feet = [new(-x, -y), new(x, -y), new(0, y)];
        making
            .Solid(Convex.Polygon(feet))
            .NeedsInFront("Reader", 900)
            .Draw(SymbolRole.Detail, PathShape.Closed(feet))
            .Block(SymbolRole.Body, PrismRole.Body, -x, -y, x, -y + Math.Min(60, y), making.H * 0.4, making.H)
            .Stands(PrismRole.Leg, -x, -y, -x + 40, -y + 40, 0, making.H * 0.4)
            .Stands(PrismRole.Leg, x - 40, -y, x, -y + 40, 0, making.H * 0.4)
            .Stands(PrismRole.Leg, -20, y - 40, 20, y, 0, making.H * 0.4);
        var round = making.Within(22, 0.05);
        foreach (var foot in feet)
            making.Draw(
                SymbolRole.Solid,
                PathShape.Circle(new Point(Math.Clamp(foot.X, round - x, x - round), Math.Clamp(foot.Y, round - y, y - round)), round)
            );
        return making.Front().Form();
    }

    /// <summary>A plant in a round pot: leaves reach to the given width, the pot stands in the middle.</summary>
    public static Form Plant(MakerInput input)
    {
        var making = new Making(input);
        var r = making.X;
        for (var i = 0; i < 9; i++)
            making.Draw(SymbolRole.Detail, Leaf(Point.At(40 * i) * r));
        return making
            .Solid(Convex.Disc(default, r))
            .Disc(SymbolRole.Body, PrismRole.Body, default, r * 0.38, 0, making.H * 0.3)
            .Stands(PrismRole.Leaf, Convex.Disc(default, r * 0.5), making.H * 0.3, making.H * 0.5, 2)
            .Stands(PrismRole.Leaf, Convex.Disc(default, r), making.H * 0.5, making.H, 0.35)
            .Form();
    }

    /// <summary>A trough of plants.</summary>
    public static Form Planter(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making
            .Block(SymbolRole.Body, PrismRole.Body, -x, -y, x, y, 0, making.H * 0.45)
            .Stands(PrismRole.Leaf, -x * 0.95, -y * 0.9, x * 0.95, y * 0.9, making.H * 0.45, making.H, 0.8)
            .Fine(
                PathShape.Box(
                    -x + making.Within(30, 0.08),
                    -y + making.Within(30, 0.08),
                    x - making.Within(30, 0.08),
                    y - making.Within(30, 0.08)
                )
            );
        var plants = Math.Max(1, (int)Math.Round(x / Math.Max(y, 1)));
        for (var i = 0; i < plants; i++)
        {
            var centre = new Point(-x + 2 * x * (i + 0.5) / plants, 0);
            for (var leaf = 0; leaf < 6; leaf++)
                making.Draw(SymbolRole.Detail, Leaf(Point.At(60 * leaf + 30) * Math.Min(y * 0.9, x / plants)).Map(p => p + centre));
        }
        return making.Form();
    }

    private static PathShape Leaf(Point tip)
    {
        var side = tip.Left() * 0.2;
        return new PathShape([
            new(PathStepKind.Move, default),
            new(PathStepKind.Cubic, tip, tip * 0.3 + side, tip * 0.8 + side),
            new(PathStepKind.Cubic, default, tip * 0.8 - side, tip * 0.3 - side),
        ]);
    }

    /// <summary>A crowd barrier: a rail between two flat feet.</summary>
    public static Form Barrier(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        var rails = PathShape.Line(new Point(-x, 20), new Point(x, 20)).Then(PathShape.Line(new Point(-x, -20), new Point(x, -20)));
        for (var at = -x + 120; at < x; at += 120)
            rails = rails.Then(PathShape.Line(new Point(at, -20), new Point(at, 20)));
        var foot = Math.Max(x - 220, x * 0.5);
        making
            .Solid(Convex.Rectangle(default, input.Size.Width, Math.Min(40, input.Size.Depth)))
            .Stands(PrismRole.Metal, -x, -Math.Min(20, y), x, Math.Min(20, y), Math.Min(100, making.H * 0.1), making.H);
        foreach (var at in (double[])[-foot, foot])
            making
                .Solid(Convex.Rectangle(new Point(at, 0), 50, input.Size.Depth))
                .Block(SymbolRole.Body, PrismRole.Leg, at - 25, -y, at + 25, y, 0, 100);
        return making.Draw(SymbolRole.Detail, rails).Form();
    }

    /// <summary>A post with a belt to the next: a round base.</summary>
    public static Form Post(MakerInput input)
    {
        var making = new Making(input);
        var r = making.X;
        return making
            .Solid(Convex.Disc(default, r))
            .Disc(SymbolRole.Body, PrismRole.Leg, default, r, 0, 40)
            .Disc(SymbolRole.Solid, PrismRole.Metal, default, r * 0.22, 40, making.H)
            .Form();
    }

    /// <summary>A line of belt posts, one every 2 m at most (common practice), with the belt between them.</summary>
    public static Form QueueLine(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        var r = Math.Min(y, x);
        var posts = PostsOf(input.Size);
        making
            .Solid(Convex.Rectangle(default, input.Size.Width, Math.Min(50, input.Size.Depth)))
            .Block(SymbolRole.Solid, PrismRole.Metal, -x + r, -20, x - r, 20, making.H - 60, making.H - 10);
        for (var i = 0; i < posts; i++)
        {
            var at = new Point(-x + r + (2 * x - 2 * r) * i / Math.Max(1, posts - 1), 0);
            making
                .Solid(Convex.Disc(at, r))
                .Disc(SymbolRole.Body, PrismRole.Leg, at, r, 0, 40)
                .Disc(SymbolRole.Solid, PrismRole.Metal, at, r * 0.22, 40, making.H);
        }
        return making.Form();
    }

    public static int PostsOf(ItemSize size) => 1 + Math.Max(1, (int)Math.Ceiling((size.Width - size.Depth) / 2000 - 1e-9));
}
