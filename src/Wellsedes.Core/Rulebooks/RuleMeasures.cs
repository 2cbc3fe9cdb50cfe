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

    /// <summary>A way out of the building, with those that leave by it.</summary>
    public const string Exit = "exit";

    /// <summary>A stair or ramp between levels, with those that leave by it.</summary>
    public const string Stair = "stair";

    /// <summary>A room for circulation, with those that come through it.</summary>
    public const string Corridor = "corridor";

    /// <summary>An aisle beside rows of chairs: at one or two sides of it, and how many seats it serves.</summary>
    public const string Aisle = "aisle";

    /// <summary>Rows one behind the other between cross aisles.</summary>
    public const string RowBlock = "row-block";

    /// <summary>The seats of a room together.</summary>
    public const string RoomSeating = "room-seating";

    /// <summary>From a table to the next, or to the wall, with people sitting between: at one or two sides.</summary>
    public const string TableGap = "table-gap";

    /// <summary>Free floor before a thing: a wc, basin, bath, shower, kitchen, storage or desk.</summary>
    public const string FreeFront = "free-front";

    /// <summary>Free floor beside a bed and at its foot.</summary>
    public const string BedSide = "bed-side";

    public static ImmutableSortedDictionary<string, ImmutableArray<string>> Figures { get; } =
        ImmutableSortedDictionary.CreateRange<string, ImmutableArray<string>>(
            StringComparer.Ordinal,
            [
                new(RoomExits, ["use", "people", "seats", "net_m2", "ways_out", "clear_mm", "apart_mm", "diagonal_mm", "sprinklered"]),
                new(Doorway, ["use", "people", "clear_mm", "opens_in", "swings"]),
                new(SeatRow, ["seats", "clear_mm", "aisles"]),
                new(Exit, ["people", "clear_mm", "sprinklered"]),
                new(Stair, ["people", "clear_mm", "stepped", "sprinklered"]),
                new(Corridor, ["people", "clear_mm", "length_mm"]),
                new(Aisle, ["clear_mm", "seats", "sides", "rows"]),
                new(RowBlock, ["rows_deep", "seats"]),
                new(RoomSeating, ["use", "seats", "loose_seats", "wheelchair_spaces", "companions"]),
                new(TableGap, ["edge_mm", "sides", "to_wall", "length_mm"]),
                new(FreeFront, ["kind", "use", "clear_mm", "width_mm"]),
                new(BedSide, ["width_mm", "sides_mm", "foot_mm"]),
                new(RoomSize, ["use", "net_m2", "least_width_mm", "length_mm", "height_m", "clear_height_mm", "seats", "workstations"]),
            ]
        );

    /// <summary>Figures that are no single number: words, yes or no, lists.</summary>
    private static readonly HashSet<string> NoNumbers =
    [
        "use",
        "kind",
        "swings",
        "opens_in",
        "to_wall",
        "stepped",
        "sprinklered",
        "sides_mm",
        "height_m",
        $"{RoomExits}/clear_mm",
    ];

    /// <summary>The figures of a measure that are numbers, which a limit can be set to.</summary>
    public static IEnumerable<string> NumbersOf(string measure) =>
        Figures[measure].Where(figure => !NoNumbers.Contains(figure) && !NoNumbers.Contains($"{measure}/{figure}"));

    /// <summary>What a measure is called.</summary>
    public static string NameOf(string measure) => Names[measure];

    /// <summary>What a figure is called: "clear width".</summary>
    public static string NameOfFigure(string figure) => FigureNames[figure];

    private static readonly Dictionary<string, string> Names = new()
    {
        [RoomExits] = "A room and its ways out",
        [Doorway] = "A doorway",
        [RoomSize] = "A room by its size",
        [SeatRow] = "A row of chairs",
        [Exit] = "A way out of the building",
        [Stair] = "A stair between levels",
        [Corridor] = "A corridor",
        [Aisle] = "An aisle beside rows",
        [RowBlock] = "Rows between cross aisles",
        [RoomSeating] = "The seats of a room",
        [TableGap] = "From a table to the next or the wall",
        [FreeFront] = "Free floor before a thing",
        [BedSide] = "Free floor round a bed",
    };

    private static readonly Dictionary<string, string> FigureNames = new()
    {
        ["people"] = "people",
        ["seats"] = "seats",
        ["net_m2"] = "net area",
        ["ways_out"] = "ways out",
        ["apart_mm"] = "distance between the ways out",
        ["diagonal_mm"] = "diagonal",
        ["clear_mm"] = "clear width",
        ["aisles"] = "aisles",
        ["least_width_mm"] = "least width",
        ["length_mm"] = "length",
        ["clear_height_mm"] = "clear height",
        ["workstations"] = "workstations",
        ["sides"] = "sides with seats",
        ["rows"] = "rows",
        ["rows_deep"] = "rows",
        ["loose_seats"] = "loose seats",
        ["wheelchair_spaces"] = "wheelchair spaces",
        ["companions"] = "companion seats",
        ["edge_mm"] = "distance from edge to edge",
        ["width_mm"] = "width of the thing",
        ["foot_mm"] = "free floor at the foot",
    };
}
