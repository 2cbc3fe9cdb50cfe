using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Spaces;

/// <summary>Finds wall ends that stop a little short of something they could meet, or run a little past it.</summary>
public static class UnjoinedEnds
{
    /// <summary>Further off than this, in mm, an end is left alone.</summary>
    public const double Reach = 300;

    public static ImmutableArray<UnjoinedEnd> Of(ImmutableDictionary<string, WallBody> bodies)
    {
        var index = new SpatialIndex<WallBody>([.. bodies.Values], body => WallJoints.BoundsOf(body.Wall));
        var found = ImmutableArray.CreateBuilder<UnjoinedEnd>();
        foreach (var body in bodies.Values.OrderBy(body => body.Wall.Id, StringComparer.Ordinal))
        foreach (var atStart in (ReadOnlySpan<bool>)[true, false])
            if (!(atStart ? body.Start : body.End).Joined && Near(body, atStart, index) is { } end)
                found.Add(end);
        return found.ToImmutable();
    }

    private static UnjoinedEnd? Near(WallBody body, bool atStart, SpatialIndex<WallBody> index)
    {
        var line = body.Wall.Line;
        var at = atStart ? line.Start : line.End;
        var onward = atStart ? line.Direction(0) * -1 : line.Direction(line.Length);
        UnjoinedEnd? best = null;
        void See(Point meets)
        {
            var gap = at.DistanceTo(meets);
            if (gap > Tolerance.Length && gap <= Reach && gap < (best?.Gap ?? double.PositiveInfinity))
                best = new UnjoinedEnd(body.Wall.Id, atStart, at, meets, gap);
        }
        var box = Bounds.At(at).Grown(Reach);
        foreach (var other in index.Meeting(box).Where(other => other.Wall.Id != body.Wall.Id))
        {
            See(other.Wall.Start);
            See(other.Wall.End);
            // Straight on, or a little back, to the other wall's middle line.
            var theirs = other.Wall.Line;
            var (along, _) = theirs.Nearest(at);
            if (new EndlessLine(at, onward).Crossing(new EndlessLine(theirs.At(along), theirs.Direction(along)), 0.17) is not { } meets)
                continue;
            var (on, left) = theirs.Nearest(meets);
            if (Math.Abs(left) < 1 && on > 0 && on < theirs.Length)
                See(meets);
        }
        return best;
    }
}
