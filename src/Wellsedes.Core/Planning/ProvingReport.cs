using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Planning;

/// <summary>Rooms, people, ways out, limits, findings and what is taken otherwise, as a report: each figure with its working and its source.</summary>
public static class ProvingReport
{
    public static Report Of(PlanState state)
    {
        var (plan, units) = (state.Plan, state.Plan.Details.Units);
        var books = plan.Books.Shelf.Books.ToDictionary(book => book.Id, book => book.Name);
        string Book(string id) => books.GetValueOrDefault(id, "");
        string Level(string id) => plan.Find<Level>(id)?.Name ?? "";
        string Width(double mm) => LengthText.WriteRound(mm, units);
        return new Report(
            plan.Details.Title,
            plan.Find<Scheme>(state.SchemeId)!.Name,
            books.Count == 0
                ? "Held against the house's checks and the brief; no rulebook is chosen."
                : $"Held against {string.Join(", ", books.Values)}. Values from memory, to be checked against the adopted editions. Widths in {(units == UnitSystem.Metric ? "mm" : "feet and inches")}. No legal advice.",
            [
                new ReportTable(
                    "rooms",
                    "Rooms",
                    ["Level", "Room", "Use", "Net area", "Seats", "Way in", "Narrowest way to a seat"],
                    [
                        .. state.Levels.SelectMany(level =>
                            level.Space.Rooms.Select(room =>
                            {
                                var figures = level.Rooms.FirstOrDefault(one => one.RoomId == room.Room.Id);
                                return Row(
                                    level.Space.Level.Name,
                                    room.Room.Name,
                                    room.Room.Use.Length > 0 ? room.Room.Use : "not given",
                                    AreaText.Write(room.NetInternal, units),
                                    Whole((figures?.Seats ?? 0) + (figures?.Workstations ?? 0)),
                                    figures is { WayIn: > 0 } && double.IsFinite(figures.WayIn) ? Width(figures.WayIn) : "–",
                                    figures?.Narrowest is { } narrowest && double.IsFinite(narrowest) ? Width(narrowest) : "–"
                                );
                            })
                        ),
                    ]
                ),
                new ReportTable(
                    "people",
                    "People",
                    ["Level", "Room", "Use", "Rulebook", "People", "Seats", "Working", "Source"],
                    [
                        .. state.Loads.Select(load =>
                            Row(
                                Level(load.LevelId),
                                load.Name,
                                load.Use.Length > 0 ? load.Use : "not given",
                                Book(load.BookId),
                                load.Unjudged.Length > 0 ? "–" : Whole(load.People),
                                Whole(load.Seats),
                                load.Unjudged.Length > 0 ? load.Unjudged : load.Working,
                                load.Source
                            )
                        ),
                    ]
                ),
                new ReportTable(
                    "exits",
                    "Ways out",
                    ["Level", "Way out", "Clear width", "Rulebook", "Leave by it", "Wide enough for", "Spare", "Source"],
                    [
                        .. state.Proof.Exits.Select(exit =>
                            Row(
                                Level(exit.LevelId),
                                exit.Name,
                                Width(exit.ClearWidth),
                                Book(exit.BookId),
                                exit.Shut ? "shut" : Whole(exit.People),
                                exit is { Shut: false, Holds: { } holds } ? Whole(holds) : "–",
                                exit is { Shut: false, Spare: { } spare } ? Whole(spare) : "–",
                                exit.Source
                            )
                        ),
                    ]
                ),
                new ReportTable(
                    "holds",
                    "What each room may hold",
                    ["Level", "Room", "Seats", "At most", "Limited by", "Rulebook", "Source"],
                    [
                        .. state.Tally.Holds.SelectMany(hold =>
                            hold.Limits.Select(limit =>
                                Row(
                                    Level(hold.LevelId),
                                    hold.Name,
                                    Whole(hold.Seats),
                                    Whole(limit.People),
                                    limit.Says,
                                    Book(limit.BookId),
                                    limit.Source
                                )
                            )
                        ),
                    ]
                ),
                new ReportTable(
                    "findings",
                    "Findings",
                    ["Weight", "Level", "Finding", "Has", "Needed", "Working", "Source", "Id"],
                    [
                        .. state.Findings.Select(finding =>
                            Row(
                                finding.Accepted is { } one ? $"accepted: {one.Reason} ({one.By}, {one.On})" : WeightOf(finding.Weight),
                                Level(finding.LevelId),
                                finding.Title,
                                finding.MeasuredText,
                                finding.NeededText,
                                finding.Why,
                                finding.Source,
                                finding.Id
                            )
                        ),
                    ]
                ),
                new ReportTable(
                    "changes",
                    "Taken otherwise than the rulebooks say",
                    ["Rule", "Value", "Figure", "Reason"],
                    [
                        .. plan.All<RuleChange>()
                            .OrderBy(change => change.RuleId, StringComparer.Ordinal)
                            .Select(change =>
                                Row(
                                    plan.Books.Shelf.Find(change.RuleId)?.Title ?? change.RuleId,
                                    change.Value.Length > 0 ? change.Value : "not judged",
                                    change.Figure is { } figure ? figure.ToString("0.####", CultureInfo.InvariantCulture) : "–",
                                    change.Reason
                                )
                            ),
                    ]
                ),
            ]
        );
    }

    private static ImmutableArray<string> Row(params ReadOnlySpan<string> cells) => [.. cells];

    private static string Whole(double n) => n.ToString("0", CultureInfo.InvariantCulture);

    private static string WeightOf(FindingWeight weight) =>
        weight switch
        {
            FindingWeight.Must => "must",
            FindingWeight.Advise => "advice",
            _ => "not judged",
        };
}
