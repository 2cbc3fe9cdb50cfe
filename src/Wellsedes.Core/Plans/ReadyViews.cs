using System.Collections.Immutable;

namespace Wellsedes.Core.Plans;

/// <summary>A view that is offered before anybody has made one.</summary>
public sealed record ReadyView(string Name, string Note, ImmutableArray<string> Hidden, ImmutableArray<string> NotPrinted);

/// <summary>The views that are offered in every scheme; house values.</summary>
public static class ReadyViews
{
    private static readonly ImmutableArray<string> Working = ["thing/zone", "thing/walkway", Subjects.Measures, Subjects.SettingOut];

    public static ImmutableArray<ReadyView> All { get; } =
    [
        new("Furniture alone", "Without zones, walkways, marks and measures", [.. Working, "thing/mark"], [.. Working, "thing/mark"]),
        new("For the client", "Sheets without zones, walkways and measures", [], Working),
        new(
            "For the crew",
            "Sheets without what people lay on tables and hang up",
            ["kind/Figures"],
            ["kind/OnTables", "kind/OnWalls", "kind/Figures"]
        ),
        new("Tables and seats", "Nothing but what people sit at", [.. Others()], [.. Others()]),
    ];

    private static IEnumerable<string> Others() =>
        Enum.GetValues<Catalogue.CatalogueKind>()
            .Where(kind => kind is not (Catalogue.CatalogueKind.Tables or Catalogue.CatalogueKind.Seats or Catalogue.CatalogueKind.Desks))
            .Select(kind => $"kind/{kind}");
}
