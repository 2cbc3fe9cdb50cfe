using System.Text.Json.Serialization;

namespace Wellsedes.Core.Catalogue;

public enum CatalogueKind
{
    Tables,
    Seats,
    Desks,
    Lounge,
    Storage,
    Staging,
    Serving,
    Screens,
}

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
}

/// <summary>The range of sizes in mm that make sense for an item; outside it the planner is asked.</summary>
public sealed record SizeRange(double Least, double Most);

/// <summary>One thing that can be placed: its true size, its maker, and what the maker needs to know.</summary>
/// <param name="Key">Stable name in files and tables.</param>
/// <param name="Maker">Which maker builds its form.</param>
/// <param name="Places">Usual places; all zero when nobody sits at it.</param>
/// <param name="MostSeats">The most places its size takes, from its source.</param>
/// <param name="Chair">Key of the chair that stands at its places.</param>
/// <param name="BackToWall">Whether its back looks for a wall when it is put down near one.</param>
/// <param name="Counted">What it counts as in the tally: table, seat, desk or nothing.</param>
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
    int Parts = 0
)
{
    /// <summary>Whether its width is a diameter, and its depth the same.</summary>
    [JsonIgnore]
    public bool IsRound => FormMaker.Find(Maker).IsRound;
}
