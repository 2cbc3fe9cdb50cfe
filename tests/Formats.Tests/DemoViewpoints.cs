using Wellsedes.Core.Editing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;

namespace Wellsedes.Formats.Tests;

/// <summary>The looks that the demo's plans keep, and the sheet of pictures at the Orchard supper.</summary>
internal static class DemoViewpoints
{
    private const string S = PlanStart.SchemeId;

    /// <summary>The plan with them; asked again it stays the same.</summary>
    public static Plan Kept(Plan plan, IEnumerable<Viewpoint> viewpoints)
    {
        foreach (var one in viewpoints)
            if (plan.Find(one.Id) is not { } known || !known.Equals(one))
                plan = Done(plan, new PutViewpoint(one));
        return plan;
    }

    public static Plan Done(Plan plan, Edit edit)
    {
        var answer = new Planner().Answer(plan, edit);
        return answer.Change is not null && plan.TryApply(answer.Change, out var after, out _)
            ? after
            : throw new InvalidOperationException($"{edit}: {answer.Problem?.Message}");
    }

    private static Viewpoint Standing(
        string id,
        string name,
        double x,
        double y,
        double heading,
        double pitch = -5,
        string level = PlanStart.LevelId,
        string scheme = S,
        double eye = 1600
    ) => new(id, scheme, level, name, x, y, eye, heading, pitch, Viewpoint.AtEyeLevel, new ViewpointShows(Inside: true));

    private static Viewpoint Above(Plan plan, string id, string name, string level = PlanStart.LevelId, string scheme = S)
    {
        var model = new Planner().ModelOf(plan, scheme).Levels.First(one => one.LevelId == level);
        var look = ReadyViewpoints.FromAbove(model, scheme, 1.6);
        return look with
        {
            Id = id,
            Name = name,
            X = Math.Round(look.X),
            Y = Math.Round(look.Y),
            Z = Math.Round(look.Z),
            Heading = Math.Round(look.Heading, 2),
            Pitch = Math.Round(look.Pitch, 2),
        };
    }

    public static IEnumerable<Viewpoint> OrchardSupper(Plan plan) =>
        [
            Above(plan, "look-above", "From above"),
            Standing("look-entrance", "From the entrance", 9300, 900, 95),
            Standing("look-table", "From table 9", 12_300, 5000, 118, 0, eye: 1200),
            Above(plan, "look-evening", "An evening in June") with
            {
                Shows = new ViewpointShows(People: true, Daylight: new Daylight(2026, 6, 21, 19.5)),
            },
            Standing("look-lectern", "From the lectern", 9800, 11_200, 265, -6, scheme: "members"),
        ];

    /// <summary>Where the invented mill stands.</summary>
    public static readonly Site Mill = new(52, -2, 0);

    public static Plan WithPictures(Plan plan)
    {
        if (plan.Details.Site != Mill)
            plan = Done(plan, new SetDetails(plan.Details.Title, plan.Details.Units, plan.Details.North, Mill));
        plan = Kept(plan, OrchardSupper(plan));
        if (plan.Find("sheet-pictures") is null)
            plan = Done(plan, new AddSheet("sheet-pictures", S, PlanStart.LevelId));
        var sheet = plan.Find<SheetSettings>("sheet-pictures")!;
        var pictured = sheet with
        {
            Pictures = new SheetPictures(["look-above", "look-evening", "look-entrance", "look-table"], Alone: true),
            TitleBlock = sheet.TitleBlock with { SheetNumber = "TMH-02-102", SupplementaryTitle = "The hall in space" },
        };
        return sheet == pictured ? plan : Done(plan, new SetSheet(pictured));
    }

    public static IEnumerable<Viewpoint> TidemillHouse(Plan plan) =>
        [
            Above(plan, "look-hall", "Millrace Hall from above"),
            Above(plan, "look-studio", "Sluice Studio from above", "level-1"),
            Standing("look-desks", "Studio, from the stairs", 4400, 700, 55, -8, "level-1"),
            Above(plan, "look-flat", "Keeper's Flat from above", "level-2"),
            Standing("look-kitchen", "Flat, from the sofa", 900, 900, 40, -4, "level-2"),
        ];

    public static IEnumerable<Viewpoint> ReedWorkshop(Plan plan) =>
        [
            Above(plan, "look-above", "From above"),
            Standing("look-trainer", "As the trainer sees it", 6096, 15_200, 268, -8),
            Standing("look-last-row", "From the last row", 6600, 1900, 92, 0, eye: 1200),
            Above(plan, "look-exam", "The exam from above", scheme: "exam-scheme"),
        ];
}
