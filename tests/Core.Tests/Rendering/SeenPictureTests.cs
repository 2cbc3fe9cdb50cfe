using System.Collections.Immutable;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Tests.Rendering;

public class SeenPictureTests
{
    private static readonly Planner Planner = new();

    private static Sample Hall()
    {
        var sample = new Sample().Room(10_000, 8000).Door();
        foreach (var (i, x, y) in new[] { (0, 3000.0, 3000.0), (1, 7000.0, 3000.0), (2, 5000.0, 6000.0) })
            sample.Do(new PlaceItem($"t{i}", PlanStart.SchemeId, PlanStart.LevelId, "round-table-1525", x, y, 0, Catch: 0));
        return sample;
    }

    private static Viewpoint Eye(
        double x,
        double y,
        double z,
        double heading,
        double pitch,
        double field = 60,
        ViewpointShows? shows = null
    ) => new("v", PlanStart.SchemeId, PlanStart.LevelId, "V", x, y, z, heading, pitch, field, shows ?? new ViewpointShows());

    /// <summary>Which face a ray meets first, one face after another: nothing of it is shared with the rasteriser.</summary>
    private static (int Face, double Far) Ray(IReadOnlyList<SeenFace> faces, Point3 eye, Point3 way)
    {
        var (best, nearest) = (-1, double.PositiveInfinity);
        for (var i = 0; i < faces.Count; i++)
        {
            var face = faces[i];
            var towards = face.Normal.Dot(way);
            if (towards >= 0 || face.Surface == Surface.Glass)
                continue;
            var far = face.Normal.Dot(face.Corners[0] - eye) / towards;
            if (far <= 0 || far >= nearest)
                continue;
            var p = eye + way * far;
            var inside = true;
            for (var c = 0; c < face.Corners.Length && inside; c++)
            {
                var (a, b) = (face.Corners[c], face.Corners[(c + 1) % face.Corners.Length]);
                inside = face.Normal.Dot((b - a).Cross(p - a)) >= 0;
            }
            if (inside)
                (best, nearest) = (i, far);
        }
        return (best, nearest);
    }

    [Theory]
    [InlineData(5000, -6000, 6500, 90, -35)]
    [InlineData(1200, 1200, 1600, 45, 0)]
    [InlineData(9000, 7500, 1150, 215, -8)]
    [InlineData(5000, 4000, 9000, 90, -90)]
    public void What_is_nearest_is_what_a_plain_ray_meets(double x, double y, double z, double heading, double pitch)
    {
        const int wide = 96;
        const int high = 64;
        var view = Eye(x, y, z, heading, pitch);
        var camera = Camera.Of(view, 0);
        var scene = SeenScene.Of(Planner.ModelOf(Hall().Plan, PlanStart.SchemeId), view, camera);
        SeenFace[] faces = [.. scene.Faces.Where(face => face.Surface != Surface.Glass)];
        var lens = new Lens(camera, wide, high);
        var raster = new Raster(wide, high);
        raster.Clear(0);
        var projection = lens.Project(faces);
        foreach (var polygon in projection.Polygons)
            raster.Draw(projection, polygon);
        var (same, met) = (0, 0);
        for (var py = 0; py < high; py++)
        for (var px = 0; px < wide; px++)
        {
            var way = lens.Through(px + 0.5, py + 0.5);
            var (face, far) = Ray(faces, camera.Eye, way);
            var at = py * wide + px;
            if (face < 0 && raster.Face[at] == Raster.Nothing)
                continue;
            met++;
            // The same face, or one that is as far off: two faces of a corner share their edge.
            if (face == raster.Face[at] || (face >= 0 && raster.Face[at] >= 0 && Math.Abs(1 / raster.Near[at] - far) < 2))
                same++;
        }
        Assert.True(met > wide * high / 3, $"{met}");
        // A ray through the very edge of a face may fall to either side.
        Assert.True(same >= met * 0.998, $"{same} of {met}");
    }

    [Fact]
    public void A_picture_in_parts_is_the_picture_as_a_whole()
    {
        var hall = Hall();
        var view = Eye(5000, -6000, 6500, 90, -35);
        var model = Planner.ModelOf(hall.Plan, PlanStart.SchemeId);
        // Two bands high, and five.
        var (small, again) = (SeenPicture.Of(model, hall.Plan, view, 120, 100), SeenPicture.Of(model, hall.Plan, view, 120, 100));
        Assert.Equal(small.Pixels, again.Pixels);
        var large = SeenPicture.Of(model, hall.Plan, view, 360, 300);
        // The larger picture, three pixels taken as one, is the smaller one but for its edges.
        var near = 0;
        for (var y = 0; y < 100; y++)
        for (var x = 0; x < 120; x++)
        {
            var off = 0;
            for (var part = 0; part < 3; part++)
            {
                var sum = 0;
                for (var i = 0; i < 9; i++)
                    sum += large.Pixels[((y * 3 + i / 3) * 360 + x * 3 + i % 3) * 4 + part];
                off = Math.Max(off, Math.Abs(sum / 9 - small.Pixels[(y * 120 + x) * 4 + part]));
            }
            if (off <= 12)
                near++;
        }
        Assert.True(near > 0.85 * 12_000, $"{near} of 12000");
    }

    [Fact]
    public void Near_walls_are_cut_and_the_far_ones_stand()
    {
        var hall = Hall();
        var model = Planner.ModelOf(hall.Plan, PlanStart.SchemeId);
        var view = Eye(5000, -6000, 6500, 90, -35);
        double Highest(Viewpoint view, string wall) =>
            SeenScene
                .Of(model, view, Camera.Of(view, 0))
                .Faces.Where(face => face.Owner == wall && face.Surface is Surface.Wall or Surface.Cut)
                .SelectMany(face => face.Corners)
                .Max(p => p.Z);
        Assert.Equal(900, Highest(view, "room-south"), 1e-6);
        Assert.Equal(3000, Highest(view, "room-north"), 1e-6);
        // On one's feet none is cut; from the north the other one is; at a typed height as typed.
        Assert.Equal(3000, Highest(view with { Shows = new ViewpointShows(Inside: true) }, "room-south"), 1e-6);
        Assert.Equal(900, Highest(Eye(5000, 14_000, 6500, 270, -35), "room-north"), 1e-6);
        var higher = Planner.ModelOf(hall.Plan, PlanStart.SchemeId, new ViewpointShows(CutHeight: 1500));
        var scene = SeenScene.Of(higher, view, Camera.Of(view, 0));
        Assert.Equal(
            1500,
            scene.Faces.Where(face => face.Owner == "room-south" && face.Surface == Surface.Cut).Max(f => f.Corners.Max(p => p.Z)),
            1e-6
        );
        // Of what was taken off the edges are drawn: up to the wall's own top.
        Assert.Equal(3000, scene.Lines.Max(line => Math.Max(line.From.Z, line.To.Z)), 1e-6);
    }

    [Fact]
    public void Light_is_stopped_by_what_stands_in_its_way()
    {
        // A box 1 m high on a floor: light at 45 degrees from the east leaves a metre west of it in the shade.
        SeenFace[] faces =
        [
            .. Faces(Solids.Upright(Convex.Rectangle(new Point(0, 0), 20_000, 20_000), -10, 0, Surface.Floor)),
            .. Faces(Solids.Upright(Convex.Rectangle(new Point(0, 0), 1000, 1000), 0, 1000, Surface.Body)),
        ];
        var map = new LightMap(faces, new Point3(1, 0, 1).Unit(), 1024);
        foreach (var (x, lit) in new[] { (-400.0 - 200, false), (-1400.0, false), (-1600.0, true), (700.0, true), (-3000.0, true) })
            Assert.Equal(lit, map.Reaches(new Point3(x, 0, 1), double.PositiveInfinity));
        Assert.False(map.Reaches(new Point3(-1400, 0, 1), 2000));
        // Far enough away it does not darken.
        Assert.True(map.Reaches(new Point3(-1400, 0, 1), 1000));

        static IEnumerable<SeenFace> Faces(ImmutableArray<ModelFace> faces) =>
            faces.Select(face => new SeenFace([.. face.Corners], face.Normal, 1, default, face.Surface, ""));
    }

    [Fact]
    public void Sun_through_a_window_falls_where_it_must()
    {
        // A window of 2 m in the south wall, sill 900, head 2100; the noon sun of an equinox at 45 degrees north stands 45 degrees high.
        var sample = new Sample().Room(10_000, 8000);
        sample.Do(
            new PutOpening(
                new Opening("window", "room-south", OpeningKind.Window, 5100, 2000, 2000, 1200, 900, OpeningMark.None, false, false, "")
            )
        );
        sample.Do(new SetDetails("Sun", Core.Units.UnitSystem.Metric, 0, new Site(45, 0, 0)));
        var noon = Enumerable
            .Range(660, 120)
            .Select(m => new Daylight(2026, 3, 20, m / 60.0))
            .MaxBy(at => Sun.At(new Site(45, 0, 0), at).Altitude)!;
        var view = Eye(5000, 4000, 9000, 90, -90, 60, new ViewpointShows(Daylight: noon));
        var lit = SeenPicture.Of(Planner.ModelOf(sample.Plan, PlanStart.SchemeId, view.Shows), sample.Plan, view, 200, 200);
        var dark = SeenPicture.Of(
            Planner.ModelOf(sample.Plan, PlanStart.SchemeId, view.Shows),
            sample.Plan,
            view with
            {
                Shows = new ViewpointShows(Daylight: noon with { Hour = 0 }),
            },
            200,
            200
        );
        int At(SeenPicture picture, double x, double y)
        {
            var (px, py) = new Lens(Camera.Of(view, 0), 200, 200).InPicture(
                new Lens(Camera.Of(view, 0), 200, 200).Seen(new Point3(x, y, 0))
            );
            return picture.Pixels[((int)py * 200 + (int)px) * 4];
        }
        // The patch lies from 900 to 2100 north of the wall, less its thickness of 200 at the head.
        Assert.True(At(lit, 5000, 1400) > At(lit, 5000, 3500) + 25, $"{At(lit, 5000, 1400)} over {At(lit, 5000, 3500)}");
        Assert.True(Math.Abs(At(lit, 2500, 1400) - At(lit, 5000, 3500)) < 20);
        Assert.True(Math.Abs(At(dark, 5000, 1400) - At(dark, 5000, 3500)) < 20);
    }

    [Fact]
    public void People_sit_on_every_seat_and_findings_stand_where_they_are()
    {
        var hall = Hall();
        var shown = Planner.ModelOf(hall.Plan, PlanStart.SchemeId, new ViewpointShows(People: true, Findings: true)).Levels[0];
        Assert.Equal(24, shown.Nodes.Count(node => node.Kind.StartsWith("person-seated", StringComparison.Ordinal)));
        Assert.Equal(24, shown.Seats.Length);
        Assert.DoesNotContain(
            Planner.ModelOf(hall.Plan, PlanStart.SchemeId).Levels[0].Nodes,
            node => node.Kind.StartsWith("person", StringComparison.Ordinal)
        );
        // Who sits looks at the table.
        foreach (var seat in shown.Seats)
        {
            var table = hall.Plan.Find<Item>(seat.ItemId)!.Placement.Origin;
            var way = seat.Heading * Math.PI / 180;
            Assert.True((table - seat.At).Unit().Dot(new Point(Math.Cos(way), Math.Sin(way))) > 0.999, $"{seat}");
        }
        // Two tables on top of each other: a pin stands between them.
        hall.Do(new PlaceItem("over", PlanStart.SchemeId, PlanStart.LevelId, "round-table-1525", 3300, 3000, 0, Catch: 0));
        var found = Planner.ModelOf(hall.Plan, PlanStart.SchemeId, new ViewpointShows(Findings: true)).Levels[0].Shell;
        var pins = found
            .Where(part => part.Surface is Surface.Finding or Surface.Pinch && part.Faces.Any(face => face.Corners.Any(p => p.Z > 1800)))
            .ToArray();
        Assert.NotEmpty(pins);
        Assert.Contains(
            pins,
            pin => pin.Faces.SelectMany(face => face.Corners).All(p => p.X is > 2000 and < 4500 && p.Y is > 2000 and < 4000)
        );
    }

    [Theory]
    [InlineData(0, 100)]
    [InlineData(100, 8001)]
    [InlineData(-5, 100)]
    public void A_size_that_is_none_is_refused_with_the_sizes_that_are(int width, int height) =>
        Assert.Contains("16 to 8000", SeenPicture.Wrong(width, height)!.Message, StringComparison.Ordinal);

    [Theory]
    [InlineData(5000, 100, 1500)]
    [InlineData(900_000, 900_000, 900_000)]
    [InlineData(5000, 4000, -50_000)]
    public void From_inside_a_wall_a_kilometre_off_and_below_the_ground_a_picture_is_taken_all_the_same(double x, double y, double z)
    {
        var hall = Hall();
        var view = Eye(x, y, z, 45, 0);
        var picture = SeenPicture.Of(Planner.ModelOf(hall.Plan, PlanStart.SchemeId), hall.Plan, view, 64, 48);
        Assert.Equal(64 * 48 * 4, picture.Pixels.Length);
        Assert.All(Enumerable.Range(0, 64 * 48), i => Assert.Equal(255, picture.Pixels[i * 4 + 3]));
    }

    [Fact]
    public void Nobody_waits_for_a_picture_that_is_no_longer_wanted()
    {
        var hall = Hall();
        using var stop = new CancellationTokenSource();
        var told = new List<double>();
        Assert.ThrowsAny<OperationCanceledException>(() =>
            SeenPicture.Of(
                Planner.ModelOf(hall.Plan, PlanStart.SchemeId),
                hall.Plan,
                Eye(5000, -6000, 6500, 90, -35),
                1600,
                1000,
                done =>
                {
                    lock (told)
                        told.Add(done);
                    stop.Cancel();
                },
                cancel: stop.Token
            )
        );
        Assert.True(told.Max() < 0.6, $"{told.Max()}");
    }
}
