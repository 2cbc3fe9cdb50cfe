using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

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
                Of(
                    space,
                    item.Item.Id,
                    item.Name,
                    Kinds[item.Kind.Maker],
                    item.Item.Placement,
                    item.Size.Width,
                    item.Size.Depth,
                    item.Size.Height
                )
            )
            .Concat(
                space
                    .Things.Where(thing => thing.Ware() == "shower")
                    .Select(thing => Of(space, thing.Id, thing.Called(), "shower", thing.Placement, thing.Width, thing.Depth, thing.Top()))
            );

    private static Measured Of(
        LevelSpace space,
        string id,
        string name,
        string kind,
        Placement at,
        double width,
        double depth,
        double high
    ) =>
        Measured.Of(
            RuleMeasures.ThingSize,
            id,
            name,
            space.LevelId,
            [at.Origin],
            ("kind", kind),
            ("use", space.UseAt(at.Origin)),
            ("width_mm", width),
            ("depth_mm", depth),
            ("high_mm", high)
        );
}
