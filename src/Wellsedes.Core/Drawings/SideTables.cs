using System.Globalization;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Drawings;

/// <summary>The column beside the plan: furniture schedule, capacity, notes. Columns are as wide as what stands in them.</summary>
internal sealed class SideTables(ITextMeasure text, UnitSystem units)
{
    private const double Size = 2.5;
    private const double RowHeight = 4.6;
    private const double Between = 3;

    public IEnumerable<Mark> Paint(SheetInput input, Bounds box)
    {
        List<Mark> marks = [new PathMark(SheetComposer.Box(box), Ink.Full, Ink.Narrow)];
        var x = box.MinX + 4;
        var wide = box.Width - 8;
        var y = box.MinY + 7;
        if (input.Changes is { } changes)
            y = Changed(changes, marks, x, y, wide, box.MaxY);
        else if (input.Settings.Shows.Schedule)
            y = Furniture(input, marks, x, y, wide, box.MaxY);
        var tables = Capacity(input).ToArray();
        foreach (var (heading, lines) in tables)
        {
            y = Heading(heading, marks, x, y);
            foreach (var line in lines)
            {
                y += RowHeight;
                marks.Add(new TextMark(line.Name, new Point(x, y), Size));
                var value = line.Rest.Length > 0 ? $"{line.Value} {line.Rest}" : line.Value;
                marks.Add(new TextMark(value, new Point(x + wide, y), Size, TextAnchor.End, true));
            }
            if (heading != tables[^1].Heading)
                y += 8;
        }
        y = Legend(input, marks, x, y, wide, box.MaxY);
        if (input.Settings.Shows.Notes)
            Notes(input, marks, x, y + 8, wide, box.MaxY);
        return marks;
    }

    /// <summary>What the tints of floors and items stand for: a patch of each and its words.</summary>
    private double Legend(SheetInput input, List<Mark> marks, double x, double y, double wide, double bottom)
    {
        var lines = Finishes.Legend(input.Plan, input.Settings.SchemeId, input.Space, input.Items);
        if (lines.IsEmpty || y > bottom - 16)
            return y;
        y = Heading("Finishes", marks, x, y + 8);
        foreach (var line in lines)
        {
            y += RowHeight;
            if (y > bottom - 4)
                break;
            marks.Add(new PathMark(PathShape.Box(x, y - 2.6, x + 4.5, y + 0.6), Ink.Full, Ink.Finest, line.Tint));
            marks.Add(new TextMark(Shortened(line.Text, wide - 6), new Point(x + 6, y), Size));
        }
        return y;
    }

    private static double Heading(string title, List<Mark> marks, double x, double y)
    {
        marks.Add(new TextMark(title, new Point(x, y), 3.4, Bold: true));
        return y + 1.5;
    }

    private double Furniture(SheetInput input, List<Mark> marks, double x, double y, double wide, double bottom)
    {
        var rows = Schedule
            .Of(input.Items, input.Plan, (input.Whole ?? input.Tally).Stock)
            .Select(row =>
                new[]
                {
                    row.Labels.IsEmpty ? row.Tag : Shortened(Schedule.WriteLabels(row.Labels), wide * 0.24),
                    row.Name,
                    row.WriteSize(units),
                    row.WriteCount(),
                }
            )
            .ToArray();
        string[] head = ["Tag", "Item", units == UnitSystem.Metric ? "Size, mm" : "Size", "No."];
        var widths = Enumerable
            .Range(0, 4)
            .Select(c => rows.Select(row => text.Width(row[c], Size, false)).Append(text.Width(head[c], Size, true)).Max())
            .ToArray();
        // The name gives way when the column is narrow; figures never do.
        widths[1] = Math.Max(12, Math.Min(widths[1], wide - widths[0] - widths[2] - widths[3] - 3 * Between));
        double[] at = [x, x + widths[0] + Between, x + wide - widths[3] - Between, x + wide];
        y = Heading("Schedule of furniture", marks, x, y);
        Row(head, true);
        marks.Add(new PathMark(PathShape.Line(new Point(x, y + 1.3), new Point(x + wide, y + 1.3)), Ink.Full, Ink.Thin));
        var shown = 0;
        foreach (var row in rows)
        {
            if (y + RowHeight > bottom - (input.Whole is null ? 50 : 100) && rows.Length - shown > 1)
            {
                y += RowHeight;
                marks.Add(new TextMark($"and {rows.Length - shown} more rows; see the CSV schedule", new Point(x, y), Size));
                break;
            }
            Row(row, false);
            shown++;
            marks.Add(new PathMark(PathShape.Line(new Point(x, y + 1.3), new Point(x + wide, y + 1.3)), Ink.Soft, Ink.Finest));
        }
        return y + 9;

        void Row(string[] cells, bool bold)
        {
            y += RowHeight;
            marks.Add(new TextMark(cells[0], new Point(at[0], y), Size, Bold: bold));
            marks.Add(new TextMark(Shortened(cells[1], widths[1]), new Point(at[1], y), Size, Bold: bold));
            marks.Add(new TextMark(cells[2], new Point(at[2], y), Size, TextAnchor.End, bold));
            marks.Add(new TextMark(cells[3], new Point(at[3], y), Size, TextAnchor.End, bold));
        }
    }

    /// <summary>What becomes of each kind, and what the lines of the drawing stand for.</summary>
    private double Changed(ChangesShown changes, List<Mark> marks, double x, double y, double wide, double bottom)
    {
        string[] head = ["Item", "stay", "move", "come", "go"];
        const double figure = 9;
        y = Heading($"From {changes.From} to {changes.To}", marks, x, y);
        Row(head, true);
        var shown = 0;
        foreach (var row in changes.Rows)
        {
            if (y + RowHeight > bottom - 70 && changes.Rows.Length - shown > 1)
            {
                y += RowHeight;
                marks.Add(new TextMark($"and {changes.Rows.Length - shown} more rows; see the list", new Point(x, y), Size));
                break;
            }
            Row([row.Name, .. new[] { row.Stay, row.Move, row.Come, row.Go }.Select(n => n.ToString(CultureInfo.InvariantCulture))], false);
            shown++;
        }
        y += 3;
        foreach (var (words, colour, dashed) in ChangesPainter.Key)
        {
            y += RowHeight;
            var line = PathShape.Line(new Point(x, y - 0.9), new Point(x + 7, y - 0.9));
            marks.Add(new PathMark(dashed ? Dashes.Cut(line, 1.6, 0.9) : line, colour, dashed ? Ink.Narrow : Ink.Medium));
            marks.Add(new TextMark(words, new Point(x + 9, y), Size));
        }
        return y + 9;

        void Row(string[] cells, bool bold)
        {
            y += RowHeight;
            marks.Add(new TextMark(Shortened(cells[0], wide - 4 * figure - 2), new Point(x, y), Size, Bold: bold));
            for (var c = 1; c < cells.Length; c++)
                marks.Add(new TextMark(cells[c], new Point(x + wide - (4 - c) * figure, y), Size, TextAnchor.End, bold));
            marks.Add(new PathMark(PathShape.Line(new Point(x, y + 1.3), new Point(x + wide, y + 1.3)), Ink.Soft, Ink.Finest));
        }
    }

    private string Shortened(string value, double wide)
    {
        while (value.Length > 2 && text.Width(value, Size, false) > wide)
            value = value[..^2] + "…";
        return value;
    }

    /// <summary>What the level holds, and the scheme as a whole where it has more of them.</summary>
    private IEnumerable<(string Heading, TallyLine[] Lines)> Capacity(SheetInput input)
    {
        TallyLine[] here = [.. TallyLines.Of(input.Tally, units)];
        if (input.Whole is not { } whole)
            return [("Capacity", here)];
        return [($"Capacity, {input.Space.Level.Name}", here), ("Capacity, all levels", [.. TallyLines.Of(whole, units)])];
    }

    /// <summary>What must be said of lengths that nobody took on site.</summary>
    private static IEnumerable<string> Unsurveyed(SheetInput input)
    {
        var known = input.Space.Bodies.Values.Select(body => body.Wall.Certainty).ToHashSet();
        if (known.Contains(Certainty.Assumed) || known.Contains(Certainty.Unknown))
            yield return "* Not surveyed: verify on site.";
        if (known.Contains(Certainty.Unknown))
            yield return "( ) Length not known: do not build to it.";
    }

    /// <summary>What the figures are in follows from the plan; earlier plans have the first of these among their typed notes.</summary>
    private static string FiguresIn(UnitSystem units) =>
        units == UnitSystem.Metric ? "Figures in millimetres; do not scale." : "Figures in feet and inches; do not scale.";

    private void Notes(SheetInput input, List<Mark> marks, double x, double y, double wide, double bottom)
    {
        string[] all =
        [
            FiguresIn(units),
            .. Unsurveyed(input),
            .. input.NotDrawn.Words.IsEmpty ? [] : (string[])[$"Counted, but not drawn here: {string.Join(", ", input.NotDrawn.Words)}."],
            .. input.Held,
            .. input
                .Settings.Notes.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Where(note => note != FiguresIn(UnitSystem.Metric)),
        ];
        if (all.Length == 0 || y > bottom - 8)
            return;
        y = Heading("Notes", marks, x, y);
        var number = 0;
        foreach (var note in all)
        {
            number++;
            var first = true;
            foreach (var line in Lines.Of(note, text, Size, wide - 4))
            {
                y += RowHeight - 0.6;
                if (y > bottom - 2)
                    return;
                if (first)
                    marks.Add(new TextMark(number.ToString(CultureInfo.InvariantCulture), new Point(x, y), Size));
                marks.Add(new TextMark(line, new Point(x + 4, y), Size));
                first = false;
            }
        }
    }
}
