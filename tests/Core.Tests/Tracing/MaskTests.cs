using Wellsedes.Core.Geometry;
using Wellsedes.Core.Tracing;

namespace Wellsedes.Core.Tests.Tracing;

/// <summary>What is kept of a picture: its box, its pieces and its edge.</summary>
public sealed class MaskTests
{
    private static Mask Drawn(params string[] rows)
    {
        var mask = new Mask(rows[0].Length, rows.Length);
        for (var y = 0; y < rows.Length; y++)
        for (var x = 0; x < rows[y].Length; x++)
            mask[x, y] = rows[y][x] == '#';
        return mask;
    }

    [Fact]
    public void The_edge_goes_round_corner_by_corner()
    {
        var mask = Drawn(".....", ".###.", ".#...", ".....");
        Assert.Equal([new(4, 1), new(4, 2), new(2, 2), new(2, 3), new(1, 3), new(1, 1)], mask.Edge());
        Assert.Equal((1, 1, 4, 3), mask.Box());
        Assert.Null(Drawn("..", "..").Box());
        Assert.Empty(Drawn("..", "..").Edge());
    }

    [Fact]
    public void Pixels_that_touch_by_a_corner_are_apart()
    {
        var mask = Drawn("##..", "##..", "..#.");
        var pieces = mask.Pieces();
        Assert.Equal([4, 1], pieces.Select(piece => piece.Count));
        Assert.Equal(4, pieces[0].Edge().Length);
        Assert.Equal([new(3, 2), new(3, 3), new(2, 3), new(2, 2)], pieces[1].Edge());
    }

    /// <summary>The area within the edge is as many pixels as the piece has, but for its holes; 200 seeded masks.</summary>
    [Fact]
    public void The_edge_holds_what_is_kept_and_its_holes()
    {
        var random = new Random(20261126);
        for (var n = 0; n < 200; n++)
        {
            var mask = new Mask(12, 9);
            for (var y = 0; y < mask.Rows; y++)
            for (var x = 0; x < mask.Columns; x++)
                mask[x, y] = random.Next(100) < 62;
            var piece = mask.Pieces()[0];
            var edge = piece.Edge();
            var region = new Region(edge, []);
            var (inside, kept) = (0, 0);
            for (var y = 0; y < mask.Rows; y++)
            for (var x = 0; x < mask.Columns; x++)
            {
                var holds = region.Holds(new Point(x + 0.5, y + 0.5));
                inside += holds ? 1 : 0;
                if (!piece[x, y])
                    continue;
                kept++;
                Assert.True(holds, $"mask {n}: pixel {x}, {y} lies outside its edge");
            }
            Assert.Equal(inside, Math.Abs(Region.SignedArea(edge)), 9);
            Assert.True(inside >= kept);
        }
    }

    [Fact]
    public void A_ring_drawn_round_a_part_keeps_or_drops_it()
    {
        var mask = new Mask(10, 10);
        mask.Fill([new(1, 1), new(9, 1), new(9, 9), new(1, 9)], true);
        Assert.Equal(64, mask.Count);
        mask.Fill([new(-5, -5), new(5, -5), new(5, 20), new(-5, 20)], false);
        Assert.Equal(32, mask.Count);
        Assert.False(mask[4, 4]);
        Assert.True(mask[5, 4]);
    }
}
