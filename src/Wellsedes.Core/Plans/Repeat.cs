using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>How the members of a repeat follow each other.</summary>
public enum RepeatForm
{
    /// <summary>In rows and columns.</summary>
    Rows,

    /// <summary>Around a circle or along a part of it.</summary>
    Ring,

    /// <summary>Along a drawn path or a wall.</summary>
    Path,
}

/// <summary>Where the fronts of a ring look.</summary>
public enum RingFacing
{
    In,
    Out,

    /// <summary>All as the first one does.</summary>
    Alike,
}

/// <summary>
/// A member that does not stand as its repeat has it: left out, or set apart from its slot. X, Y in mm and Rotation in degrees
/// are in the slot's own frame, so that it goes along when the pitch changes.
/// </summary>
public sealed record SingledOut(int Slot, bool LeftOut, double X = 0, double Y = 0, double Rotation = 0)
{
    [JsonIgnore]
    public Placement Apart => new(X, Y, Rotation);
}

/// <summary>
/// The same item, cluster or repeat again and again, staying editable: the recipe only. Its members are stored entities whose
/// Parent is its id, each with the Slot it fills; the editor rewrites them with it. In rows X, Y is where slot 0 stands, in a ring its
/// middle, along a path its begin; Path is in the repeat's own frame. Spacings are from middle to middle in mm. Slots count
/// along the first row, round the first ring, along the path.
/// </summary>
/// <param name="ColumnSpacing">Along a row or a path; in a ring nothing.</param>
/// <param name="RowSpacing">From row to row, or from one pair of rows to the next; in rings from one ring to the next.</param>
/// <param name="Staggered">Every other row is shifted by half a spacing.</param>
/// <param name="BackToBack">From middle to middle of two rows that turn their backs to each other; null where all look one way.</param>
/// <param name="Radius">Of the first ring, to the members' middles.</param>
/// <param name="Sweep">How far round a ring goes, in degrees, less than 0 clockwise; 360 is all the way.</param>
/// <param name="Facing">Where fronts look in a ring; along a path to its right where it says in, to its left where it says out.</param>
/// <param name="Turned">Whether members along a path turn with it.</param>
/// <param name="Start">At which angle a ring begins, in its own frame.</param>
public sealed record Repeat(
    string Id,
    string SchemeId,
    string LevelId,
    double X,
    double Y,
    double Rotation,
    int Columns,
    int Rows,
    double ColumnSpacing,
    double RowSpacing,
    RepeatForm Form = RepeatForm.Rows,
    bool Staggered = false,
    double? BackToBack = null,
    double Radius = 0,
    double Sweep = 360,
    RingFacing Facing = RingFacing.In,
    bool Turned = true,
    double Start = 0,
    string? Parent = null,
    int? Slot = null
) : Entity(Id), IOfScheme, IOnLevel, IMember
{
    /// <summary>The most members of one repeat.</summary>
    public const int Most = 2000;

    /// <summary>The most corners of a path.</summary>
    public const int MostCorners = 200;

    public ImmutableArray<Point> Path { get; init; } = [];

    public ImmutableArray<SingledOut> Singles { get; init; } = [];

    // Lists are compared by what is in them.
    public bool Equals(Repeat? other) =>
        other is not null
        && Told.Equals(other.Told)
        && Path.AsSpan().SequenceEqual(other.Path.AsSpan())
        && Singles.AsSpan().SequenceEqual(other.Singles.AsSpan());

    public override int GetHashCode() => Told.GetHashCode();

    private (
        string,
        string,
        string,
        Placement,
        int,
        int,
        double,
        double,
        RepeatForm,
        bool,
        double?,
        double,
        double,
        RingFacing,
        bool,
        double,
        string?,
        int?
    ) Told =>
        (
            Id,
            SchemeId,
            LevelId,
            Placement,
            Columns,
            Rows,
            ColumnSpacing,
            RowSpacing,
            Form,
            Staggered,
            BackToBack,
            Radius,
            Sweep,
            Facing,
            Turned,
            Start,
            Parent,
            Slot
        );

    [JsonIgnore]
    public Placement Placement => new(X, Y, Rotation);

    [JsonIgnore]
    public int Count => Columns * Rows;

    [JsonIgnore]
    public bool IsWholeRing => Form == RepeatForm.Ring && Math.Abs(Sweep) >= 360;

    /// <summary>The degrees from one member of a ring to the next.</summary>
    [JsonIgnore]
    public double Step =>
        IsWholeRing ? Sweep / Columns
        : Columns > 1 ? Sweep / (Columns - 1)
        : 0;

    public SingledOut? SingleOf(int slot)
    {
        foreach (var single in Singles)
            if (single.Slot == slot)
                return single;
        return null;
    }

    /// <summary>Where the member of a slot stands as the repeat has it, whatever was singled out; on the level.</summary>
    public Placement Regular(int slot) => Placement.Then(Own(slot));

    /// <summary>Where the member of a slot stands on the level; null where it is left out.</summary>
    public Placement? Standing(int slot) =>
        SingleOf(slot) is not { } single ? Regular(slot)
        : single.LeftOut ? null
        : Regular(slot).Then(single.Apart);

    private Placement Own(int slot)
    {
        var (row, column) = Math.DivRem(slot, Columns);
        return Form switch
        {
            RepeatForm.Ring => OnRing(column, Radius + row * RowSpacing),
            RepeatForm.Path => OnPath(column * ColumnSpacing),
            _ => InRow(column, row),
        };
    }

    private Placement InRow(int column, int row)
    {
        var x = column * ColumnSpacing + (Staggered && row % 2 == 1 ? ColumnSpacing / 2 : 0);
        return BackToBack is not { } back
            ? new Placement(x, row * RowSpacing, 0)
            : new Placement(x, row / 2 * RowSpacing + (row % 2 == 1 ? back : 0), row % 2 == 1 ? 180 : 0);
    }

    private Placement OnRing(int column, double radius)
    {
        var angle = Start + column * Step;
        var at = Point.At(angle) * radius;
        // A front is at -y: looking to the middle from angle 0 it is turned by 270.
        var turned = Facing switch
        {
            RingFacing.In => angle + 270,
            RingFacing.Out => angle + 90,
            _ => 0,
        };
        return new Placement(at.X, at.Y, turned);
    }

    private Placement OnPath(double run)
    {
        for (var i = 1; i < Path.Length; i++)
        {
            var length = Path[i - 1].DistanceTo(Path[i]);
            if (run <= length || i == Path.Length - 1)
            {
                var along = (Path[i] - Path[i - 1]).Unit();
                var at = Path[i - 1] + along * run;
                return new Placement(at.X, at.Y, Turned ? Math.Round(Angles.Of(along), 9) + (Facing == RingFacing.Out ? 180 : 0) : 0);
            }
            run -= length;
        }
        return default;
    }

    /// <summary>The length of the path in mm.</summary>
    [JsonIgnore]
    public double PathLength
    {
        get
        {
            var length = 0.0;
            for (var i = 1; i < Path.Length; i++)
                length += Path[i - 1].DistanceTo(Path[i]);
            return length;
        }
    }
}
