namespace Wellsedes.Formats.Tests.Hostile;

/// <summary>A thousand edits and three thousand files; bench/ runs fifty thousand of each by hand.</summary>
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
    [InlineData("orchard-supper", 130)]
    [InlineData("tidemill-house", 90)]
    public void Edits_on_the_demo(string name, int edits)
    {
        var plan = PlanFile.PlanFiles.Read(File.ReadAllBytes(Path.Combine(Demo.Root, "demo", $"{name}.wellsedes.json")));
        var count = HostilePlans.Edits(plan, edits, 11);
        Assert.True(count.Done > 5 && count.Refused > 5, count.ToString());
    }

    [Theory]
    [InlineData(1, 1500)]
    [InlineData(2, 1500)]
    public void Files(int seed, int files)
    {
        var count = HostilePlans.Files(HostilePlans.Small(), files, seed);
        Assert.True(count.Done > files / 20 && count.Unreadable > files / 20, count.ToString());
    }
}
