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

    /// <summary>One of many things in the same place: not every pair of them is told.</summary>
    InHeap,
}

/// <summary>One thing where it cannot be. Depth in mm is how far it would have to move; 0 when that is not known.</summary>
public sealed record Overlap(OverlapKind Kind, string ItemId, string ItemName, string OtherId, string OtherName, double Depth, Point At);

/// <summary>
/// Finds overlaps from the true shapes: solids and occupied chairs, each from its underside to its top. Things that only
/// touch do not overlap, nor what stands on, under or over another.
/// </summary>
public static class Overlaps
{
    /// <summary>More partners than this, and a thing is told to be in a heap instead.</summary>
    public const int MostPartners = 12;

    private sealed record Standing(Convex Shape, int Item, string Id, string Name, OverlapKind Kind, double Bottom, double Top);

    /// <exception cref="TooMuchWorkException">The work given is not enough.</exception>
    public static ImmutableArray<Overlap> Find(LevelSpace space, IReadOnlyList<PlacedItem> items, Work? work = null) =>
        Find(space, items, null, work).All;

    /// <param name="before">Of the same space with nearly the same items: what nothing has changed beside is kept.</param>
    /// <exception cref="TooMuchWorkException">The work given is not enough.</exception>
    internal static KeptOverlaps Find(LevelSpace space, IReadOnlyList<PlacedItem> items, KeptOverlaps? before, Work? work)
    {
        var touched = before?.Touched(space, items);
        // Those that can meet one of those that are looked at.
        var near = touched is null ? null : KeptOverlaps.Meeting(items, [.. items.Where((_, i) => touched[i]).Select(item => item.Bounds)]);
        List<Standing> all = [.. Shell(space)];
        for (var i = 0; i < items.Count; i++)
            if (near is null || near[i])
                all.AddRange(Of(items[i], i));
        var index = new SpatialIndex<Standing>(all, standing => standing.Shape.Bounds);
        var found = new KeptOverlaps.OfItem[items.Count];
        for (var i = 0; i < items.Count; i++)
        {
            found[i] = touched is null || touched[i] ? OfItem(space, items, i, index) : before!.Of(items[i]);
            work?.Count(found[i].Steps);
        }
        return new KeptOverlaps(space, items, found);
    }

    private static KeptOverlaps.OfItem OfItem(LevelSpace space, IReadOnlyList<PlacedItem> items, int i, SpatialIndex<Standing> index)
    {
        var item = items[i];
        var deepest = new Dictionary<(string, OverlapKind), Overlap>();
        var (full, steps) = IsInHeap(items, i, index);
        foreach (var shape in item.Standing)
        {
            if (full)
                break;
            index.Meeting(
                shape.Bounds,
                other =>
                {
                    steps++;
                    // A pair is told by the earlier of its two.
                    if ((other.Item < 0 || other.Item > i) && Meet(items, i, shape, other) is { } overlap)
                    {
                        var key = (overlap.OtherId, overlap.Kind);
                        if (!deepest.TryGetValue(key, out var known) || IsTold(overlap, known))
                            deepest[key] = overlap;
                    }
                    return !(full = deepest.Count > MostPartners);
                }
            );
        }
        var at = item.Item.Placement.Origin;
        // In the order of what they are with, not in that of the index they were found in.
        List<Overlap> found = full
            ? [new Overlap(OverlapKind.InHeap, item.Item.Id, item.Name, "", $"more than {MostPartners} things", 0, at)]
            : [.. deepest.Values.OrderBy(overlap => overlap.OtherId, StringComparer.Ordinal).ThenBy(overlap => overlap.Kind)];
        if (space.Rooms.Length > 0 && space.RoomAt(at) is null)
            found.Add(new Overlap(OverlapKind.OutsideRooms, item.Item.Id, item.Name, "", "every room", 0, at));
        // How soon a heap is full differs from index to index; what is counted must not.
        return new KeptOverlaps.OfItem([.. found], full ? MostPartners : steps);
    }

    /// <summary>Of two between the same things the deeper, of two as deep as each other the one further left, then further down.</summary>
    private static bool IsTold(Overlap overlap, Overlap known) =>
        overlap.Depth != known.Depth ? overlap.Depth > known.Depth
        : overlap.At.X != known.At.X ? overlap.At.X < known.At.X
        : overlap.At.Y < known.At.Y;

    /// <summary>Whether more than a few other things stand where the middle of a thing is, and how many were looked at.</summary>
    private static (bool Full, long Steps) IsInHeap(IReadOnlyList<PlacedItem> items, int i, SpatialIndex<Standing> index)
    {
        var at = items[i].Item.Placement.Origin;
        if (items[i].Standing.FirstOrDefault(shape => shape.Holds(at)) is not { } middle)
            return (false, 0);
        HashSet<int>? partners = null;
        long seen = 0;
        index.Meeting(
            Bounds.At(at),
            other =>
            {
                seen++;
                if (other.Item >= 0 && other.Item != i && Meet(items, i, middle, other) is not null)
                    (partners ??= []).Add(other.Item);
                return partners is null || partners.Count <= MostPartners;
            }
        );
        return (partners is not null && partners.Count > MostPartners, seen);
    }

    /// <summary>Every shape that an item may not stand in, of the shell and of the other items, as far as it meets a box.</summary>
    /// <param name="anywhere">Whether the item may come to stand anywhere: what carries it where it is now is in its way too.</param>
    internal static IEnumerable<Convex> InTheWay(
        LevelSpace space,
        IReadOnlyList<PlacedItem> items,
        int i,
        Bounds box,
        bool anywhere = false
    )
    {
        foreach (var standing in Shell(space))
            if (box.Meets(standing.Shape.Bounds) && !MayShare(items, i, standing))
                yield return standing.Shape;
        for (var j = 0; j < items.Count; j++)
            if (j != i)
                foreach (var standing in Of(items[j], j))
                    if (anywhere ? !IsOverOrUnder(items[i], standing) : !MayShare(items, i, standing))
                        yield return standing.Shape;
    }

    private static IEnumerable<Standing> Of(PlacedItem item, int i) =>
        item.Standing.Select(shape => new Standing(shape, i, item.Item.Id, item.Name, OverlapKind.ThingInThing, item.Bottom, item.Top));

    /// <summary>Whether an item may be where something else is: on it, under it, over it.</summary>
    private static bool MayShare(IReadOnlyList<PlacedItem> items, int i, Standing other) =>
        (other.Item >= 0 && Carries(items[i], items[other.Item]))
        || (items[i].LiesFlat && other.Kind == OverlapKind.OverKeepClear)
        || IsOverOrUnder(items[i], other);

    private static bool IsOverOrUnder(PlacedItem item, Standing other) =>
        Math.Min(item.Top, other.Top) - Math.Max(item.Bottom, other.Bottom) <= Tolerance.Length;

    private static Overlap? Meet(IReadOnlyList<PlacedItem> items, int i, Convex shape, Standing other)
    {
        var item = items[i];
        if (MayShare(items, i, other))
            return null;
        var gap = Gap.Between(shape, other.Shape);
        return gap.Width >= -Tolerance.Length
            ? null
            : new Overlap(other.Kind, item.Item.Id, item.Name, other.Id, other.Name, -gap.Width, gap.Middle);
    }

    private static IEnumerable<Standing> Shell(LevelSpace space)
    {
        var headroom = space.Rules.Headroom.Value;
        foreach (var piece in space.Pieces)
            if (piece.Opening is not { IsDoor: true })
                yield return new Standing(
                    piece.Body,
                    -1,
                    piece.Opening?.Id ?? piece.Wall.Id,
                    piece.Opening is null ? "a wall" : "a window",
                    OverlapKind.ThroughShell,
                    0,
                    piece.Wall.Height
                );
        foreach (var thing in space.Things.Concat(space.Fixtures.Voids))
        {
            var name = thing.OwnName().Length > 0 ? thing.Called() : thing.OneOfIts();
            if (thing.Effect() == ThingEffect.Solid)
                yield return new Standing(thing.Floor(), -1, thing.Id, name, OverlapKind.ThroughShell, 0, thing.Top());
            else if (thing.Effect() == ThingEffect.KeepClear)
                yield return new Standing(thing.Floor(), -1, thing.Id, name, OverlapKind.OverKeepClear, 0, headroom);
        }
        foreach (var place in space.Openings.Where(place => place.Opening.Kind != OpeningKind.Window))
        {
            var name = place.Opening.Name.Length > 0 ? place.Opening.Name : "a door";
            foreach (var floor in place.Swing.Append(place.Doorway))
                yield return new Standing(floor, -1, place.Opening.Id, name, OverlapKind.OverKeepClear, 0, place.Opening.Height);
        }
    }

    /// <summary>Whether one of two things is made to carry the other and does: a lectern on a stage, chairs on a dance floor or a rug.</summary>
    private static bool Carries(PlacedItem a, PlacedItem b)
    {
        if (a.LiesFlat != b.LiesFlat || a.Form.ForScale || b.Form.ForScale)
            return true;
        if (a.Form.StoodOn == b.Form.StoodOn)
            return false;
        var (deck, thing) = a.Form.StoodOn ? (a, b) : (b, a);
        return deck.LiesFlat || deck.Solids.Any(top => top.Holds(thing.Item.Placement.Origin));
    }
}
