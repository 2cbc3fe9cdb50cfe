namespace Wellsedes.Core.Walkways;

/// <summary>What left a set of obstacles and what came.</summary>
internal sealed record SceneDifference(HashSet<Obstacle> Gone, IReadOnlyList<Obstacle> Come)
{
    public static readonly SceneDifference None = new(new(ReferenceEqualityComparer.Instance), []);

    public int Count => Gone.Count + Come.Count;

    /// <summary>Between two scenes: parts that are the same objects are not looked into.</summary>
    /// <param name="places">Where each part of the later scene stood in the earlier one.</param>
    public static SceneDifference Between(WalkwayScene before, WalkwayScene now, int[] places)
    {
        var gone = new HashSet<Obstacle>(ReferenceEqualityComparer.Instance);
        List<Obstacle> come = [];
        var stays = new bool[before.Parts.Length];
        foreach (var place in places)
            if (place >= 0)
                stays[place] = true;
        for (var i = 0; i < stays.Length; i++)
            if (!stays[i])
                gone.UnionWith(before.Parts[i].Obstacles);
        for (var i = 0; i < places.Length; i++)
            if (places[i] < 0)
                foreach (var one in now.Parts[i].Obstacles)
                    if (!gone.Remove(one))
                        come.Add(one);
        return new SceneDifference(gone, come);
    }
}
