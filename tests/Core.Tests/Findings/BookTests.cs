using System.Text;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;
using Wellsedes.Tests.Seeded;

namespace Wellsedes.Core.Tests.Findings;

/// <summary>
/// A plan held against rulebooks: how many its rooms are counted for, and what does not hold, at the limit and just off it. Values of International Building Code 2021, NFPA 101, Approved
/// Document B volume 2, the National Construction Code and others, all from memory.
/// </summary>
public sealed class BookTests
{
    private const string L = PlanStart.LevelId;

    /// <summary>A room of a use, its door where the sample has one.</summary>
    private static Sample Room(double width, double depth, string use, params string[] books)
    {
        var sample = new Sample().Room(width, depth);
        sample.Do(new NameRoom("room", "Hall", use, ""));
        foreach (var book in books)
            sample.Do(new ChooseBook($"book-{book}", book));
        return sample;
    }

    private static Sample With(Sample sample, string id, double along, double clear, string wall = "south", bool outward = true) =>
        sample.ClearDoor(id, along, clear, $"room-{wall}", OpeningMark.Exit, outward);

    private static RoomLoad Load(Sample sample) => Assert.Single(sample.State.Loads);

    private static Finding[] Of(Sample sample, string rule) => [.. sample.State.Findings.Where(finding => finding.RuleId == rule)];

    /// <summary>60 by 40 ft at tables and chairs: 2400 ft² / 15 = 160 (International Building Code 2021, table 1004.5).</summary>
    [Fact]
    public void A_room_is_counted_by_the_area_of_its_use_and_says_how()
    {
        var load = Load(Room(60 * 304.8, 40 * 304.8, "Assembly", "international-model-code"));
        Assert.Equal(160, load.People);
        Assert.Equal("2400 ft² net / 15 = 160.0, so 160", load.Working);
        Assert.Contains("Table 1004.5", load.Source);
        Assert.Equal("ibc2021-olf-assembly-unconcentrated", load.RuleId);
    }

    /// <summary>8 x 6 m at 6 m² each (Approved Document B, table D1: office) are 8; nine desks are more than that.</summary>
    [Fact]
    public void What_is_set_governs_where_it_is_more()
    {
        var sample = Room(8000, 6000, "Office", "english-guidance");
        Assert.Equal(8, Load(sample).People);
        for (var i = 0; i < 9; i++)
            sample.Place($"chair-{i}", "banquet-chair", 1000 + 700 * i, 4000);
        var load = Load(sample);
        Assert.Equal((8.0, 9, 9.0), (load.ByArea!.Value, load.Seats, load.People));
    }

    [Fact]
    public void A_room_without_a_use_is_asked_about_and_the_rest_is_judged()
    {
        var sample = Room(8000, 6000, "", "international-model-code");
        Assert.Equal("No use given for Hall", Load(sample).Unjudged);
        var finding = Assert.Single(sample.State.Findings, finding => finding.Weight == FindingWeight.Unjudged);
        Assert.Equal(["room"], finding.EntityIds);
        sample.Do(new NameRoom("room", "Hall", "Aviary", ""));
        Assert.Contains("counts nobody for Aviary", Load(sample).Unjudged);
        sample.Do(new NameRoom("room", "Hall", "Office", ""));
        Assert.DoesNotContain(sample.State.Findings, finding => finding.Weight == FindingWeight.Unjudged);
        // 48 m² are 516.7 ft², gross / 150 = 3.4.
        Assert.Equal(4, Load(sample).People);
    }

    /// <summary>15 ft² each: 735 ft² are 49 people and one way out is enough; 736 are 50, and two are needed.</summary>
    [Theory]
    [InlineData(735, true)]
    [InlineData(736, false)]
    public void One_way_out_is_enough_for_49(double feet, bool holds)
    {
        var sample = With(Room(20 * 304.8, feet / 20 * 304.8, "Assembly", "international-model-code"), "a", 3000, 1000);
        Assert.Equal(holds ? 49 : 50, Load(sample).People);
        Assert.Equal(holds, Of(sample, "ibc-1006.2.1-A-E-M").Length == 0);
        if (holds)
            return;
        var finding = Assert.Single(Of(sample, "ibc-1006.2.1-A-E-M"));
        Assert.Equal(("Hall: too few ways out", "1", "2"), (finding.Title, finding.MeasuredText, finding.NeededText));
        Assert.Contains("From memory", finding.Source);
        With(sample, "b", 3000, 1000, "north");
        Assert.Empty(Of(sample, "ibc-1006.2.1-A-E-M"));
    }

    /// <summary>60 by 40 ft: the diagonal is 72.111 ft, half of it 36.056 ft (1007.1.1); sprinklered a third, 24.037 ft.</summary>
    [Theory]
    [InlineData(36.05, false, false)]
    [InlineData(36.06, false, true)]
    [InlineData(24.03, true, false)]
    [InlineData(24.04, true, true)]
    public void Ways_out_are_apart_by_half_of_the_diagonal_or_a_third(double apart, bool sprinklered, bool holds)
    {
        var sample = Room(60 * 304.8, 40 * 304.8, "Assembly", "international-model-code", "life-safety-code");
        sample.Do(new SetDetails("Hall", UnitSystem.FeetInches, 0, Sprinklered: sprinklered));
        With(With(sample, "a", 2000, 1100), "b", 2000 + apart * 304.8, 1100);
        foreach (var rule in new[] { "ibc-1007.1.1-separation", "nfpa101-7.5.1.3-remoteness" })
            Assert.Equal(holds, Of(sample, rule).Length == 0);
        if (!holds)
        {
            var finding = Of(sample, "ibc-1007.1.1-separation").Single();
            Assert.Equal(apart * 304.8, finding.At[0].DistanceTo(finding.At[1]), 0.01);
            Assert.Contains("'", finding.MeasuredText);
        }
    }

    /// <summary>160 people need 160 x 0.2 = 32 in together; with the widest lost half of it must be left: 16 in (1005.3.2, 1005.5).</summary>
    [Theory]
    [InlineData(33, 33, "")]
    [InlineData(60, 15.9, "once the widest is lost")]
    [InlineData(15.9, 16, "narrow together")]
    public void Ways_out_are_wide_enough_together_and_with_the_widest_lost(double a, double b, string says)
    {
        var sample = Room(60 * 304.8, 40 * 304.8, "Assembly", "international-model-code");
        With(With(sample, "a", 2000, a * 25.4), "b", 16_000, b * 25.4);
        var found = Of(sample, "ibc-1005.5-distribution");
        if (says.Length == 0)
            Assert.Empty(found);
        else
            Assert.Contains(found, finding => finding.Title.Contains(says, StringComparison.Ordinal));
    }

    /// <summary>32 in clear: 812.8 mm (1010.1.1; 2010 ADA Standards, 404.2.3). A mm less is too narrow, in metres and in feet.</summary>
    [Theory]
    [InlineData(812.8, UnitSystem.Metric, true)]
    [InlineData(811.8, UnitSystem.Metric, false)]
    [InlineData(812.8, UnitSystem.FeetInches, true)]
    [InlineData(811.8, UnitSystem.FeetInches, false)]
    public void A_door_is_wide_enough_or_not(double clear, UnitSystem units, bool holds)
    {
        var sample = With(Room(8000, 6000, "Office", "international-model-code", "american-accessibility"), "a", 3000, clear);
        sample.Do(new SetDetails("Hall", units, 0));
        Assert.Equal(holds, Of(sample, "ibc-1010.1.1-door-clear").Length == 0);
        Assert.Equal(holds, Of(sample, "ada-404.2.3-door-clear").Length == 0);
        if (!holds && units == UnitSystem.FeetInches)
            Assert.DoesNotContain("mm", Of(sample, "ada-404.2.3-door-clear").Single().MeasuredText);
    }

    /// <summary>50 people or more leave by doors that open the way they go (1010.1.2.1); in England more than 60.</summary>
    [Theory]
    [InlineData(735, false, true)]
    [InlineData(736, false, false)]
    [InlineData(736, true, true)]
    public void Doors_open_the_way_people_leave(double feet, bool outward, bool holds)
    {
        var sample = With(Room(20 * 304.8, feet / 20 * 304.8, "Assembly", "international-model-code"), "a", 3000, 1000, outward: outward);
        Assert.Equal(holds, Of(sample, "ibc-1010.1.2.1-swing").Length == 0);
    }

    /// <summary>Approved Document B, table 2.2 and 2.3 with the widest discounted: 1050 mm hold 220, 850 mm 110. 233 people by two of 1050: one is left, 220.</summary>
    [Theory]
    [InlineData(220, true)]
    [InlineData(221, false)]
    public void In_England_the_widest_way_out_is_discounted(int people, bool holds)
    {
        var sample = Room(10_000, people * 100, "Assembly", "english-guidance");
        With(With(sample, "a", 2000, 1050), "b", 7000, 1050);
        Assert.Equal(people, Load(sample).People);
        Assert.Equal(holds, Of(sample, "adb-discount").Length == 0);
    }

    /// <summary>A single bedroom has 7.5 m² and is 2.15 m wide (nationally described space standard), also when it is turned by 5 degrees.</summary>
    [Theory]
    [InlineData(2150, 3489, 0, true, true)]
    [InlineData(2149, 3600, 0, true, false)]
    [InlineData(2150, 3480, 0, false, true)]
    [InlineData(2150, 3489, 5, true, true)]
    [InlineData(2149, 3600, 5, true, false)]
    public void A_bedroom_is_large_and_wide_enough(double width, double depth, double turn, bool isLarge, bool isWide)
    {
        var sample = new Sample();
        var (sin, cos) = Math.SinCos(turn * Math.PI / 180);
        Point At(double x, double y) => new(x * cos - y * sin, x * sin + y * cos);
        sample.Do(
            new DrawWalls(
                "w",
                L,
                At(-50, -50),
                [new(At(width + 50, -50)), new(At(width + 50, depth + 50)), new(At(-50, depth + 50)), new(At(-50, -50))],
                true,
                "Stud 100"
            )
        );
        var inside = At(width / 2, depth / 2);
        sample.Do(new NameRoom("bed", "Bedroom", "Bedroom", "", null, L, inside.X, inside.Y));
        sample.Do(new ChooseBook("b", "space-standards"));
        var found = Of(sample, "ndss-single");
        Assert.Equal(isLarge, !found.Any(finding => finding.Title.Contains("too small")));
        Assert.Equal(isWide, !found.Any(finding => finding.Title.Contains("too narrow")));
    }

    /// <summary>The same door between two rooms is judged once.</summary>
    /// <summary>What is found of a thing is kept only as long as everything about it is the same: the rule's figure, its name, where it is, and the units.</summary>
    [Fact]
    public void What_is_kept_follows_every_change()
    {
        var sample = With(Room(8000, 6000, "Office", "american-accessibility"), "a", 3000, 700);
        Finding Narrow() => Of(sample, "ada-404.2.3-door-clear").Single();
        Assert.Equal((700.0, 812.8), (Narrow().Measured, Narrow().Needed));
        sample.Do(new NameRoom("room", "Study", "Office", ""));
        Assert.StartsWith("Door, Study to outside", Narrow().Title);
        var at = Narrow().At[0];
        sample.Do(new PutOpening(sample.Plan.Find<Opening>("a")! with { Along = 4000 }) { Sure = true });
        Assert.Equal(1000, Narrow().At[0].X - at.X, 0.01);
        sample.Do(new ChangeRule("c", "ada-404.2.3-door-clear", "limit_in", 40, "Wide beds"));
        Assert.Equal(1016, Narrow().Needed, 0.01);
        sample.Do(new SetDetails("Room", UnitSystem.FeetInches, 0));
        Assert.Contains("'", Narrow().NeededText);
        sample.Do(new ChangeRule("d", "ada-404.2.3-door-clear", Reason: "Not ours"));
        Assert.Empty(Of(sample, "ada-404.2.3-door-clear"));
    }

    [Fact]
    public void A_finding_has_an_id_of_its_own_that_stays()
    {
        var sample = With(Room(8000, 6000, "Office", "american-accessibility", "german-accessibility"), "a", 3000, 700);
        sample.Do(new DrawWalls("p", L, new(5000, -100), [new(new(5000, 6100))], false, "Stud 100"));
        sample.Do(
            new PutOpening(new Opening("mid", "p-1", OpeningKind.SingleDoor, 3000, 800, 700, 2100, 0, OpeningMark.None, false, false, ""))
            {
                Sure = true,
            }
        );
        var ids = sample.State.Findings.Select(finding => finding.Id).ToArray();
        Assert.Equal(ids.Distinct(), ids);
        Assert.Equal(2, Of(sample, "ada-404.2.3-door-clear").Length);
        sample.Do(new MoveWall("room-north", 0, 500));
        Assert.Equal(
            ids.Where(id => id.Contains("/rule/")).Order(),
            sample.State.Findings.Select(f => f.Id).Where(id => id.Contains("/rule/")).Order()
        );
    }

    [Fact]
    public void A_rule_is_taken_otherwise_with_a_reason_and_as_its_book_says_again()
    {
        var sample = With(Room(8000, 6000, "Office", "international-model-code"), "a", 3000, 780);
        Assert.Single(Of(sample, "ibc-1010.1.1-door-clear"));
        Assert.Contains("Say why", sample.Refused(new ChangeRule("c", "ibc-1010.1.1-door-clear", "limit_in", 30)).Message);
        Assert.Contains("has no value", sample.Refused(new ChangeRule("c", "ibc-1010.1.1-door-clear", "width", 30, "Old doors")).Message);
        Assert.Contains("No book of the plan", sample.Refused(new ChangeRule("c", "adb-discount", "", null, "Old")).Message);
        Assert.Contains("from 0 to", sample.Refused(new ChangeRule("c", "ibc-1010.1.1-door-clear", "limit_in", -1, "Old")).Message);
        sample.DoAndUndo(new ChangeRule("c", "ibc-1010.1.1-door-clear", "limit_in", 30, "Doors of a listed house"));
        Assert.Empty(Of(sample, "ibc-1010.1.1-door-clear"));
        sample.Do(new ChangeRule("c", "ibc-1010.1.1-door-clear", "limit_in"));
        Assert.Single(Of(sample, "ibc-1010.1.1-door-clear"));
        sample.Do(new ChangeRule("d", "ibc-1010.1.1-door-clear", "", null, "Judged by hand"));
        Assert.Empty(Of(sample, "ibc-1010.1.1-door-clear"));
        // With the book goes what was taken otherwise.
        sample.Do(new LeaveBook("book-international-model-code"));
        Assert.Empty(sample.Plan.All<RuleChange>());
        Assert.Empty(sample.State.Loads);
    }

    [Fact]
    public void A_plan_carries_the_rules_it_is_judged_by_and_those_they_ask()
    {
        var sample = Room(8000, 6000, "Office", "english-guidance");
        var book = sample.Plan.All<PlanBook>().Single().Book();
        Assert.Contains(book.Rules, rule => rule.Id == "adb-discount");
        Assert.Contains(book.Rules, rule => rule.Id == "adb-2.3-exit-width");
        Assert.True(book.Rules.Length < RulebookShelf.Shipped.Books.Single(one => one.Id == book.Id).Rules.Length);
        Assert.Contains("already", sample.Refused(new ChooseBook("again", "english-guidance")).Message);
        Assert.Contains("There is no book", sample.Refused(new ChooseBook("x", "martian-code")).Message);
    }

    /// <summary>Accepted it is nothing to mend; when its figures change it is again, and when they are back it is accepted as before.</summary>
    [Fact]
    public void A_finding_is_accepted_with_a_reason_for_its_figures()
    {
        var sample = With(Room(8000, 6000, "Office", "american-accessibility"), "a", 3000, 780);
        Finding Found() => Assert.Single(Of(sample, "ada-404.2.3-door-clear"));
        var finding = Found();
        Assert.True(finding.IsOpen);
        Acceptance Accepted(string reason) =>
            new("ok", PlanStart.SchemeId, finding.Id, finding.Measured, finding.Needed, reason, "N. Ash", "2026-11-27");
        Assert.Contains("Say why", sample.Refused(new AcceptFinding(Accepted(" "))).Message);
        sample.DoAndUndo(new AcceptFinding(Accepted("An old door")));
        Assert.Equal("An old door", Found().Accepted!.Reason);
        Assert.False(Found().IsOpen);
        sample.Do(new AcceptFinding(Accepted("A very old door")));
        Assert.Equal("A very old door", Assert.Single(sample.Plan.All<Acceptance>()).Reason);
        var door = sample.Plan.Find<Opening>("a")!;
        sample.Do(new PutOpening(door with { ClearWidth = 760 }) { Sure = true });
        Assert.True(Found().IsOpen);
        sample.Do(new PutOpening(door) { Sure = true });
        Assert.False(Found().IsOpen);
        // A copy of the scheme has accepted nothing.
        sample.Do(new AddScheme("b", "B", PlanStart.SchemeId));
        Assert.Single(sample.Plan.All<Acceptance>());
        sample.Do(new LiftAcceptance("ok"));
        Assert.True(Found().IsOpen);
        Assert.Contains("not accepted any more", sample.Refused(new LiftAcceptance("ok")).Message);
    }

    /// <summary>From a file that carries a book twice: the first counts.</summary>
    [Fact]
    public void A_book_that_is_there_twice_counts_once()
    {
        var sample = With(Room(8000, 6000, "Office", "american-accessibility", "english-guidance"), "a", 3000, 700);
        var twice = sample.Plan.All<PlanBook>().First(book => book.Book().Id == "american-accessibility");
        var plan = Plan.Of([.. sample.Plan.Entities.Values, twice with { Id = "z" }], Core.KindsOfThing.Shipped.Library);
        var state = sample.Planner.StateOf(plan, PlanStart.SchemeId, L);
        Assert.Equal(2, plan.Books.Shelf.Books.Length);
        Assert.Equal(sample.State.Findings.Select(finding => finding.Id), state.Findings.Select(finding => finding.Id));
    }

    /// <summary>From a file, whichever comes first by its id: the book is told, and what is taken otherwise breaks nothing.</summary>
    [Theory]
    [InlineData("a", "b")]
    [InlineData("b", "a")]
    public void A_book_that_cannot_be_read_is_told(string bookId, string changeId)
    {
        var sample = Room(8000, 6000, "Office");
        var plan = Plan.Of(
            [.. sample.Plan.Entities.Values, new PlanBook(bookId, "{}"), new RuleChange(changeId, "our-door", "", "Why")],
            Core.KindsOfThing.Shipped.Library
        );
        Assert.NotNull(PlanChecks.OfWhole(plan));
        Assert.Contains("id, a name and rules", plan.Find<PlanBook>(bookId)!.Wrong());
        Assert.Empty(plan.Books.Shelf.Books);
    }

    /// <summary>A book of the house's own, brought in as text: its rules judge as those that ship do.</summary>
    [Fact]
    public void A_house_book_is_brought_in_and_judges()
    {
        var sample = With(Room(8000, 6000, "Office"), "a", 3000, 900);
        sample.Do(
            new BringBook(
                "own",
                """
                {"id": "our-doors", "name": "Our doors", "rules": [{"id": "our-door", "title": "Doors of ours", "source": {"title": "House"}, "basis": "common practice",
                 "confidence": "high", "values": {"least_mm": 950}, "asked": [{"with": ["clear_mm"], "answers": {"pass": "clear_mm >= least_mm"}}],
                 "judges": [{"measure": "doorway", "with": {"clear_mm": "clear_mm"}, "holds": "pass", "measured": "clear_mm", "needed": "least_mm", "unit": "mm",
                 "says": "narrower than ours"}]}]}
                """
            )
        );
        var finding = Assert.Single(Of(sample, "our-door"));
        Assert.Equal(("900", "950"), (finding.MeasuredText.Split(' ')[0], finding.NeededText.Split(' ')[0]));
        Assert.Contains(
            "there is no measure",
            sample
                .Refused(
                    new BringBook(
                        "bad",
                        Encoding.UTF8.GetString(RulebookText.Write(sample.Plan.All<PlanBook>().Single().Book())).Replace("doorway", "smell")
                    )
                )
                .Message
        );
        Assert.Contains("no rulebook", sample.Refused(new BringBook("bad", "{")).Message);
    }

    /// <summary>1,000 seeded rooms, each in metres and in feet: the same verdicts.</summary>
    [Fact]
    public void Both_unit_systems_give_the_same_verdict()
    {
        var random = new Random(14);
        string[] uses = ["Assembly", "Office", "Meeting", "Store", "Bar", "Bedroom"];
        var judged = 0;
        for (var n = 0; n < Whole.Or(250, 1000); n++)
        {
            var sample = Room(
                3000 + Math.Round(15_000 * random.NextDouble()),
                3000 + Math.Round(12_000 * random.NextDouble()),
                uses[random.Next(uses.Length)],
                n % 2 == 0 ? ["international-model-code"] : ["english-guidance", "space-standards"]
            );
            With(sample, "a", 1500, 600 + Math.Round(600 * random.NextDouble()));
            if (random.Next(2) == 0)
                With(sample, "b", 1500, 600 + Math.Round(600 * random.NextDouble()), "north", random.Next(2) == 0);
            string[] Verdicts() =>
                [
                    .. sample
                        .State.Findings.Where(f => f.Kind == FindingKind.Rule)
                        .Select(f => $"{f.Id} {f.Measured:F6} {f.Needed:F6}")
                        .Order(),
                ];
            var metric = Verdicts();
            sample.Do(new SetDetails("Hall", UnitSystem.FeetInches, 0));
            Assert.Equal(metric, Verdicts());
            judged += metric.Length;
        }
        Assert.InRange(judged, Whole.Or(125, 500), 10_000);
    }

    /// <summary>Books and changes of another plan instead of one's own, in one step that is undone in one; what is there already keeps its id, what is wrong is named and nothing is taken.</summary>
    [Fact]
    public void The_books_of_a_project_are_taken_instead()
    {
        var from = Room(8000, 6000, "Office", "english-guidance", "german-workplaces");
        from.Do(new ChangeRule("c", "asr-a1.2-height", Reason: "An old building."));
        PlanBook[] books = [.. from.Plan.All<PlanBook>().Select(book => book with { Id = "new-" + book.Id })];
        RuleChange[] changes = [.. from.Plan.All<RuleChange>().Select(change => change with { Id = "new-c" })];
        var sample = Room(8000, 6000, "Office", "international-model-code", "english-guidance");
        sample.Do(new ChangeRule("mine", "adb-discount", Reason: "Mine."));

        Assert.Equal("books", sample.Refused(new TakeBooks([], [])).Field);
        Assert.Equal("books", sample.Refused(new TakeBooks([new PlanBook("x", "{}")], [])).Field);
        Assert.Equal("ruleId", sample.Refused(new TakeBooks([books[0]], [.. changes, new RuleChange("o", "none", "", "Why")])).Field);
        Assert.Equal("reason", sample.Refused(new TakeBooks([.. books], [changes[0] with { Reason = " " }])).Field);
        Assert.Equal("id", sample.Refused(new TakeBooks([books[1] with { Id = "room" }, books[0]], [])).Field);
        Assert.Equal("id", sample.Refused(new TakeBooks([.. books], [changes[0] with { Id = "new-book-german-workplaces" }])).Field);

        var after = sample.DoAndUndo(new TakeBooks([.. books], [.. changes]));
        Assert.Equal(
            ["book-english-guidance", "new-book-german-workplaces"],
            after.All<PlanBook>().Select(book => book.Id).Order(StringComparer.Ordinal)
        );
        Assert.Equal(("new-c", "asr-a1.2-height"), after.All<RuleChange>().Select(change => (change.Id, change.RuleId)).Single());
        Assert.Contains("already", sample.Refused(new TakeBooks([.. books], [.. changes])).Message);
    }

    /// <summary>Why a rule does not hold is told with its figures, not the names these have in it: 40 seats of an aisle need 36 in.</summary>
    [Fact]
    public void Why_is_told_in_figures()
    {
        var sample = new Sample().Room(30_000, 20_000);
        sample.Do(new NameRoom("room", "Hall", "Assembly", "")).Do(new ChooseBook("b", "international-model-code"));
        for (var block = 0; block < 2; block++)
        for (var row = 0; row < 4; row++)
        for (var seat = 0; seat < 10; seat++)
            sample.Place($"{block}-{row}-{seat}", "stacking-chair", 5000 + block * 5900 + seat * 500, 3000 + row * 1000);
        Assert.Equal(
            "Minimum aisle width: Level or ramped aisle, seats on BOTH sides. min_in = if(40 <= 14, 30, if(40 < 50, 36, 42)) = 36.",
            Assert.Single(Of(sample, "ibc-1030.9.1-level-both")).Why
        );
    }
}
