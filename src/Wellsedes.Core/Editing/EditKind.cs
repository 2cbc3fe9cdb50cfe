using System.Collections.Immutable;
using System.Text.Json;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Whether what is locked stands in the way of an edit.</summary>
public enum LockRule
{
    /// <summary>Nothing that is locked is moved, turned, resized or removed by it.</summary>
    Holds,

    /// <summary>It locks and unlocks, or is about something else than where things stand.</summary>
    Passes,
}

/// <summary>Who may ask for an edit, besides whom a project lets edit at all.</summary>
public enum EditRight
{
    /// <summary>Whoever may edit the plans of the project.</summary>
    Editors,

    /// <summary>Only owners of the project.</summary>
    Owners,
}

/// <summary>A value that an edit is asked with.</summary>
/// <param name="Name">As in JSON.</param>
/// <param name="IsNeeded">Whether there is none that it has by itself.</param>
public readonly record struct EditField(string Name, Type Type, bool IsNeeded);

/// <summary>
/// All that is said of one kind of edit: JSON names, dispatch, who may, whether locks hold, words, help and docs/edits.md are made from it.
/// </summary>
/// <param name="Name">In JSON and on the command line: lower case, words joined by hyphens.</param>
/// <param name="Type">The record it is asked with.</param>
/// <param name="Does">What it does, as a request: "Move items".</param>
/// <param name="Did">What was done, for the history: "Moved items".</param>
/// <param name="Answer">Turns it into a change, or says why not.</param>
public sealed record EditKind(
    string Name,
    Type Type,
    string Does,
    string Did,
    LockRule Locks,
    EditRight Right,
    Func<EditTools, Plan, Edit, EditAnswer> Answer
)
{
    public static EditKind Of<TEdit>(
        string name,
        string does,
        string did,
        Func<EditTools, Plan, TEdit, EditAnswer> answer,
        LockRule locks = LockRule.Holds,
        EditRight right = EditRight.Editors
    )
        where TEdit : Edit => new(name, typeof(TEdit), does, did, locks, right, (tools, plan, edit) => answer(tools, plan, (TEdit)edit));

    /// <summary>What it is asked with, in order.</summary>
    public ImmutableArray<EditField> Fields { get; } =
    [
        .. Type.GetConstructors()
            .MaxBy(constructor => constructor.GetParameters().Length)!
            .GetParameters()
            .Select(parameter => new EditField(
                JsonNamingPolicy.CamelCase.ConvertName(parameter.Name!),
                parameter.ParameterType,
                !parameter.HasDefaultValue
            )),
    ];

    /// <summary>The field that says what it is about, which a refusal names.</summary>
    public string Subject =>
        Fields.Select(one => one.Name).FirstOrDefault(name => name == "ids") ?? Fields.Select(one => one.Name).FirstOrDefault("edit");
}
