using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>Ready-made clusters, placed and made again when their figures change.</summary>
internal static class ReadyEdits
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<PutReady>(
            "put-ready",
            "Place or change a ready-made cluster",
            "Placed or changed a ready-made cluster",
            (tools, plan, e) => Put(plan, e)
        ),
    ];

    private static EditAnswer Put(Plan plan, PutReady edit)
    {
        if (ReadyClusters.Find(edit.Ready.Kind) is not { } kind)
            return EditAnswer.No("ready", $"There is no ready-made cluster called \"{edit.Ready.Kind}\".");
        if (edit.Ready.Count < kind.Least || edit.Ready.Count > kind.Most)
            return EditAnswer.No(
                "count",
                $"The {Words(kind.CountLabel)} of a {Words(kind.Name)} are from {kind.Least} to {kind.Most}; {edit.Ready.Count} was given."
            );
        if (!(edit.Ready.Distance >= kind.LeastDistance && edit.Ready.Distance <= kind.MostDistance))
            return EditAnswer.No(
                "distance",
                $"“{kind.DistanceLabel}” is from {Told(plan, kind.LeastDistance)} to {Told(plan, kind.MostDistance)}; {Told(plan, edit.Ready.Distance)} was given."
            );
        var before = plan.Find(edit.Id);
        if (before is not (null or Cluster { Ready: not null }))
            return EditAnswer.Taken("id", edit.Id);
        if (before is null && (plan.Find<Scheme>(edit.SchemeId) is null || plan.Find<Level>(edit.LevelId) is null))
            return EditAnswer.No("schemeId", "The scheme or level is no longer there.");
        var cluster = before as Cluster ?? new Cluster(edit.Id, edit.SchemeId, edit.LevelId, kind.Name);
        var tree = new GroupTree(plan, cluster.SchemeId);
        var frame = before is null ? new Placement(edit.X, edit.Y, AngleText.Normal(edit.Rotation)) : tree.FrameOf(cluster);
        if (SizeSense.CheckPlacement(frame) is { } far)
            return EditAnswer.No(far);
        var mirrored = tree.Members(cluster.Id) is [Item { Mirrored: true }, ..];
        var change = new ShellChange(plan);
        change.Put(cluster with { Ready = edit.Ready });
        var was = tree.Members(cluster.Id).OfType<Item>().ToDictionary(item => item.Slot!.Value);
        var taken = ItemEdits.Labels(plan, cluster.SchemeId);
        var parts = ReadyClusters.Parts(kind.Key, edit.Ready.Count, edit.Ready.Distance);
        List<Item> made = [];
        for (var slot = 0; slot < parts.Count; slot++)
        {
            var part = mirrored ? parts[slot] with { X = -parts[slot].X, Rotation = -parts[slot].Rotation } : parts[slot];
            var known = was.GetValueOrDefault(slot);
            made.Add(ItemOf(plan, cluster, slot, part, known, frame, made, taken) with { Mirrored = mirrored });
        }
        foreach (var item in was.Values.Where(item => item.Slot >= parts.Count))
            change.Remove(item.Id);
        change.Put(made);
        return change.Done(before is null ? $"Placed a {Words(kind.Name)}" : $"Made a {Words(kind.Name)} again");
    }

    private static Item ItemOf(
        Plan plan,
        Cluster cluster,
        int slot,
        ReadyPart part,
        Item? known,
        Placement frame,
        List<Item> made,
        HashSet<string> taken
    )
    {
        var kind = plan.CatalogueItem(part.Catalogue)!;
        var at = frame.Then(new Placement(part.X, part.Y, part.Rotation));
        var on = part.On is { } number ? made[number] : null;
        var label =
            known is { Label.Length: > 0 } ? known.Label
            : kind.Counted == "table" ? ItemEdits.NextNumber(taken)
            : "";
        var item = new Item(
            known?.Id ?? FreeId.Of($"{cluster.Id}-{slot + 1}", id => plan.Find(id) is not null),
            cluster.SchemeId,
            cluster.LevelId,
            kind.Key,
            at.X,
            at.Y,
            AngleText.Normal(at.Rotation),
            part.Width,
            part.Depth,
            Seats: part.Seats,
            Label: label,
            Elevation: on is null ? 0 : on.Elevation + ItemForms.SizeOf(on, plan.CatalogueItem(on.Catalogue)!).Height,
            StandsOn: on?.Id,
            Parent: cluster.Id,
            Slot: slot
        );
        return ItemEdits.Fitted(item, kind);
    }

    private static string Told(Plan plan, double length) => LengthText.Tell(length, plan.Details.Units);

    private static string Words(string name) => name.ToLowerInvariant();
}
