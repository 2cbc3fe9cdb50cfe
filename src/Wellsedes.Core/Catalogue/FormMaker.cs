using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Catalogue.Makers;

namespace Wellsedes.Core.Catalogue;

/// <summary>What a maker builds from.</summary>
/// <param name="Chair">The size of the chair at each place, when the item seats people.</param>
/// <param name="OccupiedDepth">Depth in mm from the table edge to the back of an occupied chair.</param>
/// <param name="Parts">How many parts a body is divided into: doors, drawers, seats of a sofa.</param>
/// <param name="Parameters">Values of the maker's own parameters, in its order.</param>
public sealed record MakerInput(
    ItemSize Size,
    SeatsBySide Seats,
    ItemSize Chair,
    double OccupiedDepth,
    int Parts,
    MakerParameters Parameters
);

/// <summary>The makers by name: each turns a size into a form of its own kind.</summary>
public static class FormMaker
{
    private static readonly ImmutableDictionary<string, Maker> ByName = new Dictionary<string, Maker>
    {
        ["round-table"] = new(Tables.Round, IsRound: true),
        ["straight-table"] = new(Tables.Straight),
        ["high-table"] = new(Tables.Standing, IsRound: true),
        ["chair"] = new(Seats.Chair),
        ["folding-chair"] = new(Seats.Folding),
        ["task-chair"] = new(Seats.Task),
        ["stool"] = new(Seats.Stool, IsRound: true),
        ["wheelchair-space"] = new(Seats.WheelchairSpace),
        ["sofa"] = new(Lounge.Sofa),
        ["coffee-table"] = new(Lounge.CoffeeTable),
        ["ottoman"] = new(Lounge.Ottoman),
        ["desk"] = new(Desks.Desk),
        ["corner-desk"] = new(Desks.Corner, Parameters: [new("radius", "Inner radius", 0, 1500, [0])]),
        ["bench-desk"] = new(Desks.Bench),
        ["cupboard"] = new(Storage.Cupboard),
        ["drawers"] = new(Storage.Drawers),
        ["shelves"] = new(Storage.Shelves, Parameters: [new("bays", "Bays", 150, 3000, [], true)], Wrong: Storage.WrongBays),
        ["lockers"] = new(Storage.Lockers),
        ["stage-deck"] = new(Staging.Deck),
        ["floor-panel"] = new(Staging.FloorPanel),
        ["lectern"] = new(Staging.Lectern),
        ["piano"] = new(Staging.Piano),
        ["bar"] = new(Serving.Bar),
        ["buffet"] = new(Serving.Buffet),
        ["screen"] = new(Screens.Screen),
        ["easel"] = new(Screens.Easel),
        ["plant"] = new(Screens.Plant, IsRound: true),
        ["barrier"] = new(Screens.Barrier),
    }.ToImmutableDictionary();

    public static IEnumerable<string> Names => ByName.Keys;

    /// <exception cref="ArgumentException">No maker has this name.</exception>
    public static Maker Find(string maker) =>
        ByName.TryGetValue(maker, out var found)
            ? found
            : throw new ArgumentException($"There is no maker called \"{maker}\".", nameof(maker));

    public static bool Knows(string maker) => ByName.ContainsKey(maker);

    /// <summary>The form; seats that their maker gave no id are numbered.</summary>
    /// <exception cref="ArgumentException">No maker has this name.</exception>
    public static Form Make(string maker, MakerInput input)
    {
        var form = Find(maker).Make(input);
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
}
