using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Drawings;

/// <summary>Dimension lines: overall sizes of rooms, and chains along walls with openings.</summary>
internal sealed class DimensionPainter(ITextMeasure text, PaperMap map, UnitSystem units, List<Mark> marks)
{
    private const double Chain = 6.5;
    private const double Overall = 12.5;

    /// <summary>A room further than this from the plan's edge, in mm, has no size outside it.</summary>
    private const double Inside = 1500;

    public void Paint(SheetInput input)
    {
        var walls = input.Space.Bounds;
        foreach (var room in input.Space.Rooms)
        {
            // A size stands outside the plan, on the side its room lies at; a room deep inside would only cross the others.
            var box = room.Outline.Bounds;
            var (across, along) = (Known(input, room, true), Known(input, room, false));
            if (walls.MaxY - box.MaxY < Inside)
                Between(new(box.MinX, box.MaxY), new(box.MaxX, box.MaxY), Overall + (walls.MaxY - box.MaxY) / map.Ratio, across);
            else if (box.MinY - walls.MinY < Inside)
                Between(new(box.MaxX, box.MinY), new(box.MinX, box.MinY), Overall + (box.MinY - walls.MinY) / map.Ratio, across);
            if (box.MinX - walls.MinX < Inside)
                Between(new(box.MinX, box.MinY), new(box.MinX, box.MaxY), Overall + (box.MinX - walls.MinX) / map.Ratio, along);
            else if (walls.MaxX - box.MaxX < Inside)
                Between(new(box.MaxX, box.MaxY), new(box.MaxX, box.MinY), Overall + (walls.MaxX - box.MaxX) / map.Ratio, along);
        }
        foreach (var wall in input.Space.Openings.GroupBy(place => place.Wall))
            ChainAlong(input, wall.Key, [.. wall.Select(place => place.Opening)]);
    }

    /// <summary>How well a room's size is known: as its worst wall that runs that way.</summary>
    private static Certainty Known(SheetInput input, FoundRoom room, bool across) =>
        input
            .Space.Bodies.Values.Select(body => body.Wall)
            .Where(wall => wall.Certainty != Certainty.Surveyed && wall.Line.IsStraight)
            .Where(wall => Math.Abs(wall.Line.Direction(0).X) > 0.7 == across)
            .Where(wall => Beside(room, wall, 1) || Beside(room, wall, -1))
            .Select(wall => wall.Certainty)
            .DefaultIfEmpty(Certainty.Surveyed)
            .Max();

    private static bool Beside(FoundRoom room, Wall wall, int side) =>
        room.Outline.Holds(wall.Line.At(wall.Length / 2, side * (wall.Thickness / 2 + 1)));

    private void ChainAlong(SheetInput input, Wall wall, Opening[] openings)
    {
        if (!wall.Line.IsStraight)
            return;
        var along = wall.Line.Direction(0);
        var half = wall.Thickness / 2;
        var middle = Point.Middle(wall.Start, wall.End);
        var left = input.Space.RoomAt(middle + along.Left() * (half + 1)) is not null;
        var inside = along.Left() * (left ? half : -half);
        // From corner to corner of the rooms beside it, whatever walls they meet.
        List<double> stops = [];
        foreach (var opening in openings)
        {
            var (from, to) = OpeningCorners.Between(input.Space, wall, opening.Along, left);
            stops.AddRange([from, opening.From, opening.To, to]);
        }
        stops.Sort();
        // The chain stands clear of leaves that swing outward.
        var swing = openings
            .Where(opening => opening.IsDoor && opening.SwingsRight == left)
            .Select(opening => opening.LeafLength)
            .DefaultIfEmpty(0)
            .Max();
        var off = Math.Max(Chain, swing / map.Ratio + 2) + wall.Thickness / map.Ratio;
        for (var i = 0; i + 1 < stops.Count; i++)
        {
            if (stops[i + 1] - stops[i] < 1)
                continue;
            var (a, b) = (wall.Start + along * stops[i] + inside, wall.Start + along * stops[i + 1] + inside);
            // The line stands outside the wall: to the left of a direction that has the room on its right.
            if (left)
                (a, b) = (b, a);
            Between(a, b, off, wall.Certainty);
        }
    }

    /// <summary>One dimension from a to b, its line a distance in mm of paper to the left of that direction.</summary>
    public void Between(Point a, Point b, double offset, Certainty certainty = Certainty.Surveyed)
    {
        var (from, to) = (map.ToPaper(a), map.ToPaper(b));
        var along = (to - from).Unit();
        // Paper has y down, so the left of the level is the other side here.
        var side = along.Left() * -1;
        var (start, end) = (from + side * offset, to + side * offset);
        if (offset > 0)
            foreach (var (foot, top) in (ReadOnlySpan<(Point, Point)>)[(from, start), (to, end)])
                marks.Add(new PathMark(PathShape.Line(foot + side * Math.Min(1.5, offset), top + side * 1.2), Ink.Soft, Ink.Finest));
        marks.Add(new PathMark(PathShape.Line(start - along * 1.2, end + along * 1.2), Ink.Full, Ink.Finest));
        foreach (var tick in (Point[])[start, end])
        {
            var slant = (along + side).Unit() * 1.1;
            marks.Add(new PathMark(PathShape.Line(tick - slant, tick + slant), Ink.Full, Ink.Medium));
        }
        var written = LengthText.WriteRound(a.DistanceTo(b), units);
        written = certainty switch
        {
            Certainty.Surveyed => written,
            Certainty.Assumed => $"{written} *",
            _ => $"({written}) *",
        };
        const double size = 2.5;
        var wide = text.Width(written, size, false);
        var turn = -Angles.Of(along);
        var upright = AngleText.Normal(turn) is > 90.5 and < 270.5;
        var reading = upright ? along * -1 : along;
        var up = reading.Left() * -1;
        var middle = Point.Middle(start, end);
        // A figure wider than its dimension steps up, and one that would stand in another goes on until it does not.
        var least = wide + 1 > start.DistanceTo(end) ? 1 : 0;
        var lift = Lifts.Skip(least).FirstOrDefault(by => !Stands(by), Lifts[least]);
        figures.Add(Box(lift));
        marks.Add(new TextMark(written, middle + up * lift, size, TextAnchor.Middle, Rotation: upright ? turn - 180 : turn));

        bool Stands(double by) => figures.Exists(box => box.Meets(Box(by)));

        Bounds Box(double by)
        {
            var (half, base_) = (reading * (wide / 2 + 0.4), middle + up * by);
            return Bounds.Around([base_ - half, base_ + half, base_ - half + up * size, base_ + half + up * size]);
        }
    }

    /// <summary>How far above its line a figure may stand, in mm of paper, the nearest first; below it at last.</summary>
    private static readonly double[] Lifts = [0.9, 3.4, 5.9, 8.4, -3.4, -5.9];

    /// <summary>Where figures stand on the paper.</summary>
    private readonly List<Bounds> figures = [];
}
