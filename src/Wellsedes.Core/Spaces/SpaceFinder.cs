using System.Collections.Immutable;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Spaces;

/// <summary>Finds what the walls and boundaries of a level enclose and where their openings are.</summary>
public static class SpaceFinder
{
    /// <summary>Steps of tracing the faces of one level; 2 000 walls of an office take about a hundredth of it.</summary>
    private const long MostSteps = 60_000_000;

    /// <param name="before">The level as it was: what has not changed is not made again.</param>
    /// <exception cref="TooMuchWorkException">The walls cross each other too often to be worked out.</exception>
    public static LevelSpace Find(Plan plan, string levelId, LevelSpace? before = null)
    {
        var level = plan.Find<Level>(levelId)!;
        ImmutableArray<Wall> walls = [.. plan.OnLevel<Wall>(levelId)];
        ImmutableArray<Boundary> boundaries = [.. plan.OnLevel<Boundary>(levelId)];
        var openings = walls.SelectMany(wall => plan.OpeningsIn(wall.Id)).ToLookup(opening => opening.WallId);
        var bodies = WallJoints.Of(walls, before?.Bodies);
        var pieces = walls.SelectMany(wall => Pieces(bodies[wall.Id], openings[wall.Id], covering: true)).ToImmutableArray();
        var places = walls.SelectMany(wall => openings[wall.Id].Select(o => Place(o, wall))).ToImmutableArray();
        var whole = walls.SelectMany(wall => bodies[wall.Id].Shapes).ToArray();
        var work = new Work($"the rooms of {level.Name}", MostSteps);
        var traced = FaceTracer.Trace(whole, [], work);
        var faces = boundaries.IsEmpty ? traced.Free : FaceTracer.Trace(whole, boundaries.SelectMany(Chords), work).Free;
        ImmutableArray<Thing> things = [.. plan.OnLevel<Thing>(levelId).Where(thing => thing is not IOfScheme)];
        ImmutableArray<Flight> voids = [.. plan.All<Flight>().Where(f => f.ToLevelId == levelId && f.LevelId != levelId)];
        Convex[] lost =
        [
            .. things.Select(thing => thing.Lost(AreaDefinitions.LeastUsableHeight)).OfType<Convex>(),
            .. voids.Select(flight => flight.Floor()),
        ];
        var light = walls
            .Select(wall => wall.WallType)
            .Distinct()
            .Where(name => UsualWallTypes.Find(plan, name)?.Kind is WallKind.Glass or WallKind.Movable or WallKind.HalfHeight)
            .ToHashSet();
        var (rooms, unenclosed) = Rooms(level, [.. plan.OnLevel<Room>(levelId)], faces, traced.Free, lost);
        var areas = new Lazy<LevelAreas>(() => walls.IsEmpty ? LevelAreas.None : LevelAreas.Of(walls, bodies, traced, rooms));
        return new LevelSpace(
            level,
            new LevelWalls(bodies, pieces, places, [.. walls.Where(wall => light.Contains(wall.WallType)).Select(wall => wall.Id)]),
            new LevelFloor(rooms, unenclosed, areas),
            new LevelFixtures(things, boundaries, [.. plan.OnLevel<SettingOutLine>(levelId)], voids),
            plan.Rules
        );
    }

    private static IEnumerable<(Point, Point)> Chords(Boundary boundary)
    {
        var line = boundary.Line;
        var steps = line.Steps(0, line.Length, 0);
        for (var i = 0; i + 1 < steps.Length; i++)
            yield return (line.At(steps[i]), line.At(steps[i + 1]));
    }

    /// <summary>
    /// The wall cut by its openings. Gaps are left out; the parts of windows and doors are kept and named, because
    /// nobody walks through a window, and only some doors count as open.
    /// </summary>
    internal static IEnumerable<WallPiece> Pieces(WallBody body, IEnumerable<Opening> openings, bool covering)
    {
        if (body.Wall.Line.IsStraight && !openings.Any())
        {
            foreach (var shape in body.Shapes)
                yield return new WallPiece(body.Wall, null, shape.Convex);
            yield break;
        }
        var from = double.NegativeInfinity;
        var length = body.Wall.Length;
        foreach (var opening in openings.OrderBy(opening => opening.Along))
        {
            if (opening.From - Math.Max(0, from) > Tolerance.Length)
                foreach (var part in body.Between(from, opening.From, covering))
                    yield return new WallPiece(body.Wall, null, part);
            if (opening.Kind == OpeningKind.Window)
                foreach (var part in body.Between(opening.From, opening.To, covering))
                    yield return new WallPiece(body.Wall, opening, part);
            else if (opening.IsDoor)
                yield return new WallPiece(body.Wall, opening, Part(body.Wall, opening));
            from = opening.To;
        }
        if (length - Math.Max(0, from) > Tolerance.Length)
            foreach (var part in body.Between(from, double.PositiveInfinity, covering))
                yield return new WallPiece(body.Wall, null, part);
    }

    /// <summary>The cut of an opening through its wall, straight from side to side.</summary>
    private static Convex Part(Wall wall, Opening opening)
    {
        var (line, half) = (wall.Line, wall.Thickness / 2);
        return Convex.HullOf([
            line.At(opening.From, -half),
            line.At(opening.To, -half),
            line.At(opening.To, half),
            line.At(opening.From, half),
        ]);
    }

    private static OpeningPlace Place(Opening opening, Wall wall)
    {
        var line = wall.Line;
        var middle = line.At(opening.Along);
        var along = line.Direction(opening.Along);
        var frame = new Placement(middle.X, middle.Y, Angles.Of(along));
        return new OpeningPlace(
            opening,
            wall,
            frame,
            [.. DoorLeaf.Sweep(opening, wall).Select(part => part.At(frame))],
            Part(wall, opening)
        );
    }

    /// <summary>Each face is one room: the first that was named in it, or one named by its place.</summary>
    private static (ImmutableArray<FoundRoom>, ImmutableArray<Room>) Rooms(
        Level level,
        ImmutableArray<Room> named,
        ImmutableArray<Region> faces,
        ImmutableArray<Region> walled,
        Convex[] lost
    )
    {
        var index = new SpatialIndex<Region>(faces, face => face.Bounds);
        var lostIndex = new SpatialIndex<Convex>(lost, shape => shape.Bounds);
        var owners = new Dictionary<Region, Room>(ReferenceEqualityComparer.Instance);
        var unenclosed = ImmutableArray.CreateBuilder<Room>();
        foreach (var room in named)
        {
            var face = index.Meeting(Bounds.At(room.Inside)).Find(region => region.Holds(room.Inside));
            if (face is null || !owners.TryAdd(face, room))
                unenclosed.Add(room);
        }
        var onlyWalls = walled == faces;
        var walledIndex = onlyWalls ? index : new SpatialIndex<Region>(walled, face => face.Bounds);
        var found = ImmutableArray.CreateBuilder<FoundRoom>();
        var taken = named.Select(room => room.Name).ToHashSet();
        var count = 0;
        foreach (
            var face in faces
                .OrderByDescending(face => Math.Round(face.Area))
                .ThenBy(face => face.Bounds.MinX)
                .ThenBy(face => face.Bounds.MinY)
        )
        {
            var has = owners.TryGetValue(face, out var room);
            var inside = has ? room!.Inside : Polygons.InsidePoint(face);
            if (!has)
            {
                while (taken.Contains(NameOf(++count))) { }
                room = Unnamed(level, inside, NameOf(count));
            }
            var cut = lostIndex.Meeting(face.Bounds);
            var net = cut.Count == 0 ? face.Area : Polygons.Difference(face, cut).Sum(region => region.Area);
            var isWalled = onlyWalls || walledIndex.Meeting(Bounds.At(inside)).Any(region => region.Holds(inside));
            found.Add(new FoundRoom(room!, face, face.Area / 1e6, net / 1e6, has, isWalled));
        }
        return (
            found.OrderBy(f => f.Named ? 0 : 1).ThenBy(f => f.Named ? f.Room.Id : "", StringComparer.Ordinal).ToImmutableArray(),
            unenclosed.ToImmutable()
        );
    }

    private static string NameOf(int count) => $"Room {count}";

    /// <summary>Rooms of two levels may lie above one another. As long an id as leaves space for a place; of a longer one a digest.</summary>
    private static string IdPart(string levelId) =>
        levelId.Length <= 32 ? levelId : Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(levelId)))[..16];

    private static Room Unnamed(Level level, Point inside, string name) =>
        new(
            string.Create(CultureInfo.InvariantCulture, $"found-{IdPart(level.Id)}-{Math.Round(inside.X)}-{Math.Round(inside.Y)}"),
            level.Id,
            name,
            "",
            "",
            inside.X,
            inside.Y,
            level.Height
        );
}
