using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>A kept measure between two points, drawn on the plan and on the sheet.</summary>
public sealed record Dimension(string Id, string SchemeId, string LevelId, Point From, Point To) : Entity(Id), IOfScheme, IOnLevel;
