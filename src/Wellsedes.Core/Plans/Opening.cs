using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

public enum OpeningKind
{
    SingleDoor,
    DoubleDoor,
    SlidingDoor,
    FoldingDoor,
    PocketDoor,
    Window,
    Gap,
}

public enum OpeningMark
{
    None,
    Entrance,
    Exit,
    EntranceAndExit,
    Service,
}

/// <summary>
/// A door, window or gap cut into a wall. Along is from the wall's start to the opening's middle, Width the cut in
/// the wall, ClearWidth what can be walked through. A door hinges (or slides, folds) to the start side or the end
/// side of its wall and swings to the left or right of the wall's direction. MainLeaf is the width of the larger
/// leaf of an uneven pair; null when both are alike. Shut is a door or gap that nobody gets
/// through for now: barred, or tried to be lost.
/// </summary>
public sealed record Opening(
    string Id,
    string WallId,
    OpeningKind Kind,
    double Along,
    double Width,
    double ClearWidth,
    double Height,
    double Sill,
    OpeningMark Mark,
    bool HingeAtEnd,
    bool SwingsRight,
    string Name,
    double? MainLeaf = null,
    bool Locked = false,
    bool Shut = false
) : Entity(Id), ILockable
{
    [JsonIgnore]
    public bool IsDoor => Kind is not (OpeningKind.Window or OpeningKind.Gap);

    [JsonIgnore]
    public double From => Along - Width / 2;

    [JsonIgnore]
    public double To => Along + Width / 2;

    /// <summary>Length of the larger leaf in mm, taken as its part of the cut; of one panel of a folding door.</summary>
    [JsonIgnore]
    public double LeafLength =>
        Kind switch
        {
            OpeningKind.DoubleDoor => MainLeaf ?? Width / 2,
            OpeningKind.FoldingDoor => Width / 2,
            _ => Width,
        };

    [JsonIgnore]
    public bool IsEntrance => Mark is OpeningMark.Entrance or OpeningMark.EntranceAndExit;

    [JsonIgnore]
    public bool IsExit => Mark is OpeningMark.Exit or OpeningMark.EntranceAndExit;
}
