using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Pictures;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Tests;

/// <summary>The shipped house is what its edits make, and its figures are what its sizes say.</summary>
public sealed class TidemillHouseTests
{
    private static readonly string File = Path.Combine(Demo.Root, "demo", "tidemill-house.wellsedes.json");

    [Fact]
    public void The_shipped_file_is_what_the_edits_draw()
    {
        if (Environment.GetEnvironmentVariable("WELLSEDES_WRITE_DEMO") == "1")
            TidemillFlat.Write();
        var drawn = TidemillHouse.Draw();
        var picture = Path.Combine(Demo.Root, "demo", "pictures", "keepers-flat.png");
        if (Environment.GetEnvironmentVariable("WELLSEDES_WRITE_DEMO") == "1")
        {
            System.IO.File.WriteAllBytes(picture, TidemillHouse.Picture());
            var pictures = drawn.All<Backing>().Select(b => new FilePicture(b.PictureId, b.Name, 1, System.IO.File.ReadAllBytes(picture)));
            System.IO.File.WriteAllBytes(File, PlanFiles.Write(drawn, pictures));
        }
        var (plan, carried) = PlanFiles.ReadWhole(System.IO.File.ReadAllBytes(File));
        Assert.Equal(drawn.Entities.Values.OrderBy(e => e.Id), plan.Entities.Values.OrderBy(e => e.Id));
        Assert.Equal(System.IO.File.ReadAllBytes(picture), Assert.Single(carried).File);
    }

    /// <summary>The flat is furnished so that everything fits, in both schemes: six dine in one, three sit at the island in the other.</summary>
    [Theory]
    [InlineData(PlanStart.SchemeId, 6)]
    [InlineData("open-house", 10)]
    public void Its_flat_is_furnished_and_everything_fits(string scheme, int seats)
    {
        var plan = PlanFiles.Read(System.IO.File.ReadAllBytes(File));
        var state = new Planner().StateOf(plan, scheme, "level-2");
        Assert.Equal(
            "",
            string.Join("; ", state.Overlaps.Select(overlap => $"{overlap.ItemName} in {overlap.OtherName} by {overlap.Depth:0}"))
        );
        Assert.Equal(seats, Core.Capacity.Tallying.Seats(state.Items).Seats);
        Assert.Equal(4, Core.Drawings.Finishes.OfShell(plan, scheme, state.Space).DistinctBy(finish => finish.Id).Count());
        Assert.Equal(2700, plan.Find<Item>($"{scheme}-kitchen")!.Parameters!.List("units").Sum(), 6);
    }

    /// <summary>
    /// A rug of 6 x 9 ft (common practice) from its picture, whose plain background is taken away: 2743 x 1829 mm, nearly all of the
    /// box is rug, and the picture keeps the proportion of the rug within a pixel or two.
    /// </summary>
    [Fact]
    public void Its_rug_is_cut_out_of_the_shipped_picture()
    {
        var cut = Cutout.Of(System.IO.File.ReadAllBytes(TidemillFlat.RugPicture), true, Cutout.UsualTolerance, []);
        var rug = TidemillFlat.Rug();
        Assert.Equal((2743.2, 1828.8), (Math.Round(rug.Size.Width, 3), Math.Round(rug.Size.Depth, 3)));
        Assert.Equal(rug.Size.Depth / rug.Size.Width, cut.DepthShare, 2);
        Assert.InRange(Math.Abs(Region.SignedArea(cut.Shape.Outline)) / (1e6 * cut.DepthShare), 0.93, 1);
        Assert.InRange(cut.Kept, 0.5, 0.7);
        Assert.Equal(Math.Abs(Region.SignedArea(rug.Shape!.Outline)), Math.Abs(Region.SignedArea(cut.Shape.Outline)), 2000.0);
        // It lies on the floor: the sofa stands on it, people walk over it.
        var plan = PlanFiles.Read(System.IO.File.ReadAllBytes(File));
        var placed = new Planner().StateOf(plan, PlanStart.SchemeId, "level-2").Items.Single(item => item.Kind.Key == "heath-rug");
        Assert.True(placed.LiesFlat);
    }

    [Fact]
    public void Its_levels_hold_what_their_sizes_say()
    {
        var plan = PlanFiles.Read(System.IO.File.ReadAllBytes(File));
        var state = new Planner().StateOf(plan, PlanStart.SchemeId, PlanStart.LevelId);
        double Area(string name) => state.Levels.SelectMany(l => l.Space.Rooms).Single(r => r.Room.Name == name).GrossInternal;
        Assert.Equal(234.0, Area("Millrace Hall"), 6);
        Assert.Equal(6.0 * 3.6, Area("Lobby"), 6);
        Assert.Equal(30.0, Area("Mill terrace"), 6);
        // Gross internal of the ground floor: hall, the strip of wall below it, stair hall, lobby and store with the walls between.
        var gross = 18 * 13 + 13.2 * 0.3 + 2.6 * 8.2 + 0.3 * 3.6 + 6 * 3.6 + 0.3 * 3.6 + 4 * 3.6;
        Assert.Equal(gross, state.Levels[0].Space.Floor.Areas.GrossInternal, 6);
        // Meeting rooms of glass 60 thick, 12 to 18 m by 9 to 13 m on centre lines.
        Assert.Equal(2.94 * 3.97, Area("Weir"), 6);
        Assert.Equal(5.2 * 5.2, Area("Living and kitchen"), 6);
        Assert.Equal(4.0 * 3.1, Area("Bedroom"), 6);
        Assert.Equal(4.0 * 2.0, Area("Bath"), 6);
        // Everybody gets everywhere on foot, from the street up to the bedroom; not without a step above the ground.
        var rooms = state.Levels.SelectMany(l => l.Rooms).ToArray();
        Assert.All(rooms, room => Assert.True(room.WayIn > 600, $"{room.RoomId}: {room.WayIn}"));
        Assert.All(state.Levels[0].Rooms, room => Assert.True(room.StepFree));
        Assert.All(state.Levels.Skip(1).SelectMany(l => l.Rooms), room => Assert.False(room.StepFree));
    }
}
