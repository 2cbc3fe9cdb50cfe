using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;

namespace Wellsedes.Core.SolidModel;

/// <summary>What a face is of: it decides its tone.</summary>
public enum Surface
{
    Body,
    Top,
    Leg,
    Seat,
    Back,
    Cushion,
    Front,
    Glass,
    Metal,
    Display,
    Bedding,
    Ceramic,
    Leaf,
    Person,
    Wall,
    Floor,
    Ceiling,
    Column,
    Step,
    Door,

    /// <summary>Where a wall ends above, or is cut.</summary>
    Cut,

    /// <summary>What is written on a floor or a sign.</summary>
    Lettering,

    /// <summary>What is marked on a floor: a finding, a way that holds, a way that does not.</summary>
    Finding,
    Way,
    Pinch,
}

/// <summary>A flat convex face, its corners counter-clockwise seen from outside, in mm.</summary>
/// <param name="Tone">Its own tone as #RRGGBB, where it was brought in with one; null for that of its surface.</param>
public sealed record ModelFace(Surface Surface, ImmutableArray<Point3> Corners, string? Tone = null)
{
    /// <summary>The tone it is seen in.</summary>
    public string Seen => Tone ?? Tones.Of(Surface);

    /// <summary>Outward, as long as one (Newell's sum, which a corner on a straight side does not mislead).</summary>
    public Point3 Normal
    {
        get
        {
            var sum = default(Point3);
            for (var i = 0; i < Corners.Length; i++)
                sum += Corners[i].Cross(Corners[(i + 1) % Corners.Length]);
            return sum.Unit();
        }
    }

    /// <summary>As triangles from its first corner; each three indices into its corners.</summary>
    public IEnumerable<(int A, int B, int C)> Triangles()
    {
        for (var i = 1; i + 1 < Corners.Length; i++)
            yield return (0, i, i + 1);
    }

    /// <summary>The surface of a part of an item.</summary>
    public static Surface Of(PrismRole role) => Enum.Parse<Surface>(role.ToString());
}
