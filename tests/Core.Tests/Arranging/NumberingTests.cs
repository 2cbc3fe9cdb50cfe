using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Arranging;

/// <summary>Numbers by where things stand: three rows of four, the front at the top.</summary>
public sealed class NumberingTests
{
    private const string S = PlanStart.SchemeId;

    /// <summary>From the upper left, row by row.</summary>
    private static readonly Point[] Grid =
    [
        .. from row in Enumerable.Range(0, 3) from column in Enumerable.Range(0, 4) select new Point(1000 * column, -1500 * row),
    ];

    private static string Said(
        NumberOrder order,
        NumberForm form = NumberForm.Numbers,
        double facing = 90,
        int start = 1,
        int step = 1,
        string prefix = ""
    ) => string.Join(' ', Numbering.Of(Grid, facing, 300, order, form, start, step, prefix, [.. Grid.Select((_, i) => $"{20 - i}")]));

    [Theory]
    [InlineData(NumberOrder.Rows, "1 2 3 4 5 6 7 8 9 10 11 12")]
    [InlineData(NumberOrder.Columns, "1 4 7 10 2 5 8 11 3 6 9 12")]
    [InlineData(NumberOrder.Snake, "1 2 3 4 8 7 6 5 9 10 11 12")]
    [InlineData(NumberOrder.Spiral, "1 2 3 4 10 11 12 5 9 8 7 6")]
    [InlineData(NumberOrder.FromFront, "3 1 2 4 7 5 6 8 11 9 10 12")]
    [InlineData(NumberOrder.AsNumbered, "12 11 10 9 8 7 6 5 4 3 2 1")]
    public void Orders_are_what_a_hand_writes(NumberOrder order, string expected) => Assert.Equal(expected, Said(order));

    [Theory]
    [InlineData(NumberForm.RowLetters, "A1 A2 A3 A4 B1 B2 B3 B4 C1 C2 C3 C4")]
    [InlineData(NumberForm.RowNumbers, "1-1 1-2 1-3 1-4 2-1 2-2 2-3 2-4 3-1 3-2 3-3 3-4")]
    [InlineData(NumberForm.OddEven, "1 3 2 4 5 7 6 8 9 11 10 12")]
    public void Forms_are_what_a_hand_writes(NumberForm form, string expected) => Assert.Equal(expected, Said(NumberOrder.Rows, form));

    [Fact]
    public void The_front_the_first_number_the_step_and_a_prefix_are_chosen()
    {
        // With the front below, left is where right was.
        Assert.Equal("12 11 10 9 8 7 6 5 4 3 2 1", Said(NumberOrder.Rows, facing: 270));
        Assert.Equal("T10 T15 T20", string.Join(' ', Said(NumberOrder.Rows, start: 10, step: 5, prefix: "T").Split(' ')[..3]));
    }

    [Fact]
    public void Rows_go_on_behind_the_letters_and_leave_out_those_read_as_figures()
    {
        var letters = Enumerable.Range(0, 60).Select(Numbering.Letter).ToArray();
        Assert.DoesNotContain(letters, letter => letter.Contains('I') || letter.Contains('O'));
        Assert.Equal(60, letters.Distinct().Count());
        Assert.Equal(["A", "H", "J", "N", "P", "Z", "AA", "AB"], new[] { 0, 7, 8, 12, 13, 23, 24, 25 }.Select(i => letters[i]));
    }

    [Fact]
    public void Tables_are_numbered_anew_and_a_number_that_another_has_is_refused()
    {
        var sample = new Sample().Room(20_000, 14_000).Door();
        for (var i = 0; i < 6; i++)
            sample.Place($"t{i}", "round-table-1525", 3000 + 3500 * (i % 3), 3000 + 3500 * (i / 3));
        sample.DoAndUndo(new NumberItems(["t0", "t1", "t2", "t3", "t4", "t5"], NumberOrder.Rows, Start: 11));
        Assert.Equal("14 15 16 11 12 13", string.Join(' ', Enumerable.Range(0, 6).Select(i => sample.Plan.Find<Item>($"t{i}")!.Label)));
        Assert.Equal("start", sample.Planner.Answer(sample.Plan, new NumberItems(["t0", "t1"], Start: 16)).Problem?.Field);
        Assert.Equal("step", sample.Planner.Answer(sample.Plan, new NumberItems(["t0", "t1"], Step: 0)).Problem?.Field);
        Assert.Equal("prefix", sample.Planner.Answer(sample.Plan, new NumberItems(["t0", "t1"], Prefix: "far too long")).Problem?.Field);
        // One goes: its number stays free until the gaps are closed.
        sample.Do(new Remove(["t3"]));
        sample.Do(new NumberItems(["t0", "t1", "t2", "t4", "t5"], NumberOrder.AsNumbered));
        Assert.Equal("3 4 5 1 2", string.Join(' ', new[] { 0, 1, 2, 4, 5 }.Select(i => sample.Plan.Find<Item>($"t{i}")!.Label)));
    }

    [Fact]
    public void Numbers_of_a_block_that_somebody_chose_stay()
    {
        var sample = new Sample().Room(14_000, 10_000).Door();
        var block = ((SeatingBlock)SeatingBlock.Kind.Make("block", PlanStart.LevelId, S, default)).As(SeatingStyle.Rows);
        sample.Do(new PutOverRooms(block, ["room"]));
        Item[] chairs = [.. sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == "block")];
        sample.DoAndUndo(new NumberItems([.. chairs.Select(item => item.Id)], NumberOrder.Snake, NumberForm.Numbers));
        var first = sample.Plan.OfScheme<Item>(S).Single(item => item.Label == "1").Id;
        sample.Do(new PutThing(sample.Plan.Find<SeatingBlock>("block")! with { Wanted = chairs.Length - 3 }));
        Assert.Equal("1", sample.Plan.Find<Item>(first)!.Label);
        Assert.All(
            sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == "block"),
            item => Assert.True(int.TryParse(item.Label, out _))
        );
    }
}
