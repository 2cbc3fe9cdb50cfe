using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>What keeps a block from being put where it is asked, and where it looks to.</summary>
internal static class BlockEdits
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<LookAt>(
            "look-at",
            "Turn a block to look to a point",
            "Turned a block to look to a point",
            (tools, plan, e) => LookAt(plan, e, tools.SpaceOn)
        ),
        EditKind.Of<ReleaseBlock>("release-block", "Ungroup a block", "Ungrouped a block", (tools, plan, e) => Release(plan, e)),
    ];

    private static EditAnswer Release(Plan plan, ReleaseBlock edit)
    {
        if (plan.Find(edit.Id) is not Thing block || block.Fills() is null)
            return EditAnswer.No("id", "The block is no longer there.");
        var members = plan.OfScheme<Item>(((IOfScheme)block).SchemeId).Where(item => item.Parent == block.Id);
        return EditAnswer.Done(
            new Change(
                $"Ungrouped {block.OneOfIts()}",
                [new EntityChange(block, null), .. members.Select(item => new EntityChange(item, item with { Parent = null, Slot = null }))]
            )
        );
    }

    private static EditAnswer LookAt(Plan plan, LookAt edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find(edit.Id) is not Thing block || block.Fills() is not { } asked)
            return EditAnswer.No("id", "The block is no longer there.");
        return Sights.LookingTo(asked, block.Areas(), spaces(plan, block.LevelId), new Point(edit.X, edit.Y)) is { } turned
            ? ThingEdits.Put(plan, new PutThing(block.Filled(turned)) { Sure = true })
            : EditAnswer.No(Sights.TooNear);
    }

    /// <summary>An area that lies in no room though there are some; null where it meets one, or was there before.</summary>
    public static Problem? OutsideRooms(Plan plan, PutThing edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (edit.Thing is not Thing thing || thing.Fills() is null || plan.Find<Level>(thing.LevelId) is not { } level)
            return null;
        if (plan.Find(thing.Id) is Thing was && was.Placement == thing.Placement && was.LevelId == thing.LevelId)
            return null;
        var rooms = spaces(plan, level.Id).Rooms;
        var areas = thing.Areas();
        if (rooms.IsEmpty || areas.Any(area => rooms.Any(room => Meets(area, room.Outline))))
            return null;
        var middle = areas.MaxBy(area => area.Area)!.Centroid;
        var (nearest, off) = rooms.Select(room => (room, Off: Off(room.Outline, middle))).MinBy(pair => pair.Off);
        return new Problem(
            "x",
            $"The area lies outside every room of {level.Name}; the nearest is {nearest.Room.Name}, {LengthText.Tell(off, plan.Details.Units)} from its middle: put it there."
        );
    }

    private static double Off(Region room, Point p) => room.Sides().Min(side => p.NearestOn(side.From, side.To).DistanceTo(p));

    private static bool Meets(Region one, Region other) =>
        one.Bounds.Meets(other.Bounds)
        && (
            one.Outline.Any(other.Holds)
            || other.Outline.Any(one.Holds)
            || one.Sides()
                .Any(a =>
                    other
                        .Sides()
                        .Any(b =>
                            Convex.Capsule(a.From, a.To, 0) is var line && Gap.Between(line, Convex.Capsule(b.From, b.To, 0)).Width <= 0
                        )
                )
        );
}
