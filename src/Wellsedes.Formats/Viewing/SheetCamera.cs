using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Pictures;

namespace Wellsedes.Formats.Viewing;

/// <summary>Takes the pictures of a plan's sheets; asked twice for the same plan it takes them once.</summary>
public sealed class SheetCamera(Planner planner, Plan plan, CancellationToken cancel = default) : ISheetPictures
{
    private static readonly ConditionalWeakTable<Plan, ConcurrentDictionary<(Viewpoint, int, int), ImmutableArray<byte>>> Taken = [];

    public ImmutableArray<byte> Take(Viewpoint from, int width, int height) =>
        Taken
            .GetOrCreateValue(plan)
            .GetOrAdd(
                (from, width, height),
                _ =>
                    ImmutableArray.Create(
                        SeenPng.Write(
                            SeenPicture.Of(
                                planner.ModelOf(plan, from.SchemeId, from.Shows, Typefaces.Shared),
                                plan,
                                from,
                                width,
                                height,
                                pictures: PictureReader.Shared,
                                cancel: cancel
                            )
                        )
                    )
            );
}
