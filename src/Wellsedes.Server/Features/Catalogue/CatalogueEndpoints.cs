using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Features.Catalogue;

/// <param name="Round">Whether its width is a diameter, and its depth the same.</param>
/// <param name="MadeOf">What one of it is made of: "20 panels"; "" for single things.</param>
public sealed record CatalogueEntry(CatalogueItem Item, bool Round, string MadeOf)
{
    public static CatalogueEntry Of(CatalogueItem item) =>
        new(item, item.IsRound, FormMaker.Find(item.Maker).MadeOf?.Invoke(item.Size, MakerParameters.Of(item, null)) ?? "");
}

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
    ThingKindView[] Things,
    Tint[] Tints,
    ReadyKind[] Ready,
    EditWords[] Edits,
    int Format
);

/// <summary>What an edit is called where people read of it.</summary>
/// <param name="Do">Its name in JSON.</param>
/// <param name="Does">As a request: "Move items".</param>
public sealed record EditWords(string Do, string Does);

public static class CatalogueEndpoints
{
    public static void MapCatalogue(this RouteGroupBuilder api) =>
        api.MapGet(
                "/catalogue",
                () =>
                    new CatalogueView(
                        [.. Shipped.Library.Catalogue.Items.Select(CatalogueEntry.Of)],
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
                        [.. Shipped.Library.Kinds.All.Select(ThingKindView.Of)],
                        [.. Tints.All],
                        [.. ReadyClusters.All],
                        [.. EditKinds.Shipped.All.Select(kind => new EditWords(kind.Name, kind.Does))],
                        PlanFormat.Version
                    )
            )
            .WithName("getCatalogue");
}
