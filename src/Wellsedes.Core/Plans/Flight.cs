using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

public enum FlightKind
{
    Stair,
    Ramp,
}

/// <summary>
/// A flight of stairs or a ramp about its middle: Width across, Depth along its run, going up towards its own +y.
/// Rise in mm from its foot to its head; Risers only for a stair. ToLevelId is the level its head arrives at, "" when
/// it stays on its own level. A new stair may leave its risers open (0): it then goes up to the next level, if there is one, by
/// as many as are usual.
/// </summary>
public sealed record Flight(
    string Id,
    string LevelId,
    FlightKind Kind,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    double Rise,
    int Risers,
    string ToLevelId = "",
    string Name = "",
    bool Locked = false
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked)
{
    /// <summary>The most risers of one flight; more is a typing mistake, and each is drawn.</summary>
    private const int MostRisers = 100;

    /// <summary>The height of a riser in mm that a new stair comes nearest to; common practice.</summary>
    private const double UsualRiser = 175;

    public static ThingKind ThingKind { get; } =
        new(
            "flight",
            typeof(Flight),
            "stair",
            ThingStage.Shell,
            [
                new ThingField("toLevelId", "Goes up to", ThingFieldKind.Level),
                new ThingField("rise", "Rise", ThingFieldKind.Length, Only: "toLevelId="),
                new ThingField("risers", "Risers", ThingFieldKind.Count, Only: "kind=Stair"),
                new ThingField("name", "Name", ThingFieldKind.Text),
            ],
            (id, level, _, at) => new Flight(id, level, FlightKind.Stair, at.X, at.Y, 0, 1000, 3900, 2700, 0),
            [
                new ReadyMade("Stair", stair => stair),
                new ReadyMade("Ramp", stair => (Flight)stair with { Kind = FlightKind.Ramp, Width = 1200, Depth = 3600, Rise = 300 }),
            ],
            DepthLabel: "Run"
        );

    /// <summary>The middle of its foot or head, and the direction in which one steps off there.</summary>
    public (Point At, Point Outward) LandingAt(bool atHead)
    {
        var end = new Point(0, (atHead ? 1 : -1) * Depth / 2);
        return (Placement.Out(end), Placement.Turned(end.Unit()));
    }

    public override string Word() => Kind == FlightKind.Ramp ? "ramp" : "stair";

    public override string OwnName() => Name;

    public override ThingEffect Effect() => ThingEffect.KeepClear;

    public override Convex? Lost(double leastHeight) => Kind == FlightKind.Stair ? Floor() : null;

    public override (double Least, double Most) UsualSize() => (600, 20_000);

    public override Problem? Check(Plan plan, bool sure)
    {
        var rise = Rise;
        if (ToLevelId.Length > 0)
        {
            if (plan.Find<Level>(ToLevelId) is not { } upper || plan.Find<Level>(LevelId) is not { } lower)
                return new Problem("toLevelId", "The level it goes up to is not there.");
            if (upper.Elevation <= lower.Elevation)
                return new Problem("toLevelId", $"{upper.Name} does not lie above {lower.Name}.");
            rise = upper.Elevation - lower.Elevation;
        }
        if (!(rise > 0 && rise <= 20_000))
            return new Problem("rise", "The rise must be more than 0 and at most 20 000 mm.");
        if (Kind == FlightKind.Ramp)
            return null;
        return Risers is < 1 or > MostRisers
            ? new Problem("risers", $"A stair has from 1 to {MostRisers} risers; {Risers} were given.")
            : SizeSense.Check(plan.Details.Units, "riser", "a stair", rise / Risers, 100, 220, sure);
    }

    /// <summary>A new stair: up to the level above, by as many risers as are usual.</summary>
    public override Thing Begun(Plan plan)
    {
        if (Kind != FlightKind.Stair || Risers != 0 || plan.Find<Level>(LevelId) is not { } level)
            return this;
        var above = ToLevelId.Length > 0 ? ToLevelId : plan.Levels.FirstOrDefault(other => other.Elevation > level.Elevation)?.Id ?? "";
        var begun = (Flight)(this with { ToLevelId = above }).Settled(plan);
        return begun with { Risers = (int)Math.Clamp(Math.Round(begun.Rise / UsualRiser), 2, MostRisers) };
    }

    /// <summary>A flight between levels rises by what lies between them.</summary>
    public override Thing Settled(Plan plan) =>
        ToLevelId.Length > 0 ? this with { Rise = plan.Find<Level>(ToLevelId)!.Elevation - plan.Find<Level>(LevelId)!.Elevation } : this;

    public override IEnumerable<ThingPart> Parts()
    {
        var (x, y) = (Width / 2, Depth / 2);
        var path = Whole();
        var treads = Kind == FlightKind.Stair ? Risers - 1 : 0;
        for (var i = 1; i < treads; i++)
        {
            var at = -y + Depth * i / treads;
            path = path.Then(PathShape.Line(new Point(-x, at), new Point(x, at)));
        }
        // The arrow points up.
        yield return Drawn(ThingRole.Line, path.Then(PathShape.Arrow(new Point(0, -y + Depth * 0.06), new Point(0, y - Depth * 0.06))));
    }

    /// <summary>Where it comes through the floor above: its outline and one diagonal.</summary>
    public ThingPart Hole() =>
        Drawn(ThingRole.Dashed, Whole().Then(PathShape.Line(new Point(-Width / 2, -Depth / 2), new Point(Width / 2, Depth / 2))));

    public override IEnumerable<ThingText> Texts(UnitSystem units) =>
        [
            Written(
                Kind == FlightKind.Stair
                    ? $"up {Risers} × {LengthText.Write(Math.Round(Rise / Risers), units)}"
                    : $"ramp up {LengthText.Write(Rise, units)}",
                new Point(0, -Depth * 0.3)
            ),
        ];
}
