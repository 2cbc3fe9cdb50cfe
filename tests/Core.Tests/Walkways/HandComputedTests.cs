using Wellsedes.Core.Geometry;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Tests.Walkways;

/// <summary>Small rooms whose widest ways are worked out by hand, and the traps that catch walkway programs.</summary>
public sealed class HandComputedTests
{
    private const double W = 6000;

    /// <summary>A 6 x 6 m room, walls 200, a 2 m gap in the south wall.</summary>
    private static List<Obstacle> Room(double gap = 2000) =>
        [
            Box("south-west", -200, -200, W / 2 - gap / 2, 0),
            Box("south-east", W / 2 + gap / 2, -200, W + 200, 0),
            Box("north", -200, W, W + 200, W + 200),
            Box("west", -200, -200, 0, W + 200),
            Box("east", W, -200, W + 200, W + 200),
        ];

    private static Obstacle Box(string name, double minX, double minY, double maxX, double maxY) =>
        new(name, name, "", Convex.Polygon([new(minX, minY), new(maxX, minY), new(maxX, maxY), new(minX, maxY)]));

    private static Way WayTo(List<Obstacle> obstacles, Access access) =>
        new WalkwayAnalysis(
            new WalkwayScene(
                [.. obstacles],
                [new WaySource(new Point(W / 2, -1000))],
                [new Target("seat", "Seat", TargetKind.Seat, 0, 600, [access])]
            )
        ).Ways[0];

    private static Access TopOf(Obstacle seat) => new(seat, new(seat.Shape.Bounds.Centre.X, seat.Shape.Bounds.MaxY), new(0, 1));

    [Fact]
    public void The_entrance_is_the_pinch_when_nothing_else_is()
    {
        var obstacles = Room(850);
        var seat = Box("seat", 2800, 2800, 3200, 3200);
        obstacles.Add(seat);
        var way = WayTo(obstacles, TopOf(seat));
        Assert.Equal(850, way.Width, 6);
        Assert.Equal(["south-east", "south-west"], new[] { way.Pinch!.A.Name, way.Pinch.B.Name }.Order());
    }

    [Theory]
    [InlineData(900, true)]
    [InlineData(899.9, false)]
    public void Nine_hundred_holds_and_a_tenth_less_does_not(double gap, bool holds)
    {
        var obstacles = Room();
        obstacles.Add(Box("left", 0, 3000, 3000 - gap / 2, 3300));
        obstacles.Add(Box("right", 3000 + gap / 2, 3000, W, 3300));
        var seat = Box("seat", 2800, 4500, 3200, 4700);
        obstacles.Add(seat);
        var way = WayTo(obstacles, TopOf(seat)) with { };
        Assert.Equal(gap, way.Width, 6);
        Assert.Equal(holds, Tolerance.Meets(way.Width, 900));
    }

    [Fact]
    public void Two_discs_and_a_disc_to_a_column()
    {
        var obstacles = Room();
        obstacles.Add(Box("left", 0, 3000, 1000, 3300));
        obstacles.Add(Box("right", 5000, 3000, W, 3300));
        var left = new Obstacle("left-table", "Left table", "", Convex.Disc(new(1900, 3150), 900));
        var column = Box("column", 3600, 2900, 4000, 3300);
        var filler = Box("filler", 4000, 2900, 5000, 3300);
        obstacles.AddRange([left, column, filler]);
        var seat = Box("seat", 2800, 5000, 3200, 5200);
        obstacles.Add(seat);
        var way = WayTo(obstacles, TopOf(seat));
        Assert.Equal(3600 - 1900 - 900, way.Width, 6);
        Assert.Equal(["Left table", "column"], new[] { way.Pinch!.A.Name, way.Pinch.B.Name }.Order(StringComparer.Ordinal));
    }

    [Fact]
    public void The_widest_of_two_ways_is_taken()
    {
        var obstacles = Room();
        obstacles.Add(Box("island", 1100, 3000, W - 700, 3300));
        var seat = Box("seat", 2800, 4000, 3200, 4200);
        obstacles.Add(seat);
        Assert.Equal(1100, WayTo(obstacles, TopOf(seat)).Width, 6);
    }

    [Fact]
    public void Room_to_stand_counts_not_only_the_route()
    {
        var obstacles = Room();
        var seat = Box("seat", 2800, W - 700, 3200, W - 300);
        obstacles.Add(seat);
        var way = WayTo(obstacles, TopOf(seat));
        Assert.Equal(300, way.Width, 6);
        Assert.Equal("north", way.Pinch!.B.Name);
    }

    [Fact]
    public void A_shut_ring_has_no_way()
    {
        var obstacles = Room();
        for (var i = 0; i < 16; i++)
        {
            var at = new Point(3000, 3000) + Point.At(i * 22.5) * 1000;
            obstacles.Add(new Obstacle($"ring-{i}", "Ring", "", Convex.Disc(at, 250)));
        }
        var seat = Box("seat", 2900, 2900, 3100, 3100);
        obstacles.Add(seat);
        var way = WayTo(obstacles, TopOf(seat));
        Assert.Equal(0, way.Width);
        Assert.Null(way.Pinch);
    }

    [Fact]
    public void A_ring_shut_exactly_by_touching_has_no_way()
    {
        var obstacles = Room();
        obstacles.AddRange([
            Box("ring-1", 2000, 2000, 4000, 2200),
            Box("ring-2", 2000, 3800, 4000, 4000),
            Box("ring-3", 2000, 2200, 2200, 3800),
            Box("ring-4", 3800, 2200, 4000, 3800),
        ]);
        var seat = Box("seat", 2900, 2900, 3100, 3100);
        obstacles.Add(seat);
        Assert.Equal(0, WayTo(obstacles, TopOf(seat)).Width);
    }

    [Fact]
    public void Two_hundred_of_the_same_in_one_place_are_one()
    {
        var obstacles = Room();
        for (var i = 0; i < 200; i++)
            obstacles.Add(new Obstacle($"copy-{i}", "Copy", "", Convex.Rectangle(new(1000, 3000), 1000, 500)));
        var seat = Box("seat", 2800, 5000, 3200, 5200);
        obstacles.Add(seat);
        Assert.Equal(800, WayTo(obstacles, TopOf(seat)).Width, 3);
    }

    [Fact]
    public void A_side_flush_with_a_neighbour_is_not_blocked_on_its_own_side()
    {
        // Two chairs flush side by side: the middle of a back lies 225 mm from the neighbour's corner, and nothing is shut.
        var obstacles = Room();
        var seat = Box("seat", 2775, 3000, 3225, 3500);
        obstacles.Add(seat);
        obstacles.Add(Box("beside", 3225, 3000, 3675, 3500));
        Assert.True(WayTo(obstacles, TopOf(seat)).Width > 1500);
    }

    [Fact]
    public void Shared_wall_corners_let_nobody_through()
    {
        var obstacles = Room(1000);
        obstacles.Add(Box("partition-1", 0, 3000, 3000, 3100));
        obstacles.Add(Box("partition-2", 3000, 3100, W, 3200));
        var seat = Box("seat", 2800, 4500, 3200, 4700);
        obstacles.Add(seat);
        Assert.Equal(0, WayTo(obstacles, TopOf(seat)).Width);
    }
}
