using System.Text.Json;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Cli;

/// <summary>Asks a rule of the books with figures of one's own, and prints its answers and how they came about.</summary>
internal static class RuleCommand
{
    public static int Run(string[] args)
    {
        var arguments = new Arguments(
            args,
            ["--input", "--search"],
            ["--json"],
            "Name a rule, for example ibc2021-olf-business, or look for one with --search exits."
        );
        if (arguments.Value("--search") is { } words)
            return Search(words);
        var rule =
            RulebookShelf.Shipped.Find(arguments.File)
            ?? throw new CommandException(
                $"There is no rule {arguments.File}. Alike are {string.Join(", ", RulebookShelf.Shipped.Like(arguments.File))}."
            );
        if (arguments.Value("--input") is not { } input)
        {
            if (arguments.Has("--json"))
                Console.WriteLine(JsonSerializer.Serialize(rule, PlanJson.Indented));
            else
                Tell(rule);
            return 0;
        }
        var answer = RuleTrial.Ask(RulebookShelf.Shipped, rule, Figures(input));
        if (answer.Problem.Length > 0)
            throw new CommandException(answer.Problem);
        if (arguments.Has("--json"))
        {
            Console.WriteLine(
                JsonSerializer.Serialize(
                    new
                    {
                        Rule = rule.Id,
                        rule.Title,
                        Answer = answer.Answers,
                        Read = answer.Read.ToDictionary(read => read.Name, read => read.Figure),
                        answer.Working,
                        Source = rule.Source.Told(),
                        rule.Confidence,
                        Note = Rule.FromMemory,
                    },
                    PlanJson.Indented
                )
            );
            return 0;
        }
        Console.WriteLine(rule.Title);
        foreach (var (name, figure) in answer.Read)
            Console.WriteLine($"  {name} {RuleFigures.Told(figure)}");
        foreach (var step in answer.Working)
            Console.WriteLine($"  {step}");
        Console.WriteLine($"{rule.Source.Told()}. {Rule.FromMemory}");
        return 0;
    }

    private static System.Collections.Immutable.ImmutableSortedDictionary<string, object?> Figures(string input)
    {
        try
        {
            using var json = JsonDocument.Parse(input, new JsonDocumentOptions { MaxDepth = 8 });
            return RuleFigures.Read(json.RootElement);
        }
        catch (Exception e) when (e is JsonException or RulebookException)
        {
            throw new CommandException(
                e is RulebookException ? e.Message : "--input takes figures under names, as '{\"area_ft2\": 1000}'."
            );
        }
    }

    private static int Search(string words)
    {
        foreach (var book in RulebookShelf.Shipped.Books)
        foreach (var rule in book.Rules.Where(rule => rule.IsAbout(words)))
            Console.WriteLine($"{rule.Id, -44} {rule.Title}");
        return 0;
    }

    private static void Tell(Rule rule)
    {
        Console.WriteLine(rule.Title);
        Console.WriteLine($"  metric    {rule.Metric}");
        Console.WriteLine($"  imperial  {rule.Imperial}");
        if (rule.Notes.Length > 0)
            Console.WriteLine($"  {rule.Notes}");
        foreach (var way in rule.Asked)
            Console.WriteLine($"  asked with {string.Join(", ", way.With)}: {string.Join(", ", way.Answers.Keys)}");
        Console.WriteLine($"{rule.Source.Told()}. {Rule.FromMemory}");
    }
}
