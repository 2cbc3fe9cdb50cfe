using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>The walls of a level, joined and cut by their openings.</summary>
/// <param name="Light">Ids of walls that are drawn without hatching: glass, movable and half-height ones.</param>
public sealed record LevelWalls(
    ImmutableDictionary<string, WallBody> Bodies,
    ImmutableArray<WallPiece> Pieces,
    ImmutableArray<OpeningPlace> Openings,
    ImmutableHashSet<string> Light
)
{
    private readonly Lazy<ImmutableArray<Region>> faces = new(() => Traced(Solid(Bodies, Openings)));
    private readonly Lazy<ImmutableArray<Region>> heavy = new(() =>
        Traced(Solid(Bodies, Openings).Where(piece => !Light.Contains(piece.Wall.Id)))
    );
    private readonly Lazy<ImmutableArray<UnjoinedEnd>> loose = new(() => Spaces.UnjoinedEnds.Of(Bodies));

    /// <summary>Cut faces of the walls, united.</summary>
    public ImmutableArray<Region> Faces => faces.Value;

    /// <summary>The faces of those walls that are hatched.</summary>
    public ImmutableArray<Region> HatchedFaces => Light.IsEmpty ? Faces : heavy.Value;

    public ImmutableArray<UnjoinedEnd> UnjoinedEnds => loose.Value;

    private static ImmutableArray<Region> Traced(IEnumerable<WallPiece> pieces) =>
        FaceTracer.Trace(pieces.Select(piece => piece.Body), []).Solid;

    /// <summary>The walls between their openings, curves in fine chords.</summary>
    private static IEnumerable<WallPiece> Solid(ImmutableDictionary<string, WallBody> bodies, ImmutableArray<OpeningPlace> openings)
    {
        var cut = openings.ToLookup(place => place.Wall.Id, place => place.Opening);
        return bodies
            .Values.SelectMany(body => SpaceFinder.Pieces(body, cut[body.Wall.Id], covering: false))
            .Where(piece => piece.Opening is null);
    }
}
