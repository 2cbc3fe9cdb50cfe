using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Adds a scheme: empty, or a copy of another with everything in it. Ids of what comes with it start with the new id.</summary>
public sealed record AddScheme(string Id, string Name, string? CopyOf = null) : Edit;

public sealed record RenameScheme(string Id, string Name) : Edit;

/// <summary>Removes a scheme with everything in it; the shell stays, and so does the last scheme.</summary>
public sealed record RemoveScheme(string Id) : Edit;

/// <summary>Adds a sheet of a scheme and level, set up like the scheme's first.</summary>
public sealed record AddSheet(string Id, string SchemeId, string LevelId) : Edit;

public sealed record SetSheet(SheetSettings Sheet) : Edit;

/// <summary>Holds the plan against a rule of its own in place of the house rule of that key; removing it goes back to the house's.</summary>
public sealed record PutOwnRule(OwnRule Rule) : Edit;

/// <summary>Brings an own item into the plan, or changes the plan's copy of one.</summary>
public sealed record PutOwnItem(OwnItem Item) : Edit;
