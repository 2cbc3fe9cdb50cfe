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

/// <summary>Everything a walkway question is asked about.</summary>
public sealed record WalkwayScene(ImmutableArray<Obstacle> Obstacles, ImmutableArray<Point> Sources, ImmutableArray<Target> Targets);
