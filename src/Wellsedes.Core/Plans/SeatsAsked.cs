using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

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
}

/// <summary>What an area is to be filled with. Lengths in mm, Facing in degrees: the direction people look in from the area.</summary>
/// <param name="Catalogue">The table.</param>
/// <param name="Seats">At each table; null for as many as it usually has.</param>
/// <param name="GapInRow">Between the chairs of two tables of a row.</param>
/// <param name="GapBetweenRows">Between the chairs of two rows.</param>
/// <param name="GapToWalls">Between chairs and what stands: walls, columns, other things.</param>
/// <param name="Wanted">How many tables; null for as many as fit.</param>
/// <param name="Kept">Tables that were set by hand: they stay where they are, and the others are laid round them.</param>
/// <param name="LeftOut">Places, in the frame of the area, that stay empty.</param>
public sealed record SeatsAsked(
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
);
