using Wellsedes.Tests.Seeded;

namespace Wellsedes.Formats.Tests.Hostile;

/// <summary>Some hundreds of edits and files; "bench hostile" runs fifty thousand of each.</summary>
public sealed class HostileTests
{
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    public void Edits_on_a_small_plan(int seed)
    {
        var count = HostilePlans.Edits(HostilePlans.Small(), 300, seed);
        // Were all done, or all refused, nothing would have been tried.
        Assert.True(count.Done > 10 && count.Refused > 20, count.ToString());
    }

    [Theory]
    [InlineData("orchard-supper", 50)]
    [InlineData("tidemill-house", 35)]
    public void Edits_on_the_demo(string name, int part)
    {
        var plan = PlanFile.PlanFiles.Read(File.ReadAllBytes(Path.Combine(Demo.Root, "demo", $"{name}.wellsedes.json")));
        var count = HostilePlans.Edits(plan, Whole.Or(part, 130), 11);
        Assert.True(count.Done > Whole.Or(0, 5) && count.Refused > Whole.Or(2, 5), count.ToString());
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public void Files(int seed)
    {
        var files = Whole.Or(500, 1500);
        var count = HostilePlans.Files(HostilePlans.Small(), files, seed);
        Assert.True(count.Done > files / 20 && count.Unreadable > files / 20, count.ToString());
    }
}
