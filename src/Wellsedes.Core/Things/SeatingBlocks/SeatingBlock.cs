using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Things.SeatingBlocks;

/// <summary>
/// An area of a scheme that is filled with tables, and filled anew whenever it or what stands in it changes. Its tables are stored items whose parent is its id. It
/// is a rectangle or has a shape of its own, as a zone.
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
    ZoneShape? Shape = null
) : OutlinedThing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked, Shape), IOfScheme
{
    /// <summary>The most tables that can be wanted.</summary>
    private const int Most = 1000;

    public ImmutableArray<string> Kept { get; init; } = [];

    public ImmutableArray<Point> LeftOut { get; init; } = [];

    public static ThingKind Kind { get; } =
        new(
            "seating-block",
            typeof(SeatingBlock),
            "seating block",
            ThingStage.Furnish,
            [
                new ThingField("name", "Name", ThingFieldKind.Text),
                new ThingField(
                    "catalogue",
                    "Table",
                    ThingFieldKind.Choice,
                    [
                        new("round-table-900", "Round 900"),
                        new("round-table-1200", "Round 1200"),
                        new("round-table-1220", "Round 1220"),
                        new("round-table-1500", "Round 1500"),
                        new("round-table-1525", "Round 1525"),
                        new("round-table-1830", "Round 1830"),
                        new("round-table-2130", "Round 2130"),
                    ]
                ),
                new ThingField("seats", "Seats a table", ThingFieldKind.Asked, Note: "Left empty: as many as it usually has."),
                new ThingField("wanted", "Wanted", ThingFieldKind.Asked, Note: "How many tables; left empty: as many as fit."),
                new ThingField(
                    "layout",
                    "Laid",
                    ThingFieldKind.Choice,
                    [new("Lines", "in lines both ways"), new("Staggered", "staggered"), new("Fuller", "whichever holds more")]
                ),
                new ThingField("gapInRow", "Gap in a row", ThingFieldKind.Length, Note: "Between the chairs of two tables."),
                new ThingField("gapBetweenRows", "Gap of rows", ThingFieldKind.Length),
                new ThingField("gapToWalls", "Gap to walls", ThingFieldKind.Length, Note: "And to columns and other things."),
                new ThingField(
                    "facing",
                    "Looks to",
                    ThingFieldKind.Angle,
                    Note: "Rows lie square to it; what is too many goes from the other end."
                ),
            ],
            (id, level, scheme, at) =>
                new SeatingBlock(
                    id,
                    scheme,
                    level,
                    at.X,
                    at.Y,
                    0,
                    8000,
                    8000,
                    "",
                    "round-table-1525",
                    BlockLayout.Lines,
                    HouseRules.SeatAccess.Value,
                    HouseRules.SeatAccess.Value,
                    HouseRules.SeatAccess.Value,
                    90
                ),
            Form: ThingForm.Area
        );

    public bool Equals(SeatingBlock? other) =>
        other is not null
        && Told.Equals(other.Told)
        && Equals(Shape, other.Shape)
        && Kept.AsSpan().SequenceEqual(other.Kept.AsSpan())
        && LeftOut.AsSpan().SequenceEqual(other.LeftOut.AsSpan());

    public override int GetHashCode() => Told.GetHashCode();

    private (
        string,
        string,
        string,
        Placement,
        double,
        double,
        string,
        string,
        BlockLayout,
        double,
        double,
        double,
        double,
        bool,
        int?,
        int?
    ) Told =>
        (
            Id,
            SchemeId,
            LevelId,
            Placement,
            Width,
            Depth,
            Name,
            Catalogue,
            Layout,
            GapInRow,
            GapBetweenRows,
            GapToWalls,
            Facing,
            Locked,
            Seats,
            Wanted
        );

    public override string Word() => Kind.Word;

    public override string OwnName() => Name;

    public override SeatsAsked? Fills() =>
        new(Catalogue, Seats, Layout, GapInRow, GapBetweenRows, GapToWalls, Facing, Wanted, Kept, LeftOut);

    public override Thing Filled(SeatsAsked asked) =>
        this with
        {
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
        };

    public override Problem? Check(Plan plan, bool sure)
    {
        foreach (
            var (field, gap) in ((string, double)[])[("gapInRow", GapInRow), ("gapBetweenRows", GapBetweenRows), ("gapToWalls", GapToWalls)]
        )
            if (!(gap >= 0 && gap <= 20_000))
                return new Problem(field, "A gap is from 0 to 20 000 mm; type the clear distance between chairs.");
        if (plan.CatalogueItem(Catalogue) is not { Counted: "table" } table)
            return new Problem("catalogue", "Only tables fill a block; choose one.");
        if (Shape?.Wrong() is { } wrong)
            return new Problem("shape", wrong);
        var each = (table.Size.Width + GapInRow) * (table.Size.Depth + GapBetweenRows);
        if (Areas().Sum(area => area.Area) > Most * each)
            return new Problem("width", $"This area would hold more than {Most} tables; make it smaller, or the gaps wider.");
        if (Seats is < 1 or > 200)
            return new Problem("seats", $"A table has from 1 to 200 seats; {Seats} was given.");
        if (Wanted is < 1 or > Most)
            return new Problem("wanted", $"From 1 to {Most} tables can be wanted; {Wanted} was given. Leave it empty for as many as fit.");
        return SizeSense.CheckAngle("facing", Facing);
    }

    public override Thing InScheme(string schemeId) => this with { SchemeId = schemeId };

    public override Thing Carrying(Func<string, string> ids) => this with { Kept = [.. Kept.Select(ids)] };

    public override OutlinedThing Copied() => (SeatingBlock)base.Copied() with { Kept = [] };

    public override OutlinedThing Mirrored() =>
        (SeatingBlock)base.Mirrored() with
        {
            LeftOut = [.. LeftOut.Select(p => new Point(-p.X, p.Y))],
        };

    public override IEnumerable<ThingText> Texts(UnitSystem units) =>
        Name.Length == 0 ? [] : [Written(Name, new Point(0, Depth / 2 - 250))];
}
