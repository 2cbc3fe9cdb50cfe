using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.KindsOfThing;

/// <summary>
/// An area that is a rectangle, or has a shape of its own in its own frame, whose box its width and depth are; it is drawn by its edge.
/// </summary>
public abstract record OutlinedThing(
    string Id,
    string LevelId,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    bool Locked,
    ZoneShape? Shape
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked)
{
    public override ZoneShape? OwnOutline() => Shape;

    public override Thing? Outlined(ZoneShape onLevel)
    {
        var box = BoxOf(onLevel);
        return this with
        {
            X = box.Centre.X,
            Y = box.Centre.Y,
            Rotation = 0,
            Width = box.Width,
            Depth = box.Height,
            Shape = onLevel.Mapped(p => p - box.Centre),
        };
    }

    public override IEnumerable<Convex> Pieces() =>
        Shape is null ? base.Pieces() : Areas().SelectMany(area => Polygons.ConvexPieces(area.Outline));

    protected override ImmutableArray<Region> FindAreas() => Shape?.Regions(Placement) ?? base.FindAreas();

    /// <summary>
    /// About the middle of its own outline and as large as that; where its size was typed the outline is as large as the size. One that is
    /// moved or drawn anew by hand follows its rooms no longer.
    /// </summary>
    public override Thing Settled(Plan plan)
    {
        if (Shape is not { } shape || shape.Wrong() is not null)
            return this;
        var before = plan.Find<OutlinedThing>(Id);
        var box = BoxOf(shape);
        if (before?.Shape is { } was && shape.HasRings(was.Rings) && (Width, Depth) != (before.Width, before.Depth))
        {
            shape = shape.Mapped(p => new Point(p.X * Width / box.Width, p.Y * Depth / box.Height)) with { Rooms = [] };
            if (shape.Wrong() is not null)
                return this;
            box = BoxOf(shape);
        }
        var middle = Placement.Out(box.Centre);
        var isAlone = before?.Shape is { Rooms.IsEmpty: false } rooms && (!shape.HasRings(rooms.Rings) || before.Placement != Placement);
        return this with
        {
            X = middle.X,
            Y = middle.Y,
            Width = box.Width,
            Depth = box.Height,
            Shape = shape.Mapped(p => p - box.Centre) with { Rooms = isAlone ? [] : shape.Rooms },
        };
    }

    public override OutlinedThing Copied() => this with { Shape = Shape is { } shape ? shape with { Rooms = [] } : null };

    public override OutlinedThing Mirrored() => this with { Shape = Shape?.Mapped(p => new Point(-p.X, p.Y)) };

    public override IEnumerable<ThingPart> Parts() =>
        Shape is { } shape
            ? shape.Rings.Select(ring => Drawn(ThingRole.Dashed, PathShape.Closed([.. ring])))
            : [Drawn(ThingRole.Dashed, Whole())];

    private static Bounds BoxOf(ZoneShape shape) => Bounds.Around(shape.Rings.SelectMany(ring => ring));
}
