using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Planning;

/// <summary>A way to fill an area, tried out: the plan is as it was.</summary>
/// <param name="Words">What makes it different from the others.</param>
/// <param name="Standing">How many stand at its high tables.</param>
/// <param name="Tables">Tables, or chairs of rows.</param>
/// <param name="Neatness">From 0 to 100.</param>
/// <param name="Narrowest">Of the ways to its seats and tables the narrowest, in mm; null where ways are not judged, or nobody gets in.</param>
/// <param name="Unreached">How many seats and tables are not reached over the width they need, exits that lose their way among them.</param>
/// <param name="AreaPerSeat">In m², of the area filled.</param>
/// <param name="Short">What the house has too few of.</param>
/// <param name="TablesDrawn">Its tables, and seats by themselves, as path data on the level.</param>
/// <param name="ChairsDrawn">The chairs at its tables.</param>
/// <param name="More">Of a dense one, how many more sit or stand than in the fullest of the others; null of these.</param>
/// <param name="Edit">What takes it.</param>
public sealed record FillCandidate(
    string Words,
    int Seats,
    int Standing,
    int Tables,
    int Neatness,
    double? Narrowest,
    int? Unreached,
    double? AreaPerSeat,
    ImmutableArray<string> Short,
    string TablesDrawn,
    string ChairsDrawn,
    int? More,
    Edit Edit
)
{
    /// <summary>How many it holds: those who sit and those who stand.</summary>
    [JsonIgnore]
    public int People => Seats + Standing;
}

/// <summary>Answers how an area may be filled: the neat ones before the dense ones.</summary>
/// <param name="waysOn">The ways on a level of a scheme of a plan that is only tried out.</param>
internal sealed class FillCandidates(Editor editor, ItemForms forms, Func<Plan, string, string, WalkwayAnalysis> waysOn)
{
    /// <summary>No more are offered.</summary>
    private const int Most = 5;

    /// <summary>So many are told at once, before any is judged.</summary>
    private const int First = 2;

    /// <summary>So much more between tables is a difference one feels, in mm; common practice.</summary>
    private const double Roomier = 300;

    /// <summary>What an edit that puts in a block would hold, and others near it.</summary>
    /// <param name="judged">Whether the ways to all seats are judged as well, which takes longer.</param>
    /// <param name="problem">Why the block itself cannot be put in; null where it can.</param>
    public ImmutableArray<FillCandidate> For(Plan plan, Edit edit, bool judged, out Problem? problem, CancellationToken cancel)
    {
        problem = null;
        if (ThingOf(edit) is not { } wanted || wanted.Fills() is not { } asked)
            return [];
        // Ways from the doors are only worth their time where they are judged; the others follow beside the first.
        (string Words, SeatsAsked Asked)[] variants =
        [
            .. Variants(plan, asked).Where(one => judged || one.Asked.Ways == asked.Ways).Take(judged ? int.MaxValue : First),
        ];
        var tried = new (FillCandidate? Candidate, Problem? Problem)[variants.Length];
        Together.For(
            variants.Length,
            i =>
            {
                cancel.ThrowIfCancellationRequested();
                tried[i] = Tried(plan, variants[i].Words, With(edit, wanted.Filled(variants[i].Asked)), wanted.Id, judged);
            },
            2
        );
        if (tried.All(one => one.Candidate is null))
            problem = tried.Select(one => one.Problem).FirstOrDefault(one => one is not null);
        return Chosen(Compared(tried.Select(one => one.Candidate).OfType<FillCandidate>().ToArray()), asked.Guests);
    }

    /// <summary>Dense ones with what they win, where there is another to hold them against; without those that hold fewer in no lines.</summary>
    private static IEnumerable<FillCandidate> Compared(FillCandidate[] all)
    {
        bool IsDense(FillCandidate one) => ThingOf(one.Edit)?.Fills() is { IsDense: true };
        var neat = all.Where(one => !IsDense(one)).Select(one => (int?)one.People).Max();
        return all.Select(one => IsDense(one) ? one with { More = one.People - neat } : one).Where(one => one.More is null or >= 0);
    }

    private (FillCandidate?, Problem?) Tried(Plan plan, string words, Edit edit, string blockId, bool judged)
    {
        var answer = editor.Answer(plan, edit, atOnce: !judged);
        if (answer.Change is not { } change || !plan.TryApply(change, out var after, out _))
            return (null, answer.Problem);
        if (after.Find(blockId) is not Thing block)
            return (null, null);
        var schemeId = ((IOfScheme)block).SchemeId;
        var placed = forms.PlaceAll(after, schemeId, block.LevelId);
        PlacedItem[] own = [.. placed.Where(item => item.Item.Parent == block.Id)];
        // Judged when it was filled, if nothing else has become otherwise since.
        var isAlone = change.Entities.All(one => one.Id == block.Id || ((one.After ?? one.Before) is Item item && item.Parent == block.Id));
        var ways =
            !judged ? null
            : isAlone && editor.WaysOf(block) is { } known ? known
            : FillWays.Of(waysOn(after, schemeId, block.LevelId), own.Select(item => item.Item.Id).ToHashSet());
        return (Of(words, edit, block, own, StockUses.Of(after, [.. placed]), ways), null);
    }

    /// <summary>The thing that an edit puts in; null for other edits.</summary>
    public static Thing? ThingOf(Edit edit) =>
        edit switch
        {
            PutThing put => put.Thing as Thing,
            PutOverRooms put => put.Thing as Thing,
            _ => null,
        };

    public static Edit With(Edit edit, Thing thing) =>
        edit is PutThing put ? put with { Thing = thing } : (PutOverRooms)edit with { Thing = thing };

    /// <summary>Ways a block may be asked otherwise than it is.</summary>
    private static IEnumerable<(string Words, SeatsAsked Asked)> Variants(Plan plan, SeatsAsked asked)
    {
        var usual = SeatingStyles.Of(asked.Style);
        var units = plan.Details.Units;
        if (usual.IsLattice)
        {
            if (asked.Ways == WaysKept.Drawn)
            {
                yield return ("In lines", asked with { Layout = BlockLayout.Lines });
                yield return ("Staggered", asked with { Layout = BlockLayout.Staggered });
            }
            if (asked.IsDense)
            {
                yield return ("Dense", asked with { Layout = BlockLayout.Dense });
                yield return ("Dense, left as right", asked with { Layout = BlockLayout.MirroredDense });
            }
            yield return ("Staggered, ways from the doors kept", asked with { Layout = BlockLayout.Staggered, Ways = WaysKept.FromDoors });
            if (asked is { IsDense: true, Ways: WaysKept.Drawn })
                yield break;
            var inLines = asked with { Layout = BlockLayout.Lines, Ways = WaysKept.FromDoors };
            yield return ("In lines, ways from the doors kept", inLines);
            if (IsFewer(asked))
                yield return (Spread, inLines with { Laid = WantedLaid.Spread });
            else if (asked.Ways == WaysKept.FromDoors)
                yield return (
                    $"In lines, {LengthText.Tell(Roomier, units)} more between tables",
                    inLines with
                    {
                        GapInRow = asked.GapInRow + Roomier,
                        GapBetweenRows = asked.GapBetweenRows + Roomier,
                    }
                );
        }
        else if (usual.HasRows && asked.FromAisle is not null && asked.Style != SeatingStyle.Circle)
        {
            yield return ("Aisles where they cost least", asked with { Aisles = AislesAt.Fullest });
            if (asked.Style != SeatingStyle.Herringbone)
            {
                yield return ("A middle aisle", asked with { Aisles = AislesAt.Middle });
                yield return ("Aisles at both sides", asked with { Aisles = AislesAt.Sides });
            }
            yield return ("A cross aisle every 8 rows", asked with { CrossEvery = 8 });
            yield return ("Ways from the doors kept", asked with { Ways = WaysKept.FromDoors });
        }
        else
        {
            yield return ("As asked", asked);
            yield return ("Ways from the doors kept", asked with { Ways = WaysKept.FromDoors });
            if (IsFewer(asked) && !usual.IsOne && asked.Style != SeatingStyle.Circle)
                yield return (Spread, asked with { Laid = WantedLaid.Spread, Ways = WaysKept.FromDoors });
            if (asked.GapToWalls >= 300)
                yield return ($"{LengthText.Tell(300, units)} nearer to walls", asked with { GapToWalls = asked.GapToWalls - 300 });
        }
    }

    /// <summary>Whether as many are asked for as may well leave room.</summary>
    private static bool IsFewer(SeatsAsked asked) => asked is { Laid: WantedLaid.Front, IsCounted: true };

    private const string Spread = "Spread over the floor, ways from the doors kept";

    /// <summary>Those that say something of their own, the neatest of as many seats first.</summary>
    private static ImmutableArray<FillCandidate> Chosen(IEnumerable<FillCandidate> all, int? guests) =>
        [
            .. all.Where(one => one.Tables > 0)
                .DistinctBy(one => one.TablesDrawn)
                .OrderByDescending(one => guests is null || one.People >= guests)
                .ThenByDescending(one => one.Unreached is null or 0)
                .ThenByDescending(one => one.Neatness >= 70)
                .ThenByDescending(one => one.People)
                .ThenByDescending(one => one.Neatness)
                .Take(Most),
        ];

    /// <param name="items">The items of the block.</param>
    /// <param name="ways">Null where they are not judged.</param>
    private static FillCandidate Of(
        string words,
        Edit edit,
        Thing block,
        IReadOnlyCollection<PlacedItem> items,
        ImmutableArray<StockUse> stock,
        FillWays? ways
    )
    {
        var seats = items.Sum(item => item.Form.Seats.Length);
        var areas = block.Areas();
        var area = areas.Sum(one => one.Area) / 1e6;
        return new FillCandidate(
            words,
            seats,
            items.Sum(item => item.Kind.StandAt),
            items.Count,
            Neatness.Of(
                [.. items.Select(item => item.Item.Placement.Origin)],
                areas.MaxBy(one => one.Area)!.Centroid,
                block.Fills()!.Facing
            ),
            ways?.Narrowest,
            ways?.Unreached,
            seats > 0 ? Math.Round(area / seats, 2) : null,
            [.. stock.Where(use => use.Short > 0).Select(use => $"{use.Short} {use.Name}")],
            Drawn(items.SelectMany(item => item.Solids)),
            Drawn(items.SelectMany(item => item.Seated)),
            null,
            edit
        );
    }

    private static string Drawn(IEnumerable<Convex> shapes) =>
        string.Join(
            ' ',
            shapes.Select(shape =>
                (
                    shape.Corners.Length == 1 ? PathShape.Circle(shape.Corners[0], shape.Radius) : PathShape.Closed([.. shape.Outline(5)])
                ).ToPathData(isSmall: true)
            )
        );
}
