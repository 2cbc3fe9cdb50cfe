using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Lining up, spacing, setting along lines and walls, swapping: to 0.001 mm, and undone to the plan before.</summary>
public sealed class LineUpTests
{
    private static readonly string[] Kinds = ["desk-1400", "armchair", "round-table-1525", "cupboard-1000", "sofa-three"];

    private static Sample Hall() => new Sample().Room(20_000, 12_000).Door();

    private static Item Of(Sample sample, string id) => sample.Plan.Find<Item>(id)!;

    private static PlacedItem Placed(Sample sample, string id) => sample.State.Items.Single(item => item.Item.Id == id);

    /// <summary>How far a thing reaches along a direction.</summary>
    private static (double From, double To) Reach(PlacedItem thing, Point axis, bool withSeats = false)
    {
        var shapes = (withSeats ? thing.Standing : thing.Solids).ToArray();
        return (shapes.Min(s => s.Support(axis * -1).Dot(axis)), shapes.Max(s => s.Support(axis).Dot(axis)));
    }

    private static Sample Strewn(Random random, int count, double turn)
    {
        var sample = Hall();
        for (var i = 0; i < count; i++)
            sample.Do(
                new PlaceItem(
                    $"i{i}",
                    PlanStart.SchemeId,
                    PlanStart.LevelId,
                    Kinds[random.Next(Kinds.Length)],
                    3000 + random.NextDouble() * 14_000,
                    3000 + random.NextDouble() * 6000,
                    turn + 90 * random.Next(4)
                )
            );
        return sample;
    }

    private static ImmutableArray<string> Ids(int count) => [.. Enumerable.Range(0, count).Select(i => $"i{i}")];

    /// <summary>Sixty seeded cases, at every 5 degrees: after it all edges or middles are where those of the one that stays are.</summary>
    [Fact]
    public void Edges_and_middles_come_into_line_with_the_one_that_stays()
    {
        var random = new Random(20261126);
        for (var n = 0; n < 60; n++)
        {
            var turn = 5 * (n % 18) - 45;
            var by = (LineUpBy)(n % 6);
            var withSeats = n % 4 == 3;
            var sample = Strewn(random, 6, turn);
            var stays = $"i{random.Next(6)}";
            var was = Of(sample, stays);
            sample.DoAndUndo(new LineUp(Ids(6), by, stays, withSeats));
            Assert.Equal(was, Of(sample, stays));
            var own = was.Rotation - 90 * Math.Round(was.Rotation / 90);
            var across = Point.At(own);
            var axis = by is LineUpBy.WestEdges or LineUpBy.EastEdges or LineUpBy.UprightMiddles ? across : across.Left();
            double At(string id)
            {
                var (from, to) = Reach(Placed(sample, id), axis, withSeats);
                return by switch
                {
                    LineUpBy.WestEdges or LineUpBy.SouthEdges => from,
                    LineUpBy.EastEdges or LineUpBy.NorthEdges => to,
                    _ => (from + to) / 2,
                };
            }
            Assert.All(Ids(6), id => Assert.Equal(At(stays), At(id), 0.001));
        }
    }

    [Fact]
    public void Gaps_and_pitches_are_as_they_were_typed_at_every_turn()
    {
        var random = new Random(7);
        for (var n = 0; n < 54; n++)
        {
            var turn = 5 * (n % 18) - 45;
            var along = (SpreadAlong)(n % 2);
            var sample = Strewn(random, 5, turn);
            var first = Of(sample, "i0");
            var own = first.Rotation - 90 * Math.Round(first.Rotation / 90);
            var axis = along == SpreadAlong.Across ? Point.At(own) : Point.At(own).Left();
            double? gap = n % 3 == 0 ? 300 + n : null;
            double? pitch = n % 3 == 1 ? 2100 + n : null;
            (double From, double To)[] Extents() => [.. Ids(5).Select(id => Reach(Placed(sample, id), axis)).OrderBy(e => e.From + e.To)];
            var before = Extents();
            var edit = new SpreadItems(Ids(5), along, gap, pitch);
            if (gap is null && pitch is null && before[^1].To - before[0].From < before.Sum(e => e.To - e.From))
            {
                Assert.Contains("do not fit", sample.Refused(edit).Message);
                continue;
            }
            sample.DoAndUndo(edit);
            var after = Extents();
            Assert.Equal(before[0].From, after[0].From, 0.001);
            for (var i = 0; i + 1 < after.Length; i++)
            {
                if (pitch is { } apart)
                    Assert.Equal(apart, (after[i + 1].From + after[i + 1].To - after[i].From - after[i].To) / 2, 0.001);
                else
                    Assert.Equal(gap ?? after[1].From - after[0].To, after[i + 1].From - after[i].To, 0.001);
            }
            if (gap is null && pitch is null)
                Assert.Equal(before[^1].To, after[^1].To, 0.001);
        }
    }

    /// <summary>Eighteen chairs on a full half circle: the chord between neighbours is 2 r sin(a / 2), a the angle between them.</summary>
    [Fact]
    public void Things_stand_evenly_along_a_line_and_an_arc()
    {
        var sample = Hall();
        for (var i = 0; i < 10; i++)
            sample.Place($"i{i}", "banquet-chair", 2000 + 700 * i, 9000);
        sample.DoAndUndo(new SetAlong(Ids(10), [new(3000, 2000), new(12_000, 2000)], true));
        for (var i = 0; i < 10; i++)
            Assert.Equal(
                (3000.0 + 1000 * i, 2000.0, 0.0),
                (Of(sample, $"i{i}").X, Of(sample, $"i{i}").Y, Of(sample, $"i{i}").Rotation),
                Near
            );
        var (centre, radius) = (new Point(8000, 4000), 3000.0);
        sample.DoAndUndo(
            new SetAlong(Ids(10), [centre - new Point(radius, 0), centre + new Point(0, radius), centre + new Point(radius, 0)], true)
        );
        var chord = 2 * radius * Math.Sin(Math.PI / 9 / 2);
        for (var i = 0; i < 10; i++)
        {
            var item = Of(sample, $"i{i}");
            Assert.Equal(radius, item.Placement.Origin.DistanceTo(centre), 0.001);
            if (i > 0)
                Assert.Equal(chord, item.Placement.Origin.DistanceTo(Of(sample, $"i{i - 1}").Placement.Origin), 0.001);
            // Turned with it, its front looks into the circle.
            var front = item.Placement.Turned(new Point(0, -1));
            Assert.True(front.Dot(centre - item.Placement.Origin) > radius - 0.001);
        }
        Assert.Equal("path", sample.Refused(new SetAlong(Ids(3), [new(0, 0)])).Field);
        Assert.Equal("path", sample.Refused(new SetAlong(Ids(3), [new(0, 0), new(0, 0)])).Field);
        Assert.Equal("path", sample.Refused(new SetAlong(Ids(3), [new(0, 0), new(1, 0), new(2, 0), new(3, 0)])).Field);
    }

    private static bool Near((double, double, double) a, (double, double, double) b) =>
        Math.Abs(a.Item1 - b.Item1) < 0.001 && Math.Abs(a.Item2 - b.Item2) < 0.001 && Math.Abs(a.Item3 - b.Item3) < 1e-6;

    [Theory]
    [InlineData("room-north", 0)]
    [InlineData("room-south", 180)]
    [InlineData("room-west", 90)]
    [InlineData("room-east", 270)]
    public void Backs_go_to_a_wall_one_after_another(string wallId, double turn)
    {
        var sample = Hall()
            .Place("i0", "cupboard-1000", 9000, 5000)
            .Place("i1", "desk-1400", 10_000, 7000)
            .Place("i2", "armchair", 11_000, 6000);
        var wall = sample.Plan.Find<Wall>(wallId)!;
        // By its name, or by a place beside it.
        var at = wall.Line.At(wall.Line.Length / 2, 300);
        sample.DoAndUndo(turn < 180 ? new SetAlongWall(Ids(3), wallId, 250) : new SetAlongWall(Ids(3), "", 250, at));
        var along = wall.Line.Direction(0);
        foreach (var id in Ids(3))
        {
            var placed = Placed(sample, id);
            Assert.Equal(turn, placed.Item.Rotation, 6);
            var back = placed.Item.Placement.Out(new Point(0, placed.Form.Body.MaxY));
            Assert.Equal(wall.Thickness / 2, Math.Abs(wall.Line.Nearest(back).Left), 0.001);
        }
        var inOrder = Ids(3).Select(id => Reach(Placed(sample, id), along)).OrderBy(e => e.From).ToArray();
        Assert.Equal(250, inOrder[1].From - inOrder[0].To, 0.001);
        Assert.Equal(250, inOrder[2].From - inOrder[1].To, 0.001);
        Assert.Equal("wallId", sample.Refused(new SetAlongWall(Ids(3), "none")).Field);
        Assert.Equal("gap", sample.Refused(new SetAlongWall(Ids(3), wallId, -1)).Field);
    }

    [Fact]
    public void Two_change_places_with_what_stands_on_them_and_others_turn_alike()
    {
        var sample = Hall()
            .Place("d", "desk-1600", 4000, 4000, 30)
            .Place("l", "desk-lamp", 4000, 4000)
            .Place("a", "armchair", 12_000, 8000, 270);
        var lamp = Of(sample, "d").Placement.In(Of(sample, "l").Placement.Origin);
        sample.DoAndUndo(new SwapItems("d", "a"));
        Assert.Equal(new Placement(12_000, 8000, 270), Of(sample, "d").Placement);
        Assert.Equal(new Placement(4000, 4000, 30), Of(sample, "a").Placement);
        Assert.True(Of(sample, "d").Placement.In(Of(sample, "l").Placement.Origin).DistanceTo(lamp) < 0.001);
        Assert.Equal("otherId", sample.Refused(new SwapItems("d", "l")).Field);
        Assert.Equal("ids", sample.Refused(new SwapItems("d", "d")).Field);
        sample.DoAndUndo(new MatchRotation(["d", "a"], "a"));
        Assert.Equal(30, Of(sample, "d").Rotation);
        Assert.Equal("ids", sample.Refused(new MatchRotation(["d", "a"], "a")).Field);
        Assert.Equal("toId", sample.Refused(new MatchRotation(["d"], "none")).Field);
    }

    /// <summary>At every 5 degrees round a point: own -y looks to it; to a wall it looks square.</summary>
    [Fact]
    public void Fronts_look_to_a_place_a_thing_or_a_wall()
    {
        var sample = Hall().Place("lectern", "lectern", 10_000, 6000);
        for (var i = 0; i < 72; i++)
        {
            var at = new Point(10_000, 6000) + Point.At(5 * i) * 4000;
            sample.Place($"i{i}", "banquet-chair", at.X, at.Y, 10);
        }
        sample.DoAndUndo(new FaceItems(Ids(72), default, "lectern"));
        for (var i = 0; i < 72; i++)
            Assert.True(Of(sample, $"i{i}").Placement.Turned(new Point(0, -1)).DistanceTo(Point.At(5 * i) * -1) < 1e-6);
        sample.DoAndUndo(new FaceItems(["i0"], new Point(14_000, 9000)));
        Assert.Equal(180, Of(sample, "i0").Rotation, 6);
        sample.DoAndUndo(new FaceItems(Ids(72), default, "room-north"));
        Assert.All(Ids(72), id => Assert.Equal(180, Of(sample, id).Rotation, 6));
        Assert.Equal("targetId", sample.Refused(new FaceItems(["i0"], default, "none")).Field);
        Assert.Equal("ids", sample.Refused(new FaceItems(Ids(72), default, "room-north")).Field);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(90)]
    [InlineData(215)]
    public void Dropped_beside_another_of_its_kind_it_stands_flush_and_in_line(double turn)
    {
        var sample = Hall().Place("a", "desk-1400", 10_000, 6000, turn);
        var frame = Of(sample, "a").Placement;
        var near = frame.Out(new Point(1400 + 90, 60));
        var place = new PlaceItem("b", PlanStart.SchemeId, PlanStart.LevelId, "desk-1400", near.X, near.Y, 0, 200);
        Assert.Equal("beside Desk 1400", sample.Planner.Probe(sample.Plan, place, PlanStart.SchemeId, PlanStart.LevelId).Caught);
        sample.Do(place);
        Assert.Equal(turn, Of(sample, "b").Rotation, 6);
        Assert.True(Of(sample, "b").Placement.Origin.DistanceTo(frame.Out(new Point(1400, 0))) < 0.001);
        // Further off it stays where it was dropped but for other catches; round tables with chairs between them never touch.
        var far = frame.Out(new Point(-1400 - 900, 0));
        sample.Do(place with { Id = "c", X = far.X, Y = far.Y, Rotation = 33 });
        Assert.Equal(33, Of(sample, "c").Rotation, 6);
        sample
            .Place("t", "round-table-1525", 4000, 3000)
            .Do(place with { Id = "u", Catalogue = "round-table-1525", X = 4000 + 1600, Y = 3000 });
        Assert.DoesNotContain(
            "beside",
            sample.Planner.Probe(sample.Plan, new MoveItems(["u"], 1, 1, 200), PlanStart.SchemeId, PlanStart.LevelId).Caught
        );
    }

    /// <summary>Near a corner of the walls: the back to one, the side to the other; beside a cupboard that stands there already.</summary>
    [Fact]
    public void Dropped_near_a_corner_it_goes_into_it_and_the_next_beside_it()
    {
        var sample = Hall();
        PlaceItem Place(string id, double x, double y) => new(id, PlanStart.SchemeId, PlanStart.LevelId, "cupboard-1000", x, y, 0, 300);
        sample.Do(Place("a", 620, 11_650));
        var a = Placed(sample, "a");
        Assert.Equal(0, a.Solids.Min(solid => solid.Bounds.MinX), 0.001);
        Assert.Equal(12_000, a.Solids.Max(solid => solid.Bounds.MaxY), 0.001);
        Assert.Equal(
            "into the corner",
            sample.Planner.Probe(sample.Plan, Place("p", 19_400, 11_650), PlanStart.SchemeId, PlanStart.LevelId).Caught
        );
        sample.Do(Place("b", 1620, 11_700));
        Assert.Equal(a.Solids.Max(solid => solid.Bounds.MaxX), Placed(sample, "b").Solids.Min(solid => solid.Bounds.MinX), 0.001);
        Assert.Empty(sample.State.Overlaps);
    }

    [Fact]
    public void What_is_locked_stays_and_bad_figures_are_refused_by_field()
    {
        var sample = Hall().Place("i0", "armchair", 3000, 3000).Place("i1", "armchair", 5000, 4000).Place("i2", "armchair", 9000, 5000);
        sample.Do(new LockThings(["i1"], true));
        // The locked one is the one that stays.
        sample.DoAndUndo(new LineUp(Ids(3), LineUpBy.LevelMiddles));
        Assert.Equal((4000, 4000, 4000), (Of(sample, "i0").Y, Of(sample, "i1").Y, Of(sample, "i2").Y));
        Assert.Contains("locked", sample.Refused(new SpreadItems(Ids(3), SpreadAlong.Across, 100)).Message);
        Assert.Contains("locked", sample.Refused(new LineUp(Ids(3), LineUpBy.WestEdges, "i0")).Message);
        Assert.Equal("staysId", sample.Refused(new LineUp(Ids(2), LineUpBy.WestEdges, "i2")).Field);
        Assert.Equal("ids", sample.Refused(new LineUp(["i0"], LineUpBy.WestEdges)).Field);
        Assert.Equal("ids", sample.Refused(new LineUp(["i0", "none"], LineUpBy.WestEdges)).Field);
        Assert.Equal("ids", sample.Refused(new LineUp(Ids(3), LineUpBy.LevelMiddles)).Field);
        Assert.Equal("gap", sample.Refused(new SpreadItems(Ids(3), SpreadAlong.Across, -1)).Field);
        Assert.Equal("pitch", sample.Refused(new SpreadItems(Ids(3), SpreadAlong.Across, null, 0)).Field);
        Assert.Equal("pitch", sample.Refused(new SpreadItems(Ids(3), SpreadAlong.Across, 1, 1)).Field);
        Assert.NotNull(sample.Refused(new SpreadItems(Ids(3), SpreadAlong.Across, double.NaN)));
        Assert.Equal("by", sample.Refused(new LineUp(Ids(3), (LineUpBy)9)).Field);
    }

    [Fact]
    public void One_is_drawn_before_the_others_and_what_lies_beneath_is_found()
    {
        var sample = Hall()
            .Place("rug", "rug-6x9", 5000, 5000)
            .Place("sofa", "sofa-three", 5000, 5500)
            .Place("lamp", "plant-600", 15_000, 5000)
            .Do(new PutThing(new KindsOfThing.Zones.Zone("z", PlanStart.SchemeId, PlanStart.LevelId, 5000, 5000, 0, 4000, 3000, "Corner")));
        sample.DoAndUndo(new OrderItems(["rug"], true));
        Assert.Equal(1, Of(sample, "rug").Order);
        sample.DoAndUndo(new OrderItems(["sofa"], true));
        Assert.Equal(2, Of(sample, "sofa").Order);
        sample.DoAndUndo(new OrderItems(["sofa", "lamp"], false));
        Assert.Equal((0, 0), (Of(sample, "sofa").Order, Of(sample, "lamp").Order));
        ImmutableArray<string> Selected(string id, SelectAll which) => Selecting.Of(sample.State, id, which);
        Assert.Equal(["rug"], Selected("sofa", SelectAll.Beneath));
        Assert.Empty(Selected("rug", SelectAll.Beneath));
        Assert.Equal(["rug", "sofa"], Selected("sofa", SelectAll.OfZone));
        Assert.Empty(Selected("lamp", SelectAll.OfZone));
        Assert.Equal(["lamp", "rug", "sofa"], Selected("sofa", SelectAll.OfRoom));
        Assert.Equal(["sofa"], Selected("sofa", SelectAll.OfKind));
        Assert.Empty(Selected("none", SelectAll.OfKind));
    }
}
