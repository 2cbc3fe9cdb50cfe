using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Catalogue;

public sealed class CatalogueTests
{
    private static readonly ItemForms Forms = new();

    public static TheoryData<string> Keys => [.. CatalogueList.Shipped.Items.Select(item => item.Key)];

    private static Form FormOf(string key, SeatsBySide? seats = null)
    {
        var item = CatalogueList.Shipped.Find(key)!;
        var chair = item.Chair is { } chairKey ? CatalogueList.Shipped.Find(chairKey)!.Size : default;
        return Forms.FormOf(item, item.Size, seats ?? item.Seats, chair, 482.6);
    }

    [Fact]
    public void There_are_at_least_250_items_by_at_least_45_makers_and_every_maker_is_used()
    {
        var items = CatalogueList.Shipped.Items;
        Assert.True(items.Length >= 250, $"{items.Length} items");
        var used = items.Select(item => item.Maker).ToHashSet();
        Assert.True(used.Count >= 45, $"{used.Count} makers");
        Assert.Equal(FormMaker.Names.Order(), used.Append(FormMaker.Outline).Order());
        Assert.Equal(items.Length, items.Select(item => item.Name).Distinct(StringComparer.OrdinalIgnoreCase).Count());
        Assert.Equal(Enum.GetValues<CatalogueKind>(), items.Select(item => item.Kind).Distinct().Order());
    }

    /// <summary>Makers whose body takes less floor than its box: a canopy above heads, feet on the floor.</summary>
    private static readonly string[] Overhanging = ["parasol", "tree", "lectern"];

    [Theory]
    [MemberData(nameof(Keys))]
    public void Every_item_has_a_body_of_its_size_a_symbol_a_height_and_a_source(string key)
    {
        var item = CatalogueList.Shipped.Find(key)!;
        var form = FormOf(key);
        if (!Overhanging.Contains(item.Maker))
        {
            Assert.Equal(item.Size.Width, form.Body.Width, 3);
            Assert.Equal(item.Size.Depth, form.Body.Height, 3);
        }
        Assert.True(form.Symbol.Length >= 2, "a symbol tells front, seat, leg or leaf apart");
        Assert.True(item.Size.Height > 0);
        Assert.False(string.IsNullOrWhiteSpace(item.Source.Title));
        Assert.False(string.IsNullOrWhiteSpace(item.SubKind));
        Assert.False(string.IsNullOrWhiteSpace(item.Settings));
        Assert.Contains(item.Source.Confidence, (string[])["high", "medium", "low"]);
        Assert.True(item.Seats.Total <= item.MostSeats || item.Chair is null);
        Assert.True(item.Chair is null || CatalogueList.Shipped.Find(item.Chair) is not null);
        Assert.Null(ParameterValues.Check(item, item.Size, null));
        Assert.Equal(item.Counted == "seat", form.Seats.Any(seat => !seat.AtTable));
        Assert.Null(WellFormed.Check(item));
    }

    /// <summary>Plan, elevation and model never disagree: what stands up fills the item's box, and no more.</summary>
    [Theory]
    [MemberData(nameof(Keys))]
    public void Every_item_stands_up_to_its_own_size(string key)
    {
        var item = CatalogueList.Shipped.Find(key)!;
        if (item.Maker == "wheelchair-space")
            return; // Floor that is kept clear: nothing stands there.
        var prisms = FormOf(key).Prisms;
        var box = prisms.Aggregate(Bounds.Empty, (all, prism) => all.Including(prism.Outline.Bounds));
        Assert.Equal(item.Size.Width, box.Width, 1.0);
        Assert.Equal(item.Size.Depth, box.Height, 1.0);
        Assert.InRange(prisms.Min(prism => prism.From), 0, 70);
        Assert.Equal(item.Size.Height, prisms.Max(prism => prism.To), 3);
        Assert.True(prisms.Length <= 120, $"{prisms.Length} solids");
    }

    [Fact]
    public void No_two_makers_draw_the_same_symbol()
    {
        var drawn = CatalogueList
            .Shipped.Items.GroupBy(item => item.Maker)
            .Select(group => string.Join("|", FormOf(group.First().Key).Symbol.Select(part => $"{part.Role}{part.Path.Steps.Length}")))
            .ToArray();
        Assert.DoesNotContain(drawn.CountBy(symbol => symbol), symbol => symbol.Value > 1);
    }

    /// <summary>Common practice (event and banquet planning), from memory: 48, 60 and 72 in rounds seat 6, 8 and 10; to 6, 10 and 12 at most.</summary>
    [Theory]
    [InlineData("round-table-1220", 48, 6, 6)]
    [InlineData("round-table-1525", 60, 8, 10)]
    [InlineData("round-table-1830", 72, 10, 12)]
    public void Rounds_seat_what_the_trade_seats(string key, double inches, int usual, int most)
    {
        var item = CatalogueList.Shipped.Find(key)!;
        Assert.Equal(inches * 25.4, item.Size.Width, 6);
        Assert.Equal(usual, item.Seats.Total);
        Assert.Equal(most, item.MostSeats);
    }

    [Fact]
    public void A_table_with_places_on_one_side_seats_only_that_side()
    {
        var form = FormOf("top-table-1830");
        Assert.Equal(3, form.Seats.Length);
        Assert.All(form.Seats, seat => Assert.Equal(new Point(0, 1), seat.Outward));
    }

    [Fact]
    public void Chairs_reach_the_occupied_depth_or_the_pulled_out_depth()
    {
        var seat = FormOf("round-table-1525").Seats[0];
        Assert.Equal(762 + 482.6, -seat.Zone(482.6).Bounds.MinY, 6);
        Assert.Equal(762 + 762, -seat.Zone(762).Bounds.MinY, 6);
    }

    [Fact]
    public void A_chair_faces_its_table()
    {
        foreach (var seat in FormOf("round-table-1525").Seats)
        {
            var front = seat.ChairAt(482.6).Turned(new Point(0, -1));
            Assert.True(front.Dot(seat.Outward) < -0.999);
        }
    }

    [Fact]
    public void Chairs_of_a_full_round_table_do_not_stand_in_each_other()
    {
        foreach (var (key, places) in new[] { ("round-table-1220", 6), ("round-table-1525", 10), ("round-table-1830", 12) })
        {
            var seats = FormOf(key, new SeatsBySide(Around: places)).Seats;
            for (var i = 0; i < seats.Length; i++)
                Assert.True(Gap.Between(seats[i].Zone(482.6), seats[(i + 1) % seats.Length].Zone(482.6)).Width >= -0.01, key);
        }
    }

    [Fact]
    public void An_unknown_maker_is_named() =>
        Assert.Contains(
            "\"nobody\"",
            Assert
                .Throws<ArgumentException>(() =>
                    FormMaker.Make("nobody", new MakerInput(default, default, default, 0, 0, MakerParameters.None))
                )
                .Message
        );
}
