using System.Runtime.CompilerServices;
using System.Text;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

/// <summary>A rulebook that a plan is held against, as it was when it was chosen: what is issued stays as judged. Text is the book as JSON, with those of its rules that judge plans or count people.</summary>
public sealed record PlanBook(string Id, [property: LongText(PlanBook.LongestText)] string Text) : Entity(Id)
{
    public const int LongestText = 600_000;
    public const int Most = 12;

    private sealed record Reading(Rulebook? Book, string? Wrong);

    private static readonly ConditionalWeakTable<string, Reading> Known = [];

    /// <summary>Why its text is no rulebook; null where it is.</summary>
    public string? Wrong() => Read().Wrong;

    /// <exception cref="RulebookException">Its text is no rulebook.</exception>
    public Rulebook Book() => Read().Book ?? throw new RulebookException(Read().Wrong!);

    private Reading Read() =>
        Known.GetValue(
            Text,
            static text =>
            {
                try
                {
                    return new Reading(RulebookText.Read(Encoding.UTF8.GetBytes(text)), null);
                }
                catch (RulebookException e)
                {
                    return new Reading(null, e.Message);
                }
            }
        );
}

/// <summary>A rule that this plan takes otherwise than its book: off, or with another figure for one of its values; and why, which is printed.</summary>
/// <param name="Value">The name of the value; "" where the rule is off.</param>
/// <param name="Figure">Null where the rule is off.</param>
public sealed record RuleChange(string Id, string RuleId, string Value, [property: LongText(300)] string Reason, double? Figure = null)
    : Entity(Id);
