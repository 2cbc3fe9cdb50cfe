using System.Collections.Immutable;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.KindsOfThing.SeatingBlocks;

/// <summary>What is asked of a block, and what is wrong with an answer.</summary>
internal static class BlockFields
{
    private static readonly string Lattices = Only(usual => usual.IsLattice);
    private static readonly string Rounds = Only(usual => usual.Style is SeatingStyle.Rounds or SeatingStyle.HalfRounds);
    private static readonly string Chairs = Only(usual => usual.IsOfChairs);
    private static readonly string Tables = Only(usual => !usual.IsOfChairs && !usual.IsOne);
    private static readonly string OnlyRounds = Only(usual => usual.Style == SeatingStyle.Rounds);
    private static readonly string InRows = Only(usual => usual.HasRows && usual.Style is not (SeatingStyle.Circle or SeatingStyle.Exam));

    private static ImmutableArray<string> RoundTables => SeatingStyles.Of(SeatingStyle.Rounds).Catalogue;

    private static readonly string Spaced = Only(usual => !usual.IsOne);
    private static readonly string Spread = Only(usual => !usual.IsOne && usual.Style != SeatingStyle.Circle);
    private static readonly string Aisles = Only(usual => usual.FromAisle is not null);
    private static readonly string Audience = Only(usual => usual.IsOfChairs && usual.Style != SeatingStyle.Circle);

    private static string Only(Func<StyleUsual, bool> which) =>
        $"style={string.Join('|', SeatingStyles.All.Where(which).Select(usual => usual.Style))}";

    public static ImmutableArray<ThingField> All { get; } =
    [
        new("name", "Name", ThingFieldKind.Text),
        new(
            "style",
            "Seated as",
            ThingFieldKind.Choice,
            [.. SeatingStyles.All.Select(usual => new ThingChoice($"{usual.Style}", usual.Label))],
            Note: "Another style begins with its own usual gaps."
        ),
        .. Catalogues(),
        new("guests", "Guests", ThingFieldKind.Asked, Note: "How many come; left empty: as many as fit."),
        new("seats", "Seats a table", ThingFieldKind.Asked, Note: "Left empty: as many as it usually has.", Only: Rounds),
        new(
            "secondCatalogue",
            "Some tables",
            ThingFieldKind.Choice,
            [new("", "the same"), .. RoundTables.Select(key => new ThingChoice(key, NameOf(key)))],
            Note: "With guests given: as many of these as make up their number.",
            Only: OnlyRounds
        ),
        new("secondSeats", "Seats at those", ThingFieldKind.Asked, Note: "8 beside 10: exactly the guests given.", Only: OnlyRounds),
        new("wanted", "Wanted", ThingFieldKind.Asked, Note: "How many tables; left empty: as many as fit.", Only: Tables),
        new("wanted", "Chairs", ThingFieldKind.Asked, Note: "How many chairs; left empty: as many as fit.", Only: Chairs),
        new(
            "laid",
            "When fewer",
            ThingFieldKind.Choice,
            [new("Front", "from the front, the back free"), new("Spread", "spread: the widest gaps")],
            Only: Spread
        ),
        new(
            "layout",
            "Laid",
            ThingFieldKind.Choice,
            [
                new("Lines", "in lines both ways"),
                new("Staggered", "staggered"),
                new("Fuller", "whichever holds more"),
                new("Dense", "dense"),
                new("MirroredDense", "dense, left as right"),
            ],
            Only: Lattices
        ),
        new("gapInRow", "Gap in a row", ThingFieldKind.Length, Note: "Between the chairs of two tables, or of a row.", Only: Spaced),
        new("gapBetweenRows", "Gap of rows", ThingFieldKind.Length, Note: "For rows of chairs the clear passage.", Only: Spaced),
        new(
            "ends",
            "Row ends",
            ThingFieldKind.Choice,
            [new("Centred", "at the gap asked"), new("Justified", "on one line, gaps a little wider")],
            Only: InRows
        ),
        new("service", "For service", ThingFieldKind.Length, Note: "Floor at the back that is kept free; 0 for none."),
        new("gapToWalls", "Gap to walls", ThingFieldKind.Length, Note: "And to columns and other things."),
        new(
            "ways",
            "Kept free",
            ThingFieldKind.Choice,
            [new("Drawn", "the ways that are drawn"), new("FromDoors", "ways from the doors as well")],
            Note: "From doors as wide as main aisles, where they cost least."
        ),
        new("aisle", "Aisles", ThingFieldKind.Length, Note: "Their clear width.", Only: Aisles),
        new(
            "rule",
            "Rows by rule",
            ThingFieldKind.Choice,
            [
                new("Typed", "as typed here"),
                new("Ibc", "IBC 2021, ADA 2010"),
                new("Uk", "BS 9999, Document M"),
                new("Germany", "MVStättVO (Germany)"),
            ],
            Note: "Says the most seats from an aisle and the places for wheelchair users. From memory; check the adopted edition.",
            Only: Audience
        ),
        new(
            "fromAisle",
            "From an aisle",
            ThingFieldKind.Asked,
            Note: "The most of a row from an aisle; left empty: no aisles.",
            Only: Aisles
        ),
        new(
            "aisles",
            "Aisles at",
            ThingFieldKind.Choice,
            [new("Fullest", "where they cost least"), new("Middle", "the middle"), new("Sides", "both sides")],
            Only: "style=Rows|CurvedRows|LongTables|Training"
        ),
        new("crossEvery", "Cross aisle", ThingFieldKind.Asked, Note: "After so many rows; left empty: none.", Only: Aisles),
        new("focus", "Curve about", ThingFieldKind.Length, Note: "How far before the front.", Only: "style=CurvedRows"),
        new("fan", "Wings turned", ThingFieldKind.Angle, Only: "style=Herringbone"),
        new("wheelchairs", "Wheelchairs", ThingFieldKind.Count, Note: "Places for wheelchair users, at aisles.", Only: Audience),
        new(
            "chairs",
            "Chairs are",
            ThingFieldKind.Choice,
            [new("Single", "single"), new("InRows", "joined in their rows")],
            Note: "Written on the drawing.",
            Only: Audience
        ),
        new("reserved", "Reserved rows", ThingFieldKind.Count, Note: "From the front; their labels end in R.", Only: Chairs),
        new(
            "numbers",
            "Numbered",
            ThingFieldKind.Choice,
            [new("Letters", "rows A, B, … without I and O"), new("Numbers", "rows and seats by numbers"), new("AsTheyAre", "as they are")],
            Only: Chairs
        ),
        new("facing", "Looks to", ThingFieldKind.Angle, Note: "Rows lie square to it; what is too many goes from the other end."),
    ];

    /// <summary>The tables or chairs of each style that are different.</summary>
    private static IEnumerable<ThingField> Catalogues() =>
        SeatingStyles
            .All.GroupBy(usual => usual.Catalogue)
            .Select(styles => new ThingField(
                "catalogue",
                styles.First().IsOfChairs ? "Chair" : "Table",
                ThingFieldKind.Choice,
                [.. styles.Key.Select(key => new ThingChoice(key, NameOf(key)))],
                Only: Only(styles.Contains)
            ));

    /// <summary>"round-table-1525" as "Round table 1525".</summary>
    private static string NameOf(string key) => char.ToUpperInvariant(key[0]) + key[1..].Replace('-', ' ');

    public static Problem? Wrong(SeatingBlock block, Plan plan)
    {
        var usual = SeatingStyles.Of(block.Style);
        var lengths = ((string Field, double Value)[])
            [
                ("gapInRow", block.GapInRow),
                ("gapBetweenRows", block.GapBetweenRows),
                ("gapToWalls", block.GapToWalls),
                ("focus", block.Focus),
                ("service", block.Service),
            ];
        foreach (var (field, gap) in lengths)
            if (!(gap >= 0 && gap <= SeatsAsked.MostGap))
                return new Problem(field, "A gap is from 0 to 20 000 mm; type the clear distance between chairs.");
        if (
            plan.CatalogueItem(block.Catalogue) is not { } kind
            || kind.Counted
                != (
                    usual.IsOfChairs ? "seat"
                    : kind.Maker == "high-table" ? ""
                    : kind.Maker == "desk" ? "desk"
                    : "table"
                )
        )
            return new Problem(
                "catalogue",
                usual.IsOfChairs ? "Rows are made of chairs; choose one." : "Only tables fill a block; choose one."
            );
        if (block.Shape?.Wrong() is { } wrong)
            return new Problem("shape", wrong);
        var area = block.Areas().Sum(one => one.Area);
        var most = usual.IsOfChairs ? SeatingBlock.MostChairs : SeatingBlock.MostTables;
        var each = (kind.Size.Width + block.GapInRow) * (kind.Size.Depth + block.GapBetweenRows);
        if (!usual.IsOne && area > most * each)
            return new Problem(
                "width",
                $"This area would hold more than {most} {(usual.IsOfChairs ? "chairs" : "tables")}; make it smaller, or the gaps wider."
            );
        if (kind.Size.Width * kind.Size.Depth > area)
            return new Problem("catalogue", $"“{kind.Name}” is larger than the area; make the area larger or choose a smaller one.");
        if (block.Seats is < 1 or > 200)
            return new Problem("seats", $"A table has from 1 to 200 seats; {block.Seats} was given.");
        if (block.SecondSeats is < 1 or > 200)
            return new Problem("secondSeats", $"A table has from 1 to 200 seats; {block.SecondSeats} was given.");
        if (block.SecondCatalogue.Length > 0 && !RoundTables.Contains(block.SecondCatalogue))
            return new Problem("secondCatalogue", $"“{block.SecondCatalogue}” is no round table of a block; choose one, or the same.");
        if (block.Fills().IsMixed && (usual.Style != SeatingStyle.Rounds || block.Guests is null))
            return new Problem(
                "secondSeats",
                "Two kinds of tables make up the guests of round tables; give the guests, or leave this empty."
            );
        if (block.Reserved is < 0 or > 100)
            return new Problem("reserved", $"From 0 to 100 rows are reserved; {block.Reserved} was given.");
        if (block.Guests is < 1 or > SeatingBlock.MostGuests)
            return new Problem(
                "guests",
                $"From 1 to {SeatingBlock.MostGuests} guests can be seated; {block.Guests} was given. Leave it empty for as many as fit."
            );
        if (block.Wanted is { } wanted && (wanted < 1 || wanted > most))
            return new Problem(
                "wanted",
                $"From 1 to {most} {(usual.IsOfChairs ? "chairs" : "tables")} can be wanted; {wanted} was given. Leave it empty for as many as fit."
            );
        if (!(block.Aisle >= 300 && block.Aisle <= 6000))
            return new Problem("aisle", $"An aisle is from 300 to 6 000 mm wide; {block.Aisle:0.#} was given.");
        var box = block.AreaBox();
        if (block.FromAisle is not null && usual.HasRows && block.Aisle > Math.Max(box.Width, box.Height))
            return new Problem(
                "aisle",
                $"The aisle is wider than the area; give it at most {Math.Floor(Math.Max(box.Width, box.Height))} mm."
            );
        if (block.OfRule && SeatingRules.LeastPassage(block.Rule) is { } least && block.GapBetweenRows < least - Geometry.Tolerance.Length)
            return new Problem(
                "gapBetweenRows",
                $"By this rule the passage between rows is at least {Math.Ceiling(least)} mm; {block.GapBetweenRows:0.#} mm was given."
            );
        if (block.FromAisle is < 1 or > 100)
            return new Problem(
                "fromAisle",
                $"From 1 to 100 stand from an aisle; {block.FromAisle} was given. Leave it empty for no aisles."
            );
        if (block.CrossEvery is < 1 or > 100)
            return new Problem(
                "crossEvery",
                $"A cross aisle comes after 1 to 100 rows; {block.CrossEvery} was given. Leave it empty for none."
            );
        if (block.Wheelchairs is < 0 or > 200)
            return new Problem("wheelchairs", $"From 0 to 200 places for wheelchair users; {block.Wheelchairs} was given.");
        if (!(Math.Abs(block.Fan) <= 60))
            return new Problem("fan", $"Wings are turned by at most 60°; {block.Fan:0.#}° was given.");
        return SizeSense.CheckAngle("facing", block.Facing);
    }
}
