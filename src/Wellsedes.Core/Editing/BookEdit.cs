namespace Wellsedes.Core.Editing;

/// <summary>Holds the plan against a book that ships, as the book is now. Id of the plan's copy; BookId of the book.</summary>
public sealed record ChooseBook(string Id, string BookId) : Edit;

/// <summary>Holds the plan against a book of the house's own: the text of a rulebook file.</summary>
public sealed record BringBook(string Id, [property: Measure.LongText(Plans.PlanBook.LongestText)] string Text) : Edit;

/// <summary>No longer holds the plan against a book; what was changed of its rules goes with it.</summary>
public sealed record LeaveBook(string Id) : Edit;

/// <summary>
/// Takes a rule otherwise than its book, with a reason that is printed: off where no value is named, else with another figure for that value. Without a reason it is as the book says again.
/// </summary>
public sealed record ChangeRule(
    string Id,
    string RuleId,
    string Value = "",
    double? Figure = null,
    [property: Measure.LongText(300)] string Reason = ""
) : Edit;

/// <summary>Accepts a finding as it is, with a reason; who and when is set by whoever takes the edit.</summary>
public sealed record AcceptFinding(Plans.Acceptance Acceptance) : Edit;

/// <summary>A finding is to be mended again.</summary>
public sealed record LiftAcceptance(string Id) : Edit;
