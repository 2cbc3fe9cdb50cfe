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

    private readonly uint key;
    private readonly string part;

    public Obstacle(string ownerId, string name, string part, Convex shape)
    {
        OwnerId = ownerId;
        Name = name;
        Shape = shape;
        this.part = part;
        key = KeyOf(ownerId, part);
        Grown = shape.Grown(Growth * (1 + 0.1 * (key / 2147483648.0 - 1)));
        Rim = new Rim(Grown);
    }

    /// <summary>
    /// The order in which obstacles are looked at: one that follows from their names alone, so that what is found does not depend
    /// on what stood there before.
    /// </summary>
    public static int InOrder(Obstacle one, Obstacle other)
    {
        var order = one.key.CompareTo(other.key);
        if (order != 0 || one == other)
            return order;
        order = string.CompareOrdinal(one.OwnerId, other.OwnerId);
        if (order == 0)
            order = string.CompareOrdinal(one.part, other.part);
        // Two of one name are only met where somebody made them by hand.
        return order != 0 ? order : Corner(one).CompareTo(Corner(other));

        static (double, double) Corner(Obstacle obstacle) => (obstacle.Shape.Bounds.MinX, obstacle.Shape.Bounds.MinY);
    }

    /// <summary>A repeatable number from a name.</summary>
    private static uint KeyOf(string ownerId, string part)
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
        return hash;
    }
}
