using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

public enum TargetKind
{
    Seat,
    Table,
    Exit,

    /// <summary>Somewhere people gather: a bar, a buffet, a dance floor, a stage.</summary>
    Place,

    /// <summary>A flight to another level.</summary>
    Flight,

    /// <summary>A room as such: its own point.</summary>
    Room,

    /// <summary>A way that somebody drew: from its one end to the other.</summary>
    Drawn,
}

/// <summary>
/// A point on a thing's side from which it is used, and the direction away from the thing. Without a thing it is a place that
/// is reached however little room there is; with one but without a direction people stand at the point itself.
/// </summary>
public readonly record struct Access(Obstacle? On, Point At, Point Outward)
{
    public bool IsStoodAt => On is not null && Outward == default;
}

/// <summary>
/// The mouth of a way out: its frame has x along the wall and y to its left. Half its clear width, half the wall's thickness,
/// in mm; Inward is 1 when the room lies to the left, else -1. Leaf is what would close it.
/// </summary>
public sealed record Mouth(Obstacle Leaf, Placement Frame, int Inward, double Half, double Deep)
{
    /// <summary>Points each side of the middle that are asked first on either face.</summary>
    private const int Asked = 8;

    /// <summary>On the inner face when facing is 1, on the outer one when it is -1; across in mm from the middle.</summary>
    public Access At(double across, int facing)
    {
        var out_ = Inward * facing;
        return new Access(Leaf, Frame.Out(new Point(across, out_ * Deep)), Frame.Turned(new Point(0, out_)));
    }

    /// <summary>How far apart the points asked first lie, in mm.</summary>
    public double Spacing => Half / Asked;

    /// <summary>Those of the inner face, from the middle out, then those of the outer one.</summary>
    public ImmutableArray<Access> Accesses() =>
        [
            .. from facing in (int[])[1, -1]
            from i in Enumerable.Range(0, 2 * Asked + 1)
            select At((i % 2 == 0 ? 1 : -1) * ((i + 1) / 2) * Spacing, facing),
        ];
}

/// <summary>Something people must get to; any one of its access points will do.</summary>
/// <param name="Index">Which seat of its owner, from 0; 0 otherwise.</param>
/// <param name="Needed">Required clear width in mm.</param>
/// <param name="Mouth">Of a way out; its width then is the least of its own and of the ways to either face of it.</param>
/// <param name="AskedBy">The room, zone or drawn way that asks for the width; "" where a rule does.</param>
public sealed record Target(
    string OwnerId,
    string Name,
    TargetKind Kind,
    int Index,
    double Needed,
    ImmutableArray<Access> Access,
    Mouth? Mouth = null,
    string AskedBy = ""
);

/// <summary>
/// The widest way to a target: the diameter of the largest disc that can travel there from an entrance. Width is 0
/// and Pinch null when there is no way at all.
/// </summary>
public sealed record Way(Target Target, double Width, Pinch? Pinch, Access Access)
{
    public bool Holds => Tolerance.Meets(Width, Target.Needed);

    /// <summary>Of some ways that which misses its needed width by most, or holds it by least: the one that tallies tell and sheets draw.</summary>
    public static Way? NarrowestOf(IEnumerable<Way> ways) => ways.MinBy(way => (way.Width / way.Target.Needed, way.Target.OwnerId));
}

/// <summary>Where people come from. The way up to here is as wide as Width (mm, endless far outside); Pinch is what made it so.</summary>
public readonly record struct WaySource(Point At, double Width = double.PositiveInfinity, Pinch? Pinch = null);

/// <summary>One thing of a scene: what of it stands in the way, and what people must get to. The same object for as long as it has not changed.</summary>
/// <param name="IsRoom">Whether its targets are rooms as such, which are no ways to tell of.</param>
public sealed record ScenePart(ImmutableArray<Obstacle> Obstacles, ImmutableArray<Target> Targets, bool IsRoom = false)
{
    /// <summary>Round all its obstacles, grown.</summary>
    internal Bounds Box { get; } = Obstacles.Aggregate(Bounds.Empty, (box, obstacle) => box.Including(obstacle.Grown.Bounds));
}

/// <summary>Everything a walkway question is asked about, thing by thing.</summary>
public sealed class WalkwayScene
{
    private readonly Lazy<ImmutableArray<Obstacle>> obstacles;
    private readonly Lazy<ImmutableArray<Target>> targets;

    public WalkwayScene(ImmutableArray<ScenePart> parts, ImmutableArray<WaySource> sources, ImmutableArray<Landing> landings)
    {
        (Parts, Sources, Landings) = (parts, sources, landings);
        Box = parts.Aggregate(Bounds.Empty, (box, part) => box.Including(part.Box));
        obstacles = new(() => [.. parts.SelectMany(part => part.Obstacles)]);
        targets = new(() => [.. parts.Where(part => !part.IsRoom).SelectMany(part => part.Targets)]);
    }

    public WalkwayScene(ImmutableArray<Obstacle> obstacles, ImmutableArray<WaySource> sources, ImmutableArray<Target> targets)
        : this([new ScenePart(obstacles, targets)], sources, []) { }

    public ImmutableArray<ScenePart> Parts { get; }
    public ImmutableArray<WaySource> Sources { get; }
    public ImmutableArray<Landing> Landings { get; }

    public ImmutableArray<Obstacle> Obstacles => obstacles.Value;

    /// <summary>All that people must get to, rooms as such left out.</summary>
    public ImmutableArray<Target> Targets => targets.Value;

    /// <summary>Round all its obstacles, grown.</summary>
    internal Bounds Box { get; }

    /// <summary>Where each part stands in an earlier scene; -1 where it does not. Both are in the same order but for what changed.</summary>
    internal int[] PlacesIn(WalkwayScene before)
    {
        var (was, now) = (before.Parts, Parts);
        var places = new int[now.Length];
        var (from, ends) = (0, 0);
        while (from < was.Length && from < now.Length && ReferenceEquals(was[from], now[from]))
            places[from] = from++;
        while (ends < was.Length - from && ends < now.Length - from && ReferenceEquals(was[^(ends + 1)], now[^(ends + 1)]))
        {
            ends++;
            places[^ends] = was.Length - ends;
        }
        var between = new Dictionary<ScenePart, int>(was.Length - ends - from, ReferenceEqualityComparer.Instance);
        for (var i = from; i < was.Length - ends; i++)
            between[was[i]] = i;
        for (var i = from; i < now.Length - ends; i++)
            places[i] = between.GetValueOrDefault(now[i], -1);
        return places;
    }
}
