using System.Collections.Immutable;

namespace Wellsedes.Core.Rulebooks;

/// <summary>The measures that a rule may judge, and the figures each of them gives: lengths in mm, areas in m², heights in m.</summary>
public static class RuleMeasures
{
    /// <summary>A room with a use, and the ways out of it.</summary>
    public const string RoomExits = "room-exits";

    /// <summary>A doorway that leads out of a room.</summary>
    public const string Doorway = "doorway";

    /// <summary>A room by its size.</summary>
    public const string RoomSize = "room-size";

    /// <summary>A row of loose chairs behind another: how many, the clear passage before them, and at how many of its ends there is an aisle.</summary>
    public const string SeatRow = "seat-row";

    public static ImmutableSortedDictionary<string, ImmutableArray<string>> Figures { get; } =
        ImmutableSortedDictionary.CreateRange<string, ImmutableArray<string>>(
            StringComparer.Ordinal,
            [
                new(RoomExits, ["use", "people", "seats", "net_m2", "ways_out", "clear_mm", "apart_mm", "diagonal_mm", "sprinklered"]),
                new(Doorway, ["use", "people", "clear_mm", "opens_in", "swings"]),
                new(SeatRow, ["seats", "clear_mm", "aisles"]),
                new(RoomSize, ["use", "net_m2", "least_width_mm", "length_mm", "height_m", "seats", "workstations"]),
            ]
        );
}
