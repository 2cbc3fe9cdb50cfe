namespace Wellsedes.Core.Walkways;

/// <summary>A number for each of many obstacles. What changed since many were numbered is kept beside them, until it is many itself.</summary>
internal sealed class ObstacleNumbers
{
    private const int FewChanges = 256;
    private const int Share = 4;

    private readonly Dictionary<Obstacle, int> many;

    /// <summary>Numbers given since; -1 where one was taken away.</summary>
    private readonly Dictionary<Obstacle, int> since;

    public static readonly ObstacleNumbers None = new(Made(0), Made(0));

    private ObstacleNumbers(Dictionary<Obstacle, int> many, Dictionary<Obstacle, int> since) => (this.many, this.since) = (many, since);

    private static Dictionary<Obstacle, int> Made(int count) => new(count, ReferenceEqualityComparer.Instance);

    public int? Of(Obstacle obstacle)
    {
        if (since.Count > 0 && since.TryGetValue(obstacle, out var changed))
            return changed < 0 ? null : changed;
        return many.TryGetValue(obstacle, out var number) ? number : null;
    }

    public ObstacleNumbers With(IReadOnlyCollection<Obstacle> gone, IReadOnlyDictionary<Obstacle, int> come)
    {
        if (gone.Count + come.Count == 0)
            return this;
        var whole = since.Count + gone.Count + come.Count > Math.Max(FewChanges, many.Count / Share);
        var next = new Dictionary<Obstacle, int>(whole ? many : since, ReferenceEqualityComparer.Instance);
        if (whole)
            foreach (var (obstacle, number) in since)
                Put(obstacle, number);
        foreach (var obstacle in gone)
            Put(obstacle, -1);
        foreach (var (obstacle, number) in come)
            Put(obstacle, number);
        return whole ? new ObstacleNumbers(next, Made(0)) : new ObstacleNumbers(many, next);

        void Put(Obstacle obstacle, int number)
        {
            if (whole && number < 0)
                next.Remove(obstacle);
            else
                next[obstacle] = number;
        }
    }
}
