using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.OverlayNG;
using NetTopologySuite.Operation.Polygonize;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.LowCeilings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Point = Wellsedes.Core.Geometry.Point;

namespace Wellsedes.Core.Tests.Spaces;

/// <summary>Lines without walls split floors where they close; the faces are those NetTopologySuite's polygonizer finds.</summary>
public sealed class BoundaryTests
{
    private const string L = PlanStart.LevelId;

    [Fact]
    public void A_line_that_leads_from_a_wall_to_an_island_splits_nothing()
    {
        var sample = new Sample()
            .Room(8000, 6000)
            .Do(new DrawWalls("free", L, new(4000, 2000), [new(new(4000, 4000))], false, "Stud 100"))
            .Do(new DrawBoundary("line", L, new(0, 3000), [new(new(4000, 3000))], false));
        var room = Assert.Single(sample.State.Space.Rooms);
        Assert.Equal(48 - 0.2, room.GrossInternal, 6);
        Assert.Equal(4, room.Outline.Outline.Length);
        Assert.Single(room.Outline.Holes);
        // To the other side as well it cuts the room in two.
        sample.Do(new DrawBoundary("more", L, new(4000, 3000), [new(new(8000, 3000))], false));
        Assert.Equal([23.9, 23.9], sample.State.Space.Rooms.Select(found => Math.Round(found.GrossInternal, 6)));
    }

    [Fact]
    public void A_line_that_crosses_itself_leaves_a_room_whose_net_area_is_found()
    {
        var sample = new Sample().Room(9000, 7000).Do(new PutThing(new LowCeiling("low", L, 1500, 6000, 0, 2000, 1500, 1200, 1200)));
        sample.Do(new DrawBoundary("b", L, new(0, 1500), [new(new(600, 4000.5), 5000), new(new(4000.5, 4000.5), 2400)], false));
        // Its bows reach through the walls; what lies outside them is a room of its own.
        var rooms = sample.State.Space.Rooms.Where(room => room.Outline.Bounds is { MinX: > -1, MaxX: < 9001, MaxY: < 7001 }).ToArray();
        Assert.InRange(rooms.Length, 2, sample.State.Space.Rooms.Length - 1);
        Assert.Equal(63, rooms.Sum(room => room.GrossInternal), 3);
        Assert.Equal(60, rooms.Sum(room => room.NetInternal), 3);
    }

    [Theory]
    [MemberData(nameof(Tens))]
    public void Faces_between_random_lines_are_those_of_the_reference(int ten)
    {
        for (var seed = 10 * ten; seed < 10 * ten + 10; seed++)
        {
            var random = new Random(seed);
            List<(Point From, Point To)> lines = [];
            void Chain(params Point[] points)
            {
                for (var i = 0; i + 1 < points.Length; i++)
                    lines.Add((points[i], points[i + 1]));
            }
            Point Anywhere() => new(random.Next(0, 801) * 10, random.Next(0, 601) * 10);
            for (var count = random.Next(2, 9); count > 0; count--)
                switch (random.Next(4))
                {
                    case 0:
                        Chain(new(0, random.Next(600) * 10), new(8000, random.Next(600) * 10));
                        break;
                    case 1:
                        var (at, size) = (Anywhere(), random.Next(1, 150) * 10);
                        var (right, top) = (Math.Min(8000, at.X + size), Math.Min(6000, at.Y + size));
                        Chain(at, new(right, at.Y), new(right, top), new(at.X, top), at);
                        break;
                    case 2:
                        Chain(Anywhere(), Anywhere(), Anywhere());
                        break;
                    default:
                        // On to where another began, so that loops and bridges come about.
                        Chain(lines.Count == 0 ? Anywhere() : lines[random.Next(lines.Count)].From, Anywhere());
                        break;
                }
            lines.RemoveAll(line => line.From == line.To);
            var found = FaceTracer.Trace(Walls(), lines).Free.Select(face => face.Area / 1e6).Where(area => area > 1e-3).Order().ToArray();
            var wanted = Reference(lines).Where(area => area > 1e-3).Order().ToArray();
            Assert.True(found.Length == wanted.Length, $"seed {seed}: {found.Length} faces, {wanted.Length} in the reference");
            Assert.All(found.Zip(wanted), pair => Assert.InRange(pair.First - pair.Second, -1e-5, 1e-5));
        }
    }

    public static TheoryData<int> Tens() => [.. Enumerable.Range(0, 12)];

    private static Convex[] Walls() =>
        [
            Convex.Rectangle(new(4000, -100), 8400, 200),
            Convex.Rectangle(new(4000, 6100), 8400, 200),
            Convex.Rectangle(new(-100, 3000), 200, 6400),
            Convex.Rectangle(new(8100, 3000), 200, 6400),
        ];

    private static IEnumerable<double> Reference(IEnumerable<(Point From, Point To)> lines)
    {
        var factory = new GeometryFactory();
        LineString Line(Point a, Point b) => factory.CreateLineString([new(a.X, a.Y), new(b.X, b.Y)]);
        Point[] corners = [new(0, 0), new(8000, 0), new(8000, 6000), new(0, 6000)];
        var all = lines
            .Select(line => Line(line.From, line.To))
            .Concat(corners.Select((corner, i) => Line(corner, corners[(i + 1) % 4])))
            .ToArray<NetTopologySuite.Geometries.Geometry>();
        var polygonizer = new Polygonizer();
        polygonizer.Add(OverlayNGRobust.Union(factory.BuildGeometry(all)));
        return polygonizer.GetPolygons().Select(face => face.Area / 1e6);
    }
}
