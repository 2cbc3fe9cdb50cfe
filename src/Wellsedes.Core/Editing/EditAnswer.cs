using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>A change, or the problem that stood in its way; never both.</summary>
public readonly record struct EditAnswer(Change? Change, Problem? Problem)
{
    public static EditAnswer Done(Change change) => new(change, null);

    public static EditAnswer No(Problem problem) => new(null, problem);

    public static EditAnswer No(string field, string message) => new(null, new Problem(field, message));

    /// <summary>The refusal of an id that is in use.</summary>
    public static EditAnswer Taken(string field, string id) => No(field, $"There is already something called \"{id}\".");

    public static EditAnswer NoWallType(string name) =>
        No("wallType", $"There is no wall type called \"{name}\"; choose one of the list or add it.");
}
