using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>Clusters put together and taken apart, and mirroring.</summary>
internal sealed class GroupEdits(ItemForms forms)
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<MakeCluster>("make-cluster", "Make a cluster", "Made a cluster", (tools, plan, e) => Make(plan, e)),
        EditKind.Of<NameCluster>("name-cluster", "Name a cluster", "Named a cluster", (tools, plan, e) => Name(plan, e)),
        EditKind.Of<Release>(
            "release",
            "Ungroup a cluster or repeat",
            "Ungrouped a cluster or repeat",
            (tools, plan, e) => Released(plan, e)
        ),
        EditKind.Of<MirrorItems>("mirror-items", "Mirror items", "Mirrored items", (tools, plan, e) => tools.Groups.Mirrored(plan, e)),
    ];

    private static EditAnswer Make(Plan plan, MakeCluster edit)
    {
        if (plan.Find(edit.Id) is not null)
            return EditAnswer.Taken("id", edit.Id);
        if (Editor.CheckText("name", edit.Name, 0, 40) is { } problem)
            return EditAnswer.No(problem);
        var change = new ShellChange(plan);
        var whole = Whole(plan, edit.Ids, out var tree, out var wrong);
        if (wrong is { } no)
            return no;
        if (whole.Count < 2)
            return EditAnswer.No("ids", "A cluster has at least 2 members; select more.");
        if (whole.Count > Cluster.Most)
            return EditAnswer.No("ids", $"A cluster has at most {Cluster.Most} members; {whole.Count} are selected.");
        if (whole.SelectMany(tree!.Below).Max(tree.Depth) >= Cluster.Deepest - 1)
            return EditAnswer.No("ids", $"Clusters and repeats are nested at most {Cluster.Deepest} deep.");
        Gather(change, edit.Id, edit.Name.Trim(), Led(plan, tree, whole));
        return change.Done($"Made a cluster of {whole.Count}");
    }

    private static void Gather(ShellChange change, string id, string name, IReadOnlyList<IMember> members)
    {
        change.Put(new Cluster(id, members[0].SchemeId, members[0].LevelId, name));
        for (var slot = 0; slot < members.Count; slot++)
            change.Put(MemberMoves.Belonging(members[slot], id, slot));
    }

    /// <summary>The largest leads: the table of a table with chairs, the bed of a bed with its sides.</summary>
    private static List<IMember> Led(Plan plan, GroupTree tree, List<IMember> whole)
    {
        double Floor(IMember member) =>
            tree.Items(member)
                .Sum(item =>
                    plan.CatalogueItem(item.Catalogue) is { } kind && ItemForms.SizeOf(item, kind) is var size && size.Height > 100
                        ? size.Width * size.Depth
                        : 0
                );
        var leads = whole.MaxBy(Floor)!;
        return [leads, .. whole.Where(member => member != leads)];
    }

    private static List<IMember> Whole(Plan plan, ImmutableArray<string> ids, out GroupTree? tree, out EditAnswer? wrong)
    {
        (tree, wrong) = (null, null);
        if (ids.IsEmpty || plan.Find(ids[0]) is not IMember first)
        {
            wrong = EditAnswer.No("ids", "What was selected is no longer there.");
            return [];
        }
        tree = new GroupTree(plan, first.SchemeId);
        var (whole, part) = tree.Whole(ids);
        if (part is not null)
            wrong = EditAnswer.No("ids", part);
        else if (whole.Any(member => member.LevelId != first.LevelId || member.SchemeId != first.SchemeId))
            wrong = EditAnswer.No("ids", "They stand on several levels; select some of one.");
        return whole;
    }

    /// <summary>What is selected as one member: itself where it is one thing, else a new cluster of it.</summary>
    public static (IMember? Member, GroupTree? Tree, EditAnswer? Wrong) AsOne(
        Plan plan,
        ShellChange change,
        ImmutableArray<string> ids,
        string id
    )
    {
        var whole = Whole(plan, ids, out var tree, out var wrong);
        if (wrong is not null)
            return (null, null, wrong);
        if (whole.Count == 1)
            return (whole[0], tree, null);
        if (whole.Count > Cluster.Most)
            return (null, null, EditAnswer.No("ids", $"A cluster has at most {Cluster.Most} members; {whole.Count} are selected."));
        if (plan.Find(id) is not null)
            return (null, null, EditAnswer.Taken("id", id));
        Gather(change, id, "", Led(plan, tree!, whole));
        var made = TreeWith(plan, change, null, whole[0].SchemeId);
        return (change.Now<Cluster>(id), made, null);
    }

    /// <summary>The members as they are with what a change has made so far.</summary>
    public static GroupTree TreeWith(Plan plan, ShellChange change, Entity? more, string schemeId)
    {
        var entities = change.Changes().ToList();
        if (more is not null && entities.TrueForAll(entity => entity.Id != more.Id) && plan.Find(more.Id) is null)
            entities.Add(new EntityChange(null, more));
        return plan.TryApply(new Change("", [.. entities]), out var with, out _)
            ? new GroupTree(with, schemeId)
            : throw new InvalidOperationException("A change does not fit the plan it is made for.");
    }

    private static EditAnswer Name(Plan plan, NameCluster edit)
    {
        if (plan.Find<Cluster>(edit.Id) is not { } cluster)
            return EditAnswer.No("id", "The cluster is no longer there.");
        return Editor.CheckText("name", edit.Name, 0, 40) is { } problem
            ? EditAnswer.No(problem)
            : Editor.Swap("Named a cluster", cluster, cluster with { Name = edit.Name.Trim() });
    }

    private static EditAnswer Released(Plan plan, Release edit)
    {
        var change = new ShellChange(plan);
        if (edit.Ids.IsEmpty)
            return EditAnswer.No("ids", "Nothing was chosen to release.");
        var word = "";
        foreach (var id in edit.Ids)
        {
            if (plan.Find(id) is not (IMember group and (Cluster or Repeat)))
                return EditAnswer.No("ids", "Something to release is no longer there.");
            var tree = new GroupTree(plan, group.SchemeId);
            if (tree.ParentOf(group) is Repeat)
                return EditAnswer.No("ids", "It is a member of a repeat; release that first.");
            word = EntityWords.Noun((Entity)group);
            change.Remove(id);
            // Of a cluster within a cluster what it held belongs to the outer one.
            var slot = group.Parent is { } outer ? tree.Members(outer).Max(member => member.Slot!.Value) + 1 : 0;
            foreach (var member in tree.Members(id))
                change.Put(
                    group.Parent is { } parent
                        ? MemberMoves.Belonging(member, parent, member == tree.Members(id)[0] ? group.Slot : slot++)
                        : MemberMoves.Belonging(member, null, null)
                );
        }
        return change.Done(edit.Ids.Length == 1 ? $"Ungrouped {word}" : $"Ungrouped {edit.Ids.Length} groups");
    }

    private EditAnswer Mirrored(Plan plan, MirrorItems edit)
    {
        if (edit.Mirror == Mirror.None)
            return EditAnswer.No("mirror", "Say which way to mirror.");
        var items = edit.Ids.Select(plan.Find<Item>).OfType<Item>().ToArray();
        if (items.Length == 0 || items.Length != edit.Ids.Length)
            return EditAnswer.No("ids", "What was to be mirrored is no longer there.");
        var checks = plan.OfScheme<Checks>(items[0].SchemeId).First();
        var about = items
            .Select(item => forms.Place(plan, item, checks))
            .OfType<PlacedItem>()
            .Aggregate(Bounds.Empty, (box, placed) => placed.Solids.Aggregate(box, (all, solid) => all.Including(solid.Bounds)))
            .Centre;
        var all = ItemEdits.WithWhatStandsOnThem(plan, edit.Ids);
        var change = new ShellChange(plan);
        foreach (var item in all.Select(plan.Find<Item>).OfType<Item>())
        {
            var at = Seen(item.Placement, about, edit.Mirror);
            if (SizeSense.CheckPlacement(at) is { } far)
                return EditAnswer.No(far);
            change.Put(item with { X = at.X, Y = at.Y, Rotation = at.Rotation, Mirrored = !item.Mirrored });
        }
        // A repeat all of whose members are mirrored is mirrored itself; one of some members remembers them.
        foreach (var repeat in new GroupTree(plan, items[0].SchemeId).WholeAmong(all).OfType<Repeat>())
            change.Put(MirroredRecipe(repeat, about, edit.Mirror));
        return change.Done($"Mirrored {(items.Length == 1 ? EntityWords.Noun(items[0]) : $"{items.Length} items")}");
    }

    /// <summary>Where a thing stands seen in a mirror that stands through a point; the thing itself is mirrored along its own y axis.</summary>
    private static Placement Seen(Placement at, Point about, Mirror mirror) =>
        mirror == Mirror.LeftRight
            ? new Placement(2 * about.X - at.X, at.Y, AngleText.Normal(-at.Rotation))
            : new Placement(at.X, 2 * about.Y - at.Y, AngleText.Normal(180 - at.Rotation));

    private static Repeat MirroredRecipe(Repeat repeat, Point about, Mirror mirror)
    {
        var at = Seen(repeat.Placement, about, mirror);
        // Its own x axis points the other way: columns run backwards, rings the other way round.
        var own = repeat with
        {
            X = at.X,
            Y = at.Y,
            Rotation = at.Rotation,
        };
        return own with
        {
            ColumnSpacing = repeat.Form == RepeatForm.Rows ? -repeat.ColumnSpacing : repeat.ColumnSpacing,
            Start = AngleText.Normal(180 - repeat.Start),
            Sweep = -repeat.Sweep,
            Facing =
                repeat.Form != RepeatForm.Path ? repeat.Facing
                : repeat.Facing == RingFacing.Out ? RingFacing.In
                : RingFacing.Out,
            Path = [.. repeat.Path.Select(corner => new Point(-corner.X, corner.Y))],
            Singles = [.. repeat.Singles.Select(single => single with { X = -single.X, Rotation = AngleText.Normal(-single.Rotation) })],
        };
    }
}
