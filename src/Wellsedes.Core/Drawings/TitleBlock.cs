using System.Globalization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Drawings;

/// <summary>The title block with the data fields of ISO 7200 (recalled from memory; check against the adopted edition).</summary>
internal sealed class TitleBlock(ITextMeasure text)
{
    public IEnumerable<Mark> Paint(SheetInput input, Bounds box, string scale, string paper)
    {
        var s = input.Settings.TitleBlock;
        var date = input.Date.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        // Rows of cells: label, value, share of the width.
        (string, string, double)[][] rows =
        [
            [
                ("Legal owner", s.LegalOwner, 0.40),
                ("Created by", s.Creator, 0.20),
                ("Approved by", s.Approver, 0.20),
                ("Document type", s.DocumentType, 0.20),
            ],
            [("Title", s.Title, 0.55), ("Document status", input.Status, 0.20), ("Scale", scale, 0.25)],
            [
                ("Supplementary title", Supplementary(input), 0.40),
                ("Identification number", s.SheetNumber, 0.20),
                ("Rev.", input.Revision.Length > 0 ? input.Revision : "–", 0.08),
                ("Date of issue", date, 0.16),
                ("Size", paper, 0.09),
                ("Sheet", input.Page, 0.07),
            ],
        ];
        yield return new PathMark(SheetComposer.Box(box), Ink.Full, Ink.Wide, Ink.Paper);
        var high = box.Height / rows.Length;
        for (var r = 0; r < rows.Length; r++)
        {
            var y = box.MinY + high * r;
            if (r > 0)
                yield return new PathMark(PathShape.Line(new Point(box.MinX, y), new Point(box.MaxX, y)), Ink.Full, Ink.Narrow);
            var x = box.MinX;
            foreach (var (label, value, share) in rows[r])
            {
                var wide = box.Width * share;
                if (x > box.MinX)
                    yield return new PathMark(PathShape.Line(new Point(x, y), new Point(x, y + high)), Ink.Full, Ink.Narrow);
                yield return new TextMark(label, new Point(x + 1.6, y + 3.4), 2, Colour: Ink.Soft);
                yield return Fitted(value, new Point(x + 1.6, y + high - 2.8), r == 1 && x == box.MinX ? 4.4 : 3.2, wide - 3);
                x += wide;
            }
        }
    }

    private static string Supplementary(SheetInput input) =>
        string.Join(
            " · ",
            new[]
            {
                input.Project,
                input.Settings.TitleBlock.SupplementaryTitle,
                !input.IsOfAllLevels && input.Plan.All<Level>().Count() > 1 ? input.Space.Level.Name : "",
            }.Where(part => part.Length > 0)
        );

    /// <summary>Text made smaller until it fits, and cut short only when it cannot be read any smaller.</summary>
    private TextMark Fitted(string value, Point at, double size, double wide)
    {
        while (size > 2 && text.Width(value, size, true) > wide)
            size -= 0.2;
        while (value.Length > 1 && text.Width(value, size, true) > wide)
            value = value[..^2] + "…";
        return new TextMark(value, at, size, Bold: true);
    }
}
