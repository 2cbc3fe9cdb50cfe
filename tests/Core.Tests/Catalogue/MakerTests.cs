using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Catalogue;

/// <summary>Makers over 10,000 seeded sizes: whatever is typed, what they make keeps its sense.</summary>
public sealed class MakerTests
{
    private const int Sizes = 10_000;

    private static IEnumerable<(CatalogueItem Kind, ItemSize Size, MakerParameters Parameters)> Seeded()
    {
        var random = new Random(20261126);
        var items = CatalogueList.Shipped.Items;
        for (var i = 0; i < Sizes; i++)
        {
            var kind = items[i % items.Length];
            double Times() => Math.Round(Math.Pow(3, random.NextDouble() * 2 - 1), 3);
            var width = Math.Round(kind.Size.Width * Times(), 1);
            var size = new ItemSize(
                width,
                kind.IsRound ? width : Math.Round(kind.Size.Depth * Times(), 1),
                Math.Round(kind.Size.Height * Times(), 1)
            );
            var fitted = FormMaker.Fitted(kind, size, kind.Parameters ?? ItemParameters.None);
            Assert.Null(ParameterValues.Check(kind, size, fitted));
            yield return (kind, size, MakerParameters.Of(kind, fitted));
        }
    }

    private static Form Made(CatalogueItem kind, ItemSize size, MakerParameters parameters) =>
        FormMaker.Make(kind.Maker, new MakerInput(size, default, default, 0, kind.Parts, parameters));

    /// <summary>The whole path, a curve by points on it.</summary>
    private static IEnumerable<Point> PointsOf(PathShape path)
    {
        Point last = default;
        foreach (var step in path.Steps)
        {
            if (step.Kind == PathStepKind.Cubic)
                foreach (var t in (double[])[0.25, 0.5, 0.75])
                    yield return last * ((1 - t) * (1 - t) * (1 - t))
                        + step.Control1 * (3 * t * (1 - t) * (1 - t))
                        + step.Control2 * (3 * t * t * (1 - t))
                        + step.End * (t * t * t);
            yield return last = step.End;
        }
    }

    [Fact]
    public void Symbols_solids_and_prisms_stay_in_their_box()
    {
        var wrong = new SortedDictionary<string, string>();
        foreach (var (kind, size, parameters) in Seeded())
        {
            var form = Made(kind, size, parameters);
            var box = new Bounds(-size.Width / 2, -size.Depth / 2, size.Width / 2, size.Depth / 2).Grown(0.5);
            foreach (var part in form.Symbol.Where(part => part.Role != SymbolRole.Use))
            foreach (var point in PointsOf(part.Path).Where(point => !box.Holds(point)))
                wrong[kind.Maker] = $"{size}: {part.Role} is drawn to {point.X:0}, {point.Y:0}";
            foreach (var solid in form.Solids.Where(solid => !box.Holds(solid.Bounds)))
                wrong[kind.Maker] = $"{size}: a solid reaches {solid.Bounds}";
            foreach (
                var prism in form.Prisms.Where(prism => !box.Holds(prism.Outline.Bounds) || prism.From < 0 || prism.To > size.Height + 0.01)
            )
                wrong[kind.Maker] = $"{size}: {prism.Role} reaches {prism.Outline.Bounds}, {prism.From} to {prism.To}";
        }
        Assert.True(wrong.Count == 0, string.Join("\n", wrong.Select(one => $"{one.Key} {one.Value}")));
    }

    /// <summary>Makers whose outline is drawn round more than stands on the floor, or whose body is not what is filled.</summary>
    private static readonly string[] OpenOutlines = ["parasol", "tree", "screen", "barrier", "queue-line", "easel", "panel-run", "cell"];

    [Fact]
    public void The_floor_that_is_taken_is_what_stands_on_it()
    {
        foreach (var (kind, size, parameters) in Seeded())
        {
            var form = Made(kind, size, parameters);
            // A figure takes no floor; a canopy and a crown are above heads; a board of an easel is wider than its foot.
            if (form.ForScale || kind.Maker is "parasol" or "tree" or "easel" or "grand-piano")
                continue;
            Convex[] floors = [.. form.Solids.Select(solid => solid.Grown(0.6))];
            // A door in a panel is walked through.
            foreach (var prism in form.Prisms.Where(prism => prism.Role != PrismRole.Front || kind.Kind != CatalogueKind.Panels))
            {
                var ring = prism.Outline.Outline(5);
                for (var i = 0; i < ring.Length; i++)
                    foreach (var point in (Point[])[ring[i], Point.Middle(ring[i], ring[(i + 1) % ring.Length])])
                        Assert.True(
                            floors.Any(floor => floor.Holds(point)),
                            $"{kind.Key} {size}: {prism.Role} stands beside its floor at {point}"
                        );
            }
        }
    }

    [Fact]
    public void The_floor_that_is_taken_is_the_outline_that_is_drawn()
    {
        foreach (var (kind, size, parameters) in Seeded().Take(CatalogueList.Shipped.Items.Length))
        {
            if (OpenOutlines.Contains(kind.Maker))
                continue;
            var floor = Polygons.Union(Made(kind, size, parameters).Solids).Sum(region => region.Area);
            var share = floor / (size.Width * size.Depth);
            // Two arms of a typed depth leave more of a large corner open.
            Assert.True(
                share > (kind.Maker == "corner-surface" ? 0.3 : 0.35) && share < 1.0001,
                $"{kind.Key} {size}: {share:0.000} of its box"
            );
        }
    }

    [Fact]
    public void Seats_are_as_many_as_the_size_takes()
    {
        foreach (var (kind, size, parameters) in Seeded())
        {
            var seats = Made(kind, size, parameters).Seats.Length;
            // Closed forms, common practice: 550 mm a fixed seat, 600 mm a place on a bench or along a sofa's arm.
            int? expected = kind.Maker switch
            {
                "seat-row" => parameters.Number(0) > 0 ? (int)parameters.Number(0) : Math.Max(1, (int)Math.Floor(size.Width / 550 + 1e-9)),
                "seat-bench" => parameters.Number(0) > 0
                    ? (int)parameters.Number(0)
                    : Math.Max(1, (int)Math.Floor(size.Width / 600 + 1e-9)),
                "sofa" => Math.Max(1, kind.Parts),
                "picnic-table" => 2 * Math.Max(1, (int)(size.Width / 600)),
                "restaurant-booth" or "pod" => 4,
                _ => null,
            };
            if (expected is { } count)
                Assert.Equal(count, seats);
        }
    }

    [Fact]
    public void Oval_tables_seat_what_they_are_told_evenly_along_their_edge()
    {
        var kind = CatalogueList.Shipped.Find("oval-table-2400")!;
        for (var seats = 1; seats <= 14; seats++)
        {
            var form = FormMaker.Make(
                "oval-table",
                new MakerInput(kind.Size, new(Around: seats), new(550, 600, 830), 480, 0, MakerParameters.None)
            );
            Assert.Equal(seats, form.Seats.Length);
            foreach (var seat in form.Seats)
                Assert.Equal(1, Math.Pow(seat.Edge.X / 1200, 2) + Math.Pow(seat.Edge.Y / 600, 2), 3);
            var apart = form.Seats.Select((seat, i) => seat.Edge.DistanceTo(form.Seats[(i + 1) % seats].Edge)).ToArray();
            if (seats >= 6)
                Assert.InRange(apart.Min() / apart.Max(), 0.75, 1);
        }
    }

    [Fact]
    public void Panels_and_units_add_up_to_the_typed_length()
    {
        var random = new Random(7);
        for (var i = 0; i < Sizes; i++)
        {
            var length = Math.Round(300 + random.NextDouble() * 12_000, 2);
            if (i % 3 == 0)
                length = Math.Round(length / 152.4) * 152.4;
            Assert.Equal(length, Core.Catalogue.Makers.Panels.Fill(length).Sum(), 0.01);
            var (widths, kinds) = KitchenFill.Units(length);
            Assert.Equal(length, widths.Sum(), 0.01);
            Assert.Equal(widths.Count, kinds.Count);
            Assert.True(kinds.Count(kind => kind == (int)KitchenUnit.Filler) <= 1);
            Assert.All(widths, wide => Assert.True(wide > 0));
        }
    }

    /// <summary>Panels of 2 ft 6 in and 3 ft: 10 ft are four of the first, 12 ft four of the second; nothing is left over.</summary>
    [Fact]
    public void Ten_by_twelve_feet_come_out_in_panels_of_two_foot_six_and_three_foot()
    {
        Assert.Equal([762, 762, 762, 762], Core.Catalogue.Makers.Panels.Fill(3048).Select(bay => Math.Round(bay, 4)));
        Assert.Equal([914.4, 914.4, 914.4, 914.4], Core.Catalogue.Makers.Panels.Fill(3657.6).Select(bay => Math.Round(bay, 4)));
        Assert.Equal([914.4, 914.4, 762], Core.Catalogue.Makers.Panels.Fill(2590.8).Select(bay => Math.Round(bay, 4)));
    }

    [Fact]
    public void A_cell_has_one_bay_open_and_is_closed_elsewhere()
    {
        var kind = CatalogueList.Shipped.Find("cell-10x12")!;
        var form = Made(kind, kind.Size, MakerParameters.Of(kind, null));
        var closed = Polygons.Union(form.Solids);
        // One body: the four sides joined at their posts, open where its first bay is left out.
        var body = Assert.Single(closed);
        Assert.Equal(3048, body.Bounds.Width, 0.01);
        Assert.Equal(3657.6, body.Bounds.Height, 0.01);
        Assert.DoesNotContain(form.Solids, solid => solid.Holds(new Point(-1524 + 381, -1828.8 + 25)));
        Assert.Contains(form.Solids, solid => solid.Holds(new Point(-1524 + 3 * 381, -1828.8 + 25)));
        Assert.Equal("16 bays", FormMaker.Find("cell").MadeOf!(kind.Size, MakerParameters.Of(kind, null)));
    }

    [Fact]
    public void A_stage_and_a_dance_floor_tell_what_they_are_made_of()
    {
        string MadeOf(string key)
        {
            var kind = CatalogueList.Shipped.Find(key)!;
            return FormMaker.Find(kind.Maker).MadeOf!(kind.Size, MakerParameters.Of(kind, null));
        }
        Assert.Equal("20 panels", MadeOf("dance-floor-5x4"));
        Assert.Equal("20 panels", MadeOf("dance-floor-15x12"));
        Assert.Equal("12 decks", MadeOf("stage-24x16"));
        Assert.Equal("4 steps", MadeOf("stage-steps"));
    }

    [Fact]
    public void A_kitchen_line_keeps_its_units_when_it_is_shortened_and_lengthened()
    {
        var told = ItemParameters.None.With("units", 600, 600, 600, 600, 600).With("kinds", 8, 1, 3, 5, 4);
        var longer = FormMaker.Find("kitchen-line").Refit!(new ItemSize(3700, 620, 2100), told);
        Assert.Equal([600, 600, 600, 600, 600, 600, 100], longer.List("units"));
        Assert.Equal([8, 1, 3, 5, 4, 1, 11], longer.List("kinds"));
        var shorter = FormMaker.Find("kitchen-line").Refit!(new ItemSize(2450, 620, 2100), longer);
        Assert.Equal([600, 600, 600, 600, 50], shorter.List("units"));
        Assert.Equal([8, 3, 5, 4, 11], shorter.List("kinds"));
    }
}
