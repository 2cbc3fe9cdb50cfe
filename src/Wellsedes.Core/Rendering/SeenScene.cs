using System.Globalization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>A face where it is in space, in mm; its normal looks outward.</summary>
/// <param name="Instance">What it belongs to: between faces of one thing that meet flatly no edge is drawn.</param>
/// <param name="Owner">The entity it is of; "" for none.</param>
public readonly record struct SeenFace(Point3[] Corners, Point3 Normal, int Instance, Tone Tone, Surface Surface, string Owner)
{
    /// <summary>The picture on it, where it lies in space seen from above; null for none.</summary>
    internal SeenPixels? Laid { get; init; }
}

/// <summary>Red, green and blue from 0 to 1, as seen.</summary>
public readonly record struct Tone(float Red, float Green, float Blue)
{
    /// <param name="hex">As #RRGGBB, or #RRGGBBAA of which the last is left out.</param>
    public static Tone Of(ReadOnlySpan<char> hex) => new(Part(hex[1..3]), Part(hex[3..5]), Part(hex[5..7]));

    private static float Part(ReadOnlySpan<char> two) => byte.Parse(two, NumberStyles.HexNumber, CultureInfo.InvariantCulture) / 255f;
}

/// <summary>A line in space, in mm, and how much ink it has.</summary>
public readonly record struct SeenLine(Point3 From, Point3 To, float Ink);

/// <summary>All faces that may be seen from a viewpoint, and those that stand in the way of light.</summary>
/// <param name="Lines">The edges of what was taken off walls that are cut low, and what is drawn on floors.</param>
public sealed record SeenScene(IReadOnlyList<SeenFace> Faces, IReadOnlyList<SeenFace> Shading, IReadOnlyList<SeenLine> Lines, double Ground)
{
    /// <summary>Higher than this above the floor, in mm, one looks over walls: near ones are cut.</summary>
    private const double LooksOver = 2000;

    /// <summary>All floors are one thing: no edge is drawn where two rooms meet.</summary>
    private const int Floors = 0;

    private const float TakenOff = 0.35f;
    private const float Drawn = 0.6f;
    private const float Joint = 0.16f;

    /// <param name="pictures">Reads pictures that lie on floors and things; without, these are in their own tone.</param>
    public static SeenScene Of(PlanModel model, Viewpoint from, Camera camera, IPictureReader? pictures = null)
    {
        var levels = from.Shows.AllLevels ? [.. model.Levels] : model.Levels.Where(level => level.LevelId == from.LevelId).ToArray();
        var kinds = model.Kinds.ToDictionary(
            kind => kind.Key,
            kind => (kind.Laid, Faces: kind.Faces.Select(face => (face, face.Normal)).ToArray())
        );
        List<SeenFace> seen = [];
        List<SeenFace> shading = [];
        List<SeenLine> lines = [];
        var instance = Floors;
        foreach (var level in levels)
        {
            var cuts = !from.Shows.Inside && camera.Eye.Z - level.Elevation > LooksOver;
            foreach (var part in level.Shell)
            {
                instance++;
                var own = part.Surface == Surface.Floor ? Floors : instance;
                var laid = SeenPixels.Of(part.Laid, pictures);
                SeenFace Standing(ModelFace face) => Placed(face, face.Normal, default, level.Elevation, own, part.Id, part.Tint, laid);
                SeenFace[] whole = [.. part.Faces.Select(Standing)];
                shading.AddRange(whole);
                var isCut = cuts && !part.Low.IsEmpty && part.StandsBefore(camera.Eye, level.Middle);
                if (part.Surface != Surface.Ceiling || from.Shows.Inside)
                    seen.AddRange(isCut ? part.Low.Select(Standing) : whole);
                if (isCut)
                    lines.AddRange(part.Outline.Select(line => new SeenLine(Up(line.From), Up(line.To), TakenOff)));
            }
            lines.AddRange(level.Lines.Select(line => new SeenLine(Up(line.From), Up(line.To), line.IsHeavy ? Drawn : Joint)));
            foreach (var node in level.Nodes)
            {
                instance++;
                var (picture, faces) = kinds[node.Kind];
                var laid = SeenPixels.Of(picture?.At(node.At), pictures);
                foreach (var (face, normal) in faces)
                {
                    var placed = Placed(face, normal, node.At, node.Z + level.Elevation, instance, node.ItemId, node.Tint, laid);
                    seen.Add(placed);
                    shading.Add(placed);
                }
            }
            Point3 Up(Point3 p) => p with { Z = p.Z + level.Elevation };
        }
        var ground = levels.Length == 0 ? 0 : levels.Min(level => level.Elevation);
        return new SeenScene(seen, shading, lines, ground);
    }

    private static SeenFace Placed(
        ModelFace face,
        Point3 normal,
        Placement at,
        double up,
        int instance,
        string owner,
        string? tint,
        SeenPixels? laid
    )
    {
        var (sin, cos) = Math.SinCos(at.Rotation * Math.PI / 180);
        Point3 Turned(Point3 p) => new(p.X * cos - p.Y * sin, p.X * sin + p.Y * cos, p.Z);
        var corners = new Point3[face.Corners.Length];
        for (var i = 0; i < corners.Length; i++)
            corners[i] = Turned(face.Corners[i]) + new Point3(at.X, at.Y, up);
        return new SeenFace(corners, Turned(normal), instance, ToneOf(face, tint), face.Surface, owner)
        {
            Laid = LaidPicture.IsOn(normal) ? laid : null,
        };
    }

    private static Tone ToneOf(ModelFace face, string? tint) =>
        Tone.Of(tint is not null && Tones.IsTinted(face.Surface) ? tint : face.Seen);
}
