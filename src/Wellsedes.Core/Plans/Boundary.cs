using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>A line without a wall that bounds rooms: the edge of a terrace or marquee, or the split between two uses of one space.</summary>
public sealed record Boundary(string Id, string LevelId, Point Start, Point End, double Bow = 0) : Entity(Id), IOnLevel
{
    [JsonIgnore]
    public BowedLine Line => new(Start, End, Bow);
}
