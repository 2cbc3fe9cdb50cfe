using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Tests.Rendering;

/// <summary>Pictures on floors and things in space: where the plan lays them, again and again.</summary>
public sealed class LaidPictureTests
{
    /// <summary>Any bytes that begin as a WebP: what is in it, the reader below says.</summary>
    private static readonly OwnPicture Picture = new(
        Convert.ToBase64String([.. "RIFF"u8, 20, 0, 0, 0, .. "WEBPVP8L"u8, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0])
    );

    /// <summary>Red and green above, blue and white below; see-through where it is asked to be.</summary>
    private sealed class Quarters(byte opacity = 255) : IPictureReader
    {
        public PicturePixels? Read(OwnPicture picture) =>
            new(2, 2, [200, 20, 20, opacity, 20, 200, 20, opacity, 20, 20, 200, opacity, 200, 200, 200, opacity]);
    }

    private static Sample Laid(double turn, double opacity = 1)
    {
        var sample = new Sample().Room(8000, 8000);
        sample.Do(new NameRoom("room", "Hall", "Assembly", ""));
        return sample.Do(
            new PutFinish(
                new Finish(
                    "f",
                    PlanStart.SchemeId,
                    FinishOf.Room,
                    "room",
                    FinishPattern.Picture,
                    "#808080",
                    1000,
                    1000,
                    turn,
                    opacity,
                    Picture
                )
            )
        );
    }

    private static SeenPicture Down(Sample sample, IPictureReader? reader, int size = 200)
    {
        var view = new Viewpoint("v", PlanStart.SchemeId, PlanStart.LevelId, "V", 4000, 4000, 2900, 90, -90, 60, new ViewpointShows());
        return SeenPicture.Of(
            sample.Planner.ModelOf(sample.Plan, PlanStart.SchemeId, view.Shows),
            sample.Plan,
            view,
            size,
            size,
            pictures: reader
        );
    }

    /// <summary>Straight down from 2.9 m each place of the floor has the quarter of the picture that the plan lays there, worked out from its place alone.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(5)]
    [InlineData(90)]
    public void A_floor_has_its_picture_where_the_plan_lays_it(double turn)
    {
        var picture = Down(Laid(turn), new Quarters());
        var half = 2897 * Math.Tan(30 * Math.PI / 180);
        var from = new Placement(0, 0, turn);
        var looked = 0;
        for (var y = 0; y < 200; y += 3)
        for (var x = 0; x < 200; x += 3)
        {
            var own = from.In(new Point(4000 + (x + 0.5 - 100) / 100 * half, 4000 - (y + 0.5 - 100) / 100 * half));
            var (across, up) = (own.X - 1000 * Math.Floor(own.X / 1000), own.Y - 1000 * Math.Floor(own.Y / 1000));
            if (new[] { across, up }.Any(one => Math.Abs(one % 500 - 250) > 210))
                continue;
            looked++;
            var at = (y * 200 + x) * 4;
            var (red, green, blue) = (picture.Pixels[at], picture.Pixels[at + 1], picture.Pixels[at + 2]);
            var seen = (red > 90, green > 90, blue > 90);
            Assert.Equal(
                (across < 500, up < 500) switch
                {
                    (true, false) => (true, false, false),
                    (false, false) => (false, true, false),
                    (true, true) => (false, false, true),
                    _ => (true, true, true),
                },
                seen
            );
        }
        Assert.True(looked > 1500, $"{looked}");
    }

    /// <summary>Without a reader, or where the picture is see-through, the floor has its own tone; half see-through it has half of it.</summary>
    [Fact]
    public void What_is_seen_through_shows_the_floor()
    {
        var (plain, clear) = (Down(Laid(0), null), Down(Laid(0), new Quarters(0)));
        Assert.Equal(plain.Pixels, clear.Pixels);
        var (full, part) = (Down(Laid(0), new Quarters()), Down(Laid(0, 0.5), new Quarters()));
        var at = (100 * 200 + 60) * 4;
        for (var i = 0; i < 3; i++)
            Assert.Equal((plain.Pixels[at + i] + full.Pixels[at + i]) / 2.0, part.Pixels[at + i], 1.5);
    }

    /// <summary>From far off a pixel is the mean of what it covers: no single quarter is seen any more.</summary>
    [Fact]
    public void Far_off_it_is_its_mean()
    {
        var sample = Laid(0);
        var view = new Viewpoint("v", PlanStart.SchemeId, PlanStart.LevelId, "V", 4000, 4000, 400_000, 90, -90, 2, new ViewpointShows());
        var model = sample.Planner.ModelOf(sample.Plan, PlanStart.SchemeId, view.Shows);
        var picture = SeenPicture.Of(model, sample.Plan, view, 16, 16, pictures: new Quarters());
        var at = (8 * 16 + 8) * 4;
        Assert.InRange(picture.Pixels[at] - picture.Pixels[at + 1], -6, 6);
        Assert.InRange(picture.Pixels[at + 1] - picture.Pixels[at + 2], -6, 6);
    }

    [Fact]
    public void A_picture_turns_with_the_thing_it_is_on()
    {
        var laid = new LaidPicture(new PicturePlace(Picture, new Point(-400, 300), new Point(800, 0), new Point(0, -600)));
        foreach (var turn in new[] { 0.0, 5, 90, 213 })
        {
            var at = new Placement(12_345, -678, turn);
            foreach (var own in new[] { new Point(-400, 300), new Point(400, -300), new Point(10, 20) })
            {
                var (expected, found) = (laid.Of(own), laid.At(at).Of(at.Out(own)));
                Assert.Equal(expected.Across, found.Across, 9);
                Assert.Equal(expected.Down, found.Down, 9);
            }
        }
        Assert.Equal((0.0, 0.0), laid.Of(new Point(-400, 300)));
        Assert.Equal((1.0, 1.0), laid.Of(new Point(400, -300)));
    }
}
