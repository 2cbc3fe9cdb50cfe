using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>A room's name and use; its outline is found from the walls and boundaries around the point (X, Y). Height is the clear height, WayWidth the clear width in mm that ways to what stands in it need: null as everywhere. AreaPerPerson is the floor in m² that each person is counted with where somebody chose it by hand.</summary>
public sealed record Room(
    string Id,
    string LevelId,
    string Name,
    string Use,
    string Number,
    double X,
    double Y,
    double Height,
    double? WayWidth = null,
    double? AreaPerPerson = null
) : Entity(Id), IOnLevel
{
    [JsonIgnore]
    public Point Inside => new(X, Y);
}
