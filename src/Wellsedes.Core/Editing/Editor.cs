using System.Collections.Immutable;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Turns what somebody wants into a change of the plan, or says why not. Nothing is half done.</summary>
public sealed class Editor(ItemForms forms, Func<Plan, string, LevelSpace> spaces)
{
    /// <summary>The most entities a plan holds.</summary>
    public const int MostEntities = 50_000;

    private readonly ItemEdits items = new(forms, spaces);

    internal Arranging.Settled Settled(Plan plan, Item item, double catchDistance) => items.Settled(plan, item, catchDistance);

    public EditAnswer Answer(Plan plan, Edit edit)
    {
        var answer = edit switch
        {
            SetDetails e => Details(plan, e),
            Remove e => RemoveAll(plan, e),
            Hold e => FixtureEdits.Hold(plan, e),
            KeepMeasure e => Measure(plan, e),
            SetBrief e => Replace(plan, e.Brief, "Set the brief", CheckBrief(e.Brief)),
            SetChecks e => Replace(plan, e.Checks, "Set the checks", CheckChecks(e.Checks, plan.Details.Units)),
            SetSheet e => Replace(plan, e.Sheet, "Set up the sheet", CheckSheet(e.Sheet)),
            _ => ShellEdits.Answer(plan, edit, spaces) ?? items.Answer(plan, edit),
        };
        return answer.Change is { } change ? Guard(plan, RoomEdits.KeepNames(plan, change, spaces)) : answer;
    }

    /// <summary>What holds for every change: ids are well formed, the plan stays within its size.</summary>
    private static EditAnswer Guard(Plan plan, Change change)
    {
        foreach (var entity in change.Entities)
            if (!IsId(entity.Id))
                return EditAnswer.No("id", $"\"{entity.Id}\" is no id: use 1 to 60 letters, figures and hyphens.");
        if (ShellEdits.Unfit(plan, change) is { } unfit)
            return EditAnswer.No(unfit);
        var added = change.Entities.Count(entity => entity.Before is null);
        return plan.Entities.Count + added > MostEntities
            ? EditAnswer.No("plan", $"A plan holds at most {MostEntities} things.")
            : EditAnswer.Done(change);
    }

    public static bool IsId(string id) => id.Length is > 0 and <= 60 && id.All(c => char.IsAsciiLetterOrDigit(c) || c == '-');

    private static EditAnswer Details(Plan plan, SetDetails edit)
    {
        if (CheckText("title", edit.Title, 1, 80) is { } problem)
            return EditAnswer.No(problem);
        if (!double.IsFinite(edit.North))
            return EditAnswer.No("north", "North must be an angle in degrees.");
        var before = plan.Details;
        var after = before with { Title = edit.Title.Trim(), Units = edit.Units, North = AngleText.Normal(edit.North) };
        return Swap("Changed the plan's details", before, after);
    }

    private static EditAnswer Measure(Plan plan, KeepMeasure edit)
    {
        if (plan.Find(edit.Id) is not null)
            return EditAnswer.No("id", $"There is already something called \"{edit.Id}\".");
        foreach (var value in (double[])[edit.From.X, edit.From.Y, edit.To.X, edit.To.Y])
            if (SizeSense.CheckPlace("measure", value) is { } problem)
                return EditAnswer.No(problem);
        var measure = new Dimension(edit.Id, edit.SchemeId, edit.LevelId, edit.From, edit.To);
        return EditAnswer.Done(new Change("Kept a measure", [new EntityChange(null, measure)]));
    }

    private static EditAnswer RemoveAll(Plan plan, Remove edit)
    {
        var gone = new List<Entity>();
        foreach (var id in edit.Ids.Distinct())
        {
            if (plan.Find(id) is not { } entity)
                return EditAnswer.No("ids", "Something to remove is no longer there.");
            if (entity is PlanDetails or Scheme or Brief or Checks or SheetSettings)
                return EditAnswer.No("ids", "This is part of every plan and cannot be removed.");
            if (entity is IHoldable { Held: true })
                return EditAnswer.No("ids", $"{Named(entity)} is held in place; let it go first.");
            if (entity is Level level && ShellEdits.KeepsLevel(plan, level) is { } kept)
                return EditAnswer.No(kept);
            gone.Add(entity);
        }
        foreach (var level in gone.OfType<Level>().ToArray())
            gone.AddRange(plan.Entities.Values.Where(e => e is IOnLevel on && on.LevelId == level.Id && !gone.Contains(e)));
        var walls = gone.OfType<Wall>().Select(wall => wall.Id).ToHashSet();
        gone.AddRange(plan.All<Opening>().Where(opening => walls.Contains(opening.WallId) && !gone.Contains(opening)));
        var asked = edit.Ids.Distinct().Count();
        var with = gone.Count > asked && gone[0] is Wall ? $" with {gone.Count - asked} opening{(gone.Count - asked == 1 ? "" : "s")}" : "";
        var label = asked == 1 ? $"Removed {Noun(gone[0])}{with}" : $"Removed {gone.Count} things";
        return EditAnswer.Done(new Change(label, [.. gone.Select(entity => new EntityChange(entity, null))]));
    }

    private static string Named(Entity entity)
    {
        var noun = Noun(entity);
        return char.ToUpperInvariant(noun[0]) + noun[1..];
    }

    private static string Noun(Entity entity) =>
        entity switch
        {
            Item item => item.Label.Length > 0 ? $"item {item.Label}" : "an item",
            Dimension => "a measure",
            Opening opening => OpeningSizes.Of(opening.Kind).Name,
            Fixture fixture => FixtureEdits.Called(fixture),
            Wall => "a wall",
            Room => "a room's name",
            Boundary => "a boundary",
            Level level => level.Name,
            SettingOutLine => "a setting-out line",
            Backing => "a backing",
            MakeUp => "a make-up",
            _ => "a thing",
        };

    private static Problem? CheckBrief(Brief brief)
    {
        foreach (
            var (field, count) in ((string, int?)[])[("seats", brief.Seats), ("tables", brief.Tables), ("workstations", brief.Workstations)]
        )
            if (count is < 0 or > 100_000)
                return new Problem(field, $"The {field} asked must be from 0 to 100 000; {count} was given.");
        return brief.AreaPerSeat is { } area && !(area > 0 && area <= 1000)
            ? new Problem("areaPerSeat", "The area per seat must be more than 0 and at most 1000 m².")
            : null;
    }

    private static Problem? CheckChecks(Checks checks, UnitSystem units) =>
        SizeSense.Check(units, "main walkway width", "this scheme", checks.MainWidth, 300, 6000, false)
        ?? SizeSense.Check(units, "seat walkway width", "this scheme", checks.SeatWidth, 200, 3000, false)
        ?? SizeSense.Check(units, "occupied chair depth", "this scheme", checks.OccupiedDepth, 300, 900, false)
        ?? SizeSense.Check(units, "pulled-out chair depth", "this scheme", checks.PulledOutDepth, 400, 1500, false);

    private static Problem? CheckSheet(SheetSettings sheet)
    {
        foreach (
            var (field, text, most) in ((string, string, int)[])
                [
                    ("legalOwner", sheet.LegalOwner, 60),
                    ("sheetNumber", sheet.SheetNumber, 16),
                    ("title", sheet.Title, 60),
                    ("supplementaryTitle", sheet.SupplementaryTitle, 60),
                    ("creator", sheet.Creator, 20),
                    ("approver", sheet.Approver, 20),
                    ("documentType", sheet.DocumentType, 30),
                    ("notes", sheet.Notes, 2000),
                ]
        )
            if (CheckText(field, text, 0, most) is { } problem)
                return problem;
        if (Papers.Find(sheet.Paper) is null)
            return new Problem(
                "paper",
                $"\"{sheet.Paper}\" is no paper size; choose one of {string.Join(", ", Papers.All.Select(p => p.Name))}."
            );
        return sheet.Scale is { } scale && !(scale >= 1 && scale <= 10000)
            ? new Problem("scale", "The scale must be from 1:1 to 1:10000.")
            : null;
    }

    internal static Problem? CheckText(string field, string text, int least, int most)
    {
        var length = text.Trim().Length;
        if (length < least)
            return new Problem(field, $"The {field} is missing.");
        if (length > most)
            return new Problem(field, $"The {field} has {length} characters; at most {most} fit.");
        return text.Any(c => char.IsControl(c) && c != '\n')
            ? new Problem(field, $"The {field} holds a character that cannot be written.")
            : null;
    }

    private static EditAnswer Replace(Plan plan, Entity after, string label, Problem? problem)
    {
        if (problem is not null)
            return EditAnswer.No(problem);
        var before = plan.Find(after.Id);
        return before is null || before.GetType() != after.GetType()
            ? EditAnswer.No("id", $"There is no {after.GetType().Name} called \"{after.Id}\".")
            : Swap(label, before, after);
    }

    internal static EditAnswer Swap(string label, Entity? before, Entity after) =>
        EditAnswer.Done(new Change(label, [new EntityChange(before, after)]));
}
