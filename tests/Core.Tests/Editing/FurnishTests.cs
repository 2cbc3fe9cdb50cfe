using Wellsedes.Core.Capacity;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>What things are and the size that was bought: placing at a size, own items, stock, changing one kind for another.</summary>
public sealed class FurnishTests
{
    private static PlaceItem Placing(string id, string catalogue, double x, double y) =>
        new(id, PlanStart.SchemeId, PlanStart.LevelId, catalogue, x, y);

    private static Sample Hall() => new Sample().Room(12_000, 8000).Door();

    [Fact]
    public void An_item_is_placed_at_the_size_that_was_bought()
    {
        var sample = Hall().Do(Placing("d", "desk-1400", 3000, 3000) with { Width = 1450, Depth = 780, Height = 735 });
        var placed = sample.State.Items.Single();
        Assert.Equal(new ItemSize(1450, 780, 735), placed.Size);
        Assert.Equal(1450, placed.Form.Body.Width, 6);
        // Its name no longer says 1400.
        Assert.Equal("Desk", placed.Name);
        Assert.Equal("Desk", Schedule.Of(sample.State.Items, sample.Plan).Single(row => row.Tag == "D").Name);
        var asked = sample.Refused(Placing("t", "dining-table-1600", 3000, 5000) with { Depth = 5000 });
        Assert.True(asked is { Field: "depth", CanBeSure: true });
        Assert.Contains("500", asked.Message);
        sample.Do(Placing("t", "dining-table-1600", 3000, 5000) with { Depth = 5000, Sure = true });
        Assert.Equal("width", sample.Refused(Placing("n", "desk-1400", 0, 0) with { Width = -1 }).Field);
        Assert.Equal("width", sample.Refused(Placing("n", "desk-1400", 0, 0) with { Width = double.NaN }).Field);
    }

    [Fact]
    public void A_cell_resized_has_its_panels_anew_and_a_line_its_units()
    {
        var sample = Hall().Do(Placing("c", "cell-10x12", 5000, 4000)).Do(new ResizeItem("c", 3657.6, 3657.6));
        Assert.Equal(4, sample.State.Items.Single().Solids.Count(solid => solid.Bounds.Width > 500 && solid.Bounds.MinY > 5700));
        sample.Do(Placing("k", "kitchen-line-3600", 9000, 3000) with { Width = 3250 });
        var line = sample.Plan.Find<Item>("k")!;
        Assert.Equal(3250, line.Parameters!.List("units").Sum(), 6);
        Assert.Equal("Kitchen line, 6 units", Schedule.Of(sample.State.Items, sample.Plan).Single(row => row.Tag == "KU").Name);
    }

    [Fact]
    public void Things_come_to_their_usual_heights()
    {
        var sample = Hall()
            .Place("desk", "desk-1600", 3000, 3000)
            .Place("lamp", "desk-lamp", 3300, 3000)
            .Place("tray", "paper-tray", 8000, 3000)
            .Place("cup", "wall-unit-600", 6000, 7635)
            .Place("box", "drawer-box", 3000, 5000)
            .Place("tv", "display-55", 6000, 7800);
        Item Of(string id) => sample.Plan.Find<Item>(id)!;
        Assert.Equal(("desk", 740.0), (Of("lamp").StandsOn, Of("lamp").Elevation));
        Assert.Equal((null, 0.0), (Of("tray").StandsOn, Of("tray").Elevation));
        Assert.Equal(1400, Of("cup").Elevation);
        Assert.Equal(1000, Of("tv").Elevation);
        // A desk made higher lifts what stands on it; the lamp stands in nothing.
        sample.Do(new ResizeItem("desk", Height: 760));
        Assert.Equal(760, Of("lamp").Elevation);
        Assert.DoesNotContain(sample.State.Overlaps, overlap => overlap.ItemId == "lamp" || overlap.OtherId == "lamp");
    }

    /// <summary>Common practice, from memory: eight dine at 2440 x 1070, six at 1830 x 910; rounds of 1530 seat eight.</summary>
    [Theory]
    [InlineData("dining-table-1600", 8, 2440, 1070)]
    [InlineData("dining-table-1200", 8, 2440, 1070)]
    [InlineData("dining-table-2700", 6, 1830, 910)]
    [InlineData("round-table-1220", 8, 1530, 1530)]
    [InlineData("round-table-900", 10, 1830, 1830)]
    public void A_table_is_set_for_a_number_of_diners(string key, int diners, double width, double depth)
    {
        var sample = Hall().Place("t", key, 6000, 4000).Do(new SeatDiners("t", diners));
        var placed = sample.State.Items.Single();
        Assert.Equal((width, depth), (placed.Size.Width, placed.Size.Depth));
        Assert.Equal(diners, placed.Form.Seats.Length);
        Assert.Equal(diners, sample.State.Tally.Seats);
        // No two of its chairs stand in each other.
        for (var i = 0; i < diners; i++)
        for (var j = i + 1; j < diners; j++)
            Assert.True(Gap.Between(placed.Seated[i], placed.Seated[j]).Width > -1, $"{i} {j}");
        Assert.Contains("1 to 40", sample.Refused(new SeatDiners("t", 41)).Message);
    }

    [Fact]
    public void Every_number_of_diners_has_a_table()
    {
        var sample = new Sample().Room(30_000, 30_000);
        sample
            .Place("s", "dining-table-1600", 15_000, 20_000)
            .Place("r", "round-table-1525", 15_000, 8000)
            .Place("o", "oval-table-2400", 25_000, 15_000);
        for (var diners = 1; diners <= TableSizes.MostDiners; diners++)
            foreach (var id in (string[])["s", "r", "o"])
            {
                sample.Do(new SeatDiners(id, diners));
                Assert.Equal(diners, sample.State.Items.Single(item => item.Item.Id == id).Form.Seats.Length);
            }
        Assert.Equal("Nobody dines at “Desk 1400”.", sample.Place("d", "desk-1400", 3000, 3000).Refused(new SeatDiners("d", 4)).Message);
    }

    [Fact]
    public void One_kind_is_changed_for_another_keeping_place_label_and_seats()
    {
        var sample = Hall();
        for (var i = 0; i < 8; i++)
            sample.Place($"t{i}", "round-table-1525", 2000 + i % 4 * 2800, 2500 + i / 4 * 3200, 15);
        sample.Do(new SetSeats("t3", new SeatsBySide(Around: 6)));
        var before = sample.Plan.OfScheme<Item>(PlanStart.SchemeId).ToArray();
        var ask = new ChangeKind(PlanStart.SchemeId, "round-table-1525", "round-table-1830", []);
        var foresight = sample.Planner.Foresee(sample.Plan, ask, PlanStart.SchemeId);
        Assert.Equal((8, 62, 62), (foresight.Changed, foresight.SeatsBefore, foresight.SeatsAfter));
        sample.Do(ask);
        // What it said would no longer fit is what stands in something now.
        var unfit = sample.State.Overlaps.Select(overlap => overlap.ItemName).ToHashSet();
        Assert.Equal(unfit.Count, foresight.NoLongerFit.Length);
        Assert.NotEmpty(unfit);
        foreach (var (was, now) in before.Zip(sample.Plan.OfScheme<Item>(PlanStart.SchemeId)))
            Assert.Equal((was.X, was.Y, was.Rotation, was.Label), (now.X, now.Y, now.Rotation, now.Label));
        Assert.Equal(62, sample.State.Tally.Seats);
        // To one that takes fewer: as many as it takes, its own way.
        sample.Do(ask with { From = "round-table-1830", To = "two-place-table" });
        Assert.Equal(16, sample.State.Tally.Seats);
        Assert.Contains("already", sample.Refused(ask with { From = "two-place-table", To = "two-place-table" }).Message);
        Assert.Contains("No “Round table 1525”", sample.Refused(ask).Message);
        sample.Do(new LockThings(["t2"], true));
        Assert.Contains("locked", sample.Refused(ask with { From = "two-place-table", To = "cafe-table-round" }).Message);
    }

    /// <summary>A repeat whose members all become another kind makes further members of that kind.</summary>
    [Fact]
    public void A_repeat_goes_with_its_members_to_the_other_kind()
    {
        var sample = Hall();
        var row = new Repeat("r", PlanStart.SchemeId, PlanStart.LevelId, 2000, 3000, 0, 4, 1, 600, 900);
        sample.Do(new PutRepeat(row, "stacking-chair")).Do(new ChangeKind(PlanStart.SchemeId, "stacking-chair", "banquet-chair", []));
        sample.Do(new PutRepeat(sample.Plan.Find<Repeat>("r")! with { Columns = 5 }));
        Assert.Equal(Enumerable.Repeat("banquet-chair", 5), sample.Plan.OfScheme<Item>(PlanStart.SchemeId).Select(item => item.Catalogue));
    }

    [Fact]
    public void A_placed_item_is_kept_as_what_was_bought()
    {
        var sample = Hall();
        foreach (var (id, x) in ((string, double)[])[("a", 2000), ("b", 5000), ("c", 8000)])
            sample.Do(Placing(id, "sofa-three", x, 3000) with { Width = 2130 });
        sample.Do(new ResizeItem("c", 1900));
        sample.Do(new KeepAsOwn("a", "birch-sofa", "Birch sofa", "BS-213", 840, Everywhere: true));
        var own = sample.Plan.Find<OwnItem>("birch-sofa")!.Item;
        Assert.Equal((2130.0, "BS-213", 840.0, "sofa-three"), (own.Size.Width, own.SupplierCode, own.Price, own.LikeKey));
        Assert.Equal(
            ["birch-sofa", "birch-sofa", "sofa-three"],
            sample.Plan.OfScheme<Item>(PlanStart.SchemeId).Select(item => item.Catalogue)
        );
        Assert.Equal(2130, sample.State.Items.Single(item => item.Item.Id == "b").Size.Width);
        // Changed once, it is changed everywhere.
        sample.Do(new PutOwnItem(new OwnItem("birch-sofa", own with { Size = own.Size with { Width = 2200 } })));
        Assert.All(sample.State.Items.Where(item => item.Kind.Key == "birch-sofa"), item => Assert.Equal(2200, item.Form.Body.Width, 6));
        var row = Schedule.Of(sample.State.Items, sample.Plan).Single(row => row.Name == "Birch sofa");
        Assert.Equal((2, "BS-213", 840.0), (row.Count, row.Code, row.Price));
        Assert.Equal("name", sample.Refused(new KeepAsOwn("c", "other", "birch SOFA")).Field);
        Assert.Equal("name", sample.Refused(new KeepAsOwn("c", "other", " ")).Field);
        Assert.Equal("price", sample.Refused(new KeepAsOwn("c", "other", "Other", Price: -1)).Field);
    }

    [Fact]
    public void The_house_counts_what_it_has_and_says_when_it_is_short()
    {
        var sample = Hall().Place("a", "round-table-1525", 3000, 3000).Place("b", "round-table-1525", 6500, 3000);
        sample.Do(new SetStock("banquet-chair", 14)).Do(new SetStock("round-table-1525", 5)).Do(new SetStock("lectern", 0));
        Assert.Equal(
            [("banquet-chair", 16, 14, 2), ("lectern", 0, 0, 0), ("round-table-1525", 2, 5, 0)],
            sample.State.Tally.Stock.Select(use => (use.Catalogue, use.Used, use.Has, use.Short))
        );
        var line = Assert.Single(
            TallyLines.Of(sample.State.Tally, UnitSystem.Metric),
            line => line.Name.Contains("stock", StringComparison.Ordinal)
        );
        Assert.Equal(
            ("Banquet chair, in stock", "14", "of 16", "2 short", true),
            (line.Name, line.Value, line.Rest, line.Over, line.Short)
        );
        var rows = Schedule.Of(sample.State.Items, sample.Plan, sample.State.Tally.Stock);
        Assert.Equal(["2 of 5", "16 of 14, 2 short"], rows.Select(row => row.WriteCount()));
        // What is set aside is not used.
        sample.Do(new SetItemsAside(["b"], true));
        Assert.DoesNotContain(sample.State.Tally.Stock, use => use.Short > 0);
        sample.Do(new SetStock("banquet-chair"));
        Assert.DoesNotContain(sample.State.Tally.Stock, use => use.Catalogue == "banquet-chair");
        Assert.Equal("count", sample.Refused(new SetStock("lectern", -1)).Field);
        Assert.Equal("count", sample.Refused(new SetStock("lectern", 2_000_000)).Field);
        Assert.Equal("catalogue", sample.Refused(new SetStock("nothing", 1)).Field);
        Assert.Contains("not counted", sample.Refused(new SetStock("banquet-chair")).Message);
    }

    /// <summary>People for scale count as nothing and stand in nobody's way.</summary>
    [Fact]
    public void Figures_are_for_scale_only()
    {
        var plain = new Sample().Room().Door().Place("t", "round-table-1525", 4000, 4000);
        var before = plain.State;
        plain.Place("p", "person", 4000, 1200).Place("w", "wheelchair-user", 4000, 2000);
        Assert.Equal(before.Tally with { Stock = [] }, plain.State.Tally with { Stock = [] });
        Assert.Equal(before.Findings.Select(finding => finding.Id), plain.State.Findings.Select(finding => finding.Id));
        Assert.DoesNotContain(Schedule.Of(plain.State.Items, plain.Plan), row => row.Tag == "PE");
    }
}
