using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>What lies on the two sides of a wall at a place of it, which is how a wall or an opening is told from another in a list.</summary>
/// <param name="Left">The room on the left of the wall; "outside" for none.</param>
public readonly record struct RoomsBeside(string Left, string Right)
{
    private const string Outside = "outside";

    public static RoomsBeside Of(LevelSpace space, Wall wall, double along)
    {
        string Beside(int side) =>
            space.RoomAt(wall.Line.At(along, side * (wall.Thickness / 2 + 1)))?.Room.Name is { Length: > 0 } name ? name : Outside;
        return new RoomsBeside(Beside(1), Beside(-1));
    }

    public bool IsInside(bool left) => (left ? Left : Right) != Outside;

    /// <summary>"Door, Lobby to Store".</summary>
    public string InList(Opening opening)
    {
        var kind = opening.Kind == OpeningKind.SingleDoor ? "door" : OpeningSizes.Of(opening.Kind).Name.Split(' ', 2)[1];
        var what = opening.Name.Length > 0 ? opening.Name : char.ToUpperInvariant(kind[0]) + kind[1..];
        return $"{what}, {(opening.Kind == OpeningKind.Window ? Where() : Between(" to "))}";
    }

    /// <summary>A wall: "Wall, Lobby and Store".</summary>
    public string InList() => $"Wall, {Where()}";

    private string Where() =>
        IsInside(true) && IsInside(false) ? Between(" and ")
        : IsInside(true) ? Left
        : Right;

    /// <summary>The inner room first, whichever way the wall was drawn.</summary>
    private string Between(string word)
    {
        var swapped = !IsInside(true) || (IsInside(false) && string.CompareOrdinal(Right, Left) < 0);
        var (from, to) = swapped ? (Right, Left) : (Left, Right);
        return from == Outside ? Outside : from + word + to;
    }
}
