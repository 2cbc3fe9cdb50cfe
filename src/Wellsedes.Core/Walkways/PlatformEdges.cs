using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// The edges of platforms nobody steps over, open where a flight joins one and where the next platform is no more than a
/// step higher or lower: a stage laid of several decks is one floor.
/// </summary>
internal sealed class PlatformEdges
{
    /// <summary>A shorter piece of an edge than this, in mm, keeps nobody.</summary>
    private const double Shortest = 2;

    /// <summary>A flight joins a platform's edge when it ends within this of it, in mm.</summary>
    private const double Joins = 60;

    /// <summary>Another platform that lies this far beyond an edge, in mm, lies beside it.</summary>
    private const double Beside = 1;

    private sealed record Deck(Platform Platform, Convex Floor, int Order);

    private readonly Deck[] decks;
    private readonly SpatialIndex<Deck> index;
    private readonly double highestStep;
    private readonly (Point A, Point B)[] ends;

    /// <param name="usable">The flights within the level that are walked over.</param>
    public PlatformEdges(LevelSpace space, bool stepFree, IEnumerable<Flight> usable)
    {
        highestStep = stepFree ? space.Rules.LevelChange.Value : space.Rules.HighestStep.Value;
        decks = [.. space.Platforms.Select((platform, order) => new Deck(platform, platform.Floor(), order))];
        index = new SpatialIndex<Deck>(decks, deck => deck.Floor.Bounds);
        ends =
        [
            .. usable.SelectMany(flight =>
                new[] { -1, 1 }.Select(end =>
                    (
                        flight.Placement.Out(new Point(-flight.Width / 2, end * flight.Depth / 2)),
                        flight.Placement.Out(new Point(flight.Width / 2, end * flight.Depth / 2))
                    )
                )
            ),
        ];
    }

    public IEnumerable<Obstacle> All() => decks.Where(deck => Math.Abs(deck.Platform.Rise) > highestStep).SelectMany(Of);

    private IEnumerable<Obstacle> Of(Deck deck)
    {
        var corners = deck.Floor.Corners.ToArray();
        var neighbours = index.Meeting(deck.Floor.Bounds.Grown(Beside)).Where(other => other != deck).ToArray();
        for (var i = 0; i < corners.Length; i++)
        {
            var (from, to) = (corners[i], corners[(i + 1) % corners.Length]);
            var along = (to - from).Unit();
            var length = from.DistanceTo(to);
            var open = AtFlights(from, along).Concat(neighbours.SelectMany(other => OpenTo(deck, other, from, along)));
            var at = 0.0;
            var part = 0;
            foreach (var gap in open.Where(g => g.To > 0 && g.From < length).OrderBy(g => g.From).Append((From: length, To: length)))
            {
                if (gap.From - at > Shortest)
                {
                    var strip = Convex.Capsule(from + along * at, from + along * gap.From, 0);
                    yield return new Obstacle(deck.Platform.Id, $"Edge of {deck.Platform.Called()}", $"{i}-{part++}", strip);
                }
                at = Math.Max(at, gap.To);
            }
        }
    }

    /// <summary>Where flights end at an edge, as stretches along it in mm.</summary>
    private IEnumerable<(double From, double To)> AtFlights(Point from, Point along)
    {
        foreach (var end in ends)
        {
            var (a, b) = (end.A - from, end.B - from);
            if (Math.Abs(along.Cross(a)) <= Joins && Math.Abs(along.Cross(b)) <= Joins)
                yield return (Math.Min(a.Dot(along), b.Dot(along)), Math.Max(a.Dot(along), b.Dot(along)));
        }
    }

    /// <summary>Where one steps from an edge onto another platform, or where that one's own edge already runs the same way.</summary>
    private IEnumerable<(double From, double To)> OpenTo(Deck deck, Deck other, Point from, Point along)
    {
        var rise = Math.Abs(other.Platform.Rise - deck.Platform.Rise);
        if (
            rise <= highestStep
            && LineInside.Of(other.Floor, Tolerance.Length, from, along) is { } on
            && LineInside.Of(other.Floor, Tolerance.Length, from - along.Left() * Beside, along) is { } beyond
        )
            yield return (Math.Max(on.From, beyond.From), Math.Min(on.To, beyond.To));
        if (rise > Tolerance.Length || other.Order > deck.Order)
            yield break;
        var corners = other.Floor.Corners.ToArray();
        for (var i = 0; i < corners.Length; i++)
        {
            var (a, b) = (corners[i] - from, corners[(i + 1) % corners.Length] - from);
            if (Math.Abs(along.Cross(a)) <= Tolerance.Length && Math.Abs(along.Cross(b)) <= Tolerance.Length && b.Dot(along) > a.Dot(along))
                yield return (a.Dot(along), b.Dot(along));
        }
    }
}
