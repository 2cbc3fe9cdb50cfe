using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Things;

/// <summary>What holds for all kinds that may have an outline of their own.</summary>
internal static class OutlinedThings
{
    /// <summary>
    /// About the middle of its own outline and as large as that; where its size was typed the outline is as large as the size. One that is
    /// moved or drawn anew by hand follows its rooms no longer.
    /// </summary>
    /// <param name="before">As it was; null for a new one.</param>
    /// <param name="shaped">The same with another shape in its own frame.</param>
    public static T Settled<T>(T thing, T? before, Func<ZoneShape, T> shaped)
        where T : Thing
    {
        if (thing.OwnOutline() is not { } shape || shape.Wrong() is not null)
            return thing;
        var box = Bounds.Around(shape.Rings.SelectMany(ring => ring));
        if (before?.OwnOutline() is { } was && shape.HasRings(was.Rings) && (thing.Width, thing.Depth) != (before.Width, before.Depth))
        {
            shape = shape.Mapped(p => new Point(p.X * thing.Width / box.Width, p.Y * thing.Depth / box.Height)) with { Rooms = [] };
            if (shape.Wrong() is not null)
                return thing;
            box = Bounds.Around(shape.Rings.SelectMany(ring => ring));
        }
        var middle = thing.Placement.Out(box.Centre);
        var isAlone =
            before?.OwnOutline() is { Rooms.IsEmpty: false } rooms && (!shape.HasRings(rooms.Rings) || before.Placement != thing.Placement);
        return shaped(shape.Mapped(p => p - box.Centre) with { Rooms = isAlone ? [] : shape.Rooms }) with
        {
            X = middle.X,
            Y = middle.Y,
            Width = box.Width,
            Depth = box.Height,
        };
    }
}
