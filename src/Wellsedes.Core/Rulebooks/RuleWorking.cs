using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace Wellsedes.Core.Rulebooks;

/// <summary>How an answer came about with the figures themselves in place of their names: "min_in = if(40 &lt;= 14, 30, 36) = 36".</summary>
internal static partial class RuleWorking
{
    public static ImmutableArray<string> InFigures(Rule rule, RuleAnswer answer)
    {
        var known = rule.Values.ToDictionary(value => value.Key, object? (value) => value.Value);
        foreach (var (name, figure) in answer.Read)
            known[name] = figure;
        foreach (var step in answer.Steps)
            known[step.Answer] = step.Figure;
        return [.. answer.Steps.Select(step => (step with { Formula = Names().Replace(step.Formula, name => Told(name, known)) }).Told())];
    }

    private static string Told(Match name, Dictionary<string, object?> known) =>
        known.TryGetValue(name.Groups["name"].Value, out var figure)
            ? figure is string text
                ? $"'{text}'"
                : RuleFigures.Told(figure)
            : name.Value;

    /// <summary>Names that are no functions, in brackets or bare; texts are left as they are.</summary>
    [GeneratedRegex(@"'[^']*'|\[(?<name>[^\]]+)\]|\b(?<name>[A-Za-z_][A-Za-z0-9_]*)\b(?!\s*\()")]
    private static partial Regex Names();
}
