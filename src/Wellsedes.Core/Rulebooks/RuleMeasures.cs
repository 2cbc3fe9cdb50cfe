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

    /// <summary>A thing by its size: a desk, shower or place for a wheelchair user.</summary>
    public const string ThingSize = "thing-size";

    /// <summary>From the centre line of a wc or basin to what stands or ends beside it.</summary>
    public const string CentreLine = "centre-line";

    /// <summary>A home: the rooms of a zone that is a dwelling, on all its levels.</summary>
    public const string Dwelling = "dwelling";

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
                new(Aisle, ["clear_mm", "seats", "sides", "rows", "stepped", "riser_mm"]),
                new(RowBlock, ["rows_deep", "seats"]),
                new(RoomSeating, ["use", "seats", "loose_seats", "single_seats", "wheelchair_spaces", "companions"]),
                new(TableGap, ["edge_mm", "sides", "to_wall", "length_mm", "rounds", "width_mm"]),
                new(FreeFront, ["kind", "use", "clear_mm", "width_mm"]),
                new(BedSide, ["width_mm", "sides_mm", "foot_mm"]),
                new(ThingSize, ["kind", "use", "width_mm", "depth_mm", "high_mm"]),
                new(CentreLine, ["kind", "use", "centre_mm", "between_mm"]),
                new(Dwelling, ["bedrooms", "people", "storeys", "gross_m2", "built_in_m2", "from_2300_m2"]),
                new(
                    RoomSize,
                    [
                        "use",
                        "net_m2",
                        "least_width_mm",
                        "length_mm",
                        "height_m",
                        "clear_height_mm",
                        "from_2134_m2",
                        "from_2300_m2",
                        "seats",
                        "workstations",
                        "m2_per_seat",
                        "m2_per_workstation",
                    ]
                ),
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
        "rounds",
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
        [ThingSize] = "A thing by its size",
        [CentreLine] = "Beside the centre line of a wc or basin",
        [Dwelling] = "A home",
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
        ["from_2134_m2"] = "floor from 2134 mm of clear height",
        ["from_2300_m2"] = "floor from 2300 mm of clear height",
        ["m2_per_seat"] = "net area a seat",
        ["m2_per_workstation"] = "net area a workstation",
        ["riser_mm"] = "highest step",
        ["single_seats"] = "seats that are joined to no other",
        ["depth_mm"] = "depth of the thing",
        ["high_mm"] = "height of the thing",
        ["centre_mm"] = "distance from its centre line",
        ["between_mm"] = "free width it stands in",
        ["bedrooms"] = "bedrooms",
        ["storeys"] = "storeys",
        ["gross_m2"] = "gross internal area",
        ["built_in_m2"] = "built-in storage",
    };
}
