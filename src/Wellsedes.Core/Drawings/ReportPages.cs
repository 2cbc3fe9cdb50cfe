using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Drawings;

/// <summary>Lays a report out on pages of a sheet's paper, with its frame and title block; a table that does not end on a page goes on with its head on the next.</summary>
public sealed class ReportPages(ITextMeasure text)
{
    private const double Size = 2.4;
    private const double LineHeight = 3.6;
    private const double RowGap = 1.4;
    private const double Between = 4;

    /// <summary>No column is wider than this part of the page while others are cut short.</summary>
    private const double Widest = 0.42;

    /// <param name="input">Whose paper, title block, project and date the pages have; its plan is not drawn.</param>
    public ImmutableArray<Drawing> Compose(Report report, SheetInput input)
    {
        var paper = Papers.Find(input.Settings.Paper) ?? Papers.All[1];
        var (width, height) = input.Settings.Landscape ? (paper.Long, paper.Short) : (paper.Short, paper.Long);
        var (frame, title) = SheetComposer.FrameOf(width, height);
        var page = new Bounds(frame.MinX + 6, frame.MinY + 8, frame.MaxX - 6, title.MinY - 4);
        var pages = new List<List<Mark>> { new() };
        var y = page.MinY;
        Write($"{report.Plan}: {report.Scheme}", page.MinX, y, 4.4, true);
        foreach (var line in Wrapped(report.Remark, page.Width))
            Write(line, page.MinX, y += LineHeight, Size, false);
        y += 2;
        foreach (var table in report.Tables.Where(table => !table.Rows.IsEmpty))
            Table(table);
        return
        [
            .. pages.Select(
                (marks, i) =>
                {
                    var numbered = input with
                    {
                        Page = string.Create(CultureInfo.InvariantCulture, $"{i + 1}/{pages.Count}"),
                        IsOfAllLevels = true,
                        Settings = input.Settings with
                        {
                            TitleBlock = input.Settings.TitleBlock with
                            {
                                Title = "Proving report",
                                SupplementaryTitle = report.Scheme,
                                DocumentType = "Report",
                            },
                        },
                    };
                    return new Drawing(
                        width,
                        height,
                        $"{input.Project} · Proving report",
                        input.Date,
                        [
                            new PathMark(SheetComposer.Box(frame), Ink.Full, Ink.Extra),
                            .. marks,
                            .. new TitleBlock(text).Paint(numbered, title, "–", paper.Name),
                        ]
                    );
                }
            ),
        ];

        void Write(string words, double x, double at, double size, bool bold) =>
            pages[^1].Add(new TextMark(words, new Point(x, at), size, Bold: bold));

        void Table(ReportTable table)
        {
            var widths = WidthsOf(table, page.Width);
            string[][][] rows = [.. table.Rows.Select(row => row.Select((cell, c) => Wrapped(cell, widths[c]).ToArray()).ToArray())];
            // A head is not left alone at the foot of a page.
            if (y + 14 + High(rows[0]) > page.MaxY)
                Next();
            Head(table, widths, false);
            foreach (var row in rows)
            {
                if (y + High(row) > page.MaxY)
                {
                    Next();
                    Head(table, widths, true);
                }
                var x = page.MinX;
                for (var c = 0; c < row.Length; c++)
                {
                    for (var line = 0; line < row[c].Length; line++)
                        Write(row[c][line], x, y + LineHeight * (line + 1), Size, false);
                    x += widths[c] + Between;
                }
                y += High(row);
                Rule(Ink.Soft, Ink.Finest);
            }
            y += 4;
        }

        void Head(ReportTable table, double[] widths, bool again)
        {
            Write(again ? $"{table.Title}, continued" : table.Title, page.MinX, y += 5, 3.4, true);
            y += 1;
            var x = page.MinX;
            for (var c = 0; c < table.Columns.Length; c++)
            {
                Write(table.Columns[c], x, y + LineHeight, Size, true);
                x += widths[c] + Between;
            }
            y += LineHeight + RowGap;
            Rule(Ink.Full, Ink.Thin);
        }

        void Rule(string colour, double line) =>
            pages[^1].Add(new PathMark(PathShape.Line(new Point(page.MinX, y), new Point(page.MaxX, y)), colour, line));

        void Next()
        {
            pages.Add([]);
            y = page.MinY - 4;
        }
    }

    private static double High(string[][] row) => row.Max(cell => Math.Max(1, cell.Length)) * LineHeight + RowGap;

    /// <summary>As wide as what stands in them where all fit; else what is wider than its share gives way in proportion.</summary>
    private double[] WidthsOf(ReportTable table, double wide)
    {
        double[] wanted =
        [
            .. table.Columns.Select(
                (column, c) =>
                    Math.Min(
                        wide * Widest,
                        table.Rows.Select(row => text.Width(row[c], Size, false)).Append(text.Width(column, Size, true)).Max()
                    )
            ),
        ];
        var free = wide - Between * (wanted.Length - 1);
        var fair = free / wanted.Length;
        if (wanted.Sum() <= free)
            return wanted;
        var small = wanted.Where(one => one <= fair).Sum();
        var large = wanted.Where(one => one > fair).Sum();
        return [.. wanted.Select(one => one <= fair ? one : one * (free - small) / large)];
    }

    /// <summary>The lines of a cell; a word that is longer than its column is cut where the column ends.</summary>
    private IEnumerable<string> Wrapped(string words, double wide)
    {
        foreach (var line in Lines.Of(words, text, Size, wide))
        {
            var rest = line;
            while (rest.Length > 1 && text.Width(rest, Size, false) > wide)
            {
                var fits = rest.Length - 1;
                while (fits > 1 && text.Width(rest[..fits], Size, false) > wide)
                    fits--;
                yield return rest[..fits];
                rest = rest[fits..];
            }
            yield return rest;
        }
    }
}
