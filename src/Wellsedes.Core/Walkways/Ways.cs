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
}

/// <summary>A point on a thing's side from which it is used, and the direction away from the thing.</summary>
public readonly record struct Access(Obstacle? On, Point At, Point Outward);

/// <summary>Something people must get to; any one of its access points will do.</summary>
/// <param name="Index">Which seat of its owner, from 0; 0 otherwise.</param>
/// <param name="Needed">Required clear width in mm.</param>
public sealed record Target(string OwnerId, string Name, TargetKind Kind, int Index, double Needed, ImmutableArray<Access> Access);

/// <summary>
/// The widest way to a target: the diameter of the largest disc that can travel there from an entrance. Width is 0
/// and Pinch null when there is no way at all.
/// </summary>
public sealed record Way(Target Target, double Width, Pinch? Pinch, Access Access)
{
    public bool Holds => Tolerance.Meets(Width, Target.Needed);
}

/// <summary>Where people come from. The way up to here is as wide as Width (mm, endless at a door to the outside); Pinch is what made it so.</summary>
public readonly record struct WaySource(Point At, double Width = double.PositiveInfinity, Pinch? Pinch = null);

/// <summary>Everything a walkway question is asked about.</summary>
public sealed record WalkwayScene(ImmutableArray<Obstacle> Obstacles, ImmutableArray<WaySource> Sources, ImmutableArray<Target> Targets);
