using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>A construction line through (X, Y) at an angle in degrees; endless both ways.</summary>
public sealed record SettingOutLine(string Id, string LevelId, double X, double Y, double Angle, bool Locked = false)
    : Entity(Id),
        IOnLevel,
        ILockable
{
    [JsonIgnore]
    public Point Through => new(X, Y);

    [JsonIgnore]
    public Point Along => Point.At(Angle);
}
