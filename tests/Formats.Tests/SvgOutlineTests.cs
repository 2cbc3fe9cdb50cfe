using System.Globalization;
using System.Text;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Wellsedes.Formats.Svg;

namespace Wellsedes.Formats.Tests;

/// <summary>Pictures taken in as outlines of own items: read at true size, and refused where they do or ask for anything.</summary>
public sealed class SvgOutlineTests
{
    private static (OwnShape? Shape, ItemSize Size, Problem? Problem) Read(string inside, double width = 1000) =>
        SvgOutlines.Read(
            Encoding.UTF8.GetBytes($"<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 100 100\">{inside}</svg>"),
            width,
            750
        );

    private static double Area(OwnShape shape) => Math.Abs(Region.SignedArea(shape.Outline));

    [Fact]
    public void An_L_is_read_at_the_typed_width_with_its_front_at_the_foot()
    {
        var (shape, size, problem) = Read("<path d=\"M0 0h100v40h-60v60H0z\"/>", 2000);
        Assert.Null(problem);
        Assert.Equal(new ItemSize(2000, 2000, 750), size);
        Assert.Equal((100 * 40 + 40 * 60) * 400.0, Area(shape!), 1);
        // The arm goes down in the picture: towards the front.
        Assert.Contains(shape!.Outline, p => p.X < -999 && p.Y < -999);
        Assert.DoesNotContain(shape.Outline, p => p.X > 999 && p.Y < -999);
    }

    /// <summary>Every way SVG 1.1 has to draw the same square of 40 about the middle, by figures worked out by hand.</summary>
    [Theory]
    [InlineData("<rect x=\"30\" y=\"30\" width=\"40\" height=\"40\"/>")]
    [InlineData("<polygon points=\"30,30 70,30 70,70 30,70\"/>")]
    [InlineData("<path d=\"m30,30 40,0 0,40 -40,0Z\"/>")]
    [InlineData("<path d=\"M30 30L70-0L70 70H30Z\" transform=\"matrix(1 0 0 1 0 0)\"/>", 5.5)]
    [InlineData(
        "<g transform=\"translate(50 50) scale(2)\"><g transform=\"rotate(90)\"><rect x=\"-10\" y=\"-10\" width=\"20\" height=\"20\"/></g></g>"
    )]
    public void The_same_shape_drawn_in_other_ways(string drawn, double times = 1)
    {
        var (shape, size, _) = Read(drawn, 400);
        Assert.Equal(400, size.Width, 6);
        if (times == 1)
            Assert.Equal(160_000, Area(shape!), 1);
        else
            Assert.True(Area(shape!) > 160_000);
    }

    [Fact]
    public void Circles_and_arcs_are_round()
    {
        var (circle, _, _) = Read("<circle cx=\"50\" cy=\"50\" r=\"20\"/>", 800);
        Assert.Equal(Math.PI * 400 * 400, Area(circle!), 0.01 * Math.PI * 400 * 400);
        var (arc, size, _) = Read("<path d=\"M30 50A20 20 0 0 1 70 50A20 20 0 01 30 50Z\"/>", 800);
        Assert.Equal(Math.PI * 400 * 400, Area(arc!), 0.01 * Math.PI * 400 * 400);
        Assert.Equal(800, size.Depth, 1.0);
        var (curve, curved, _) = Read("<path d=\"M0 50C0 22.4 22.4 0 50 0S100 22.4 100 50Q100 100 50 100T0 50Z\"/>");
        Assert.NotNull(curve);
        Assert.Equal(1000, curved.Width);
    }

    [Fact]
    public void Lines_inside_are_kept_and_make_no_floor()
    {
        var (shape, _, _) = Read(
            "<rect width=\"100\" height=\"50\"/><line x1=\"10\" y1=\"10\" x2=\"90\" y2=\"40\"/><circle cx=\"50\" cy=\"25\" r=\"5\"/>"
        );
        Assert.Equal(4, shape!.Outline.Length);
        Assert.Equal(2, shape.Lines.Length);
    }

    [Theory]
    [InlineData("<script>alert(1)</script>", "<script>")]
    [InlineData("<rect width=\"1\" height=\"1\" onload=\"x()\"/>", "script")]
    [InlineData("<image href=\"http://example.invalid/a.png\"/>", "<image>")]
    [InlineData("<use href=\"#a\"/>", "<use>")]
    [InlineData("<rect width=\"9\" height=\"9\" style=\"fill:url(http://example.invalid/x)\"/>", "outside itself")]
    [InlineData("<foreignObject/>", "<foreignObject>")]
    [InlineData("<path d=\"M0 0 X\"/>", "does not know")]
    [InlineData("<path d=\"M0 0 L5\"/>", "wants a figure")]
    [InlineData("<path d=\"5 5\"/>", "cannot be read")]
    [InlineData("<g transform=\"matrix(1)\"/>", "transform")]
    [InlineData("<text>words</text>", "no shape")]
    [InlineData("<rect width=\"1e30\" height=\"9\"/>", "figures")]
    [InlineData("<rect", "no SVG that can be read")]
    public void What_does_or_asks_for_anything_is_refused(string inside, string says)
    {
        var (shape, _, problem) = Read(inside);
        Assert.Null(shape);
        Assert.Contains(says, problem!.Message);
    }

    [Fact]
    public void Files_that_are_too_much_are_refused_at_once()
    {
        Assert.Contains(
            "60 deep",
            Read(string.Concat(Enumerable.Repeat("<g>", 10_000)) + string.Concat(Enumerable.Repeat("</g>", 10_000))).Problem!.Message
        );
        Assert.Contains(
            "5000 elements",
            Read(string.Concat(Enumerable.Repeat("<rect width=\"9\" height=\"9\"/>", 20_000))).Problem!.Message
        );
        var points = new StringBuilder("<path d=\"M0 0");
        for (var i = 0; i < 200_000; i++)
            points.Append("l1 1");
        Assert.Contains("points", Read(points.Append("\"/>").ToString()).Problem!.Message);
        Assert.Contains("kB", SvgOutlines.Read(new byte[2_000_000], 1000, 700).Problem!.Message);
        Assert.Contains(
            "no SVG",
            SvgOutlines.Read("<!DOCTYPE svg [<!ENTITY a \"b\">]><svg>&a;</svg>"u8.ToArray(), 1000, 700).Problem!.Message
        );
        Assert.Contains("another", SvgOutlines.Read("<html/>"u8.ToArray(), 1000, 700).Problem!.Message);
        Assert.Equal("width", SvgOutlines.Read("<svg/>"u8.ToArray(), double.NaN, 700).Problem!.Field);
    }

    /// <summary>An own outline stands where it was put, takes the floor it is drawn with, and is read back from a file.</summary>
    [Fact]
    public void An_own_outline_is_placed_measured_and_read_back()
    {
        var (shape, size, _) = Read("<path d=\"M0 0h100v40h-60v60H0z\"/>", 2000);
        var planner = new Planner();
        var plan = Plan.Of(PlanStart.Entities("Own", UnitSystem.Metric), Shipped.Library);
        var item = CatalogueList.Shipped.Find("sofa-two")! with
        {
            Key = "own",
            Name = "L",
            Maker = FormMaker.Outline,
            Size = size,
            Shape = shape,
            Counted = "",
            Parts = 0,
            Parameters = null,
        };
        foreach (
            var edit in (Edit[])
                [
                    new MakeRoom("room", PlanStart.LevelId, "Room", 8000, 6000, 200, 3000),
                    new PutOwnItem(new OwnItem("own", item)),
                    new PlaceItem("a", PlanStart.SchemeId, PlanStart.LevelId, "own", 4000, 3000),
                    new ResizeItem("a", 1000),
                ]
        )
            Assert.True(plan.TryApply(planner.Answer(plan, edit).Change!, out plan, out _));
        var placed = planner.StateOf(plan, PlanStart.SchemeId, PlanStart.LevelId).Items.Single();
        Assert.Equal(1000, placed.Form.Body.Width, 3);
        Assert.Equal(size.Depth, placed.Form.Body.Height, 3);
        Assert.Equal((100 * 40 + 40 * 60) * 200.0, Polygons.Union(placed.Form.Solids).Sum(region => region.Area), 100.0);
        var again = PlanFile.PlanFiles.Read(PlanFile.PlanFiles.Write(plan, []));
        Assert.Equal(shape!.Outline, again.Find<OwnItem>("own")!.Item.Shape!.Outline);
        // Outlines that cannot be are refused by field.
        var crossing = item with
        {
            Shape = new OwnShape([new(0, 0), new(100, 100), new(100, 0), new(0, 100)], []),
        };
        Assert.Equal("outline", planner.Answer(plan, new PutOwnItem(new OwnItem("own", crossing))).Problem!.Field);
        Assert.Equal("shape", planner.Answer(plan, new PutOwnItem(new OwnItem("own", item with { Shape = null }))).Problem!.Field);
    }

    /// <summary>Two thousand spoilt files: each is read or refused, none breaks anything or takes long.</summary>
    [Fact]
    public void Two_thousand_spoilt_files_are_read_or_refused()
    {
        var random = new Random(9);
        var whole =
            "<svg xmlns=\"http://www.w3.org/2000/svg\"><g transform=\"translate(1,2) rotate(30 5 5)\"><path d=\"M0 0h100v40c1 2 3 4 -60 9a5 5 0 01 9 9v60H0z\"/><rect x=\"1\" y=\"2\" width=\"30\" height=\"40\"/><polygon points=\"1,2 3,4 5,0\"/></g></svg>";
        var read = 0;
        for (var i = 0; i < 2000; i++)
        {
            var bytes = Encoding.UTF8.GetBytes(whole);
            for (var spoil = random.Next(6); spoil >= 0; spoil--)
                if (random.Next(3) == 0)
                    bytes = [.. bytes[..random.Next(bytes.Length)], .. bytes[random.Next(bytes.Length)..]];
                else if (bytes.Length > 0)
                    bytes[random.Next(bytes.Length)] = (byte)"0123456789.-eMLAzZ<>\"' "[random.Next(23)];
            var (shape, size, problem) = SvgOutlines.Read(bytes, 1000, 700);
            Assert.True(shape is null != problem is null);
            if (shape is null)
                continue;
            read++;
            Assert.Null(shape.Wrong());
            Assert.True(double.IsFinite(size.Depth) && size.Depth > 0, size.ToString());
            var form = FormMaker.Make(FormMaker.Outline, new MakerInput(size, default, default, 0, 0, MakerParameters.None, shape));
            Assert.True(form.Solids.Length > 0);
        }
        Assert.True(read > 100, string.Create(CultureInfo.InvariantCulture, $"{read} of 2000 could be read"));
    }
}
