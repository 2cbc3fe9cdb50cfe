using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Things;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Features.Catalogue;

/// <param name="Round">Whether its width is a diameter, and its depth the same.</param>
public sealed record CatalogueEntry(CatalogueItem Item, FormView Form, bool Round);

public sealed record CatalogueView(
    CatalogueEntry[] Items,
    SourcedValue[] HouseRules,
    Paper[] Papers,
    Scale[] Metric,
    Scale[] Imperial,
    WallType[] WallTypes,
    WallType[] WallTypesInFeet,
    UsualSizes[] UsualSizes,
    OpeningSize[] Openings,
    RoomUse[] Uses,
    AreaDefinition[] Areas,
    ThingKindView[] Things
);

public static class CatalogueEndpoints
{
    public static void MapCatalogue(this RouteGroupBuilder api) =>
        api.MapGet(
                "/catalogue",
                () =>
                    new CatalogueView(
                        [.. Shipped.Library.Catalogue.Items.Select(EntryOf)],
                        [.. HouseRules.All],
                        [.. Papers.All],
                        [.. Scales.Metric],
                        [.. Scales.Imperial],
                        [.. UsualWallTypes.Metric],
                        [.. UsualWallTypes.InFeet],
                        [.. UsualSizes.All],
                        [.. OpeningSizes.All],
                        [.. RoomUses.All],
                        [.. AreaDefinitions.All],
                        [.. Shipped.Library.Kinds.All.Select(ThingKindView.Of)]
                    )
            )
            .WithName("getCatalogue");

    public static CatalogueEntry EntryOf(CatalogueItem item)
    {
        var depth = HouseRules.OccupiedChair.Value;
        var chair = item.Chair is { } key && Shipped.Library.Catalogue.Find(key) is { } found ? found.Size : default;
        return new CatalogueEntry(item, FormView.Of(Forms.FormOf(item, item.Size, item.Seats, chair, depth), depth), item.IsRound);
    }

    private static readonly ItemForms Forms = new();
}
