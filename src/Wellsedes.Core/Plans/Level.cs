using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>
/// A storey. Elevation of its floor above the plan's zero, height from floor to ceiling, and the thickness of the
/// floor it stands on, in mm. Grid is the step of the grid shown on it; 0 for none.
/// </summary>
public sealed record Level(string Id, string Name, double Elevation, double Height, double FloorThickness = 300, double Grid = 0)
    : Entity(Id);
