using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Distances typed against what is pointed at: 1500 from this wall, then 600 along it.</summary>
internal sealed class OffsetEdits(ItemForms forms, Func<Plan, string, LevelSpace> spaces)
{
    /// <summary>Nothing farther from where one points is meant, in mm.</summary>
    private const double Farthest = 600;

    /// <summary>A straight face to count from; it looks away from what it is of.</summary>
    private readonly record struct Face(Point From, Point To, Point Outward, string Of)
    {
        public double DistanceTo(Point p) => p.DistanceTo(p.NearestOn(From, To));
    }

    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [EditKind.Of<SetOff>("set-off", "Offset from a side", "Offset from a side", (tools, plan, e) => tools.Offsets.Set(plan, e))];

    private EditAnswer Set(Plan plan, SetOff edit)
    {
        if (edit is { Away: null, Along: null })
            return EditAnswer.No("away", "Type a distance from it, along it, or both.");
        foreach (var (field, distance) in ((string, double?)[])[("away", edit.Away), ("along", edit.Along)])
            if (distance is { } given && !(given >= 0 && given <= SizeSense.Longest))
                return EditAnswer.No(field, "The distance must be 0 or more.");
        var items = edit.Ids.Select(plan.Find<Item>).OfType<Item>().Where(item => !item.SetAside).ToArray();
        if (items.Length == 0 || items.Length < edit.Ids.Length)
            return EditAnswer.No("ids", "What was to move is no longer there.");
        if (items.DistinctBy(item => (item.SchemeId, item.LevelId)).Skip(1).Any())
            return EditAnswer.No("ids", "They stand on several levels; choose some of one.");
        var checks = plan.OfScheme<Checks>(items[0].SchemeId).First();
        PlacedItem[] placed = [.. items.Select(item => forms.Place(plan, item, checks)).OfType<PlacedItem>()];
        Convex[] shapes =
        [
            .. edit.From switch
            {
                OffsetFrom.Middle =>
                [
                    Convex.Disc(placed.Aggregate(Bounds.Empty, (box, item) => box.Including(Box(item.Solids))).Centre, 0),
                ],
                OffsetFrom.Body => placed.SelectMany(item => item.Solids),
                _ => placed.SelectMany(item => item.Standing),
            },
        ];
        if (shapes.Length == 0)
            return EditAnswer.No("ids", "What was to move takes no floor.");
        var middle = Box(shapes).Centre;
        var (level, scheme) = (items[0].LevelId, items[0].SchemeId);
        if (FaceAt(plan, scheme, level, edit, middle, checks) is not { } face)
            return EditAnswer.No("at", "Nothing straight is there; press the face of a straight wall or the side of a thing.");
        var along = (face.To - face.From).Unit();
        var nearEnd = edit.At.DistanceTo(face.From) <= edit.At.DistanceTo(face.To);
        var (end, way) = nearEnd != edit.FarEnd ? (face.From, along) : (face.To, along * -1);
        var by = new Point(0, 0);
        if (edit.Away is { } away)
            by += face.Outward * (away - (Convex.Reach(shapes, face.Outward).From - end.Dot(face.Outward)));
        if (edit.Along is { } run)
            by += way * (run - (Convex.Reach(shapes, way).From - end.Dot(way)));
        if (by.Length < 1e-9)
            return EditAnswer.No("away", "They stand so already.");
        return ItemEdits.Each(
            plan,
            ItemEdits.WithWhatStandsOnThem(plan, edit.Ids),
            "Offset",
            item => item with { X = item.X + by.X, Y = item.Y + by.Y }
        );
    }

    private static Bounds Box(IEnumerable<Convex> shapes) => shapes.Aggregate(Bounds.Empty, (box, shape) => box.Including(shape.Bounds));

    /// <summary>The nearest face to where one points that looks at what is moved; of a wall its face on that side.</summary>
    private Face? FaceAt(Plan plan, string schemeId, string levelId, SetOff edit, Point middle, Checks checks)
    {
        var space = spaces(plan, levelId);
        var moved = edit.Ids.ToHashSet();
        var faces = space
            .Bodies.Values.Where(body => body.Wall.Line.IsStraight)
            .Select(body => OfWall(space, body, middle))
            .Concat(
                space.Things.Where(thing => thing.Effect() == ThingEffect.Solid).SelectMany(thing => Sides(thing.Floor(), thing.Called()))
            )
            .Concat(
                plan.OnLevel<Item>(schemeId, levelId)
                    .Where(item => !item.SetAside && !moved.Contains(item.Id))
                    .Select(item => forms.Place(plan, item, checks))
                    .OfType<PlacedItem>()
                    .Where(item => item.Bounds.DistanceTo(edit.At) <= Farthest)
                    .SelectMany(item => item.Solids.SelectMany(solid => Sides(solid, item.Name)))
            );
        Face? best = null;
        foreach (var face in faces)
            if (
                (middle - face.From).Dot(face.Outward) > 0
                && face.DistanceTo(edit.At) is var distance
                && distance <= (best?.DistanceTo(edit.At) ?? Farthest)
            )
                best = face;
        return best;
    }

    private static Face OfWall(LevelSpace space, WallBody body, Point middle)
    {
        var direction = body.Wall.Line.Direction(0);
        var left = direction.Cross(middle - body.Wall.Start) > 0;
        var (from, to) = WallFaces.Of(space.Walls, body, left);
        return new Face(from, to, direction.Left() * (left ? 1 : -1), "a wall");
    }

    private static IEnumerable<Face> Sides(Convex shape, string of)
    {
        var corners = shape.Corners.ToArray();
        for (var i = 0; i < corners.Length && corners.Length > 2; i++)
        {
            var (from, to) = (corners[i], corners[(i + 1) % corners.Length]);
            var outward = (to - from).Unit().Left() * -1;
            yield return new Face(from + outward * shape.Radius, to + outward * shape.Radius, outward, of);
        }
    }
}
