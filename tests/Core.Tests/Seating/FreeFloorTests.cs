using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Seating;

/// <summary>What is free of a room: without what stands there, what it needs in use, and what other blocks have.</summary>
public sealed class FreeFloorTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static SeatingBlock Block(string id, SeatingStyle style = SeatingStyle.Rounds) =>
        ((SeatingBlock)SeatingBlock.Kind.Make(id, L, S, default)).As(style);

    private static PutOverRooms Free(string id) => new(Block(id), ["room"], OnlyFree: true) { Sure = true };

    private static Region[] AreasOf(Sample sample, string id) => [.. sample.Plan.Find<SeatingBlock>(id)!.Areas()];

    [Fact]
    public void Of_an_empty_room_all_is_free()
    {
        var sample = new Sample().Room(12_000, 9000).Door();
        sample.DoAndUndo(Free("block"));
        Assert.Equal(12_000.0 * 9000, Assert.Single(AreasOf(sample, "block")).Area, 1.0);
    }

    /// <summary>A wall of stage decks of 2 m parts a hall of 20 x 10 m: 14 m and 4 m of it are left.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(5)]
    public void Beside_what_stands_there_the_rest_is_free(double turn)
    {
        var sample = new Sample().Room(20_000, 10_000).Door();
        for (var i = 0; i < 10; i++)
            sample.Place($"deck-{i}", "stage-deck-2x1", 5000, 500 + 1000 * i, turn);
        sample.Do(Free("block"));
        var areas = AreasOf(sample, "block");
        var decks = sample.State.Items.Where(item => item.Item.Id.StartsWith("deck", StringComparison.Ordinal)).ToArray();
        if (turn == 0)
            Assert.Equal(
                [(20_000 - 6000) * 10_000.0, 4000 * 10_000.0],
                areas.Select(area => area.Area).OrderDescending(),
                new NearEnough(1)
            );
        foreach (var solid in decks.SelectMany(deck => deck.Solids))
            Assert.True(areas.Sum(area => Polygons.SharedArea(area, new Region([.. solid.Corners], []))) < 100);
        Assert.NotEmpty(sample.State.Items.Where(item => item.Item.Parent == "block"));
        Assert.DoesNotContain(sample.State.Overlaps, overlap => !overlap.ItemId.StartsWith("deck", StringComparison.Ordinal));
    }

    private sealed class NearEnough(double off) : IEqualityComparer<double>
    {
        public bool Equals(double x, double y) => Math.Abs(x - y) <= off;

        public int GetHashCode(double obj) => 0;
    }

    [Fact]
    public void What_another_block_has_is_not_free_and_nothing_but_it_follows_no_wall()
    {
        var sample = new Sample().Room(20_000, 10_000).Door();
        var first = Block("first") with { X = 4000, Y = 5000, Width = 8000, Depth = 10_000 };
        sample.Do(new PutThing(first) { Sure = true });
        sample.Do(Free("second"));
        var free = Assert.Single(AreasOf(sample, "second"));
        Assert.Equal(12_000.0 * 10_000, free.Area, 1.0);
        Assert.Equal(0, Polygons.SharedArea(free, AreasOf(sample, "first")[0]), 1.0);
        // Asked again it is where it was, its own tables being none that stand in its way.
        sample.Do(new PutOverRooms(sample.Plan.Find<SeatingBlock>("second")!, ["room"], OnlyFree: true) { Sure = true });
        Assert.Equal(free.Area, Assert.Single(AreasOf(sample, "second")).Area, 1.0);
        var none = sample.Refused(new PutOverRooms(Block("third"), ["room"], OnlyFree: true) { Sure = true });
        Assert.Equal("roomIds", none.Field);
        Assert.Contains("free", none.Message, StringComparison.Ordinal);
        sample.Do(new MoveWall("room-east", 2000, 0));
        Assert.Equal(free.Area, Assert.Single(AreasOf(sample, "second")).Area, 1.0);
    }

    [Fact]
    public void Candidates_are_asked_for_what_is_free_too()
    {
        var sample = new Sample().Room(20_000, 10_000).Door();
        sample.Do(new PutThing(Block("first") with { X = 4000, Y = 5000, Width = 8000, Depth = 10_000 }) { Sure = true });
        var all = sample.Planner.Candidates(sample.Plan, Free("second"), judged: true, out var problem);
        Assert.Null(problem);
        Assert.InRange(all.Length, 3, 5);
        sample.Do(all[0].Edit);
        Assert.Empty(sample.State.Overlaps);
        Assert.Equal(all[0].Tables, sample.Plan.OfScheme<Item>(S).Count(item => item.Parent == "second"));
    }

    /// <summary>The ends of both legs of a U lie on one line and do not touch; a bow tie crosses itself, and a side that comes back onto another touches it.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(17)]
    [InlineData(90)]
    public void An_area_may_have_sides_on_one_line(double turn)
    {
        var sample = new Sample().Room(20_000, 14_000).Door();
        SeatingBlock Of(params Point[] ring)
        {
            var frame = new Placement(10_000, 7000, turn);
            return Block("block") with
            {
                X = 0,
                Y = 0,
                Width = 1,
                Depth = 1,
                Shape = new ZoneShape(
                    [
                        [.. ring.Select(frame.Out)],
                    ],
                    []
                ),
            };
        }
        Point[] u =
        [
            new(-5000, -4000),
            new(5000, -4000),
            new(5000, 4000),
            new(2000, 4000),
            new(2000, -1000),
            new(-2000, -1000),
            new(-2000, 4000),
            new(-5000, 4000),
        ];
        sample.DoAndUndo(new PutThing(Of(u)) { Sure = true });
        Assert.NotEmpty(sample.Plan.OfScheme<Item>(S));
        foreach (
            var wrong in (Point[][])
                [
                    [u[0], u[2], u[1], u[7]],
                    [u[0], u[1], u[2], new(0, 4000), new(0, -4000), u[7]],
                ]
        )
            Assert.Equal("shape", sample.Refused(new PutThing(Of(wrong)) { Sure = true }).Field);
    }
}
