using System.Collections.Frozen;
using System.Collections.Immutable;
using System.Globalization;
using NCalc.Handlers;

namespace Wellsedes.Core.Rulebooks;

/// <summary>The functions that a formula may call. Rounding and reaching forgive what figures lose in a computer: a 1 / 10^9 part.</summary>
internal static class RuleFunctions
{
    private const double Forgiven = 1e-9;

    public static FrozenSet<string> All { get; } =
        FrozenSet.ToFrozenSet(
            [
                "if",
                "up",
                "down",
                "round",
                "least",
                "largest",
                "sqrt",
                "pi",
                "reaches",
                "sum",
                "all",
                "count",
                "list",
                "each",
                "item",
                "field",
                "contains",
                "oneof",
                "text",
                "nothing",
                "within",
                "upto",
                "from",
                "fits",
                "distance",
                "farthest",
                "angle",
                "ask",
            ],
            StringComparer.Ordinal
        );

    /// <summary>Works out a call that needs nothing but its arguments and the tables of its rule.</summary>
    /// <exception cref="RulebookException">An argument is not what the function takes.</exception>
    public static object? Call(Rule rule, string name, FunctionData of)
    {
        double Number(int i) => RuleFigures.Number(Argument(i), name);
        object? Argument(int i) => i < of.Count ? of.Evaluate(i) : throw new RulebookException($"{name}() has too few arguments.");
        object?[] Rest(int from) => [.. Enumerable.Range(from, Math.Max(0, of.Count - from)).Select(of.Evaluate)];
        double[] Numbers()
        {
            var all = Rest(0);
            return [.. (all is [object?[] list] ? list : all).Select(one => RuleFigures.Number(one, name))];
        }
        ImmutableArray<ImmutableArray<double?>> Table() =>
            rule.Tables.TryGetValue(RuleFigures.Text(Argument(0), name), out var table)
                ? table
                : throw new RulebookException($"{rule.Id} has no such table.");
        double? Cell(ImmutableArray<double?> row, int column) =>
            column >= 1 && column <= row.Length
                ? row[column - 1]
                : throw new RulebookException($"A table of {rule.Id} has no column {column}.");
        (double X, double Y) Place(object? point) =>
            RuleFigures.List(point, name) is [var x, var y]
                ? (RuleFigures.Number(x, name), RuleFigures.Number(y, name))
                : throw new RulebookException($"{name}() takes places of two figures.");
        static double Far((double X, double Y) a, (double X, double Y) b) =>
            Math.Sqrt((a.X - b.X) * (a.X - b.X) + (a.Y - b.Y) * (a.Y - b.Y));

        switch (name)
        {
            case "up":
                return Up(Number(0));
            case "down":
                return Down(Number(0));
            case "round":
                return Math.Round(Number(0), (int)Math.Clamp(of.Count > 1 ? Number(1) : 0, 0, 9), MidpointRounding.AwayFromZero);
            case "least":
                return Numbers().Min();
            case "largest":
                return Numbers().Max();
            case "sqrt":
                return Math.Sqrt(Number(0));
            case "pi":
                return Math.PI;
            case "reaches":
                return Reaches(Number(0), Number(1));
            case "sum":
                return Numbers().Sum();
            case "count":
                return (double)RuleFigures.List(Argument(0), name).Length;
            case "list":
                return Rest(0);
            case "item":
            {
                var (list, at) = (RuleFigures.List(Argument(0), name), (int)Number(1));
                return at >= 1 && at <= list.Length
                    ? list[at - 1]
                    : throw new RulebookException($"There is no figure {at} in a list of {list.Length}.");
            }
            case "field":
            {
                var key = RuleFigures.Text(Argument(1), name);
                return Argument(0) is ImmutableSortedDictionary<string, object?> thing && thing.TryGetValue(key, out var found)
                    ? found
                    : throw new RulebookException($"There is no {key} in it.");
            }
            case "contains":
                return RuleFigures
                    .Text(Argument(0), name)
                    .Contains(RuleFigures.Text(Argument(1), name), StringComparison.OrdinalIgnoreCase);
            case "oneof":
            {
                var text = RuleFigures.Text(Argument(0), name);
                return Rest(1).Any(one => text.Equals(one as string, StringComparison.OrdinalIgnoreCase));
            }
            case "text":
                return string.Concat(
                    Rest(0).Select(one => one is double n ? n.ToString("0.####", CultureInfo.InvariantCulture) : $"{one}")
                );
            case "nothing":
                return null;
            case "within":
            {
                var (table, x, column) = (Table(), Number(1), (int)Number(2));
                var row = table.FirstOrDefault(row => x >= Cell(row, 1) && (Cell(row, 2) is not { } to || x <= to));
                return row.IsDefault ? 0.0 : Cell(row, column);
            }
            case "upto":
            {
                var (table, x) = (Table(), Number(1));
                var row = table.FirstOrDefault(row => Cell(row, 1) is not { } to || x <= to);
                return row.IsDefault ? null : Cell(row, 2);
            }
            case "from":
            {
                var (table, x, column) = (Table(), Number(1), (int)Number(2));
                var row = table.LastOrDefault(row => Cell(row, 1) <= x);
                return row.IsDefault ? 0.0 : Cell(row, column);
            }
            case "fits":
            {
                var (table, x) = (Table(), Number(1));
                var row = table.LastOrDefault(row => Cell(row, 2) <= x);
                return row.IsDefault ? 0.0 : Cell(row, 1);
            }
            case "distance":
                return Far(Place(Argument(0)), Place(Argument(1)));
            case "farthest":
            {
                var places = RuleFigures.List(Argument(0), name).Select(Place).ToArray();
                if (places.Length > 200)
                    throw new RulebookException("At most 200 places are compared.");
                return places.SelectMany(a => places.Select(b => Far(a, b))).DefaultIfEmpty(0).Max();
            }
            case "angle":
            {
                var (o, a, b) = (Place(Argument(0)), Place(Argument(1)), Place(Argument(2)));
                var (p, q) = ((a.X - o.X, a.Y - o.Y), (b.X - o.X, b.Y - o.Y));
                return Math.Abs(Math.Atan2(p.Item1 * q.Item2 - p.Item2 * q.Item1, p.Item1 * q.Item1 + p.Item2 * q.Item2)) * 180 / Math.PI;
            }
            default:
                throw new RulebookException($"There is no {name}().");
        }
    }

    public static double Up(double n) => Math.Ceiling(n - Forgiven * Math.Max(1, Math.Abs(n)));

    public static double Down(double n) => Math.Floor(n + Forgiven * Math.Max(1, Math.Abs(n)));

    public static bool Reaches(double has, double needs) => has >= needs - Forgiven * Math.Max(1, Math.Abs(needs));
}
