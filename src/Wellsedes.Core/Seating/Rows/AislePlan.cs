using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Seating.Rows;

/// <summary>
/// Where the aisles between rows go, so that no place is farther from one than allowed and the rows hold the most: each aisle lies where whole places
/// end, counted from the end of a row or from another aisle, and of all such lines the best are chosen from one side to the other (dynamic programming).
/// </summary>
internal static class AislePlan
{
    /// <summary>More lines than this for one aisle are thinned out.</summary>
    private const int MostLines = 200;

    public static LaidRows Best(IReadOnlyList<RowLine> rows, RowsAsked asked, double axis)
    {
        if (asked.FromAisle is not { } most || rows.Count == 0)
            return Runs(rows, [], null);
        double[] forced = Forced(rows, asked, axis);
        var lines = Lines(rows, most, forced, axis);
        Part[] parts = [.. rows.SelectMany(row => row.Parts.Select(part => new Part(row, part)))];
        // From one side to the other: the most places up to each line, and the line before it on the way there.
        var best = new int[lines.Length];
        var before = new int[lines.Length];
        var halves = rows.Max(row => row.HalfAisle);
        // Between lines that hold all they may nothing more is won by going farther.
        var farthest = rows.Max(row => (2 * most + 1) * row.Step + 4 * row.HalfAisle);
        for (var j = 0; j < lines.Length; j++)
        {
            // What is asked for is not passed over.
            var barrier = forced.Where(f => f < lines[j] - 1e-9).DefaultIfEmpty(double.NegativeInfinity).Max() - 1e-9;
            (best[j], before[j]) = (double.IsFinite(barrier) ? -1 : Count(parts, double.NegativeInfinity, lines[j], most), -1);
            for (var i = j - 1; i >= 0; i--)
            {
                if (lines[j] - lines[i] > farthest || lines[i] < barrier)
                    break;
                if (lines[j] - lines[i] < 2 * halves || best[i] < 0)
                    continue;
                var count = best[i] + Count(parts, lines[i], lines[j], most);
                if (count > best[j])
                    (best[j], before[j]) = (count, i);
            }
        }
        var (full, last) = (forced.Length == 0 ? Count(parts, double.NegativeInfinity, double.PositiveInfinity, most) : -1, -1);
        for (var i = 0; i < lines.Length; i++)
            if (
                best[i] >= 0
                && !forced.Any(f => f > lines[i] + 1e-9)
                && best[i] + Count(parts, lines[i], double.PositiveInfinity, most) is var count
                && count > full
            )
                (full, last) = (count, i);
        List<double> aisles = [];
        for (var i = last; i >= 0; i = before[i])
            aisles.Insert(0, lines[i]);
        var found = Runs(rows, [.. aisles], most);
        // The same to the left as to the right of the axis, where that costs nothing.
        double[] mirrored = [.. aisles.Select((at, i) => (at + 2 * axis - aisles[^(i + 1)]) / 2)];
        return Runs(rows, mirrored, most) is var even && even.Count >= found.Count ? even : found;
    }

    private static double[] Forced(IReadOnlyList<RowLine> rows, RowsAsked asked, double axis)
    {
        if (asked.Aisles == AislesAt.Middle)
            return [axis];
        if (asked.Aisles == AislesAt.Fullest)
            return [];
        var parts = rows.SelectMany(row => row.Parts.Select(part => (row, part))).ToArray();
        var (left, right) = (parts.MinBy(one => one.part.From), parts.MaxBy(one => one.part.To));
        return [left.part.From + left.row.HalfAisle, right.part.To - right.row.HalfAisle];
    }

    private static double[] Lines(IReadOnlyList<RowLine> rows, int most, double[] forced, double axis)
    {
        var all = new SortedSet<long>();
        const double fine = 1e6;
        void Add(double at) => all.Add((long)Math.Round(at * fine));
        // The rows that are longest speak for the others: their ends and the distances between hold for most.
        foreach (var row in rows.OrderByDescending(row => row.Most).Take(3).Concat([rows[0], rows[^1]]).Distinct())
        foreach (var part in row.Parts)
        {
            var seats = row.Fit(part.To - part.From);
            for (var aisles = 0; aisles <= seats / Math.Max(1, most); aisles++)
            for (var n = aisles * most; n <= Math.Min(seats, (2 * aisles + 1) * most); n++)
            {
                var off = n * row.Step + (2 * aisles + 1) * row.HalfAisle - (aisles * 1.0 * row.Gap);
                if (part.From + off < part.To)
                    Add(part.From + off);
                if (part.To - off > part.From)
                    Add(part.To - off);
            }
        }
        double[] lines = [.. all.Select(at => at / fine)];
        if (lines.Length > MostLines)
            lines = [.. Enumerable.Range(0, MostLines).Select(i => lines[(int)((long)i * (lines.Length - 1) / (MostLines - 1))])];
        return [.. lines.Concat(forced).Append(axis).Distinct().Order()];
    }

    /// <summary>A free part of a row, asked a million times what it holds between two aisles; an aisle that is infinitely far off is none.</summary>
    private readonly struct Part(RowLine row, RowPart part)
    {
        /// <param name="most">From an aisle or open end; null for as many as fit.</param>
        public (double From, double To, int Count, bool AtFrom, bool AtTo) Between(double left, double right, int? most)
        {
            var (from, to, atFrom, atTo) = (part.From, part.To, part.OpenFrom, part.OpenTo);
            // Where a wall or a column stands in half of it there is no aisle to step out onto.
            if (left + row.HalfAisle >= from - 1e-9)
                (from, atFrom) = (left + row.HalfAisle, atFrom || left - row.HalfAisle >= from - 1e-6);
            if (right - row.HalfAisle <= to + 1e-9)
                (to, atTo) = (right - row.HalfAisle, atTo || right + row.HalfAisle <= to + 1e-6);
            if (to <= from)
                return (from, to, 0, atFrom, atTo);
            var count = row.Fit(to - from);
            if (most is { } m)
                count = Math.Min(count, ((atFrom ? 1 : 0) + (atTo ? 1 : 0)) * m);
            return (from, to, count, atFrom, atTo);
        }
    }

    private static int Count(Part[] parts, double left, double right, int most)
    {
        var count = 0;
        foreach (ref readonly var part in parts.AsSpan())
            count += part.Between(left, right, most).Count;
        return count;
    }

    private static LaidRows Runs(IReadOnlyList<RowLine> rows, double[] aisles, int? most)
    {
        List<RowRun> runs = [];
        foreach (var row in rows)
        foreach (var part in row.Parts)
            for (var i = 0; i <= aisles.Length; i++)
            {
                var left = i == 0 ? double.NegativeInfinity : aisles[i - 1];
                var right = i == aisles.Length ? double.PositiveInfinity : aisles[i];
                // What lies beyond the aisles on either side is another's.
                if (left - row.HalfAisle >= part.To || right + row.HalfAisle <= part.From)
                    continue;
                var (from, to, count, atFrom, atTo) = new Part(row, part).Between(left, right, most);
                if (count > 0)
                    runs.Add(new RowRun(row, from, to, count, atFrom, atTo));
            }
        return new LaidRows(runs);
    }
}
