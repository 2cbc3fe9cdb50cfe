using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.KindsOfThing.Fittings;
using Wellsedes.Core.KindsOfThing.LowCeilings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Tests.Spaces;

/// <summary>Walls joined, rooms found and areas counted, by hand.</summary>
public sealed class WallTests
{
    private static LevelSpace Space(params Entity[] shell) =>
        SpaceFinder.Find(Plan.Of([new Level("l", "Ground", 0, 2700), .. shell], KindsOfThing.Shipped.Library), "l");

    private static Wall W(string id, double x1, double y1, double x2, double y2, double thickness = 200, double bow = 0) =>
        new(id, "l", new(x1, y1), new(x2, y2), thickness, 2700, "", bow);

    private static Wall[] Box(double width, double depth, double thickness = 200) =>
        [
            W("s", 0, 0, width, 0, thickness),
            W("e", width, 0, width, depth, thickness),
            W("n", width, depth, 0, depth, thickness),
            W("w", 0, depth, 0, 0, thickness),
        ];

    [Fact]
    public void A_corner_is_mitred_at_any_angle()
    {
        // A right-angled triangle 3 : 4 : 5 m on its centre lines, walls 200 thick: inset 100 on every side.
        var space = Space(W("a", 0, 0, 4000, 0), W("b", 4000, 0, 0, 3000), W("c", 0, 3000, 0, 0));
        var room = Assert.Single(space.Rooms);
        // Inradius of the triangle is 1000; inset 100 leaves a triangle nine tenths the size: 6 m² x 0.81.
        Assert.Equal(6 * 0.81, room.GrossInternal, 6);
        Assert.Equal(3, room.Outline.Outline.Length);
        // Outset 100: 1.1 times the size; mitres are whole.
        Assert.Equal(6 * 1.21, space.Floor.Areas.GrossExternal, 6);
        Assert.Equal(6 * 0.81, space.Floor.Areas.GrossInternal, 6);
    }

    [Fact]
    public void A_tee_is_trimmed_whether_it_stops_at_the_face_the_middle_or_inside_the_far_face()
    {
        foreach (var end in (double[])[100, 0, -80])
        {
            var space = Space([.. Box(6000, 4000), W("t", 2000, 4000, 2000, end, 100)]);
            Assert.Equal(2, space.Rooms.Length);
            Assert.Equal([7.03, 14.63], space.Rooms.Select(r => Math.Round(r.GrossInternal, 6)).Order());
            Assert.Equal(6.2 * 4.2, space.Floor.Areas.GrossExternal, 6);
            Assert.Empty(space.Walls.UnjoinedEnds);
        }
    }

    [Fact]
    public void Crossing_walls_make_four_rooms()
    {
        var space = Space([.. Box(6000, 4000), W("x", 0, 2000, 6000, 2000, 100), W("y", 3000, 0, 3000, 4000, 100)]);
        Assert.Equal(4, space.Rooms.Length);
        Assert.All(space.Rooms, room => Assert.Equal(2.85 * 1.85, room.GrossInternal, 6));
    }

    [Fact]
    public void An_end_left_a_little_short_is_offered_to_meet()
    {
        var space = Space([.. Box(6000, 4000), W("t", 2000, 4000, 2000, 250, 100)]);
        var end = Assert.Single(space.Walls.UnjoinedEnds);
        Assert.Equal(("t", false), (end.WallId, end.AtStart));
        Assert.Equal(new Point(2000, 0), end.Meets);
        Assert.Equal(250, end.Gap, 6);
        Assert.Empty(Space([.. Box(6000, 4000), W("t", 2000, 4000, 2000, 900, 100)]).Walls.UnjoinedEnds);
    }

    [Fact]
    public void Two_half_round_walls_hold_a_round_room()
    {
        // Centre-line radius 3000, 200 thick: inside radius 2900. Chords stay within 0.2 mm.
        var space = Space(W("a", -3000, 0, 3000, 0, 200, 3000), W("b", 3000, 0, -3000, 0, 200, 3000));
        var room = Assert.Single(space.Rooms);
        Assert.Equal(Math.PI * 2.9 * 2.9, room.GrossInternal, 0.005);
        Assert.Equal(Math.PI * 3.1 * 3.1, space.Floor.Areas.GrossExternal, 0.005);
    }

    [Fact]
    public void Gross_and_net_are_told_apart()
    {
        // Inside 10 x 6 m, walls 300, a 100 partition, a 500 square column, a 1 x 2 m shaft; toilets are not usable.
        Entity[] shell =
        [
            .. Box(10300, 6300, 300),
            W("p", 4000, 0, 4000, 6300, 100),
            new Column("c", "l", 7000, 3000, 0, 500, 500, false),
            new Fitting("sh", "l", FittingKind.Shaft, 9000, 1500, 0, 1000, 2000, 2700),
            new Room("r", "l", "Toilets", "Toilets", "", 2000, 3000, 2700),
        ];
        var areas = Space(shell).Floor.Areas;
        Assert.Equal(10.6 * 6.6, areas.GrossExternal, 6);
        Assert.Equal(10.0 * 6.0, areas.GrossInternal, 6);
        Assert.Equal(6.1 * 6.0 - 0.25 - 2.0, areas.NetInternal, 6);
    }

    [Fact]
    public void An_L_shaped_building_with_its_inner_wall_carried_on()
    {
        // Lower wing 10 x 5, upper wing 4 x 5 on its east end, on centre lines, all 200 thick; the wall between runs on from an outside wall.
        var space = Space(
            W("s", 0, 0, 10000, 0),
            W("e", 10000, 0, 10000, 10000),
            W("n", 10000, 10000, 6000, 10000),
            W("b", 6000, 10000, 6000, 5000),
            W("m", 0, 5000, 10000, 5000),
            W("w", 0, 5000, 0, 0)
        );
        Assert.Equal(2, space.Rooms.Length);
        Assert.Equal(10.2 * 5.2 + 4.2 * 5.0, space.Floor.Areas.GrossExternal, 6);
        Assert.Equal(9.8 * 4.8 + 3.8 * 5.0, space.Floor.Areas.GrossInternal, 6);
    }

    [Fact]
    public void An_island_is_no_part_of_the_room_around_it()
    {
        var core = new[]
        {
            W("1", 2000, 2000, 4000, 2000),
            W("2", 4000, 2000, 4000, 3000),
            W("3", 4000, 3000, 2000, 3000),
            W("4", 2000, 3000, 2000, 2000),
        };
        var space = Space([.. Box(8200, 6200), .. core]);
        Assert.Equal(2, space.Rooms.Length);
        Assert.Equal(8.0 * 6.0 - 2.2 * 1.2, space.Rooms.Max(room => room.GrossInternal), 6);
        Assert.Equal(8.0 * 6.0, space.Floor.Areas.GrossInternal, 6);
    }

    [Fact]
    public void A_boundary_splits_a_room_and_one_left_open_does_not()
    {
        var split = Space([.. Box(8200, 6200), new Boundary("b", "l", new(3100, 0), new(3100, 6200))]);
        Assert.Equal([18.0, 30.0], split.Rooms.Select(room => Math.Round(room.GrossInternal, 6)).Order());
        Assert.Equal(48.0, split.Floor.Areas.GrossInternal, 6);
        Assert.Single(Space([.. Box(8200, 6200), new Boundary("b", "l", new(3100, 0), new(3100, 5000))]).Rooms);
    }

    [Fact]
    public void An_outline_alone_is_a_room_outside_the_building()
    {
        Point[] corners = [new(0, 0), new(5000, 0), new(5000, 4000), new(0, 4000)];
        var edges = corners.Select((p, i) => new Boundary($"b{i}", "l", p, corners[(i + 1) % 4]));
        var space = Space([.. edges, new Room("t", "l", "Terrace", "Terrace", "", 100, 100, 3000)]);
        var room = Assert.Single(space.Rooms);
        Assert.True(room.Named && !room.Walled);
        Assert.Equal(20.0, room.GrossInternal, 6);
        Assert.Equal(0, space.Floor.Areas.GrossExternal);
    }

    [Fact]
    public void Floor_under_less_than_one_and_a_half_metres_is_not_net()
    {
        // 4 m deep slope from 0.5 m at the eaves to 2.5 m: 1.5 m is reached 2 m in (LowCeiling runs over 4 x 4 m).
        var space = Space([.. Box(4200, 4200), new LowCeiling("c", "l", 2100, 2100, 0, 4000, 4000, 500, 2500)]);
        Assert.Equal(16.0, space.Rooms[0].GrossInternal, 6);
        Assert.Equal(8.0, space.Rooms[0].NetInternal, 6);
    }

    [Fact]
    public void Every_area_names_its_definition_and_source()
    {
        Assert.All(AreaDefinitions.All, definition => Assert.Contains("RICS Code of Measuring Practice", definition.Source));
        Assert.Contains("measured externally at each floor level", AreaDefinitions.GrossExternal.Wording);
        Assert.Contains("internal face of the perimeter walls at each floor level", AreaDefinitions.GrossInternal.Wording);
        Assert.Contains("usable area within a building", AreaDefinitions.NetInternal.Wording);
        Assert.All(AreaDefinitions.All, definition => Assert.Contains("From memory", definition.Note));
    }

    [Theory]
    [InlineData(1000, 0, 1000, 1000)]
    [InlineData(200, 1, 1000, 1000)]
    public void An_arc_through_three_points_holds_them(double x, double y, double endX, double endY)
    {
        var line = BowedLine.Through(new(0, 0), new(x, y), new(endX, endY));
        var (along, left) = line.Nearest(new Point(x, y));
        Assert.Equal(0, left, 6);
        Assert.Equal(0, line.At(along).DistanceTo(new Point(x, y)), 6);
        Assert.Equal(0, line.At(line.Length).DistanceTo(new Point(endX, endY)), 6);
    }

    [Fact]
    public void A_quarter_circle_is_as_long_as_pi_says()
    {
        var line = BowedLine.Through(new(1000, 0), new(1000 * Math.Sqrt(0.5), 1000 * Math.Sqrt(0.5)), new(0, 1000));
        Assert.Equal(500 * Math.PI, line.Length, 6);
        Assert.Equal(1000, line.Radius, 6);
        Assert.Equal(0, line.Centre.Length, 6);
        Assert.Equal(1100 * Math.PI / 2, line.Offset(-100).Length, 6);
    }
}
