using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>Makes a repeat's recipe of the figures that were typed.</summary>
internal static class RepeatRecipe
{
    /// <summary>A ring is no larger than this, in mm.</summary>
    private const double LargestRing = 100_000;

    /// <summary>The nearest two members come when nothing is said: as far apart as people pass side by side; a house value, in mm.</summary>
    public const double UsualGap = 600;

    /// <summary>The recipe with what was asked, or what is wrong with it.</summary>
    public static (Repeat? Repeat, Problem? Problem) With(
        Repeat was,
        RepeatFigures asked,
        RepeatMeasure member,
        Plan plan,
        LevelSpace space
    )
    {
        if (Wrong(asked) is { } wrong)
            return (null, wrong);
        Convex[] stops =
        [
            .. space.Pieces.Select(piece => piece.Body),
            .. KeptWay.Of(plan, was.SchemeId, was.LevelId).SelectMany(way => way.Strip.Legs),
        ];
        var repeat = was with
        {
            Form = asked.Form ?? was.Form,
            Columns = asked.Columns ?? was.Columns,
            Rows = asked.Rows ?? was.Rows,
            Staggered = asked.Staggered ?? was.Staggered,
            Sweep = asked.Sweep ?? was.Sweep,
            Facing = asked.Facing ?? was.Facing,
            Turned = asked.Turned ?? was.Turned,
            Singles = asked.Regular ? [] : was.Singles,
        };
        if (asked.HasPath && OnPath(repeat, asked, plan, member, stops, out repeat) is { } noPath)
            return (null, noPath);
        if (repeat.Form == RepeatForm.Path && repeat.Path.Length < 2)
            return (null, new Problem("path", "A path has at least two points; one was given, or none."));
        if (repeat.Form == RepeatForm.Path)
            repeat = repeat with { Rows = 1 };
        repeat = Spaced(repeat, asked, member);
        if (CountedOut(repeat, asked, member, stops, out repeat) is { } none)
            return (null, none);
        if (repeat.Form == RepeatForm.Ring && Ring(repeat, asked, member, out repeat) is { } noRing)
            return (null, noRing);
        return OnItsPath(repeat, asked, plan, out repeat) is { } tooLong ? (null, tooLong) : (repeat, null);
    }

    private static Problem? Wrong(RepeatFigures asked)
    {
        foreach (var (field, count) in ((string, int?)[])[("columns", asked.Columns), ("rows", asked.Rows)])
            if (count is < 1 or > Repeat.Most)
                return new Problem(field, $"The {field} must be from 1 to {Repeat.Most}; {count} was given.");
        foreach (var (field, pitch) in ((string, double?)[])[("columnPitch", asked.ColumnPitch), ("rowPitch", asked.RowPitch)])
            if (pitch is { } given && !(Math.Abs(given) >= 1 && Math.Abs(given) <= SizeSense.Longest))
                return new Problem(field, "The pitch must be at least 1 mm: at 0 all would stand in one place.");
        foreach (
            var (field, gap) in ((string, double?)[])
                [
                    ("columnGap", asked.ColumnGap),
                    ("rowGap", asked.RowGap),
                    ("gap", asked.Gap),
                    ("radius", asked.Radius),
                    ("length", asked.Length),
                ]
        )
            if (gap is { } given && !(given >= 0 && given <= SizeSense.Longest))
                return new Problem(
                    field,
                    $"The {(field.EndsWith("ap", StringComparison.Ordinal) ? "clear gap" : field)} must be 0 or more."
                );
        if (asked.BackGap is > SizeSense.Longest)
            return new Problem("backGap", "The gap between backs is too large.");
        if (asked.Sweep is { } sweep && !(sweep is >= 1 and <= 360))
            return new Problem("sweep", "A ring goes round by 1 to 360 degrees.");
        if (asked is { ColumnPitch: not null, ColumnGap: not null } or { RowPitch: not null, RowGap: not null })
            return new Problem("columnGap", "Say a pitch or a clear gap, not both.");
        return asked is { Radius: not null, Gap: not null } ? new Problem("gap", "Say a radius or a clear gap, not both.") : null;
    }

    private static Repeat Spaced(Repeat repeat, RepeatFigures asked, RepeatMeasure member)
    {
        var back = asked.BackGap is { } gap ? (gap < 0 ? null : member.BackToBack(gap)) : repeat.BackToBack;
        // A typed pitch keeps the way it goes; one less than 0 turns it round.
        var (right, up) = (repeat.ColumnSpacing < 0 ? -1 : 1, repeat.RowSpacing < 0 ? -1 : 1);
        var column =
            asked.ColumnPitch * right ?? (asked.ColumnGap is { } between ? right * (member.Along + between) : repeat.ColumnSpacing);
        if (Math.Abs(column) < 1)
            column = member.Along + UsualGap;
        var deep = back is { } pair ? member.PairDepth(pair) : member.Across;
        var row = asked.RowPitch * up ?? (asked.RowGap is { } apart ? up * (deep + apart) : repeat.RowSpacing);
        if (Math.Abs(row) < 1)
            row = deep + UsualGap;
        // The pair has become deeper or shallower: the gap to the next stays.
        else if (asked is { RowPitch: null, RowGap: null } && back != repeat.BackToBack)
            row += up * (deep - (repeat.BackToBack is { } old ? member.PairDepth(old) : member.Across));
        return repeat with { BackToBack = back, ColumnSpacing = Rounded(column), RowSpacing = Rounded(row) };
    }

    /// <summary>Figures that were worked out are kept to a thousandth of a millimetre.</summary>
    private static double Rounded(double figure) => Math.Round(figure, 3);

    /// <summary>How many middles stand on a length at a repeat's spacing, both ends among them.</summary>
    private static double Fit(double length, Repeat repeat) => Math.Floor((length + Tolerance.Length) / Math.Abs(repeat.ColumnSpacing)) + 1;

    /// <summary>As many as fit, or the spacing of so many, over a length or up to a wall.</summary>
    private static Problem? CountedOut(
        Repeat repeat,
        RepeatFigures asked,
        RepeatMeasure member,
        IReadOnlyList<Convex> stops,
        out Repeat counted
    )
    {
        counted = repeat;
        if (repeat.Form == RepeatForm.Ring || (asked.Length is null && !asked.ToWall))
            return null;
        double length;
        if (asked.Length is { } given)
            length = given;
        else
        {
            var along = repeat.Placement.Turned(new Point(Math.Sign(repeat.ColumnSpacing), 0));
            if (member.RoomAhead(repeat.Placement, along, stops) is not { } ahead)
                return new Problem("toWall", "No wall lies that way.");
            length = ahead + member.Along;
        }
        if (length < member.Along - Tolerance.Length)
            return new Problem("length", "Not even one fits along this length.");
        if (asked.Columns is > 1 and var wanted && asked.ColumnPitch is null && asked.ColumnGap is null)
        {
            var pitch = (length - member.Along) / (wanted - 1);
            if (pitch < 1)
                return new Problem("columns", $"{wanted} do not fit along this length; ask for fewer.");
            counted = repeat with { ColumnSpacing = Rounded(pitch) * Math.Sign(repeat.ColumnSpacing) };
            return null;
        }
        var fit = Fit(length - member.Along, repeat);
        if (fit > Repeat.Most)
            return new Problem("length", $"More than {Repeat.Most} would fit, the most a repeat has; give a larger pitch.");
        counted = repeat with { Columns = (int)fit };
        return null;
    }

    private static Problem? Ring(Repeat repeat, RepeatFigures asked, RepeatMeasure member, out Repeat ring)
    {
        ring = repeat;
        if (repeat.Columns < 2)
            return new Problem("columns", "A ring has at least 2 members.");
        var gap = asked.Gap;
        if (asked.Radius is null && gap is null && repeat.Radius <= 0)
            gap = UsualGap;
        if (asked.Radius is { } radius)
            ring = repeat with { Radius = radius };
        else if (gap is { } clear)
        {
            if (member.RadiusFor(repeat, clear, LargestRing) is not { } found)
                return new Problem("gap", "No ring of 100 m has that gap; ask for fewer or a smaller one.");
            ring = repeat with { Radius = found };
        }
        if (ring.Radius <= 0)
            return new Problem("radius", "The radius must be more than 0.");
        return null;
    }

    private static Problem? OnPath(
        Repeat repeat,
        RepeatFigures asked,
        Plan plan,
        RepeatMeasure member,
        IReadOnlyList<Convex> stops,
        out Repeat onPath
    )
    {
        onPath = repeat;
        ImmutableArray<Point> path = asked.Path;
        if (asked.WallAt is { } at)
        {
            if (Wall.Nearest(plan.OnLevel<Wall>(repeat.LevelId), at) is not { } wall)
                return new Problem("wallAt", "No wall is on this level.");
            path = AlongWall(wall, repeat.Placement.Origin, member, stops);
        }
        if (path.Length < 2)
            return new Problem("path", "A path has at least two points; one was given.");
        if (path.Length > Repeat.MostCorners)
            return new Problem("path", $"A path has at most {Repeat.MostCorners} points; {path.Length} were given.");
        for (var i = 1; i < path.Length; i++)
            if (path[i].DistanceTo(path[i - 1]) < 1)
                return new Problem("path", "Two points of the path lie in one place.");
        foreach (var corner in path)
            if (SizeSense.CheckPlacement(new Placement(corner.X, corner.Y, 0)) is { } far)
                return far;
        // A path begins at the repeat's own place, its members turned as they were.
        var begin = new Placement(path[0].X, path[0].Y, repeat.Turned || asked.WallAt is not null ? 0 : repeat.Rotation);
        onPath = repeat with
        {
            Form = RepeatForm.Path,
            X = begin.X,
            Y = begin.Y,
            Rotation = begin.Rotation,
            Turned = repeat.Turned || asked.WallAt is not null,
            Path = [.. path.Select(begin.In)],
        };
        return null;
    }

    /// <summary>
    /// The line along the side of a wall on which a point lies, so far from it that backs touch it; fronts look away from it. It ends
    /// where a member would meet the next wall.
    /// </summary>
    private static ImmutableArray<Point> AlongWall(Wall wall, Point beside, RepeatMeasure member, IReadOnlyList<Convex> stops)
    {
        var line = wall.Line;
        var along = line.Nearest(beside).Along;
        var left = line.Direction(along).Cross(beside - line.At(along)) > 0;
        // A hair off the wall, so that it is no obstacle.
        var off = (wall.Thickness / 2 + member.Box.MaxY + Tolerance.Length) * (left ? 1 : -1);
        ImmutableArray<Point> path;
        if (line.IsStraight)
        {
            // A front is to the right of its path, with the wall to the left.
            var direction = line.Direction(0) * (left ? -1 : 1);
            var at = line.At(along, off);
            var stands = new Placement(at.X, at.Y, Angles.Of(direction));
            double Room(Point way, double toEnd) =>
                member.RoomAhead(stands, way, stops) is { } room ? Math.Min(room, toEnd) : Math.Max(0, toEnd - member.Along / 2);
            var (ahead, behind) = left ? (along, line.Length - along) : (line.Length - along, along);
            return [at - direction * Room(direction * -1, behind), at + direction * Room(direction, ahead)];
        }
        var inset = Math.Min(line.Length / 4, member.Along / 2 + wall.Thickness / 2);
        path = [.. Enumerable.Range(0, 33).Select(i => line.At(inset + (line.Length - 2 * inset) * i / 32, off))];
        return left ? [.. path.Reverse()] : path;
    }

    private static Problem? OnItsPath(Repeat repeat, RepeatFigures asked, Plan plan, out Repeat fitted)
    {
        fitted = repeat;
        if (repeat.Form != RepeatForm.Path)
            return null;
        var length = repeat.PathLength;
        // A new path is filled with as many as fit, or so many are spread over it.
        if (asked.HasPath && asked.Length is null)
        {
            if (asked is { Columns: > 1 and var wanted, ColumnPitch: null, ColumnGap: null })
                fitted = repeat with { ColumnSpacing = Rounded(length / (wanted - 1) - 5e-4) };
            else if (asked.Columns is null)
                fitted = repeat with { Columns = (int)Math.Min(Repeat.Most, Fit(length, repeat)) };
        }
        else if (asked.Columns is null && (repeat.Columns - 1) * repeat.ColumnSpacing > length + 1)
            fitted = repeat with { Columns = (int)Fit(length, repeat) };
        if (fitted.ColumnSpacing < 1)
            return new Problem("columnPitch", "Along a path members follow each other forwards; give a pitch of 1 mm or more.");
        var run = (fitted.Columns - 1) * fitted.ColumnSpacing;
        return run > length + 1
            ? new Problem(
                "columns",
                $"{fitted.Columns} at this pitch are {LengthText.Tell(run, plan.Details.Units)} long, the path {LengthText.Tell(length, plan.Details.Units)}; ask for fewer or a smaller pitch."
            )
            : null;
    }
}
