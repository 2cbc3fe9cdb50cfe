using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Planning;

/// <summary>What a crew does between two schemes: counted by kind, matched to the nearest, and never more or fewer than stand there.</summary>
public sealed class SchemesComparedTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Sample Hall()
    {
        var sample = new Sample().Room(30_000, 20_000).Door();
        for (var i = 0; i < 18; i++)
            sample.Do(new PlaceItem($"t{i}", S, L, "round-table-1525", 3000 + i % 6 * 4000, 3000 + i / 6 * 4000));
        return sample.Do(new AddScheme("b", "Other", S));
    }

    private static string Copy(Sample sample, string id)
    {
        var item = sample.Plan.Find<Item>(id)!;
        return sample.Plan.OfScheme<Item>("b").Single(one => one.X == item.X && one.Y == item.Y).Id;
    }

    private static KindCompared Row(SchemesCompared compared, string name) => compared.Kinds.Single(row => row.Name == name);

    [Fact]
    public void Twelve_tables_stay_six_move_and_forty_chairs_come_from_the_store()
    {
        var sample = Hall();
        string[] moved = [.. Enumerable.Range(12, 6).Select(i => Copy(sample, $"t{i}"))];
        sample.Do(new MoveItems([.. moved], 500, 700));
        for (var i = 0; i < 40; i++)
            sample.Do(new PlaceItem($"c{i}", "b", L, "stacking-chair", 2000 + i % 20 * 700, 16_000 + i / 20 * 1200));
        var compared = SchemesCompared.Of(sample.Plan, S, "b");
        var tables = compared.Kinds.Single(row => row.Name.StartsWith("Round table", StringComparison.Ordinal));
        Assert.Equal((12, 6, 0, 0), (tables.Stay, tables.Move, tables.Come, tables.Go));
        Assert.Equal(
            (0, 0, 40, 0),
            (
                Row(compared, "Stacking chair").Stay,
                Row(compared, "Stacking chair").Move,
                Row(compared, "Stacking chair").Come,
                Row(compared, "Stacking chair").Go
            )
        );
        var chairs = compared.Kinds.Single(row => row.Name.EndsWith(", at tables", StringComparison.Ordinal));
        Assert.Equal((144, 0, 0), (chairs.Stay, chairs.Come, chairs.Go));
        // Each goes to its own new place, which is the nearest.
        Assert.All(compared.Moves, move => Assert.Equal(Math.Sqrt(500 * 500 + 700 * 700), move.From.DistanceTo(move.To), 6));
        Assert.Equal(40, compared.Come.Length);
    }

    [Fact]
    public void The_other_way_round_what_came_goes_and_the_same_ones_move()
    {
        var sample = Hall();
        sample
            .Do(new MoveItems([Copy(sample, "t3")], 900, 0))
            .Do(new Remove([Copy(sample, "t5")]))
            .Do(new PlaceItem("x", "b", L, "armchair", 26_000, 15_000));
        var (there, back) = (SchemesCompared.Of(sample.Plan, S, "b"), SchemesCompared.Of(sample.Plan, "b", S));
        Assert.Equal(
            there.Kinds.Select(row => (row.Name, row.Stay, row.Move, row.Come, row.Go)),
            back.Kinds.Select(row => (row.Name, row.Stay, row.Move, row.Go, row.Come))
        );
        Assert.Equal(there.Moves.Select(move => (move.FromId, move.ToId)), back.Moves.Select(move => (move.ToId, move.FromId)));
        Assert.Equal((there.Come.Length, there.Go.Length), (back.Go.Length, back.Come.Length));
    }

    [Fact]
    public void On_random_schemes_every_thing_is_counted_once()
    {
        var random = new Random(9);
        for (var i = 0; i < 40; i++)
        {
            var sample = Hall();
            string[] all = [.. sample.Plan.OfScheme<Item>("b").Select(item => item.Id)];
            for (var n = 0; n < 12; n++)
            {
                var id = all[random.Next(all.Length)];
                if (sample.Plan.Find<Item>(id) is null)
                    continue;
                sample.Do(
                    random.Next(5) switch
                    {
                        0 => new Remove([id]),
                        1 => new RotateItems([id], 45),
                        2 => new ResizeItem(id, 1800),
                        3 => new SetItemsAside([id], true),
                        _ => new MoveItems([id], random.Next(4000), random.Next(4000)),
                    }
                );
            }
            var compared = SchemesCompared.Of(sample.Plan, S, "b");
            var rows = compared.Kinds.Where(row => !row.Name.EndsWith(", at tables", StringComparison.Ordinal)).ToArray();
            int Standing(string scheme) => sample.Plan.OfScheme<Item>(scheme).Count(item => !item.SetAside);
            Assert.Equal(Standing(S), rows.Sum(row => row.Stay + row.Move + row.Go));
            Assert.Equal(Standing("b"), rows.Sum(row => row.Stay + row.Move + row.Come));
            Assert.Equal(compared.Moves.Length, compared.Moves.Select(move => move.ToId).Distinct().Count());
        }
    }

    [Fact]
    public void Of_a_scheme_with_itself_all_stays()
    {
        var compared = SchemesCompared.Of(Hall().Plan, S, S);
        Assert.All(compared.Kinds, row => Assert.Equal((0, 0, 0), (row.Move, row.Come, row.Go)));
        Assert.Empty(compared.Moves);
    }

    /// <summary>The sheet for the crew: an arrow for each that is moved, a frame for each that comes, dashes for each that goes, and the list.</summary>
    [Fact]
    public void It_is_drawn_as_a_sheet()
    {
        var sample = Hall();
        sample.Do(new MoveItems([Copy(sample, "t0")], 900, 0)).Do(new Remove([Copy(sample, "t5")]));
        sample.Do(new PlaceItem("c", "b", L, "armchair", 15_000, 16_000));
        var compared = SchemesCompared.Of(sample.Plan, S, "b");
        var state = sample.Planner.StateOf(sample.Plan, "b", L);
        var shown = compared.Shown(sample.Plan, L, sample.State.Items);
        Assert.Equal((1, 1, "t5"), (shown.Moves.Length, shown.Come.Count, shown.Gone.Single().Item.Id));
        var settings = sample.Plan.OfScheme<SheetSettings>("b").First();
        var input = state.SheetInput(settings, "P", "", "Draft", new DateOnly(2026, 11, 26)) with { Changes = shown };
        var marks = new SheetComposer(new FixedWidths()).Compose(input).Drawing.Marks;
        var frame = Assert.Single(marks.OfType<PathMark>(), mark => mark is { Line: "#2C6B4A", LineWidth: Ink.Wide });
        Assert.Equal(4, frame.Path.Steps.Count(step => step.Kind is PathStepKind.Move or PathStepKind.Line));
        // The table's body and its ten chairs, and a line of the key.
        var standing = sample.State.Items.Single(item => item.Item.Id == "t5").Standing.Count();
        Assert.Equal(standing + 1, marks.OfType<PathMark>().Count(mark => mark.Line == "#A3173A"));
        string[] words = [.. marks.OfType<TextMark>().Select(mark => mark.Text)];
        Assert.Contains("From Scheme A to Other", words.Select(text => text.Replace(sample.Plan.Find<Scheme>(S)!.Name, "Scheme A")));
        Assert.Contains("Dashed: goes to the store", words);
        Assert.DoesNotContain("Schedule of furniture", words);
    }

    private sealed class FixedWidths : ITextMeasure
    {
        public double Width(string text, double size, bool bold) => text.Length * size * 0.5;
    }
}
