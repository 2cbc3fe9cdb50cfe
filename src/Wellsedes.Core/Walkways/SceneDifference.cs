namespace Wellsedes.Core.Walkways;

/// <summary>What left a set of obstacles and what came.</summary>
internal sealed record SceneDifference(HashSet<Obstacle> Gone, IReadOnlyList<Obstacle> Come)
{
    public int Count => Gone.Count + Come.Count;

    /// <summary>More changed obstacles than this, or half of all, and working everything out anew is quicker than asking what changed.</summary>
    private const int Few = 400;

    /// <summary>Null when more changed than is worth asking about. Both are in the same order but for what changed.</summary>
    public static SceneDifference? Between(ReadOnlySpan<Obstacle> before, ReadOnlySpan<Obstacle> now)
    {
        var difference = Whole(before, now);
        return difference.Count > Math.Min(Few, now.Length) ? null : difference;
    }

    /// <summary>However much it is.</summary>
    public static SceneDifference Whole(ReadOnlySpan<Obstacle> before, ReadOnlySpan<Obstacle> now)
    {
        var (from, ends) = (0, 0);
        while (from < before.Length && from < now.Length && before[from] == now[from])
            from++;
        while (ends < before.Length - from && ends < now.Length - from && before[^(ends + 1)] == now[^(ends + 1)])
            ends++;
        var gone = new HashSet<Obstacle>(before[from..^ends].ToArray(), ReferenceEqualityComparer.Instance);
        List<Obstacle> come = [];
        foreach (var one in now[from..^ends])
            if (!gone.Remove(one))
                come.Add(one);
        return new SceneDifference(gone, come);
    }
}
