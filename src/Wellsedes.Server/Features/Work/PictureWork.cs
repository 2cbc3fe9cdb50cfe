using System.Globalization;
using System.IO.Compression;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Formats.Pictures;
using Wellsedes.Formats.Viewing;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Features.Work;

/// <summary>A picture in space, as large as somebody wants it.</summary>
public sealed class PictureWork : IWorkKind
{
    public string Name => "picture";

    public WorkFile Run(PublishedPlan plan, WorkOrder order, string project, Action<double> progress, CancellationToken cancel)
    {
        var wanted = PictureTaking.Wanted(order);
        var from = wanted.From ?? throw new WorkRefusedException("Say from where the picture is to be taken.");
        var scheme = plan.SchemeOf(order.SchemeId);
        if (plan.WrongLook(from) is { } wrong)
            throw new WorkRefusedException(wrong);
        var png = PictureTaking.Take(plan, scheme, from, wanted, progress, cancel);
        return new WorkFile(png, "image/png", FileNames.Of($"{plan.Plan.Details.Title} {from.Name}", "png"))
        {
            Taken = new TakenPicture(scheme, from.Name, plan.Revision, wanted.Width, wanted.Height),
        };
    }
}

/// <summary>A picture from each viewpoint of a scheme, in one archive (ZIP, ISO/IEC 21320-1).</summary>
public sealed class PictureSet : IWorkKind
{
    public string Name => "picture-set";

    public WorkFile Run(PublishedPlan plan, WorkOrder order, string project, Action<double> progress, CancellationToken cancel)
    {
        var wanted = PictureTaking.Wanted(order);
        var scheme = plan.SchemeOf(order.SchemeId);
        Viewpoint[] all =
        [
            .. plan
                .Plan.OfScheme<Viewpoint>(scheme)
                .OrderBy(one => one.Name, StringComparer.OrdinalIgnoreCase)
                .ThenBy(one => one.Id, StringComparer.Ordinal),
        ];
        if (all.Length == 0)
            throw new WorkRefusedException("This scheme has no viewpoints yet; keep one first.");
        using var stream = new MemoryStream();
        using (var archive = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
            for (var i = 0; i < all.Length; i++)
            {
                var done = i;
                var png = PictureTaking.Take(plan, scheme, all[i], wanted, one => progress((done + one) / all.Length), cancel);
                var name = FileNames.Of(string.Create(CultureInfo.InvariantCulture, $"{i + 1:00} {all[i].Name}"), "png");
                using var entry = archive.CreateEntry(name, CompressionLevel.NoCompression).Open();
                entry.Write(png);
            }
        return new WorkFile(stream.ToArray(), "application/zip", FileNames.Of($"{plan.Plan.Details.Title} pictures", "zip"));
    }
}

internal static class PictureTaking
{
    public static PictureOrder Wanted(WorkOrder order)
    {
        var wanted = order.Picture ?? throw new WorkRefusedException("Say how large the picture is to be.");
        return SeenPicture.Wrong(wanted.Width, wanted.Height) is { } wrong ? throw new WorkRefusedException(wrong.Message) : wanted;
    }

    public static byte[] Take(
        PublishedPlan plan,
        string schemeId,
        Viewpoint from,
        PictureOrder wanted,
        Action<double> progress,
        CancellationToken cancel
    )
    {
        var picture = SeenPicture.Of(
            plan.Model(schemeId, from.Shows),
            plan.Plan,
            from,
            wanted.Width,
            wanted.Height,
            progress,
            PictureReader.Shared,
            cancel
        );
        var scheme = plan.Plan.Find<Scheme>(schemeId)?.Name ?? "";
        var title = wanted.Titled ? $"{plan.Plan.Details.Title} · {scheme} · {from.Name}" : "";
        return SeenPng.Write(picture, title, string.Create(CultureInfo.InvariantCulture, $"Revision {plan.Revision}"));
    }
}
