namespace Wellsedes.Core.Plans;

/// <summary>What a scheme must hold; null where nothing is asked. Area in m², the length of storage in mm.</summary>
public sealed record Brief(
    string Id,
    string SchemeId,
    int? Seats = null,
    int? Tables = null,
    int? Workstations = null,
    double? AreaPerSeat = null,
    int? Screens = null,
    int? WheelchairSpaces = null,
    double? StorageLength = null,
    int? WithPower = null
) : Entity(Id), IOfScheme
{
    /// <summary>What is asked of what items are, beside the seats, tables and workstations.</summary>
    public Asked OfItems() => new(Screens: Screens, WheelchairSpaces: WheelchairSpaces, StorageLength: StorageLength, WithPower: WithPower);

    public Asked Whole() => OfItems() with { Seats = Seats, Tables = Tables, Workstations = Workstations };
}
