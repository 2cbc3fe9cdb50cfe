using System.Text.Json.Nodes;

namespace Wellsedes.Core.Plans;

/// <summary>
/// How entities are written, in plan files, snapshots and change logs alike, by version; what an earlier version wrote is
/// brought up to this one before it is read. Version 4 has drawn walkways, zones with a
/// shape of their own, views, locks and own groups; and, since, viewpoints, pictures on sheets, a site and own items with a model. Version 3 has clusters, and repeats that follow their members. Version 2 says locked (was held), rotation (turn), seats (places), wall type
/// (make-up), landscape (across), main aisle and seat access; a sheet has its parts and its level.
/// </summary>
public static class PlanFormat
{
    public const int Version = 4;

    /// <summary>The entities of a list, in place. Sheets get the level their plan opens on.</summary>
    public static void Raise(JsonArray entities, int version)
    {
        if (version >= Version)
            return;
        var first = FirstLevel(entities);
        foreach (var entity in entities.OfType<JsonObject>())
            RaiseEntity(entity, first);
    }

    /// <summary>The entities of a logged change, in place.</summary>
    /// <param name="firstLevel">The level sheets without one are of.</param>
    public static void RaiseChange(JsonObject change, int version, string firstLevel)
    {
        if (version >= Version || change["entities"] is not JsonArray entities)
            return;
        foreach (var entity in entities.OfType<JsonObject>())
        foreach (var side in (string[])["before", "after"])
            if (entity[side] is JsonObject value)
                RaiseEntity(value, firstLevel);
    }

    /// <summary>The lowest level with an entrance, else the lowest; as a plan opens (<see cref="Plan.FirstLevel"/>).</summary>
    public static string FirstLevel(JsonArray entities)
    {
        var all = entities.OfType<JsonObject>().ToArray();
        var walls = all.Where(e => Is(e, "wall")).ToLookup(e => Text(e, "id"), e => Text(e, "levelId"));
        var entered = all.Where(e => Is(e, "opening") && Text(e, "mark") is "Entrance" or "EntranceAndExit")
            .SelectMany(e => walls[Text(e, "wallId")])
            .ToHashSet();
        var levels = all.Where(e => Is(e, "level")).OrderBy(Elevation).ThenBy(e => Text(e, "id"), StringComparer.Ordinal).ToArray();
        return Text(levels.FirstOrDefault(level => entered.Contains(Text(level, "id"))) ?? levels.FirstOrDefault() ?? [], "id");
    }

    private static double Elevation(JsonObject level) =>
        level["elevation"] is JsonValue value && value.TryGetValue(out double elevation) ? elevation : 0;

    private static bool Is(JsonObject entity, string type) => Text(entity, "type") == type;

    private static string Text(JsonObject entity, string key) =>
        entity[key] is JsonValue value && value.TryGetValue(out string? text) ? text : "";

    private static void RaiseEntity(JsonObject entity, string firstLevel)
    {
        Rename(entity, "held", "locked");
        Rename(entity, "turn", "rotation");
        switch (Text(entity, "type"))
        {
            case "item":
                Rename(entity, "places", "seats");
                entity["catalogue"] = Text(entity, "catalogue") switch
                {
                    "standing-table" => "high-table",
                    "wheelchair-place" => "wheelchair-space",
                    var key => key,
                };
                break;
            case "wall":
                Rename(entity, "makeUp", "wallType");
                break;
            case "make-up":
                entity["type"] = "wall-type";
                break;
            case "checks":
                Rename(entity, "mainWidth", "mainAisle");
                Rename(entity, "seatWidth", "seatAccess");
                break;
            case "repeat":
                entity.Remove("catalogue");
                break;
            case "sheet":
                RaiseSheet(entity, firstLevel);
                break;
        }
    }

    private static void RaiseSheet(JsonObject sheet, string firstLevel)
    {
        Rename(sheet, "across", "landscape");
        sheet.TryAdd("levelId", firstLevel);
        Gather(
            sheet,
            "titleBlock",
            ["legalOwner", "sheetNumber", "title", "supplementaryTitle", "creator", "approver", "documentType"],
            key => key
        );
        Gather(
            sheet,
            "shows",
            ["showRoomNames", "showLabels", "showDimensions", "showWalkway", "showSchedule", "showNotes", "showNorth"],
            key => char.ToLowerInvariant(key[4]) + key[5..]
        );
    }

    private static void Gather(JsonObject sheet, string part, string[] keys, Func<string, string> name)
    {
        if (sheet.ContainsKey(part))
            return;
        var gathered = new JsonObject();
        foreach (var key in keys)
            if (sheet.Remove(key, out var value))
                gathered[name(key)] = value;
        sheet[part] = gathered;
    }

    private static void Rename(JsonObject entity, string from, string to)
    {
        if (entity.Remove(from, out var value))
            entity.TryAdd(to, value);
    }
}
