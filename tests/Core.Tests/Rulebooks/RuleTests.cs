using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Tests.Rulebooks;

/// <summary>Rules as data: asked, told what they are asked with, and hostile books refused.</summary>
public sealed class RuleTests
{
    private static ImmutableSortedDictionary<string, object?> Figures(string json) =>
        RuleFigures.Read(JsonDocument.Parse(json).RootElement);

    private static RuleAnswer Ask(string rule, string json) => RuleTrial.Ask(RulebookShelf.Shipped, rule, Figures(json));

    private static string Book(string asked, string values = "{}", string more = "") =>
        $$"""
            {"id": "invented", "name": "Invented", "rules": [{"id": "invented-a", "title": "Invented", "source": {"title": "Invented"}, "basis": "common practice",
              "confidence": "high", "values": {{values}}, "asked": {{asked}} {{more}} }]}
            """;

    private static string Refused(string book) =>
        Assert.Throws<RulebookException>(() => RulebookText.Read(Encoding.UTF8.GetBytes(book))).Message;

    /// <summary>Adding a rule of a known shape touches data only: a table looked up, a bound, a named expression, and one that asks another.</summary>
    [Fact]
    public void A_rule_of_a_known_shape_is_data_alone()
    {
        var book = RulebookText.Read(
            Encoding.UTF8.GetBytes(
                """
                {"id": "invented", "name": "Invented", "rules": [
                  {"id": "invented-stools", "title": "Stools at a bar", "source": {"title": "Invented"}, "basis": "common practice", "confidence": "high",
                   "values": {"each_mm": 550}, "tables": {"legs": [[1, 3, 4], [4, null, 8]]},
                   "asked": [{"with": ["bar_mm"], "answers": {"stools": "down(bar_mm / each_mm)", "legs": "within('legs', stools, 3)", "wide_enough": "stools >= 4"}}]},
                  {"id": "invented-bars", "title": "Bars", "source": {"title": "Invented"}, "basis": "common practice", "confidence": "high",
                   "asked": [{"with": ["bars_mm"], "answers": {"stools": "sum(bars_mm, ask('invented-stools', 'stools', 'bar_mm', it))"}}]}]}
                """
            )
        );
        var shelf = new RulebookShelf([.. RulebookShelf.Shipped.Books, book]);
        var one = RuleTrial.Ask(shelf, "invented-stools", Figures("""{"bar_mm": 2200}"""));
        Assert.Equal((4.0, 8.0, true), ((double)one.Answers["stools"]!, (double)one.Answers["legs"]!, (bool)one.Answers["wide_enough"]!));
        Assert.Equal("stools = down(bar_mm / each_mm) = 4", one.Steps.First(step => step.Answer == "stools").Told());
        Assert.Equal(["bar_mm", "each_mm"], one.Read.Select(read => read.Name).Order());
        Assert.Equal(7.0, RuleTrial.Ask(shelf, "invented-bars", Figures("""{"bars_mm": [2200, 549, 1700]}""")).Answers["stools"]);
    }

    [Fact]
    public void A_book_goes_out_and_comes_in_the_same()
    {
        foreach (var book in RulebookShelf.Shipped.Books)
        {
            var once = RulebookText.Write(book);
            Assert.Equal(once, RulebookText.Write(RulebookText.Read(once)));
        }
    }

    /// <summary>Also in branches that no example takes.</summary>
    [Fact]
    public void Every_formula_reads_names_that_are_there()
    {
        foreach (var rule in RulebookShelf.Shipped.Books.SelectMany(book => book.Rules))
        foreach (var way in rule.Asked)
        foreach (var (answer, formula) in way.Answers.Where(one => !one.Value.Contains("sum(") && !one.Value.Contains("all(")))
            Assert.All(
                RuleFormula.Of(formula).Names(),
                name =>
                    Assert.True(
                        way.With.Contains(name) || way.Answers.ContainsKey(name) || rule.Values.ContainsKey(name),
                        $"{rule.Id}, {answer}: {name}"
                    )
            );
    }

    [Fact]
    public void An_unknown_name_is_answered_with_the_known_ones()
    {
        Assert.Equal(
            "ibc-1004.6-bench-18in is not asked with bench_length_mm. It is asked with bench_length_ft; or with benches, bench_length_ft.",
            Ask("ibc-1004.6-bench-18in", """{"bench_length_mm": 900}""").Problem
        );
        Assert.Contains("nothing was given", Ask("ibc-1004.6-bench-18in", "{}").Problem);
        Assert.Contains("Alike are ada-903-bench", Ask("ada-903-bensh", "{}").Problem);
    }

    [Theory]
    [InlineData("ibc-1004.6-bench-18in", """{"bench_length_ft": "long"}""")]
    [InlineData("rounding-occupant-load", """{"area_ft2": 1000, "factor_ft2": 0}""")]
    [InlineData("rounding-occupant-load", """{"rooms": [{"area_ft2": 110}]}""")]
    [InlineData("rounding-occupant-load", """{"rooms": 7}""")]
    [InlineData("ada-903-bench", """{"bench_in": [48]}""")]
    [InlineData("adb-45-degree", """{"origin": [0], "exit_a": [1, 2], "exit_b": null}""")]
    [InlineData("asr-a1.2-movement-area", """{"width_m": 0}""")]
    public void Figures_that_make_no_sense_are_answered_with_a_word(string rule, string figures)
    {
        var answer = Ask(rule, figures);
        Assert.NotEqual("", answer.Problem);
        Assert.Empty(answer.Answers);
    }

    [Fact]
    public void What_is_words_alone_says_so()
    {
        var shelf = new RulebookShelf([RulebookText.Read(Encoding.UTF8.GetBytes(Book("[]")))]);
        Assert.Contains("computes nothing", RuleTrial.Ask(shelf, "invented-a", Figures("{}")).Problem);
    }

    [Theory]
    [InlineData("a", "b", "needs")]
    [InlineData("ask('invented-a', 'x', 'n', n)", "1", "circle")]
    public void Rules_that_go_round_in_a_circle_are_told(string x, string b, string word)
    {
        var asked = $$"""[{"with": ["n"], "answers": { "x": "{{x}}", "a": "{{b}}", "b": "a" } }]""";
        var shelf = new RulebookShelf([RulebookText.Read(Encoding.UTF8.GetBytes(Book(asked)))]);
        var problem = RuleTrial.Ask(shelf, "invented-a", Figures("""{"n": 1}""")).Problem;
        Assert.Contains(word, problem);
        Assert.Contains("circle", problem);
    }

    [Fact]
    public void A_hostile_book_is_refused_and_says_where()
    {
        string Formula(string formula) =>
            Refused(Book($$"""[{"with": ["n"], "answers": { "x": {{JsonSerializer.Serialize(formula)}} } }]"""));
        Assert.Contains("there is no System", Formula("System(1)"));
        Assert.Contains("there is no Pow", Formula("Pow(n, 2)"));
        Assert.Contains("at most 40 deep", Formula(new string('(', 500) + "n" + new string(')', 500)));
        Assert.Contains("1 to 2000 letters", Formula(string.Join("+", Enumerable.Repeat("n", 2000))));
        Assert.Contains("cannot be read", Formula("n +"));
        Assert.Contains("below 0", Refused(Book("[]", """{"least_mm": -5}""")));
        Assert.Contains("is no name", Refused(Book("""[{"with": ["a b"], "answers": {}}]""")));
        Assert.Contains("no rulebook", Refused(Book("[]", more: ", \"code\": \"run\"")));
        Assert.Contains("no rulebook", Refused(new string('[', 2000)));
        Assert.Contains("an id of at most", Refused("""{"id": "x", "name": "x", "rules": [null]}"""));
        Assert.Contains("id, a name and rules", Refused("{}"));
        Assert.Contains("kB", Refused(new string(' ', RulebookText.MostBytes + 1)));
    }

    /// <summary>The longest that a formula of the largest length can be made to take over the longest list: it is counted, not timed.</summary>
    [Fact]
    public void A_formula_that_takes_too_long_is_stopped()
    {
        var nested = "sum(n, sum(n, sum(n, it)))";
        var shelf = new RulebookShelf([
            RulebookText.Read(Encoding.UTF8.GetBytes(Book($$"""[{"with": ["n"], "answers": { "x": "{{nested}}" } }]"""))),
        ]);
        var list = $"[{string.Join(",", Enumerable.Repeat("1", 500))}]";
        Assert.Contains("too long", RuleTrial.Ask(shelf, "invented-a", Figures($$"""{"n": {{list}}}""")).Problem);
    }

    /// <summary>2,000 books with a byte changed, taken out or put in: each is read or refused with a word.</summary>
    [Fact]
    public void A_spoilt_book_is_read_or_refused()
    {
        var random = new Random(11);
        var book = RulebookText.Write(RulebookShelf.Shipped.Books.Single(one => one.Id == "german-places-of-assembly"));
        var read = 0;
        for (var n = 0; n < 2000; n++)
        {
            List<byte> bytes = [.. book];
            for (var k = random.Next(1, 4); k > 0; k--)
            {
                var at = random.Next(bytes.Count);
                switch (random.Next(3))
                {
                    case 0:
                        bytes[at] = (byte)random.Next(256);
                        break;
                    case 1:
                        bytes.RemoveAt(at);
                        break;
                    default:
                        bytes.Insert(at, (byte)random.Next(32, 127));
                        break;
                }
            }
            try
            {
                RulebookText.Read([.. bytes]);
                read++;
            }
            catch (RulebookException e)
            {
                Assert.NotEqual("", e.Message);
            }
        }
        Assert.InRange(read, 100, 1900);
    }
}
