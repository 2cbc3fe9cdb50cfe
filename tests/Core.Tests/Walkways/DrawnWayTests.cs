using System.Collections.Immutable;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.DrawnWays;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;
using Wellsedes.Tests.Seeded;

namespace Wellsedes.Core.Tests.Walkways;

/// <summary>Ways that somebody drew: how much of them is free, what is found of that, and what they keep free.</summary>
public sealed class DrawnWayTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static KeptWay Way(double width, params ImmutableArray<Point> line) => new("way", "Main aisle", new Strip(line, width));

    private static Obstacle Box(string id, double x, double y, double width, double depth, double turn = 0) =>
        new(id, id, "body", Convex.Rectangle(default, width, depth).At(new Placement(x, y, turn)));

    private static Walkway Drawn(double clear, params ImmutableArray<Point> line) =>
        new("aisle", S, L, 0, 0, 0, 1, 1, "Main aisle", clear, line);

    [Fact]
    public void A_way_in_which_nothing_stands_is_free_all_over()
    {
        var way = DrawnWays.Of(Way(1200, new Point(0, 0), new Point(5000, 0)), [Box("beside", 2000, 900, 600, 600)]);
        Assert.Equal((1200, null), (way.Width, way.Pinch));
        Assert.True(way.Holds);
    }

    /// <summary>Closed forms: a box 300 into a way of 1200 leaves 900; two that stand in it leave their distance, straight or slanting.</summary>
    [Fact]
    public void What_stands_in_it_leaves_what_is_left_beside_it()
    {
        var way = Way(1200, new Point(0, 0), new Point(5000, 0));
        var one = DrawnWays.Of(way, [Box("a", 2000, 600, 800, 600)]);
        Assert.Equal(900, one.Width, 6);
        Assert.Equal(("a", "its right side"), (one.Pinch!.A.Name, one.Pinch.B.Name));
        Assert.Equal((300, -600), (one.Pinch.OnA.Y, one.Pinch.OnB.Y));
        // Two on opposite sides, 200 apart along the way: the gap between their corners, 200 along and 400 across.
        var two = DrawnWays.Of(way, [Box("a", 1000, 600, 800, 800), Box("b", 2000, -600, 800, 800)]);
        Assert.Equal(Math.Sqrt(200 * 200 + 400 * 400), two.Width, 6);
        // Nearer than the passages beside them are wide: what is left beside each decides.
        var far = DrawnWays.Of(way, [Box("a", 1000, 600, 800, 800), Box("b", 4800, -600, 300, 900)]);
        Assert.Equal(750, far.Width, 6);
        // In the middle of it: the wider of the two sides.
        Assert.Equal(500, DrawnWays.Of(way, [Box("a", 2000, 100, 300, 400)]).Width, 6);
    }

    [Fact]
    public void What_stands_across_it_shuts_it()
    {
        var shut = DrawnWays.Of(Way(1200, new Point(0, 0), new Point(5000, 0)), [Box("a", 2000, 0, 400, 2000)]);
        Assert.Equal(0, shut.Width);
        Assert.False(shut.Holds);
        Assert.NotNull(shut.Pinch);
    }

    /// <summary>Round a corner a disc as wide as the way gets; what stands in the outer corner narrows it by how far it reaches in.</summary>
    [Fact]
    public void It_is_as_wide_round_its_corners()
    {
        ImmutableArray<Point> line = [new(0, 0), new(4000, 0), new(4000, 4000)];
        Assert.Equal(1200, DrawnWays.Of(Way(1200, line), []).Width);
        var way = DrawnWays.Of(Way(1200, line), [Box("post", 4550, -550, 500, 500)]);
        // From the inner corner (3400, 600) to the corner of the post at (4300, -300).
        Assert.Equal(Math.Min(1200, Math.Sqrt(900 * 900 + 900 * 900)), way.Width, 6);
        var more = DrawnWays.Of(Way(1200, line), [Box("post", 4300, -300, 1000, 1000)]);
        Assert.Equal(Math.Sqrt(400 * 400 + 400 * 400), more.Width, 6);
    }

    /// <summary>Seeded ways of up to four legs, among boxes, discs and capsules at any turn: as the reference says, within 0.1 mm.</summary>
    [Fact]
    public void It_is_as_wide_as_the_reference_says()
    {
        var random = new Random(20261126);
        var (narrowed, shut) = (0, 0);
        for (var n = 0; n < Whole.Or(50, 150); n++)
        {
            var width = 600 + 100 * random.Next(14);
            List<Point> line = [new(0, 0)];
            var heading = 5.0 * random.Next(72);
            for (var leg = random.Next(1, 5); leg > 0; leg--)
            {
                line.Add(line[^1] + Point.At(heading) * (2500 + 100 * random.Next(30)));
                heading += 5 * random.Next(-18, 19);
            }
            if (Strip.Wrong([.. line], width) is not null)
                continue;
            var strip = new Strip([.. line], width);
            Obstacle[] obstacles =
            [
                .. Enumerable
                    .Range(0, random.Next(1, 9))
                    .Select(i =>
                    {
                        var at = strip.Line[random.Next(strip.Line.Length)] + Point.At(random.Next(360)) * random.Next(2500);
                        var place = new Placement(at.X, at.Y, 5 * random.Next(72));
                        Convex shape = random.Next(4) switch
                        {
                            0 => Convex.Disc(default, random.Next(50, 800)),
                            1 => Convex.Capsule(new Point(-400, 0), new Point(400, 0), random.Next(20, 200)),
                            _ => Convex.Rectangle(default, random.Next(100, 1600), random.Next(100, 900)),
                        };
                        return new Obstacle($"o{i}", $"O{i}", "body", shape.At(place));
                    }),
            ];
            var found = DrawnWays.Of(new KeptWay("way", "Way", strip), obstacles).Width;
            var expected = DrawnWayReference.Width(strip, obstacles);
            Assert.True(Math.Abs(expected - found) < 0.1, $"case {n}: {found} found, {expected} by the reference");
            narrowed += found < width ? 1 : 0;
            shut += found <= 0.02 ? 1 : 0;
        }
        Assert.True(narrowed > Whole.Or(13, 40) && shut > Whole.Or(1, 5), $"{narrowed} narrowed, {shut} shut");
    }

    [Fact]
    public void It_is_found_told_and_drawn_with_one_figure()
    {
        var sample = new Sample().Room(12_000, 8000).Door();
        sample.Do(new PutThing(Drawn(1200, new Point(1000, 4000), new Point(11_000, 4000))));
        Assert.DoesNotContain(sample.State.Findings, finding => finding.Id.Contains("drawn"));
        sample.Place("desk", "desk-1400", 5000, 4700);
        var way = Assert.Single(sample.State.Level.Drawn);
        var solid = sample.State.Items.Single().Standing.Min(shape => shape.Bounds.MinY);
        Assert.Equal(Math.Max(solid - 3400, 0), way.Width, 6);
        Assert.InRange(way.Width, 100, 1100);
        var finding = Assert.Single(sample.State.Findings, found => found.Id.Contains("drawn/aisle"));
        Assert.Equal((FindingWeight.Must, FindingKind.Walkway), (finding.Weight, finding.Kind));
        Assert.Contains("desk", finding.EntityIds);
        Assert.Equal(way.Width, finding.Measured);
        var line = TallyLines.Of(sample.State.Tally, UnitSystem.Metric).Single(told => told.Name == "Narrowest walkway");
        Assert.Equal(finding.MeasuredText, line.Value);
        Assert.True(line.Short);
    }

    [Fact]
    public void It_is_judged_while_something_is_still_being_moved()
    {
        var sample = new Sample().Room(12_000, 8000).Door().Place("desk", "desk-1400", 5000, 6500);
        sample.Do(new PutThing(Drawn(1200, new Point(1000, 4000), new Point(11_000, 4000))));
        var probe = sample.Planner.Probe(sample.Plan, new MoveItems(["desk"], 0, -2500), S, L);
        Assert.Contains(probe.State.Findings, finding => finding.Id.Contains("drawn/aisle"));
    }

    [Fact]
    public void A_way_that_makes_no_sense_is_refused_by_its_field()
    {
        var sample = new Sample().Room();
        void Refused(string field, Walkway way, string says)
        {
            var problem = sample.Refused(new PutThing(way));
            Assert.Equal(field, problem.Field);
            Assert.Contains(says, problem.Message);
        }
        Refused("line", Drawn(1200, new Point(0, 0)), "2 to 60 points");
        Refused("line", Drawn(1200, new Point(0, 0), new Point(0.2, 0)), "are one");
        Refused("line", Drawn(1200, new Point(0, 0), new Point(4000, 0), new Point(0, 10)), "turns back");
        Refused("line", Drawn(1200, new Point(0, 0), new Point(4000, 0), new Point(4000, 300), new Point(0, 300)), "too near");
        Refused(
            "line",
            Drawn(600, new Point(0, 0), new Point(4000, 0), new Point(4000, 3000), new Point(2000, 3000), new Point(2000, -3000)),
            "crosses itself: leg 1 and leg 4"
        );
        Refused("clear", Drawn(0, new Point(0, 0), new Point(4000, 0)), "more than 0");
        Refused("clear", Drawn(40, new Point(0, 0), new Point(4000, 0)), "usual is 300");
        Refused("line", Drawn(900, [.. Enumerable.Range(0, 61).Select(i => new Point(2000 * i, 0))]), "61 were given");
    }

    [Fact]
    public void It_is_moved_mirrored_and_copied_as_it_lies()
    {
        var sample = new Sample().Room(12_000, 8000);
        sample.Do(new PutThing(Drawn(1000, new Point(1000, 1000), new Point(5000, 1000), new Point(5000, 4000))));
        var before = sample.Plan.Find<Walkway>("aisle")!;
        // About the middle of its floor, with the size of that.
        Assert.Equal((3250, 2250, 4500, 3500), (before.X, before.Y, before.Width, before.Depth));
        sample.DoAndUndo(new MoveThings(["aisle"], 300, 200));
        Assert.Equal(before.Strip.Line.Select(p => p + new Point(300, 200)), sample.Plan.Find<Walkway>("aisle")!.Strip.Line);
        sample.Do(new AddScheme("other", "Other", S));
        Assert.Contains(sample.Plan.OfScheme<Walkway>("other"), copy => copy.Line.SequenceEqual(before.Line));
    }

    /// <summary>As many as fit to a wall stop at a way that is to stay free, and a thing that does not fit is not offered a place in it.</summary>
    [Fact]
    public void What_fills_keeps_it_free()
    {
        var sample = new Sample().Room(20_000, 8000).Door().Place("desk", "desk-1400", 2000, 4000);
        int Fill(string id)
        {
            sample.Do(new RepeatItems(id, ["desk"], new RepeatFigures(Columns: 2, ColumnPitch: 2000)));
            sample.Do(new SetRepeat(id, new RepeatFigures(ToWall: true)));
            var count = sample.Plan.Find<Repeat>(id)!.Columns;
            sample.Do(new Release([id]));
            foreach (var item in sample.Plan.OfScheme<Item>(S).Where(item => item.Id != "desk").ToArray())
                sample.Do(new Remove([item.Id]));
            return count;
        }
        // Middles at 2000, 4000, ... 18 000: the last body ends at 18 700 of 20 000.
        Assert.Equal(9, Fill("free"));
        sample.Do(new PutThing(Drawn(1200, new Point(12_000, 500), new Point(12_000, 7500))));
        // Up to the way's side at 11 400: middles to 10 000.
        Assert.Equal(5, Fill("kept"));
    }

    [Fact]
    public void A_zone_and_a_room_ask_for_their_own_width()
    {
        var sample = new Sample().Room(10_000, 8000).Door().Place("chair", "armchair", 3000, 4000).Place("far", "armchair", 8000, 4000);
        double Needed(string id) => sample.State.Walkways.Ways.Where(way => way.Target.OwnerId == id).Max(way => way.Target.Needed);
        Assert.Equal((600, 600), (Needed("chair"), Needed("far")));
        sample.Do(new SetRoomWays("room", 750));
        Assert.Equal((750, 750), (Needed("chair"), Needed("far")));
        sample.Do(new PutThing(new Zone("z", S, L, 3000, 4000, 0, 3000, 3000, "Front", WayWidth: 1500)));
        Assert.Equal((1500, 750), (Needed("chair"), Needed("far")));
        // The smaller of two decides.
        sample.Do(new PutThing(new Zone("inner", S, L, 3000, 4000, 0, 1500, 1500, "Inner", WayWidth: 900)));
        Assert.Equal((900, 750), (Needed("chair"), Needed("far")));
        sample.Do(new Remove(["inner"]));
        // A metre-wide door lets no 1500 through: the finding says who asks.
        var finding = Assert.Single(sample.State.Findings, found => found.Needed == 1500);
        Assert.Equal("Asked of Front", finding.Source);
        Assert.Equal("wayWidth", sample.Refused(new SetRoomWays("room", 20)).Field);
        sample.Do(new SetRoomWays("room"));
        Assert.Equal(600, Needed("far"));
    }

    /// <summary>What is kept from state to state says the same as working it out anew.</summary>
    [Fact]
    public void Kept_results_are_those_of_a_new_planner()
    {
        var random = new Random(7);
        var sample = new Sample().Room(14_000, 9000).Door();
        for (var i = 0; i < 8; i++)
            sample.Place($"d{i}", "desk-1400", 2000 + random.Next(10_000), 1500 + random.Next(6000), 5 * random.Next(72));
        sample.Do(new PutThing(Drawn(1500, new Point(1000, 2000), new Point(9000, 2000), new Point(12_000, 7000))));
        sample.Do(new PutThing(new Zone("z", S, L, 5000, 5000, 30, 5000, 4000, "Z", WayWidth: 1100)));
        for (var n = 0; n < 60; n++)
        {
            var edit = random.Next(3) switch
            {
                0 => (Edit)new MoveThings([random.Next(2) == 0 ? "aisle" : "z"], random.Next(-400, 400), random.Next(-400, 400)),
                1 => new RotateItems([$"d{random.Next(8)}"], 5 * random.Next(72)),
                _ => new MoveItems([$"d{random.Next(8)}"], random.Next(-900, 900), random.Next(-900, 900)),
            };
            if (sample.Planner.Answer(sample.Plan, edit).Change is null)
                continue;
            sample.Do(edit);
            var (kept, anew) = (sample.State, new Planner().StateOf(sample.Plan, S, L));
            Assert.Equal(
                anew.Level.Drawn.Select(way => (way.Target.OwnerId, way.Width)),
                kept.Level.Drawn.Select(way => (way.Target.OwnerId, way.Width))
            );
            Assert.Equal(anew.Findings.Select(f => (f.Id, f.MeasuredText)), kept.Findings.Select(f => (f.Id, f.MeasuredText)));
        }
    }
}
