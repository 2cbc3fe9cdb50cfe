using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Tests.SolidModel;

/// <summary>Walls cut by openings, floors with voids, stairs, and items where they stand.</summary>
public sealed class PlanModelTests
{
    /// <summary>Over random openings, overlapping ones too: what is left of a wall is its body less the union of what is cut out of it.</summary>
    [Fact]
    public void A_wall_holds_what_its_openings_leave()
    {
        var random = new Random(5);
        for (var n = 0; n < 2000; n++)
        {
            var (length, height, thick) = (
                2000 + 6000 * random.NextDouble(),
                2400 + 1600 * random.NextDouble(),
                80 + 300 * random.NextDouble()
            );
            var at = Point.At(360 * random.NextDouble());
            var wall = new Wall("w", "l", new Point(500, -200), new Point(500, -200) + at * length, thick, height, "");
            Opening[] openings =
            [
                .. Enumerable
                    .Range(0, random.Next(5))
                    .Select(i => new Opening(
                        $"o{i}",
                        "w",
                        OpeningKind.Window,
                        length * random.NextDouble(),
                        300 + 1500 * random.NextDouble(),
                        0,
                        300 + 2000 * random.NextDouble(),
                        random.Next(2) * 900 * random.NextDouble(),
                        OpeningMark.None,
                        false,
                        false,
                        ""
                    )),
            ];
            var side = at.Left() * (thick / 2);
            var body = new WallBody(
                wall,
                new WallEnd(wall.Start + side, wall.Start - side, wall.Start, false, null),
                new WallEnd(wall.End + side, wall.End - side, wall.End, false, null)
            );
            var faces = WallSolids.Of(body, openings);
            Assert.True(SolidTests.IsClosed(faces));
            Assert.Equal((length * height - CutOut(openings, length, height)) * thick, SolidTests.Volume(faces), 1);
        }
    }

    /// <summary>The area of rectangles together, by counting each cell between all their ends once.</summary>
    private static double CutOut(Opening[] openings, double length, double height)
    {
        double Along(double x) => Math.Clamp(x, 0, length);
        double Up(double z) => Math.Clamp(z, 0, height);
        double[] xs = [.. openings.SelectMany(o => (double[])[Along(o.From), Along(o.To)]).Distinct().Order()];
        double[] zs = [.. openings.SelectMany(o => (double[])[Up(o.Sill), Up(o.Sill + o.Height)]).Distinct().Order()];
        var area = 0.0;
        for (var i = 0; i + 1 < xs.Length; i++)
        for (var j = 0; j + 1 < zs.Length; j++)
        {
            var (x, z) = ((xs[i] + xs[i + 1]) / 2, (zs[j] + zs[j + 1]) / 2);
            if (Array.Exists(openings, o => o.From < x && o.To > x && o.Sill < z && o.Sill + o.Height > z))
                area += (xs[i + 1] - xs[i]) * (zs[j + 1] - zs[j]);
        }
        return area;
    }

    [Fact]
    public void A_floor_holds_its_area_and_is_open_over_a_stair_that_arrives()
    {
        Region room = new([new(0, 0), new(8000, 0), new(8000, 6000), new(4000, 6000), new(4000, 3000), new(0, 3000)], []);
        var slab = Solids.Slab(room, -300, 0, Surface.Floor);
        Assert.True(SolidTests.IsClosed(slab));
        Assert.Equal(36e6 * 300, SolidTests.Volume(slab), 1);
        var open = Polygons.Difference(room, [Convex.Rectangle(new Point(5500, 1500), 1000, 2000)]).Single();
        var holed = Solids.Slab(open, -300, 0, Surface.Floor);
        Assert.True(SolidTests.IsClosed(holed));
        Assert.Equal(34e6 * 300, SolidTests.Volume(holed), 1);
    }

    [Theory]
    [InlineData(FlightKind.Stair)]
    [InlineData(FlightKind.Ramp)]
    public void A_flight_goes_from_floor_to_floor_with_a_handrail_on_each_side(FlightKind kind)
    {
        var flight = new Flight("f", "l", kind, 0, 0, 0, 1000, 3900, 2800, 16);
        var faces = FlightSolids.Of(flight);
        Assert.True(SolidTests.IsClosed(faces));
        var steps = faces.Where(face => face.Surface == Surface.Step).SelectMany(face => face.Corners).ToArray();
        // Of a stair the floor above is the last step.
        Assert.Equal(kind == FlightKind.Stair ? 2800 * 15 / 16.0 : 2800, steps.Max(p => p.Z), 0.01);
        Assert.Equal(-1950, steps.Min(p => p.Y), 0.01);
        Assert.Equal(1950, steps.Max(p => p.Y), 0.01);
        var rails = faces.Where(face => face.Surface == Surface.Metal).SelectMany(face => face.Corners).ToArray();
        Assert.Equal(3700, rails.Max(p => p.Z), 0.01);
        Assert.Equal([-500, 500], new[] { rails.Min(p => p.X), rails.Max(p => p.X) });
    }

    [Fact]
    public void Items_and_the_chairs_at_them_stand_where_the_plan_has_them_each_look_once()
    {
        var sample = new Sample().Room(12_000, 9000).Door();
        sample
            .Place("a", "round-table-1525", 3000, 4000, 30)
            .Place("b", "round-table-1525", 8000, 4000)
            .Place("c", "banquet-chair", 6000, 7000);
        var model = sample.Planner.ModelOf(sample.Plan, PlanStart.SchemeId);
        var level = model.Levels.Single();
        var seats = sample.State.Tally.Seats;
        Assert.Equal(seats - 1 + 3, level.Nodes.Length);
        // A table, and a chair that stands by itself as at tables.
        Assert.Equal(["banquet-chair", "round-table-1525"], model.Kinds.Select(kind => kind.Key).Order());
        Assert.Equal(30, level.Nodes.Single(node => node is { ItemId: "a", Kind: "round-table-1525" }).At.Rotation);
        // Each chair stands on the floor that the plan gives it.
        foreach (var placed in sample.State.Items.Where(item => item.Item.Id != "c"))
        foreach (
            var (zone, chair) in placed.Seated.Zip(level.Nodes.Where(node => node.ItemId == placed.Item.Id && node.Kind == "banquet-chair"))
        )
            Assert.True(zone.Holds(chair.At.Origin));
        // Four walls, a door, a floor with its doorway, a ceiling.
        Assert.Equal(4 + 1 + 2 + 1, level.Shell.Length);
        Assert.All(level.Shell, part => Assert.True(SolidTests.IsClosed(part.Faces), part.Name));
    }

    /// <summary>On platforms things stand, and people sit, as much higher; of two that lie one on the other the last counts, and into a sunken floor, which is not cut out, nothing goes down.</summary>
    [Fact]
    public void What_stands_on_platforms_is_raised()
    {
        var sample = new Sample().Room(12_000, 9000).Door();
        sample.Do(new PutThing(new Platform("low", PlanStart.LevelId, 6000, 6000, 0, 8000, 4000, 200)) { Sure = true });
        sample.Do(new PutThing(new Platform("row", PlanStart.LevelId, 6000, 7000, 5, 6000, 1500, 400)) { Sure = true });
        sample.Do(new PutThing(new Platform("pit", PlanStart.LevelId, 2000, 1500, 0, 2000, 2000, -300)) { Sure = true });
        sample
            .Place("floor", "banquet-chair", 6000, 2500)
            .Place("first", "banquet-chair", 6000, 5000)
            .Place("second", "banquet-chair", 6000, 7000)
            .Place("sunken", "banquet-chair", 2000, 1500);
        var level = sample.Planner.ModelOf(sample.Plan, PlanStart.SchemeId).Levels.Single();
        double Z(string id) => level.Nodes.Single(node => node.ItemId == id).Z;
        Assert.Equal((0.0, 200.0, 400.0, 0.0), (Z("floor"), Z("first"), Z("second"), Z("sunken")));
        Assert.All(level.Seats, seat => Assert.Equal(Z(seat.ItemId), seat.Z));
    }
}
