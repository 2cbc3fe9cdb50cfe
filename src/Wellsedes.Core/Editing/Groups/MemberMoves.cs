using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>Moves members with everything below them.</summary>
internal static class MemberMoves
{
    /// <summary>An entity of something that moves as one from a placement to another.</summary>
    public static Entity Carried(IMember member, Placement start, Placement end) =>
        member switch
        {
            Item item => ItemEdits.Carried(item, start, end),
            Repeat repeat when Moved(repeat.Placement, start, end) is var to => repeat with { X = to.X, Y = to.Y, Rotation = to.Rotation },
            _ => (Entity)member,
        };

    /// <summary>Where something comes to stand that goes along from a placement to another.</summary>
    public static Placement Moved(Placement at, Placement start, Placement end)
    {
        if (end.Rotation == start.Rotation)
            return new Placement(at.X + (end.X - start.X), at.Y + (end.Y - start.Y), at.Rotation);
        var to = end.Out(start.In(at.Origin));
        return new Placement(to.X, to.Y, AngleText.Normal(at.Rotation + end.Rotation - start.Rotation));
    }

    /// <summary>A member under another id.</summary>
    public static Entity Under(IMember member, string id) =>
        member switch
        {
            Item item => item with { Id = id },
            Cluster cluster => cluster with { Id = id },
            Repeat repeat => repeat with { Id = id },
            _ => (Entity)member,
        };

    public static Entity Belonging(IMember member, string? parent, int? slot) =>
        member switch
        {
            Item item => item with { Parent = parent, Slot = slot },
            Cluster cluster => cluster with { Parent = parent, Slot = slot },
            Repeat repeat => repeat with { Parent = parent, Slot = slot },
            _ => (Entity)member,
        };

    /// <summary>Whether two placements are the same to a millionth of a millimetre and of a degree.</summary>
    public static bool IsSame(Placement one, Placement other) =>
        Math.Abs(one.X - other.X) < 1e-6 && Math.Abs(one.Y - other.Y) < 1e-6 && Angles.Apart(one.Rotation, other.Rotation) < 1e-6;
}
