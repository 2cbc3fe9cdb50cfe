namespace Wellsedes.Core.Geometry;

/// <summary>Numbers from 0 up that are joined into sets (union-find with halved paths, Tarjan 1975).</summary>
public sealed class JoinedSets(int count)
{
    private readonly int[] parent = [.. Enumerable.Range(0, count)];

    /// <summary>The number that stands for a number's set.</summary>
    public int Of(int i)
    {
        while (parent[i] != i)
            i = parent[i] = parent[parent[i]];
        return i;
    }

    /// <summary>The set of the first goes into that of the second.</summary>
    public void Join(int a, int b) => parent[Of(a)] = Of(b);
}
