using System.Collections.Immutable;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.SolidModel;

/// <summary>What the walls around a room are finished in: a thin sheet before each, as far as the room reaches, cut low together with its wall.</summary>
internal static class WallSheets
{
    /// <summary>How thick a sheet is, in mm.</summary>
    private const double Thick = 3;

    /// <summary>So far before a wall is the room that it is asked of, in mm.</summary>
    private const double Before = 30;

    public static IEnumerable<ShellPart> Of(Plan plan, string schemeId, LevelSpace space, IReadOnlyCollection<ShellPart> walls)
    {
        foreach (var (finish, room) in Finishes.OfRoomWalls(plan, schemeId, space))
        foreach (var wall in walls)
            yield return wall with
            {
                Id = finish.Id,
                Name = "Finish",
                Faces = Sheets(wall.Faces, room),
                Low = Sheets(wall.Low, room),
                Outline = [],
                Tint = finish.Tint,
            };
    }

    private static ImmutableArray<ModelFace> Sheets(IEnumerable<ModelFace> wall, Region room)
    {
        var sheets = ImmutableArray.CreateBuilder<ModelFace>();
        foreach (var face in wall)
        {
            var out3 = face.Normal;
            if (Math.Abs(out3.Z) > 0.01)
                continue;
            var normal = new Point(out3.X, out3.Y);
            var (low, high) = (face.Corners.Min(p => p.Z), face.Corners.Max(p => p.Z));
            // Upright and four-cornered: its foot runs along the wall.
            var foot = face.Corners.Where(p => p.Z < low + Tolerance.Length).Select(p => new Point(p.X, p.Y)).ToArray();
            if (foot.Length != 2)
                continue;
            var before = normal * Before;
            foreach (var (from, to) in room.Within(foot[0] + before, foot[1] + before))
            {
                var (a, b, off) = (from - before, to - before, normal * Thick);
                Point3[] At(double z) => [Point3.Over(a, z), Point3.Over(a + off, z), Point3.Over(b + off, z), Point3.Over(b, z)];
                var isLeft = (b - a).Cross(off) > 0;
                Point3[] Turned(double z) => isLeft ? [.. At(z).Reverse()] : At(z);
                sheets.AddRange(Solids.Hexahedron(Turned(low), Turned(high), Surface.Wall));
            }
        }
        return sheets.ToImmutable();
    }
}
