using System.Collections.Immutable;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>
/// Makes a repeat or changes its recipe; its members are rewritten in the same change. A locked member keeps its place, one
/// that was moved by hand goes back to its slot, those beyond the last slot go. New members' ids start with the repeat's.
/// </summary>
public sealed record PutRepeat(Repeat Repeat) : Edit;

/// <summary>Takes repeats apart: the members stay where they are as items of their own.</summary>
public sealed record Release(ImmutableArray<string> Ids) : Edit, IOfSelected;
