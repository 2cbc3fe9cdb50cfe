using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Seating;

/// <summary>One table or chair of a fill: where its middle is in mm, how it is turned, and which of its row it is.</summary>
/// <param name="Rotation">In degrees counter-clockwise.</param>
/// <param name="Catalogue">What stands there.</param>
/// <param name="Seats">Null for as many as it usually has.</param>
/// <param name="Row">Counted from the front, from 0.</param>
/// <param name="Place">Counted in its row, from 0, from the left of those who sit there.</param>
/// <param name="Width">Its width where it is not the usual one.</param>
public sealed record Stand(
    Point At,
    double Rotation,
    string Catalogue,
    SeatsBySide? Seats = null,
    int Row = 0,
    int Place = 0,
    ItemParameters? Parameters = null,
    double? Width = null,
    double? Depth = null
);
