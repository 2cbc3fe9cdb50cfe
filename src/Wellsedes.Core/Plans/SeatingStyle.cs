using System.Collections.Immutable;

namespace Wellsedes.Core.Plans;

/// <summary>How people sit in a block.</summary>
public enum SeatingStyle
{
    /// <summary>Round tables.</summary>
    Rounds,

    /// <summary>Round tables whose side towards the front stays free.</summary>
    HalfRounds,

    /// <summary>Long tables end to end, people on both sides.</summary>
    LongTables,

    /// <summary>Straight rows of chairs.</summary>
    Rows,

    /// <summary>Rows of chairs about a point.</summary>
    CurvedRows,

    /// <summary>Two wings of straight rows, turned towards a middle aisle.</summary>
    Herringbone,

    /// <summary>Rows of tables, people behind them.</summary>
    Training,

    /// <summary>Single desks, all apart.</summary>
    Exam,

    /// <summary>One large table.</summary>
    Boardroom,

    /// <summary>Tables about a free middle, people outside.</summary>
    HollowSquare,

    /// <summary>As a hollow square, open towards the front.</summary>
    UShape,

    /// <summary>Chairs in a circle, or circles about each other.</summary>
    Circle,

    /// <summary>High tables people stand at.</summary>
    HighTables,

    /// <summary>Small square tables of four and of two.</summary>
    Cafe,
}

/// <summary>Where the aisles of rows are.</summary>
public enum AislesAt
{
    /// <summary>Where they cost the fewest seats.</summary>
    Fullest,

    /// <summary>One in the middle, others where they are needed.</summary>
    Middle,

    /// <summary>One at each side, others where they are needed.</summary>
    Sides,
}

/// <summary>Where what is too many is left out.</summary>
public enum WantedLaid
{
    /// <summary>From the front at the gaps asked; the back stays free.</summary>
    Front,

    /// <summary>All over the area: at the widest gaps that still hold the number.</summary>
    Spread,
}

/// <summary>Which ways a block keeps free.</summary>
public enum WaysKept
{
    /// <summary>Those that somebody drew.</summary>
    Drawn,

    /// <summary>Also ways from the doors people come in and leave by, as wide as main aisles, where they cost the fewest places.</summary>
    FromDoors,
}

/// <summary>How the places of a row fill it between its aisles.</summary>
public enum RowEnds
{
    /// <summary>At the gap asked, in the middle or against its aisle.</summary>
    Centred,

    /// <summary>A little wider apart, so that rows end on one line.</summary>
    Justified,
}

/// <summary>How the seats of rows are numbered.</summary>
public enum RowNumbers
{
    /// <summary>Rows by letters without I and O, seats by numbers from the left of those who sit: A1.</summary>
    Letters,

    /// <summary>Rows and seats by numbers: 1-1.</summary>
    Numbers,

    /// <summary>As they were made or typed: nothing is numbered anew.</summary>
    AsTheyAre,
}

/// <summary>What a style is called and what holds for it until somebody says otherwise. Lengths in mm.</summary>
/// <param name="Note">What it looks like, in a line.</param>
/// <param name="Catalogue">The tables or chairs it is made of, the usual one first.</param>
/// <param name="InRow">Gap in a row.</param>
/// <param name="BetweenRows">Gap between rows: for rows of chairs the clear passage.</param>
/// <param name="ToWalls">Gap to walls and other things.</param>
/// <param name="FromAisle">The most seats of a row from an aisle, or tables where it is made of tables; null for no aisles.</param>
/// <param name="Source">Where the gaps come from; from memory, to be checked against the adopted edition.</param>
public sealed record StyleUsual(
    SeatingStyle Style,
    string Label,
    string Note,
    ImmutableArray<string> Catalogue,
    double InRow,
    double BetweenRows,
    double ToWalls,
    int? FromAisle,
    double Aisle,
    string Source
)
{
    /// <summary>Whether it is made of chairs by themselves.</summary>
    public bool IsOfChairs => Style is SeatingStyle.Rows or SeatingStyle.CurvedRows or SeatingStyle.Herringbone or SeatingStyle.Circle;

    /// <summary>Whether its tables stand by lattices.</summary>
    public bool IsLattice => Style is SeatingStyle.Rounds or SeatingStyle.HalfRounds or SeatingStyle.HighTables or SeatingStyle.Cafe;

    /// <summary>Whether it is one arrangement of tables.</summary>
    public bool IsOne => Style is SeatingStyle.Boardroom or SeatingStyle.HollowSquare or SeatingStyle.UShape;

    /// <summary>Whether its passages lie between rows that are no wider than asked, whatever is asked of seats elsewhere.</summary>
    public bool HasRows => !IsLattice && !IsOne;
}

/// <summary>The styles the program knows.</summary>
public static class SeatingStyles
{
    private const string Banquet = "Common practice (events): 18 to 24 in and more between the chairs of two tables";
    private const string Meeting = "Common practice (meeting rooms): 36 to 48 in behind chairs";
    private const string GermanRows =
        "MVStättVO (Germany), section 10(2) to (5): passage 0.4 m, at most 10 seats from an aisle, aisles 1.2 m; from memory";

    private static readonly ImmutableArray<string> Round =
    [
        "round-table-1525",
        "round-table-900",
        "round-table-1200",
        "round-table-1220",
        "round-table-1500",
        "round-table-1830",
        "round-table-2130",
        "round-table-children",
    ];

    private static readonly ImmutableArray<string> Chairs =
    [
        "stacking-chair",
        "banquet-chair",
        "ballroom-chair",
        "folding-chair",
        "tablet-chair",
        "visitor-chair",
    ];

    private static readonly ImmutableArray<string> Long = ["long-table-1830", "trestle-table-1830", "long-table-2440"];

    private static readonly ImmutableArray<string> Behind =
    [
        "training-table-1600",
        "class-table-1830",
        "class-table-2440",
        "top-table-1830",
        "pupil-table-double",
        "lab-table-1800",
    ];

    public static ImmutableArray<StyleUsual> All { get; } =
    [
        new(SeatingStyle.Rounds, "Round tables", "people all round", Round, 500, 600, 300, null, 0, Banquet),
        new(SeatingStyle.HalfRounds, "Half rounds", "the side to the front is free", Round, 500, 600, 300, null, 0, Banquet),
        new(
            SeatingStyle.LongTables,
            "Long tables",
            "end to end, both sides",
            Long,
            0,
            600,
            600,
            4,
            1200,
            "MVStättVO (Germany), section 10(6): at most 10 m to an aisle; from memory"
        ),
        new(SeatingStyle.Rows, "Rows of chairs", "straight, with aisles", Chairs, 0, 400, 50, 10, 1200, GermanRows),
        new(SeatingStyle.CurvedRows, "Curved rows", "about a point in front", Chairs, 20, 400, 50, 10, 1200, GermanRows),
        new(SeatingStyle.Herringbone, "Turned wings", "two wings towards a middle aisle", Chairs, 0, 400, 50, 10, 1200, GermanRows),
        new(
            SeatingStyle.Training,
            "Training tables",
            "rows of tables, people behind",
            Behind,
            0,
            600,
            300,
            3,
            1200,
            "Common practice (training rooms): 54 in from row to row and more"
        ),
        new(
            SeatingStyle.Exam,
            "Exam desks",
            "single desks, all apart",
            ["pupil-table-single", "desk-dwelling", "desk-1200-600", "desk-48"],
            600,
            600,
            300,
            null,
            0,
            "Common practice (exams): about 1.25 m and more from desk to desk"
        ),
        new(SeatingStyle.Boardroom, "Boardroom", "one large table", Long, 0, 0, 900, null, 0, Meeting),
        new(SeatingStyle.HollowSquare, "Hollow square", "tables about a free middle", Long, 0, 0, 900, null, 0, Meeting),
        new(SeatingStyle.UShape, "U shape", "open to the front", Long, 0, 0, 900, null, 0, Meeting),
        new(
            SeatingStyle.Circle,
            "Circles",
            "chairs about the middle",
            Chairs,
            100,
            600,
            300,
            20,
            1200,
            "Common practice (groups): chairs a hand apart"
        ),
        new(
            SeatingStyle.HighTables,
            "High tables",
            "people stand",
            ["high-table"],
            1200,
            1200,
            600,
            null,
            0,
            "Common practice (receptions): 4 ft and more between high tables"
        ),
        new(
            SeatingStyle.Cafe,
            "Café tables",
            "fours and twos in turn",
            ["square-table-915", "square-table-750", "meeting-table-900"],
            500,
            600,
            300,
            null,
            0,
            Banquet
        ),
    ];

    public static StyleUsual Of(SeatingStyle style) => All.First(usual => usual.Style == style);
}
