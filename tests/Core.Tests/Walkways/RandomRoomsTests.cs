using Wellsedes.Core.Geometry;
using Wellsedes.Core.Walkways;
using Wellsedes.Tests.Seeded;

namespace Wellsedes.Core.Tests.Walkways;

/// <summary>Seeded random rooms held against the slow reference, just under and just over every width found.</summary>
public sealed class RandomRoomsTests
{
    private const double Margin = 0.5;

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Widths_agree_with_offset_and_union(int batch)
    {
        List<string> wrong = [];
        var decisions = 0;
        for (var seed = batch * 55; seed < batch * 55 + Whole.Or(15, 55); seed++)
        {
            var room = RandomRoom.Make(seed);
            var ways = new WalkwayAnalysis(room).Ways;
            foreach (var way in ways.Where((_, i) => (i + seed) % 7 == 0))
            {
                var under = way.Width - Margin;
                if (under > 1)
                {
                    decisions++;
                    var reference = new OffsetReference(room.Obstacles, room.Sources[0].At, under);
                    if (!way.Target.Access.Any(access => reference.Reaches(access, under)))
                        wrong.Add($"room {seed} {way.Target.Name}: {way.Width:0.00} is too wide");
                }
                var over = way.Width + Margin;
                if (over < 4000)
                {
                    decisions++;
                    var reference = new OffsetReference(room.Obstacles, room.Sources[0].At, over);
                    if (way.Target.Access.Any(access => reference.Reaches(access, over)))
                        wrong.Add($"room {seed} {way.Target.Name}: {way.Width:0.00} is too narrow");
                }
            }
        }
        Assert.True(wrong.Count == 0, $"{wrong.Count} of {decisions} wrong:\n" + string.Join("\n", wrong.Take(20)));
        Assert.True(decisions > Whole.Or(30, 100), $"only {decisions} decisions were made");
    }

    /// <summary>Moving, taking away and bringing back some things at a time and lending the old graph gives what building anew gives.</summary>
    [Theory]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    [InlineData(21)]
    [InlineData(22)]
    public void Lending_an_earlier_graph_changes_nothing(int seed)
    {
        var random = new Random(seed);
        WalkwayAnalysis? before = null;
        var room = RandomRoom.Make(seed);
        var things = room
            .Obstacles.Select(one => new ScenePart([one], [.. room.Targets.Where(target => target.Access[0].On == one)]))
            .ToArray();
        var here = things.Select(_ => true).ToArray();
        for (var step = 0; step < 60; step++)
        {
            for (var some = random.Next(1, 4); some > 0; some--)
            {
                var at = random.Next(5, things.Length);
                if (random.Next(4) == 0)
                    here[at] = !here[at];
                else
                    things[at] = Moved(things[at], new Placement(random.Next(-300, 300), random.Next(-300, 300), 0));
            }
            var scene = new WalkwayScene([.. things.Where((_, i) => here[i])], room.Sources, []);
            var lent = new WalkwayAnalysis(scene, before);
            var anew = new WalkwayAnalysis(scene);
            Assert.Equal(anew.Ways.Select(w => w.Width), lent.Ways.Select(w => w.Width));
            Assert.Equal(anew.Ways.Select(Between), lent.Ways.Select(Between));
            // A probe is thrown away: what comes after is made from what stood before it.
            if (random.Next(3) > 0)
                before = lent;
        }

        static (string?, string?) Between(Way way) => (way.Pinch?.A.OwnerId, way.Pinch?.B.OwnerId);
    }

    private static ScenePart Moved(ScenePart part, Placement by)
    {
        var old = part.Obstacles[0];
        var moved = new Obstacle(old.OwnerId, old.Name, "body", old.Shape.At(by));
        return new ScenePart([moved], [.. part.Targets.Select(target => target with { Access = RandomRoom.AccessOf(moved) })]);
    }
}
