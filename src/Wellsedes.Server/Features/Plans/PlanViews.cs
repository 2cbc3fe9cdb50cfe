using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>An item as the client shows it: which form it has and what it is called.</summary>
public sealed record ItemView(
    string Id,
    string Form,
    string Name,
    double Width,
    double Depth,
    double Height,
    int MostSeats,
    ItemParameterView[] Parameters,
    string? Tint
);

/// <summary>A finish as it is painted: path data in mm with y up; the picture it is laid with is with the finish.</summary>
public sealed record FinishView(string Id, string LevelId, string Fill, string? Joints, string Tint, PicturePlaceView? Laid, bool OnWall);

/// <summary>The finishes of a scheme's floors and walls, and what its tints stand for on each level.</summary>
public sealed record FinishesView(FinishView[] Finishes, Dictionary<string, FinishLine[]> Legends);

/// <summary>A parameter of an item's maker and what it is now: one figure or a list, in mm.</summary>
/// <param name="IsCount">Whether it counts or numbers things instead of measuring.</param>
/// <param name="IsYesOrNo">Whether it is a matter of yes (1) or no (0).</param>
/// <param name="Choices">What its numbers stand for, from 1; empty where they are plain.</param>
public sealed record ItemParameterView(
    string Key,
    string Label,
    bool IsList,
    bool IsCount,
    bool IsYesOrNo,
    string[] Choices,
    double[] Value
);

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
/// An opening placed: its middle on the level and the turn of its wall; what lies on each side of it; from its edges to the
/// corners of the face on each side (mm), towards the wall's start and end.
/// </summary>
/// <param name="InList">What it is called in a list: "Door, Store to Lobby"; its width follows there.</param>
public sealed record OpeningView(
    string Id,
    double X,
    double Y,
    double Rotation,
    double WallThickness,
    string InList,
    string OnLeft,
    string OnRight,
    bool RoomOnLeft,
    bool RoomOnRight,
    double LeftToStart,
    double LeftToEnd,
    double RightToStart,
    double RightToEnd
);

/// <summary>A wall's lengths in mm along its centre and its faces, its outline, and whether its faces look into rooms.</summary>
/// <param name="InList">What it is called in a list: "Wall, Store and Lobby"; its length follows there.</param>
public sealed record WallView(
    string Id,
    double Length,
    double Left,
    double Right,
    string InList,
    string OnLeft,
    string OnRight,
    bool RoomOnLeft,
    bool RoomOnRight,
    Point[] Outline
);

/// <summary>A boundary's length in mm along its line.</summary>
public sealed record BoundaryView(string Id, double Length);

public sealed record UnjoinedEndView(string WallId, bool AtStart, Point At, Point Meets, double Gap);

/// <summary>The shell of one level as the client paints and lists it; paths are SVG path data in mm with y up.</summary>
public sealed record ShellView(
    string LevelId,
    string? Walls,
    string? Hatch,
    string? Windows,
    string? Leaves,
    string? Swings,
    string? Boundaries,
    string? Overhead,
    RoomView[] Rooms,
    string[] Unenclosed,
    OpeningView[] Openings,
    WallView[] WallViews,
    BoundaryView[] BoundaryViews,
    UnjoinedEndView[] UnjoinedEnds,
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
            paths.Boundaries?.ToPathData(),
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
            [.. space.Floor.Unenclosed.Select(room => room.Name)],
            [.. space.Openings.Select(place => OfOpening(space, place))],
            [.. space.Bodies.Values.OrderBy(body => body.Wall.Id, StringComparer.Ordinal).Select(body => OfWall(space, body))],
            [.. space.Boundaries.Select(boundary => new BoundaryView(boundary.Id, boundary.Line.Length))],
            [.. space.Walls.UnjoinedEnds.Select(end => new UnjoinedEndView(end.WallId, end.AtStart, end.At, end.Meets, end.Gap))],
            space.Floor.Areas,
            space.Bounds.IsEmpty ? null : [space.Bounds.MinX, space.Bounds.MinY, space.Bounds.MaxX, space.Bounds.MaxY]
        );
    }

    private static OpeningView OfOpening(Core.Spaces.LevelSpace space, Core.Spaces.OpeningPlace place)
    {
        var (opening, wall) = (place.Opening, place.Wall);
        var sides = Core.Spaces.RoomsBeside.Of(space, wall, opening.Along);
        var left = Core.Spaces.OpeningCorners.Between(space, wall, opening.Along, true);
        var right = Core.Spaces.OpeningCorners.Between(space, wall, opening.Along, false);
        return new OpeningView(
            opening.Id,
            place.Frame.X,
            place.Frame.Y,
            place.Frame.Rotation,
            wall.Thickness,
            sides.InList(opening),
            sides.Left,
            sides.Right,
            sides.IsInside(true),
            sides.IsInside(false),
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
        var sides = Core.Spaces.RoomsBeside.Of(space, wall, line.Length / 2);
        return new WallView(
            wall.Id,
            line.Length,
            Core.Spaces.WallFaces.Length(space.Walls, body, true),
            Core.Spaces.WallFaces.Length(space.Walls, body, false),
            sides.InList(),
            sides.Left,
            sides.Right,
            sides.IsInside(true),
            sides.IsInside(false),
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

/// <summary>How wide a drawn way is free, in words: what is needed, and where it is less, between what.</summary>
public sealed record DrawnFigures(string ThingId, string Clear, string Needed, bool Holds, string Between)
{
    public static DrawnFigures Of(Core.Walkways.Way way, Core.Units.UnitSystem units)
    {
        var (clear, needed) = Core.Walkways.WidthText.Write(way.Width, way.Target.Needed, units);
        return new DrawnFigures(
            way.Target.OwnerId,
            clear,
            needed,
            way.Holds,
            way.Pinch is { } pinch ? $"{pinch.A.Name} and {pinch.B.Name}" : ""
        );
    }
}

/// <summary>What is derived and changes with nearly every edit.</summary>
/// <param name="Stale">Whether what is said of walkways is of before the edit that is asked about; it comes a little later.</param>
public sealed record FiguresView(
    Tally Tally,
    ImmutableArray<TallyLine> TallyLines,
    ImmutableArray<Finding> Findings,
    ImmutableArray<RoomFigures> Rooms,
    ImmutableArray<AreaFigures> Areas,
    ImmutableArray<DrawnFigures> Drawn,
    ImmutableArray<RoomLoad> Loads,
    ImmutableArray<ExitLoad> Exits,
    bool Stale = false
)
{
    /// <summary>Of a plan that cannot be worked out.</summary>
    public static FiguresView None { get; } = new(Tally.None, [], [], [], [], [], [], []);

    public static FiguresView Of(PlanState state) =>
        new(
            state.Tally,
            [.. Core.Capacity.TallyLines.Of(state.Tally, state.Plan.Details.Units)],
            state.Findings,
            [.. state.Levels.SelectMany(level => level.Rooms)],
            [.. state.Levels.SelectMany(level => level.Areas)],
            [.. state.Levels.SelectMany(level => level.Drawn).Select(way => DrawnFigures.Of(way, state.Plan.Details.Units))],
            state.Loads,
            state.Proof.Exits,
            state.IsStale
        );
}

/// <summary>Why a plan opens for reading only: the entity at fault ("" for none by itself) and the change that would be taken back.</summary>
public sealed record PlanFault(string EntityId, string Message, string? LastChange);

/// <summary>What a person can take back and bring again: the labels of those changes.</summary>
public sealed record UndoView(string? Undo, string? Redo);

public sealed record PlanView(
    Guid Id,
    Guid ProjectId,
    string ProjectName,
    ProjectRole Role,
    Guid PersonId,
    long Revision,
    string SchemeId,
    string LevelId,
    ImmutableArray<Entity> Entities,
    ImmutableArray<ItemView> Items,
    Dictionary<string, FormView> Forms,
    ImmutableArray<ThingView> Things,
    ImmutableArray<ShellView> Shells,
    FiguresView Figures,
    UndoView Undo,
    PlanFault? Fault = null
);

/// <summary>What changed after a revision, as it is told to everyone who has the plan open. Who is at Since, or past it and not yet at Revision, takes it over whole.</summary>
/// <param name="Made">The changes it holds, in their order.</param>
/// <param name="Entities">As they are after the last of them, each once.</param>
/// <param name="Shells">Only of levels whose shell changed.</param>
/// <param name="Forms">Only the forms of changed items.</param>
/// <param name="Figures">Of the schemes their authors look at.</param>
public sealed record ChangedView(
    long Since,
    long Revision,
    ImmutableArray<ChangeMade> Made,
    ImmutableArray<EntityAfter> Entities,
    ImmutableArray<ItemView> Items,
    Dictionary<string, FormView> Forms,
    ImmutableArray<ThingView> Things,
    ImmutableArray<ShellView> Shells,
    ImmutableArray<SchemeFigures> Figures
);

/// <summary>One change of somebody's.</summary>
/// <param name="Request">What its author's program calls the request it came by.</param>
public sealed record ChangeMade(
    long Revision,
    Guid AuthorId,
    string Author,
    string Label,
    ImmutableArray<string> EntityIds,
    Guid? Request = null
);

/// <summary>The figures of one scheme.</summary>
public sealed record SchemeFigures(string SchemeId, FiguresView Figures);

/// <summary>An entity after a change; null when it is gone.</summary>
public sealed record EntityAfter(string Id, Entity? After = null);

/// <param name="BaseRevision">The revision it was made at: what others have changed since is not overwritten.</param>
/// <param name="LevelId">The level a probe is seen on; the first one when it is not said.</param>
/// <param name="SchemeId">The scheme that is looked at, whose figures are answered; the first one when it is not said.</param>
/// <param name="Request">What its author's program calls it, so that one sent twice is done once.</param>
public sealed record EditRequest(long BaseRevision, Edit Edit, string? LevelId = null, string? SchemeId = null, Guid? Request = null);

/// <summary>An answered edit: what changed, together with what others did at the same moment, and what its author can undo now.</summary>
/// <param name="Label">What was done, in words.</param>
/// <param name="Note">What else there is to say of it; "" for nothing.</param>
public sealed record EditDone(ChangedView Changed, UndoView Undo, string Label, string Note = "");

/// <summary>What is near something, the clear distances to the walls either side of it, and whether it fits where it is.</summary>
/// <param name="Unfit">What is said where it does not fit: by how much, and where the nearest place is; "" where it fits.</param>
/// <param name="FitMove">The move to that place; null where none was found or none is needed.</param>
public sealed record NearView(ImmutableArray<NearDistance> Near, ImmutableArray<WallAhead> Walls, string Unfit = "", Point? FitMove = null)
{
    public static NearView None { get; } = new([], []);
}

/// <summary>What of a scheme can be seen, printed and locked together, and the views that are offered.</summary>
public sealed record SubjectsView(ImmutableArray<SubjectLine> Subjects, ImmutableArray<ReadyView> Ready);

/// <summary>What was copied.</summary>
public sealed record ClipRead(ImmutableArray<Entity> Entities);

/// <summary>What an edit would do.</summary>
public sealed record ProbeView(
    Problem? Problem,
    ImmutableArray<Entity> Moved,
    string Caught,
    ImmutableArray<Point> Guide,
    ImmutableArray<NearDistance> Near,
    FiguresView? Figures,
    ShellView? Shell,
    ImmutableArray<ThingView> Things
)
{
    /// <summary>The ids of what it would take away.</summary>
    public ImmutableArray<string> Gone { get; init; } = [];

    /// <summary>What blocks would hold more or fewer, in words; "" for nothing.</summary>
    public string Blocks { get; init; } = "";

    public static ProbeView Refused(Problem problem) => new(problem, [], "", [], [], null, null, []);
}

internal static class ItemViews
{
    public static (ItemView View, string Key, FormView? Form) Of(Item item, Planner planner, Plan plan, Checks checks, ISet<string> known)
    {
        var kind = plan.CatalogueItem(item.Catalogue)!;
        var size = ItemForms.SizeOf(item, kind);
        var seats = item.Seats ?? kind.Seats;
        ItemParameterView[] parameters =
        [
            .. FormMaker
                .Find(kind.Maker)
                .Parameters.Zip(MakerParameters.Of(kind, item.Parameters).Values)
                .Select(p => new ItemParameterView(
                    p.First.Key,
                    p.First.Label,
                    p.First.IsList,
                    p.First.IsCount,
                    p.First.IsYesOrNo,
                    [.. p.First.Choices],
                    [.. p.Second]
                )),
        ];
        var values = string.Join(
            ";",
            parameters.Select(p => string.Join(",", p.Value.Select(v => v.ToString("R", CultureInfo.InvariantCulture))))
        );
        // An own item may change under its key; its version tells its forms apart.
        var key = string.Create(
            CultureInfo.InvariantCulture,
            $"{kind.Key}@{plan.VersionOf(kind.Key)}/{size.Width}x{size.Depth}x{size.Height}/{seats.Around}.{seats.Front}.{seats.Back}.{seats.Left}.{seats.Right}/{checks.OccupiedDepth}/{values}{(item.Mirrored ? "/mirrored" : "")}"
        );
        var form = known.Add(key) ? FormView.Of(planner.Forms.FormOf(plan, item, kind, checks.OccupiedDepth), checks.OccupiedDepth) : null;
        var view = new ItemView(
            item.Id,
            key,
            PlacedItem.NameOf(item, kind),
            size.Width,
            size.Depth,
            size.Height,
            TableSizes.MostSeatsAt(kind, size),
            parameters,
            Finishes.TintOf(plan, item)
        );
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
            var (view, key, form) = Of(item, planner, plan, checks[item.SchemeId], known);
            views.Add(view);
            if (form is not null)
                forms[key] = form;
        }
        return (views.ToImmutable(), forms);
    }
}
