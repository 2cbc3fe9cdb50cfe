using System.Text;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Tests.Findings;

/// <summary>A rulebook of the house's own: written in the plan, taken from what ships with low confidence, and brought from another plan.</summary>
public sealed class HouseBookTests
{
    private static Sample Hall()
    {
        var sample = new Sample().Room();
        sample.Do(new NameRoom("room", "Hall", "Assembly", ""));
        return sample.Door(width: 1000);
    }

    private static Finding[] Of(Sample sample, string rule) => [.. sample.State.Findings.Where(finding => finding.RuleId == rule)];

    /// <summary>At the limit it holds, a unit over it does not.</summary>
    [Theory]
    [InlineData(0, true)]
    [InlineData(1, false)]
    public void A_rule_is_written_and_judges(double more, bool holds)
    {
        var sample = Hall();
        var clear = sample.Plan.All<Opening>().Single().ClearWidth;
        sample.Do(new WriteHouseRule("book", "Wide doors", "doorway", "clear_mm", true, clear + more));
        Assert.Equal(holds ? 0 : 1, Of(sample, "house-1").Length);
        Assert.All(
            Of(sample, "house-1"),
            finding => Assert.Equal(("Door, Hall to outside: wide doors is not kept", FindingWeight.Must), (finding.Title, finding.Weight))
        );
        // Of another use it says nothing; as advice it advises.
        sample.Do(new WriteHouseRule("book", "Wide office doors", "doorway", "clear_mm", true, 5000, "Office"));
        Assert.Empty(Of(sample, "house-2"));
        sample.Do(new WriteHouseRule("book", "Few doors", "room-exits", "ways_out", false, 0, "Assembly", true));
        Assert.Equal(FindingWeight.Advise, Assert.Single(Of(sample, "house-3")).Weight);
    }

    [Fact]
    public void A_rule_that_makes_no_sense_is_refused_and_names_what_there_is()
    {
        var sample = Hall();
        WriteHouseRule Rule(
            string title = "A",
            string measure = "doorway",
            string figure = "clear_mm",
            double limit = 900,
            string of = ""
        ) => new("book", title, measure, figure, true, limit, of);
        Assert.Equal("title", sample.Refused(Rule(title: " ")).Field);
        Assert.Contains("there are aisle, bed-side", sample.Refused(Rule(measure: "windows")).Message);
        Assert.Contains("there are people, clear_mm", sample.Refused(Rule(figure: "swings")).Message);
        Assert.Equal("limit", sample.Refused(Rule(limit: -1)).Field);
        Assert.Equal("limit", sample.Refused(Rule(limit: double.NaN)).Field);
        Assert.Equal("of", sample.Refused(Rule(of: "' or true or '")).Field);
        Assert.Equal("of", sample.Refused(Rule(measure: "aisle", of: "Office")).Field);
        Assert.Empty(sample.Plan.All<PlanBook>());
    }

    [Fact]
    public void Rules_that_nothing_keeps_both_are_told()
    {
        var sample = Hall();
        sample.Do(new WriteHouseRule("book", "Wide doors", "doorway", "clear_mm", true, 900));
        var refused = sample.Refused(new WriteHouseRule("book", "Narrow doors", "doorway", "clear_mm", false, 899));
        Assert.Equal("limit", refused.Field);
        Assert.Contains("Wide doors says at least 900", refused.Message);
        sample.Do(new WriteHouseRule("book", "Doors of one size", "doorway", "clear_mm", false, 900));
        Assert.Contains(
            "nothing keeps both",
            sample.Refused(new WriteHouseRule("book", "Wider doors", "doorway", "clear_mm", true, 901, "Office")).Message
        );
        // What is of another figure or use is no contradiction.
        sample.Do(new WriteHouseRule("book", "Few people", "doorway", "people", false, 10, "Office"));
        sample.Do(new WriteHouseRule("book", "Many people", "doorway", "people", true, 11, "Dining"));
    }

    [Fact]
    public void The_book_goes_with_its_last_rule_and_comes_into_another_plan()
    {
        var sample = Hall();
        sample.Do(new WriteHouseRule("book", "Wide doors", "doorway", "clear_mm", true, 2000));
        sample.Do(new WriteHouseRule("other", "High rooms", "room-size", "clear_height_mm", true, 4000));
        var text = Assert.Single(sample.Plan.All<PlanBook>()).Text;
        var other = Hall().Do(new BringBook("brought", text));
        Assert.Equal(
            ["house-1", "house-2"],
            other.State.Findings.Where(finding => finding.RuleId.Length > 0).Select(finding => finding.RuleId).Order()
        );
        Assert.Equal(2, RulebookText.Read(Encoding.UTF8.GetBytes(text)).Rules.Length);
        sample.Do(new DropHouseRule("house-1"));
        Assert.Equal("ruleId", sample.Refused(new DropHouseRule("house-1")).Field);
        sample.Do(new DropHouseRule("house-2"));
        Assert.Empty(sample.Plan.All<PlanBook>());
        sample.Do(new WriteHouseRule("book", "Wide doors", "doorway", "clear_mm", true, 2000));
        Assert.Single(Of(sample, "house-1"));
    }

    /// <summary>A value nobody is sure of judges as a house rule only: choosing its book does not bring it.</summary>
    [Fact]
    public void What_is_of_low_confidence_is_a_house_rule_only()
    {
        Assert.Contains("nobody is sure", Hall().Refused(new ChooseBook("b", "international-accessibility")).Message);
        foreach (var book in RulebookShelf.Shipped.Books.Where(book => book.Id != "international-accessibility"))
        {
            var sample = Hall().Do(new ChooseBook("b", book.Id));
            Assert.All(
                sample.Plan.Books.Shelf.Books.SelectMany(one => one.Rules),
                rule => Assert.NotEqual(RuleConfidence.Low, rule.Confidence)
            );
        }
        var narrow = Hall();
        narrow.Do(new PutOpening(narrow.Plan.All<Opening>().Single() with { ClearWidth = 799 }) { Sure = true });
        narrow.Do(new TakeHouseRule("book", "iso21542-basic"));
        Assert.Equal((799.0, 800.0), Of(narrow, "iso21542-basic").Select(finding => (finding.Measured, finding.Needed)).Single());
        Assert.Contains("already", narrow.Refused(new TakeHouseRule("book", "iso21542-basic")).Message);
        Assert.Contains("by hand", narrow.Refused(new TakeHouseRule("book", "us-density")).Message);
        Assert.Contains("no rule", narrow.Refused(new TakeHouseRule("book", "none")).Message);
    }

    [Fact]
    public void Every_measure_and_figure_has_a_name()
    {
        foreach (var measure in RuleMeasures.Figures.Keys)
        {
            Assert.NotEqual("", RuleMeasures.NameOf(measure));
            Assert.All(RuleMeasures.NumbersOf(measure), figure => Assert.NotEqual("", RuleMeasures.NameOfFigure(figure)));
        }
    }
}
