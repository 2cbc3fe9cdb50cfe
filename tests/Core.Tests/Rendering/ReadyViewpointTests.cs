using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Tests.Rendering;

public class ReadyViewpointTests
{
    [Theory]
    [InlineData(1600, 1000, false)]
    [InlineData(600, 1000, false)]
    [InlineData(1600, 1000, true)]
    [InlineData(2000, 400, true)]
    public void A_look_at_a_level_holds_all_of_it_and_wastes_nothing(int width, int height, bool isDown)
    {
        var sample = new Sample().Room(12000, 8000).Door();
        var model = new Planner().ModelOf(sample.Plan, PlanStart.SchemeId);
        var level = model.Levels[0];
        var aspect = (double)width / height;
        var from = isDown
            ? ReadyViewpoints.StraightDown(level, PlanStart.SchemeId, aspect)
            : ReadyViewpoints.FromAbove(level, PlanStart.SchemeId, aspect);
        Assert.Null(from.Wrong());
        var lens = new Lens(Camera.Of(from, level.Elevation), width, height);
        var seen = level
            .Shell.SelectMany(part => part.Faces)
            .SelectMany(face => face.Corners)
            .Where(p => p.Z >= 0 && p.Z <= level.Height)
            .Select(p => lens.InPicture(lens.Seen(p with { Z = p.Z + level.Elevation })))
            .ToArray();
        var (left, right, top, bottom) = (seen.Min(p => p.X), seen.Max(p => p.X), seen.Min(p => p.Y), seen.Max(p => p.Y));
        Assert.InRange(left, 0, width);
        Assert.InRange(right, 0, width);
        Assert.InRange(top, 0, height);
        Assert.InRange(bottom, 0, height);
        // One of its two sizes nearly fills the picture, and it is in the middle of it.
        Assert.True(right - left > 0.9 * width || bottom - top > 0.9 * height, $"{right - left} x {bottom - top}");
        Assert.True(Math.Abs(left - (width - right)) < 0.06 * width, $"{left} left, {width - right} right");
        Assert.True(Math.Abs(top - (height - bottom)) < 0.12 * height, $"{top} above, {height - bottom} below");
    }
}
