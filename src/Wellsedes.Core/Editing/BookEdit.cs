using System.Collections.Immutable;

namespace Wellsedes.Core.Editing;

/// <summary>Holds the plan against a book that ships, as the book is now. Id of the plan's copy; BookId of the book.</summary>
public sealed record ChooseBook(string Id, string BookId) : Edit;

/// <summary>Holds the plan against a book of the house's own: the text of a rulebook file.</summary>
public sealed record BringBook(string Id, [property: Units.LongText(Plans.PlanBook.LongestText)] string Text) : Edit;

/// <summary>
/// Holds the plan against the books that its project keeps, with what these take otherwise, instead of its own. A book and a change it has already keep their ids.
/// </summary>
public sealed record TakeBooks(ImmutableArray<Plans.PlanBook> Books, ImmutableArray<Plans.RuleChange> Changes) : Edit;

/// <summary>No longer holds the plan against a book; what was changed of its rules goes with it.</summary>
public sealed record LeaveBook(string Id) : Edit;

/// <summary>
/// Writes a rule of the house's own into the plan's book of them: a figure of a measure is at least, or at most, a limit. Id is that of the book where it is the first.
/// </summary>
/// <param name="Of">Only for rooms of this use, or things of this kind; "" for all.</param>
public sealed record WriteHouseRule(
    string Id,
    string Title,
    string Measure,
    string Figure,
    bool AtLeast,
    double Limit,
    string Of = "",
    bool Advises = false
) : Edit;

/// <summary>Takes a rule that ships into the house's own book: one whose value nobody is sure of is judged by no other.</summary>
public sealed record TakeHouseRule(string Id, string RuleId) : Edit;

/// <summary>Takes a rule out of the house's own book; the book goes with its last one.</summary>
public sealed record DropHouseRule(string RuleId) : Edit;

/// <summary>
/// Takes a rule otherwise than its book, with a reason that is printed: off where no value is named, else with another figure for that value. Without a reason it is as the book says again.
/// </summary>
public sealed record ChangeRule(
    string Id,
    string RuleId,
    string Value = "",
    double? Figure = null,
    [property: Units.LongText(300)] string Reason = ""
) : Edit;

/// <summary>Accepts a finding as it is, with a reason; who and when is set by whoever takes the edit.</summary>
public sealed record AcceptFinding(Plans.Acceptance Acceptance) : Edit;

/// <summary>A finding is to be mended again.</summary>
public sealed record LiftAcceptance(string Id) : Edit;
