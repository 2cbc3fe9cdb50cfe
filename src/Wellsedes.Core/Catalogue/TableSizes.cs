namespace Wellsedes.Core.Catalogue;

/// <summary>
/// The size of a table for a number of diners, and how many seats a round table or a long one has. Common practice, from memory: rounds of 48, 60, 72 and 84 in seat 6, 8, 10 and 12;
/// dining tables of 48 x 32, 72 x 36, 96 x 42 and 120 x 42 in seat 4, 6, 8 and 10; more take 24 in of edge each.
/// </summary>
public static class TableSizes
{
    public const int MostDiners = 40;

    /// <summary>Width and depth in mm, to 10 mm, and the seats by side; null when a table of this maker is not sat at.</summary>
    public static (double Width, double Depth, SeatsBySide Seats)? For(string maker, int diners) =>
        maker switch
        {
            "round-table" => (Round(diners), Round(diners), new SeatsBySide(Around: diners)),
            "oval-table" => Straight(diners) is var (width, depth, _)
                ? (To10(width * 1.1), To10(depth * 1.1), new SeatsBySide(Around: diners))
                : null,
            "straight-table" => Straight(diners),
            _ => null,
        };

    /// <summary>
    /// The most seats a table takes at a size: what its source says of its usual size, and more where it is made larger: 600 mm of
    /// a side each, one at an end of 750 mm; rounds as above, two more from 1500 mm. Common practice, from memory.
    /// </summary>
    public static int MostSeatsAt(CatalogueItem kind, ItemSize size)
    {
        if (size == kind.Size || kind.Chair is null)
            return kind.MostSeats;
        var by = kind.Maker switch
        {
            "round-table" => Enumerable.Range(1, MostDiners).LastOrDefault(diners => Round(diners) <= size.Width + 10)
                + (size.Width >= 1500 ? 2 : 0),
            "oval-table" or "straight-table" => 2 * (int)(size.Width / 600 + 0.07) + (size.Depth >= 750 ? 2 : 0),
            _ => 0,
        };
        var isLarger = size.Width > kind.Size.Width || size.Depth > kind.Size.Depth;
        return isLarger ? Math.Max(kind.MostSeats, by) : kind.MostSeats;
    }

    private static double Round(int diners) =>
        diners switch
        {
            <= 2 => 610,
            3 => 750,
            4 => 900,
            <= 6 => 1220,
            <= 8 => 1530,
            <= 10 => 1830,
            <= 12 => 2130,
            _ => To10(diners * 560 / Math.PI),
        };

    private static (double, double, SeatsBySide) Straight(int diners)
    {
        if (diners == 1)
            return (750, 600, new SeatsBySide(Front: 1));
        if (diners <= 3)
            return (750, 750, new SeatsBySide(Front: 1, Back: 1, Left: diners - 2));
        if (diners == 4)
            return (1220, 810, new SeatsBySide(Front: 2, Back: 2));
        // From five on one sits at each end, or at one of them.
        var along = diners - 2;
        var (front, back) = ((along + 1) / 2, along / 2);
        var (width, depth) = diners switch
        {
            <= 6 => (1830.0, 910.0),
            <= 8 => (2440, 1070),
            <= 10 => (3050, 1070),
            _ => (To10(front * 610 + 610), 1220),
        };
        return (width, depth, new SeatsBySide(Front: front, Back: back, Left: 1, Right: 1));
    }

    private static double To10(double length) => Math.Round(length / 10) * 10;
}
