using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

public enum OverlapKind
{
    /// <summary>Two things in the same place.</summary>
    ThingInThing,

    /// <summary>A thing through a wall, a window, a closed door or a column.</summary>
    ThroughShell,

    /// <summary>A thing where nothing may stand: a keep-clear area, a doorway, the swing of a door.</summary>
    OverKeepClear,

    /// <summary>A thing outside every room.</summary>
    OutsideRooms,
}

/// <summary>One thing where it cannot be. Depth in mm is how far it would have to move; 0 when that is not known.</summary>
public sealed record Overlap(OverlapKind Kind, string ItemId, string ItemName, string OtherId, string OtherName, double Depth, Point At);

/// <summary>Finds overlaps from the true shapes: solids and occupied chairs. Things that only touch do not overlap.</summary>
public static class Overlaps
{
    private sealed record Standing(Convex Shape, int Item, string Id, string Name, OverlapKind Kind);

    public static ImmutableArray<Overlap> Find(LevelSpace space, IReadOnlyList<PlacedItem> items)
    {
        var grid = new BoxGrid<Standing>();
        AddShell(space, grid);
        for (var i = 0; i < items.Count; i++)
            foreach (var shape in items[i].Standing)
                grid.Add(new Standing(shape, i, items[i].Item.Id, items[i].Name, OverlapKind.ThingInThing), shape.Bounds);
        var deepest = new Dictionary<(string, string, OverlapKind), Overlap>();
        for (var i = 0; i < items.Count; i++)
        {
            foreach (var shape in items[i].Standing)
            foreach (var other in grid.Meeting(shape.Bounds))
            {
                if (other.Item >= 0 && (other.Item <= i || Carries(items[i], items[other.Item])))
                    continue;
                if (items[i].Form.WalkedOn && other.Kind == OverlapKind.OverKeepClear)
                    continue;
                var gap = Gap.Between(shape, other.Shape);
                if (gap.Width >= -Tolerance.Length)
                    continue;
                var key = (items[i].Item.Id, other.Id, other.Kind);
                if (!deepest.TryGetValue(key, out var known) || known.Depth < -gap.Width)
                    deepest[key] = new Overlap(other.Kind, items[i].Item.Id, items[i].Name, other.Id, other.Name, -gap.Width, gap.Middle);
            }
            var at = items[i].Item.Placement.Origin;
            if (space.Rooms.Length > 0 && space.RoomAt(at) is null)
                deepest[(items[i].Item.Id, "", OverlapKind.OutsideRooms)] = new Overlap(
                    OverlapKind.OutsideRooms,
                    items[i].Item.Id,
                    items[i].Name,
                    "",
                    "every room",
                    0,
                    at
                );
        }
        return [.. deepest.Values];
    }

    private static void AddShell(LevelSpace space, BoxGrid<Standing> grid)
    {
        foreach (var piece in space.Pieces)
        {
            if (piece.Opening is { IsDoor: true })
                continue;
            var name = piece.Opening is null ? "a wall" : "a window";
            grid.Add(new Standing(piece.Body, -1, piece.Opening?.Id ?? piece.Wall.Id, name, OverlapKind.ThroughShell), piece.Body.Bounds);
        }
        foreach (var (id, name, solid) in space.Solids())
            grid.Add(new Standing(solid, -1, id, $"a {name.ToLowerInvariant()}", OverlapKind.ThroughShell), solid.Bounds);
        foreach (var flight in space.Flights.Concat(space.Voids))
            grid.Add(
                new Standing(Fixtures.Solid(flight), -1, flight.Id, Fixtures.NameOf(flight), OverlapKind.OverKeepClear),
                Fixtures.Solid(flight).Bounds
            );
        foreach (var area in space.KeepClear)
        {
            var floor = Fixtures.Solid(area);
            var name = area.Name.Length > 0 ? area.Name : "a keep-clear area";
            grid.Add(new Standing(floor, -1, area.Id, name, OverlapKind.OverKeepClear), floor.Bounds);
        }
        foreach (var place in space.Openings.Where(place => place.Opening.Kind != OpeningKind.Window))
        {
            var name = place.Opening.Name.Length > 0 ? place.Opening.Name : "a door";
            foreach (var floor in place.Swing.Append(place.Doorway))
                grid.Add(new Standing(floor, -1, place.Opening.Id, name, OverlapKind.OverKeepClear), floor.Bounds);
        }
    }

    /// <summary>Whether one of two things is made to carry the other and does: a lectern on a stage, chairs on a dance floor.</summary>
    private static bool Carries(PlacedItem a, PlacedItem b)
    {
        if (a.Form.StoodOn == b.Form.StoodOn)
            return false;
        var (deck, thing) = a.Form.StoodOn ? (a, b) : (b, a);
        return deck.Form.WalkedOn || deck.Solids.Any(top => top.Holds(thing.Item.Placement.Origin));
    }
}
