using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Measures;

/// <summary>Desks, showers and places for wheelchair users by their own size.</summary>
public static class ThingSizes
{
    private static readonly Dictionary<string, string> Kinds = new()
    {
        ["desk"] = "desk",
        ["shower"] = "shower",
        ["wheelchair-space"] = "wheelchair space",
    };

    public static IEnumerable<Measured> Measure(LevelSpace space, IEnumerable<PlacedItem> items) =>
        items
            .Where(item => Kinds.ContainsKey(item.Kind.Maker) && item.Bottom <= Tolerance.Length)
            .Select(item =>
                Measured.Of(
                    RuleMeasures.ThingSize,
                    item.Item.Id,
                    item.Name,
                    space.LevelId,
                    [item.Item.Placement.Origin],
                    ("kind", Kinds[item.Kind.Maker]),
                    ("use", space.RoomAt(item.Item.Placement.Origin)?.Room.Use ?? ""),
                    ("width_mm", item.Size.Width),
                    ("depth_mm", item.Size.Depth),
                    ("high_mm", item.Size.Height)
                )
            );
}
