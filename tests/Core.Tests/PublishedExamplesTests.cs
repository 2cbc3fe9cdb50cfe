using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests;

/// <summary>
/// Worked examples of published values, held against what the program computes. Every value was recalled from
/// memory; nothing here was compared with a printed document. Each test names its source.
/// </summary>
public sealed class PublishedExamplesTests
{
    private const double Inch = 25.4;
    private const double Foot = 304.8;

    /// <summary>RICS Code of Measuring Practice, GIA: 30 x 20 m inside is 600 m², columns and internal walls stay in. NIA leaves columns out.</summary>
    [Fact]
    public void Gross_internal_area_keeps_columns_and_net_internal_area_does_not()
    {
        var sample = new Sample().Room(30_000, 20_000);
        // Three square metres of columns, as three of one square metre.
        for (var i = 0; i < 3; i++)
            sample.Do(new PutThing(new Column($"c{i}", PlanStart.LevelId, 5000 + 8000 * i, 9000, 0, 1000, 1000, false)));
        var room = sample.State.Space.Rooms.Single();
        Assert.Equal(600, room.GrossInternal, 6);
        Assert.Equal(597, room.NetInternal, 6);
    }

    /// <summary>ISO 5455: a plan of 32 x 18 m on the 390 x 277 mm of an A3 sheet (ISO 5457) comes out at 1:100; 19.4 x 13.8 m fits at 1:50.</summary>
    [Theory]
    [InlineData(32_000, 18_000, 100)]
    [InlineData(19_400, 13_800, 50)]
    public void The_largest_recommended_scale_on_A3(double width, double depth, double ratio) =>
        Assert.Equal(ratio, Scales.Largest(UnitSystem.Metric, width, depth, 390, 277).Ratio);

    /// <summary>ISO 5455: 46.5 mm on paper at 1:50 is 2.325 m.</summary>
    [Fact]
    public void A_length_on_paper_is_its_length_over_the_scale()
    {
        var map = new PaperMap(50, new Point(0, 0));
        Assert.Equal(46.5, map.ToPaper(new Point(2325, 0)).X, 9);
    }

    /// <summary>US customary architect's scale: 20 ft at 1/4 in to the foot is 5 in; 250 x 180 ft fits ARCH D at 1/8 in (31.25 x 22.5 in) and not at 3/16 in.</summary>
    [Fact]
    public void Architects_scales_on_ARCH_D()
    {
        var quarter = Scales.Imperial.Single(s => s.Name == "1/4\" = 1'-0\"");
        Assert.Equal(5, 20 * Foot / quarter.Ratio / Inch, 9);
        var paper = Papers.Find("ARCH D")!;
        var largest = Scales.Largest(UnitSystem.FeetInches, 250 * Foot, 180 * Foot, paper.Long, paper.Short);
        Assert.Equal(96, largest.Ratio);
        Assert.Equal((31.25, 22.5), (Math.Round(250 * Foot / 96 / Inch, 9), Math.Round(180 * Foot / 96 / Inch, 9)));
        Assert.True(250 * Foot / 64 > paper.Long);
    }

    /// <summary>ISO 216: the sides of A0 and A3 stand 1.414 to 1; A0 is 0.9999 m², A3 0.1247 m².</summary>
    [Theory]
    [InlineData("A0", 0.9999)]
    [InlineData("A3", 0.1247)]
    public void A_sizes_keep_their_shape(string name, double area)
    {
        var paper = Papers.Find(name)!;
        Assert.Equal(1.414, paper.Long / paper.Short, 3);
        Assert.Equal(area, paper.Short * paper.Long / 1e6, 4);
    }

    /// <summary>Common practice (event and banquet planning): a 6 ft table seats 3 a side, 8 with its ends; an 8 ft table 4 a side.</summary>
    [Theory]
    [InlineData("long-table-1830", 6, 8)]
    [InlineData("long-table-2440", 8, 10)]
    public void Straight_banquet_tables(string key, int sides, int withEnds)
    {
        var item = CatalogueList.Shipped.Find(key)!;
        Assert.Equal((sides, withEnds), (item.Seats.Total, item.MostSeats));
        var sample = new Sample().Room().Place("t", key, 4000, 3000);
        sample.Do(new SetSeats("t", item.Seats with { Left = 1, Right = 1 }));
        Assert.Equal(withEnds, sample.State.Tally.Seats);
        Assert.Empty(sample.State.Overlaps);
    }

    /// <summary>Common practice: 60 in between table edges, less 18 in of occupied chair on both sides, leaves a service aisle of 24 in.</summary>
    [Fact]
    public void The_service_aisle_between_occupied_chairs()
    {
        var sample = new Sample().Room(14_000, 6000).Door(4100, 1200);
        var table = CatalogueList.Shipped.Find("round-table-1525")!.Size.Width;
        sample.Place("a", "round-table-1525", 3000, 3000, 90).Place("b", "round-table-1525", 3000 + table + 60 * Inch, 3000, 90);
        sample.Do(new SetChecks(sample.Plan.All<Checks>().Single() with { OccupiedDepth = 18 * Inch }));
        var near = sample.Planner.NearTo(sample.State, new HashSet<string> { "b" }).Single(n => n.OtherId == "a");
        Assert.Equal(24 * Inch, near.Width, 6);
    }

    /// <summary>Common practice: 60 in rounds with 60 in between stand 10 ft apart, middle to middle; 72 in rounds 132 in.</summary>
    [Theory]
    [InlineData(60, 120)]
    [InlineData(72, 132)]
    public void Rounds_with_sixty_inches_between(double diameter, double middles) =>
        Assert.Equal(
            60 * Inch,
            Gap.Between(Convex.Disc(default, diameter * Inch / 2), Convex.Disc(new Point(middles * Inch, 0), diameter * Inch / 2)).Width,
            6
        );

    /// <summary>Common practice: a stage of 16 x 24 ft takes twelve decks of 4 x 8 ft, without a gap or an overlap.</summary>
    [Fact]
    public void Twelve_decks_make_a_stage()
    {
        var sample = new Sample().Room(12_000, 9000);
        for (var i = 0; i < 12; i++)
            sample.Place($"deck-{i}", "stage-deck-8x4", 2000 + (i % 3) * 8 * Foot, 2000 + i / 3 * 4 * Foot);
        Assert.Empty(sample.State.Overlaps);
        var stage = Polygons.Union(sample.State.Items.SelectMany(item => item.Solids));
        Assert.Equal(384 * Foot * Foot, Assert.Single(stage).Area, 1);
    }

    /// <summary>Common practice (typical product sizes): sizes of the catalogue are those of the source.</summary>
    [Theory]
    [InlineData("desk-1600", 1600, 800)]
    [InlineData("desk-1200", 1200, 800)]
    [InlineData("trestle-table-1830", 1830, 760)]
    [InlineData("stage-deck-2x1", 2000, 1000)]
    [InlineData("sofa-three", 2100, 900)]
    [InlineData("cupboard-1000", 1000, 450)]
    [InlineData("wheelchair-space", 800, 1300)]
    [InlineData("long-table-2440", 96 * Inch, 30 * Inch)]
    [InlineData("banquet-chair", 18 * Inch, 22 * Inch)]
    public void Catalogue_sizes(string key, double width, double depth)
    {
        var size = CatalogueList.Shipped.Find(key)!.Size;
        Assert.Equal(width, size.Width, 6);
        Assert.Equal(depth, size.Depth, 6);
    }
}
