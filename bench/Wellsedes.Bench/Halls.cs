using Wellsedes.Core.Catalogue;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Bench;

/// <summary>Plans made for measuring: a hall with rows of round tables of ten.</summary>
internal static class Halls
{
    public static Plan Banquet(int tables)
    {
        var across = (int)Math.Ceiling(Math.Sqrt(tables * 1.25));
        var rows = (tables + across - 1) / across;
        const double pitch = 3300;
        double width = across * pitch + 2400,
            depth = rows * pitch + 2400;
        List<Entity> all = [.. PlanStart.Entities($"Banquet {tables}", UnitSystem.Metric)];
        all.AddRange([
            .. Walls(width, depth),
            new Room("hall", PlanStart.LevelId, "Hall", "", "", width / 2, 300, 4000),
            Door("entrance", "hall-south", width / 2, OpeningMark.EntranceAndExit),
            Door("exit", "hall-north", width / 2, OpeningMark.Exit),
        ]);
        for (var i = 0; i < tables; i++)
            all.Add(
                new Item(
                    $"table-{i}",
                    PlanStart.SchemeId,
                    PlanStart.LevelId,
                    "round-table-1830",
                    2850 + i % across * pitch,
                    2850 + i / across * pitch,
                    i * 7 % 36,
                    Label: $"{i + 1}"
                )
            );
        return Plan.Of(all, Shipped.Library);
    }

    /// <summary>Loose chairs in rows, for many items rather than many seats at tables.</summary>
    public static Plan Rows(int chairs)
    {
        var across = (int)Math.Ceiling(Math.Sqrt(chairs * 1.8));
        var plan = Banquet(1);
        var width = across * 600 + 4000.0;
        var depth = (chairs / across + 1) * 1000 + 4000.0;
        List<Entity> all = [.. plan.Entities.Values.Where(e => e is not Item and not Wall and not Opening and not Room)];
        all.AddRange([
            .. Walls(width, depth),
            new Room("hall", PlanStart.LevelId, "Hall", "", "", width / 2, 300, 4000),
            Door("entrance", "hall-south", width / 2, OpeningMark.EntranceAndExit),
        ]);
        for (var i = 0; i < chairs; i++)
            all.Add(
                new Item(
                    $"chair-{i}",
                    PlanStart.SchemeId,
                    PlanStart.LevelId,
                    "banquet-chair",
                    2000 + i % across * 600,
                    2000 + i / across * 1000,
                    0
                )
            );
        return Plan.Of(all, Shipped.Library);
    }

    /// <summary>Things of every kind of the catalogue that is no larger than 2.6 m, 3.4 m apart, every fiftieth a rug with its own picture.</summary>
    public static Plan Mixed(int count)
    {
        const double apart = 3400;
        var across = (int)Math.Ceiling(Math.Sqrt(count * 1.6));
        var (width, depth) = (across * apart + 4000, (count / across + 1) * apart + 4000);
        var rug = Formats.PlanFile.OwnItemFile.Read(File.ReadAllBytes("demo/own-items/heath-rug.json")).Single();
        var kinds = CatalogueList
            .Shipped.Items.Where(item => Math.Max(item.Size.Width, item.Size.Depth) < 2600 && item.Kind != CatalogueKind.Figures)
            .ToArray();
        List<Entity> all = [.. PlanStart.Entities($"Mixed {count}", UnitSystem.Metric), new OwnItem(rug.Key, rug)];
        all.AddRange([
            .. Walls(width, depth),
            new Room("hall", PlanStart.LevelId, "Hall", "", "", width / 2, 300, 4000),
            Door("entrance", "hall-south", width / 2, OpeningMark.EntranceAndExit),
        ]);
        for (var i = 0; i < count; i++)
        {
            var kind = i % 50 == 0 ? rug : kinds[i % kinds.Length];
            var item = new Item(
                $"item-{i}",
                PlanStart.SchemeId,
                PlanStart.LevelId,
                kind.Key,
                3000 + i % across * apart,
                3000 + i / across * apart,
                i * 15 % 360,
                Label: kind.Counted == "table" ? $"{i}" : "",
                Elevation: kind.UsualPlace == UsualPlace.OnWall ? kind.Elevation : 0
            );
            all.Add(item);
        }
        return Plan.Of(all, Shipped.Library);
    }

    /// <summary>An office: desks with chairs, two back to back, in rows with ways between.</summary>
    public static Plan Office(int desks)
    {
        var across = (int)Math.Ceiling(Math.Sqrt(desks * 2.2));
        var width = across * 1700 + 4000.0;
        var depth = (desks / across / 2 + 1) * 4600 + 4000.0;
        List<Entity> all = [.. PlanStart.Entities($"Office {desks}", UnitSystem.Metric)];
        all.AddRange([
            .. Walls(width, depth),
            new Room("office", PlanStart.LevelId, "Office", "", "", width / 2, 300, 3000),
            Door("entrance", "hall-south", width / 2, OpeningMark.EntranceAndExit),
            Door("exit", "hall-north", width / 2, OpeningMark.Exit),
        ]);
        for (var i = 0; i < desks; i++)
        {
            var (row, turned) = (i / across / 2, i / across % 2 == 1);
            all.Add(
                new Item(
                    $"desk-{i}",
                    PlanStart.SchemeId,
                    PlanStart.LevelId,
                    "desk-1600",
                    2500 + i % across * 1700,
                    3000 + row * 4600 + (turned ? 800 : 0),
                    turned ? 180 : 0
                )
            );
        }
        return Plan.Of(all, Shipped.Library);
    }

    private static IEnumerable<Wall> Walls(double width, double depth)
    {
        Wall Side(string name, double x1, double y1, double x2, double y2) =>
            new($"hall-{name}", PlanStart.LevelId, new(x1, y1), new(x2, y2), 300, 4000, "Masonry");
        yield return Side("south", -150, -150, width + 150, -150);
        yield return Side("east", width + 150, -150, width + 150, depth + 150);
        yield return Side("north", width + 150, depth + 150, -150, depth + 150);
        yield return Side("west", -150, depth + 150, -150, -150);
    }

    private static Opening Door(string id, string wall, double along, OpeningMark mark) =>
        new(id, wall, OpeningKind.DoubleDoor, along, 1900, 1800, 2100, 0, mark, false, true, id);
}
