namespace Wellsedes.Core.Plans;

/// <summary>What is asked of a scheme, or of one zone of it; null where nothing is. StorageLength in mm.</summary>
public sealed record Asked(
    int? Seats = null,
    int? Tables = null,
    int? Workstations = null,
    int? Screens = null,
    int? WheelchairSpaces = null,
    double? StorageLength = null,
    int? WithPower = null
)
{
    /// <summary>More of anything is a typing mistake.</summary>
    private const int Most = 100_000;

    /// <summary>What is wrong with it; null when nothing is.</summary>
    public Problem? Check()
    {
        foreach (
            var (field, count) in ((string, int?)[])
                [
                    ("seats", Seats),
                    ("tables", Tables),
                    ("workstations", Workstations),
                    ("screens", Screens),
                    ("wheelchairSpaces", WheelchairSpaces),
                    ("withPower", WithPower),
                ]
        )
            if (count is < 0 or > Most)
                return new Problem(field, $"The {field} asked must be from 0 to 100 000; {count} was given.");
        return StorageLength is { } length && !(length >= 0 && length <= 10_000_000)
            ? new Problem("storageLength", "The length of storage asked must be from 0 to 10 000 m.")
            : null;
    }
}
