using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Tests.Geometry;

public sealed class PagedTests
{
    /// <summary>Every version reads as a plain list that was copied at each step, and earlier ones stay as they were.</summary>
    [Fact]
    public void Every_version_stays_what_it_was_when_later_ones_are_written()
    {
        var random = new Random(5);
        List<(Paged<int> Version, int[] Truth)> versions = [(Paged<int>.Empty, [])];
        for (var step = 0; step < 200; step++)
        {
            // Not always from the newest: a probe is made from an older one and thrown away.
            var (from, truth) = versions[Math.Max(0, versions.Count - 1 - random.Next(3))];
            var writer = from.Written();
            List<int> list = [.. truth];
            for (var i = random.Next(200); i > 0; i--)
            {
                var value = random.Next();
                if (list.Count == 0 || random.Next(3) == 0)
                {
                    Assert.Equal(list.Count, writer.Add(value));
                    list.Add(value);
                }
                else
                {
                    var at = random.Next(list.Count);
                    writer[at] = list[at] = value;
                    Assert.Equal(value, writer[at]);
                }
            }
            versions.Add((writer.Done(), [.. list]));
        }
        foreach (var (version, truth) in versions)
        {
            Assert.Equal(truth.Length, version.Count);
            for (var i = 0; i < truth.Length; i++)
                Assert.Equal(truth[i], version[i]);
        }
    }
}
