using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.KindsOfThing.Fittings;
using Wellsedes.Core.KindsOfThing.LowCeilings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Fixed things, setting-out lines and backings.</summary>
public sealed class ThingTests
{
    private const string L = PlanStart.LevelId;

    [Fact]
    public void A_column_is_placed_by_its_offsets_from_two_walls_and_repeated_on_a_grid()
    {
        var sample = new Sample().Room(12000, 8000);
        sample.Do(new PutThing(new Column("c", L, 5000, 5000, 0, 400, 400, false)));
        sample.Do(new PutByOffsets("c", [new("room-west", 1800), new("room-south", 2000, true)]));
        var column = sample.Plan.Find<Column>("c")!;
        Assert.Equal((2000, 2000), (column.X, column.Y));
        sample.Do(new RepeatThing("c", "cs", 4, 2, 2600, 4000));
        var all = sample.Plan.All<Column>().ToArray();
        Assert.Equal(8, all.Length);
        Assert.Equal((9800, 6000), (all.Max(c => c.X), all.Max(c => c.Y)));
        Assert.Contains("run alike", sample.Refused(new PutByOffsets("c", [new("room-west", 1), new("room-east", 1)])).Message);
        Assert.Contains("2\u00a0000 places".Replace("\u00a0", ""), sample.Refused(new RepeatThing("c", "x", 500, 500, 1, 1)).Message);
    }

    [Fact]
    public void Offsets_count_from_a_slanted_wall_too()
    {
        var sample = new Sample().Do(
            new DrawWalls("c", L, new(0, 0), [new(new(4000, 0)), new(new(4000, 4000)), new(new(0, 3000))], true, "Stud 100")
        );
        sample.Do(new PutThing(new Column("c", L, 2000, 1500, 0, 200, 200, true)));
        sample.Do(new PutByOffsets("c", [new("c-3", 500), new("c-4", 700)]));
        var disc = sample.Plan.Find<Column>("c")!.Floor();
        var slanted = sample.Plan.Find<Wall>("c-3")!;
        Assert.Equal(500 + 50 + 100, Math.Abs(slanted.Line.Nearest(sample.Plan.Find<Column>("c")!.Placement.Origin).Left), 6);
        Assert.Equal(700 + 50, disc.Bounds.MinX, 6);
    }

    [Fact]
    public void A_new_stair_goes_up_to_the_level_above_by_risers_nearest_to_the_usual_ones()
    {
        var ready = Flight.ThingKind.Ready.Single(one => one.Label == "Stair");
        var made = ready.From(Flight.ThingKind.Make("f", L, PlanStart.SchemeId, default));
        var alone = new Sample().Do(new PutThing(made)).Plan.Find<Flight>("f")!;
        Assert.Equal(("", 2700, 15), (alone.ToLevelId, alone.Rise, alone.Risers));
        var sample = new Sample()
            .Do(new PutLevel(new Level("up", "First floor", 3000, 2700)))
            .Do(new PutLevel(new Level("top", "Second floor", 6100, 2700)));
        sample.Do(new PutThing(made));
        var flight = sample.Plan.Find<Flight>("f")!;
        // 3000 / 175 = 17.1: 17 risers of 176.
        Assert.Equal(("up", 3000, 17), (flight.ToLevelId, flight.Rise, flight.Risers));
        // One that stands is changed by what is typed, and 0 is then a mistake.
        Assert.Equal("risers", sample.Refused(new PutThing(flight with { Risers = 0 })).Field);
    }

    [Fact]
    public void Every_form_a_kind_is_offered_in_can_be_put_into_a_new_plan()
    {
        foreach (var kind in KindsOfThing.Shipped.Library.Kinds.All)
        {
            var template = kind.Make("new", L, PlanStart.SchemeId, new(3000, 2000));
            foreach (var ready in kind.Ready.IsDefault ? [new ReadyMade(kind.Word, thing => thing)] : kind.Ready)
                Assert.Equal(kind.Type, new Sample().Room().Do(new PutThing(ready.From(template))).Plan.Find("new")!.GetType());
        }
        var fittings = KindsOfThing.Fittings.Fitting.ThingKind;
        Assert.Equal(
            Enum.GetValues<FittingKind>(),
            fittings.Ready.Select(ready => ((Fitting)ready.From(fittings.Make("f", L, "", default))).Kind)
        );
    }

    [Fact]
    public void A_flight_between_levels_rises_by_what_lies_between_them()
    {
        var sample = new Sample().Do(new PutLevel(new Level("up", "First floor", 3000, 2700)));
        sample.Do(new PutThing(new Flight("f", L, FlightKind.Stair, 0, 0, 0, 1000, 4000, 1, 17, "up")));
        Assert.Equal(3000, sample.Plan.Find<Flight>("f")!.Rise);
        sample.Do(new PutLevel(new Level("up", "First floor", 3230, 2700)));
        Assert.Equal(3230, sample.Plan.Find<Flight>("f")!.Rise);
        Assert.Contains(
            "riser",
            sample.Refused(new PutThing(new Flight("g", L, FlightKind.Stair, 0, 0, 0, 1000, 4000, 1, 5, "up"))).Message
        );
        Assert.Contains("goes up to", sample.Refused(new Remove(["up"])).Message);
    }

    [Theory]
    [InlineData(500, 2500, 1500, 2000)]
    [InlineData(500, 2500, 2500, 4000)]
    [InlineData(1600, 2500, 1500, 0)]
    public void A_sloping_ceiling_reaches_a_height_where_its_slope_says(double low, double high, double height, double depth) =>
        Assert.Equal(depth, new LowCeiling("c", L, 0, 0, 0, 3000, 4000, low, high).Lost(height)?.Bounds.Height ?? 0, 6);

    [Fact]
    public void Lines_are_set_out_from_a_wall_at_a_spacing()
    {
        var sample = new Sample().Room(6000, 4000);
        sample.Do(new SetOutFromWall("room-south", "line", 600, true, 3, 1200));
        var lines = sample.Plan.All<SettingOutLine>().ToArray();
        Assert.Equal([600, 1800, 3000], lines.Select(line => Math.Round(line.Y, 6)));
        Assert.All(lines, line => Assert.Equal(0, line.Angle, 6));
        sample.Do(new SetOut(new SettingOutLine("free", L, 0, 0, 405)));
        Assert.Equal(45, sample.Plan.Find<SettingOutLine>("free")!.Angle, 6);
        // Furniture is drawn to a line and to a crossing.
        sample.Do(new SetOut(new SettingOutLine("up", L, 2000, 0, 90)));
        sample.Do(new PlaceItem("t", PlanStart.SchemeId, L, "round-table-1525", 2080, 1850, Catch: 120));
        var table = sample.Plan.Find<Item>("t")!;
        Assert.Equal((2000, 1800), (Math.Round(table.X, 6), Math.Round(table.Y, 6)));
    }

    private static Backing Picture(double scale = 10) =>
        new("b", L, "0190a000-0000-7000-8000-000000000001", "Sketch", 2000, 1000, 0, 0, 0, scale);

    [Fact]
    public void One_known_length_sets_the_scale_and_its_first_point_stays()
    {
        var sample = new Sample().Do(new PutBacking(Picture()));
        var fixedPoint = sample.Plan.Find<Backing>("b")!.ToLevel(new Point(300, 400));
        sample.Do(new ScaleBacking("b", [new KnownLength(new(300, 400), new(600, 800), 2500)]));
        var backing = sample.Plan.Find<Backing>("b")!;
        Assert.Equal(5, backing.Scale, 9);
        Assert.Equal(0, backing.ToLevel(new Point(300, 400)).DistanceTo(fixedPoint), 6);
        Assert.Equal("By one length of 2\u00a0500", backing.ScaleFrom);
    }

    [Fact]
    public void Two_lengths_that_disagree_leave_an_error_that_is_told()
    {
        var sample = new Sample().Do(new PutBacking(Picture()));
        sample.Do(new ScaleBacking("b", [new KnownLength(new(0, 0), new(1000, 0), 5000), new KnownLength(new(0, 0), new(0, 500), 2600)]));
        var backing = sample.Plan.Find<Backing>("b")!;
        // s = (1000 x 5000 + 500 x 2600) / (1000² + 500²)
        Assert.Equal(6_300_000 / 1_250_000.0, backing.Scale, 9);
        Assert.Contains("left over: +40 (0.8%, check both), −80 (3.1%, check both)", backing.ScaleFrom);
    }

    [Fact]
    public void An_area_or_the_drawings_own_scale_will_do()
    {
        var sample = new Sample().Do(new PutBacking(Picture()));
        sample.Do(new ScaleBacking("b", Corners: [new(0, 0), new(400, 0), new(400, 300), new(0, 300)], Area: 12));
        Assert.Equal(10, sample.Plan.Find<Backing>("b")!.Scale, 9);
        sample.Do(new ScaleBacking("b", StatedScale: 50, PaperWidth: 420));
        Assert.Equal(420.0 / 2000 * 50, sample.Plan.Find<Backing>("b")!.Scale, 9);
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void It_is_turned_until_a_line_on_it_is_level_or_upright(bool upright)
    {
        var sample = new Sample().Do(new PutBacking(Picture() with { Rotation = 12 }));
        var (from, to) = (new Point(100, 900), upright ? new Point(110, 300) : new Point(1500, 880));
        sample.Do(new LevelBacking("b", from, to, upright));
        var backing = sample.Plan.Find<Backing>("b")!;
        var line = backing.ToLevel(to) - backing.ToLevel(from);
        Assert.Equal(0, upright ? line.X : line.Y, 6);
        Assert.Equal(
            0,
            new Backing("x", L, backing.PictureId, "x", 2000, 1000, 0, 0, 12, 10).ToLevel(from).DistanceTo(backing.ToLevel(from)),
            6
        );
    }

    [Fact]
    public void What_makes_no_sense_on_a_backing_is_refused_by_name()
    {
        var sample = new Sample().Do(new PutBacking(Picture()));
        Assert.Contains("same place", sample.Refused(new ScaleBacking("b", [new KnownLength(new(1, 1), new(1, 1), 500)])).Message);
        Assert.Contains("more than 0", sample.Refused(new ScaleBacking("b", [new KnownLength(new(1, 1), new(9, 9), 0)])).Message);
        Assert.Contains(
            "at least one of the picture",
            sample.Refused(new PutBacking(Picture() with { CropLeft = 1500, CropRight = 500 })).Message
        );
        sample.Do(new LockThings(["b"], true));
        Assert.Contains("locked", sample.Refused(new ScaleBacking("b", StatedScale: 50, PaperWidth: 420)).Message);
    }
}
