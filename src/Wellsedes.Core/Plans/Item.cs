using System.Text.Json.Serialization;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>
/// One placed thing of the catalogue. Sizes are null where the catalogue's hold; X, Y is the middle of its body. Set aside
/// means not yet placed: never counted, never printed. Elevation is its underside above the floor in mm; StandsOn the item
/// it stands on or the wall it hangs on. A member of a cluster or a repeat is stored like any item, with its Parent and the Slot
/// it fills there. Mirrored is seen in a mirror along its own y axis: what was on its left is on its right.
/// Of those that stand as high the one of the greater Order is drawn before the others.
/// </summary>
public sealed record Item(
    string Id,
    string SchemeId,
    string LevelId,
    string Catalogue,
    double X,
    double Y,
    double Rotation,
    double? Width = null,
    double? Depth = null,
    double? Height = null,
    SeatsBySide? Seats = null,
    string Label = "",
    bool SetAside = false,
    bool Locked = false,
    double Elevation = 0,
    string? StandsOn = null,
    ItemParameters? Parameters = null,
    string? Parent = null,
    int? Slot = null,
    int Order = 0,
    bool Mirrored = false
) : Entity(Id), IOfScheme, IOnLevel, ILockable, IMember
{
    /// <summary>An order is no further from 0 than this.</summary>
    public const int FurthestOrder = 10_000;

    [JsonIgnore]
    public Placement Placement => new(X, Y, Rotation);
}
