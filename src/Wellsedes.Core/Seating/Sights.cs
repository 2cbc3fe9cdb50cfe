using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Seating;

/// <summary>What people seated in an area may look at.</summary>
/// <param name="Name">"the stage", "Lectern 1", "the wall of 8 400 mm".</param>
/// <param name="Facing">The direction in which they look then, in degrees counter-clockwise from the right of the plan.</param>
public sealed record Sight(string Name, double Facing);

/// <summary>Finds what may be looked at from an area: stages, lecterns, screens, boards and pianos in its rooms, and walls that stand askew.</summary>
public static class Sights
{
    /// <summary>Makers of what an audience looks at, but for stages.</summary>
    private static readonly HashSet<string> Makers = ["lectern", "projection-screen", "display", "board", "piano"];
    private static readonly HashSet<string> Stages = ["stage-deck", "stage"];

    /// <summary>Rows stay along the sides of an area where what is looked at lies no farther off square to one, in degrees; common practice.</summary>
    private const double Askew = 30;

    /// <summary>People sit round what is nearer to the middle than this, in mm.</summary>
    private const double Near = 500;

    /// <summary>Shorter sides are no wall to look at, in mm.</summary>
    private const double LeastWall = 2000;
    private const int MostWalls = 4;

    /// <summary>Rows stay along a side of an area where a point that is pressed lies no farther off square to it, in degrees: nobody presses nearer than so.</summary>
    private const double Nearly = 2;

    public static readonly Problem TooNear = new(
        "x",
        "The point lies in the middle of the area: people would sit round it. Press one farther off, or choose circles."
    );

    /// <summary>What is asked, looking to a point, curved rows about it as far as they can; null where it lies in the middle.</summary>
    /// <param name="areas">The floor that is to be seated.</param>
    public static SeatsAsked? LookingTo(SeatsAsked asked, IEnumerable<Region> areas, LevelSpace space, Point at)
    {
        var indoors = SeatingArea.Indoors([.. areas], [.. space.Rooms.Select(room => room.Outline)]);
        if (indoors.MaxBy(one => one.Area) is not { } area || at.DistanceTo(area.Centroid) <= Near)
            return null;
        var facing = FacingTo(area, at, Nearly);
        var towards = Point.At(facing);
        var off = SeatingArea.FrontOf(indoors, area.Centroid, towards);
        var before = (at - area.Centroid).Dot(towards) - off;
        return asked.Style == SeatingStyle.CurvedRows
            ? asked with
            {
                Facing = facing,
                Focus = Math.Round(Math.Clamp(before, 0, SeatsAsked.MostGap)),
            }
            : asked with
            {
                Facing = facing,
            };
    }

    /// <param name="areas">The floor that is to be seated.</param>
    /// <param name="items">What stands on the level.</param>
    public static ImmutableArray<Sight> Of(
        IReadOnlyCollection<Region> areas,
        LevelSpace space,
        IEnumerable<PlacedItem> items,
        UnitSystem units
    )
    {
        if (areas.Count == 0)
            return [];
        var area = areas.MaxBy(one => one.Area)!;
        Region[] rooms =
        [
            .. space.Rooms.Select(room => room.Outline).Where(room => room.Holds(area.Centroid) || area.Outline.Any(room.Holds)),
        ];
        PlacedItem[] here =
        [
            .. items.Where(item => !item.Item.SetAside && Array.Exists(rooms, room => room.Holds(item.Item.Placement.Origin))),
        ];
        var stages = Polygons.Union(here.Where(item => Stages.Contains(item.Kind.Maker)).SelectMany(item => item.Solids));
        var things = stages
            .Select(stage => (Name: "the stage", At: stage.Centroid))
            .Concat(
                here.Where(item => Makers.Contains(item.Kind.Maker) && item.Kind.Kind != CatalogueKind.Screens)
                    .Select(item => (item.Name, At: item.Item.Placement.Origin))
            );
        var walls = WallsOf(area)
            .Where(wall => Math.Abs(Math.IEEERemainder(wall.Facing, 90)) > 0.05)
            .OrderByDescending(wall => wall.Length)
            .Take(MostWalls)
            .Select(wall => new Sight($"the wall of {LengthText.Tell(wall.Length, units)}", Told(wall.Facing)));
        return
        [
            .. things
                .Where(thing => thing.At.DistanceTo(area.Centroid) > Near)
                .Select(thing => new Sight(thing.Name, FacingTo(area, thing.At, Askew)))
                .Concat(walls)
                .Distinct(),
        ];
    }

    /// <summary>Square to the side of the area it lies nearly before, else straight to it.</summary>
    private static double FacingTo(Region area, Point at, double askew)
    {
        var straight = Angles.Of(at - area.Centroid);
        double Off(double facing) => Angles.Apart(facing, straight);
        return Told(WallsOf(area).Select(wall => wall.Facing).Where(facing => Off(facing) <= askew).OrderBy(Off).FirstOrDefault(straight));
    }

    /// <summary>An outline's sides with the directions out of it, each at least as long as a wall.</summary>
    private static IEnumerable<(double Length, double Facing)> WallsOf(Region area)
    {
        var outward = Region.SignedArea(area.Outline) > 0 ? -90 : 90;
        return Region
            .SidesOf(area.Outline)
            .Select(side => (Length: side.From.DistanceTo(side.To), Facing: Angles.Of(side.To - side.From) + outward))
            .Where(wall => wall.Length >= LeastWall);
    }

    private static double Told(double facing) => Math.Round(AngleText.Normal(facing), 1) % 360;
}
