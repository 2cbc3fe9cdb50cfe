using System.Collections.Immutable;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.SolidModel;

/// <summary>What is written at true size: on the floor, or on the plate of a sign that lies on it or hangs on a wall.</summary>
internal static class Written
{
    /// <summary>Above what else is drawn on the floor; letters on plates stand before them, both in mm.</summary>
    private const double AboveFloor = 9;
    private const double Thick = 3;
    private const double Plate = 20;

    /// <summary>A sign hangs on the wall behind it when that is no farther than this, in mm; else it hangs in the air where it is.</summary>
    private const double NearWall = 1500;

    /// <summary>More letters on a level than this are not built.</summary>
    private const int MostLetters = 2000;

    public static IEnumerable<ShellPart> On(LevelSpace space, IEnumerable<Thing> things, UnitSystem units, ILettering lettering)
    {
        var left = MostLetters;
        foreach (var thing in things)
        foreach (var text in thing.Texts(units).Where(text => text.Size > 0))
            if ((left -= text.Text.Length) >= 0)
                yield return new ShellPart(thing.Id, thing.Called(), Surface.Lettering, Of(thing, text, space, lettering));
    }

    private static ImmutableArray<ModelFace> Of(Thing thing, ThingText text, LevelSpace space, ILettering lettering)
    {
        var letters = lettering.Letters(text.Text, text.Size);
        if (thing.HangsAt() is not { } up)
            return
            [
                .. letters
                    .SelectMany(letter => Solids.Slab(letter, AboveFloor, AboveFloor + Thick, Surface.Lettering))
                    .At(new Placement(text.At.X, text.At.Y, text.Rotation), 0),
            ];
        ModelFace[] sign =
        [
            .. Solids.Upright(Convex.Rectangle(default, thing.Width, thing.Depth), 0, Plate, Surface.Body),
            .. letters.SelectMany(letter => Solids.Slab(letter, Plate, Plate + Thick, Surface.Lettering)),
        ];
        var at = thing.Placement.Out(new Point(0, BehindOf(thing, space)));
        // Stood up about its own x axis: what looked up looks at who reads it.
        return
        [
            .. sign.Select(face => face with { Corners = [.. face.Corners.Select(p => new Point3(p.X, -p.Z, p.Y))] })
                .At(thing.Placement with { X = at.X, Y = at.Y }, up),
        ];
    }

    /// <summary>How far behind its middle the face of the wall is that it hangs on, in mm; 0 where none is near.</summary>
    private static double BehindOf(Thing sign, LevelSpace space)
    {
        var (from, way) = (sign.Placement.Origin, sign.Placement.Turned(new Point(0, 1)));
        var best = double.PositiveInfinity;
        foreach (var body in space.Bodies.Values)
        {
            var wall = body.Wall;
            var along = (wall.End - wall.Start).Unit();
            var facing = way.Cross(along);
            // Square to it but for a little.
            if (Math.Abs(facing) < 0.9)
                continue;
            var far = (wall.Start - from).Cross(along) / facing;
            var foot = (from + way * far - wall.Start).Dot(along);
            var face = far - wall.Thickness / 2 / Math.Abs(facing);
            if (foot >= 0 && foot <= wall.Length && far > -wall.Thickness && face <= NearWall)
                best = Math.Min(best, face);
        }
        return double.IsFinite(best) ? best : 0;
    }
}
