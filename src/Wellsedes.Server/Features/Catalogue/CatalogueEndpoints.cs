using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Features.Catalogue;

public sealed record CatalogueEntry(CatalogueItem Item, FormView Form);

public sealed record CatalogueView(
    CatalogueEntry[] Items,
    SourcedValue[] HouseRules,
    Paper[] Papers,
    Scale[] Metric,
    Scale[] Imperial,
    MakeUp[] MakeUps,
    OpeningSize[] Openings,
    RoomUse[] Uses,
    AreaDefinition[] Areas
);

public static class CatalogueEndpoints
{
    public static void MapCatalogue(this RouteGroupBuilder api) =>
        api.MapGet(
                "/catalogue",
                (ItemForms forms) =>
                    new CatalogueView(
                        [
                            .. forms.Catalogue.Items.Select(item => new CatalogueEntry(
                                item,
                                FormView.Of(
                                    forms.FormOf(item, item.Size, item.Places, HouseRules.OccupiedChair.Value),
                                    HouseRules.OccupiedChair.Value
                                )
                            )),
                        ],
                        [.. HouseRules.All],
                        [.. Papers.All],
                        [.. Scales.Metric],
                        [.. Scales.Imperial],
                        [.. UsualMakeUps.All],
                        [.. OpeningSizes.All],
                        [.. RoomUses.All],
                        [.. AreaDefinitions.All]
                    )
            )
            .WithName("getCatalogue");
}
