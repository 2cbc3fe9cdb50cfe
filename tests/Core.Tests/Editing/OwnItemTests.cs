using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Own items: drawn on the plan, taken together, told their front and the floor they need, set to size by points.</summary>
public sealed class OwnItemTests
{
    private static Sample Hall() => new Sample().Room(12_000, 8000).Door();

    private static KeepOutline Drawn(params ReadOnlySpan<Point> corners) =>
        new("own-1", "i-1", PlanStart.SchemeId, PlanStart.LevelId, "Plinth", CatalogueKind.Equipment, [.. corners], 900);

    private static readonly Point[] Angle =
    [
        new(2000, 2000),
        new(4000, 2000),
        new(4000, 2600),
        new(2600, 2600),
        new(2600, 3600),
        new(2000, 3600),
    ];

    private static KeepSelection Together(string[] ids, bool inTheirPlace = false) =>
        new("own-1", "i-1", PlanStart.SchemeId, [.. ids], "Corner for two", inTheirPlace);

    [Fact]
    public void What_is_drawn_is_kept_and_stands_where_it_was_drawn()
    {
        var sample = Hall().Do(Drawn(Angle));
        var placed = sample.State.Items.Single();
        Assert.Equal(new ItemSize(2000, 1600, 900), placed.Size);
        Assert.Equal("Plinth", placed.Name);
        // The corner that is left free is free: 2.0 x 0.6 and 0.6 x 1.0 m stand there.
        Assert.Equal(1.8, placed.Solids.Sum(solid => Math.Abs(Region.SignedArea([.. solid.Corners]))) / 1e6, 6);
        Assert.Contains(placed.Solids, solid => solid.Holds(new Point(2300, 3300)));
        Assert.DoesNotContain(placed.Solids, solid => solid.Holds(new Point(3500, 3300)));
        Assert.Equal(900, placed.Form.Prisms.Max(prism => prism.To));
        Assert.Contains(Schedule.Of(sample.State.Items, sample.Plan), row => row.Name == "Plinth");
    }

    [Fact]
    public void What_cannot_be_drawn_is_refused_by_field()
    {
        var sample = Hall();
        Assert.Equal("outline", sample.Refused(Drawn(new(0, 0), new(1000, 1000), new(1000, 0), new(0, 1200))).Field);
        Assert.Equal("outline", sample.Refused(Drawn(new(0, 0), new(1000, 0))).Field);
        Assert.Equal("outline", sample.Refused(Drawn(new(0, 0), new(1000, 0), new(2000, 0))).Field);
        Assert.Equal("name", sample.Refused(Drawn(Angle) with { Name = " " }).Field);
        Assert.Equal("name", sample.Refused(Drawn(Angle) with { Name = "Sofa, three seats" }).Field);
        Assert.Equal("ownId", sample.Refused(Drawn(Angle) with { OwnId = "sofa-three" }).Field);
        Assert.Equal("height", sample.Refused(Drawn(Angle) with { Height = 0 }).Field);
        Assert.True(sample.Refused(Drawn(Angle) with { Height = 9000 }).CanBeSure);
        Assert.Equal("x", sample.Refused(Drawn(new(2e6, 0), new(1000, 0), new(0, 900))).Field);
        sample.Do(Drawn(Angle));
        Assert.Equal("ownId", sample.Refused(Drawn(Angle) with { Name = "Another" }).Field);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(5)]
    [InlineData(90)]
    public void A_selection_becomes_one_own_item_with_its_seats_and_the_same_floor(double turn)
    {
        var sample = Hall().Place("d", "desk-1600", 4000, 4000).Place("c", "task-chair", 4000, 3300).Place("l", "desk-lamp", 4500, 4000);
        sample.Do(new RotateItems(["d", "c"], turn));
        var before = sample.State.Items;
        sample.Do(Together(["d", "c", "l"], true));
        var placed = sample.State.Items.Single();
        Assert.Equal(before.Sum(item => item.Form.Seats.Length), placed.Form.Seats.Length);
        var (was, now) = (before.Aggregate(Bounds.Empty, (box, item) => box.Including(item.Bounds)), placed.Bounds);
        Assert.InRange(now.MinX - was.MinX, -30, 3);
        Assert.InRange(now.MaxY - was.MaxY, -3, 30);
        // As high as the lamp on the desk reaches; each part where it was.
        Assert.Equal(before.Max(item => item.Top), placed.Top, 1);
        foreach (var point in new[] { new Point(4000, 4000) })
            Assert.Contains(placed.Solids, solid => solid.Holds(point));
        // It is one thing to move and to list.
        Assert.Single(Schedule.Of(sample.State.Items, sample.Plan));
        sample.Do(new MoveItems(["i-1"], 2000, 0));
        Assert.Equal(now.MinX + 2000, sample.State.Items.Single().Bounds.MinX, 3);
    }

    [Fact]
    public void The_outline_of_a_zone_is_picked_and_what_is_locked_stays()
    {
        var sample = Hall()
            .Do(new PutThing(new KindsOfThing.Zones.Zone("z", PlanStart.SchemeId, PlanStart.LevelId, 3000, 3000, 30, 2000, 1200, "Bay")))
            .Place("a", "armchair", 8000, 4000);
        sample.Do(Together(["z"]));
        var own = sample.Plan.Find<OwnItem>("own-1")!.Item;
        Assert.Equal((2000, 1200), (own.Size.Width, own.Size.Depth));
        Assert.Null(sample.Plan.Find("i-1"));
        var other = Together(["a"], true) with { OwnId = "own-2", Name = "Two" };
        sample.Do(new LockThings(["a"], true));
        Assert.Contains("locked", sample.Refused(other).Message);
        Assert.Equal("ids", sample.Refused(other with { Ids = [] }).Field);
        Assert.Equal("ids", sample.Refused(other with { Ids = ["nobody"] }).Field);
        Assert.Equal("ids", sample.Refused(other with { Ids = ["z"] }).Field);
        sample.Do(new AddScheme("s2", "Second", null));
        Assert.Contains("another scheme", sample.Refused(other with { SchemeId = "s2" }).Message);
    }

    /// <summary>The front of an outline is chosen: its box turns, its floor in use lies before it.</summary>
    [Fact]
    public void An_own_item_is_told_its_front_its_places_and_the_floor_it_needs()
    {
        var sample = Hall().Do(Drawn(new(2000, 2000), new(4000, 2000), new(4000, 2800), new(2000, 2800)));
        var own = sample.Plan.Find<OwnItem>("own-1")!;
        CatalogueItem Told(CatalogueItem item) => item with { Uses = new UseSpaces(Front: 700, Right: 300) };
        sample.Do(new PutOwnItem(own with { Item = Told(own.Item) }));
        var spaces = sample.State.Items.Single().Activity;
        Assert.Equal(["In front", "At the right"], spaces.Select(space => space.Name));
        Assert.Equal(new Bounds(2000, 1300, 4000, 2000), spaces[0].Floor.Bounds);
        Assert.Equal(new Bounds(4000, 2000, 4300, 2800), spaces[1].Floor.Bounds);
        // Its right side is the front now: it is 800 wide and 2000 deep.
        var turned = Told(own.Item) with
        {
            Size = new ItemSize(800, 2000, 450),
            Shape = own.Item.Shape! with { Front = 1 },
            Seats = new(Front: 2),
        };
        sample.Do(new PutOwnItem(own with { Item = turned }));
        var placed = sample.State.Items.Single();
        Assert.Equal((800, 2000), (Math.Round(placed.Form.Body.Width, 6), Math.Round(placed.Form.Body.Height, 6)));
        Assert.Equal(2, placed.Form.Seats.Length);
        Assert.All(placed.Form.Seats, seat => Assert.Equal(400, seat.Width, 6));
        Assert.Equal("seats", sample.Refused(new PutOwnItem(own with { Item = turned with { Seats = new(Front: 3) } })).Field);
        Assert.Equal("seats", sample.Refused(new PutOwnItem(own with { Item = turned with { Seats = new(Back: 1) } })).Field);
        Assert.Equal("uses", sample.Refused(new PutOwnItem(own with { Item = turned with { Uses = new(Back: -1) } })).Field);
        Assert.Equal("uses", sample.Refused(new PutOwnItem(own with { Item = turned with { Uses = new(Left: 5001) } })).Field);
        var shape = own.Item.Shape!;
        Assert.Equal("front", sample.Refused(new PutOwnItem(own with { Item = turned with { Shape = shape with { Front = 4 } } })).Field);
        Assert.Equal(
            "picture",
            sample
                .Refused(
                    new PutOwnItem(
                        own with
                        {
                            Item = turned with { Shape = shape with { Picture = new OwnPicture("R0lGODlhAQABAAAAACw=") } },
                        }
                    )
                )
                .Field
        );
        Assert.Equal(
            "parts",
            sample
                .Refused(
                    new PutOwnItem(
                        own with
                        {
                            Item = turned with { Shape = shape with { Parts = [new(PrismRole.Body, shape.Outline, 10, 5)] } },
                        }
                    )
                )
                .Field
        );
    }

    [Fact]
    public void Two_points_and_their_true_distance_set_an_outline_to_size()
    {
        var sample = Hall().Do(Drawn(Angle));
        // The 2.0 m side is truly 2.3 m; its left end stays.
        sample.Do(new SetToSize("i-1", new Point(2000, 2000), new Point(4000, 2000), 2300));
        var placed = sample.State.Items.Single();
        Assert.Equal((2300, 1840), (placed.Size.Width, placed.Size.Depth));
        Assert.Equal(2000, placed.Bounds.MinX, 2);
        Assert.Equal(2000, placed.Bounds.MinY, 2);
        Assert.Equal("to", sample.Refused(new SetToSize("i-1", new Point(5, 5), new Point(5, 5), 100)).Field);
        Assert.Equal("distance", sample.Refused(new SetToSize("i-1", new Point(5, 5), new Point(500, 5), 0)).Field);
        Assert.True(sample.Refused(new SetToSize("i-1", new Point(0, 0), new Point(500, 0), 5000)).CanBeSure);
        sample.Place("d", "desk-1400", 8000, 4000);
        Assert.Contains("true size", sample.Refused(new SetToSize("d", new Point(0, 0), new Point(500, 0), 600)).Message);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(35)]
    [InlineData(180)]
    public void Two_points_are_laid_onto_two_of_the_plan(double angle)
    {
        var sample = Hall().Do(Drawn(Angle)).Place("d", "desk-1400", 8000, 4000).Place("l", "desk-lamp", 8300, 4100);
        var (from, to) = (new Point(5000, 3000), new Point(5000, 3000) + Point.At(angle) * 2400);
        sample.Do(new LayOnto("i-1", new Point(2000, 2000), new Point(4000, 2000), from, to));
        var placed = sample.State.Items.Single(item => item.Item.Id == "i-1");
        Assert.Equal((2400, 1920), (placed.Size.Width, placed.Size.Depth));
        var foot = placed.Item.Placement.Out(new Point(-1200, -960));
        Assert.True(foot.DistanceTo(from) < 0.01, $"{foot}");
        Assert.True(placed.Item.Placement.Out(new Point(1200, -960)).DistanceTo(to) < 0.01);
        // A desk keeps its size: it is moved and turned, and what stands on it goes along.
        sample.Do(new LayOnto("d", new Point(7300, 3650), new Point(8700, 3650), from, to));
        var desk = sample.Plan.Find<Item>("d")!;
        Assert.Null(desk.Width);
        Assert.True(desk.Placement.Out(new Point(-700, -350)).DistanceTo(from) < 0.01);
        Assert.Equal((desk.Rotation + 360) % 360, (angle + 360) % 360, 6);
        Assert.True(desk.Placement.In(sample.Plan.Find<Item>("l")!.Placement.Origin).DistanceTo(new Point(300, 100)) < 0.01);
        Assert.Equal("to", sample.Refused(new LayOnto("d", from, from, from, to)).Field);
    }

    [Fact]
    public void A_box_has_drawers_doors_and_shelves_in_its_front()
    {
        var sample = Hall().Place("b", "fronted-box", 4000, 4000);
        Assert.Equal("Box with fronts, 4 drawers, 2 doors", Schedule.Of(sample.State.Items, sample.Plan).Single().Name);
        sample.Do(new ResizeItem("b", 900, 400, 1200));
        var told = sample.Plan.Find<Item>("b")!.Parameters!;
        // Rows keep their shares: 600, 150, 150 of 900 become 800, 200, 200 of 1200.
        Assert.Equal([800, 200, 200], told.List("rows"));
        sample.Do(new SetParameters("b", told.With("rows", 500, 700).With("fronts", 1, 3).With("columns", 3)));
        var form = sample.State.Items.Single().Form;
        Assert.Equal(3, form.Prisms.Count(prism => prism.Role == PrismRole.Front));
        Assert.Equal([(2.0, 498.0)], form.Prisms.Where(prism => prism.Role == PrismRole.Front).Select(p => (p.From, p.To)).Distinct());
        Assert.Equal("Box with fronts, 3 drawers, 3 shelves", Schedule.Of(sample.State.Items, sample.Plan).Single().Name);
        Assert.Equal(600, form.Activity.Single().Floor.Bounds.Height, 6);
        Assert.Equal("rows", sample.Refused(new SetParameters("b", told.With("rows", 500, 600, 200))).Field);
        Assert.Equal("fronts", sample.Refused(new SetParameters("b", told.With("fronts", 1))).Field);
        Assert.Equal("fronts", sample.Refused(new SetParameters("b", told.With("fronts", 1, 1, 5))).Field);
        Assert.Equal("columns", sample.Refused(new SetParameters("b", told.With("columns", 0))).Field);
    }
}
