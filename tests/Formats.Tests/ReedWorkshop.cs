using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.KindsOfThing.DrawnWays;
using Wellsedes.Core.KindsOfThing.Fittings;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Formats.Tests;

/// <summary>Reed Workshop, an invented training room in feet and inches: 28 seats at the front, 28 with a screen each at the back.</summary>
internal static class ReedWorkshop
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;
    private const string E = "exam-scheme";
    private const double Foot = 304.8;
    private const double Inch = 25.4;

    public static Plan Draw()
    {
        var planner = new Planner();
        var plan = Plan.Of(PlanStart.Entities("Reed Workshop", UnitSystem.FeetInches), Shipped.Library);
        Item[] Members(string block) => [.. plan.OfScheme<Item>(S).Where(item => item.Parent == block).OrderBy(item => item.Slot)];
        foreach (var edit in Shell().Concat(Furnish(Members)).Concat(Exam()).Concat(Books()))
        {
            var answer = planner.Answer(plan, edit);
            if (answer.Change is null || !plan.TryApply(answer.Change, out plan, out _))
                throw new InvalidOperationException($"{edit}: {answer.Problem?.Message}");
        }
        return DemoViewpoints.Kept(plan, DemoViewpoints.ReedWorkshop(plan));
    }

    /// <summary>What it is held against.</summary>
    private static IEnumerable<Edit> Books() =>
        new[] { "international-model-code", "american-accessibility" }.Select(book => new ChooseBook($"book-{book}", book));

    private static IEnumerable<Edit> Shell()
    {
        yield return new MakeRoom("workshop", L, "Workshop", 40 * Foot, 54 * Foot, 8 * Inch, 10 * Foot);
        yield return new NameRoom("workshop", "Workshop", "Training", "101", 10 * Foot, L, 6 * Foot, 36 * Foot);
        foreach (
            var (id, wall, along, mark, name) in new[]
            {
                ("entrance", "south", 20 * Foot, OpeningMark.EntranceAndExit, "Entrance"),
                ("side-exit", "east", 42 * Foot, OpeningMark.Exit, "Side exit"),
            }
        )
            yield return new PutOpening(
                new Opening(id, $"workshop-{wall}", OpeningKind.DoubleDoor, along, 6 * Foot, 0, 7 * Foot, 0, mark, false, true, name)
            );
        foreach (var i in Enumerable.Range(0, 4))
            yield return new PutOpening(
                new Opening(
                    $"window-{i + 1}",
                    "workshop-west",
                    OpeningKind.Window,
                    (9 + 12 * i) * Foot,
                    6 * Foot,
                    0,
                    5 * Foot,
                    3 * Foot,
                    OpeningMark.None,
                    false,
                    false,
                    ""
                )
            );
    }

    private static IEnumerable<Edit> Furnish(Func<string, Item[]> desks)
    {
        // Sockets in the floor: each serves the desks either side of it.
        for (var row = 0; row < 4; row++)
        for (var i = 0; i < 3; i++)
            yield return new PutThing(
                new Fitting(
                    $"socket-{row + 1}-{i + 1}",
                    L,
                    FittingKind.Socket,
                    (5.5 + (1 + 2.5 * i) * (4 + 10 / 12.0)) * Foot,
                    (7 + row * (5 + 8 / 12.0)) * Foot,
                    0,
                    4 * Inch,
                    4 * Inch,
                    2 * Inch
                )
            )
            {
                Sure = true,
            };
        // At the front a block of four rows of seven, which look to the screen on the north wall.
        yield return new PutThing(
            Block("front", SeatingStyle.Rows, 20 * Foot, 38.5 * Foot, 19 * Foot, 19 * Foot) with
            {
                GapInRow = 2.5 * Foot - 500,
                GapBetweenRows = 4 * Foot - 550,
                FromAisle = 7,
                Wanted = 28,
            }
        )
        {
            Sure = true,
        };
        // At the back a block of desks, each with its screen, four rows of seven.
        yield return new PutThing(
            Block("back", SeatingStyle.Exam, 20 * Foot, 15 * Foot, 36 * Foot, 25 * Foot) with
            {
                Catalogue = "desk-48",
                GapInRow = 10 * Inch,
                GapBetweenRows = 25 * Inch,
                Wanted = 28,
            }
        )
        {
            Sure = true,
        };
        foreach (var (desk, i) in desks("back").Select((desk, i) => (desk, i)))
            yield return new PlaceItem($"screen-{i + 1}", S, L, "monitor-24", desk.X, desk.Y + 180);
        yield return new PlaceItem("projection", S, L, "projection-screen-10", 20 * Foot, 53 * Foot);
        yield return new PlaceItem("lectern", S, L, "lectern", 12 * Foot, 50 * Foot);
        yield return new PlaceItem("coffee", S, L, "coffee-station", 38.4 * Foot, 34 * Foot, 270);
        yield return new PutThing(new Zone("front-zone", S, L, 20 * Foot, 38.5 * Foot, 0, 20 * Foot, 19 * Foot, "Front", Seats: 28))
        {
            Sure = true,
        };
        yield return new PutThing(
            new Zone("back-zone", S, L, 20 * Foot, 15 * Foot, 0, 36 * Foot, 25 * Foot, "Back", Workstations: 28, Screens: 28, WithPower: 28)
        )
        {
            Sure = true,
        };
        // From the entrance to the middle, and across between the two zones; a room's own ways are no narrower than 2 ft.
        yield return new PutThing(
            new Walkway(
                "cross-aisle",
                S,
                L,
                0,
                0,
                0,
                1,
                1,
                "Cross aisle",
                44 * Inch,
                [new(2 * Foot, 28.6 * Foot), new(36 * Foot, 28.6 * Foot)]
            )
        )
        {
            Sure = true,
        };
        yield return new PutThing(
            new Walkway("side-aisle", S, L, 0, 0, 0, 1, 1, "Side aisle", 36 * Inch, [new(38 * Foot, 2 * Foot), new(38 * Foot, 30 * Foot)])
        )
        {
            Sure = true,
        };
        yield return new PutView(new View("for-the-trainer", S, "For the trainer", ["measures"], ["thing/fitting"]));
        yield return new SetBrief(new Brief("brief-a", S, Seats: 28, Workstations: 28));
    }

    /// <summary>A second scheme of the same room: thirty single desks for an exam.</summary>
    private static IEnumerable<Edit> Exam()
    {
        yield return new AddScheme(E, "Exam");
        yield return new PutThing(
            Block("exam", SeatingStyle.Exam, 20 * Foot, 22 * Foot, 36 * Foot, 40 * Foot) with
            {
                SchemeId = E,
                Wanted = 30,
                Laid = WantedLaid.Spread,
            }
        )
        {
            Sure = true,
        };
        yield return new PlaceItem("invigilator", E, L, "teacher-desk", 20 * Foot, 50 * Foot, 0);
        yield return new SetBrief(new Brief($"brief-{E}", E, Seats: 30));
    }

    private static SeatingBlock Block(string id, SeatingStyle style, double x, double y, double width, double depth) =>
        ((SeatingBlock)SeatingBlock.Kind.Make(id, L, S, new Point(x, y))).As(style) with
        {
            Width = width,
            Depth = depth,
        };
}
