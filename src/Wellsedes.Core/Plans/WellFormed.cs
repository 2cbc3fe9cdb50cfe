using System.Collections;
using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Reflection;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

/// <summary>
/// What holds for every value that comes from outside, whatever it means: numbers are finite and not absurd, choices are
/// choices, texts can be written, lists are there and hold no gaps. Asked of edits and entities alike before anything else.
/// </summary>
public static class WellFormed
{
    /// <summary>No figure of a plan is larger, in whatever unit.</summary>
    public const double Largest = 1e9;

    /// <summary>The longest list of anything, and the most entities of a plan.</summary>
    public const int MostListed = 50_000;

    /// <summary>Letters of a one-line text.</summary>
    public const int LongestLine = 80;

    private sealed record Member(string Name, Func<object, object?> Of, int LongestText, bool Needed);

    private static readonly ConcurrentDictionary<Type, Member[]> Members = new();

    public static bool IsId(string id) => id.Length is > 0 and <= 60 && id.All(c => char.IsAsciiLetterOrDigit(c) || c == '-');

    /// <summary>What is wrong with a value, named by its field; null when nothing is.</summary>
    public static Problem? Check(object value)
    {
        foreach (var member in Members.GetOrAdd(value.GetType(), MembersOf))
        {
            if (member.Of(value) is { } content)
            {
                if (OfContent(member.Name, content, member.LongestText) is { } problem)
                    return problem;
            }
            else if (member.Needed)
                return new Problem(member.Name, $"The {member.Name} is missing.");
        }
        return null;
    }

    private static Problem? OfContent(string field, object value, int longestText)
    {
        switch (value)
        {
            case string text:
                return Text(field, text, longestText);
            case double number:
                return Number(field, number);
            case int or long or bool or Guid:
                return null;
            case Enum choice:
                return Enum.IsDefined(choice.GetType(), choice) ? null : new Problem(field, $"\"{choice}\" is no choice for {field}.");
            case ItemParameters parameters:
                return OfParameters(field, parameters);
            case IEnumerable list:
                return OfList(field, list, longestText);
            default:
                return Check(value) is { } problem ? problem with { Field = $"{field}.{problem.Field}" } : null;
        }
    }

    private static Problem? OfList(string field, IEnumerable list, int longestText)
    {
        // A list that was never given says so only here.
        if (list.GetType().GetProperty(nameof(ImmutableArray<int>.IsDefault)) is { } missing && missing.GetValue(list) is true)
            return new Problem(field, $"The list {field} is missing.");
        var count = 0;
        foreach (var entry in list)
        {
            if (++count > MostListed)
                return new Problem(field, $"The list {field} is longer than {MostListed}, the most that is taken.");
            if (entry is null)
                return new Problem(field, $"The list {field} has an empty entry (the {count}.).");
            if (OfContent(field, entry, longestText) is { } problem)
                return problem;
        }
        return null;
    }

    private static Problem? OfParameters(string field, ItemParameters parameters)
    {
        foreach (var key in parameters.Keys)
        {
            if (!IsId(key))
                return new Problem(field, "A parameter has no proper name.");
            var list = parameters.List(key);
            if (list.Length > ItemParameters.LongestList)
                return new Problem(field, $"The list {key} has {list.Length} entries; at most {ItemParameters.LongestList} are taken.");
            foreach (var number in list)
                if (Number(key, number) is { } problem)
                    return problem;
        }
        return null;
    }

    private static Problem? Number(string field, double number) =>
        double.IsFinite(number) && Math.Abs(number) <= Largest
            ? null
            : new Problem(field, $"The {field} is no figure that can be on a plan.");

    /// <summary>Null when a text can be written anywhere: on the screen, in an XML file, on paper.</summary>
    public static Problem? Text(string field, string text, int longest = LongestLine)
    {
        if (text.Length > longest)
            return new Problem(field, $"The {field} has {text.Length} characters; at most {longest} fit.");
        for (var i = 0; i < text.Length; i++)
        {
            var c = text[i];
            if (char.IsHighSurrogate(c) && i + 1 < text.Length && char.IsLowSurrogate(text[i + 1]))
            {
                if ((char.ConvertToUtf32(c, text[++i]) & 0xFFFE) == 0xFFFE)
                    return Unwritable();
                continue;
            }
            if (
                (char.IsControl(c) && (c != '\n' || longest <= LongestLine))
                || char.IsSurrogate(c)
                || c is >= '\uFDD0' and <= '\uFDEF' or '\uFFFE' or '\uFFFF'
            )
                return Unwritable();
        }
        return null;

        Problem Unwritable() => new(field, $"The {field} holds a character that cannot be written.");
    }

    /// <summary>What a record was made from: its settable properties. Derived ones say nothing new.</summary>
    private static Member[] MembersOf(Type type)
    {
        var nullability = new NullabilityInfoContext();
        return
        [
            .. type.GetProperties(BindingFlags.Public | BindingFlags.Instance)
                .Where(property => property.CanWrite && property.GetIndexParameters().Length == 0)
                .Select(property => new Member(
                    char.ToLowerInvariant(property.Name[0]) + property.Name[1..],
                    property.GetValue,
                    property.GetCustomAttribute<LongTextAttribute>()?.Most ?? LongestLine,
                    !property.PropertyType.IsValueType && nullability.Create(property).WriteState == NullabilityState.NotNull
                )),
        ];
    }
}
