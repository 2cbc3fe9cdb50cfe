using System.Collections.Immutable;
using NCalc.Exceptions;
using NCalc.Handlers;

namespace Wellsedes.Core.Rulebooks;

/// <summary>A line of how an answer came about: "occupants = up(area_ft2 / ft2_per_person) = 67".</summary>
public sealed record RuleStep(string Answer, string Formula, object? Figure)
{
    public string Told() => $"{Answer} = {Formula} = {RuleFigures.Told(Figure)}";
}

/// <summary>What a rule answers to figures: each answer under its name, and the figures, values and steps it came from.</summary>
/// <param name="Read">Figures and values of the rule that were read, as they were met.</param>
/// <param name="Problem">Why there is no answer; "" where there is.</param>
public sealed record RuleAnswer(
    ImmutableSortedDictionary<string, object?> Answers,
    ImmutableArray<(string Name, object? Figure)> Read,
    ImmutableArray<RuleStep> Steps,
    string Problem = ""
)
{
    /// <summary>How it came about, a line each.</summary>
    public ImmutableArray<string> Working => [.. Steps.Select(step => step.Told())];

    internal static RuleAnswer Refused(string problem) => new(ImmutableSortedDictionary<string, object?>.Empty, [], [], problem);
}

/// <summary>Whether a thing of a plan meets a rule.</summary>
/// <param name="IsAbout">Whether the rule is about it at all.</param>
/// <param name="Answer">What the rule answered; its problem says why it could not be judged.</param>
public sealed record RuleVerdict(bool IsAbout, bool Holds, double Measured, double Needed, RuleAnswer Answer)
{
    internal static RuleVerdict NotAbout { get; } = new(false, true, 0, 0, RuleAnswer.Refused(""));
}

/// <summary>Asks a rule with figures of one's own, or with those of a plan: the same path for both.</summary>
public sealed class RuleTrial
{
    /// <summary>A rule may ask another so many times over.</summary>
    private const int Deepest = 8;

    /// <summary>Names and functions that are met in all.</summary>
    private const int MostSteps = 200_000;

    private readonly RulebookShelf shelf;
    private readonly List<string> asking = [];
    private int steps;

    private RuleTrial(RulebookShelf shelf) => this.shelf = shelf;

    /// <summary>The answers of a rule; never throws for what it is given.</summary>
    public static RuleAnswer Ask(RulebookShelf shelf, string ruleId, ImmutableSortedDictionary<string, object?> figures) =>
        shelf.Find(ruleId) is { } rule
            ? Ask(shelf, rule, figures)
            : RuleAnswer.Refused($"There is no rule {ruleId}. Alike are {string.Join(", ", shelf.Like(ruleId))}.");

    public static RuleAnswer Ask(RulebookShelf shelf, Rule rule, ImmutableSortedDictionary<string, object?> figures)
    {
        try
        {
            return new RuleTrial(shelf).Of(rule, figures);
        }
        catch (RulebookException e)
        {
            return RuleAnswer.Refused(e.Message);
        }
    }

    /// <summary>Holds a thing of a plan against a rule; never throws for what it is given.</summary>
    /// <param name="figures">What the judge's measure gives.</param>
    public static RuleVerdict Hold(RulebookShelf shelf, Rule rule, RuleJudge judge, ImmutableSortedDictionary<string, object?> figures)
    {
        var trial = new RuleTrial(shelf);
        try
        {
            if (judge.When.Length > 0 && trial.Worked(rule, judge.When, figures) is not true)
                return RuleVerdict.NotAbout;
            var given = judge.With.ToImmutableSortedDictionary(
                one => one.Key,
                one => trial.Worked(rule, one.Value, figures),
                StringComparer.Ordinal
            );
            var answer = trial.Of(rule, given);
            var all = figures.SetItems(answer.Answers);
            return new RuleVerdict(
                true,
                trial.Worked(rule, judge.Holds, all) is true,
                RuleFigures.Number(trial.Worked(rule, judge.Measured, all), judge.Measure),
                RuleFigures.Number(trial.Worked(rule, judge.Needed, all), judge.Measure),
                answer
            );
        }
        catch (RulebookException e)
        {
            return new RuleVerdict(true, false, 0, 0, RuleAnswer.Refused(e.Message));
        }
    }

    private object? Worked(Rule rule, string formula, ImmutableSortedDictionary<string, object?> figures)
    {
        const string itself = "formula";
        var way = new RuleAsking([], ImmutableSortedDictionary<string, string>.Empty.Add(itself, formula));
        return new Sheet(this, rule, way, figures).Answer(itself);
    }

    private RuleAnswer Of(Rule rule, ImmutableSortedDictionary<string, object?> figures)
    {
        if (!rule.Computes)
            throw new RulebookException($"{rule.Id} computes nothing: it is words alone.");
        if (asking.Contains(rule.Id))
            throw new RulebookException($"{string.Join(" asks ", asking.Append(rule.Id))}: it goes round in a circle.");
        if (asking.Count >= Deepest)
            throw new RulebookException($"A rule asks another at most {Deepest} times over.");
        var way = rule.Asked.FirstOrDefault(way => way.With.Length == figures.Count && way.With.All(figures.ContainsKey));
        if (way is null)
            throw new RulebookException(Unknown(rule, figures));
        asking.Add(rule.Id);
        var sheet = new Sheet(this, rule, way, figures);
        var answers = way.Answers.Keys.ToImmutableSortedDictionary(name => name, sheet.Answer, StringComparer.Ordinal);
        asking.RemoveAt(asking.Count - 1);
        return new RuleAnswer(answers, [.. sheet.Read], [.. sheet.Steps]);
    }

    private static string Unknown(Rule rule, ImmutableSortedDictionary<string, object?> figures)
    {
        var known = string.Join("; or with ", rule.Asked.Select(way => string.Join(", ", way.With)));
        var all = rule.Asked.SelectMany(way => way.With).ToHashSet(StringComparer.Ordinal);
        return figures.Keys.FirstOrDefault(name => !all.Contains(name)) is { } stranger
            ? $"{rule.Id} is not asked with {stranger}. It is asked with {known}."
            : $"{rule.Id} is asked with {known}; {(figures.IsEmpty ? "nothing" : string.Join(", ", figures.Keys))} was given.";
    }

    private void Step()
    {
        if (++steps > MostSteps)
            throw new RulebookException("It takes too long to work out.");
    }

    /// <summary>One rule being asked: what is given, what has been worked out.</summary>
    private sealed class Sheet(RuleTrial trial, Rule rule, RuleAsking way, ImmutableSortedDictionary<string, object?> figures)
    {
        private readonly Dictionary<string, object?> known = new(StringComparer.Ordinal);
        private readonly List<string> open = [];
        private readonly Stack<object?> elements = new();

        public List<(string Name, object? Figure)> Read { get; } = [];
        public List<RuleStep> Steps { get; } = [];

        public object? Answer(string name)
        {
            if (known.TryGetValue(name, out var there))
                return there;
            if (open.Contains(name))
                throw new RulebookException($"{string.Join(" needs ", open.Append(name))}: it goes round in a circle.");
            open.Add(name);
            var held = elements.ToArray();
            elements.Clear();
            object? answer;
            try
            {
                answer = Settled(RuleFormula.Of(way.Answers[name]).Evaluate(Named, Called));
            }
            catch (Exception e)
                when (e
                        is NCalcException
                            or InvalidCastException
                            or FormatException
                            or InvalidOperationException
                            or OverflowException
                            or ArgumentException
                )
            {
                throw new RulebookException($"{name} cannot be worked out from these figures: {way.Answers[name]}.");
            }
            foreach (var element in held.Reverse())
                elements.Push(element);
            open.RemoveAt(open.Count - 1);
            Steps.Add(new RuleStep(name, way.Answers[name], answer));
            return known[name] = answer;
        }

        /// <summary>Whole numbers as numbers; what is no number is no answer.</summary>
        private static object? Settled(object? answer) =>
            answer switch
            {
                int or long or decimal or float => Convert.ToDouble(answer, System.Globalization.CultureInfo.InvariantCulture),
                double n when !double.IsFinite(n) => throw new RulebookException("These figures divide by nothing."),
                object?[] list => list.Select(Settled).ToArray(),
                _ => answer,
            };

        private object? Named(string name)
        {
            trial.Step();
            if (elements.TryPeek(out var element))
            {
                if (name == "it")
                    return element;
                if (element is ImmutableSortedDictionary<string, object?> thing && thing.TryGetValue(name, out var of))
                    return of;
            }
            if (figures.TryGetValue(name, out var given))
                return Noted(name, given);
            if (way.Answers.ContainsKey(name))
                return Answer(name);
            return rule.Values.TryGetValue(name, out var value)
                ? Noted(name, value)
                : throw new RulebookException($"{rule.Id} knows no {name}.");
        }

        private object? Noted(string name, object? figure)
        {
            if (!Read.Exists(one => one.Name == name))
                Read.Add((name, figure));
            return figure;
        }

        private object? Called(string name, FunctionData of)
        {
            trial.Step();
            return name switch
            {
                "sum" when of.Count == 2 => Each(of).Sum(one => RuleFigures.Number(one, name)),
                "largest" when of.Count == 2 && of.Evaluate(0) is object?[] { Length: > 0 } => Each(of)
                    .Max(one => RuleFigures.Number(one, name)),
                "each" => Each(of).ToArray(),
                "all" => Each(of).All(one => one is true),
                "ask" => Asked(of),
                _ => RuleFunctions.Call(rule, name, of),
            };
        }

        /// <summary>The second argument worked out for each figure of a list.</summary>
        private List<object?> Each(FunctionData of)
        {
            List<object?> all = [];
            foreach (var element in RuleFigures.List(of.Evaluate(0), "each"))
            {
                elements.Push(element);
                all.Add(of.Evaluate(1));
                elements.Pop();
            }
            return all;
        }

        /// <summary>Another rule's answer: its id, the answer, then name and figure in turn.</summary>
        private object? Asked(FunctionData of)
        {
            var (id, answer) = (RuleFigures.Text(of.Evaluate(0), "ask"), RuleFigures.Text(of.Evaluate(1), "ask"));
            var other = trial.shelf.Find(id) ?? throw new RulebookException($"{rule.Id} asks {id}, which is not there.");
            var given = ImmutableSortedDictionary.CreateBuilder<string, object?>(StringComparer.Ordinal);
            for (var i = 2; i + 1 < of.Count; i += 2)
                given[RuleFigures.Text(of.Evaluate(i), "ask")] = Settled(of.Evaluate(i + 1));
            return trial.Of(other, given.ToImmutable()).Answers.TryGetValue(answer, out var found)
                ? found
                : throw new RulebookException($"{id} does not answer {answer}.");
        }
    }
}
