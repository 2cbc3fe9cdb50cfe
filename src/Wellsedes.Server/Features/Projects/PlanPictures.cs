using System.Collections.Concurrent;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Png;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Projects;

/// <summary>Small pictures of plans for the list of projects, kept for the revision they show.</summary>
public sealed class PlanPictures(PlanStore store, WorkLimit limit)
{
    // In mm and pixels a mm: 320 x 180 pixels.
    private const double Width = 80;
    private const double Height = 45;
    private const double Fineness = 4;
    private const int MostKept = 500;

    private sealed record Kept(long Revision, byte[] Png);

    private readonly ConcurrentDictionary<Guid, Kept> kept = new();

    /// <summary>A PNG of a plan at a revision or a later one; null when there is no such plan.</summary>
    public async Task<byte[]?> OfAsync(Guid planId, long revision, CancellationToken cancel)
    {
        if (kept.TryGetValue(planId, out var known) && known.Revision >= revision)
            return known.Png;
        // Read by itself: looking at a list opens no plan.
        if (await store.LoadAsync(planId, cancel) is not { } stored)
            return null;
        var png = await limit.AskAsync(() => Draw(stored), cancel);
        if (kept.Count >= MostKept)
            kept.Clear();
        kept[planId] = new Kept(stored.Revision, png);
        return png;
    }

    /// <summary>A plan with a fault is listed with an empty picture.</summary>
    private static byte[] Draw(StoredPlan stored)
    {
        var empty = new Drawing(Width, Height, "", default, []);
        if (stored.Broken is not null || PlanChecks.OfWhole(stored.Plan) is not null)
            return PngWriter.Write(empty, Fineness);
        try
        {
            return PngWriter.Write(SmallPicture.Of(Typefaces.Shared, new Planner().PictureOf(stored.Plan), Width, Height), Fineness);
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            return PngWriter.Write(empty, Fineness);
        }
    }
}
