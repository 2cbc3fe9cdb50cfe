using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Pictures;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Tests;

/// <summary>Keeper's Flat of the invented Tidemill House, furnished in two schemes by edits, as a planner would.</summary>
internal static class TidemillFlat
{
    private const string Everyday = PlanStart.SchemeId;
    private const string OpenHouse = "open-house";

    private static readonly string RugItems = Path.Combine(Demo.Root, "demo", "own-items", "heath-rug.json");
    public static readonly string RugPicture = Path.Combine(Demo.Root, "demo", "pictures", "heath-rug.png");
    private static readonly string TerrazzoPicture = Path.Combine(Demo.Root, "demo", "pictures", "terrazzo.webp");

    /// <summary>The rug as the demo ships it, cut out of its picture: 6 x 9 ft.</summary>
    public static CatalogueItem Rug() => OwnItemFile.Read(File.ReadAllBytes(RugItems)).Single();

    /// <summary>Makes the pictures anew, and cuts the rug out of its one.</summary>
    public static void Write()
    {
        File.WriteAllBytes(RugPicture, DemoPictures.Rug());
        File.WriteAllBytes(TerrazzoPicture, DemoPictures.Terrazzo());
        var rug = new CatalogueItem(
            "heath-rug",
            "Heath rug 6 × 9 ft",
            CatalogueKind.Floors,
            FormMaker.Outline,
            new ItemSize(2743.2, 1828.8, 12),
            new ValueSource("Own item", "high"),
            default,
            Tag: "OW",
            SubKind: "Own pictures",
            Words: "carpet wool",
            SupplierCode: "HR-69",
            Shape: Cutout.Of(File.ReadAllBytes(RugPicture), true, Cutout.UsualTolerance, []).Shape
        );
        File.WriteAllBytes(RugItems, OwnItemFile.Write([rug]));
    }

    public static IEnumerable<Edit> Furnish(string level)
    {
        var terrazzo = new OwnPicture(Convert.ToBase64String(File.ReadAllBytes(TerrazzoPicture)));

        PlaceItem Place(string scheme, string id, string catalogue, double x, double y, double turn = 0) =>
            new($"{scheme}-{id}", scheme, level, catalogue, x, y, turn);

        IEnumerable<Edit> Kitchen(string scheme, double? islandGap) =>
            [
                new PutKitchen(
                    $"{scheme}-kitchen",
                    scheme,
                    level,
                    3200,
                    5000,
                    KitchenShape.Straight,
                    2700,
                    WallUnits: true,
                    IslandGap: islandGap
                ),
                new SetKitchenUnit($"{scheme}-kitchen", 4, KitchenUnit.Hob),
            ];

        IEnumerable<Edit> Bedroom(string scheme, string bed) =>
            [
                Place(scheme, "bed", bed, 8300, 1850, 270),
                Place(scheme, "night-1", "nightstand", 9090, 800, 270),
                Place(scheme, "lamp", "table-lamp", 9090, 800),
                Place(scheme, "wardrobe", "wardrobe-1200", 6300, 2790),
                Place(scheme, "mirror", "mirror-tall", 7400, 3080),
            ];

        IEnumerable<Edit> Finishes(string scheme, string boards) =>
            [
                new PutFinish(new Finish($"{scheme}-floor", scheme, FinishOf.Room, "living", FinishPattern.Boards, boards, 140, 1800)),
                new PutFinish(new Finish($"{scheme}-bedroom-floor", scheme, FinishOf.Room, "bedroom", FinishPattern.Carpet, "#E6DCC8")),
                new PutFinish(
                    scheme == Everyday
                        ? new Finish("everyday-bath", scheme, FinishOf.Room, "bath", FinishPattern.Tiles, "#7FA6B8", 300, 300, Opacity: 0.6)
                        : new Finish(
                            "open-bath",
                            scheme,
                            FinishOf.Room,
                            "bath",
                            FinishPattern.Picture,
                            "#E6DCC8",
                            800,
                            800,
                            Picture: terrazzo
                        )
                ),
                new PutFinish(new Finish($"{scheme}-bedroom-walls", scheme, FinishOf.RoomWalls, "bedroom", FinishPattern.Plain, "#7FA6B8")),
            ];

        PutThing Home(string scheme) => new(new Zone($"{scheme}-home", scheme, level, 4650, 2600, 0, 9100, 5000, "Flat", Use: "Dwelling"));

        yield return new RenameScheme(Everyday, "Everyday");
        yield return new AddScheme(OpenHouse, "Open house");
        yield return new PutOwnItem(new OwnItem("heath-rug", Rug()));
        foreach (
            var edit in (Edit[])
                [
                    Home(Everyday),
                    .. Kitchen(Everyday, 1000),
                    Place(Everyday, "rug", "heath-rug", 3100, 1020),
                    Place(Everyday, "sofa", "sofa-two", 2300, 460, 180),
                    Place(Everyday, "chair", "armchair", 3880, 500, 180),
                    Place(Everyday, "table", "side-table", 3252, 320) with
                    {
                        Width = 400,
                        Depth = 400,
                    },
                    Place(Everyday, "plant", "plant-600", 1250, 400),
                    .. Bedroom(Everyday, "bed-uk-double"),
                    Place(Everyday, "mat", "bath-mat", 8400, 4250),
                    new PutFinish(new Finish("everyday-sofas", Everyday, FinishOf.Kind, "sofa-two", FinishPattern.Plain, "#8FA383")),
                    .. Finishes(Everyday, "#D9B98A"),
                    Home(OpenHouse),
                    .. Kitchen(OpenHouse, null),
                    Place(OpenHouse, "dining", "dining-table-1600", 3300, 2700),
                    Place(OpenHouse, "sofa-1", "sofa-two", 1900, 460, 180),
                    Place(OpenHouse, "sofa-2", "sofa-two", 3500, 460, 180),
                    .. Bedroom(OpenHouse, "bed-uk-single"),
                    new PutFinish(new Finish("open-sofas", OpenHouse, FinishOf.Kind, "sofa-two", FinishPattern.Plain, "#C47A5A")),
                    .. Finishes(OpenHouse, "#8A5A3C"),
                    new SetStock("dining-chair", 6),
                    new AddSheet("sheet-flat", Everyday, level),
                    new AddSheet("sheet-flat-open", OpenHouse, level),
                ]
        )
            yield return edit;
    }
}
