using System.Collections.Immutable;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Models;

/// <summary>What items of a kind and with the same parameters look like, once for all of them; in their own frame, from their underside up.</summary>
/// <param name="Key">Tells it apart within the model.</param>
public sealed record ModelKind(string Key, string Name, ImmutableArray<ModelFace> Faces);

/// <summary>One item, or one chair at it, where it stands.</summary>
/// <param name="ItemId">The item it is, or belongs to.</param>
/// <param name="Kind">The key of what it looks like.</param>
/// <param name="Z">Of its underside above the floor of its level, in mm.</param>
/// <param name="Tint">Of its finish; null for none.</param>
public sealed record ModelNode(string ItemId, string Name, string Label, string Kind, Placement At, double Z, string? Tint);

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
}

/// <summary>A scheme of a plan in space: kinds once, and where each of them stands.</summary>
public sealed record PlanModel(ImmutableArray<ModelKind> Kinds, ImmutableArray<ModelLevel> Levels)
{
    /// <param name="items">What stands on a level of the scheme.</param>
    public static PlanModel Of(Plan plan, ItemForms forms, Func<string, LevelSpace> space, Func<string, IEnumerable<PlacedItem>> items)
    {
        var kinds = new ItemSolids(plan, forms);
        var flights = plan.All<Flight>().ToLookup(flight => flight.ToLevelId);
        ImmutableArray<ModelLevel> levels =
        [
            .. plan.Levels.Select(level =>
            {
                var (shell, standing) = (space(level.Id), items(level.Id).ToArray());
                return new ModelLevel(
                    level.Id,
                    level.Name,
                    level.Elevation,
                    level.Height,
                    [.. ShellSolids.Of(shell, flights[level.Id]).Where(part => !part.Faces.IsEmpty)],
                    [.. standing.SelectMany(item => kinds.NodesOf(item, Finishes.TintOf(plan, item.Item)))]
                )
                {
                    Obstacles =
                    [
                        .. shell.Pieces.Where(piece => piece.Opening is null or { IsDoor: false, Sill: > 0 }).Select(piece => piece.Body),
                        .. shell.Solids().Select(solid => solid.Shape),
                        .. standing
                            .Where(item => !item.LiesFlat && !item.IsOverhead && !item.Form.ForScale)
                            .SelectMany(item => item.Standing),
                    ],
                };
            }),
        ];
        return new PlanModel(kinds.All, levels);
    }
}
