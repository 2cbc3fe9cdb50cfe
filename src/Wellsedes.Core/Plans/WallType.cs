using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

public enum WallKind
{
    Masonry,
    Stud,
    HalfHeight,
    Glass,
    Movable,
}

/// <summary>A wall type of this plan, beside the ones every plan offers. Thickness and height in mm.</summary>
public sealed record WallType(string Id, string Name, WallKind Kind, double Thickness, double Height) : Entity(Id);
