using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing.Groups;

/// <summary>
/// Where the members of repeats stand, against closed forms on 2,000 seeded cases. The chord of a circle, c = 2 R sin(half the angle),
/// and that n members at a pitch p take (n - 1) p + w are plane geometry; nothing of the program is asked for them.
/// </summary>
public sealed class RepeatFormsTests
{
    private const int Cases = 2000;

    private static Repeat Of(Random random, RepeatForm form) =>
        new(
            "r",
            "s",
            "l",
            random.NextDouble() * 20_000 - 10_000,
            random.NextDouble() * 20_000 - 10_000,
            5 * random.Next(72),
            2 + random.Next(30),
            1 + random.Next(6),
            400 + random.NextDouble() * 4000,
            400 + random.NextDouble() * 4000,
            form,
            Radius: 500 + random.NextDouble() * 9000
        );

    private static void Same(Point expected, Point actual) => Assert.InRange(expected.DistanceTo(actual), 0, 1e-6);

    private static void Near(double expected, double actual) => Assert.InRange(actual - expected, -0.001, 0.001);

    private static Point Turned(Point p, double degrees)
    {
        var a = degrees * Math.PI / 180;
        return new Point(p.X * Math.Cos(a) - p.Y * Math.Sin(a), p.X * Math.Sin(a) + p.Y * Math.Cos(a));
    }

    [Fact]
    public void Rows_and_columns_stand_at_their_pitch_staggered_by_half_of_it_and_back_to_back()
    {
        var random = new Random(11);
        for (var i = 0; i < Cases; i++)
        {
            var repeat = Of(random, RepeatForm.Rows) with
            {
                Staggered = random.Next(2) == 0,
                BackToBack = random.Next(2) == 0 ? 300 + random.NextDouble() * 900 : null,
            };
            var (row, column) = (random.Next(repeat.Rows), random.Next(repeat.Columns));
            var x = column * repeat.ColumnSpacing + (repeat.Staggered && row % 2 == 1 ? repeat.ColumnSpacing / 2 : 0);
            var y = repeat.BackToBack is { } back ? row / 2 * repeat.RowSpacing + row % 2 * back : row * repeat.RowSpacing;
            var at = repeat.Regular(row * repeat.Columns + column);
            Same(repeat.Placement.Origin + Turned(new Point(x, y), repeat.Rotation), at.Origin);
            var turned = repeat.BackToBack is not null && row % 2 == 1 ? 180 : 0;
            Assert.Equal(0, Math.IEEERemainder(at.Rotation - repeat.Rotation - turned, 360), 6);
        }
    }

    [Fact]
    public void The_chord_between_neighbours_of_a_ring_is_that_of_the_circle_and_fronts_look_in_or_out()
    {
        var random = new Random(12);
        for (var i = 0; i < Cases; i++)
        {
            var repeat = Of(random, RepeatForm.Ring) with
            {
                Rows = 1,
                Start = 5 * random.Next(72),
                Sweep = random.Next(2) == 0 ? 360 : 10 + random.Next(340),
                Facing = (RingFacing)random.Next(3),
            };
            var whole = repeat.Sweep == 360;
            var step = whole ? 360.0 / repeat.Columns : repeat.Sweep / (repeat.Columns - 1);
            var k = random.Next(repeat.Columns - 1);
            var (one, next) = (repeat.Regular(k), repeat.Regular(k + 1));
            Assert.Equal(2 * repeat.Radius * Math.Sin(step / 2 * Math.PI / 180), one.Origin.DistanceTo(next.Origin), 6);
            var inwards = (repeat.Placement.Origin - one.Origin).Unit();
            var front = Turned(new Point(0, -1), one.Rotation);
            if (repeat.Facing == RingFacing.Alike)
                Assert.Equal(0, Math.IEEERemainder(one.Rotation - repeat.Rotation, 360), 6);
            else
                Same(repeat.Facing == RingFacing.In ? inwards : inwards * -1, front);
        }
    }

    /// <summary>
    /// The radius of a ring of n boxes, w wide and d deep, that look in with a clear gap g between neighbours: their inner corners
    /// come nearest, so R = (g / 2 + w / 2 cos(pi / n)) / sin(pi / n) + d / 2.
    /// </summary>
    [Fact]
    public void The_radius_of_a_ring_of_boxes_follows_from_number_and_clear_gap()
    {
        var random = new Random(13);
        for (var i = 0; i < Cases / 4; i++)
        {
            var (n, w, d, g) = (3 + random.Next(40), 300 + random.Next(900), 300 + random.Next(700), random.Next(1200));
            var member = new RepeatMeasure([Convex.Rectangle(default, w, d)], default);
            var ring = new Repeat("r", "s", "l", 0, 0, 0, n, 1, 0, 0, RepeatForm.Ring, Facing: (RingFacing)random.Next(2));
            var half = Math.PI / n;
            Near((g / 2.0 + w / 2.0 * Math.Cos(half)) / Math.Sin(half) + d / 2.0, member.RadiusFor(ring, g, 100_000)!.Value);
        }
    }

    /// <summary>Of n discs the chord between middles is their diameter and the gap.</summary>
    [Fact]
    public void The_radius_of_a_ring_of_round_things_follows_from_the_chord()
    {
        var random = new Random(14);
        for (var i = 0; i < Cases / 4; i++)
        {
            var (n, r, g) = (2 + random.Next(50), 150 + random.Next(900), random.Next(2000));
            var member = new RepeatMeasure([Convex.Disc(default, r)], default);
            var ring = new Repeat("r", "s", "l", 0, 0, 0, n, 1, 0, 0, RepeatForm.Ring);
            Near((2 * r + g) / (2 * Math.Sin(Math.PI / n)), member.RadiusFor(ring, g, 100_000)!.Value);
        }
    }

    [Fact]
    public void Along_a_path_members_follow_at_equal_lengths_turned_with_it()
    {
        var random = new Random(15);
        for (var i = 0; i < Cases; i++)
        {
            Point[] corners = [.. Enumerable.Range(0, 2 + random.Next(4)).Select(c => new Point(c * 3000, random.NextDouble() * 2000))];
            var repeat = Of(random, RepeatForm.Path) with { Rows = 1, Path = [.. corners], Turned = random.Next(2) == 0 };
            var length = corners.Zip(corners.Skip(1)).Sum(leg => leg.First.DistanceTo(leg.Second));
            Assert.Equal(length, repeat.PathLength, 6);
            repeat = repeat with { ColumnSpacing = length / (repeat.Columns - 1) };
            var k = random.Next(repeat.Columns);
            var (run, leg) = (k * repeat.ColumnSpacing, 0);
            while (leg < corners.Length - 2 && run > corners[leg].DistanceTo(corners[leg + 1]))
                run -= corners[leg].DistanceTo(corners[++leg]);
            var along = (corners[leg + 1] - corners[leg]).Unit();
            var at = repeat.Regular(k);
            Same(repeat.Placement.Origin + Turned(corners[leg] + along * run, repeat.Rotation), at.Origin);
            var turned = repeat.Turned ? Math.Atan2(along.Y, along.X) * 180 / Math.PI : 0;
            Assert.Equal(0, Math.IEEERemainder(at.Rotation - repeat.Rotation - turned, 360), 6);
        }
    }

    [Fact]
    public void A_member_that_is_singled_out_stands_apart_from_its_slot_and_goes_along_with_it()
    {
        var repeat = new Repeat("r", "s", "l", 1000, 2000, 90, 3, 1, 800, 0) { Singles = [new(1, false, 100, 50, 30), new(2, true)] };
        Assert.Equal(new Placement(1000, 2000, 90), repeat.Standing(0));
        var apart = repeat.Standing(1)!.Value;
        Same(new Point(1000 - 50, 2000 + 800 + 100), apart.Origin);
        Assert.Equal(120, apart.Rotation);
        Assert.Null(repeat.Standing(2));
        Same(new Point(1000 - 50, 2000 + 900 + 100), (repeat with { ColumnSpacing = 900 }).Standing(1)!.Value.Origin);
    }
}
