namespace Wellsedes.Core.Plans;

/// <summary>What a scheme must hold; null where nothing is asked. Area in m².</summary>
public sealed record Brief(
    string Id,
    string SchemeId,
    int? Seats = null,
    int? Tables = null,
    int? Workstations = null,
    double? AreaPerSeat = null
) : Entity(Id), IOfScheme;
