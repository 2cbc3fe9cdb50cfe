using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Catalogue.Search;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Catalogue;

public sealed class SearchTests
{
    private static readonly CatalogueIndex Index = new(
        CatalogueList.Shipped.Items,
        item => item.Chair is { } chair ? CatalogueList.Shipped.Find(chair)!.Size : default,
        482.6
    );

    private static string[] Keys(string text, UnitSystem units = UnitSystem.Metric) =>
        [.. Index.Find(text, units).Select(item => item.Key)];

    [Fact]
    public void Nothing_typed_finds_everything_in_its_order() =>
        Assert.Equal(CatalogueList.Shipped.Items.Select(item => item.Key), Keys("  "));

    [Theory]
    [InlineData("desk 1400", "desk-1400")]
    [InlineData("couch", "sofa-two")]
    [InlineData("COUCH three", "sofa-three")]
    [InlineData("desks 1600 x 800", "desk-1600")]
    [InlineData("desk 48 in", "desk-48")]
    [InlineData("round 5 ft", "round-table-1525")]
    [InlineData("1.4 m desk", "desk-1400")]
    [InlineData("ping pong", "table-tennis")]
    [InlineData("pantry", "pantry-shelves")]
    [InlineData("fridge 36 in", "fridge-36")]
    [InlineData("cell 10 x 12", "cell-10x12")]
    [InlineData("rug 6 x 9 ft", "rug-6x9")]
    [InlineData("cell 3 x 3 m", "cell-3x3")]
    [InlineData("stage deck 2 x 1 m", "stage-deck-2x1")]
    [InlineData("california", "bed-us-calking")]
    [InlineData("wheelchair", "wheelchair-space")]
    public void What_is_meant_comes_first(string text, string key) => Assert.Equal(key, Keys(text)[0]);

    [Fact]
    public void Seats_are_asked_for_by_their_number()
    {
        var eight = Index.Find("8 seats", UnitSystem.Metric);
        Assert.Equal(8, Assert.IsType<CatalogueItem>(eight[0]).Seats.Total);
        Assert.All(eight, item => Assert.True(item.MostSeats >= 8 || item.Counted == "seat", item.Name));
        Assert.Contains(eight, item => item.Key == "dining-table-2440");
        Assert.DoesNotContain(eight, item => item.Key is "two-place-table" or "meeting-table-3600");
        Assert.Equal(["sofa-three", "sofa-84"], Keys("couch 3 seats").Take(2));
        Assert.Equal("dining-table-1600", Keys("dining table for 6")[0]);
    }

    [Fact]
    public void Bounds_hold_for_the_side_that_they_name()
    {
        var shallow = Index.Find("cupboard under 430 deep", UnitSystem.Metric);
        Assert.NotEmpty(shallow);
        Assert.All(shallow, item => Assert.True(item.Size.Depth <= 430));
        Assert.All(Index.Find("over 2 m high", UnitSystem.Metric), item => Assert.True(item.Size.Height >= 2000));
        Assert.All(Index.Find("desk at most 48 in wide", UnitSystem.Metric), item => Assert.True(item.Size.Width <= 1219.2));
        Assert.All(Index.Find("shelves under 12 deep", UnitSystem.FeetInches), item => Assert.True(item.Size.Depth <= 304.81));
    }

    /// <summary>What fits a free rectangle does with its people seated, either way round.</summary>
    [Fact]
    public void What_fits_a_rectangle_fits_with_its_people()
    {
        var fits = Keys("tables fits 2500 x 2000");
        Assert.Contains("round-table-900", fits); // 900 and twice 483: 1866.
        Assert.DoesNotContain("round-table-1220", fits); // 2184 both ways.
        Assert.Contains("dining-table-1200", Keys("table fits 1200 x 1800"));
        Assert.Contains("dining-table-1200", Keys("table fits 1800 x 1200"));
        Assert.DoesNotContain("dining-table-1200", Keys("table fits 1700 x 1200"));
        Assert.Contains("dining-table-1200", Keys("Tables fits 1\u00a0800 x 1\u00a0200"));
    }

    [Fact]
    public void A_bare_figure_is_in_the_unit_of_the_plan()
    {
        Assert.Equal("desk-60", Keys("desk 60", UnitSystem.FeetInches)[0]);
        Assert.Equal("desk-72", Keys("desk 6'", UnitSystem.FeetInches)[0]);
        Assert.Equal("desk-72", Keys("desk 6'", UnitSystem.Metric)[0]);
    }

    /// <summary>Whatever is typed is answered: half-typed bounds, signs, quotes, long texts.</summary>
    [Fact]
    public void Whatever_is_typed_is_answered()
    {
        var random = new Random(5);
        string[] pieces =
        [
            "desk",
            "under",
            "600",
            "deep",
            "x",
            "8",
            "seats",
            "fits",
            "'",
            "\"",
            "for",
            "<",
            "1.",
            "2/3",
            "é",
            "(",
            "*",
            "\\",
            "99999999999999999999",
            " ",
            "  ",
        ];
        for (var i = 0; i < 3000; i++)
            _ = Keys(
                string.Concat(
                    Enumerable.Range(0, random.Next(12)).Select(_ => pieces[random.Next(pieces.Length)] + (random.Next(3) > 0 ? " " : ""))
                )
            );
        Assert.Empty(Keys("nothing of this name"));
        Assert.NotEmpty(Keys("desk " + new string(' ', 10_000)));
    }
}
