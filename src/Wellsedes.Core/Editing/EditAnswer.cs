using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>
/// Why an edit was not done: the field, the value and the way out. Where a likely meaning was found it is offered,
/// in mm; where only the size is unusual the edit can be sent again as sure.
/// </summary>
public sealed record Problem(string Field, string Message, double? Likely = null, bool CanBeSure = false);

/// <summary>A change, or the problem that stood in its way; never both.</summary>
public readonly record struct EditAnswer(Change? Change, Problem? Problem)
{
    public static EditAnswer Done(Change change) => new(change, null);

    public static EditAnswer No(Problem problem) => new(null, problem);

    public static EditAnswer No(string field, string message) => new(null, new Problem(field, message));
}
