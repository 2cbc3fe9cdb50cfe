using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>What entities are called in messages and in the names of changes.</summary>
public static class EntityWords
{
    /// <summary>In the middle of a sentence: "a wall", "item 12".</summary>
    public static string Noun(Entity entity) =>
        entity switch
        {
            Item item => item.Label.Length > 0 ? $"item {item.Label}" : "an item",
            Repeat => "a repeat",
            Cluster { Name.Length: > 0 } cluster => cluster.Name,
            Cluster => "a cluster",
            OwnItem own => own.Item.Name,
            HouseStock => "a stock",
            Finish => "a finish",
            OwnRule own => $"the rule {own.Rule.Name}",
            PlanBook => "a rulebook",
            Acceptance => "an accepted finding",
            RuleChange => "a rule taken otherwise",
            Dimension => "a measure",
            Opening opening => OpeningSizes.Of(opening.Kind).Name,
            Thing thing => thing.OneOfIts(),
            Wall => "a wall",
            Room => "a room's name",
            Boundary => "a boundary",
            Level level => level.Name,
            Scheme scheme => scheme.Name,
            SheetSettings sheet => $"sheet {sheet.TitleBlock.SheetNumber}",
            SettingOutLine => "a setting-out line",
            Backing => "a backing",
            Viewpoint viewpoint => $"the viewpoint {viewpoint.Name}",
            WallType => "a wall type",
            _ => "a part of the plan",
        };

    /// <summary>At the beginning of a sentence, by its own name where it has one.</summary>
    public static string Called(Plan plan, Entity entity)
    {
        var noun = entity switch
        {
            Item item when plan.CatalogueItem(item.Catalogue) is { } kind => PlacedItem.NameOf(item, kind),
            Thing thing => thing.Called(),
            Opening opening => OpeningEdits.NameOf(opening),
            _ => Noun(entity),
        };
        return noun.Length == 0 ? noun : char.ToUpperInvariant(noun[0]) + noun[1..];
    }
}
