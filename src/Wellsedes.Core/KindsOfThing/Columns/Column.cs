using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.KindsOfThing.Columns;

/// <summary>A column: round when Round is set (Width is then its diameter), else a rectangle about its middle.</summary>
public sealed record Column(
    string Id,
    string LevelId,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    bool Round,
    bool Locked = false
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked)
{
    public static ThingKind Kind { get; } =
        new(
            "column",
            typeof(Column),
            "column",
            ThingStage.Shell,
            [],
            (id, level, _, at) => new Column(id, level, at.X, at.Y, 0, 350, 350, false),
            [
                new ReadyMade("Square column", column => column),
                new ReadyMade("Round column", column => (Column)column with { Round = true }),
            ]
        );

    public override string Word() => Kind.Word;

    public override ThingEffect Effect() => ThingEffect.Solid;

    public override Convex Floor() => Round ? Convex.Disc(Placement.Origin, Width / 2) : base.Floor();

    public override bool GoesUp() => true;

    public override Convex? Lost(double leastHeight) => Floor();

    public override (double Least, double Most) UsualSize() => (50, 3000);

    public override IEnumerable<ThingPart> Parts() => [Drawn(ThingRole.Solid, Round ? PathShape.Circle(default, Width / 2) : Whole())];
}
