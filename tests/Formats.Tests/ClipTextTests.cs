using System.Text;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Tests;

/// <summary>The text on the clipboard: read back as it was written, and refused when it is foreign, newer, cut short or huge.</summary>
public sealed class ClipTextTests
{
    private static readonly Item Desk = new("d", "s", "l", "desk-1400", 1000, 2000, 90, Parent: "k", Slot: 0);

    private static readonly Entity[] All =
    [
        Desk,
        new Cluster("k", "s", "l", "Station"),
        new Repeat("r", "s", "l", 0, 0, 0, 3, 2, 900, 1200) { Singles = [new SingledOut(2, true)], Path = [new(1, 2), new(3, 4)] },
    ];

    private static string Refused(string text) =>
        Assert.Throws<PlanFileException>(() => ClipText.Read(Encoding.UTF8.GetBytes(text))).Message;

    [Fact]
    public void What_is_written_is_read_back()
    {
        var read = ClipText.Read(Encoding.UTF8.GetBytes(ClipText.Write(All)));
        Assert.Equal(Desk, read[0]);
        Assert.Equal("Station", ((Cluster)read[1]).Name);
        Assert.Equal([new SingledOut(2, true)], ((Repeat)read[2]).Singles);
        Assert.Equal(2, ((Repeat)read[2]).Path.Length);
    }

    [Fact]
    public void A_foreign_newer_empty_or_huge_one_is_refused_with_a_message()
    {
        var text = ClipText.Write(All);
        Assert.Contains("no clip", Refused("""{"format":"other","version":1,"entities":[]}"""));
        Assert.Contains(
            "version 99",
            Refused(text.Replace($"\"version\":{PlanFormat.Version}", "\"version\":99", StringComparison.Ordinal))
        );
        Assert.Contains("nothing in it", Refused($$"""{"format":"wellsedes-clip","version":{{PlanFormat.Version}},"entities":[]}"""));
        Assert.Contains("cut short", Refused(text[..(text.Length / 2)]));
        Assert.Contains("no JSON", Refused("a shopping list"));
        Assert.Contains("MB", Refused(new string(' ', ClipText.Longest + 1)));
        Assert.Contains("at most", Refused(ClipText.Write(Enumerable.Range(0, Paste.Most + 1).Select(i => Desk with { Id = $"d{i}" }))));
        Assert.Contains("deep", Refused($"{{\"format\":\"wellsedes-clip\",\"a\":{new string('[', 500)}"));
    }

    [Fact]
    public void An_earlier_one_is_raised()
    {
        var text = """
            {"format":"wellsedes-clip","version":1,"entities":[
              {"type":"item","id":"d","schemeId":"s","levelId":"l","catalogue":"standing-table","x":1,"y":2,"turn":90,"held":true},
              {"type":"repeat","id":"r","schemeId":"s","levelId":"l","catalogue":"desk-1400","x":1,"y":2,"turn":0,"columns":2,"rows":1,"columnSpacing":900,"rowSpacing":0}]}
            """;
        var read = ClipText.Read(Encoding.UTF8.GetBytes(text));
        Assert.Equal(("high-table", 90.0, true), (((Item)read[0]).Catalogue, ((Item)read[0]).Rotation, ((Item)read[0]).Locked));
        Assert.Equal(2, ((Repeat)read[1]).Columns);
    }

    [Fact]
    public void Two_thousand_spoilt_ones_are_read_or_refused()
    {
        var random = new Random(5);
        var whole = Encoding.UTF8.GetBytes(ClipText.Write(All));
        for (var i = 0; i < 2000; i++)
        {
            var spoilt = whole.ToArray();
            for (var n = 0; n <= random.Next(6); n++)
                spoilt[random.Next(spoilt.Length)] = (byte)random.Next(256);
            try
            {
                Assert.NotEmpty(ClipText.Read(spoilt));
            }
            catch (PlanFileException e)
            {
                Assert.NotEmpty(e.Message);
            }
        }
    }
}
