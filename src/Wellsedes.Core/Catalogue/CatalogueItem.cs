using System.Text.Json.Serialization;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Catalogue;

/// <summary>Where a value comes from. Every value was recalled from memory; the adopted edition decides.</summary>
/// <param name="Title">The published source, or "common practice".</param>
/// <param name="Confidence">high, medium or low: how sure the recollection is.</param>
public sealed record ValueSource(string Title, string Confidence);

/// <summary>Overall size in mm: width across the front, depth from front to back, height.</summary>
public readonly record struct ItemSize(double Width, double Depth, double Height);

/// <summary>How many places each side of an item has. Around is for round tables, the sides for straight ones.</summary>
public readonly record struct SeatsBySide(int Around = 0, int Front = 0, int Back = 0, int Left = 0, int Right = 0)
{
    [JsonIgnore]
    public long Total => (long)Around + Front + Back + Left + Right;

    /// <summary>The same with no more than a number: from the ends first, then from the long sides in turn.</summary>
    public SeatsBySide Only(int count)
    {
        var (around, front, back, left, right) = (Math.Min(Around, count), Front, Back, Left, Right);
        while (around + front + back + left + right > count)
            if (right > 0)
                right--;
            else if (left > 0)
                left--;
            else if (back > front)
                back--;
            else
                front--;
        return new SeatsBySide(around, front, back, left, right);
    }
}

/// <summary>The range of sizes in mm that make sense for an item; outside it the planner is asked.</summary>
public sealed record SizeRange(double Least, double Most);

/// <summary>One thing that can be placed: its true size, its maker, and what the maker needs to know.</summary>
/// <param name="Key">Stable name in files and tables.</param>
/// <param name="Maker">Which maker builds its form.</param>
/// <param name="Seats">Usual seats; all zero when nobody sits at it.</param>
/// <param name="MostSeats">The most seats its size takes, from its source.</param>
/// <param name="Chair">Key of the chair that stands at its seats.</param>
/// <param name="BackToWall">Whether its back looks for a wall when it is put down near one.</param>
/// <param name="Counted">What it counts as in the tally: table, seat, desk or nothing.</param>
/// <param name="SubKind">What it is told apart by within its kind: dining tables, meeting tables.</param>
/// <param name="Words">Other words it is looked for by.</param>
/// <param name="Settings">What it is mostly used in: offices, venues, homes, divided by commas.</param>
/// <param name="Reference">The published size it was taken from; "" where it is common practice without an entry.</param>
/// <param name="Elevation">Its usual underside above the floor in mm, on a wall.</param>
/// <param name="Outlets">How many power outlets it needs.</param>
/// <param name="Parameters">What its maker is told where an item says nothing.</param>
/// <param name="IsFixed">Whether it is fixed to the building rather than moved about.</param>
/// <param name="Price">What one costs, in the currency of the project; null when that is not known.</param>
/// <param name="SupplierCode">What its supplier calls it.</param>
/// <param name="Shape">The outline of an own item that was drawn or brought in.</param>
/// <param name="LikeKey">For an own item: the shipped item it was made from, "" for none.</param>
/// <param name="StandAt">How many people stand at it; 0 where they sit at it, or none does either.</param>
/// <param name="Uses">The floor it needs in use, where an own item says so; null where its maker does.</param>
public sealed record CatalogueItem(
    string Key,
    string Name,
    CatalogueKind Kind,
    string Maker,
    ItemSize Size,
    ValueSource Source,
    SeatsBySide Seats,
    int MostSeats = 0,
    string? Chair = null,
    bool BackToWall = false,
    string Counted = "",
    string Tag = "",
    int Parts = 0,
    string SubKind = "",
    [property: LongText(300)] string Words = "",
    string Settings = "",
    string Reference = "",
    UsualPlace UsualPlace = UsualPlace.Floor,
    double Elevation = 0,
    int Outlets = 0,
    ItemParameters? Parameters = null,
    bool IsFixed = false,
    double? Price = null,
    string SupplierCode = "",
    string LikeKey = "",
    OwnShape? Shape = null,
    UseSpaces? Uses = null,
    int StandAt = 0
)
{
    /// <summary>Whether its width is a diameter, and its depth the same.</summary>
    [JsonIgnore]
    public bool IsRound => FormMaker.Find(Maker).IsRound;

    /// <summary>Whether it is floor for somebody who comes in a wheelchair.</summary>
    [JsonIgnore]
    public bool IsWheelchairSpace => Maker == "wheelchair-space";
}
