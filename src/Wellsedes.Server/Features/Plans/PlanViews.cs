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

public sealed record RoomView(
    string Id,
    string Name,
    string Number,
    Point Label,
    double GrossInternal,
    double NetInternal,
    Point[] Outline
);

/// <summary>An opening placed: its middle on the level and the turn of its wall.</summary>
public sealed record OpeningView(string Id, double X, double Y, double Turn, double WallThickness, bool RoomOnLeft);

public sealed record ShellView(
    string? Walls,
    string? Hatch,
    string? Windows,
    string? Leaves,
    string? Swings,
    string? Columns,
    string? KeepClear,
    RoomView[] Rooms,
    OpeningView[] Openings,
    double[]? Box
)
{
    public static ShellView Of(Core.Spaces.LevelSpace space)
    {
        var paths = ShellPainter.Paint(space, 120);
        return new ShellView(
            paths.Walls?.ToPathData(),
            paths.Hatch?.ToPathData(),
            paths.Windows?.ToPathData(),
            paths.Leaves?.ToPathData(),
            paths.Swings?.ToPathData(),
            paths.Columns?.ToPathData(),
            paths.KeepClear?.ToPathData(),
            [
                .. space.Rooms.Select(room => new RoomView(
                    room.Room.Id,
                    room.Room.Name,
                    room.Room.Number,
                    room.Room.Inside,
                    room.GrossInternal,
                    room.NetInternal,
                    [.. room.Outline.Outline]
                )),
            ],
            [
                .. space.Openings.Select(place => new OpeningView(
                    place.Opening.Id,
                    place.Frame.X,
                    place.Frame.Y,
                    place.Frame.Turn,
                    place.Wall.Thickness,
                    space.RoomAt(place.Frame.Out(new Point(0, place.Wall.Thickness / 2 + 1))) is not null
                )),
            ],
            space.Bounds.IsEmpty ? null : [space.Bounds.MinX, space.Bounds.MinY, space.Bounds.MaxX, space.Bounds.MaxY]
        );
    }
}

/// <summary>What is derived and changes with nearly every edit.</summary>
public sealed record FiguresView(Tally Tally, ImmutableArray<Finding> Findings);

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
    ShellView Shell,
    FiguresView Figures,
    UndoView Undo
);

/// <summary>A change as it is told to everyone who has the plan open.</summary>
/// <param name="Shell">Only when the shell changed.</param>
/// <param name="Forms">Only the forms of changed items.</param>
public sealed record ChangedView(
    long Revision,
    string Author,
    string Label,
    ImmutableArray<EntityAfter> Entities,
    ImmutableArray<ItemView> Items,
    Dictionary<string, FormView> Forms,
    ShellView? Shell,
    FiguresView Figures
);

/// <summary>An entity after a change; null when it is gone.</summary>
public sealed record EntityAfter(string Id, Entity? After = null);

public sealed record EditRequest(long BaseRevision, Edit Edit);

/// <summary>An answered edit: the change and what its author can undo now.</summary>
public sealed record EditDone(ChangedView Changed, UndoView Undo);

public sealed record ProbeView(
    Problem? Problem,
    ImmutableArray<Entity> Moved,
    string Caught,
    ImmutableArray<Point> Guide,
    ImmutableArray<NearDistance> Near,
    FiguresView? Figures
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
