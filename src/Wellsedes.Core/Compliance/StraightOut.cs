using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Compliance;

/// <summary>How far it is from an edge straight out to a shape, over a strip of floor: what stands beside the strip does not count, however near it comes.</summary>
internal static class StraightOut
{
    /// <summary>A distance is found to this, in mm, where the shape is not square to the strip.</summary>
    private const double Fine = 0.005;

    /// <param name="strip">The floor from one distance to another, in mm from the edge.</param>
    /// <param name="farthest">Farther than this, in mm, nothing is looked for.</param>
    /// <returns>In mm, or null where the shape is not on the strip.</returns>
    public static double? To(Convex shape, Func<double, double, Convex> strip, double farthest)
    {
        bool IsOn(double far) => Gap.Between(shape, strip(Tolerance.Length, far)).Width < -Tolerance.Length;
        if (!IsOn(farthest))
            return null;
        // It is no nearer than the shape is to the edge, and most often as near.
        var (near, far) = (Math.Max(0, Gap.Between(strip(-Tolerance.Length, 0), shape).Width), farthest);
        if (near + 4 * Tolerance.Length >= farthest || IsOn(near + 4 * Tolerance.Length))
            return near;
        while (far - near > Fine)
        {
            var middle = (near + far) / 2;
            (near, far) = IsOn(middle) ? (near, middle) : (middle, far);
        }
        return near;
    }
}
