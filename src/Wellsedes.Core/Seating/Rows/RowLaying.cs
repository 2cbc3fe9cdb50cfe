using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Seating.Rows;

/// <summary>
/// Rows of places on a floor: the first row is tried where something begins or ends, the others follow at their distance, and of all these the fullest is taken.
/// One that could not hold more were each of its rows by itself is not looked at.
/// </summary>
internal static class RowLaying
{
    private const int MostRows = 400;

    /// <summary>Of its width a place of a justified row is drawn apart from the next by no more than this: beyond it the row looks ragged.</summary>
    private const double MostJustified = 0.5;
    private const int MostFirsts = 24;
    private const int FewFirsts = 8;
    private const int Samples = 12;

    /// <summary>Of first rows that may hold more than the best so far, so many are looked at.</summary>
    private const int MostLooked = 4;

    /// <param name="lines">Front edges of rows of other blocks: rows lie on these where no place is lost by it.</param>
    public static LaidRows Fullest(RowGround ground, RowGround about, RowUnit unit, RowsAsked asked, double[]? lines = null)
    {
        LaidRows best = new([]);
        var (looked, bound) = (0, 0);
        foreach (
            var (most, rows) in Firsts(ground, unit, asked)
                .Select(first => Lines(ground, about, unit, asked, first))
                .Select(rows => (Most: rows.Sum(row => row.MostFrom(asked.FromAisle)), rows))
                .OrderByDescending(one => one.Most)
                .TakeWhile(one => one.Most > best.Count && looked++ < MostLooked)
        )
        {
            bound = Math.Max(bound, most);
            if (AislesOf(rows, asked, ground.Axis) is var laid && laid.Count > best.Count)
                best = laid;
        }
        best = best with { Most = bound };
        if (lines is not { Length: > 0 } || asked.CrossEvery is not null)
            return best;
        var (least, pitch) = (ground.Across.Least, unit.Depth + asked.Passage);
        foreach (var first in lines.Select(at => Math.Round(at - Math.Floor((at - least) / pitch) * pitch, 1)).Distinct().Take(MostLooked))
            if (AislePlan.Best(Lines(ground, about, unit, asked, first), asked, ground.Axis) is var onLine && onLine.Count >= best.Count)
                return onLine with { Most = bound };
        return best;
    }

    /// <summary>With aisles all along, or where aisles across part the rows into blocks and more sit so, with some of its own for each block: in a curve the outer ones are longer.</summary>
    private static LaidRows AislesOf(List<RowLine> rows, RowsAsked asked, double axis)
    {
        var through = AislePlan.Best(rows, asked, axis);
        if (asked is not { CrossEvery: { } every, Aisles: AislesAt.Fullest } || rows.Count <= every)
            return through;
        LaidRows blocks = new([.. rows.Chunk(every).SelectMany(block => AislePlan.Best(block, asked, axis).Runs)]);
        return blocks.Count > through.Count ? blocks : through;
    }

    private static IEnumerable<double> Firsts(RowGround ground, RowUnit unit, RowsAsked asked)
    {
        var (least, most) = ground.Across;
        var pitch = unit.Depth + asked.Passage;
        var before = unit.PassageBefore ? asked.Passage : 0;
        double[] events = [.. ground.Events(asked.ToWalls).Where(at => at > least - 1 && at < most + 1).Distinct().Order()];
        // Where samples are taken as well, the outermost few are enough.
        var many = ground.IsSlanted ? FewFirsts : MostFirsts;
        if (events.Length > many)
            events = [.. events[..(many / 2)], .. events[^(many / 2)..]];
        var seen = new HashSet<long>();
        List<double> firsts = [];
        void Add(double at)
        {
            // The foremost row that stands on the same lines.
            var first = at - Math.Floor((at - least) / pitch) * pitch;
            if (seen.Add((long)Math.Round((asked.CrossEvery is null ? first : at) * 100)))
                firsts.Add(asked.CrossEvery is null ? first : at);
        }
        foreach (var at in events)
        {
            Add(at + before);
            Add(at + before + asked.ToWalls);
            if (asked.CrossEvery is null)
            {
                Add(at - unit.Depth - (unit.PassageBehind ? asked.Passage : 0));
                Add(at - unit.Depth - (unit.PassageBehind ? asked.Passage : asked.ToWalls));
            }
        }
        for (var i = 0; ground.IsSlanted && i < Samples; i++)
            Add(least + before + pitch * i / Samples);
        return firsts;
    }

    private static List<RowLine> Lines(RowGround ground, RowGround about, RowUnit unit, RowsAsked asked, double first)
    {
        List<RowLine> rows = [];
        var (_, most) = ground.Across;
        var inBlock = 0;
        for (var across = first; across + unit.Depth <= most + 1e-6 && rows.Count < MostRows; )
        {
            var parts = PartsOf(ground, about, unit, asked, across);
            if (parts.Length > 0)
            {
                inBlock++;
                var gap = ground.Between(asked.Gap, across, unit.Width);
                var half = ground.Between(asked.Aisle, across, unit.Width) / 2;
                var widest = asked.Ends == RowEnds.Justified ? ground.Length(unit.Width, across) * MostJustified : 0;
                rows.Add(new RowLine(rows.Count, across, parts, ground.Length(unit.Width, across) + gap, gap, half, widest));
            }
            var isCross = asked.CrossEvery is { } every && inBlock > 0 && inBlock % every == 0 && parts.Length > 0;
            across = ground.Behind(across, unit.Depth, unit.Width, isCross ? Math.Max(asked.Aisle, asked.Passage) : asked.Passage);
        }
        return rows;
    }

    /// <summary>Where the row itself is free with its gap to what stands, and its passages are free as they are.</summary>
    private static RowPart[] PartsOf(RowGround ground, RowGround about, RowUnit unit, RowsAsked asked, double across)
    {
        var back = ground.Behind(across, unit.Depth, unit.Width, 0);
        var free = ground.Free(across, back, asked.ToWalls);
        if (unit.PassageBefore && free.Count > 0)
            free = RowGround.Both(free, ground.Free(across - asked.Passage, across, 0));
        if (unit.PassageBehind && free.Count > 0)
            free = RowGround.Both(free, ground.Free(back, back + asked.Passage, 0));
        if (free.Count == 0)
            return [];
        var least = ground.Length(unit.Width, across) - 1e-9;
        var round = about.Free(across, back, 0);
        var aisle = ground.Between(asked.Aisle, across, unit.Width) - 1e-6;
        return
        [
            .. free.Where(part => part.To - part.From >= least)
                .Select(part => new RowPart(
                    part.From,
                    part.To,
                    round.Exists(one => one.From <= part.From - aisle && one.To >= part.From),
                    round.Exists(one => one.To >= part.To + aisle && one.From <= part.To)
                )),
        ];
    }

    /// <summary>Where along the middle of each place of a run is: at an aisle on one side they stand against it, between two in the middle.</summary>
    public static IEnumerable<double> Places(RowRun run)
    {
        var (row, n) = (run.Row, run.Count);
        // Drawn apart to the ends of its part; one that would be too far apart stays as it is asked.
        var wider = n > 1 ? (run.To - run.From - (n * row.Step - row.Gap)) / (n - 1) : 0;
        var step = row.Step + (wider <= row.Widest ? wider : 0);
        var used = (n - 1) * step + row.Step - row.Gap;
        var slack = run.To - run.From - used;
        var from =
            run.From
            + (
                run.AtFrom && !run.AtTo ? 0
                : run.AtTo && !run.AtFrom ? slack
                : slack / 2
            );
        for (var i = 0; i < n; i++)
            yield return from + (row.Step - row.Gap) / 2 + i * step;
    }

    /// <summary>The middle of a thing whose place along and front edge across are given.</summary>
    public static Placement Middle(RowGround ground, RowUnit unit, double along, double across)
    {
        var at = ground.At(along, across);
        var middle = at.Out(new Point(-unit.Shift, unit.Before));
        return new Placement(middle.X, middle.Y, at.Rotation + unit.Turn);
    }
}
