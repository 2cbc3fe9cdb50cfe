using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Planning;

/// <summary>Everything derived from one scheme of a plan, seen from one level. Tally and findings are of all levels.</summary>
public sealed record PlanState(
    Plan Plan,
    string SchemeId,
    LevelState Level,
    ImmutableArray<LevelState> Levels,
    Tally Tally,
    ImmutableArray<Finding> Findings
)
{
    /// <summary>Whether the walkways, and what is said of them, are those from before an edit that moves many things.</summary>
    public bool IsStale { get; init; }

    /// <summary>What the scheme is counted for and who leaves by what.</summary>
    public Proof Proof { get; init; } = new([], [], [], []);

    public ImmutableArray<RoomLoad> Loads => Proof.Loads;

    /// <summary>What a sheet of this scheme on this level is made from.</summary>
    public SheetInput SheetInput(SheetSettings settings, string project, string revision, string status, DateOnly date) =>
        new(
            Plan,
            settings,
            Space,
            Items,
            Level.Things,
            [.. WaysIn.ToTell(Level)],
            Levels.Length == 1
                ? Tally
                : Tallying.Of([Space], Items, null, WaysIn.Narrowest([Level])) with
                {
                    Further = [.. Level.Areas.SelectMany(area => area.Asked)],
                },
            Levels.Length == 1 ? null : Tally,
            project,
            revision,
            status,
            date
        )
        {
            Held =
            [
                .. Plan.Books.Shelf.Books.Length == 0
                    ? []
                    : (string[])
                        [
                            $"Held against {string.Join(", ", Plan.Books.Shelf.Books.Select(book => book.Name))}; values from memory, to be checked against the adopted editions.",
                        ],
                .. Tally
                    .Holds.Where(hold => hold.Seats > 0 && hold.Lowest is not null)
                    .Select(hold =>
                        $"{hold.Name}: {hold.Seats} seats; may hold {hold.Lowest!.People:0}, limited by {hold.Lowest.Says} ({hold.Lowest.Source}){string.Concat(hold.Limits.Skip(1).Take(2).Select(next => $"; then {next.People:0} by {next.Says}"))}."
                    ),
                .. Space
                    .Openings.Where(place => place.Opening.Shut)
                    .Select(place => $"Shut: {Compliance.Exits.NameOf(Space, place)}; nobody is taken to leave by it."),
                .. Plan.All<RuleChange>()
                    .Select(change =>
                        $"{Plan.Books.Shelf.Find(change.RuleId)?.Title ?? change.RuleId}: {(change.Figure is { } figure ? $"{change.Value} {figure:0.##}" : "not judged")}. {change.Reason}"
                    ),
                .. Findings
                    .Where(finding => finding.Accepted is not null)
                    .Select(finding =>
                        $"Accepted: {finding.Title}. {finding.Accepted!.Reason} ({finding.Accepted.By}, {finding.Accepted.On})"
                    ),
            ],
            NotDrawn = Plan.Find<View>(settings.ViewId) is { } view ? NotDrawn.By(Plan, view) : NotDrawn.Nothing,
        };

    /// <summary>The sheet of the level that is looked at; of the scheme's others the first where it has none.</summary>
    public SheetSettings Sheet()
    {
        var sheets = Plan.OfScheme<SheetSettings>(SchemeId).ToArray();
        return sheets.FirstOrDefault(sheet => sheet.LevelId == LevelId) ?? sheets[0];
    }

    /// <summary>The same, seen from another level.</summary>
    public PlanState SeenOn(string levelId) =>
        levelId == LevelId ? this : this with { Level = Levels.First(level => level.Space.LevelId == levelId) };

    public string LevelId => Level.Space.LevelId;
    public LevelSpace Space => Level.Space;
    public ImmutableArray<PlacedItem> Items => Level.Items;
    public WalkwayAnalysis Walkways => Level.Walkways;
    public ImmutableArray<Overlap> Overlaps => Level.Overlaps;
}
