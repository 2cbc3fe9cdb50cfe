using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>How a field of a thing is typed.</summary>
public enum ThingFieldKind
{
    Length,
    Angle,
    Count,

    /// <summary>A count that may be left empty: nothing is asked.</summary>
    Asked,

    /// <summary>A length that may be left empty.</summary>
    AskedLength,
    Text,
    Choice,
    Level,
}

/// <summary>One choice of a field: the value and what it is called.</summary>
public sealed record ThingChoice(string Value, string Label);

/// <summary>A field of a kind beside place, size and rotation, which every thing has.</summary>
/// <param name="Key">Its name in JSON.</param>
/// <param name="Note">What the planner should know beside the field; "" for nothing.</param>
/// <param name="Only">Shown only where another field has a value: "kind=Stair"; "" for always.</param>
public sealed record ThingField(
    string Key,
    string Label,
    ThingFieldKind Kind,
    ImmutableArray<ThingChoice> Choices = default,
    string Note = "",
    string Only = ""
);

/// <summary>The stage of the work in which a kind is put in.</summary>
public enum ThingStage
{
    Shell,
    Furnish,
}

/// <summary>How a kind of thing is put in.</summary>
public enum ThingForm
{
    /// <summary>Set down at its usual size.</summary>
    Box,

    /// <summary>Set down at its usual size, or drawn corner by corner as an area.</summary>
    Area,

    /// <summary>Drawn point by point as a line; it has no width and depth of its own.</summary>
    Line,
}

/// <summary>A kind of thing as the program knows it: its names, its fields and how a new one begins.</summary>
/// <param name="Name">Its name in JSON, stable for ever.</param>
/// <param name="Word">What one is called: "low ceiling".</param>
/// <param name="Make">A new one of usual size: id, level, scheme, middle.</param>
/// <param name="DepthLabel">What its depth is called: the run of a stair.</param>
/// <param name="Ready">The forms it is offered in, when there is more than the one.</param>
public sealed record ThingKind(
    string Name,
    Type Type,
    string Word,
    ThingStage Stage,
    ImmutableArray<ThingField> Fields,
    Func<string, string, string, Point, Thing> Make,
    ImmutableArray<ReadyMade> Ready = default,
    ThingForm Form = ThingForm.Box,
    string DepthLabel = "Depth"
);

/// <summary>A form in which a kind is offered: what it is called, and how it differs from a usual new one.</summary>
/// <param name="Source">Where its figures come from; "" where they need none.</param>
public sealed record ReadyMade(string Label, Func<Thing, Thing> From, string Source = "");

/// <summary>The kinds of thing a house of plans knows, by the name each has in JSON.</summary>
public sealed class ThingKinds
{
    private readonly ImmutableDictionary<Type, ThingKind> byType;

    public ImmutableArray<ThingKind> All { get; }

    /// <exception cref="ArgumentException">Two kinds share a name or a type.</exception>
    public ThingKinds(IEnumerable<ThingKind> kinds)
    {
        All = [.. kinds];
        byType = All.ToImmutableDictionary(kind => kind.Type);
        if (All.DistinctBy(kind => kind.Name).Count() != All.Length)
            throw new ArgumentException("Two kinds of thing share a name.", nameof(kinds));
    }

    public ThingKinds With(ThingKind kind) => new(All.Add(kind));

    public ThingKind? Of(Thing thing) => byType.GetValueOrDefault(thing.GetType());
}
