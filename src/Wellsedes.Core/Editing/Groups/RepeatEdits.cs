using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>Repeats: the parent holds the recipe, the members follow it.</summary>
internal sealed class RepeatEdits(ItemForms forms, Func<Plan, string, LevelSpace> spaces)
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<PutRepeat>(
            "put-repeat",
            "Place or change a repeat",
            "Placed or changed a repeat",
            (tools, plan, e) => tools.Repeats.Put(plan, e)
        ),
        EditKind.Of<RepeatItems>("repeat-items", "Repeat items", "Repeated items", (tools, plan, e) => tools.Repeats.Make(plan, e)),
        EditKind.Of<SetRepeat>(
            "set-repeat",
            "Change the figures of a repeat",
            "Changed the figures of a repeat",
            (tools, plan, e) => tools.Repeats.Set(plan, e)
        ),
        EditKind.Of<PullRepeat>(
            "pull-repeat",
            "Pull a repeat longer or shorter",
            "Pulled a repeat longer or shorter",
            (tools, plan, e) => tools.Repeats.Change(plan, e.Id, (repeat, _) => Pulled(repeat, e.To))
        ),
        EditKind.Of<MakeAlike>(
            "make-alike",
            "Make the members of a repeat alike",
            "Made the members of a repeat alike",
            (tools, plan, e) => tools.Repeats.Alike(plan, e)
        ),
    ];

    private EditAnswer Set(Plan plan, SetRepeat edit) =>
        Change(plan, edit.Id, (repeat, member) => RepeatRecipe.With(repeat, edit.Figures, member, plan, spaces(plan, repeat.LevelId)));

    private EditAnswer Put(Plan plan, PutRepeat edit)
    {
        var repeat = edit.Repeat with { Rotation = AngleText.Normal(edit.Repeat.Rotation) };
        if (PlanChecks.OfEntity(plan, repeat) is { } problem)
            return EditAnswer.No(problem);
        var before = plan.Find(repeat.Id);
        if (before is Repeat was && (was.SchemeId != repeat.SchemeId || was.LevelId != repeat.LevelId))
            return EditAnswer.No("id", "A repeat stays in its scheme and on its level.");
        var change = new ShellChange(plan);
        if (before is null)
        {
            if (plan.CatalogueItem(edit.Catalogue) is not { } kind)
                return EditAnswer.No("catalogue", $"The catalogue has no item \"{edit.Catalogue}\".");
            var at = repeat.Standing(0) ?? repeat.Regular(0);
            var first = new Item(
                FreeId.Of($"{repeat.Id}-1", id => plan.Find(id) is not null),
                repeat.SchemeId,
                repeat.LevelId,
                kind.Key,
                at.X,
                at.Y,
                AngleText.Normal(at.Rotation),
                Label: kind.Counted == "table" ? ItemEdits.NextNumber(ItemEdits.Labels(plan, repeat.SchemeId)) : "",
                Parent: repeat.Id,
                Slot: 0
            );
            return Lay(plan, change, repeat, first) ?? change.Done(Words("Repeated", repeat));
        }
        return Lay(plan, change, repeat, null) ?? change.Done("Changed a repeat");
    }

    private EditAnswer Make(Plan plan, RepeatItems edit)
    {
        if (plan.Find(edit.Id) is not null)
            return EditAnswer.Taken("id", edit.Id);
        var change = new ShellChange(plan);
        if (GroupEdits.AsOne(plan, change, edit.Ids, $"{edit.Id}-of") is var (member, tree, wrong) && wrong is not null)
            return wrong.Value;
        if (tree!.Below(member!).Max(tree.Depth) >= Cluster.Deepest)
            return EditAnswer.No("ids", $"Clusters and repeats are nested at most {Cluster.Deepest} deep.");
        var frame = tree.FrameOf(member!);
        var measure = MemberMeasure.Of(plan, forms, tree, member!);
        var start = new Repeat(edit.Id, member!.SchemeId, member.LevelId, frame.X, frame.Y, frame.Rotation, 2, 1, 0, 0);
        var form = edit.Figures.Form ?? RepeatForm.Rows;
        if (form == RepeatForm.Path && !edit.Figures.HasPath)
            return EditAnswer.No("path", "A path has at least two points; none was given.");
        var asked = edit.Figures with
        {
            Columns =
                edit.Figures.Columns
                ?? (
                    edit.Figures.CountsOut ? null
                    : form == RepeatForm.Ring ? 6
                    : 2
                ),
        };
        var (made, problem) = RepeatRecipe.With(start, asked, measure, plan, spaces(plan, member.LevelId));
        if (problem is not null)
            return EditAnswer.No(problem);
        var repeat = form == RepeatForm.Ring ? Around(made!, frame) : made!;
        return Lay(plan, change, repeat, member) ?? change.Done(Words("Repeated", repeat));
    }

    /// <summary>A ring whose first member is the one that was there: the middle lies before it, behind it, or as the ring is turned.</summary>
    private static Repeat Around(Repeat ring, Placement first)
    {
        // As slot 0 is seen from the ring's middle, so is the middle from where the first stands.
        var own = (ring with { X = 0, Y = 0, Rotation = 0 }).Regular(0);
        if (ring.Facing == RingFacing.Alike)
        {
            var beside = first.Origin - new Placement(0, 0, first.Rotation).Turned(own.Origin);
            return ring with { X = beside.X, Y = beside.Y, Rotation = first.Rotation };
        }
        // Its axes are the plan's, whichever way the first looks: rows of rings go across.
        var start = AngleText.Normal(first.Rotation - own.Rotation);
        var middle = first.Origin - Point.At(start) * own.Origin.Length;
        return ring with { X = middle.X, Y = middle.Y, Rotation = 0, Start = start };
    }

    private EditAnswer Change(Plan plan, string id, Func<Repeat, RepeatMeasure, (Repeat?, Problem?)> with)
    {
        if (plan.Find<Repeat>(id) is not { } repeat)
            return EditAnswer.No("id", "The repeat is no longer there.");
        var tree = new GroupTree(plan, repeat.SchemeId);
        if (tree.Members(id) is not [var first, ..])
            return EditAnswer.No("id", "The repeat has no members.");
        var (made, problem) = with(repeat, MemberMeasure.Of(plan, forms, tree, first));
        if (problem is not null)
            return EditAnswer.No(problem);
        // Another number in a row is another slot for the same place: what was singled out stays where it was seen.
        var changed = made! with
        {
            Singles = [.. Renumbered(repeat, made!)],
        };
        var change = new ShellChange(plan);
        return Lay(plan, change, changed, null) ?? change.Done(Words("Changed a repeat:", changed));
    }

    private static IEnumerable<SingledOut> Renumbered(Repeat was, Repeat now) =>
        now.Singles.SelectMany(single =>
            Reseated(single.Slot, was, now) is { } slot ? [single with { Slot = slot }] : Array.Empty<SingledOut>()
        );

    private static (Repeat?, Problem?) Pulled(Repeat repeat, Point to)
    {
        if (SizeSense.CheckPlacement(new Placement(to.X, to.Y, 0)) is { } far)
            return (null, far);
        var own = repeat.Placement.In(to);
        if (repeat.Form == RepeatForm.Ring)
        {
            var radius = Math.Round(own.Length, 3) - (repeat.Rows - 1) * repeat.RowSpacing;
            return radius >= 1
                ? (repeat with { Radius = radius }, null)
                : (null, new Problem("radius", "The ring would have no room in it; draw it farther out."));
        }
        if (repeat.Form == RepeatForm.Path)
            return repeat.Columns < 2
                ? (repeat, null)
                : (
                    repeat with
                    {
                        ColumnSpacing = Math.Max(1, Math.Round(Math.Min(repeat.PathLength, RunTo(repeat, own)) / (repeat.Columns - 1), 3)),
                    },
                    null
                );
        var last = (repeat with { X = 0, Y = 0, Rotation = 0 }).Regular(repeat.Count - 1);
        var columns = repeat.Columns > 1 ? Scaled(repeat.ColumnSpacing, own.X, last.X) : repeat.ColumnSpacing;
        var rows = repeat.RowSpacing;
        if (repeat.Rows > 1)
            rows = repeat.BackToBack is { } back
                ? repeat.Rows > 2
                    ? Math.Round((own.Y - (repeat.Rows % 2 == 0 ? back : 0)) / ((repeat.Rows - 1) / 2), 3)
                    : rows
                : Math.Round(own.Y / (repeat.Rows - 1), 3);
        return Math.Abs(columns) < 1 || (repeat.Rows > 1 && Math.Abs(rows) < 1)
            ? (null, new Problem("columnPitch", "All would stand in one place; draw the last one farther."))
            : (repeat with { ColumnSpacing = columns, RowSpacing = rows }, null);

        static double Scaled(double spacing, double to, double from) => from == 0 ? spacing : Math.Round(spacing * to / from, 3);
    }

    /// <summary>How far along the path the nearest point to a place lies.</summary>
    private static double RunTo(Repeat repeat, Point own)
    {
        var (best, run, at) = (double.PositiveInfinity, 0.0, 0.0);
        for (var i = 1; i < repeat.Path.Length; i++)
        {
            var (from, to) = (repeat.Path[i - 1], repeat.Path[i]);
            var length = from.DistanceTo(to);
            var along = Math.Clamp((own - from).Dot((to - from).Unit()), 0, length);
            var off = (from + (to - from).Unit() * along).DistanceTo(own);
            if (off < best)
                (best, at) = (off, run + along);
            run += length;
        }
        return at;
    }

    private EditAnswer Alike(Plan plan, MakeAlike edit)
    {
        if (plan.Find<Repeat>(edit.Id) is not { } repeat)
            return EditAnswer.No("id", "The repeat is no longer there.");
        var tree = new GroupTree(plan, repeat.SchemeId);
        if (tree.Member(edit.Id, edit.Slot) is not { } model)
            return EditAnswer.No("slot", "No member is in this slot.");
        var change = new ShellChange(plan);
        var taken = ItemEdits.Labels(plan, repeat.SchemeId);
        foreach (var member in tree.Members(repeat.Id).Where(member => member != model))
        {
            var labels = tree.Items(member).Select(item => item.Label).ToArray();
            foreach (var gone in tree.Below(member))
                change.Remove(gone.Id);
            foreach (var label in labels)
                taken.Remove(label);
            // Identity and numbers are kept: the first of it keeps its id.
            var copies = new MemberCopies(plan, tree, id => id != member.Id && Taken(plan, change, id), taken);
            change.Put(copies.Of(model, member.Id, repeat.Id, member.Slot, tree.FrameOf(model), tree.FrameOf(member)));
        }
        return change.Done("Made the members of a repeat alike");
    }

    /// <summary>Writes a repeat and all its members; what is wrong with that, or null.</summary>
    /// <param name="first">What becomes the member of slot 0; null where the repeat has its members.</param>
    private static EditAnswer? Lay(Plan plan, ShellChange change, Repeat asked, IMember? first)
    {
        if (PlanChecks.OfEntity(plan, asked) is { } problem)
            return EditAnswer.No(problem);
        var tree = GroupEdits.TreeWith(plan, change, first as Entity, asked.SchemeId);
        var repeat = asked;
        var members = tree.Members(repeat.Id).ToDictionary(member => member.Slot!.Value);
        if (first is not null)
            members[0] = first;
        if (members.Count == 0)
            return EditAnswer.No("id", "The repeat has no members.");
        if (plan.Find<Repeat>(repeat.Id) is { } old)
        {
            Dictionary<int, IMember> seated = [];
            foreach (var (slot, member) in members)
                if (Reseated(slot, old, repeat) is { } place)
                    seated[place] = member;
                else
                    Remove(change, tree, member);
            if (seated.Count == 0)
                return EditAnswer.No("columns", "None of its members would be left.");
            members = seated;
        }
        var model = members.MinBy(pair => (repeat.SingleOf(pair.Key) is null ? 0 : 1, pair.Key)).Value;
        var (from, taken) = (tree.FrameOf(model), ItemEdits.Labels(plan, repeat.SchemeId));
        var copies = new MemberCopies(plan, tree, id => Taken(plan, change, id), taken);
        List<SingledOut> kept = [];
        for (var slot = 0; slot < repeat.Count; slot++)
        {
            var has = members.TryGetValue(slot, out var member);
            if (repeat.Standing(slot) is not { } place)
            {
                if (has)
                    Remove(change, tree, member!);
                continue;
            }
            place = place with { Rotation = AngleText.Normal(place.Rotation) };
            if (!has)
            {
                change.Put(copies.Of(model, $"{repeat.Id}-{slot + 1}", repeat.Id, slot, from, place));
                continue;
            }
            var stands = tree.FrameOf(member!);
            if (tree.Items(member!).Any(item => item.Locked))
            {
                // What is locked keeps its place.
                var apart = repeat.Regular(slot).Seen(stands);
                kept.Add(new SingledOut(slot, false, apart.X, apart.Y, AngleText.Normal(apart.Rotation)));
                place = stands;
            }
            foreach (var below in tree.Below(member!))
            {
                var moved = MemberMoves.IsSame(stands, place) ? (Entity)below : MemberMoves.Carried(below, stands, place);
                change.Put(below == member ? MemberMoves.Belonging((IMember)moved, repeat.Id, slot) : moved);
            }
        }
        if (kept.Count > 0)
        {
            var locked = kept.Select(single => single.Slot).ToHashSet();
            repeat = repeat with
            {
                Singles =
                [
                    .. repeat
                        .Singles.Where(single => !locked.Contains(single.Slot))
                        .Concat(kept.Where(single => !MemberMoves.IsSame(single.Apart, default)))
                        .OrderBy(single => single.Slot),
                ],
            };
        }
        change.Put(repeat);
        return null;
    }

    /// <summary>The slot of the same row and place in it when a row has another length; null where there is none such.</summary>
    private static int? Reseated(int slot, Repeat was, Repeat now)
    {
        var (row, column) = Math.DivRem(slot, was.Columns);
        return column < now.Columns && row < now.Rows ? row * now.Columns + column : null;
    }

    private static void Remove(ShellChange change, GroupTree tree, IMember member)
    {
        foreach (var below in tree.Below(member))
            change.Remove(below.Id);
    }

    private static string Words(string verb, Repeat repeat) =>
        repeat.Form == RepeatForm.Rows && repeat.Rows > 1 ? $"{verb} {repeat.Columns} by {repeat.Rows}" : $"{verb} {repeat.Count} times";

    private static bool Taken(Plan plan, ShellChange change, string id) => plan.Find(id) is not null || change.Has(id);
}
