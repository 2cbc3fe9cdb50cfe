using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Schemes, their sheets, and the own items a plan carries.</summary>
internal static class SchemeEdits
{
    private const int MostSchemes = 20;

    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<AddScheme>("add-scheme", "Add a scheme", "Added a scheme", (tools, plan, e) => Add(plan, e)),
        EditKind.Of<RenameScheme>("rename-scheme", "Rename a scheme", "Renamed a scheme", (tools, plan, e) => Rename(plan, e)),
        EditKind.Of<RemoveScheme>(
            "remove-scheme",
            "Remove a scheme",
            "Removed a scheme",
            (tools, plan, e) => Remove(plan, e),
            LockRule.Passes
        ),
        EditKind.Of<AddSheet>("add-sheet", "Add a sheet", "Added a sheet", (tools, plan, e) => AddSheet(plan, e)),
        EditKind.Of<SetSheet>("set-sheet", "Set up a sheet", "Set up a sheet", (tools, plan, e) => SetSheet(plan, e)),
        EditKind.Of<PutOwnItem>(
            "put-own-item",
            "Bring in or change an own item",
            "Brought in or changed an own item",
            (tools, plan, e) => OwnItem(plan, e),
            LockRule.Passes
        ),
        EditKind.Of<PutOwnRule>("put-own-rule", "Set a rule of the plan", "Set a rule of the plan", (tools, plan, e) => OwnRule(plan, e)),
    ];

    private static EditAnswer SetSheet(Plan plan, SetSheet edit) =>
        edit.Sheet.ViewId.Length > 0 && plan.Find<View>(edit.Sheet.ViewId)?.SchemeId != edit.Sheet.SchemeId
            ? EditAnswer.No("viewId", "The view to draw it by is not there; choose another, or none.")
            : Editor.Replace(plan, edit.Sheet, "Set up the sheet");

    private static EditAnswer OwnItem(Plan plan, PutOwnItem edit) =>
        Editor.Swap(
            plan.Find(edit.Item.Id) is null ? $"Brought in {edit.Item.Item.Name}" : $"Changed {edit.Item.Item.Name}",
            plan.Find(edit.Item.Id),
            edit.Item
        );

    private static EditAnswer OwnRule(Plan plan, PutOwnRule edit) =>
        Editor.Swap($"Set the rule: {Editor.Short(edit.Rule.Rule.Name)}", plan.Find(edit.Rule.Id), edit.Rule);

    private static Problem? CheckName(Plan plan, string name, string id) =>
        Editor.CheckText("name", name, 1, 40)
        ?? (
            plan.All<Scheme>().Any(other => other.Id != id && other.Name.Equals(name.Trim(), StringComparison.OrdinalIgnoreCase))
                ? new Problem("name", $"There is already a scheme called {name.Trim()}.")
                : null
        );

    private static EditAnswer Add(Plan plan, AddScheme edit)
    {
        if (CheckName(plan, edit.Name, edit.Id) is { } problem)
            return EditAnswer.No(problem);
        if (edit.Id.Length > 30)
            return EditAnswer.No("id", "A scheme's id has at most 30 characters.");
        var schemes = plan.Schemes.ToArray();
        if (schemes.Length >= MostSchemes)
            return EditAnswer.No("scheme", $"A plan has at most {MostSchemes} schemes.");
        var scheme = new Scheme(edit.Id, edit.Name.Trim(), schemes.Max(other => other.Order) + 1);
        Entity[] made;
        if (edit.CopyOf is { } from)
        {
            if (plan.Find<Scheme>(from) is null)
                return EditAnswer.No("copyOf", "The scheme to copy is no longer there.");
            made = [scheme, .. Copies(plan, from, edit.Id)];
        }
        else
        {
            var sheet = plan.OfScheme<SheetSettings>(schemes[0].Id).First();
            made =
            [
                .. PlanStart.Scheme(scheme, edit.Id),
                sheet with
                {
                    Id = $"{edit.Id}-sheet",
                    SchemeId = edit.Id,
                    TitleBlock = sheet.TitleBlock with { SheetNumber = NextNumber(plan) },
                },
            ];
        }
        if (made.FirstOrDefault(entity => plan.Find(entity.Id) is not null) is { } taken)
            return EditAnswer.Taken("id", taken.Id);
        return EditAnswer.Done(new Change($"Added the scheme {scheme.Name}", [.. made.Select(entity => new EntityChange(null, entity))]));
    }

    /// <summary>Everything of a scheme for another, references among them carried over; what was accepted there is not accepted here.</summary>
    private static IEnumerable<Entity> Copies(Plan plan, string from, string to)
    {
        var all = plan
            .Entities.Values.Where(e => e is IOfScheme of && of.SchemeId == from && e is not Acceptance)
            .OrderBy(e => e.Id, StringComparer.Ordinal)
            .ToArray();
        var ids = all.Select((entity, i) => (entity.Id, New: string.Create(CultureInfo.InvariantCulture, $"{to}-{i + 1}")))
            .ToDictionary(pair => pair.Id, pair => pair.New);
        string? Carried(string? id) => id is not null && ids.TryGetValue(id, out var own) ? own : id;
        var number = int.Parse(NextNumber(plan), CultureInfo.InvariantCulture);
        foreach (var entity in all)
            yield return entity switch
            {
                Item item => item with
                {
                    Id = ids[item.Id],
                    SchemeId = to,
                    StandsOn = Carried(item.StandsOn),
                    Parent = Carried(item.Parent),
                },
                Repeat repeat => repeat with { Id = ids[repeat.Id], SchemeId = to, Parent = Carried(repeat.Parent) },
                Cluster cluster => cluster with { Id = ids[cluster.Id], SchemeId = to, Parent = Carried(cluster.Parent) },
                Brief brief => brief with { Id = ids[brief.Id], SchemeId = to },
                Checks checks => checks with { Id = ids[checks.Id], SchemeId = to },
                Dimension measure => measure with { Id = ids[measure.Id], SchemeId = to },
                SheetSettings sheet => sheet with
                {
                    Id = ids[sheet.Id],
                    SchemeId = to,
                    ViewId = Carried(sheet.ViewId)!,
                    Pictures = sheet.Pictures is { } pictures
                        ? pictures with
                        {
                            Viewpoints = [.. pictures.Viewpoints.Select(id => Carried(id)!)],
                        }
                        : null,
                    TitleBlock = sheet.TitleBlock with { SheetNumber = (number++).ToString(CultureInfo.InvariantCulture) },
                },
                Finish finish => finish with { Id = ids[finish.Id], SchemeId = to, TargetId = Carried(finish.TargetId)! },
                View view => view with
                {
                    Id = ids[view.Id],
                    SchemeId = to,
                    Hidden = [.. view.Hidden.Select(key => Subjects.Carried(key, id => Carried(id)!))],
                    NotPrinted = [.. view.NotPrinted.Select(key => Subjects.Carried(key, id => Carried(id)!))],
                },
                Viewpoint viewpoint => viewpoint with { Id = ids[viewpoint.Id], SchemeId = to },
                Locks locks => locks with
                {
                    Id = Locks.IdOf(to),
                    SchemeId = to,
                    Locked = [.. locks.Locked.Select(key => Subjects.Carried(key, id => Carried(id)!))],
                },
                OwnGroup group => group with { Id = ids[group.Id], SchemeId = to, Members = [.. group.Members.Select(id => Carried(id)!)] },
                Thing thing => thing.InScheme(to).Carrying(id => Carried(id)!) with { Id = ids[thing.Id] },
                _ => throw new InvalidOperationException($"A {entity.GetType().Name} cannot be copied into another scheme."),
            };
    }

    private static EditAnswer Rename(Plan plan, RenameScheme edit)
    {
        if (plan.Find<Scheme>(edit.Id) is not { } scheme)
            return EditAnswer.No("id", "The scheme is no longer there.");
        return CheckName(plan, edit.Name, edit.Id) is { } problem
            ? EditAnswer.No(problem)
            : Editor.Swap($"Renamed {scheme.Name} to {edit.Name.Trim()}", scheme, scheme with { Name = edit.Name.Trim() });
    }

    private static EditAnswer Remove(Plan plan, RemoveScheme edit)
    {
        if (plan.Find<Scheme>(edit.Id) is not { } scheme)
            return EditAnswer.No("id", "The scheme is no longer there.");
        if (plan.All<Scheme>().Count() == 1)
            return EditAnswer.No("id", "A plan keeps at least one scheme.");
        var gone = plan.Entities.Values.Where(e => e == scheme || (e is IOfScheme of && of.SchemeId == scheme.Id));
        return EditAnswer.Done(new Change($"Removed the scheme {scheme.Name}", [.. gone.Select(entity => new EntityChange(entity, null))]));
    }

    private static EditAnswer AddSheet(Plan plan, AddSheet edit)
    {
        if (plan.Find(edit.Id) is not null)
            return EditAnswer.Taken("id", edit.Id);
        if (plan.Find<Scheme>(edit.SchemeId) is null)
            return EditAnswer.No("schemeId", "The scheme is no longer there.");
        if (plan.OfScheme<SheetSettings>(edit.SchemeId).Count() >= 200)
            return EditAnswer.No("sheet", "A scheme has at most 200 sheets.");
        var first = plan.OfScheme<SheetSettings>(edit.SchemeId).First();
        return Editor.Swap(
            "Added a sheet",
            null,
            first with
            {
                Id = edit.Id,
                LevelId = edit.LevelId,
                Scale = null,
                TitleBlock = first.TitleBlock with { SheetNumber = NextNumber(plan) },
            }
        );
    }

    /// <summary>The number after the highest of the plan's sheets that is one.</summary>
    private static string NextNumber(Plan plan) =>
        (
            1
            + plan.All<SheetSettings>()
                .Select(sheet =>
                    int.TryParse(sheet.TitleBlock.SheetNumber, NumberStyles.None, CultureInfo.InvariantCulture, out var n) && n < 1_000_000
                        ? n
                        : 100
                )
                .DefaultIfEmpty(100)
                .Max()
        ).ToString(CultureInfo.InvariantCulture);
}
