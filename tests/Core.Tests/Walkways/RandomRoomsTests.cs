using Wellsedes.Core.Geometry;
using Wellsedes.Core.Walkways;

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
        for (var seed = batch * 55; seed < batch * 55 + 55; seed++)
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
        Assert.True(decisions > 100, $"only {decisions} decisions were made");
    }

    /// <summary>Moving one thing at a time and lending the old graph gives what building anew gives.</summary>
    [Fact]
    public void Lending_an_earlier_graph_changes_nothing()
    {
        var random = new Random(7);
        WalkwayAnalysis? before = null;
        var room = RandomRoom.Make(3);
        for (var step = 0; step < 30; step++)
        {
            var at = random.Next(5, room.Obstacles.Length);
            var old = room.Obstacles[at];
            var moved = new Obstacle(
                old.OwnerId,
                old.Name,
                "moved",
                old.Shape.At(new Placement(random.Next(-300, 300), random.Next(-300, 300), 0))
            );
            room = room with
            {
                Obstacles = room.Obstacles.SetItem(at, moved),
                Targets = [.. room.Targets.Where(t => t.Access[0].On != old)],
            };
            var lent = new WalkwayAnalysis(room, before);
            var anew = new WalkwayAnalysis(room);
            Assert.Equal(anew.Ways.Select(w => w.Width), lent.Ways.Select(w => w.Width));
            before = lent;
        }
    }
}
