using System.Globalization;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Walkways;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Tests;

/// <summary>
/// Small plans whose true widths (mm) were worked out by an independent program, by pairs of gaps and parity; files of the
/// first version.
/// </summary>
public sealed class KnownPlansTests
{
    private static PlanState Of(string name)
    {
        var plan = PlanFiles.Read(
            File.ReadAllBytes(Path.Combine(Demo.Root, "tests", "Formats.Tests", "Files", "Walkways", $"{name}.json"))
        );
        return new Planner().StateOf(plan, PlanStart.SchemeId, plan.FirstLevel.Id);
    }

    private static Way To(PlanState state, string owner, TargetKind kind) =>
        state.Levels.SelectMany(level => level.Walkways.Ways).First(way => way.Target.OwnerId == owner && way.Target.Kind == kind);

    [Theory]
    [InlineData("h1-plant-in-wide-entrance", "chair", TargetKind.Seat, 1200)]
    [InlineData("h1b-plant-before-entrance", "chair", TargetKind.Seat, 1227.78)]
    [InlineData("h2-exit-door-500", "out", TargetKind.Exit, 500)]
    [InlineData("h3-only-door-500", "io", TargetKind.Exit, 500)]
    [InlineData("exit500-turned-5", "io", TargetKind.Exit, 500)]
    [InlineData("h3b-two-doors-500", "io", TargetKind.Exit, 500)]
    [InlineData("h3b-two-doors-500", "io2", TargetKind.Exit, 700)]
    [InlineData("h4-stair-head-300-from-cupboards", "chair", TargetKind.Seat, 300)]
    [InlineData("h4b-stair-foot-300", "chair", TargetKind.Seat, 300)]
    [InlineData("h4b-stair-foot-300", "stair", TargetKind.Flight, 300)]
    [InlineData("h5-upper-level-with-own-narrow-entrance", "bar", TargetKind.Place, 1000)]
    public void The_way_is_as_wide_as_it_is(string name, string owner, TargetKind kind, double width) =>
        Assert.Equal(width, To(Of(name), owner, kind).Width, 0.01);

    [Fact]
    public void A_desk_in_the_doorway_narrows_the_way_in()
    {
        var state = Of("random-114");
        var ways = state.Walkways.Ways.Where(way => way.Target.Kind == TargetKind.Seat).ToArray();
        Assert.NotEmpty(ways);
        Assert.All(ways, way => Assert.True(way.Width <= 531.5, string.Create(CultureInfo.InvariantCulture, $"{way.Width}")));
        Assert.Contains(ways, way => Math.Abs(way.Width - 531) < 0.6);
        Assert.Contains(state.Findings, finding => finding.Kind == FindingKind.Walkway && Math.Abs(finding.Measured - 531) < 0.6);
    }

    [Theory]
    [InlineData("h2-exit-door-500")]
    [InlineData("h3-only-door-500")]
    [InlineData("exit500-turned-5")]
    [InlineData("h4-stair-head-300-from-cupboards")]
    [InlineData("h6-dance-floor-hemmed")]
    public void What_is_too_narrow_is_a_finding(string name) =>
        Assert.Contains(Of(name).Findings, finding => finding.Kind == FindingKind.Walkway && finding.Measured < finding.Needed);

    [Theory]
    [InlineData("h1-plant-in-wide-entrance")]
    [InlineData("h1b-plant-before-entrance")]
    public void What_is_wide_enough_is_none(string name) =>
        Assert.DoesNotContain(Of(name).Findings, finding => finding.Kind == FindingKind.Walkway);

    [Fact]
    public void A_dance_floor_is_as_clear_as_the_room_round_its_middle()
    {
        // Two plants of 600 across stand 800 apart, the middle of the floor between them.
        var way = To(Of("h6-dance-floor-hemmed"), "df", TargetKind.Place);
        Assert.Equal(200, way.Width, 0.01);
        Assert.Equal(200, way.Pinch!.OnA.DistanceTo(way.Pinch.OnB), 0.01);
    }

    [Theory]
    [InlineData("random-83")]
    [InlineData("random-195")]
    public void A_curved_wall_is_covered_to_its_ends_and_by_no_more_than_a_millimetre(string name)
    {
        var state = Of(name);
        var curved = state.Plan.All<Wall>().Where(wall => !wall.Line.IsStraight).ToArray();
        Assert.NotEmpty(curved);
        foreach (var wall in curved)
        {
            var bodies = state.Space.Pieces.Select(piece => piece.Body).ToArray();
            var own = state.Space.Pieces.Where(piece => piece.Wall == wall).Select(piece => piece.Body).ToArray();
            var half = wall.Thickness / 2;
            for (var along = 0.0; along <= wall.Length; along += 7)
                foreach (var side in (ReadOnlySpan<int>)[-1, 1])
                {
                    var just = wall.Line.At(along, side * (half - 0.01));
                    Assert.True(bodies.Min(body => body.DistanceTo(just)) <= 1e-6, $"{name}: {wall.Id} is bare {along} along");
                    if (along > 1000 && along < wall.Length - 1000)
                        Assert.True(own.Min(body => body.DistanceTo(wall.Line.At(along, side * (half + 1)))) > 0, $"{along} along");
                }
        }
    }

    [Theory]
    [InlineData("gia-cross-4000-3000")]
    [InlineData("gia-cross-5000-3000")]
    [InlineData("gia-cross-5000-4000")]
    public void Partitions_that_cross_make_no_outside_wall(string name) => Assert.Equal(74.69, Of(name).Space.Floor.Areas.GrossInternal, 2);

    [Fact]
    public void A_narrow_door_is_found_however_the_plan_is_turned()
    {
        var plan = Of("h3-only-door-500").Plan;
        for (var turn = 0; turn < 360; turn += 5)
        {
            var turned = Plan.Of(
                plan.Entities.Values.Select(entity => entity is Wall w ? w with { Start = Turned(w.Start), End = Turned(w.End) } : entity),
                plan.Library
            );
            var state = new Planner().StateOf(turned, PlanStart.SchemeId, plan.FirstLevel.Id);
            var finding = Assert.Single(state.Findings, f => f.Kind == FindingKind.Walkway);
            Assert.Equal(500, finding.Measured, 0.01);

            Point Turned(Point p) => new Placement(0, 0, turn).Out(p);
        }
    }

    [Fact]
    public void Every_finding_has_an_id_of_its_own()
    {
        foreach (var file in Directory.EnumerateFiles(Path.Combine(Demo.Root, "tests", "Formats.Tests", "Files", "Walkways")))
        {
            var ids = Of(Path.GetFileNameWithoutExtension(file)).Findings.Select(finding => finding.Id).ToArray();
            Assert.Equal(ids.Distinct(), ids);
        }
    }
}
