using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>New walls give way where they would lie on walls that are there already: those are shared.</summary>
internal static class WallSharing
{
    /// <summary>Centre lines nearer than this, in mm, are one.</summary>
    private const double SameLine = 2;

    public static IEnumerable<Wall> Without(IEnumerable<Wall> made, ImmutableArray<Wall> existing)
    {
        foreach (var wall in made)
        {
            var parts =
                wall.Line.IsStraight ? Left(wall, existing)
                : existing.Any(other => Same(other, wall)) ? []
                : [(0, wall.Length)];
            if (parts.Count == 1 && parts[0].To - parts[0].From > wall.Length - Tolerance.Length)
                yield return wall;
            else
                for (var i = 0; i < parts.Count; i++)
                {
                    var part = wall.Line.Part(parts[i].From, parts[i].To);
                    yield return wall with
                    {
                        Id = i == 0 ? wall.Id : $"{wall.Id}-{i + 1}",
                        Start = part.Start,
                        End = part.End,
                    };
                }
        }
    }

    /// <summary>Whether two walls run along one line from end to end, whichever way.</summary>
    public static bool Same(Wall a, Wall b) =>
        (a.Start.DistanceTo(b.Start) < SameLine && a.End.DistanceTo(b.End) < SameLine && Math.Abs(a.Bow - b.Bow) < SameLine)
        || (a.Start.DistanceTo(b.End) < SameLine && a.End.DistanceTo(b.Start) < SameLine && Math.Abs(a.Bow + b.Bow) < SameLine);

    private static List<(double From, double To)> Left(Wall wall, ImmutableArray<Wall> existing)
    {
        var along = wall.Line.Direction(0);
        List<(double From, double To)> left = [(0, wall.Length)];
        foreach (var other in existing)
        {
            if (!other.Line.IsStraight || other.LevelId != wall.LevelId || other.Id == wall.Id)
                continue;
            var (a, b) = (other.Start - wall.Start, other.End - wall.Start);
            if (Math.Abs(along.Cross(a)) > SameLine || Math.Abs(along.Cross(b)) > SameLine)
                continue;
            var (from, to) = (Math.Min(a.Dot(along), b.Dot(along)), Math.Max(a.Dot(along), b.Dot(along)));
            left = [.. left.SelectMany(part => Cut(part, from, to))];
        }
        return left;
    }

    private static IEnumerable<(double, double)> Cut((double From, double To) part, double from, double to)
    {
        if (to <= part.From + SameLine || from >= part.To - SameLine)
            yield return part;
        else
        {
            if (from > part.From + SameLine)
                yield return (part.From, from);
            if (to < part.To - SameLine)
                yield return (to, part.To);
        }
    }
}
