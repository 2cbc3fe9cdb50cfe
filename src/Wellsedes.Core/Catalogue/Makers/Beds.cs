using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Beds
{
    /// <summary>
    /// A bed, its head at the back: one pillow up to 1100 mm wide, two above. Room to get in and to make it on its long sides and
    /// at its foot: 700 mm, common practice.
    /// </summary>
    public static Form Bed(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var mattress = Math.Min(making.H, Math.Max(making.H * 0.55, Math.Min(500, making.H - 200)));
        var head = Math.Min(40, y * 0.05);
        making
            .Needs("To make the bed", -x - 700, -y, -x, y)
            .Needs("To make the bed", x, -y, x + 700, y)
            .Needs("To walk round", -x, -y - 700, x, -y)
            .Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y))
            .Stands(PrismRole.Body, -x, -y, x, y - head, Math.Min(60, mattress * 0.2), mattress * 0.6)
            .Stands(PrismRole.Bedding, -x, -y, x, y - head, mattress * 0.6, mattress)
            .Block(SymbolRole.Back, PrismRole.Back, -x, y - head, x, y, 0, making.H)
            .Legs(60, 60, Math.Min(60, mattress * 0.2));
        Pillows(making, head, mattress);
        // The blanket turned back shows where the head is.
        var fold = y - head - Math.Min(500, y * 0.55);
        return making
            .Draw(SymbolRole.Detail, PathShape.Line(new Point(-x, fold), new Point(x, fold)))
            .Draw(SymbolRole.Detail, PathShape.Line(new Point(x, fold), new Point(x * 0.3, fold - y * 0.35), new Point(x, fold - y * 0.5)))
            .Form();
    }

    private static void Pillows(Making making, double head, double top)
    {
        var (x, y) = (making.X, making.Y);
        var pillows = making.Input.Size.Width > 1100 ? 2 : 1;
        var wide = 2 * x / pillows;
        var deep = Math.Min(400, y * 0.42);
        for (var i = 0; i < pillows; i++)
            making.Block(
                SymbolRole.Seat,
                PrismRole.Cushion,
                -x + wide * i + wide * 0.08,
                y - head - deep,
                -x + wide * (i + 1) - wide * 0.08,
                y - head - deep * 0.08,
                top,
                Math.Min(top + 90, making.H),
                deep * 0.25
            );
    }

    /// <summary>Two beds one above the other with a ladder at the foot of the long side.</summary>
    public static Form Bunk(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making.Needs("To get in", x, -y, x + 700, y).Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y));
        foreach (var low in (double[])[making.H * 0.15, making.H * 0.68])
            making
                .Stands(PrismRole.Body, -x, -y, x, y, low, low + making.H * 0.05)
                .Stands(PrismRole.Bedding, -x, -y, x, y, low + making.H * 0.05, low + making.H * 0.12);
        making.Legs(40, 80, making.H);
        Pillows(making, Math.Min(40, y * 0.05), making.H * 0.8);
        making.Line(new Point(-x, -y), new Point(x, y));
        for (var i = 0; i < 4; i++)
            making.Fine(PathShape.Line(new Point(x * 0.7, -y * 0.85 + i * y * 0.1), new Point(x, -y * 0.85 + i * y * 0.1)));
        return making.Form();
    }

    /// <summary>A cot with barred sides.</summary>
    public static Form Cot(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var bar = making.Within(25, 0.06);
        making
            .NeedsInFront("To lift", 700)
            .Block(SymbolRole.Body, PrismRole.Body, -x, -y, x, y, 0, making.H * 0.3)
            .Draw(SymbolRole.Detail, PathShape.Box(-x + bar, -y + bar, x - bar, y - bar))
            .Stands(PrismRole.Bedding, -x + bar, -y + bar, x - bar, y - bar, making.H * 0.3, making.H * 0.45)
            .Stands(PrismRole.Leg, -x, -y, x, -y + bar, making.H * 0.3, making.H)
            .Stands(PrismRole.Leg, -x, y - bar, x, y, making.H * 0.3, making.H)
            .Stands(PrismRole.Leg, -x, -y + bar, -x + bar, y - bar, making.H * 0.3, making.H)
            .Stands(PrismRole.Leg, x - bar, -y + bar, x, y - bar, making.H * 0.3, making.H)
            .Draw(
                SymbolRole.Seat,
                PathShape.Rounded(-x + 2 * bar, -y * 0.55, -x + 2 * bar + Math.Min(260, x * 0.4), y * 0.55, making.Within(40, 0.06))
            );
        for (var at = -x + 80; at < x; at += 80)
            making.Fine(
                PathShape.Line(new Point(at, -y), new Point(at, -y + bar)).Then(PathShape.Line(new Point(at, y - bar), new Point(at, y)))
            );
        return making.Form();
    }

    /// <summary>A bed on castors with rails, for care: room on both sides.</summary>
    public static Form Care(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var rail = making.Within(40, 0.05);
        making
            .Needs("To care", -x - 900, -y, -x, y)
            .Needs("To care", x, -y, x + 900, y)
            .Block(SymbolRole.Body, PrismRole.Bedding, -x + rail, -y + rail, x - rail, y - rail, making.H * 0.45, making.H * 0.65)
            .Block(SymbolRole.Solid, PrismRole.Metal, -x, -y * 0.4, -x + rail, y * 0.6, making.H * 0.5, making.H)
            .Block(SymbolRole.Solid, PrismRole.Metal, x - rail, -y * 0.4, x, y * 0.6, making.H * 0.5, making.H)
            .Block(SymbolRole.Back, PrismRole.Back, -x, y - rail, x, y, making.H * 0.3, making.H)
            .Block(SymbolRole.Back, PrismRole.Back, -x, -y, x, -y + rail, making.H * 0.3, making.H * 0.8);
        Pillows(making, rail, making.H * 0.65);
        making.Legs(80, 80, making.H * 0.45, PrismRole.Metal);
        return making.Line(new Point(-x + rail, y * 0.1), new Point(x - rail, y * 0.1)).Form();
    }

    /// <summary>A narrow couch: for an examination, or a stretcher.</summary>
    public static Form Couch(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .Needs("To care", x, -y, x + 900, y)
            .Block(SymbolRole.Seat, PrismRole.Cushion, -x, -y, x, y, making.H * 0.8, making.H, making.Within(60, 0.12))
            .Draw(SymbolRole.Detail, PathShape.Line(new Point(-x, y * 0.45), new Point(x, y * 0.45)))
            .Draw(SymbolRole.Detail, PathShape.Rounded(-x * 0.6, y * 0.6, x * 0.6, y * 0.9, making.Within(40, 0.06)))
            .Legs(80, 60, making.H * 0.8, PrismRole.Metal)
            .Form();
    }
}
