using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>A block where it lies: its own things, what stands there besides, and what it holds when it is asked otherwise.</summary>
internal sealed class BlockSite
{
    /// <summary>Where a half round is open: as many degrees at its front. Common practice: people sit on two thirds of the edge.</summary>
    private const double HalfRoundOpen = 120;
    private const double HalfRoundSeats = 0.7;

    private readonly Plan plan;
    private readonly Thing block;
    private readonly ItemForms forms;
    private readonly Checks checks;
    private readonly LevelSpace space;
    private readonly PlacedItem[] standing;
    private readonly KeptWay[] ways;

    public string SchemeId { get; }

    /// <summary>All its things, in the order of their slots.</summary>
    public Item[] Members { get; }

    /// <summary>Those that are laid anew.</summary>
    public Item[] Own { get; }

    /// <summary>Those that stay as they are.</summary>
    public Item[] Staying { get; }

    /// <summary>How many of them stand there.</summary>
    public StandingSeats Stay { get; }

    public Checks Checks => checks;

    /// <param name="kept">Those of its things that were set by hand.</param>
    public BlockSite(Plan plan, Thing block, ItemForms forms, Func<Plan, string, LevelSpace> spaces, IReadOnlyCollection<string> kept)
    {
        (this.plan, this.block, this.forms) = (plan, block, forms);
        SchemeId = ((IOfScheme)block).SchemeId;
        checks = plan.OfScheme<Checks>(SchemeId).First();
        space = spaces(plan, block.LevelId);
        Members = [.. plan.OfScheme<Item>(SchemeId).Where(item => item.Parent == block.Id).OrderBy(item => item.Slot)];
        Own = [.. Members.Where(item => !kept.Contains(item.Id) && !item.Locked && !item.SetAside)];
        var free = Own.Select(item => item.Id).ToHashSet();
        Staying = [.. Members.Where(item => !free.Contains(item.Id))];
        standing = [.. forms.PlaceAll(plan, SchemeId, block.LevelId).Where(item => !free.Contains(item.Item.Id))];
        ways = [.. KeptWay.Of(plan, SchemeId, block.LevelId)];
        var stay = standing.Where(item => item.Item.Parent == block.Id).ToArray();
        Stay = new StandingSeats(Members.Length - Own.Length, stay.Sum(item => item.Form.Seats.Length));
    }

    /// <summary>The columns and things that stand within its area, with the id of those that can be taken away.</summary>
    public IEnumerable<(string Name, ImmutableArray<Convex> Shapes, string? Id)> InIt()
    {
        foreach (var thing in space.Things.Where(thing => thing.Effect() == ThingEffect.Solid && block.Marks(thing.Placement.Origin)))
            yield return (thing.Called(), [thing.Floor()], null);
        foreach (var item in standing.Where(item => item.Item.Parent != block.Id && block.Marks(item.Item.Placement.Origin)))
            yield return (item.Name, [.. item.Standing], item.Item.Locked ? null : item.Item.Id);
    }

    /// <summary>The doors and flights ways are kept from, by id and name.</summary>
    public IEnumerable<(string Id, string Name)> Doors() => WaysOut.DoorsOf(space, block);

    /// <summary>The same where no way is kept from a door or flight.</summary>
    public BlockSite WithoutWayFrom(string id) => new(this, []) { notFrom = id };

    private string? notFrom;

    /// <summary>The same where some of what stands there did not.</summary>
    public BlockSite Without(ImmutableArray<Convex> shapes) => new(this, shapes);

    private readonly ImmutableArray<Convex> without = [];

    private BlockSite(BlockSite site, ImmutableArray<Convex> without)
    {
        (plan, block, forms, checks, space, ways) = (site.plan, site.block, site.forms, site.checks, site.space, site.ways);
        (SchemeId, Members, Own, Staying, Stay) = (site.SchemeId, site.Members, site.Own, site.Staying, site.Stay);
        this.without = without;
        standing = [.. site.standing.Where(item => !item.Standing.Any(IsGone))];
    }

    private bool IsGone(Convex shape) => without.Any(gone => gone.Bounds == shape.Bounds && gone.Corners.Length == shape.Corners.Length);

    /// <summary>What it is filled with when it is asked so; null where the catalogue does not know it.</summary>
    public PlacedItem? One(SeatsAsked asked)
    {
        if (plan.CatalogueItem(asked.Catalogue) is not { } kind)
            return null;
        var isHalf = asked.Style == SeatingStyle.HalfRounds;
        var seats =
            asked.Seats is { } wanted && kind.IsRound ? Math.Min(wanted, TableSizes.MostSeatsAt(kind, kind.Size))
            : isHalf ? (int)Math.Round(kind.Seats.Around * HalfRoundSeats)
            : (int?)null;
        // Fronts are at the foot: what looks up stands half turned; a desk is sat at from its front.
        var turn = kind.Seats is { Front: > 0, Back: 0, Left: 0, Right: 0 } ? 270 : 90;
        var item = new Item(
            "",
            SchemeId,
            block.LevelId,
            asked.Catalogue,
            block.X,
            block.Y,
            AngleText.Normal(asked.Facing + turn),
            Seats: seats is { } count ? new SeatsBySide(Around: count) : null,
            Parameters: isHalf ? ItemParameters.None.With("open", HalfRoundOpen) : null
        );
        return forms.Place(plan, item, checks);
    }

    /// <summary>What it holds when it is asked so; with ways from the doors kept free, round those that cost the least.</summary>
    /// <param name="mend">Judges the ways of what is laid and leaves out what breaks one; null where that is not asked.</param>
    /// <param name="carry">Where its things stand while a hand drags; null to lay it anew.</param>
    /// <returns>What stands, and the ways to it; null for those where they were not judged.</returns>
    public (ImmutableArray<Stand> Stands, FillWays? Ways) Stands(
        SeatsAsked asked,
        PlacedItem one,
        BlockMend? mend = null,
        IReadOnlyList<Stand>? carry = null
    )
    {
        if (mend is null || asked.Ways != WaysKept.FromDoors)
            return (Laid(asked, one, carry), null);
        // Gaps under the seat access leave seats that are not reached: with gaps as wide as that fewer may have to go.
        double Wide(double gap) => Math.Max(gap, checks.SeatAccess);
        var wide = asked with
        {
            GapInRow = Wide(asked.GapInRow),
            GapBetweenRows = Wide(asked.GapBetweenRows),
            GapToWalls = Wide(asked.GapToWalls),
        };
        if (wide == asked || SeatingStyles.Of(asked.Style).HasRows)
            return ToNumber(mend, asked, one, carry);
        // In a large fill that is all but sure, and judging it as asked would take most of the time.
        var isLarge = Laid(asked.InLattices() with { Ways = WaysKept.Drawn }, one, carry).Length > ManyStands;
        if (isLarge)
            return ToNumber(mend, wide, one, carry);
        var stands = Laid(asked, one, carry);
        var mended = Mended(mend, stands);
        if (mended.Stands.Length == stands.Length)
            return mended;
        var wider = ToNumber(mend, wide, one, carry);
        return Seats(wider.Stands, one).CompareTo(Seats(mended.Stands, one)) > 0 ? wider : mended;
    }

    /// <summary>More than this are a large fill.</summary>
    private const int ManyStands = 40;

    private ImmutableArray<Stand> Laid(SeatsAsked asked, PlacedItem one, IReadOnlyList<Stand>? carry)
    {
        var area = SeatingArea.Of(block, asked.Facing, one, space, standing, ways).WithService(asked.Service) with
        {
            Lines = LinesBeside(asked),
        };
        if (without.Length > 0)
            area = area with { Standing = [.. area.Standing.Where(shape => !IsGone(shape))] };
        // Which ways cost the least lattices at the gaps asked tell: a dense search is made and gaps are widened once, round the best.
        var told = carry is null ? asked.InLattices() with { Laid = WantedLaid.Front } : asked;
        (SeatingArea Area, ImmutableArray<Stand> Laid)? best = null;
        if (asked.Ways == WaysKept.FromDoors)
            foreach (var strips in WaysOut.Of(space, block, standing, checks.MainAisle, asked.Facing, notFrom))
            {
                var round = area with { Ways = area.Ways.AddRange(strips) };
                var laid = On(round, told);
                if (best is not { } known || Seats(laid, one).CompareTo(Seats(known.Laid, one)) > 0)
                    best = (round, laid);
            }
        return best is { } found && told == asked ? found.Laid : On(best?.Area ?? area, asked);

        ImmutableArray<Stand> On(SeatingArea on, SeatsAsked how) => BlockStands.Of(block, how, one, on, Stay, carry, Second(asked));
    }

    private PlacedItem? Second(SeatsAsked asked) =>
        asked.IsMixed
            ? One(
                asked with
                {
                    Catalogue = asked.SecondCatalogue.Length > 0 ? asked.SecondCatalogue : asked.Catalogue,
                    Seats = asked.SecondSeats,
                }
            )
            : null;

    /// <summary>
    /// Whether the rows of a block lie on the lines of another where they can: of one that looks the same way, is made of the same and has the lower id. So the later follows
    /// the earlier one, never both each other.
    /// </summary>
    public static bool Follows(Thing block, Thing other) =>
        string.CompareOrdinal(other.Id, block.Id) < 0
        && other.LevelId == block.LevelId
        && block.Fills() is { } asked
        && SeatingStyles.Of(asked.Style).HasRows
        && other.Fills() is { } leads
        && (leads.Style, leads.Catalogue, leads.Facing) == (asked.Style, asked.Catalogue, asked.Facing)
        && ((IOfScheme)other).SchemeId == ((IOfScheme)block).SchemeId;

    /// <summary>Where the things of the blocks stand whose lines it follows.</summary>
    private ImmutableArray<Point> LinesBeside(SeatsAsked asked)
    {
        var beside = plan.OnLevel<Thing>(block.LevelId).Where(thing => Follows(block, thing)).Select(thing => thing.Id).ToHashSet();
        return beside.Count == 0
            ? []
            :
            [
                .. plan.OfScheme<Item>(SchemeId)
                    .Where(item => item.Parent is { } parent && beside.Contains(parent) && item.Catalogue == asked.Catalogue)
                    .Select(item => item.Placement.Origin),
            ];
    }

    /// <summary>How many sit there, then how many tables there are: at a café they are of two sizes, at high tables nobody sits.</summary>
    private static (int, int) Seats(ImmutableArray<Stand> stands, PlacedItem one) =>
        (stands.Sum(stand => BlockStands.SeatsOf(stand, one)), stands.Length);

    /// <summary>More often than so nothing is put elsewhere.</summary>
    private const int MostElsewhere = 3;

    /// <summary>Without what breaks a way; where a number is asked for, as many are put elsewhere instead, if there is room.</summary>
    private (ImmutableArray<Stand> Stands, FillWays? Ways) ToNumber(
        BlockMend mend,
        SeatsAsked asked,
        PlacedItem one,
        IReadOnlyList<Stand>? carry
    )
    {
        var stands = Laid(asked, one, carry);
        var best = Mended(mend, stands);
        var isCounted = asked.IsCounted && !SeatingStyles.Of(asked.Style).IsOne;
        for (var i = 0; i < MostElsewhere && isCounted && best.Stands.Length < stands.Length; i++)
        {
            var stay = best.Stands.Select(stand => stand.At).ToHashSet();
            var gone = stands.Select(stand => stand.At).Where(at => !stay.Contains(at)).Select(block.Placement.In);
            asked = asked with { LeftOut = [.. asked.LeftOut, .. gone] };
            stands = Laid(asked, one, carry);
            if (stands.Length <= best.Stands.Length)
                break;
            if (Mended(mend, stands) is var next && Seats(next.Stands, one).CompareTo(Seats(best.Stands, one)) > 0)
                best = next;
        }
        return best;
    }

    /// <summary>Without what breaks a way.</summary>
    private (ImmutableArray<Stand> Stands, FillWays? Ways) Mended(BlockMend mend, ImmutableArray<Stand> stands)
    {
        string IdOf(int i) => string.Create(CultureInfo.InvariantCulture, $"{block.Id}/{i}");
        var (gone, ways) = mend.LeftOut(
            plan,
            space,
            checks,
            block,
            standing,
            [.. stands.Select((stand, i) => forms.Place(plan, Standing(stand) with { Id = IdOf(i) }, checks)).OfType<PlacedItem>()],
            notFrom
        );
        return (gone.Count == 0 ? stands : [.. stands.Where((_, i) => !gone.Contains(IdOf(i)))], ways);
    }

    /// <summary>A stand as an item of the block.</summary>
    public Item Standing(Stand stand) =>
        new(
            "",
            SchemeId,
            block.LevelId,
            stand.Catalogue,
            stand.At.X,
            stand.At.Y,
            AngleText.Normal(stand.Rotation),
            Width: stand.Width,
            Depth: stand.Depth,
            Seats: stand.Seats,
            Parameters: stand.Parameters,
            Parent: block.Id
        );

    public int SeatsOf(Stand stand) => forms.Place(plan, Standing(stand), checks)?.Form.Seats.Length ?? 0;
}
