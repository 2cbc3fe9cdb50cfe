using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Tests.Rendering;

/// <summary>What people on seats see of a stage, counted from a picture, against plain rays to points of the stage.</summary>
public class SightTests
{
    private const string S = PlanStart.SchemeId;
    private const string L = PlanStart.LevelId;
    private static readonly Planner Planner = new();

    /// <summary>A hall of ten rows of ten chairs before a cabinet that stands for a stage, two columns in the way.</summary>
    private static Sample Hall()
    {
        var sample = new Sample().Room(14_000, 16_000).Door();
        sample.Do(new PlaceItem("stage", S, L, "lectern", 7000, 14_500, 0, Width: 1200, Depth: 600, Height: 1200));
        foreach (var (i, x) in new[] { (0, 4800.0), (1, 9200.0) })
            sample.Do(new PutThing(new Core.KindsOfThing.Columns.Column($"column-{i}", L, x, 10_500, 0, 500, 500, false)));
        for (var row = 0; row < 10; row++)
        for (var seat = 0; seat < 10; seat++)
            sample.Do(new PlaceItem($"c-{row}-{seat}", S, L, "stacking-chair", 3850 + seat * 700, 2000 + row * 900, 180));
        return sample;
    }

    [Fact]
    public void A_hundred_seats_see_as_much_of_the_stage_as_plain_rays_do()
    {
        var hall = Hall();
        var model = Planner.ModelOf(hall.Plan, S, new ViewpointShows(People: true));
        var level = model.Levels[0];
        var seats = level.Seats.Where(seat => seat.ItemId.StartsWith("c-", StringComparison.Ordinal)).ToArray();
        Assert.Equal(100, seats.Length);
        var towards = new Point3(7000, 14_500, 700);
        var (least, most) = (1.0, 0.0);
        foreach (var seat in seats)
        {
            var own = level with
            {
                // Nobody looks through their own head.
                Nodes = [.. level.Nodes.Where(node => node.At.Origin.DistanceTo(seat.At) > 450)],
            };
            var seen = model with { Levels = [own] };
            var view = Sight.FromSeat(seat, S, L, 1200, towards) with { FieldOfView = 20 };
            var share = new Sight(seen, view).ShareOf("stage")!.Value;
            (least, most) = (Math.Min(least, share), Math.Max(most, share));
            var rays = ByRays(seen, view);
            Assert.True(Math.Abs(share - rays) < 0.06, $"{seat.Name} sees {share:0.00}, rays say {rays:0.00}");
        }
        // The first row sees all of it, somebody far back little.
        Assert.True(most > 0.97 && least < 0.75, $"{least:0.00} to {most:0.00}");
    }

    /// <summary>Of rays through a grid of the picture that would meet the stage alone those that meet nothing before it. Nothing of the rasteriser is used.</summary>
    private static double ByRays(PlanModel model, Viewpoint view)
    {
        var camera = Camera.Of(view, 0);
        var faces = SeenScene.Of(model, view, camera).Faces;
        var stage = faces.Where(face => face.Owner == "stage").ToArray();
        var others = faces.Where(face => face.Owner != "stage" && face.Surface != Surface.Glass).ToArray();
        var half = Math.Tan(view.FieldOfView * Math.PI / 360);
        var (met, free) = (0, 0);
        for (var i = 0; i < 44; i++)
        for (var j = 0; j < 44; j++)
        {
            var way = camera.Forward + camera.Right * ((i - 21.5) / 22 * half * 1.6) + camera.Up * ((j - 21.5) / 22 * half);
            if (Nearest(stage, camera.Eye, way) is not { } far)
                continue;
            met++;
            if (Nearest(others, camera.Eye, way) is not { } before || before > far)
                free++;
        }
        return (double)free / met;
    }

    private static double? Nearest(SeenFace[] faces, Point3 eye, Point3 way)
    {
        double? nearest = null;
        foreach (var face in faces)
        {
            var towards = face.Normal.Dot(way);
            if (towards >= 0)
                continue;
            var far = face.Normal.Dot(face.Corners[0] - eye) / towards;
            if (far <= 0 || far >= (nearest ?? double.PositiveInfinity))
                continue;
            var p = eye + way * far;
            var inside = true;
            for (var c = 0; c < face.Corners.Length && inside; c++)
                inside = face.Normal.Dot((face.Corners[(c + 1) % face.Corners.Length] - face.Corners[c]).Cross(p - face.Corners[c])) >= 0;
            if (inside)
                nearest = far;
        }
        return nearest;
    }

    [Fact]
    public void What_is_seen_is_listed_the_largest_first_with_where_and_how_far()
    {
        var hall = Hall();
        var model = Planner.ModelOf(hall.Plan, S);
        var view = new Viewpoint("v", S, L, "V", 7000, 12_000, 1600, 90, -5, 60, new ViewpointShows(Inside: true));
        var stage = new Sight(model, view).Things().Single(thing => thing.Id == "stage");
        Assert.Equal(2200, stage.Distance, 150.0);
        Assert.InRange(stage.Aside, -0.05, 0.05);
        // Turned to the left it lies at the right; with one's back to it it is not seen.
        Assert.True(new Sight(model, view with { Heading = 110 }).Things().Single(thing => thing.Id == "stage").Aside > 0.3);
        var back = new Sight(model, view with { Heading = 270 }).Things();
        Assert.DoesNotContain(back, thing => thing.Id == "stage");
        Assert.Null(new Sight(model, view with { Heading = 270 }).ShareOf("stage"));
        Assert.Equal(back.Select(thing => thing.Share).OrderDescending(), back.Select(thing => thing.Share));
    }

    [Fact]
    public void A_slope_hangs_down_to_its_clear_heights_and_stairs_open_the_ceiling()
    {
        var sample = new Sample().Room(6000, 6000).Door();
        sample.Do(
            new PutThing(new Core.KindsOfThing.LowCeilings.LowCeiling("slope", L, 3000, 800, 0, 6000, 1600, 1200, 2400)) { Sure = true }
        );
        var slope = Planner.ModelOf(sample.Plan, S).Levels[0].Shell.Single(part => part.Id == "slope");
        Assert.Equal(Surface.Ceiling, slope.Surface);
        Assert.Equal(1200, slope.Faces.SelectMany(face => face.Corners).Min(p => p.Z), 1e-6);
        // Half-way up the slope it is half-way between.
        var under = slope.Faces.Single(face => face.Normal.Z < -0.5);
        var at = under.Corners[0];
        var middle = at.Z - (under.Normal.X * (3000 - at.X) + under.Normal.Y * (800 - at.Y)) / under.Normal.Z;
        Assert.Equal(1800, middle, 1e-6);
        double Ceiling() =>
            Planner
                .ModelOf(sample.Plan, S)
                .Levels[0]
                .Shell.Where(part => part.Name.StartsWith("Ceiling", StringComparison.Ordinal))
                .SelectMany(part => part.Faces)
                .Where(face => face.Normal.Z < -0.5)
                .Sum(face => Area(face.Corners));
        Assert.Equal(36e6, Ceiling(), 1.0);
        sample
            .Do(new PutLevel(new Level("up", "Upper floor", 3500, 2800)))
            .Do(new PutThing(new Flight("stair", L, FlightKind.Stair, 3000, 4000, 0, 1000, 3000, 3500, 20, "up")) { Sure = true });
        Assert.Equal(36e6 - 3e6, Ceiling(), 1.0);
    }

    private static double Area(IReadOnlyList<Point3> ring)
    {
        var sum = default(Point3);
        for (var i = 0; i < ring.Count; i++)
            sum += ring[i].Cross(ring[(i + 1) % ring.Count]);
        return sum.Length / 2;
    }
}
