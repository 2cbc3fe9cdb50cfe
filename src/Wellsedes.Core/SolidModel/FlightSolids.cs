using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.SolidModel;

/// <summary>Stairs with treads and handrails, and ramps, in their own frame: going up towards +y from their foot.</summary>
internal static class FlightSolids
{
    /// <summary>How thick treads, with what carries them, and ramps are, in mm; common practice.</summary>
    private const double Thick = 200;

    /// <summary>Handrails lie so far above the steps, in mm; common practice.</summary>
    private const double Rail = 900;
    private const double RailWide = 50;

    public static ImmutableArray<ModelFace> Of(Flight flight)
    {
        var (x, y) = (flight.Width / 2, flight.Depth / 2);
        var faces = ImmutableArray.CreateBuilder<ModelFace>();
        if (flight.Kind == FlightKind.Ramp)
            faces.AddRange(Sloped(-x, x, 0));
        else
            for (var i = 0; i < flight.Risers; i++)
            {
                // The last riser leads onto the floor above: its tread is that floor.
                var going = flight.Depth / Math.Max(1, flight.Risers - 1);
                var (near, top) = (-y + i * going, flight.Rise * (i + 1) / flight.Risers);
                if (i == flight.Risers - 1)
                    break;
                var box = Convex.Rectangle(new Point(0, near + going / 2), flight.Width, going);
                faces.AddRange(Solids.Upright(box, Math.Max(0, top - Thick), top, Surface.Step));
            }
        foreach (var side in (int[])[-1, 1])
            faces.AddRange(
                Sloped(side * x - (side > 0 ? RailWide : 0), side * x + (side > 0 ? 0 : RailWide), Rail, RailWide, Surface.Metal)
            );
        return faces.ToImmutable();

        // Between two sides, from foot to head, so far above the line of the steps.
        ImmutableArray<ModelFace> Sloped(double left, double right, double above, double thick = Thick, Surface surface = Surface.Step)
        {
            Point3[] Plane(double low, double high) => [new(left, -y, low), new(right, -y, low), new(right, y, high), new(left, y, high)];
            return Solids.Hexahedron(Plane(above - thick, flight.Rise + above - thick), Plane(above, flight.Rise + above), surface);
        }
    }
}
