using System.Text.Json;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Tests.Rulebooks;

/// <summary>
/// The worked examples of published standards and of common practice, each computed by the path that judges plans. Sources are named beside each; all of it is recalled from memory and was
/// not compared with a printed document.
/// </summary>
public sealed class WorkedExampleTests
{
    private static readonly Lazy<JsonElement[]> Examples = new(() =>
    {
        using var stream = typeof(WorkedExampleTests).Assembly.GetManifestResourceStream("worked-examples.json")!;
        return [.. JsonDocument.Parse(stream).RootElement.EnumerateArray()];
    });

    public static TheoryData<string> Ids() => [.. Examples.Value.Select(example => example.GetProperty("id").GetString()!)];

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_rule_answers_its_worked_example(string id)
    {
        var example = Examples.Value.Single(one => one.GetProperty("id").GetString() == id);
        var answer = RuleTrial.Ask(
            RulebookShelf.Shipped,
            example.GetProperty("rule").GetString()!,
            RuleFigures.Read(example.GetProperty("input"))
        );
        Assert.Equal("", answer.Problem);
        foreach (var expected in example.GetProperty("expected").EnumerateObject())
        {
            Assert.True(answer.Answers.ContainsKey(expected.Name), $"{id} does not answer {expected.Name}");
            Assert.True(
                IsAlike(expected.Value, answer.Answers[expected.Name]),
                $"{expected.Name}: {expected.Value} by {example.GetProperty("source")} ({example.GetProperty("arithmetic")}), {RuleFigures.Told(answer.Answers[expected.Name])} worked out"
            );
        }
        // And it says how.
        Assert.True(answer.Steps.Length >= answer.Answers.Count);
    }

    /// <summary>As far as the example prints a figure.</summary>
    private static bool IsAlike(JsonElement expected, object? found) =>
        (expected.ValueKind, found) switch
        {
            (JsonValueKind.Number, double n) => Math.Abs(n - expected.GetDouble()) <= Printed(expected.GetRawText()),
            (JsonValueKind.True or JsonValueKind.False, bool b) => b == expected.GetBoolean(),
            (JsonValueKind.String, string text) => text == expected.GetString(),
            (JsonValueKind.Null, null) => true,
            (JsonValueKind.Array, object?[] list) => list.Length == expected.GetArrayLength()
                && expected.EnumerateArray().Zip(list).All(pair => IsAlike(pair.First, pair.Second)),
            _ => false,
        };

    private static double Printed(string figure) =>
        figure.IndexOf('.') is var dot and >= 0 ? 0.5001 * Math.Pow(10, -(figure.Length - dot - 1)) : 1e-6;

    [Fact]
    public void All_entries_are_rules_and_all_rules_have_an_example()
    {
        var rules = RulebookShelf.Shipped.Books.SelectMany(book => book.Rules).Select(rule => rule.Id).ToHashSet();
        Assert.Equal(463, rules.Count);
        Assert.Equal(641, Examples.Value.Length);
        Assert.Empty(rules.Except(Examples.Value.Select(example => example.GetProperty("rule").GetString()!)));
    }
}
