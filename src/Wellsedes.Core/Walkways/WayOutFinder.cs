using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// Egress (means of escape): the least of a way out's own clear width, of the widest disc that gets to its inner face anywhere between the jambs, and of
/// the widest that gets from its outer face into the open.
/// </summary>
/// <param name="notice">Told what the answer depends on, a place and a face or -1, and the steps it took.</param>
internal sealed class WayOutFinder(
    WalkwayGround ground,
    WidestWays widest,
    StandingRoom room,
    Target target,
    Mouth mouth,
    Action<Bounds, int, int> notice
)
{
    private Pinch own = null!;

    public Way Find()
    {
        own = MouthWidth.Of(mouth, ground.Graph.Index);
        notice(MouthWidth.Doorway(mouth).Bounds.Grown(1), -1, 0);
        var half = target.Access.Length / 2;
        var within = ToFace(0, half, 1, widest);
        if (within.Width <= 0)
            return within;
        var beyond = ToFace(half, half, -1, ground.Scene.Sources.Length > 0 ? widest : ground.FromOutside);
        var least = within.Width <= beyond.Width ? within : beyond;
        return within with { Width = Math.Min(own.Width, least.Width), Pinch = own.Width <= least.Width ? own : least.Pinch };
    }

    private Way ToFace(int from, int count, int facing, WidestWays ways)
    {
        var best = new Way(target, 0, null, target.Access[0]);
        for (var i = from; i < from + count && best.Width < own.Width; i++)
            best = PartWaysFinder.Wider(best, At(target.Access[i]), ways);
        return best.Width >= own.Width || best.Width <= 0 ? best : Refined(best, facing, ways);
    }

    private Standing At(Access access)
    {
        var standing = room.At(access);
        notice(standing.DependsOn, standing.Face, standing.Steps);
        return standing;
    }

    /// <summary>Between the points that were asked the room has one greatest place: golden section finds it.</summary>
    private Way Refined(Way best, int facing, WidestWays ways)
    {
        var ratio = (Math.Sqrt(5) - 1) / 2;
        var at = mouth.Frame.In(best.Access.At).X;
        var (low, high) = (Math.Max(-mouth.Half, at - mouth.Spacing), Math.Min(mouth.Half, at + mouth.Spacing));
        while (high - low > 0.002)
        {
            var (left, right) = (high - ratio * (high - low), low + ratio * (high - low));
            if (RadiusAt(left) < RadiusAt(right))
                low = left;
            else
                high = right;
        }
        return PartWaysFinder.Wider(best, At(mouth.At((low + high) / 2, facing)), ways);

        double RadiusAt(double across)
        {
            var access = mouth.At(across, facing);
            var (radius, _, steps) = room.RoomAt(access);
            var centre = access.At + access.Outward * radius;
            notice(Bounds.At(centre).Grown(radius + 1), -1, steps);
            return radius;
        }
    }
}
