using System.Collections.Immutable;
using System.Text.Json;

namespace Wellsedes.Core.Rulebooks;

/// <summary>
/// Figures that a rule is given or answers: a number, a yes or no, a text, nothing, a list of figures, or a thing with figures under names. In JSON as they look there.
/// </summary>
public static class RuleFigures
{
    private const int MostInList = 1_000;
    private const int Deepest = 4;

    /// <exception cref="RulebookException">It is no thing with figures, or has too many.</exception>
    public static ImmutableSortedDictionary<string, object?> Read(JsonElement json) =>
        Read(json, 0) as ImmutableSortedDictionary<string, object?>
        ?? throw new RulebookException("Figures are given under names, as {\"area_ft2\": 1000}.");

    private static object? Read(JsonElement json, int deep)
    {
        if (deep > Deepest)
            throw new RulebookException($"Figures are at most {Deepest} lists deep.");
        switch (json.ValueKind)
        {
            case JsonValueKind.Number:
                return json.TryGetDouble(out var number) && double.IsFinite(number)
                    ? number
                    : throw new RulebookException("A figure is too large.");
            case JsonValueKind.True or JsonValueKind.False:
                return json.GetBoolean();
            case JsonValueKind.String:
                return json.GetString() is { Length: <= 500 } text ? text : throw new RulebookException("A text has at most 500 letters.");
            case JsonValueKind.Array:
                return json.GetArrayLength() <= MostInList
                    ? json.EnumerateArray().Select(one => Read(one, deep + 1)).ToArray()
                    : throw new RulebookException($"A list has at most {MostInList} figures.");
            case JsonValueKind.Object:
                var all = ImmutableSortedDictionary.CreateBuilder<string, object?>(StringComparer.Ordinal);
                foreach (var one in json.EnumerateObject())
                {
                    all[one.Name] = Read(one.Value, deep + 1);
                    if (all.Count > 100)
                        throw new RulebookException("At most 100 figures are given.");
                }
                return all.ToImmutable();
            default:
                return null;
        }
    }

    internal static double Number(object? figure, string where) =>
        figure switch
        {
            double n => n,
            int n => n,
            long n => n,
            decimal n => (double)n,
            null => throw new RulebookException($"{where}() is asked of nothing."),
            _ => throw new RulebookException($"{where}() takes numbers; {Told(figure)} is none."),
        };

    internal static string Text(object? figure, string where) =>
        figure as string ?? throw new RulebookException($"{where}() takes a text; {Told(figure)} is none.");

    internal static object?[] List(object? figure, string where) =>
        figure as object?[] ?? throw new RulebookException($"{where}() takes a list; {Told(figure)} is none.");

    /// <summary>As it is told in a working.</summary>
    public static string Told(object? figure) =>
        figure switch
        {
            null => "nothing",
            true => "yes",
            false => "no",
            double n => n.ToString("0.####", System.Globalization.CultureInfo.InvariantCulture),
            object?[] list => $"[{string.Join(", ", list.Select(Told))}]",
            ImmutableSortedDictionary<string, object?> thing =>
                $"{{{string.Join(", ", thing.Select(one => $"{one.Key} {Told(one.Value)}"))}}}",
            _ => $"{figure}",
        };
}
