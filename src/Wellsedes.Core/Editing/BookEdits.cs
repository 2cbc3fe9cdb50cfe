using System.Collections.Immutable;
using System.Text;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Editing;

/// <summary>The rulebooks of a plan, and the rules it takes otherwise.</summary>
internal static class BookEdits
{
    private const int MostChanges = 200;

    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<ChooseBook>(
            "choose-book",
            "Hold the plan against a rulebook",
            "Held the plan against a rulebook",
            (tools, plan, e) => ChooseShipped(plan, e)
        ),
        EditKind.Of<BringBook>(
            "bring-book",
            "Bring in a rulebook of the house",
            "Brought in a rulebook of the house",
            (tools, plan, e) => Bring(plan, e)
        ),
        EditKind.Of<TakeBooks>(
            "take-books",
            "Take over the rulebooks of the project",
            "Took over the rulebooks of the project",
            (tools, plan, e) => Take(plan, e)
        ),
        EditKind.Of<LeaveBook>("leave-book", "Leave a rulebook", "Left a rulebook", (tools, plan, e) => Leave(plan, e)),
        EditKind.Of<WriteHouseRule>(
            "write-house-rule",
            "Write a rule of the house",
            "Wrote a rule of the house",
            (tools, plan, e) => HouseBookEdits.Write(plan, e)
        ),
        EditKind.Of<TakeHouseRule>(
            "take-house-rule",
            "Take a rule into the house's book",
            "Took a rule into the house's book",
            (tools, plan, e) => HouseBookEdits.Take(plan, e)
        ),
        EditKind.Of<DropHouseRule>(
            "drop-house-rule",
            "Drop a rule of the house",
            "Dropped a rule of the house",
            (tools, plan, e) => HouseBookEdits.Drop(plan, e)
        ),
        EditKind.Of<ChangeRule>(
            "change-rule",
            "Change a rule for this plan",
            "Changed a rule for this plan",
            (tools, plan, e) => Change(plan, e)
        ),
        EditKind.Of<AcceptFinding>(
            "accept-finding",
            "Accept a finding",
            "Accepted a finding",
            (tools, plan, e) => Accept(plan, e.Acceptance)
        ),
        EditKind.Of<LiftAcceptance>(
            "lift-acceptance",
            "Take back that a finding is accepted",
            "Took back that a finding is accepted",
            (tools, plan, e) => Lift(plan, e)
        ),
    ];

    private static EditAnswer ChooseShipped(Plan plan, ChooseBook edit) =>
        RulebookShelf.Shipped.Books.FirstOrDefault(book => book.Id == edit.BookId) is { } book
            ? Choose(plan, edit.Id, book)
            : EditAnswer.No(
                "bookId",
                $"There is no book \"{Editor.Short(edit.BookId)}\"; there are {string.Join(", ", RulebookShelf.Shipped.Books.Select(book => book.Id))}."
            );

    private static EditAnswer Lift(Plan plan, LiftAcceptance edit) =>
        plan.Find<Acceptance>(edit.Id) is { } lifted
            ? EditAnswer.Done(new Change("To be mended again", [new EntityChange(lifted, null)]))
            : EditAnswer.No("id", "It is not accepted any more.");

    private static EditAnswer Choose(Plan plan, string id, Rulebook book) =>
        Carried(book) is { Rules.IsEmpty: false } carried
            ? Put(plan, id, carried)
            : EditAnswer.No(
                "bookId",
                $"No rule of {book.Name} judges a plan, or nobody is sure of its values: ask its rules by hand, or take them as rules of the house."
            );

    /// <summary>Those rules of a book that judge plans or count people and whose values are not of low confidence, and those they ask.</summary>
    private static Rulebook Carried(Rulebook book)
    {
        var taken = new Dictionary<string, Rule>();
        foreach (
            var rule in book.Rules.Where(rule => rule.Confidence != RuleConfidence.Low && (!rule.Judges.IsEmpty || rule.People.Length > 0))
        )
            Take(rule);
        return book with { Rules = [.. taken.Values] };

        void Take(Rule rule)
        {
            if (taken.TryAdd(rule.Id, rule))
                foreach (var other in RulebookShelf.Shipped.AskedBy(rule))
                    Take(other);
        }
    }

    internal static EditAnswer Put(Plan plan, string id, Rulebook book)
    {
        var before = plan.Find(id);
        if (before is not (null or PlanBook))
            return EditAnswer.Taken("id", id);
        if (plan.All<PlanBook>().FirstOrDefault(other => other.Id != id && other.Book().Id == book.Id) is not null)
            return EditAnswer.No("bookId", $"The plan is held against {book.Name} already.");
        return Editor.Swap(
            $"Held against {Editor.Short(book.Name)}",
            before,
            new PlanBook(id, Encoding.UTF8.GetString(RulebookText.Write(book, false)))
        );
    }

    private static EditAnswer Bring(Plan plan, BringBook edit)
    {
        try
        {
            return Put(plan, edit.Id, RulebookText.Read(Encoding.UTF8.GetBytes(edit.Text)));
        }
        catch (RulebookException e)
        {
            return EditAnswer.No("text", e.Message);
        }
    }

    private static EditAnswer Take(Plan plan, TakeBooks edit)
    {
        if (edit.Books.IsDefaultOrEmpty || edit.Books.Length > PlanBook.Most)
            return EditAnswer.No("books", $"From 1 to {PlanBook.Most} books are taken over.");
        ImmutableArray<RuleChange> changes = edit.Changes.IsDefault ? [] : edit.Changes;
        if (changes.Length > MostChanges)
            return EditAnswer.No("changes", $"At most {MostChanges} rules are taken otherwise.");
        if (edit.Books.Select(book => book.Wrong()).FirstOrDefault(wrong => wrong is not null) is { } wrong)
            return EditAnswer.No("books", wrong);
        var were = plan.All<PlanBook>().Where(book => book.Wrong() is null).ToLookup(book => book.Book().Id);
        var changed = plan.All<RuleChange>().ToLookup(change => (change.RuleId, change.Value));
        Entity[] after =
        [
            .. edit
                .Books.DistinctBy(book => book.Book().Id)
                .Select(book => were[book.Book().Id].FirstOrDefault() is { } was ? book with { Id = was.Id } : book),
            .. changes
                .DistinctBy(change => (change.RuleId, change.Value))
                .Select(change =>
                    changed[(change.RuleId, change.Value)].FirstOrDefault() is { } was ? change with { Id = was.Id } : change
                ),
        ];
        if (after.GroupBy(one => one.Id).FirstOrDefault(same => same.Count() > 1) is { } twice)
            return EditAnswer.Taken("id", twice.Key);
        var ids = after.ToDictionary(one => one.Id);
        if (after.FirstOrDefault(one => plan.Find(one.Id) is { } other && other.GetType() != one.GetType()) is { } taken)
            return EditAnswer.Taken("id", taken.Id);
        var change = new Change(
            "Held against the books of the project",
            [
                .. plan.All<PlanBook>()
                    .Concat<Entity>(plan.All<RuleChange>())
                    .Where(one => !ids.ContainsKey(one.Id))
                    .Select(one => new EntityChange(one, null)),
                .. after
                    .Where(one => plan.Find(one.Id) is not { } was || !was.Equals(one))
                    .Select(one => new EntityChange(plan.Find(one.Id), one)),
            ]
        );
        if (change.Entities.IsEmpty)
            return EditAnswer.No("books", "The plan is held against the books of its project already.");
        if (!plan.TryApply(change, out var then, out _))
            return EditAnswer.No("books", "The plan was changed at the same moment; try again.");
        return then.All<RuleChange>().Select(one => Check(then, one)).FirstOrDefault(problem => problem is not null) is { } problem
            ? EditAnswer.No(problem)
            : EditAnswer.Done(change);
    }

    internal static EditAnswer Leave(Plan plan, LeaveBook edit)
    {
        if (plan.Find<PlanBook>(edit.Id) is not { } book)
            return EditAnswer.No("id", "The plan is not held against this book any more.");
        var ids = book.Book().Rules.Select(rule => rule.Id).ToHashSet();
        var others = plan.All<PlanBook>()
            .Where(other => other.Id != book.Id)
            .SelectMany(other => other.Book().Rules)
            .Select(rule => rule.Id)
            .ToHashSet();
        return EditAnswer.Done(
            new Change(
                $"No longer held against {Editor.Short(book.Book().Name)}",
                [
                    new EntityChange(book, null),
                    .. plan.All<RuleChange>()
                        .Where(change => ids.Contains(change.RuleId) && !others.Contains(change.RuleId))
                        .Select(change => new EntityChange(change, null)),
                ]
            )
        );
    }

    private static EditAnswer Change(Plan plan, ChangeRule edit)
    {
        if (plan.Books.Shelf.Find(edit.RuleId) is not { } rule)
            return EditAnswer.No("ruleId", $"No book of the plan has a rule \"{Editor.Short(edit.RuleId)}\".");
        var before = plan.All<RuleChange>().FirstOrDefault(change => change.RuleId == edit.RuleId && change.Value == edit.Value);
        if (edit.Reason.Trim().Length == 0)
            return before is null
                ? EditAnswer.No(NoReason)
                : EditAnswer.Done(new Change($"As its book says again: {Editor.Short(rule.Title)}", [new EntityChange(before, null)]));
        if (before is null && plan.Find(edit.Id) is not null)
            return EditAnswer.Taken("id", edit.Id);
        if (before is null && plan.All<RuleChange>().Count() >= MostChanges)
            return EditAnswer.No("ruleId", $"At most {MostChanges} rules are taken otherwise.");
        var after = new RuleChange(
            before?.Id ?? edit.Id,
            rule.Id,
            edit.Value,
            edit.Reason.Trim(),
            edit.Value.Length == 0 ? null : edit.Figure
        );
        return Check(plan, after) is { } problem
            ? EditAnswer.No(problem)
            : Editor.Swap($"{(after.Figure is null ? "Turned off" : "Changed")}: {Editor.Short(rule.Title)}", before, after);
    }

    private static EditAnswer Accept(Plan plan, Acceptance acceptance)
    {
        if (plan.Find<Scheme>(acceptance.SchemeId) is null)
            return EditAnswer.No("schemeId", "The scheme is no longer there.");
        var before = plan.OfScheme<Acceptance>(acceptance.SchemeId).FirstOrDefault(other => other.FindingId == acceptance.FindingId);
        if (before is null && plan.Find(acceptance.Id) is not null)
            return EditAnswer.Taken("id", acceptance.Id);
        if (before is null && plan.OfScheme<Acceptance>(acceptance.SchemeId).Count() >= Acceptance.Most)
            return EditAnswer.No("findingId", $"At most {Acceptance.Most} findings of a scheme are accepted.");
        acceptance = acceptance with { Id = before?.Id ?? acceptance.Id, Reason = acceptance.Reason.Trim() };
        return Check(acceptance) is { } problem ? EditAnswer.No(problem) : Editor.Swap("Accepted a finding", before, acceptance);
    }

    public static Problem? Check(Acceptance acceptance) =>
        acceptance.Reason.Trim().Length == 0 ? new Problem("reason", "Say why it is accepted: it is printed on the sheet.")
        : acceptance.FindingId.Length == 0 ? new Problem("findingId", "Say which finding is accepted.")
        : null;

    private static readonly Problem NoReason = new("reason", "Say why the rule is taken otherwise: it is printed with the findings.");

    public static Problem? Check(PlanBook book) => book.Wrong() is { } wrong ? new Problem("text", wrong) : null;

    public static Problem? Check(Plan plan, RuleChange change)
    {
        if (change.Reason.Trim().Length == 0)
            return NoReason;
        if (change.Value.Length == 0 != change.Figure is null)
            return new Problem("figure", "A rule is off, or has a figure for a value that is named.");
        if (change.Figure is < 0 or > 1_000_000)
            return new Problem("figure", $"The figure is from 0 to 1 000 000; {change.Figure:0.##} was given.");
        if (plan.Books.Shelf.Find(change.RuleId) is not { } rule)
            return new Problem("ruleId", $"No book of the plan has a rule \"{Editor.Short(change.RuleId)}\".");
        return change.Value.Length > 0 && !rule.Values.ContainsKey(change.Value)
            ? new Problem(
                "value",
                $"{rule.Title} has no value \"{Editor.Short(change.Value)}\"; it has {string.Join(", ", rule.Values.Keys)}."
            )
            : null;
    }
}
