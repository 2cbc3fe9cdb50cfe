using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>How well a length is known: taken on site, taken to be so, or not known. Told apart on the sheet.</summary>
public enum Certainty
{
    Surveyed,
    Assumed,
    Unknown,
}

/// <summary>
/// A wall along its centre line, from start to end, with its thickness and height. Bow is how far the middle of a
/// curved wall stands to the left of the straight line between its ends (mm, negative to the right); 0 is straight.
/// WallType is the name of its wall type. Certainty is about its length.
/// </summary>
public sealed record Wall(
    string Id,
    string LevelId,
    Point Start,
    Point End,
    double Thickness,
    double Height,
    string WallType,
    double Bow = 0,
    Certainty Certainty = Certainty.Surveyed,
    bool Locked = false
) : Entity(Id), IOnLevel, ILockable
{
    /// <summary>Of some walls the one whose middle line is nearest to a place; null where there is none.</summary>
    public static Wall? Nearest(IEnumerable<Wall> walls, Point at) =>
        walls.MinBy(wall => wall.Line.At(wall.Line.Nearest(at).Along).DistanceTo(at));

    [JsonIgnore]
    public BowedLine Line => new(Start, End, Bow);

    /// <summary>Along the centre line, in mm.</summary>
    [JsonIgnore]
    public double Length => Line.Length;

    /// <summary>How far along it a place lies that is in it or at its face, in mm from its start; null for one that is not.</summary>
    public double? PlaceOf(Point place)
    {
        var (along, left) = Line.Nearest(place);
        return Math.Abs(left) <= Thickness / 2 + 1 && Line.At(along, left).DistanceTo(place) <= 1 ? along : null;
    }
}
