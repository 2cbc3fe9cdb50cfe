using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.KindsOfThing.Fittings;

public enum FittingKind
{
    Counter,
    Toilet,
    Basin,
    Sink,
    Bath,
    Shower,
    Radiator,
    Shaft,
    Socket,
    DataPoint,
    WaterPoint,
}

/// <summary>Something fixed to the building, about its middle, its back at its own +y. Points are sockets, data and water points: nothing stands in their way and they stand in nobody's.</summary>
public sealed record Fitting(
    string Id,
    string LevelId,
    FittingKind Kind,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    double Height,
    string Name = "",
    bool Locked = false
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked)
{
    public static ThingKind ThingKind { get; } =
        new(
            "fitting",
            typeof(Fitting),
            "fitting",
            ThingStage.Shell,
            [new ThingField("height", "Height", ThingFieldKind.Length), new ThingField("name", "Name", ThingFieldKind.Text)],
            (id, level, _, at) => new Fitting(id, level, FittingKind.Counter, at.X, at.Y, 0, 1800, 600, 900),
            [
                Ready(FittingKind.Counter, "Counter", 1800, 600, 900),
                Ready(FittingKind.Toilet, "Toilet", 380, 700, 800),
                Ready(FittingKind.Basin, "Basin", 550, 450, 850),
                Ready(FittingKind.Sink, "Sink", 1000, 600, 900),
                Ready(FittingKind.Bath, "Bath", 1700, 700, 550),
                Ready(FittingKind.Shower, "Shower", 900, 900, 2000),
                Ready(FittingKind.Radiator, "Radiator", 1000, 100, 600),
                Ready(FittingKind.Shaft, "Shaft", 800, 600, 2700),
                Ready(FittingKind.Socket, "Socket", 80, 80, 80),
                Ready(FittingKind.DataPoint, "Data point", 80, 80, 80),
                Ready(FittingKind.WaterPoint, "Water point", 80, 80, 80),
            ]
        );

    /// <summary>A fitting at the size it is put in at, in mm; common practice.</summary>
    private static ReadyMade Ready(FittingKind kind, string label, double width, double depth, double height) =>
        new(label, fitting => (Fitting)fitting with { Kind = kind, Width = width, Depth = depth, Height = height });

    [JsonIgnore]
    public bool IsPoint => Kind is FittingKind.Socket or FittingKind.DataPoint or FittingKind.WaterPoint;

    public override bool GivesPower() => Kind == FittingKind.Socket;

    public override string Word() =>
        Kind switch
        {
            FittingKind.DataPoint => "data point",
            FittingKind.WaterPoint => "water point",
            _ => Kind.ToString().ToLowerInvariant(),
        };

    public override string OwnName() => Name;

    public override ThingEffect Effect() => IsPoint ? ThingEffect.None : ThingEffect.Solid;

    public override string Ware() =>
        Kind switch
        {
            FittingKind.Toilet => "wc",
            FittingKind.Basin => "basin",
            FittingKind.Bath => "bath",
            FittingKind.Shower => "shower",
            FittingKind.Sink => "kitchen",
            _ => "",
        };

    public override double Top() => Height;

    public override bool GoesUp() => Kind == FittingKind.Shaft;

    public override Convex? Lost(double leastHeight) => Kind == FittingKind.Shaft ? Floor() : null;

    public override (double Least, double Most) UsualSize() => IsPoint ? (20, 400) : (50, 12_000);

    public override Problem? Check(Plan plan, bool sure) =>
        SizeSense.Check(plan.Details.Units, "height", OneOfIts(), Height, 10, 30_000, sure);

    /// <summary>Each run of the symbol is a part by itself: what lies within another is filled too, so that no floor shows through a basin.</summary>
    public override IEnumerable<ThingPart> Parts() =>
        Symbol().Apart().Select(run => Drawn(run.Steps[^1].Kind == PathStepKind.Close ? ThingRole.Body : ThingRole.Line, run));

    private PathShape Symbol()
    {
        var (x, y) = (Width / 2, Depth / 2);
        var rim = (X: Math.Min(30, x / 4), Y: Math.Min(30, y / 4));
        return Kind switch
        {
            FittingKind.Toilet => PathShape
                .Box(-x, y - Depth * 0.25, x, y)
                .Then(PathShape.Oval(new Point(0, -Depth * 0.12), x * 0.85, Depth * 0.37)),
            FittingKind.Basin => PathShape
                .Rounded(-x, -y, x, y, Math.Min(x, y) * 0.3)
                .Then(PathShape.Oval(new Point(0, -Depth * 0.05), x * 0.7, y * 0.65)),
            FittingKind.Sink => Whole().Then(PathShape.Rounded(-x * 0.85, -y * 0.75, x * 0.1, y * 0.7, Math.Min(x, y) * 0.2)),
            FittingKind.Bath => Whole().Then(PathShape.Rounded(-x + 60, -y + 60, x - 60, y - 60, Math.Max(1, Math.Min(x, y) - 120))),
            FittingKind.Shower => Whole()
                .Then(PathShape.Line(new Point(-x, -y), new Point(x, y)))
                .Then(PathShape.Line(new Point(-x, y), new Point(x, -y)))
                .Then(PathShape.Circle(default, Math.Min(x, y) * 0.15)),
            FittingKind.Shaft => Whole().Then(PathShape.Line(new Point(-x, -y), new Point(x * 0.2, y * 0.2), new Point(x, y))),
            FittingKind.Radiator => Ribs(),
            FittingKind.Socket => PathShape.Circle(default, x).Then(PathShape.Line(new Point(0, x), new Point(0, -x))),
            FittingKind.DataPoint => PathShape.Closed(new(-x, -x), new(x, -x), new(0, x)),
            FittingKind.WaterPoint => PathShape.Circle(default, x).Then(PathShape.Circle(default, x * 0.35)),
            _ => Whole().Then(PathShape.Box(-x + rim.X, -y + rim.Y, x - rim.X, y)),
        };
    }

    private PathShape Ribs()
    {
        var path = Whole();
        var count = (int)Math.Clamp(Width / 120, 2, 60);
        for (var i = 1; i < count; i++)
        {
            var x = -Width / 2 + Width * i / count;
            path = path.Then(PathShape.Line(new Point(x, -Depth / 2), new Point(x, Depth / 2)));
        }
        return path;
    }
}
