using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.KindsOfThing.SeatingBlocks;

/// <summary>Whether chairs of a row are single, or joined to each other so that they cannot be moved apart.</summary>
public enum ChairsJoined
{
    Single,
    InRows,
}

/// <summary>
/// An area of a scheme that is filled with tables or rows of chairs, and filled anew whenever it or what stands in it changes. These are stored items whose
/// parent is its id. It is a rectangle or has a shape of its own, as a zone.
/// </summary>
public sealed record SeatingBlock(
    string Id,
    string SchemeId,
    string LevelId,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    string Name,
    string Catalogue,
    BlockLayout Layout,
    double GapInRow,
    double GapBetweenRows,
    double GapToWalls,
    double Facing,
    bool Locked = false,
    int? Seats = null,
    int? Wanted = null,
    ZoneShape? Shape = null,
    SeatingStyle Style = SeatingStyle.Rounds,
    int? Guests = null,
    WantedLaid Laid = WantedLaid.Front,
    double Aisle = 1200,
    int? FromAisle = null,
    AislesAt Aisles = AislesAt.Fullest,
    int? CrossEvery = null,
    double Focus = 6000,
    double Fan = 15,
    int Wheelchairs = 0,
    WaysKept Ways = WaysKept.Drawn,
    RowNumbers Numbers = RowNumbers.Letters,
    SeatingRule Rule = SeatingRule.Typed,
    RowEnds Ends = RowEnds.Centred,
    int Reserved = 0,
    double Service = 0,
    string SecondCatalogue = "",
    int? SecondSeats = null,
    ChairsJoined Chairs = ChairsJoined.Single
) : OutlinedThing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked, Shape), IOfScheme
{
    /// <summary>The most tables that can be wanted, or chairs of rows.</summary>
    public const int MostTables = 1000;
    public const int MostChairs = 3000;

    /// <summary>The most people that can be asked for.</summary>
    public const int MostGuests = 10_000;

    public ImmutableArray<string> Kept { get; init; } = [];

    public ImmutableArray<Point> LeftOut { get; init; } = [];

    public static ThingKind Kind { get; } =
        new(
            "seating-block",
            typeof(SeatingBlock),
            "seating block",
            ThingStage.Furnish,
            BlockFields.All,
            (id, level, scheme, at) => Usual(id, scheme, level, at, SeatingStyle.Rounds),
            [
                .. SeatingStyles.All.Select(usual => new ReadyMade(
                    usual.Label,
                    thing => ((SeatingBlock)thing).As(usual.Style),
                    usual.Source
                )),
            ],
            ThingForm.Area
        );

    private static SeatingBlock Usual(string id, string scheme, string level, Point at, SeatingStyle style) =>
        new SeatingBlock(id, scheme, level, at.X, at.Y, 0, 8000, 8000, "", "", BlockLayout.Lines, 0, 0, 0, 90).As(style);

    /// <summary>The same in another style, with what is usual for that; where people look, who comes and the area stay.</summary>
    public SeatingBlock As(SeatingStyle style)
    {
        var usual = SeatingStyles.Of(style);
        return this with
        {
            Style = style,
            Catalogue = usual.Catalogue[0],
            Seats = null,
            SecondCatalogue = "",
            SecondSeats = null,
            Wanted = null,
            GapInRow = usual.InRow,
            GapBetweenRows = usual.BetweenRows,
            GapToWalls = usual.ToWalls,
            FromAisle = usual.FromAisle,
            Aisle = usual.Aisle > 0 ? usual.Aisle : 1200,
            Kept = [],
            LeftOut = [],
        };
    }

    /// <summary>Whether a rule says how many of a row may be from an aisle.</summary>
    internal bool OfRule => Rule != SeatingRule.Typed && SeatingStyles.Of(Style) is { IsOfChairs: true } && Style != SeatingStyle.Circle;

    /// <summary>All that is asked but those that were set by hand and left out: these are compared by content.</summary>
    private SeatsAsked Told => Fills() with { Kept = [], LeftOut = [] };

    public bool Equals(SeatingBlock? other) =>
        other is not null
        && base.Equals(other)
        && (SchemeId, Name, Chairs) == (other.SchemeId, other.Name, other.Chairs)
        && Told == other.Told
        && Kept.AsSpan().SequenceEqual(other.Kept.AsSpan())
        && LeftOut.AsSpan().SequenceEqual(other.LeftOut.AsSpan());

    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), Name, Chairs, Told);

    public override string Word() => Kind.Word;

    public override string OwnName() => Name;

    public override SeatsAsked Fills() =>
        new(Style, Catalogue, Seats, Layout, GapInRow, GapBetweenRows, GapToWalls, Facing, Wanted, Kept, LeftOut)
        {
            Guests = Guests,
            Laid = Laid,
            Aisle = Aisle,
            FromAisle = OfRule ? SeatingRules.MostFromAisle(Rule, GapBetweenRows) ?? 1 : FromAisle,
            Rule = Rule,
            Aisles = Aisles,
            CrossEvery = CrossEvery,
            Focus = Focus,
            Fan = Fan,
            Wheelchairs = Wheelchairs,
            Ways = Ways,
            Numbers = Numbers,
            Ends = Ends,
            Reserved = Reserved,
            Service = Service,
            SecondCatalogue = SecondCatalogue,
            SecondSeats = SecondSeats,
        };

    public override Thing Filled(SeatsAsked asked) =>
        this with
        {
            Style = asked.Style,
            Catalogue = asked.Catalogue,
            Seats = asked.Seats,
            Layout = asked.Layout,
            GapInRow = asked.GapInRow,
            GapBetweenRows = asked.GapBetweenRows,
            GapToWalls = asked.GapToWalls,
            Facing = asked.Facing,
            Wanted = asked.Wanted,
            Kept = asked.Kept,
            LeftOut = asked.LeftOut,
            Guests = asked.Guests,
            Laid = asked.Laid,
            Aisle = asked.Aisle,
            FromAisle = asked.Rule == SeatingRule.Typed ? asked.FromAisle : FromAisle,
            Rule = asked.Rule,
            Aisles = asked.Aisles,
            CrossEvery = asked.CrossEvery,
            Focus = asked.Focus,
            Fan = asked.Fan,
            Wheelchairs = asked.Wheelchairs,
            Ways = asked.Ways,
            Numbers = asked.Numbers,
            Ends = asked.Ends,
            Reserved = asked.Reserved,
            Service = asked.Service,
            SecondCatalogue = asked.SecondCatalogue,
            SecondSeats = asked.SecondSeats,
        };

    public override bool JoinsChairs() => Chairs == ChairsJoined.InRows && SeatingStyles.Of(Style).IsOfChairs;

    /// <summary>The passage between its rows is as wide as it is asked here, whatever seats elsewhere ask.</summary>
    public override double? AsksOfOwn() => SeatingStyles.Of(Style).HasRows ? GapBetweenRows : null;

    /// <summary>In another style than before it is made of what that is made of.</summary>
    public override Thing Settled(Plan plan)
    {
        var settled = (SeatingBlock)base.Settled(plan);
        var before = plan.Find<SeatingBlock>(Id);
        return before is not null && before.Style != Style && before.Catalogue == Catalogue ? settled.As(Style) : settled;
    }

    public override Problem? Check(Plan plan, bool sure) => BlockFields.Wrong(this, plan);

    public override Thing InScheme(string schemeId) => this with { SchemeId = schemeId };

    public override Thing Carrying(Func<string, string> ids) => this with { Kept = [.. Kept.Select(ids)] };

    public override OutlinedThing Copied() => (SeatingBlock)base.Copied() with { Kept = [] };

    public override OutlinedThing Mirrored() =>
        (SeatingBlock)base.Mirrored() with
        {
            LeftOut = [.. LeftOut.Select(p => new Point(-p.X, p.Y))],
        };

    public override IEnumerable<ThingText> Texts(UnitSystem units)
    {
        string[] words = [Name, JoinsChairs() ? "chairs joined" : ""];
        var text = string.Join(", ", words.Where(word => word.Length > 0));
        return text.Length == 0 ? [] : [Written(text, new Point(0, Depth / 2 - 250))];
    }
}
