using System.Collections.Immutable;
using Wellsedes.Core.Catalogue.Makers;

namespace Wellsedes.Core.Catalogue;

/// <summary>What a maker builds from.</summary>
/// <param name="Chair">The size of the chair at each place, when the item seats people.</param>
/// <param name="OccupiedDepth">Depth in mm from the table edge to the back of an occupied chair.</param>
/// <param name="Parts">How many parts a body is divided into: doors, drawers, seats of a sofa.</param>
public sealed record MakerInput(ItemSize Size, Places Places, ItemSize Chair, double OccupiedDepth, int Parts);

/// <summary>The makers by name: each turns a size into a form of its own kind.</summary>
public static class FormMaker
{
    private static readonly ImmutableDictionary<string, Func<MakerInput, Form>> ByName = new Dictionary<string, Func<MakerInput, Form>>
    {
        ["round-table"] = Tables.Round,
        ["straight-table"] = Tables.Straight,
        ["standing-table"] = Tables.Standing,
        ["chair"] = Seats.Chair,
        ["folding-chair"] = Seats.Folding,
        ["task-chair"] = Seats.Task,
        ["stool"] = Seats.Stool,
        ["wheelchair-place"] = Seats.WheelchairPlace,
        ["sofa"] = Lounge.Sofa,
        ["coffee-table"] = Lounge.CoffeeTable,
        ["ottoman"] = Lounge.Ottoman,
        ["desk"] = Desks.Desk,
        ["corner-desk"] = Desks.Corner,
        ["bench-desk"] = Desks.Bench,
        ["cupboard"] = Storage.Cupboard,
        ["drawers"] = Storage.Drawers,
        ["shelves"] = Storage.Shelves,
        ["lockers"] = Storage.Lockers,
        ["stage-deck"] = Staging.Deck,
        ["floor-panel"] = Staging.FloorPanel,
        ["lectern"] = Staging.Lectern,
        ["piano"] = Staging.Piano,
        ["bar"] = Serving.Bar,
        ["buffet"] = Serving.Buffet,
        ["screen"] = Screens.Screen,
        ["easel"] = Screens.Easel,
        ["plant"] = Screens.Plant,
        ["barrier"] = Screens.Barrier,
    }.ToImmutableDictionary();

    public static IEnumerable<string> Names => ByName.Keys;

    /// <exception cref="ArgumentException">No maker has this name.</exception>
    public static Form Make(string maker, MakerInput input) =>
        ByName.TryGetValue(maker, out var make)
            ? make(input)
            : throw new ArgumentException($"There is no maker called \"{maker}\".", nameof(maker));
}
