using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Drawings;

/// <summary>Every catalogue item's symbol at one scale, to look the symbols over.</summary>
public static class ContactSheet
{
    public static Drawing Of(Plan plan, double ratio, double occupiedDepth)
    {
        List<Mark> marks = [];
        var cell = ratio < 50 ? 150.0 : 40.0;
        const int across = 9;
        var forms = new ItemForms();
        var items = plan.Library.Catalogue.Items;
        for (var i = 0; i < items.Length; i++)
        {
            var kind = items[i];
            var form = forms.FormOf(kind, kind.Size, kind.Seats, ItemForms.ChairOf(plan, kind), occupiedDepth);
            var centre = new Point((i % across + 0.5) * cell, (i / across + 0.45) * cell);
            var map = new PaperMap(ratio, centre);
            foreach (var part in form.Symbol)
            {
                var path = map.ToPaper(part.Path);
                marks.Add(
                    part.Role switch
                    {
                        SymbolRole.Body or SymbolRole.Seat => new PathMark(path, Ink.Full, Ink.Narrow, Ink.Paper),
                        SymbolRole.Back or SymbolRole.Solid => new PathMark(path, Ink.Full, Ink.Finest, Ink.Full),
                        SymbolRole.Front => new PathMark(path, null, 0, Ink.Pencil),
                        SymbolRole.Use => new PathMark(Dashes.Cut(path, 1.2, 0.8), Ink.Soft, Ink.Finest),
                        _ => new PathMark(path, Ink.Soft, Ink.Finest),
                    }
                );
            }
            marks.Add(new TextMark(kind.Name, new Point(centre.X, (i / across + 0.97) * cell), ratio < 50 ? 6 : 2.5, TextAnchor.Middle));
        }
        var rows = (items.Length + across - 1) / across;
        return new Drawing(across * cell, rows * cell, "Catalogue symbols", new DateOnly(2026, 1, 1), [.. marks]);
    }
}
