namespace Wellsedes.Core.Seating;

/// <summary>How many tables of each of two kinds seat people exactly.</summary>
internal sealed record TableMix(int Ones, int Others)
{
    public int Tables => Ones + Others;

    /// <summary>The fewest tables that seat them with no seat left over, of these as many of the first kind as can be; null where no numbers do.</summary>
    /// <param name="people">Who is to sit.</param>
    /// <param name="one">Seats at a table of the first kind.</param>
    /// <param name="other">Seats at one of the other.</param>
    public static TableMix? Of(int people, int one, int other)
    {
        if (one < 1 || other < 1)
            return null;
        TableMix? best = null;
        for (var ones = people / one; ones >= 0; ones--)
            if ((people - ones * one) % other == 0)
            {
                var mix = new TableMix(ones, (people - ones * one) / other);
                if (best is null || mix.Tables < best.Tables)
                    best = mix;
            }
        return best;
    }
}
