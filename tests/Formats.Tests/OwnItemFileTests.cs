using System.Text;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Tests;

/// <summary>Own items as a file: read as they were written, refused with a message that names the item.</summary>
public sealed class OwnItemFileTests
{
    private static CatalogueItem Own(string key) =>
        CatalogueList.Shipped.Find("sofa-three")! with
        {
            Key = key,
            Name = $"Own {key}",
            SupplierCode = "X-1",
            Price = 12.5,
            LikeKey = "sofa-three",
        };

    private static string Text(params CatalogueItem[] items) => Encoding.UTF8.GetString(OwnItemFile.Write(items));

    private static string Refused(string text) =>
        Assert.Throws<PlanFileException>(() => OwnItemFile.Read(Encoding.UTF8.GetBytes(text))).Message;

    [Fact]
    public void Items_are_read_as_they_were_written()
    {
        var shape = new OwnShape([new(-500, -300), new(500, -300), new(0, 300)], [new OwnLine([new(0, 0), new(10, 10)])]);
        CatalogueItem[] items = [Own("a"), Own("b") with { Maker = FormMaker.Outline, Counted = "", Parts = 0, Shape = shape }];
        var read = OwnItemFile.Read(OwnItemFile.Write(items));
        Assert.Equal(items[0], read[0]);
        Assert.Equal(shape.Outline, read[1].Shape!.Outline);
        Assert.Equal(shape.Lines[0].Points, read[1].Shape!.Lines[0].Points);
        Assert.Equal(OwnItemFile.Write(items), OwnItemFile.Write(read));
    }

    [Fact]
    public void What_cannot_be_is_refused_by_name()
    {
        Assert.Contains("version 2", Refused(Text(Own("a")).Replace("\"version\": 1", "\"version\": 2")));
        Assert.Contains("no file of own items", Refused("{ \"format\": \"wellsedes-plan\", \"version\": 1 }"));
        Assert.Contains("wrong inside", Refused(Text(Own("a"))[..200]));
        Assert.Contains("share the key", Refused(Text(Own("a"), Own("a"))));
        Assert.Contains("ships", Refused(Text(Own("sofa-two"))));
        Assert.Contains("\"a\": There is no maker", Refused(Text(Own("a") with { Maker = "nobody" })));
        Assert.Contains("\"a\": The price", Refused(Text(Own("a") with { Price = -1 })));
        Assert.Contains(
            "crosses itself",
            Refused(Text(Own("a") with { Maker = FormMaker.Outline, Shape = new([new(0, 0), new(9, 9), new(9, 0), new(0, 5)], []) }))
        );
        Assert.Contains("proper key", Refused(Text(Own("a b"))));
        Assert.Contains("32 MB", Assert.Throws<PlanFileException>(() => OwnItemFile.Read(new byte[OwnItemFile.LargestFile + 1])).Message);
    }

    /// <summary>Two thousand spoilt files: each is read or refused with a message.</summary>
    [Fact]
    public void Two_thousand_spoilt_files_are_read_or_refused()
    {
        var random = new Random(4);
        var whole = OwnItemFile.Write([Own("a"), Own("b")]);
        for (var i = 0; i < 2000; i++)
        {
            var bytes = whole.ToArray();
            for (var spoil = random.Next(5); spoil >= 0 && bytes.Length > 0; spoil--)
                if (random.Next(4) == 0)
                    bytes = [.. bytes[..random.Next(bytes.Length)], .. bytes[random.Next(bytes.Length)..]];
                else
                    bytes[random.Next(bytes.Length)] = (byte)"0123456789{}[]\",:-eE."[random.Next(21)];
            try
            {
                Assert.NotNull(OwnItemFile.Read(bytes).ToArray());
            }
            catch (PlanFileException e)
            {
                Assert.NotEmpty(e.Message);
            }
        }
    }
}
