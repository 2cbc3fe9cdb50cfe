namespace Wellsedes.Core.Plans;

/// <summary>What can belong to a cluster or a repeat: an item, a cluster or a repeat. It names its parent and the slot it fills there.</summary>
public interface IMember : IOfScheme, IOnLevel
{
    string Id { get; }
    string? Parent { get; }
    int? Slot { get; }
}

/// <summary>
/// Items, clusters and repeats that move and count as one. Its members name it as their Parent; the one in the lowest slot leads:
/// where that stands is where the cluster stands.
/// </summary>
/// <param name="Ready">What it was made ready as, and is made again as when that changes; null for one put together by hand.</param>
public sealed record Cluster(
    string Id,
    string SchemeId,
    string LevelId,
    string Name = "",
    ReadyCluster? Ready = null,
    string? Parent = null,
    int? Slot = null
) : Entity(Id), IOfScheme, IOnLevel, IMember
{
    /// <summary>The most direct members of one cluster.</summary>
    public const int Most = 500;

    /// <summary>Clusters and repeats are nested no deeper.</summary>
    public const int Deepest = 6;
}

/// <summary>What a ready-made cluster is, and the two figures it is made from.</summary>
/// <param name="Count">Seats, diners or desks, by its kind.</param>
/// <param name="Distance">A clear distance in mm, by its kind: of conversation, from bed to its sides.</param>
public sealed record ReadyCluster(string Kind, int Count, double Distance);
