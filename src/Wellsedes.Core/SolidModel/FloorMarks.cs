using System.Collections.Immutable;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.SolidModel;

/// <summary>A line on the floor, in mm; those that somebody drew to be seen are heavy.</summary>
public readonly record struct ModelLine(Point3 From, Point3 To, bool IsHeavy);

/// <summary>What lies on the floor of a level: what it is laid with, what is drawn on it, what needs attention there.</summary>
internal static class FloorMarks
{
    /// <summary>How high above each other layers lie, in mm, so that each is seen.</summary>
    private const double Layer = 3;

    /// <summary>A way is shown so wide, and what is found stands so high, in mm.</summary>
    private const double WayWide = 90;
    private const double PinHigh = 1900;

    /// <summary>The floor of rooms and zones in its finish.</summary>
    public static IEnumerable<ShellPart> Finished(Plan plan, string schemeId, LevelSpace space)
    {
        foreach (var (finish, region) in Finishes.FloorsOf(plan, schemeId, space))
            yield return new ShellPart(finish.Id, "Finish", Surface.Floor, Solids.Slab(region, 0, Layer, Surface.Floor))
            {
                Tint = finish.Tint,
                Laid = Finishes.LaidOf(finish, region) is { } place ? new LaidPicture(place, finish.Opacity) : null,
            };
    }

    /// <summary>Tinted areas of zones and marks.</summary>
    public static IEnumerable<ShellPart> Tinted(IEnumerable<Thing> things)
    {
        foreach (var thing in things)
            if (thing.Parts().FirstOrDefault(part => part.Role == ThingRole.Tinted) is { } tinted)
                yield return new ShellPart(
                    thing.Id,
                    thing.Called(),
                    Surface.Floor,
                    [.. thing.Areas().SelectMany(area => Solids.Slab(area, Layer, 2 * Layer, Surface.Floor))]
                )
                {
                    Tint = Tints.Told(tinted.Tint).Value,
                };
    }

    /// <summary>The joints of floors, and what is drawn on them.</summary>
    public static IEnumerable<ModelLine> Lines(Plan plan, string schemeId, LevelSpace space, IEnumerable<Thing> things)
    {
        foreach (var joints in Finishes.OfShell(plan, schemeId, space).Where(finish => !finish.OnWall).Select(finish => finish.Joints))
            if (joints is not null)
                foreach (var line in LinesOf(joints, false))
                    yield return line;
        foreach (var part in things.Where(thing => thing.HangsAt() is null).SelectMany(thing => thing.Parts()))
            if (part.Role is ThingRole.Line or ThingRole.Heavy or ThingRole.Body)
                foreach (var line in LinesOf(part.Path, part.Role == ThingRole.Heavy))
                    yield return line;
    }

    private static IEnumerable<ModelLine> LinesOf(PathShape path, bool isHeavy)
    {
        var up = isHeavy ? 3 * Layer : 2.5 * Layer;
        foreach (var run in Dashes.Flatten(path))
            for (var i = 0; i + 1 < run.Count; i++)
                yield return new ModelLine(Point3.Over(run[i], up), Point3.Over(run[i + 1], up), isHeavy);
    }

    /// <summary>A pin where each finding is, and a strip across what was measured.</summary>
    public static IEnumerable<ShellPart> Found(IEnumerable<Finding> findings)
    {
        foreach (var finding in findings.Where(finding => !finding.At.IsEmpty))
        {
            var surface = finding.Weight == FindingWeight.Must ? Surface.Finding : Surface.Pinch;
            var (from, to) = (finding.At[0], finding.At[^1]);
            var middle = Point.Middle(from, to);
            ImmutableArray<ModelFace> faces =
            [
                .. Solids.Upright(Convex.Disc(middle, 30), 0, PinHigh - 300, surface),
                .. Solids.Upright(Convex.Disc(middle, 150), PinHigh - 300, PinHigh, surface),
                .. from.DistanceTo(to) > 1 ? StripOf([from, to], surface) : [],
            ];
            yield return new ShellPart(finding.Id, finding.Title, surface, faces);
        }
    }

    /// <summary>A way as a strip along its line.</summary>
    public static ShellPart? Way(ShownWay way)
    {
        var surface = way.Holds ? Surface.Way : Surface.Finding;
        var faces = StripOf(way.Line, surface);
        return faces.IsEmpty ? null : new ShellPart("", way.Name, surface, faces);
    }

    private static ImmutableArray<ModelFace> StripOf(ImmutableArray<Point> line, Surface surface)
    {
        var faces = ImmutableArray.CreateBuilder<ModelFace>();
        for (var i = 0; i + 1 < line.Length; i++)
        {
            var (from, to) = (line[i], line[i + 1]);
            if (from.DistanceTo(to) < 1)
                continue;
            var side = (to - from).Unit().Left() * (WayWide / 2);
            faces.AddRange(Solids.Upright(Convex.Polygon([from - side, to - side, to + side, from + side]), 3 * Layer, 4 * Layer, surface));
        }
        return faces.ToImmutable();
    }
}
