using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.KindsOfThing.DrawnWays;

/// <summary>
/// A way of a scheme that is to stay free, Clear mm wide along a line with corners. Line is in its own frame; width and depth are those of
/// the box around its floor and follow from the line.
/// </summary>
public sealed record Walkway(
    string Id,
    string SchemeId,
    string LevelId,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    string Name,
    double Clear,
    ImmutableArray<Point> Line,
    bool Locked = false
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked), IOfScheme
{
    public static ThingKind Kind { get; } =
        new(
            "walkway",
            typeof(Walkway),
            "walkway",
            ThingStage.Furnish,
            [
                new ThingField("name", "Name", ThingFieldKind.Text),
                new ThingField("clear", "Clear width", ThingFieldKind.Length, Note: "What is to stay free, over its whole length."),
            ],
            (id, level, scheme, at) =>
                new Walkway(
                    id,
                    scheme,
                    level,
                    at.X,
                    at.Y,
                    0,
                    4000,
                    HouseRules.MainAisle.Value,
                    "",
                    HouseRules.MainAisle.Value,
                    [new(-2000, 0), new(2000, 0)]
                ),
            Form: ThingForm.Line
        );

    /// <summary>Widths in mm that are not asked about; house values.</summary>
    private const double Narrowest = 300;
    private const double Widest = 10_000;

    /// <summary>Steps of the arrow along its line, in mm.</summary>
    private const double EndArrow = 300;

    public bool Equals(Walkway? other) => other is not null && Told == other.Told && Line.AsSpan().SequenceEqual(other.Line.AsSpan());

    public override int GetHashCode() => Told.GetHashCode();

    private (string, string, string, Placement, double, double, string, double, bool) Told =>
        (Id, SchemeId, LevelId, Placement, Width, Depth, Name, Clear, Locked);

    /// <summary>Its floor on the level.</summary>
    [JsonIgnore]
    public Strip Strip => Strips.GetValue(this, static way => new Strip([.. way.Line.Select(way.Placement.Out)], way.Clear));

    private static readonly ConditionalWeakTable<Walkway, Strip> Strips = [];

    public override string Word() => Kind.Word;

    public override string OwnName() => Name;

    public override (double Least, double Most) UsualSize() => (1, 1000_000);

    public override Problem? Check(Plan plan, bool sure) =>
        SizeSense.Check(plan.Details.Units, "clear", "a walkway", Clear, Narrowest, Widest, sure)
        ?? (Strip.Wrong(Line, Clear) is { } wrong ? new Problem("line", wrong) : null);

    public override KeptWay? Keeps() => new(Id, Called(), Strip);

    public override IEnumerable<Convex> Pieces() => Strip.Legs;

    protected override ImmutableArray<Region> FindAreas() => [new Region(Strip.Outline, [])];

    /// <summary>About the middle of its floor, with the size of that.</summary>
    public override Thing Settled(Plan plan)
    {
        if (!(Clear > 0) || Strip.Wrong(Line, Clear) is not null)
            return this;
        var box = Bounds.Around(new Strip(Line, Clear).Outline);
        var middle = Placement.Out(box.Centre);
        return this with
        {
            X = middle.X,
            Y = middle.Y,
            Width = box.Width,
            Depth = box.Height,
            Line = [.. Line.Select(p => p - box.Centre)],
        };
    }

    public override Thing InScheme(string schemeId) => this with { SchemeId = schemeId };

    public override Thing Mirrored() => this with { Line = [.. Line.Select(p => new Point(-p.X, p.Y))] };

    public override IEnumerable<ThingPart> Parts()
    {
        yield return new ThingPart(ThingRole.Dashed, PathShape.Line([.. Strip.Left]));
        yield return new ThingPart(ThingRole.Dashed, PathShape.Line([.. Strip.Right]));
        foreach (var (end, next) in ((Point, Point)[])[(Strip.Line[0], Strip.Line[1]), (Strip.Line[^1], Strip.Line[^2])])
            yield return new ThingPart(
                ThingRole.Line,
                PathShape.Arrow(end + (next - end).Unit() * Math.Min(EndArrow, next.DistanceTo(end) / 3), end)
            );
    }

    public override IEnumerable<ThingText> Texts(UnitSystem units)
    {
        var middle = Strip.Middle;
        var width = LengthText.Tell(Clear, units);
        yield return new ThingText(
            Name.Length == 0 ? width : $"{Name} {width}",
            middle.Origin,
            0,
            middle.Rotation is > 90.5 and < 270.5 ? middle.Rotation - 180 : middle.Rotation
        );
    }
}
