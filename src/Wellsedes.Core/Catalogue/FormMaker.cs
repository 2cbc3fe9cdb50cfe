using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Catalogue.Makers;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue;

/// <summary>What a maker builds from.</summary>
/// <param name="Chair">The size of the chair at each place, when the item seats people.</param>
/// <param name="OccupiedDepth">Depth in mm from the table edge to the back of an occupied chair.</param>
/// <param name="Parts">How many parts a body is divided into: doors, drawers, seats of a sofa.</param>
/// <param name="Parameters">Values of the maker's own parameters, in its order.</param>
/// <param name="Shape">The outline of an own item that was drawn or brought in.</param>
/// <param name="Uses">The floor it needs in use, where that is told; null where the maker knows.</param>
public sealed record MakerInput(
    ItemSize Size,
    SeatsBySide Seats,
    ItemSize Chair,
    double OccupiedDepth,
    int Parts,
    MakerParameters Parameters,
    OwnShape? Shape = null,
    UseSpaces? Uses = null
)
{
    /// <summary>What the maker of an item builds from at its usual size, or at that of one which was placed.</summary>
    public static MakerInput Of(
        CatalogueItem item,
        ItemSize chair,
        double occupiedDepth,
        ItemSize? size = null,
        SeatsBySide? seats = null,
        ItemParameters? parameters = null
    ) =>
        new(
            size ?? item.Size,
            seats ?? item.Seats,
            chair,
            occupiedDepth,
            item.Parts,
            MakerParameters.Of(item, parameters),
            item.Shape,
            item.Uses
        );
}

/// <summary>The makers by name: each turns a size into a form of its own kind.</summary>
public static class FormMaker
{
    private static readonly MakerParameter Bays = MakerParameter.Lengths("bays", "Bays", 150, 3000);
    private static readonly MakerParameter Open = MakerParameter.Numbers("open", "Open bays", 200);
    private static readonly MakerParameter Doors = MakerParameter.Numbers("doors", "Bays with a door", 200);
    private static readonly MakerParameter Glass = MakerParameter.Numbers("glass", "Bays of glass", 200);
    private static readonly MakerParameter Seats = MakerParameter.Count("seats", "Seats", 60);

    private static readonly ImmutableArray<MakerParameter> Cell =
    [
        MakerParameter.Lengths("front", "Bays of the front", 150, 3000),
        MakerParameter.Lengths("right", "Bays of the right", 150, 3000),
        MakerParameter.Lengths("back", "Bays of the back", 150, 3000),
        MakerParameter.Lengths("left", "Bays of the left", 150, 3000),
        MakerParameter.Numbers("open", "Open bays", 200, 1),
        Doors,
        Glass,
        MakerParameter.Length("thickness", "Thickness", 10, 300, 50),
    ];

    private static readonly ImmutableArray<string> KitchenUnits =
    [
        "Doors",
        "Drawers",
        "Sink",
        "Hob and oven",
        "Dishwasher",
        "Washer",
        "Oven stack",
        "Fridge",
        "Tall cupboard",
        "Corner",
        "Filler",
    ];

    private static readonly ImmutableArray<MakerParameter> KitchenLine =
    [
        MakerParameter.Lengths("units", "Units", 1, 2000),
        MakerParameter.Choice("kinds", "What they hold", KitchenUnits, 1, isList: true),
        MakerParameter.Lengths("wall-units", "Wall units", 100, 2000),
        MakerParameter.Length("overhang", "Overhang", 0, 600, 20),
        MakerParameter.Length("top", "Worktop thickness", 6, 100, 40),
        MakerParameter.Length("worktop", "Worktop height", 500, 1200, 900),
    ];

    private static readonly ImmutableDictionary<string, Maker> ByName = new Dictionary<string, Maker>
    {
        ["round-table"] = new(Tables.Round, IsRound: true, Parameters: [MakerParameter.Count("open", "Open at the front, degrees", 300)]),
        ["oval-table"] = new(Tables.Oval),
        ["straight-table"] = new(Tables.Straight),
        ["high-table"] = new(Tables.Standing, IsRound: true),
        ["restaurant-booth"] = new(Tables.Booth),
        ["picnic-table"] = new(Tables.Picnic),
        ["chair"] = new(Makers.Seats.Chair),
        ["folding-chair"] = new(Makers.Seats.Folding),
        ["task-chair"] = new(Makers.Seats.Task),
        ["tablet-chair"] = new(Makers.Seats.Tablet),
        ["stool"] = new(Makers.Seats.Stool, IsRound: true),
        ["seat-row"] = new(Makers.Seats.Row, Parameters: [Seats], IsSatFromFront: true),
        ["seat-bench"] = new(Makers.Seats.Bench, Parameters: [Seats], IsSatFromFront: true),
        ["wheelchair-space"] = new(Makers.Seats.WheelchairSpace),
        ["sofa"] = new(Lounge.Sofa, IsSatFromFront: true),
        ["corner-sofa"] = new(
            Lounge.CornerSofa,
            Parameters: [MakerParameter.Length("deep", "Depth of an arm", 500, 1600, 900)],
            IsSatFromFront: true
        ),
        ["coffee-table"] = new(Lounge.CoffeeTable),
        ["ottoman"] = new(Lounge.Ottoman),
        ["desk"] = new(Desks.Desk),
        ["corner-desk"] = new(Desks.Corner, Parameters: [MakerParameter.Length("radius", "Inner radius", 0, 1500, 0)]),
        ["corner-surface"] = new(
            Desks.CornerSurface,
            Parameters:
            [
                MakerParameter.Length("radius", "Inner radius", 0, 1500, 300),
                MakerParameter.Length("left-depth", "Left arm depth", 150, 1500, Refit.UsualArm),
                MakerParameter.Length("right-depth", "Right arm depth", 150, 1500, Refit.UsualArm),
            ],
            Wrong: Desks.WrongArms,
            Refit: Refit.Arms
        ),
        ["work-surface"] = new(Desks.Surface),
        ["peninsula"] = new(Desks.Peninsula),
        ["bench-desk"] = new(Desks.Bench),
        ["reception-desk"] = new(Desks.Reception),
        ["cupboard"] = new(Storage.Cupboard),
        ["sliding-cupboard"] = new(Storage.Sliding),
        ["drawers"] = new(Storage.Drawers),
        ["fronted-box"] = new(
            Fronts.Box,
            Parameters:
            [
                MakerParameter.Lengths("rows", "Heights of rows", 30, 3000),
                MakerParameter.Choice("fronts", "Rows, from below", Fronts.Kinds, 2, isList: true),
                new MakerParameter("columns", "Columns", 1, 12, [1], IsCount: true),
            ],
            Wrong: Fronts.Wrong,
            Refit: Fronts.Refit,
            MadeOf: Fronts.MadeOf
        ),
        ["shelves"] = new(Storage.Shelves, Parameters: [Bays], Wrong: Storage.WrongBays, Refit: Refit.Shares),
        ["double-shelves"] = new(Storage.DoubleShelves),
        ["lockers"] = new(Storage.Lockers),
        ["wardrobe"] = new(Storage.Wardrobe, Parameters: [Bays], Wrong: Storage.WrongBays, Refit: Refit.Shares),
        ["coat-rack"] = new(Storage.CoatRack),
        ["pallet"] = new(Storage.Pallet),
        ["stage-deck"] = new(Staging.Deck),
        ["stage"] = new(
            Staging.Stage,
            Parameters:
            [
                MakerParameter.Length("deck-width", "Deck width", 300, 5000, 2000),
                MakerParameter.Length("deck-depth", "Deck depth", 300, 5000, 1000),
                MakerParameter.Count("skirt", "Skirt", 1, 1),
            ],
            MadeOf: (size, parameters) => Counted(Staging.Decks(size, parameters), "deck")
        ),
        ["stage-steps"] = new(Staging.Steps, MadeOf: (size, _) => Counted(Staging.StepsOf(size.Height), "step")),
        ["floor-panel"] = new(Staging.FloorPanel),
        ["dance-floor"] = new(
            Staging.DanceFloor,
            Parameters: [MakerParameter.Length("panel", "Panel", 200, 3000, 1000)],
            MadeOf: (size, parameters) => Counted(Staging.Panels(size, parameters), "panel")
        ),
        ["lectern"] = new(Staging.Lectern),
        ["piano"] = new(Staging.Piano),
        ["grand-piano"] = new(Staging.Grand),
        ["bar"] = new(Serving.Bar),
        ["buffet"] = new(Serving.Buffet),
        ["console"] = new(Serving.Console),
        ["screen"] = new(Screens.Screen),
        ["projection-screen"] = new(Screens.Projection),
        ["drape"] = new(Screens.Drape),
        ["easel"] = new(Screens.Easel),
        ["plant"] = new(Screens.Plant, IsRound: true),
        ["planter"] = new(Screens.Planter),
        ["barrier"] = new(Screens.Barrier),
        ["belt-post"] = new(Screens.Post, IsRound: true),
        ["queue-line"] = new(Screens.QueueLine, MadeOf: (size, _) => Counted(Screens.PostsOf(size), "post")),
        ["panel-run"] = new(
            Panels.Run,
            Parameters: [Bays, Open, Doors, Glass],
            Wrong: Panels.WrongRun,
            Refit: Refit.Run,
            MadeOf: (size, parameters) => Counted(Panels.BaysOf(size.Width, parameters, 0).Count, "bay")
        ),
        ["cell"] = new(
            Panels.Cell,
            Parameters: Cell,
            Wrong: Panels.WrongCell,
            Refit: Refit.Cell,
            MadeOf: (size, parameters) =>
                Counted(
                    Enumerable.Range(0, 4).Sum(side => Panels.BaysOf(side % 2 == 0 ? size.Width : size.Depth, parameters, side).Count),
                    "bay"
                )
        ),
        ["bed"] = new(Beds.Bed),
        ["bunk-bed"] = new(Beds.Bunk),
        ["cot"] = new(Beds.Cot),
        ["care-bed"] = new(Beds.Care),
        ["couch"] = new(Beds.Couch),
        ["kitchen-unit"] = new(Kitchens.Unit, Parameters: [MakerParameter.Choice("kind", "Holds", KitchenUnits, 1)]),
        ["kitchen-line"] = new(
            Kitchens.Run,
            Parameters: KitchenLine,
            Wrong: Kitchens.WrongLine,
            Refit: Refit.Kitchen,
            MadeOf: (size, parameters) => Counted(Kitchens.UnitsOf(size, parameters).Widths.Count, "unit")
        ),
        ["kitchen-island"] = new(
            Kitchens.Island,
            Parameters: KitchenLine,
            Wrong: Kitchens.WrongLine,
            Refit: Refit.Kitchen,
            MadeOf: (size, parameters) => Counted(Kitchens.UnitsOf(size, parameters).Widths.Count, "unit")
        ),
        ["fridge"] = new(Appliances.Fridge),
        ["washer"] = new(Appliances.Washer),
        ["dishwasher"] = new(Appliances.Dishwasher),
        ["hob"] = new(Appliances.Hob),
        ["range"] = new(Appliances.Range),
        ["oven"] = new(Appliances.Oven),
        ["hood"] = new(Appliances.Hood),
        ["wc"] = new(Sanitary.Wc),
        ["bidet"] = new(Sanitary.Bidet),
        ["basin"] = new(Sanitary.Basin),
        ["vanity"] = new(Sanitary.Vanity),
        ["bath"] = new(Sanitary.Bath),
        ["shower"] = new(Sanitary.Shower),
        ["urinal"] = new(Sanitary.Urinal),
        ["printer"] = new(Equipment.Printer),
        ["rack"] = new(Equipment.Rack),
        ["vending-machine"] = new(Equipment.Vending),
        ["water-cooler"] = new(Equipment.Cooler),
        ["bin"] = new(Equipment.Bin),
        ["phone-booth"] = new(Equipment.Booth),
        ["pod"] = new(Equipment.Pod),
        ["table-tennis"] = new(Equipment.TableTennis),
        ["billiards"] = new(Equipment.Billiards),
        ["monitor"] = new(Small.Monitor),
        ["laptop"] = new(Small.Laptop),
        ["lamp"] = new(Small.Lamp, IsRound: true),
        ["telephone"] = new(Small.Telephone),
        ["tray"] = new(Small.Tray),
        ["place-setting"] = new(Small.PlaceSetting),
        ["board"] = new(Small.Board),
        ["mirror"] = new(Small.Mirror),
        ["display"] = new(Small.Display),
        ["sign"] = new(Small.Sign),
        ["wall-cupboard"] = new(Small.WallCupboard),
        ["wall-shelf"] = new(Small.WallShelf),
        ["hooks"] = new(Small.Hooks),
        ["folding-table"] = new(Small.FoldingTable),
        ["parasol"] = new(Outdoors.Parasol, IsRound: true),
        ["lounger"] = new(Outdoors.Lounger),
        ["tree"] = new(Outdoors.Tree, IsRound: true),
        ["cycle-stand"] = new(Outdoors.CycleStand),
        ["grill"] = new(Outdoors.Grill),
        ["rug"] = new(Floors.Rug),
        ["mat"] = new(Floors.Mat),
        ["marked-bay"] = new(Floors.Bay),
        [Outline] = new(Outlines.Make),
        ["person"] = new(Figures.Standing),
        ["seated-person"] = new(Figures.Seated),
        ["wheelchair-user"] = new(Figures.InWheelchair),
        ["person-pushing"] = new(Figures.Pushing),
    }.ToImmutableDictionary();

    /// <summary>The maker of own items whose outline was drawn or brought in.</summary>
    public const string Outline = "outline";

    private static string Counted(int count, string what) => $"{count} {what}{(count == 1 ? "" : "s")}";

    public static IEnumerable<string> Names => ByName.Keys;

    /// <exception cref="ArgumentException">No maker has this name.</exception>
    public static Maker Find(string maker) =>
        ByName.TryGetValue(maker, out var found)
            ? found
            : throw new ArgumentException($"There is no maker called \"{maker}\".", nameof(maker));

    public static bool Knows(string maker) => ByName.ContainsKey(maker);

    /// <summary>What an item's maker makes of parameters at a size: bays, panels and units fill the new length.</summary>
    public static ItemParameters Fitted(CatalogueItem item, ItemSize size, ItemParameters told) =>
        Find(item.Maker).Refit?.Invoke(size, told) ?? told;

    /// <summary>The form; seats that their maker gave no id are numbered.</summary>
    /// <exception cref="ArgumentException">No maker has this name.</exception>
    public static Form Make(string maker, MakerInput input)
    {
        var form = Find(maker).Make(input);
        if (input.Uses is { } uses)
            form = WithUses(form, uses);
        return form with
        {
            Seats =
            [
                .. form.Seats.Select(
                    (seat, i) => seat.Id.Length > 0 ? seat : seat with { Id = (i + 1).ToString(CultureInfo.InvariantCulture) }
                ),
            ],
        };
    }

    /// <summary>The form with the floor it is told to need in use, instead of what its maker knows.</summary>
    private static Form WithUses(Form form, UseSpaces uses)
    {
        var box = form.Body;
        (string Name, double Depth, Convex Floor)[] sides =
        [
            ("In front", uses.Front, Making.Box(box.MinX, box.MinY - uses.Front, box.MaxX, box.MinY)),
            ("Behind", uses.Back, Making.Box(box.MinX, box.MaxY, box.MaxX, box.MaxY + uses.Back)),
            ("At the left", uses.Left, Making.Box(box.MinX - uses.Left, box.MinY, box.MinX, box.MaxY)),
            ("At the right", uses.Right, Making.Box(box.MaxX, box.MinY, box.MaxX + uses.Right, box.MaxY)),
        ];
        var needed = sides.Where(side => side.Depth > Tolerance.Length).ToArray();
        return form with
        {
            Activity = [.. needed.Select(side => new ActivitySpace(side.Name, side.Floor))],
            Symbol =
            [
                .. form.Symbol.Where(part => part.Role != SymbolRole.Use),
                .. needed.Select(side => new SymbolPart(SymbolRole.Use, PathShape.Closed(side.Floor.Corners))),
            ],
        };
    }
}
