using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>A way that somebody drew: its floor is to stay free.</summary>
public sealed record KeptWay(string Id, string Name, Strip Strip)
{
    /// <summary>The ways that are drawn for a scheme on a level.</summary>
    public static IEnumerable<KeptWay> Of(Plan plan, string schemeId, string levelId) => Of(plan.ThingsOn(schemeId, levelId));

    public static IEnumerable<KeptWay> Of(IEnumerable<Thing> things) => things.Select(thing => thing.Keeps()).OfType<KeptWay>();
}
