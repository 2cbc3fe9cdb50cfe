namespace Wellsedes.Core.Seating.Dense;

/// <summary>
/// Numbers that look scattered and are the same whenever they begin with the same one, so that a fill is (xorshift64*, S. Vigna, "An experimental exploration of Marsaglia's
/// xorshift generators, scrambled", 2016; from memory).
/// </summary>
internal sealed class Scatter(int begin)
{
    private ulong state = 0x9E3779B97F4A7C15UL ^ ((ulong)(uint)begin << 17 | 1);

    /// <summary>From 0 up to, but not, 1.</summary>
    public double Next()
    {
        state ^= state >> 12;
        state ^= state << 25;
        state ^= state >> 27;
        return ((state * 2685821657736338717UL) >> 11) * (1.0 / (1UL << 53));
    }

    /// <summary>A whole number, the upper bound left out.</summary>
    public int Next(int from, int to) => from + (int)(Next() * (to - from));
}
