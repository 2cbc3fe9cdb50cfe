using System.Collections.Immutable;

namespace Wellsedes.Core.Plans;

/// <summary>
/// A way to look at a scheme, under a name: what is not seen of it on the plan, and what of it is not drawn on the sheets that are made by this
/// view. Both name subjects (<see cref="Subjects"/>); what falls under one of them is meant.
/// </summary>
public sealed record View(string Id, string SchemeId, string Name, ImmutableArray<string> Hidden, ImmutableArray<string> NotPrinted)
    : Entity(Id),
        IOfScheme
{
    /// <summary>The most views of a scheme.</summary>
    public const int Most = 60;

    public bool Equals(View? other) =>
        other is not null
        && (Id, SchemeId, Name) == (other.Id, other.SchemeId, other.Name)
        && Hidden.AsSpan().SequenceEqual(other.Hidden.AsSpan())
        && NotPrinted.AsSpan().SequenceEqual(other.NotPrinted.AsSpan());

    public override int GetHashCode() => HashCode.Combine(Id, SchemeId, Name);
}

/// <summary>What of a scheme cannot be moved by mistake, whoever looks at it and by whichever view: subjects (<see cref="Subjects"/>).</summary>
public sealed record Locks(string Id, string SchemeId, ImmutableArray<string> Locked) : Entity(Id), IOfScheme
{
    public static string IdOf(string schemeId) => $"{schemeId}-locks";

    public bool Equals(Locks? other) =>
        other is not null && (Id, SchemeId) == (other.Id, other.SchemeId) && Locked.AsSpan().SequenceEqual(other.Locked.AsSpan());

    public override int GetHashCode() => HashCode.Combine(Id, SchemeId);
}

/// <summary>Some things of a scheme under a name, to be seen, locked and printed together; they move each by itself.</summary>
public sealed record OwnGroup(string Id, string SchemeId, string Name, ImmutableArray<string> Members) : Entity(Id), IOfScheme
{
    /// <summary>The most groups of a scheme.</summary>
    public const int Most = 200;

    public bool Equals(OwnGroup? other) =>
        other is not null
        && (Id, SchemeId, Name) == (other.Id, other.SchemeId, other.Name)
        && Members.AsSpan().SequenceEqual(other.Members.AsSpan());

    public override int GetHashCode() => HashCode.Combine(Id, SchemeId, Name);
}
