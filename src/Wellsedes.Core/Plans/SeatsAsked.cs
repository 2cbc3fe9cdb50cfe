using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Plans;

/// <summary>How the tables of a block are laid.</summary>
public enum BlockLayout
{
    /// <summary>In lines both ways.</summary>
    Lines,

    /// <summary>Every other row between two of the one before.</summary>
    Staggered,

    /// <summary>Whichever holds more; lines where both hold as many.</summary>
    Fuller,

    /// <summary>As many as a search finds room for, in no lines.</summary>
    Dense,

    /// <summary>As dense, the same to the left as to the right of where people look.</summary>
    MirroredDense,
}

/// <summary>What an area is to be filled with. Lengths in mm, Facing in degrees: the direction people look in from the area.</summary>
/// <param name="Catalogue">The table, or the chair of rows.</param>
/// <param name="Seats">At each table; null for as many as it usually has.</param>
/// <param name="GapInRow">Between the chairs of two tables of a row, or between two chairs of a row.</param>
/// <param name="GapBetweenRows">Between the chairs of two rows: the passage of rows.</param>
/// <param name="GapToWalls">Between chairs and what stands: walls, columns, other things.</param>
/// <param name="Wanted">How many tables, or chairs of rows; null for as many as fit.</param>
/// <param name="Kept">Tables that were set by hand: they stay where they are, and the others are laid round them.</param>
/// <param name="LeftOut">Places, in the frame of the area, that stay empty.</param>
public sealed record SeatsAsked(
    SeatingStyle Style,
    string Catalogue,
    int? Seats,
    BlockLayout Layout,
    double GapInRow,
    double GapBetweenRows,
    double GapToWalls,
    double Facing,
    int? Wanted,
    ImmutableArray<string> Kept,
    ImmutableArray<Point> LeftOut
)
{
    /// <summary>No gap, and no distance rows curve about, is longer, in mm.</summary>
    public const double MostGap = 20_000;

    /// <summary>How many people are to sit: the fewest tables that hold them, the last places of some left out, so that it is exactly these; null for as many as fit.</summary>
    public int? Guests { get; init; }

    public WantedLaid Laid { get; init; }

    /// <summary>Clear width of aisles between parts of rows.</summary>
    public double Aisle { get; init; } = 1200;

    /// <summary>The most seats of a row from an aisle, or tables where rows are made of tables; null for rows without aisles.</summary>
    public int? FromAisle { get; init; }

    public AislesAt Aisles { get; init; }

    /// <summary>After so many rows comes a cross aisle; null for none.</summary>
    public int? CrossEvery { get; init; }

    /// <summary>How far before the front of the area rows curve about; in mm.</summary>
    public double Focus { get; init; } = 6000;

    /// <summary>How far the wings are turned to the middle, in degrees.</summary>
    public double Fan { get; init; } = 15;

    /// <summary>Places for wheelchair users in rows, where no rule says how many.</summary>
    public int Wheelchairs { get; init; }

    /// <summary>The rule that says how many of a row may be from an aisle, and how many places there are for wheelchair users.</summary>
    public SeatingRule Rule { get; init; }

    public WaysKept Ways { get; init; }

    public RowNumbers Numbers { get; init; }

    /// <summary>Whether the places of a row are drawn apart to its ends.</summary>
    public RowEnds Ends { get; init; }

    /// <summary>So many rows from the front are reserved: their labels say so.</summary>
    public int Reserved { get; init; }

    /// <summary>How deep the floor at the back of the area is kept free for service, in mm.</summary>
    public double Service { get; init; }

    /// <summary>Another table, of which some stand where the guests are so made up exactly; "" for the same with fewer seats, or none.</summary>
    public string SecondCatalogue { get; init; } = "";

    /// <summary>Seats at each of those; null for none where the table is the same, else as many as it usually has.</summary>
    public int? SecondSeats { get; init; }

    /// <summary>Whether so many are asked for, and not as many as fit.</summary>
    public bool IsCounted => (Guests ?? Wanted) is not null;

    /// <summary>Whether some tables may be others.</summary>
    public bool IsMixed => SecondCatalogue.Length > 0 || SecondSeats is not null;

    /// <summary>Whether tables are squeezed together in no lines, which takes a long search.</summary>
    public bool IsDense => Layout is BlockLayout.Dense or BlockLayout.MirroredDense;

    /// <summary>The same in lines or staggered, whichever holds more, where it is dense.</summary>
    public SeatsAsked InLattices() => IsDense ? this with { Layout = BlockLayout.Fuller } : this;
}
