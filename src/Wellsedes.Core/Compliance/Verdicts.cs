using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Compliance;

/// <summary>Whether measured things meet rules. What has been judged is kept by the rule's values and the thing's figures.</summary>
public static class Verdicts
{
    private const int MostKept = 5_000;

    private sealed class Kept<T> : ConcurrentDictionary<(string Values, string Figures), T>;

    private static readonly ConditionalWeakTable<RuleJudge, Kept<RuleVerdict>> Judged = [];

    private static readonly ConditionalWeakTable<RuleJudge, Kept<int>> Halved = [];

    public static RuleVerdict Of(PlanBooks books, Rule rule, RuleJudge judge, Measured thing) =>
        Known(Judged.GetOrCreateValue(judge), rule, thing.Told, () => RuleTrial.Hold(books.Shelf, rule, judge, thing.Figures));

    /// <summary>The greatest number of people for which a thing still meets a rule, found by halving: whatever the formulas are, more people never make it hold again.</summary>
    /// <param name="with">The figures of the thing with so many.</param>
    /// <returns>Most where so many still meet it.</returns>
    public static int Greatest(
        PlanBooks books,
        Rule rule,
        RuleJudge judge,
        int most,
        Func<int, ImmutableSortedDictionary<string, object?>> with
    )
    {
        return Known(Halved.GetOrCreateValue(judge), rule, $"{most} {RuleFigures.Told(with(0))}", Halve);

        int Halve()
        {
            if (Holds(most))
                return most;
            var (holds, fails) = (0, most);
            while (fails - holds > 1)
            {
                var middle = (holds + fails) / 2;
                (holds, fails) = Holds(middle) ? (middle, fails) : (holds, middle);
            }
            return holds;
        }

        bool Holds(int people) =>
            RuleTrial.Hold(books.Shelf, rule, judge, with(people)) is { Holds: true, Answer.Problem: "" } or { IsAbout: false };
    }

    private static T Known<T>(Kept<T> kept, Rule rule, string figures, Func<T> work)
    {
        var key = (rule.Values.Count == 0 ? "" : string.Join(' ', rule.Values.Values), figures);
        if (kept.TryGetValue(key, out var known))
            return known;
        if (kept.Count >= MostKept)
            kept.Clear();
        return kept[key] = work();
    }
}
