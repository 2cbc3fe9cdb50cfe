using System.Text.Json.Serialization;

namespace Wellsedes.Core.Plans;

public enum ChairState
{
    Occupied,
    PulledOut,
}

/// <summary>What a scheme's walkways are held against: main aisles, access to seats, chair depths; all in mm.</summary>
public sealed record Checks(
    string Id,
    string SchemeId,
    double MainAisle,
    double SeatAccess,
    ChairState Chairs,
    double OccupiedDepth,
    double PulledOutDepth
) : Entity(Id), IOfScheme
{
    /// <summary>Depth in mm from the table edge to the back of a chair, as chosen.</summary>
    [JsonIgnore]
    public double ChairDepth => Chairs == ChairState.Occupied ? OccupiedDepth : PulledOutDepth;
}
