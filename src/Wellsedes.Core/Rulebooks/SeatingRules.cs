namespace Wellsedes.Core.Rulebooks;

/// <summary>By which published rule rows have so many seats and places for wheelchair users.</summary>
public enum SeatingRule
{
    /// <summary>By none: as it was typed.</summary>
    Typed,

    /// <summary>International Building Code 2021 for rows; 2010 ADA Standards for places.</summary>
    Ibc,

    /// <summary>BS 9999 for rows; Approved Document M volume 2 for places.</summary>
    Uk,

    /// <summary>MVStättVO (Germany) for both.</summary>
    Germany,
}

/// <summary>
/// Published values that a fill of rows reads, by the names of their entries. All are recalled from memory, to be checked against the adopted edition.
/// </summary>
public static class SeatingRules
{
    private const double Inch = 25.4;

    /// <summary>Least clear passage between rows: ibc-1030.13.2-row-min; uk-seatway; mvstaettvo-10-rows. In mm; null for no rule.</summary>
    public static double? LeastPassage(SeatingRule rule) =>
        rule switch
        {
            SeatingRule.Ibc => 12 * Inch,
            SeatingRule.Uk => 300,
            SeatingRule.Germany => 400,
            _ => null,
        };

    /// <summary>
    /// Clear passage in mm that a row of so many seats needs: 12 in and 0.3 in for each seat beyond 14 with an aisle at both ends (International Building Code 2021, 1030.13.2.1:
    /// ibc-1030.13.2.1-dual), 0.6 in beyond 7 with one (1030.13.2.2: ibc-1030.13.2.2-single), at most 22 in; NFPA 101 12.2.5.5 says the same (nfpa101-rows).
    /// </summary>
    public static double IbcPassage(int seats, bool bothEnds) =>
        Math.Min(22, 12 + (bothEnds ? 0.3 * Math.Max(0, seats - 14) : 0.6 * Math.Max(0, seats - 7))) * Inch;

    /// <summary>The most seats of a row from one aisle at a passage in mm; between two aisles twice as many. Null where the passage is too narrow for any.</summary>
    public static int? MostFromAisle(SeatingRule rule, double passage) =>
        rule switch
        {
            // 22 in are enough for up to 100 seats between two aisles.
            SeatingRule.Ibc when passage >= 22 * Inch - 0.01 => 50,
            SeatingRule.Ibc when passage >= 12 * Inch - 0.01 => 7 + (int)Math.Floor((passage / Inch - 12) / 0.6 + 1e-6),
            SeatingRule.Uk => UkSeatway(passage)?.One,
            SeatingRule.Germany when passage >= 400 - 0.01 => 10,
            _ => null,
        };

    /// <summary>
    /// Seats of a row with a gangway at one side and at both, by bands of the seatway in mm (BS 9999, table number not recalled: uk-seatway). From 500 mm on, between two gangways
    /// only the travel distance limits: 0 stands for no number. Null below 300 mm.
    /// </summary>
    public static (int One, int Both)? UkSeatway(double seatway) =>
        seatway switch
        {
            < 300 => null,
            < 325 => (7, 14),
            < 350 => (8, 16),
            < 375 => (9, 18),
            < 400 => (10, 20),
            < 425 => (11, 22),
            < 450 => (12, 24),
            < 475 => (12, 26),
            < 500 => (12, 28),
            _ => (12, 0),
        };

    /// <summary>Least width of a level aisle in mm, by how many seats it serves (International Building Code 2021, 1030.9.1 and exceptions: ibc-1030.9.1-level-both).</summary>
    public static double IbcAisle(int seats) =>
        Math.Max(
            seats <= 14 ? 30
                : seats < 50 ? 36
                : 42,
            0.2 * seats
        ) * Inch;

    /// <summary>
    /// Clear width in mm between the chairs of two long tables (International Building Code 2021, 1030.13.1.1: ibc-1030.13.1.1-table-accessway); length in mm from the middle of the seat farthest
    /// from an aisle.
    /// </summary>
    public static double IbcTableAccess(double length, int persons)
    {
        var feet = length / 304.8;
        if (feet <= 6 + 1e-9 && persons <= 4)
            return 0;
        return (12 + 0.5 * Math.Max(0, Math.Ceiling(feet - 12 - 1e-9))) * Inch;
    }

    /// <summary>
    /// Places for wheelchair users among so many seats: 2010 ADA Standards, table 221.2.1.1 (ada-221.2.1.1-wheelchair-spaces); 1 %, at least 6 up to 600 seats (Approved Document M volume 2,
    /// table 3: adm2-wheelchair-number); 1 %, at least 2 (MVStättVO, section 10(7): mvstaettvo-10-wheelchair, and DIN 18040-1, 5.2.1). 0 for no rule.
    /// </summary>
    public static int WheelchairPlaces(SeatingRule rule, int seats) =>
        rule switch
        {
            _ when seats <= 0 => 0,
            SeatingRule.Ibc => Ada(seats),
            SeatingRule.Uk => Math.Max(Percent(seats), seats <= 600 ? 6 : 0),
            SeatingRule.Germany => Math.Max(2, Percent(seats)),
            _ => 0,
        };

    private static int Percent(int seats) => (int)Math.Ceiling(seats / 100.0);

    private static int Ada(int seats) =>
        seats switch
        {
            < 4 => 0,
            <= 25 => 1,
            <= 50 => 2,
            <= 150 => 4,
            <= 300 => 5,
            <= 500 => 6,
            <= 5000 => 6 + (int)Math.Ceiling((seats - 500) / 150.0),
            _ => 36 + (int)Math.Ceiling((seats - 5000) / 200.0),
        };
}
