namespace Wellsedes.Core.Rulebooks;

/// <summary>How an area is measured, in the words of its source, and where from.</summary>
public sealed record AreaDefinition(string Key, string Name, string Wording, string Source, string Note);

/// <summary>Definitions of areas; wording and source from memory.</summary>
public static class AreaDefinitions
{
    private const string Code = "RICS Code of Measuring Practice, 6th edition";
    private const string FromMemory = "From memory; check against the adopted edition.";

    public static readonly AreaDefinition GrossExternal = new(
        "gross-external",
        "Gross external",
        "The area of a building measured externally at each floor level; perimeter walls are included, open terraces are not.",
        Code + ", GEA",
        FromMemory
    );

    public static readonly AreaDefinition GrossInternal = new(
        "gross-internal",
        "Gross internal",
        "The area of a building measured to the internal face of the perimeter walls at each floor level; internal walls, columns, stairs and shafts are included.",
        Code + ", GIA",
        FromMemory
    );

    public static readonly AreaDefinition NetInternal = new(
        "net-internal",
        "Net internal",
        "The usable area within a building measured to the internal face of the perimeter walls at each floor level; internal structural walls, columns, stairs, shafts, lavatories, plant rooms and areas of less than 1.5 m clear height are excluded.",
        Code + ", NIA",
        FromMemory
    );

    public static IReadOnlyList<AreaDefinition> All => [NetInternal, GrossInternal, GrossExternal];

    /// <summary>Clear height in mm under which floor is not usable area (NIA).</summary>
    public const double LeastUsableHeight = 1500;
}

/// <summary>What a room can be used for, and whether it counts as usable area (NIA, from memory).</summary>
public sealed record RoomUse(string Name, bool Usable);

public static class RoomUses
{
    public static IReadOnlyList<RoomUse> All =>
        [
            new("Assembly", true),
            new("Assembly in rows", true),
            new("Bar", true),
            new("Bathroom", false),
            new("Bedroom", true),
            new("Circulation", false),
            new("Classroom", true),
            new("Dance floor", true),
            new("Dining", true),
            new("Exhibition", true),
            new("Gym", true),
            new("Kitchen", true),
            new("Library", true),
            new("Living", true),
            new("Lobby", false),
            new("Meeting", true),
            new("Office", true),
            new("Plant", false),
            new("Shop", true),
            new("Stage", true),
            new("Stair", false),
            new("Standing", true),
            new("Store", true),
            new("Terrace", false),
            new("Toilets", false),
            new("Training", true),
            new("Waiting", true),
            new("Workshop", true),
        ];

    /// <summary>A use nobody listed counts as usable: leaving floor out must be somebody's choice.</summary>
    public static bool IsUsable(string use) =>
        All.FirstOrDefault(u => u.Name.Equals(use, StringComparison.OrdinalIgnoreCase))?.Usable ?? true;
}
