using System.Text.Json;
using Wellsedes.Core.Catalogue;

namespace Wellsedes.Core.Tests.Catalogue;

/// <summary>
/// Sizes of the catalogue against the published and usual ones they name: each with its source, all recalled from memory and to be
/// checked against the adopted edition.
/// </summary>
public sealed class PublishedSizeTests
{
    private sealed record Published(
        string Id,
        string Governs,
        double Width,
        double Depth,
        double? Height,
        string StatedIn,
        string Source,
        string Confidence
    );

    private static readonly Dictionary<string, Published> Sizes = Load();

    private static Dictionary<string, Published> Load()
    {
        using var stream = typeof(PublishedSizeTests).Assembly.GetManifestResourceStream("furniture-sizes.json")!;
        return JsonSerializer.Deserialize<Published[]>(stream, JsonSerializerOptions.Web)!.ToDictionary(size => size.Id);
    }

    public static TheoryData<string> Referring =>
        [.. CatalogueList.Shipped.Items.Where(item => item.Reference.Length > 0).Select(item => item.Key)];

    /// <summary>What is stated in inches is carried to a hundredth of a mm; long and short side may be turned.</summary>
    [Theory]
    [MemberData(nameof(Referring))]
    public void A_size_is_that_of_its_source(string key)
    {
        var item = CatalogueList.Shipped.Find(key)!;
        var published = Sizes[item.Reference];
        var asGiven = Math.Abs(item.Size.Width - published.Width) < 0.01 && Math.Abs(item.Size.Depth - published.Depth) < 0.01;
        var turned = Math.Abs(item.Size.Width - published.Depth) < 0.01 && Math.Abs(item.Size.Depth - published.Width) < 0.01;
        Assert.True(asGiven || turned, $"{item.Size} is not {published.Width} x {published.Depth} of {published.Governs}");
        if (published.Height is { } height)
            Assert.Equal(height, item.Size.Height, 0.01);
        Assert.Equal(published.Confidence, item.Source.Confidence);
        Assert.StartsWith(published.Source[..Math.Min(20, published.Source.Length)], item.Source.Title, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_published_size_of_furniture_is_in_the_catalogue()
    {
        var used = CatalogueList.Shipped.Items.Select(item => item.Reference).ToHashSet();
        Assert.DoesNotContain(Sizes.Keys, id => !used.Contains(id));
        Assert.True(used.Count >= 200);
    }

    /// <summary>Sizes without a source of their own say that they are common practice.</summary>
    [Fact]
    public void What_names_no_source_is_common_practice() =>
        Assert.All(
            CatalogueList.Shipped.Items.Where(item => item.Reference.Length == 0),
            item => Assert.Equal("Common practice", item.Source.Title)
        );

    /// <summary>
    /// Common practice, from memory: worktops are 600 to 650 mm deep and 12 to 40 thick, islands about 900 high, appliances
    /// for a 600 mm module no wider than it, desks 720 to 760 high.
    /// </summary>
    [Fact]
    public void Depths_heights_and_widths_are_those_of_the_trade()
    {
        var items = CatalogueList.Shipped.Items;
        Assert.All(items.Where(item => item.Maker == "kitchen-line"), line => Assert.InRange(line.Size.Depth, 600, 650));
        Assert.All(items.Where(item => item.Maker == "kitchen-island"), island => Assert.InRange(island.Size.Height, 880, 920));
        Assert.All(
            FormMaker.Find("kitchen-line").Parameters.Where(parameter => parameter.Key == "top"),
            top => Assert.InRange(top.Usual[0], 12, 40)
        );
        foreach (var key in (string[])["oven", "hob", "hood", "dishwasher", "fridge-freezer", "washer", "dryer"])
            Assert.InRange(CatalogueList.Shipped.Find(key)!.Size.Width, 500, 600);
        Assert.All(
            items.Where(item => item.Maker is "desk" && item.Key != "height-adjustable-desk"),
            desk => Assert.InRange(desk.Size.Height, 720, 760)
        );
    }

    /// <summary>Common practice, from memory: one seat for each 600 mm along a straight side, one at an end of 750 mm and more.</summary>
    [Fact]
    public void Tables_seat_what_their_sides_take() =>
        Assert.All(
            CatalogueList.Shipped.Items.Where(item => item.Maker == "straight-table" && item.Size.Width > 700),
            table =>
            {
                var side = (int)Math.Floor(table.Size.Width / 600 + 0.35);
                Assert.InRange(Math.Max(table.Seats.Front, table.Seats.Back), 0, side);
            }
        );
}
