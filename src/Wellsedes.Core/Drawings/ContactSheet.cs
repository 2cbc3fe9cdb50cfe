using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Drawings;

/// <summary>
/// Every catalogue item's symbol at one scale, to look the symbols over: in rows by kind, each as high as its tallest, on sheets
/// of at most so many mm.
/// </summary>
public static class ContactSheet
{
    private const double Margin = 6;

    public static Drawing Of(Plan plan, double ratio, double occupiedDepth)
    {
        List<Mark> marks = [];
        var forms = new ItemForms();
        var small = ratio > PlanPainter.FinestScale;
        var (letter, least, pageWidth) = small ? (1.8, 20.0, 460.0) : (2.6, 42.0, 1150.0);
        double x = Margin,
            y = Margin,
            high = 0;
        CatalogueKind? kindBefore = null;
        foreach (var kind in plan.Library.Catalogue.Items)
        {
            var form = forms.FormOf(kind, kind.Size, kind.Seats, ItemForms.ChairOf(plan, kind), occupiedDepth);
            var shown = form.Symbol.Where(part => !(part.Fine && small)).ToArray();
            var box = Bounds.Around(shown.SelectMany(part => part.Path.Steps).Select(step => step.End));
            var (wide, deep) = (Math.Max(box.Width / ratio, least) + 4, box.Height / ratio + letter * 2 + 4);
            if (kindBefore != kind.Kind || x + wide > pageWidth - Margin)
            {
                (x, y, high) = (Margin, y + high, 0);
                if (kindBefore != kind.Kind)
                {
                    kindBefore = kind.Kind;
                    y += letter * 2.4;
                    marks.Add(new TextMark(Words(kind.Kind), new Point(x, y), letter * 1.6, TextAnchor.Start, true));
                    y += letter;
                }
            }
            var middle = new Point(x + wide / 2, y + (deep - letter * 2) / 2);
            var map = new PaperMap(ratio, new Point(middle.X - box.Centre.X / ratio, middle.Y + box.Centre.Y / ratio));
            foreach (var part in shown)
                marks.Add(Drawn(part.Role, map.ToPaper(part.Path)));
            marks.Add(new TextMark(kind.Name, new Point(middle.X, y + deep - letter * 0.6), letter, TextAnchor.Middle));
            x += wide;
            high = Math.Max(high, deep);
        }
        return new Drawing(pageWidth, y + high + Margin, "Catalogue symbols", new DateOnly(2026, 1, 1), [.. marks]);
    }

    private static PathMark Drawn(SymbolRole role, PathShape path) =>
        role switch
        {
            SymbolRole.Body or SymbolRole.Seat => new PathMark(path, Ink.Full, Ink.Narrow, Ink.Paper),
            SymbolRole.Back or SymbolRole.Solid => new PathMark(path, Ink.Full, Ink.Finest, Ink.Full),
            SymbolRole.Front => new PathMark(path, null, 0, Ink.Pencil),
            SymbolRole.Line => new PathMark(path, Ink.Full, Ink.Thin),
            SymbolRole.Use or SymbolRole.Dash => new PathMark(Dashes.Cut(path, 1.2, 0.8), Ink.Soft, Ink.Finest),
            _ => new PathMark(path, Ink.Soft, Ink.Finest),
        };

    /// <summary>"OnTables" as it is said.</summary>
    private static string Words(CatalogueKind kind) =>
        string.Concat(kind.ToString().Select((c, i) => i > 0 && char.IsUpper(c) ? $" {char.ToLowerInvariant(c)}" : $"{c}"));
}
