using System.Collections.Immutable;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.SolidModel;

/// <summary>What items of a kind and with the same parameters look like, once for all of them; in their own frame, from their underside up.</summary>
/// <param name="Key">Tells it apart within the model.</param>
public sealed record ModelKind(string Key, string Name, ImmutableArray<ModelFace> Faces)
{
    /// <summary>The picture of an own item, seen from above; null for none.</summary>
    public LaidPicture? Laid { get; init; }
}

/// <summary>One item, or one chair at it, where it stands.</summary>
/// <param name="ItemId">The item it is, or belongs to.</param>
/// <param name="Kind">The key of what it looks like.</param>
/// <param name="Z">Of its underside above the floor of its level, in mm.</param>
/// <param name="Tint">Of its finish; null for none.</param>
public sealed record ModelNode(string ItemId, string Name, string Label, string Kind, Placement At, double Z, string? Tint);

/// <summary>Steps or a slope that is walked: going up towards +y of its own frame, so wide, so long and so high in mm.</summary>
public sealed record ModelFlight(Placement At, double Width, double Depth, double Rise, string ToLevelId);

/// <summary>Where somebody sits.</summary>
/// <param name="Z">Of the floor under them above that of the level, in mm.</param>
/// <param name="Heading">The way they look, in degrees counter-clockwise from +x.</param>
public sealed record ModelSeat(string ItemId, string Name, Point At, double Z, double Heading);

/// <summary>A level with what stands on it.</summary>
/// <param name="Elevation">Of its floor above the plan's zero, in mm.</param>
public sealed record ModelLevel(
    string LevelId,
    string Name,
    double Elevation,
    double Height,
    ImmutableArray<ShellPart> Shell,
    ImmutableArray<ModelNode> Nodes
)
{
    /// <summary>What people do not walk through: walls without their doors, what is fixed, what stands. Each seen from above.</summary>
    public ImmutableArray<Convex> Obstacles { get; init; } = [];

    /// <summary>What is drawn on its floor.</summary>
    public ImmutableArray<ModelLine> Lines { get; init; } = [];

    public ImmutableArray<ModelFlight> Flights { get; init; } = [];

    /// <summary>Floors that lie higher, and by how much in mm.</summary>
    public ImmutableArray<(Convex Floor, double Rise)> Platforms { get; init; } = [];

    public ImmutableArray<ModelSeat> Seats { get; init; } = [];

    /// <summary>The middle of the box around its shell and what stands on it, in mm.</summary>
    public Point Middle { get; init; }
}

/// <summary>A way to be shown on the floor of a level.</summary>
public sealed record ShownWay(string Name, string LevelId, bool Holds, ImmutableArray<Point> Line);

/// <summary>A scheme of a plan in space: kinds once, and where each of them stands.</summary>
public sealed record PlanModel(ImmutableArray<ModelKind> Kinds, ImmutableArray<ModelLevel> Levels)
{
    /// <summary>How high the floor of a level is above the plan's zero, in mm; 0 where it is not there.</summary>
    public double ElevationOf(string levelId) => Levels.FirstOrDefault(level => level.LevelId == levelId)?.Elevation ?? 0;

    /// <param name="findings">What needs attention and is to be shown, on all levels; none where it is not.</param>
    /// <param name="ways">The same of ways.</param>
    /// <param name="lettering">What is written is built in it; null where it is not to be seen.</param>
    /// <param name="space">The shell of a level.</param>
    /// <param name="items">What stands on a level of the scheme.</param>
    public static PlanModel Of(
        Plan plan,
        string schemeId,
        ViewpointShows shows,
        ImmutableArray<Finding> findings,
        ImmutableArray<ShownWay> ways,
        ILettering? lettering,
        ItemForms forms,
        Func<string, LevelSpace> space,
        Func<string, IEnumerable<PlacedItem>> items
    )
    {
        var kinds = new ItemSolids(plan, forms);
        var flights = plan.All<Flight>().ToLookup(flight => flight.ToLevelId);
        var things = plan.All<Thing>().Where(thing => (thing as IOfScheme)?.SchemeId == schemeId).ToLookup(thing => thing.LevelId);
        ImmutableArray<ModelLevel> levels = [.. plan.Levels.Select(level => LevelOf(level, space(level.Id), [.. items(level.Id)]))];
        return new PlanModel(kinds.All, levels);

        ModelLevel LevelOf(Level level, LevelSpace shell, PlacedItem[] standing)
        {
            ShellPart[] bare = [.. ShellSolids.Of(shell, flights[level.Id], shows.CutHeight)];
            ShellPart[] walls = [.. bare.Where(part => part.Surface == Surface.Wall)];
            IEnumerable<ShellPart> parts =
            [
                .. walls.Select(wall => wall with { Tint = Finishes.TintOfWall(plan, schemeId, wall.Id) }),
                .. bare.Where(part => part.Surface != Surface.Wall),
                .. WallSheets.Of(plan, schemeId, shell, walls),
                .. FloorMarks.Finished(plan, schemeId, shell),
                .. FloorMarks.Tinted(things[level.Id]),
                .. lettering is null ? [] : Written.On(shell, things[level.Id], plan.Details.Units, lettering),
                .. FloorMarks.Found(findings.Where(finding => finding.LevelId == level.Id)),
                .. ways.Where(way => way.LevelId == level.Id).Select(FloorMarks.Way).OfType<ShellPart>(),
            ];
            return new ModelLevel(
                level.Id,
                level.Name,
                level.Elevation,
                level.Height,
                [.. parts.Where(part => !part.Faces.IsEmpty)],
                [
                    .. standing.SelectMany(item => Raised(kinds.NodesOf(item, Finishes.TintOf(plan, item.Item)), RiseUnder(item))),
                    .. shows.People ? standing.SelectMany(item => Raised(kinds.PeopleAt(item), RiseUnder(item))) : [],
                ]
            )
            {
                Lines = [.. FloorMarks.Lines(plan, schemeId, shell, things[level.Id])],
                Middle = standing.Aggregate(shell.Bounds, (box, item) => box.Including(item.Bounds)) is { IsEmpty: false } box
                    ? box.Centre
                    : default,
                Obstacles =
                [
                    .. shell.Pieces.Where(piece => piece.IsInTheWay).Select(piece => piece.Body),
                    .. shell.Solids().Select(solid => solid.Shape),
                    .. standing.Where(item => !item.LiesFlat && !item.IsOverhead && !item.Form.ForScale).SelectMany(item => item.Standing),
                ],
                Flights =
                [
                    .. shell.Flights.Select(flight => new ModelFlight(
                        flight.Placement,
                        flight.Width,
                        flight.Depth,
                        flight.Rise,
                        flight.ToLevelId
                    )),
                ],
                Platforms = shell.Decks,
                Seats = [.. standing.SelectMany(item => SeatsOf(item, RiseUnder(item)))],
            };

            // A sunken floor is not cut out of the level in space, so nothing stands lower than that.
            double RiseUnder(PlacedItem item) => Math.Max(0, shell.RiseAt(item.Item.Placement.Origin));
        }

        static IEnumerable<ModelNode> Raised(IEnumerable<ModelNode> nodes, double rise) =>
            rise == 0 ? nodes : nodes.Select(node => node with { Z = node.Z + rise });
    }

    /// <summary>Where people sit, and the way they look.</summary>
    private static IEnumerable<ModelSeat> SeatsOf(PlacedItem placed, double rise)
    {
        for (var i = 0; i < placed.Form.Seats.Length; i++)
        {
            var seat = placed.Form.Seats[i];
            var at = seat.ChairAt(placed.Checks.OccupiedDepth);
            var own = placed.Item.Placement;
            // A chair's front is towards -y of its own.
            yield return new ModelSeat(
                placed.Item.Id,
                placed.Form.Seats.Length == 1 ? placed.Name : $"{placed.Name}, seat {(seat.Id.Length > 0 ? seat.Id : $"{i + 1}")}",
                own.Out(at.Origin),
                placed.Bottom + rise,
                AngleText.Normal(own.Rotation + at.Rotation - 90)
            );
        }
    }
}
