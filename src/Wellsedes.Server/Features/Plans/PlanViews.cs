using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>An item as the client shows it: which form it has and what it is called.</summary>
public sealed record ItemView(string Id, string Form, string Name, double Width, double Depth, double Height, int MostPlaces);

/// <summary>A room as found; Id is of an entity only when it is named.</summary>
public sealed record RoomView(
    string Id,
    bool Named,
    bool Walled,
    string Name,
    string Number,
    string Use,
    double Height,
    Point Label,
    double GrossInternal,
    double NetInternal,
    Point[] Outline
);

/// <summary>
/// An opening placed: its middle on the level and the turn of its wall; from its edges to the corners of the face on
/// each side (mm), towards the wall's start and end.
/// </summary>
public sealed record OpeningView(
    string Id,
    double X,
    double Y,
    double Turn,
    double WallThickness,
    bool RoomOnLeft,
    bool RoomOnRight,
    double LeftToStart,
    double LeftToEnd,
    double RightToStart,
    double RightToEnd
);

/// <summary>A wall's lengths in mm along its centre and its faces, its outline, and whether its faces look into rooms.</summary>
public sealed record WallView(string Id, double Length, double Left, double Right, bool RoomOnLeft, bool RoomOnRight, Point[] Outline);

public sealed record LooseEndView(string WallId, bool AtStart, Point At, Point Meets, double Gap);

/// <summary>The shell of one level as the client paints and lists it; paths are SVG path data in mm with y up.</summary>
public sealed record ShellView(
    string LevelId,
    string? Walls,
    string? Hatch,
    string? Windows,
    string? Leaves,
    string? Swings,
    string? Columns,
    string? KeepClear,
    string? Boundaries,
    string? Steps,
    string? Fittings,
    string? Points,
    string? Overhead,
    RoomView[] Rooms,
    string[] Unenclosed,
    OpeningView[] Openings,
    WallView[] WallViews,
    LooseEndView[] LooseEnds,
    Core.Spaces.LevelAreas Areas,
    double[]? Box
)
{
    public static ShellView Of(Core.Spaces.LevelSpace space)
    {
        var paths = ShellPainter.Paint(space, 120);
        return new ShellView(
            space.LevelId,
            paths.Walls?.ToPathData(),
            paths.Hatch?.ToPathData(),
            paths.Windows?.ToPathData(),
            paths.Leaves?.ToPathData(),
            paths.Swings?.ToPathData(),
            paths.Columns?.ToPathData(),
            paths.KeepClear?.ToPathData(),
            paths.Boundaries?.ToPathData(),
            paths.Steps?.ToPathData(),
            paths.Fittings?.ToPathData(),
            paths.Points?.ToPathData(),
            paths.Overhead?.ToPathData(),
            [
                .. space.Rooms.Select(room => new RoomView(
                    room.Room.Id,
                    room.Named,
                    room.Walled,
                    room.Room.Name,
                    room.Room.Number,
                    room.Room.Use,
                    room.Room.Height,
                    room.Room.Inside,
                    room.GrossInternal,
                    room.NetInternal,
                    [.. room.Outline.Outline]
                )),
            ],
            [.. space.Unenclosed.Select(room => room.Name)],
            [.. space.Openings.Select(place => OfOpening(space, place))],
            [.. space.Bodies.Values.OrderBy(body => body.Wall.Id, StringComparer.Ordinal).Select(body => OfWall(space, body))],
            [.. space.LooseEnds.Select(end => new LooseEndView(end.WallId, end.AtStart, end.At, end.Meets, end.Gap))],
            space.Areas,
            space.Bounds.IsEmpty ? null : [space.Bounds.MinX, space.Bounds.MinY, space.Bounds.MaxX, space.Bounds.MaxY]
        );
    }

    private static bool RoomBeside(Core.Spaces.LevelSpace space, Wall wall, double along, int side) =>
        space.RoomAt(wall.Line.At(along, side * (wall.Thickness / 2 + 1))) is not null;

    private static OpeningView OfOpening(Core.Spaces.LevelSpace space, Core.Spaces.OpeningPlace place)
    {
        var (opening, wall) = (place.Opening, place.Wall);
        var left = Core.Spaces.OpeningCorners.Between(space, wall, opening.Along, true);
        var right = Core.Spaces.OpeningCorners.Between(space, wall, opening.Along, false);
        return new OpeningView(
            opening.Id,
            place.Frame.X,
            place.Frame.Y,
            place.Frame.Turn,
            wall.Thickness,
            RoomBeside(space, wall, opening.Along, 1),
            RoomBeside(space, wall, opening.Along, -1),
            opening.From - left.From,
            left.To - opening.To,
            opening.From - right.From,
            right.To - opening.To
        );
    }

    private static WallView OfWall(Core.Spaces.LevelSpace space, Core.Spaces.WallBody body)
    {
        var (wall, line) = (body.Wall, body.Wall.Line);
        var steps = line.Steps(0, line.Length, wall.Thickness / 2, 2)[1..^1];
        var middle = line.Length / 2;
        return new WallView(
            wall.Id,
            line.Length,
            line.IsStraight ? body.Start.Left.DistanceTo(body.End.Left) : line.Offset(wall.Thickness / 2).Length,
            line.IsStraight ? body.Start.Right.DistanceTo(body.End.Right) : line.Offset(-wall.Thickness / 2).Length,
            RoomBeside(space, wall, middle, 1),
            RoomBeside(space, wall, middle, -1),
            [
                body.Start.Right,
                .. steps.Select(step => line.At(step, -wall.Thickness / 2)),
                body.End.Right,
                body.End.Left,
                .. steps.Reverse().Select(step => line.At(step, wall.Thickness / 2)),
                body.Start.Left,
            ]
        );
    }
}

/// <summary>What is derived and changes with nearly every edit.</summary>
public sealed record FiguresView(Tally Tally, ImmutableArray<Finding> Findings, ImmutableArray<RoomFigures> Rooms)
{
    public static FiguresView Of(PlanState state) => new(state.Tally, state.Findings, [.. state.Levels.SelectMany(level => level.Rooms)]);
}

/// <summary>What a person can take back and bring again: the labels of those changes.</summary>
public sealed record UndoView(string? Undo, string? Redo);

public sealed record PlanView(
    Guid Id,
    Guid ProjectId,
    string ProjectName,
    ProjectRole Role,
    long Revision,
    string SchemeId,
    string LevelId,
    ImmutableArray<Entity> Entities,
    ImmutableArray<ItemView> Items,
    Dictionary<string, FormView> Forms,
    ImmutableArray<ShellView> Shells,
    FiguresView Figures,
    UndoView Undo
);

/// <summary>A change as it is told to everyone who has the plan open.</summary>
/// <param name="Shells">Only of levels whose shell changed.</param>
/// <param name="Forms">Only the forms of changed items.</param>
public sealed record ChangedView(
    long Revision,
    string Author,
    string Label,
    ImmutableArray<EntityAfter> Entities,
    ImmutableArray<ItemView> Items,
    Dictionary<string, FormView> Forms,
    ImmutableArray<ShellView> Shells,
    FiguresView Figures
);

/// <summary>An entity after a change; null when it is gone.</summary>
public sealed record EntityAfter(string Id, Entity? After = null);

/// <param name="LevelId">The level a probe is seen on; the first one when it is not said.</param>
public sealed record EditRequest(long BaseRevision, Edit Edit, string? LevelId = null);

/// <summary>An answered edit: the change and what its author can undo now.</summary>
public sealed record EditDone(ChangedView Changed, UndoView Undo);

public sealed record ProbeView(
    Problem? Problem,
    ImmutableArray<Entity> Moved,
    string Caught,
    ImmutableArray<Point> Guide,
    ImmutableArray<NearDistance> Near,
    FiguresView? Figures,
    ShellView? Shell
);

internal static class ItemViews
{
    public static (ItemView View, string Key, FormView? Form) Of(Item item, Planner planner, Checks checks, ISet<string> known)
    {
        var kind = planner.Forms.Catalogue.Find(item.Catalogue)!;
        var size = ItemForms.SizeOf(item, kind);
        var places = item.Places ?? kind.Places;
        var key = string.Create(
            CultureInfo.InvariantCulture,
            $"{kind.Key}/{size.Width}x{size.Depth}/{places.Around}.{places.Front}.{places.Back}.{places.Left}.{places.Right}/{checks.OccupiedDepth}"
        );
        var form = known.Add(key)
            ? FormView.Of(planner.Forms.FormOf(kind, size, places, checks.OccupiedDepth), checks.OccupiedDepth)
            : null;
        var view = new ItemView(item.Id, key, PlacedItem.NameOf(item, kind), size.Width, size.Depth, size.Height, kind.MostPlaces);
        return (view, key, form);
    }

    public static (ImmutableArray<ItemView> Items, Dictionary<string, FormView> Forms) OfAll(
        IEnumerable<Item> items,
        Planner planner,
        Plan plan
    )
    {
        var known = new HashSet<string>();
        var forms = new Dictionary<string, FormView>();
        var views = ImmutableArray.CreateBuilder<ItemView>();
        var checks = plan.All<Checks>().ToDictionary(c => c.SchemeId);
        foreach (var item in items)
        {
            var (view, key, form) = Of(item, planner, checks[item.SchemeId], known);
            views.Add(view);
            if (form is not null)
                forms[key] = form;
        }
        return (views.ToImmutable(), forms);
    }
}
