using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Catalogue.Makers;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>How the lines of a kitchen stand to each other.</summary>
public enum KitchenShape
{
    /// <summary>One line along a wall.</summary>
    Straight,

    /// <summary>Two lines that meet in the corner nearest to where it was pressed.</summary>
    Corner,

    /// <summary>A whole wall and both walls beside it.</summary>
    ThreeSided,

    /// <summary>Two lines on walls that face each other.</summary>
    Facing,
}

/// <summary>
/// Puts a kitchen along the wall nearest to a place in a room: lines of units that fill a typed length, their backs to the walls.
/// Lengths in mm; the second and third are of the lines beside the first. An island stands before the first line, with so much
/// between them.
/// </summary>
public sealed record PutKitchen(
    string Id,
    string SchemeId,
    string LevelId,
    double X,
    double Y,
    KitchenShape Shape,
    double Length,
    double SecondLength = 0,
    double ThirdLength = 0,
    double Depth = 620,
    bool WallUnits = false,
    double? IslandGap = null
) : Edit;

/// <summary>Gives a unit of a kitchen line another width or what it holds; the others and a filler make up the rest.</summary>
/// <param name="Unit">Its number, counted from the left, from 1.</param>
public sealed record SetKitchenUnit(string Id, int Unit, KitchenUnit? Kind = null, double? Width = null) : Edit;

/// <summary>Kitchens: lines along the walls of a room, and their units one by one.</summary>
internal sealed class KitchenEdits(Func<Plan, string, LevelSpace> spaces)
{
    private const string Line = "kitchen-line-3000";
    private const string Island = "kitchen-island-2000";

    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<PutKitchen>(
            "put-kitchen",
            "Place a kitchen along walls",
            "Placed a kitchen along walls",
            (tools, plan, e) => tools.Kitchens.Put(plan, e)
        ),
        EditKind.Of<SetKitchenUnit>(
            "set-kitchen-unit",
            "Change a unit of a kitchen line",
            "Changed a unit of a kitchen line",
            (tools, plan, e) => SetUnit(plan, e)
        ),
    ];

    /// <summary>A straight face of a room's outline: from its start to its end, the room on its left.</summary>
    private readonly record struct Face(Point From, Point To)
    {
        public double Length => From.DistanceTo(To);
        public Point Along => (To - From).Unit();

        /// <summary>From the wall into the room.</summary>
        public Point Inward => Along.Left();
    }

    /// <summary>A stretch of a face that a line stands on, in mm from the face's start.</summary>
    /// <param name="CornerAtStart">Whether the corner it begins with is at the start of the stretch, not at its end.</param>
    private sealed record Leg(Face Face, double From, double To, ImmutableArray<KitchenUnit> Wanted, bool CornerAtStart = false);

    private EditAnswer Put(Plan plan, PutKitchen edit)
    {
        var at = new Point(edit.X, edit.Y);
        if (SizeSense.CheckPlacement(new Placement(edit.X, edit.Y, 0)) is { } place)
            return EditAnswer.No(place);
        if (plan.Find<Scheme>(edit.SchemeId) is null || plan.Find<Level>(edit.LevelId) is null)
            return EditAnswer.No("levelId", "The scheme or level is no longer there.");
        if (spaces(plan, edit.LevelId).RoomAt(at) is not { } room)
            return EditAnswer.No("x", "A kitchen stands in a room; press inside one, near the wall it is to stand along.");
        if (!(edit.Depth is >= 400 and <= 900))
            return EditAnswer.No("depth", "A kitchen line is from 400 to 900 mm deep.");
        if (edit.IslandGap is { } gap && !(gap is >= 600 and <= 5000))
            return EditAnswer.No("islandGap", "Between a line and an island there are from 600 to 5000 mm.");
        var ring = room.Outline.Outline;
        Face[] faces = [.. ring.Select((from, i) => new Face(from, ring[(i + 1) % ring.Length]))];
        var first = Enumerable.Range(0, faces.Length).Where(i => faces[i].Length >= 600).MinBy(i => Off(faces[i], at));
        if (faces[first].Length < 600)
            return EditAnswer.No("x", "No straight wall of this room is long enough for a kitchen.");
        var legs = Legs(edit, faces, first, at);
        if (legs.Problem is { } wrong)
            return EditAnswer.No(wrong);
        return Built(plan, edit, legs.Found);
    }

    private static double Off(Face face, Point at)
    {
        var along = Math.Clamp((at - face.From).Dot(face.Along), 0, face.Length);
        return at.DistanceTo(face.From + face.Along * along);
    }

    private static (ImmutableArray<Leg> Found, Problem? Problem) Legs(PutKitchen edit, Face[] faces, int first, Point at)
    {
        var face = faces[first];
        var (before, after) = (faces[(first + faces.Length - 1) % faces.Length], faces[(first + 1) % faces.Length]);
        var along = (at - face.From).Dot(face.Along);
        switch (edit.Shape)
        {
            case KitchenShape.Straight:
                return TooLong("length", edit.Length, face.Length) is { } problem
                    ? ([], problem)
                    : ([Centred(face, along, edit.Length, Whole)], null);
            case KitchenShape.Facing:
                if (TooLong("length", edit.Length, face.Length) is { } tooLong)
                    return ([], tooLong);
                var leg = Centred(face, along, edit.Length, [KitchenUnit.Sink, KitchenUnit.Dishwasher, KitchenUnit.Drawers]);
                if (Opposite(faces, leg) is not { } other)
                    return (
                        [],
                        new Problem("shape", "No wall faces this one along its whole length; choose another shape or a shorter line.")
                    );
                return ([leg, other], null);
            case KitchenShape.ThreeSided:
                if (!IsSquare(before, face) || !IsSquare(face, after))
                    return ([], NotSquare());
                if (
                    (
                        TooLong("secondLength", edit.SecondLength, before.Length - edit.Depth)
                        ?? TooLong("thirdLength", edit.ThirdLength, after.Length - edit.Depth)
                    ) is
                    { } side
                )
                    return ([], side);
                return (
                    [
                        new Leg(face, 0, face.Length, [KitchenUnit.Corner, KitchenUnit.Sink, KitchenUnit.Dishwasher]),
                        Beside(before, atEnd: true, edit.SecondLength, edit.Depth, [KitchenUnit.Drawers, KitchenUnit.Fridge]),
                        Beside(after, atEnd: false, edit.ThirdLength, edit.Depth, [KitchenUnit.Hob, KitchenUnit.OvenStack]),
                    ],
                    null
                );
            default:
                var atEnd = along > face.Length / 2;
                var next = atEnd ? after : before;
                if (!(atEnd ? IsSquare(face, after) : IsSquare(before, face)))
                    return ([], NotSquare());
                if (
                    (TooLong("length", edit.Length, face.Length) ?? TooLong("secondLength", edit.SecondLength, next.Length - edit.Depth)) is
                    { } over
                )
                    return ([], over);
                var (from, to) = atEnd ? (face.Length - edit.Length, face.Length) : (0, edit.Length);
                return (
                    [
                        new Leg(face, from, to, [KitchenUnit.Corner, KitchenUnit.Sink, KitchenUnit.Dishwasher], !atEnd),
                        Beside(next, !atEnd, edit.SecondLength, edit.Depth, [KitchenUnit.Hob, KitchenUnit.Drawers, KitchenUnit.Fridge]),
                    ],
                    null
                );
        }
    }

    private static readonly ImmutableArray<KitchenUnit> Whole =
    [
        KitchenUnit.Fridge,
        KitchenUnit.Sink,
        KitchenUnit.Dishwasher,
        KitchenUnit.Drawers,
        KitchenUnit.Hob,
    ];

    private static Problem NotSquare() => new("shape", "The corner is not square; put a straight line along each wall instead.");

    private static Problem? TooLong(string field, double length, double there) =>
        !(length >= 400) ? new Problem(field, $"A kitchen line is at least 400 mm long; {length:0.##} was given.")
        : length > there + Tolerance.Length
            ? new Problem(
                field,
                $"{LengthText.WriteMetric(length)} mm do not go in here: {LengthText.WriteMetric(Math.Floor(there))} mm are free between the corners.",
                Math.Floor(there)
            )
        : null;

    private static bool IsSquare(Face face, Face next) =>
        face.Along.Dot(next.Along) is var dot && Math.Abs(dot) < 0.02 && face.Along.Cross(next.Along) > 0;

    private static Leg Centred(Face face, double along, double length, ImmutableArray<KitchenUnit> wanted)
    {
        var from = Math.Clamp(along - length / 2, 0, Math.Max(0, face.Length - length));
        return new Leg(face, from, from + length, wanted);
    }

    /// <summary>A line on the wall beside, which begins where the first one's depth ends.</summary>
    private static Leg Beside(Face face, bool atEnd, double length, double depth, ImmutableArray<KitchenUnit> wanted) =>
        atEnd ? new Leg(face, face.Length - depth - length, face.Length - depth, wanted) : new Leg(face, depth, depth + length, wanted);

    /// <summary>The same stretch on the wall that faces a line.</summary>
    private static Leg? Opposite(Face[] faces, Leg leg)
    {
        foreach (
            var face in faces
                .Where(face => face.Along.Dot(leg.Face.Along) < -0.9998)
                .OrderBy(face => (face.From - leg.Face.From).Dot(leg.Face.Inward))
        )
        {
            if ((face.From - leg.Face.From).Dot(leg.Face.Inward) <= 0)
                continue;
            var start = (leg.Face.From + leg.Face.Along * leg.To - face.From).Dot(face.Along);
            var end = (leg.Face.From + leg.Face.Along * leg.From - face.From).Dot(face.Along);
            if (start >= -Tolerance.Length && end <= face.Length + Tolerance.Length)
                return new Leg(face, start, end, [KitchenUnit.Hob, KitchenUnit.OvenStack, KitchenUnit.Fridge]);
        }
        return null;
    }

    private static EditAnswer Built(Plan plan, PutKitchen edit, ImmutableArray<Leg> legs)
    {
        List<Item> made = [];
        List<double> fillers = [];
        for (var i = 0; i < legs.Length; i++)
        {
            var item = OnWall(edit, legs[i], i, legs);
            made.Add(item);
            var (units, kinds) = (item.Parameters!.List("units"), item.Parameters.List("kinds"));
            fillers.AddRange(units.Where((_, unit) => kinds[unit] == (double)KitchenUnit.Filler));
        }
        if (edit.IslandGap is { } gap && plan.CatalogueItem(Island) is { } island)
        {
            var face = legs[0].Face;
            var middle =
                face.From + face.Along * ((legs[0].From + legs[0].To) / 2) + face.Inward * (edit.Depth + gap + island.Size.Depth / 2);
            // It is worked at from the line: its front faces that, and whoever sits at it looks there.
            made.Add(Standing(edit, $"{edit.Id}-island", Island, middle, face.Inward * -1, null, null, null));
        }
        if (made.FirstOrDefault(item => plan.Find(item.Id) is not null) is { } taken)
            return EditAnswer.Taken("id", taken.Id);
        var count = made.Sum(item => item.Parameters?.List("units").Length ?? 0);
        var told =
            fillers.Count == 0
                ? ""
                : $", fillers {string.Join(", ", fillers.Select(filler => LengthText.Write(filler, plan.Details.Units)))}";
        return EditAnswer.Done(
            new Change($"Put in a kitchen of {count} units{told}", [.. made.Select(item => new EntityChange(null, item))])
        );
    }

    private static Item OnWall(PutKitchen edit, Leg leg, int i, ImmutableArray<Leg> legs)
    {
        var length = leg.To - leg.From;
        var (widths, kinds) = Filled(leg, length, i == 0 && legs.Length == 3);
        // Units stand from left to right as one looks at their fronts: against the way the room's outline runs.
        if (leg.CornerAtStart)
        {
            widths.Reverse();
            kinds.Reverse();
        }
        var parameters = ItemParameters.None.With("units", [.. widths]).With("kinds", [.. kinds.Select(kind => (double)kind)]);
        if (edit.WallUnits)
            parameters = parameters.With("wall-units", [.. Above(widths, kinds)]);
        var isHigh = edit.WallUnits || kinds.Any(Kitchens.IsTall);
        var middle = leg.Face.From + leg.Face.Along * ((leg.From + leg.To) / 2) + leg.Face.Inward * (edit.Depth / 2);
        return Standing(
            edit,
            i == 0 ? edit.Id : $"{edit.Id}-{i + 1}",
            Line,
            middle,
            leg.Face.Inward,
            length,
            edit.Depth,
            isHigh ? 2120 : 900,
            parameters
        );
    }

    private static (List<double>, List<int>) Filled(Leg leg, double length, bool hasTwoCorners)
    {
        if (!hasTwoCorners)
        {
            var (widths, kinds) = KitchenFill.Fill(length, leg.Wanted);
            return ([.. widths], [.. kinds]);
        }
        // A corner at either end, the rest between them.
        const double corner = 900;
        if (length < 2 * corner)
            return ([length], [(int)KitchenUnit.Corner]);
        var (between, what) = KitchenFill.Fill(length - 2 * corner, leg.Wanted.Remove(KitchenUnit.Corner));
        return ([corner, .. between, corner], [(int)KitchenUnit.Corner, .. what, (int)KitchenUnit.Corner]);
    }

    /// <summary>Wall units from the left, as wide as what they hang above, up to the first tall unit.</summary>
    private static IEnumerable<double> Above(List<double> widths, List<int> kinds) =>
        widths.TakeWhile((_, i) => !Kitchens.IsTall(kinds[i]));

    private static Item Standing(
        PutKitchen edit,
        string id,
        string catalogue,
        Point middle,
        Point front,
        double? width,
        double? depth,
        double? height,
        ItemParameters? parameters = null
    ) =>
        new(
            id,
            edit.SchemeId,
            edit.LevelId,
            catalogue,
            middle.X,
            middle.Y,
            // Own -y is the front.
            Angles.Looking(front),
            width,
            depth,
            height,
            Parameters: parameters
        );

    private static EditAnswer SetUnit(Plan plan, SetKitchenUnit edit)
    {
        if (plan.Find<Item>(edit.Id) is not { } item || plan.CatalogueItem(item.Catalogue) is not { } kind)
            return EditAnswer.No("id", "The kitchen line is no longer there.");
        if (kind.Maker is not ("kitchen-line" or "kitchen-island"))
            return EditAnswer.No("id", $"“{kind.Name}” has no units.");
        var size = ItemForms.SizeOf(item, kind);
        var (known, holds) = Kitchens.UnitsOf(size, MakerParameters.Of(kind, item.Parameters));
        if (edit.Unit < 1 || edit.Unit > known.Count)
            return EditAnswer.No("unit", $"The line has {known.Count} units; there is no {edit.Unit}.");
        if (edit.Width is { } typed && !(typed is >= 50 and <= 2000))
            return EditAnswer.No("width", $"A unit is from 50 to 2000 mm wide; {typed:0.##} was given.");
        List<(double Width, int Kind, bool IsThis)> units = [.. known.Select((width, i) => (width, holds[i], i == edit.Unit - 1))];
        units[edit.Unit - 1] = (edit.Width ?? known[edit.Unit - 1], edit.Kind is { } holding ? (int)holding : holds[edit.Unit - 1], true);
        units.RemoveAll(unit => unit.Kind == (int)KitchenUnit.Filler && !unit.IsThis);
        // Units of doors give way from the right; what holds something stays.
        while (units.Sum(unit => unit.Width) > size.Width + Tolerance.Length)
        {
            var gives = units.FindLastIndex(unit => unit.Kind == (int)KitchenUnit.Doors && !unit.IsThis);
            if (gives < 0)
                return EditAnswer.No(
                    "width",
                    $"It does not go in: the units take {LengthText.WriteMetric(units.Sum(unit => unit.Width))} mm, the line has {LengthText.WriteMetric(size.Width)}."
                );
            units.RemoveAt(gives);
        }
        var (more, moreKinds) = KitchenFill.Fill(size.Width - units.Sum(unit => unit.Width), []);
        var parameters = (item.Parameters ?? kind.Parameters ?? ItemParameters.None)
            .With("units", [.. units.Select(unit => unit.Width), .. more])
            .With("kinds", [.. units.Select(unit => (double)unit.Kind), .. moreKinds.Select(one => (double)one)]);
        var filler = more.Where((_, i) => moreKinds[i] == (int)KitchenUnit.Filler).Sum();
        var told = filler > 0 ? $", filler {LengthText.Write(filler, plan.Details.Units)}" : "";
        return Editor.Swap(
            $"Changed unit {edit.Unit} of {PlacedItem.NameOf(item, kind)}{told}",
            item,
            item with
            {
                Parameters = parameters,
            }
        );
    }
}
