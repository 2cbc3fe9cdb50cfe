using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// One convex thing a person cannot walk through. The true shape decides every width; the grown one, pushed out by
/// 0.05 mm with up to a tenth more or less by its name, only decides the order of things that touch or lie exactly in line.
/// </summary>
public sealed class Obstacle
{
    private const double Growth = 0.05;

    /// <summary>The entity it belongs to.</summary>
    public string OwnerId { get; }

    /// <summary>What people call it: "Table 8", "Wall", "Column".</summary>
    public string Name { get; }
    public Convex Shape { get; }
    public Convex Grown { get; }
    internal Rim Rim { get; }

    public Obstacle(string ownerId, string name, string part, Convex shape)
    {
        OwnerId = ownerId;
        Name = name;
        Shape = shape;
        Grown = shape.Grown(Growth * (1 + 0.1 * Spread(ownerId, part)));
        Rim = new Rim(Grown);
    }

    /// <summary>A repeatable figure in [-1, 1) from a name.</summary>
    private static double Spread(string ownerId, string part)
    {
        var hash = 2166136261u;
        foreach (var c in ownerId)
            hash = (hash ^ c) * 16777619;
        hash = (hash ^ '/') * 16777619;
        foreach (var c in part)
            hash = (hash ^ c) * 16777619;
        hash ^= hash >> 15;
        hash *= 2246822519u;
        hash ^= hash >> 13;
        return hash / 2147483648.0 - 1;
    }
}
