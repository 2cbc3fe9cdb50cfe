using System.Collections.Immutable;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Makes a view or changes one.</summary>
public sealed record PutView(View View) : Edit;

/// <summary>Makes a viewpoint or changes one.</summary>
public sealed record PutViewpoint(Viewpoint Viewpoint) : Edit;

/// <summary>What of a scheme is locked from now on, by its subjects.</summary>
public sealed record SetLocks(string SchemeId, ImmutableArray<string> Locked) : Edit;

/// <summary>Makes an own group of some things or changes one.</summary>
public sealed record PutGroup(OwnGroup Group) : Edit;
