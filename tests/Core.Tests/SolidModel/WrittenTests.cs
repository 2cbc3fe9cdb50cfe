using System.Collections.Immutable;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Marks;
using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;
using Mark = Wellsedes.Core.KindsOfThing.Marks.Mark;

namespace Wellsedes.Core.Tests.SolidModel;

/// <summary>What is written on floors and signs, and what the walls around a room are finished in.</summary>
public sealed class WrittenTests
{
    private const string S = PlanStart.SchemeId;
    private const string L = PlanStart.LevelId;

    /// <summary>Each letter is a box, six tenths as wide and seven tenths as high as the lettering.</summary>
    private sealed class Boxes : ILettering
    {
        public double Width(string text, double size, bool bold) => 0.6 * size * text.Length;

        public ImmutableArray<Region> Letters(string text, double size) =>
            [
                .. Enumerable
                    .Range(0, text.Length)
                    .Where(i => text[i] != ' ')
                    .Select(i => new Region(
                        [.. Convex.Rectangle(new Point(0.6 * size * (i + 0.5 - text.Length / 2.0), 0), 0.5 * size, 0.7 * size).Corners],
                        []
                    )),
            ];
    }

    private static ShellPart Built(Sample sample, string id) =>
        sample.Planner.ModelOf(sample.Plan, S, lettering: new Boxes()).Levels[0].Shell.Single(part => part.Id == id);

    private static Sample With(Mark mark)
    {
        var sample = new Sample().Room(12_000, 9000).Door();
        sample.Do(new PutThing(mark));
        return sample;
    }

    private static Mark Sign(double x, double y, double turn, double? hangs) =>
        new("sign", S, L, MarkShape.Sign, x, y, turn, 1200, 300, "Way out", Hangs: hangs);

    [Theory]
    [InlineData(0)]
    [InlineData(5)]
    [InlineData(90)]
    public void A_text_lies_on_the_floor_as_long_and_as_high_as_it_is_drawn(double turn)
    {
        var mark = new Mark("text", S, L, MarkShape.Text, 5000, 4000, turn, 2000, 300, "Stand here");
        var part = Built(With(mark), "text");
        Assert.True(SolidTests.IsClosed(part.Faces));
        Point[] own = [.. part.Faces.SelectMany(face => face.Corners).Select(p => mark.Placement.In(new Point(p.X, p.Y)))];
        Assert.Equal(10 * 0.6 * 300 - 0.1 * 300, own.Max(p => p.X) - own.Min(p => p.X), 1e-6);
        Assert.Equal(0.7 * 300, own.Max(p => p.Y) - own.Min(p => p.Y), 1e-6);
        // Nine letters as the blank is none: each an area of its own, seen from above.
        var above = part.Faces.Where(face => face.Normal.Z > 0.99).ToArray();
        Assert.Equal(
            9 * 0.5 * 0.7 * 300 * 300,
            above.Sum(face => Region.SignedArea([.. face.Corners.Select(p => new Point(p.X, p.Y))])),
            1
        );
        Assert.All(part.Faces.SelectMany(face => face.Corners), p => Assert.InRange(p.Z, 0, 20));
    }

    /// <summary>400 mm before the wall at the far side, whose face is at 9000 mm; turned by 5 degrees it still hangs there.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(5)]
    public void A_sign_hangs_on_the_wall_behind_it_and_looks_at_who_reads_it(double turn)
    {
        var mark = Sign(5000, 8600, turn, 2100);
        var sample = With(mark);
        var part = Built(sample, "sign");
        Assert.True(SolidTests.IsClosed(part.Faces));
        var corners = part.Faces.SelectMany(face => face.Corners).ToArray();
        Assert.Equal([1950, 2250], new[] { corners.Min(p => p.Z), corners.Max(p => p.Z) }.Select(z => Math.Round(z, 6)));
        var back = corners.Select(p => mark.Placement.In(new Point(p.X, p.Y)).Y).Max();
        Assert.Equal(400 / Math.Cos(turn * Math.PI / 180), back, 0.01);
        // Its letters begin at the reader's left and look at them.
        var front = part.Faces.Where(face => face.Surface == Surface.Lettering && face.Normal.Dot(ReaderOf(mark)) > 0.99).ToArray();
        Assert.Equal(6 * 0.5 * 0.7 * 150 * 150, front.Sum(face => SolidTests.AreaOf(face)), 1);
        // Nothing of it lies on the floor.
        Assert.DoesNotContain(sample.Planner.ModelOf(sample.Plan, S).Levels[0].Lines, line => line.IsHeavy);
    }

    private static Point3 ReaderOf(Mark mark) => Point3.Over(mark.Placement.Turned(new Point(0, -1)), 0);

    [Fact]
    public void A_sign_with_no_wall_near_hangs_where_it_is_and_one_without_a_height_lies()
    {
        var free = Built(With(Sign(5000, 4000, 0, 2500)), "sign").Faces.SelectMany(face => face.Corners).ToArray();
        Assert.Equal(4000, free.Max(p => p.Y), 1e-6);
        var lying = Built(With(Sign(5000, 8600, 0, null)), "sign").Faces.SelectMany(face => face.Corners).ToArray();
        Assert.InRange(lying.Max(p => p.Z), 1, 20);
    }

    [Theory]
    [InlineData(100)]
    [InlineData(-5)]
    [InlineData(40_000)]
    public void A_sign_in_the_floor_or_the_sky_is_refused(double hangs)
    {
        var sample = new Sample().Room(12_000, 9000);
        Assert.Contains("hangs with its middle 150 to", sample.Refused(new PutThing(Sign(5000, 8600, 0, hangs)))!.Message);
    }

    /// <summary>
    /// A hall of 12 x 9 m, parted at x = 7 m (the partition 100 thick and 2.7 m high): the tint of the larger part is a sheet of its perimeter times its height, less the
    /// door; the long walls are sheeted only as far as it reaches.
    /// </summary>
    [Fact]
    public void Walls_are_sheeted_as_far_as_their_room_reaches_but_not_over_its_door()
    {
        var sample = new Sample().Room(12_000, 9000).Door();
        sample.Do(new DrawWalls("part", L, new(7000, -100), [new(new(7000, 9100))], false, "Stud 100"));
        var space = sample.Planner.SpaceOn(sample.Plan, L);
        var room = space.Rooms.Single(one => one.Named);
        sample.Do(new PutFinish(new Finish("tint", S, FinishOf.RoomWalls, room.Room.Id, FinishPattern.Plain, "#7FA6B8")));
        var level = sample.Planner.ModelOf(sample.Plan, S, new ViewpointShows(CutHeight: 1000)).Levels[0];
        var sheets = level.Shell.Where(part => part.Id == "tint").ToArray();
        Assert.All(sheets, sheet => Assert.True(SolidTests.IsClosed(sheet.Faces) && SolidTests.IsClosed(sheet.Low)));
        Assert.All(sheets, sheet => Assert.Equal("#7FA6B8", sheet.Tint));
        var perimeter = room.Outline.Sides().Sum(side => side.From.DistanceTo(side.To));
        var door = sample.Plan.All<Opening>().Single();
        var gap = room.Outline.Bounds.MaxX > door.Along && room.Outline.Bounds.MinX < door.Along ? door.Width : 0;
        double Sheeted(Func<ShellPart, ImmutableArray<ModelFace>> of) =>
            sheets.SelectMany(sheet => of(sheet)).Sum(face => Inward(face, room.Outline) ? SolidTests.AreaOf(face) : 0);
        Assert.Equal(perimeter * 3000 - 9000 * 300 - gap * door.Height, Sheeted(sheet => sheet.Faces), 1e4);
        Assert.Equal(perimeter * 1000 - gap * 1000, Sheeted(sheet => sheet.Low), 1e4);
    }

    /// <summary>Whether a face lies in the room and looks into it.</summary>
    private static bool Inward(ModelFace face, Region room)
    {
        var middle = face.Corners.Aggregate((a, b) => a + b) * (1.0 / face.Corners.Length);
        bool Holds(double off) => room.Holds(new Point(middle.X + off * face.Normal.X, middle.Y + off * face.Normal.Y));
        return Math.Abs(face.Normal.Z) < 0.01 && Holds(20) && !Holds(-20);
    }
}
