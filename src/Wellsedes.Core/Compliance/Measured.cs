using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>A thing of a plan with the figures that rules read of it, as <see cref="RuleMeasures"/> names them.</summary>
/// <param name="SubjectId">The entity it is about.</param>
/// <param name="Name">What it is called.</param>
/// <param name="At">Where it was measured, in mm on the level.</param>
public sealed record Measured(
    string Measure,
    string SubjectId,
    string Name,
    string LevelId,
    ImmutableArray<Point> At,
    ImmutableSortedDictionary<string, object?> Figures
)
{
    /// <summary>The lines that some of its figures are measured along, from end to end, by the figure's name; those without are measured at <see cref="At"/>.</summary>
    public ImmutableDictionary<string, ImmutableArray<Point>> Lines { get; init; } =
        ImmutableDictionary<string, ImmutableArray<Point>>.Empty;

    /// <summary>Which of several things measured of the same subject by the same measure it is; "" where there is but one.</summary>
    public string Part { get; init; } = "";

    /// <summary>Its figures in words, by which a verdict is known again.</summary>
    internal string Told { get; } = RuleFigures.Told(Figures);

    /// <summary>Whether nothing about it is otherwise: its figures, its name, and where it was measured.</summary>
    internal bool IsAlike(Measured other) =>
        Told == other.Told
        && Name == other.Name
        && At.AsSpan().SequenceEqual(other.At.AsSpan())
        && Lines.Count == other.Lines.Count
        && Lines.All(line => other.Lines.TryGetValue(line.Key, out var its) && line.Value.AsSpan().SequenceEqual(its.AsSpan()));

    internal static Measured Of(
        string measure,
        string subjectId,
        string name,
        string levelId,
        ImmutableArray<Point> at,
        params ReadOnlySpan<(string Name, object? Figure)> figures
    )
    {
        var all = ImmutableSortedDictionary.CreateBuilder<string, object?>(StringComparer.Ordinal);
        foreach (var (figure, value) in figures)
            all[figure] = Settled(value);
        return new Measured(measure, subjectId, name, levelId, at, all.ToImmutable());
    }

    /// <summary>Without what a turn of the plan adds to the last places of a figure.</summary>
    private static object? Settled(object? value) =>
        value switch
        {
            double n => Math.Round(n, 6),
            object?[] list => list.Select(Settled).ToArray(),
            _ => value,
        };
}

/// <summary>A room as measures see it: with what it is counted for by one book.</summary>
/// <param name="People">By that book; by the strictest of the others where it counts nobody; null where none does.</param>
/// <param name="Ways">By which it is left.</param>
public sealed record CountedRoom(
    LevelSpace Space,
    FoundRoom Room,
    ImmutableArray<WayOut> Ways,
    double? People,
    int Seats,
    int Workstations,
    bool Sprinklered
)
{
    internal RoomShape Shape => RoomShape.Of(Space, Room);
}
