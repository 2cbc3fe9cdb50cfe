using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.KindsOfThing.LowCeilings;

/// <summary>A sloping or low ceiling over a rectangle: clear height LowHeight at its own -y side, HighHeight at its +y side, in mm.</summary>
public sealed record LowCeiling(
    string Id,
    string LevelId,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    double LowHeight,
    double HighHeight,
    bool Locked = false
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked)
{
    /// <summary>Heights in mm at which a sloping ceiling gets a contour.</summary>
    private static readonly double[] Contours = [1000, 1500, 2000, 2300];

    public static ThingKind Kind { get; } =
        new(
            "low-ceiling",
            typeof(LowCeiling),
            "low ceiling",
            ThingStage.Shell,
            [
                new ThingField("lowHeight", "Low side", ThingFieldKind.Length),
                new ThingField("highHeight", "High side", ThingFieldKind.Length),
            ],
            (id, level, _, at) => new LowCeiling(id, level, at.X, at.Y, 0, 3000, 1500, 1200, 2400)
        );

    public override string Word() => Kind.Word;

    /// <summary>What lies under less than the headroom is not walked under.</summary>
    public override Convex? Blocks(double headroom) => Lost(headroom);

    public override (double Front, double Back)? ClearUnder() => (LowHeight, HighHeight);

    /// <summary>The part of the floor under less than a clear height.</summary>
    public override Convex? Lost(double leastHeight)
    {
        var (low, high) = (Math.Min(LowHeight, HighHeight), Math.Max(LowHeight, HighHeight));
        if (low >= leastHeight)
            return null;
        var deep = high <= leastHeight ? Depth : Depth * (leastHeight - low) / (high - low);
        var middle = (deep - Depth) / 2 * (LowHeight <= HighHeight ? 1 : -1);
        return Convex.Rectangle(new Point(0, middle), Width, deep).At(Placement);
    }

    public override Problem? Check(Plan plan, bool sure) =>
        LowHeight >= 0 && HighHeight >= 0 && LowHeight <= 30_000 && HighHeight <= 30_000 && LowHeight + HighHeight > 0
            ? null
            : new Problem("lowHeight", "The heights of a low ceiling must be from 0 to 30 000 mm.");

    public override IEnumerable<ThingPart> Parts() =>
        [
            Drawn(
                ThingRole.Dashed,
                Heights()
                    .Aggregate(
                        Whole(),
                        (path, height) =>
                            path.Then(PathShape.Line(new Point(-Width / 2, Along(height)), new Point(Width / 2, Along(height))))
                    )
            ),
        ];

    public override IEnumerable<ThingText> Texts(UnitSystem units) =>
        Heights().Select(height => Written(LengthText.Write(height, units), new Point(Width * 0.3, Along(height))));

    private IEnumerable<double> Heights() =>
        Contours.Where(height => height > Math.Min(LowHeight, HighHeight) && height < Math.Max(LowHeight, HighHeight));

    /// <summary>Where along its own y a height is reached.</summary>
    private double Along(double height) => -Depth / 2 + Depth * (height - LowHeight) / (HighHeight - LowHeight);
}
