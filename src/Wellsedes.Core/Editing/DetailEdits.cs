using System.Collections.Immutable;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>What is said of the whole plan or of a scheme: details, brief, checks, kept dimensions.</summary>
internal static class DetailEdits
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<SetDetails>(
            "set-details",
            "Change the plan's details",
            "Changed the plan's details",
            (tools, plan, e) => Details(plan, e)
        ),
        EditKind.Of<SetBrief>(
            "set-brief",
            "Set the brief",
            "Set the brief",
            (tools, plan, e) => Editor.Replace(plan, e.Brief, "Set the brief")
        ),
        EditKind.Of<SetChecks>("set-checks", "Set what is checked", "Set what is checked", (tools, plan, e) => Checked(plan, e)),
        EditKind.Of<KeepMeasure>("keep-measure", "Keep a dimension", "Kept a dimension", (tools, plan, e) => Measure(plan, e)),
    ];

    private static EditAnswer Details(Plan plan, SetDetails edit)
    {
        if (Editor.CheckText("title", edit.Title, 1, 80) is { } problem)
            return EditAnswer.No(problem);
        if (edit.Site?.Wrong() is { } nowhere)
            return EditAnswer.No(nowhere);
        var before = plan.Details;
        var after = before with
        {
            Title = edit.Title.Trim(),
            Units = edit.Units,
            North = AngleText.Normal(edit.North),
            Site = edit.Site ?? before.Site,
            Sprinklered = edit.Sprinklered ?? before.Sprinklered,
            LoadRounding = edit.LoadRounding ?? before.LoadRounding,
        };
        return Editor.Swap("Changed the plan's details", before, after);
    }

    private static EditAnswer Measure(Plan plan, KeepMeasure edit) =>
        plan.Find(edit.Id) is not null
            ? EditAnswer.Taken("id", edit.Id)
            : Editor.Swap("Kept a measure", null, new Dimension(edit.Id, edit.SchemeId, edit.LevelId, edit.From, edit.To));

    private static EditAnswer Checked(Plan plan, SetChecks edit) =>
        CheckChecks(edit.Checks, plan.Details.Units) is { } problem
            ? EditAnswer.No(problem)
            : Editor.Replace(plan, edit.Checks, "Set the checks");

    private static Problem? CheckChecks(Checks checks, UnitSystem units) =>
        SizeSense.Check(units, "main aisle width", "this scheme", checks.MainAisle, 300, 6000, false)
        ?? SizeSense.Check(units, "seat access width", "this scheme", checks.SeatAccess, 200, 3000, false)
        ?? SizeSense.Check(units, "occupied chair depth", "this scheme", checks.OccupiedDepth, 300, 900, false)
        ?? SizeSense.Check(units, "pulled-out chair depth", "this scheme", checks.PulledOutDepth, 400, 1500, false);
}
