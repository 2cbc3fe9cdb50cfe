using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.DrawnWays;
using Wellsedes.Core.KindsOfThing.Marks;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Plans;

namespace Wellsedes.Formats.Tests;

/// <summary>Sluice Studio of the invented Tidemill House: 24 workstations in benches and cells by repeats, and the same floor as a workshop in circles.</summary>
internal static class TidemillStudio
{
    private const string Everyday = PlanStart.SchemeId;
    private const string OpenHouse = "open-house";

    public static IEnumerable<Edit> Furnish(string level)
    {
        PlaceItem Place(string scheme, string id, string catalogue, double x, double y, double turn = 0) =>
            new($"{scheme}-{id}", scheme, level, catalogue, x, y, turn);

        // Benches: one desk, repeated back to back, and that again.
        yield return Place(Everyday, "desk", "desk-1400", 7300, 2300);
        yield return new RepeatItems("bench", [$"{Everyday}-desk"], new RepeatFigures(Columns: 4, Rows: 2, ColumnGap: 0, BackGap: 0));
        yield return new RepeatItems("benches", [.. Bench()], new RepeatFigures(Columns: 1, Rows: 2, RowPitch: 4000));
        // Cells: a desk within panels, four in a row, back to back.
        yield return Place(Everyday, "cell", "cell-6x6", 2214, 11_700, 270);
        yield return Place(Everyday, "cell-desk", "desk-1200-600", 2214 + 560, 11_700, 270);
        yield return new MakeCluster("cell", [$"{Everyday}-cell", $"{Everyday}-cell-desk"], "Cell");
        yield return new RepeatItems(
            "cells",
            [$"{Everyday}-cell", $"{Everyday}-cell-desk"],
            new RepeatFigures(Columns: 4, Rows: 2, ColumnGap: 0, BackGap: 0)
        );
        // Two meeting rooms, the project table, storage beneath the windows, the kitchenette.
        foreach (var (id, x) in ((string, double)[])[("weir", 13_500), ("penstock", 16_500)])
            yield return Place(Everyday, $"{id}-table", "meeting-table-1800", x, 11_000, 90) with
            {
                Depth = 750,
            };
        yield return Place(Everyday, "project-table", "meeting-table-2400", 15_300, 5600);
        yield return Place(Everyday, "storage", "sliding-cupboard-1600", 7300, 12_775);
        yield return new RepeatItems("storage", [$"{Everyday}-storage"], new RepeatFigures(Columns: 3, ColumnGap: 0));
        yield return Place(Everyday, "kitchenette", "kitchenette-1200", 16_800, 310, 180);
        yield return Place(Everyday, "fridge", "fridge-under", 15_900, 290, 180);
        yield return Place(Everyday, "printer", "printer", 17_600, 3400, 270);
        foreach (
            var (id, x, y) in ((string, double, double)[])[("plant-1", 17_400, 8300), ("plant-2", 5300, 3600), ("plant-3", 6000, 12_500)]
        )
            yield return Place(Everyday, id, "plant-600", x, y);
        yield return new PutThing(new Zone("zone-benches", Everyday, level, 9400, 4700, 0, 6200, 7400, "Benches", Workstations: 16))
        {
            Sure = true,
        };
        yield return new PutThing(new Zone("zone-cells", Everyday, level, 3129, 8956, 0, 4000, 7500, "Cells", Workstations: 8))
        {
            Sure = true,
        };
        // The two meeting rooms as one zone that follows their walls; the aisle between the benches; a view for those who fit it out.
        yield return new PutOverRooms(new Zone("zone-meeting", Everyday, level, 0, 0, 0, 1, 1, "Meeting", Seats: 12), ["weir", "penstock"]);
        yield return new PutThing(
            new Walkway("bench-aisle", Everyday, level, 0, 0, 0, 1, 1, "Aisle", 1200, [new(6300, 4700), new(11_700, 4700)])
        )
        {
            Sure = true,
        };
        yield return new PutView(
            new View("for-the-fitter", Everyday, "For the fitter", ["kind/Outdoors"], ["thing/zone", "kind/OnTables", "kind/Equipment"])
        );
        yield return new SetBrief(new Brief("brief-a", Everyday, Workstations: 24, StorageLength: 4800));
        yield return new AddSheet("sheet-studio", Everyday, level);

        // The open house: four circles of twelve, each before its board.
        yield return new PutRepeat(
            new Repeat("circle", OpenHouse, level, 3550, 3500, 0, 12, 1, 0, 0, RepeatForm.Ring, Radius: 1600),
            "stacking-chair"
        );
        yield return Place(OpenHouse, "board", "whiteboard", 3550, 6300);
        yield return new MakeCluster("circle-and-board", [.. Circle(), $"{OpenHouse}-board"], "Circle");
        yield return new RepeatItems(
            "circles",
            [.. Circle(), $"{OpenHouse}-board"],
            new RepeatFigures(Columns: 2, Rows: 2, ColumnPitch: 5700, RowPitch: 6100)
        );
        yield return new PutReady("welcome", OpenHouse, level, new ReadyCluster("registration", 2, 1500), 14_300, 5900);
        yield return Place(OpenHouse, "coffee", "coffee-station", 16_800, 320, 180);
        foreach (
            var (id, x, y) in ((string, double, double)[])[("high-1", 13_200, 1500), ("high-2", 15_000, 2000), ("high-3", 16_900, 2700)]
        )
            yield return Place(OpenHouse, id, "high-table", x, y);
        yield return new PutThing(new Mark("reach", OpenHouse, level, MarkShape.Reach, 15_000, 2000, 0, 2400, 2400, "Standing"))
        {
            Sure = true,
        };
        yield return new PutThing(
            new Mark("way", OpenHouse, level, MarkShape.Leader, 12_300, 7300, 0, 1800, 220, "Circles this way", MarkTint.Moss)
        )
        {
            Sure = true,
        };
        // Over the boards on the far wall, and over the counter where people come in.
        yield return new PutThing(
            new Mark("sign-circles", OpenHouse, level, MarkShape.Sign, 6400, 13_000, 0, 2400, 280, "Circles 1 to 4", Hangs: 2540)
        )
        {
            Sure = true,
        };
        yield return new PutThing(
            new Mark("sign-welcome", OpenHouse, level, MarkShape.Sign, 14_300, 5900, 0, 1800, 360, "Welcome", Hangs: 2400)
        )
        {
            Sure = true,
        };
        yield return new AddSheet("sheet-studio-open", OpenHouse, level);
    }

    /// <summary>The ids a repeat gives: its first keeps its own.</summary>
    private static IEnumerable<string> Bench() => Enumerable.Range(2, 7).Select(i => $"bench-{i}").Prepend($"{Everyday}-desk");

    private static IEnumerable<string> Circle() => Enumerable.Range(1, 12).Select(i => $"circle-{i}");
}
