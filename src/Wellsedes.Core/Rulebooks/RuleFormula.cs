using System.Globalization;
using System.Runtime.CompilerServices;
using NCalc;
using NCalc.Exceptions;
using NCalc.Factories;
using NCalc.Handlers;

namespace Wellsedes.Core.Rulebooks;

/// <summary>
/// A formula of a rule: arithmetic, comparisons and a few functions over names, read once (NCalc). It calls nothing but what stands here, has an end, and every name and function that it meets
/// counts as a step.
/// </summary>
internal sealed class RuleFormula
{
    private const int MostLetters = 2_000;
    private const int Deepest = 40;

    /// <summary>By the text itself: kept as long as its rule is.</summary>
    private static readonly ConditionalWeakTable<string, RuleFormula> Known = [];
    private static readonly ExpressionConfiguration Configuration = ExpressionConfiguration.FromOptions(
        ExpressionOptions.AllowNullParameter
    );
    private static readonly EvaluationVisitorFactory Visitors = new();
    private readonly LogicalExpression tree;

    private RuleFormula(LogicalExpression tree) => this.tree = tree;

    /// <exception cref="RulebookException">It is no formula.</exception>
    public static RuleFormula Of(string text) =>
        Known.GetValue(text, static text => Read(text, out var wrong) ?? throw new RulebookException(wrong!));

    /// <summary>Why a text is no formula; null where it is.</summary>
    public static string? Wrong(string? text)
    {
        Read(text, out var wrong);
        return wrong;
    }

    private static RuleFormula? Read(string? text, out string? wrong)
    {
        wrong = text is { Length: > 0 and <= MostLetters } ? TooDeep(text) : $"it has 1 to {MostLetters} letters.";
        if (wrong is not null)
            return null;
        try
        {
            var read = new Expression(text!, CultureInfo.InvariantCulture);
            if (read.HasErrors(CancellationToken.None) || read.GetLogicalExpression(CancellationToken.None) is not { } tree)
                wrong = "it cannot be read.";
            else if (read.GetFunctionNames(CancellationToken.None).FirstOrDefault(name => !RuleFunctions.All.Contains(name)) is { } unknown)
                wrong = $"there is no {unknown}(); there are {string.Join(", ", RuleFunctions.All.Order(StringComparer.Ordinal))}.";
            else
                return new RuleFormula(tree);
        }
        catch (NCalcException)
        {
            wrong = "it cannot be read.";
        }
        return null;
    }

    private static string? TooDeep(string text)
    {
        var deep = 0;
        foreach (var c in text)
        {
            deep +=
                c is '(' or '[' ? 1
                : c is ')' or ']' ? -1
                : 0;
            if (deep > Deepest)
                return $"its brackets are at most {Deepest} deep.";
        }
        return null;
    }

    /// <summary>The names it reads, wherever they stand.</summary>
    public IReadOnlyCollection<string> Names() =>
        new Expression(tree, Configuration, new ExpressionContext(), CultureInfo.InvariantCulture, Visitors).GetParameterNames(
            CancellationToken.None
        );

    /// <summary>Works it out: names are asked for as they are met, functions of the house are called with their arguments not yet worked out.</summary>
    public object? Evaluate(Func<string, object?> name, Func<string, FunctionData, object?> call)
    {
        var expression = new Expression(tree, Configuration, new ExpressionContext(), CultureInfo.InvariantCulture, Visitors);
        expression.EvaluateParameter += (called, args) => args.Result = name(called);
        expression.EvaluateFunction += (called, args) =>
        {
            if (called != "if")
                args.Result = call(called, args.Parameters);
        };
        return expression.Evaluate(CancellationToken.None);
    }
}
