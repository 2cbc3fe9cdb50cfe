using SkiaSharp;
using Wellsedes.Core.Units;
using Wellsedes.Formats.Pictures;
using Wellsedes.Tests.Seeded;

namespace Wellsedes.Formats.Tests;

/// <summary>
/// Mutated inputs by the tens of thousands, from fixed seeds: every one is taken or refused with a message, none
/// crashes, hangs or takes memory out of bounds. What was found is written down in docs/fuzzing.md.
/// </summary>
public sealed class FuzzTests
{
    private static byte[] Mutated(byte[] file, Random random)
    {
        var copy = (byte[])file.Clone();
        switch (random.Next(6))
        {
            case 0:
                return copy[..random.Next(copy.Length)];
            case 1:
                var from = random.Next(copy.Length);
                return [.. copy[..from], .. copy[random.Next(copy.Length)..]];
            case 2:
                copy[random.Next(Math.Min(64, copy.Length))] = (byte)random.Next(256);
                return copy;
            case 3:
                for (var i = random.Next(1, 20); i > 0; i--)
                    copy[random.Next(copy.Length)] = (byte)random.Next(256);
                return copy;
            case 4:
                var at = random.Next(Math.Max(1, copy.Length - 4));
                System.Buffers.Binary.BinaryPrimitives.WriteInt32BigEndian(
                    copy.AsSpan(at, 4),
                    random.Next(3) switch
                    {
                        0 => int.MaxValue,
                        1 => -1,
                        _ => random.Next(),
                    }
                );
                return copy;
            default:
                copy[random.Next(copy.Length)] ^= (byte)(1 << random.Next(8));
                return copy;
        }
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Png, 16_000)]
    [InlineData(SKEncodedImageFormat.Jpeg, 12_000)]
    [InlineData(SKEncodedImageFormat.Webp, 12_000)]
    public void Pictures(SKEncodedImageFormat format, int count)
    {
        var file = PictureTests.Picture(
            format,
            24,
            18,
            canvas => canvas.DrawCircle(9, 9, 6, new SKPaint { Color = SKColors.DarkBlue, IsAntialias = true })
        );
        var random = new Random((int)format);
        var (taken, refused) = (0, 0);
        for (var i = 0; i < count; i++)
            try
            {
                var picture = PictureIntake.Read(Mutated(file, random));
                Assert.True((long)picture.Columns * picture.Rows <= PictureIntake.MostPixels);
                taken++;
            }
            catch (PictureException e)
            {
                Assert.NotEmpty(e.Message);
                refused++;
            }
        // Were all taken, or all refused, nothing would have been tried.
        Assert.True(taken > count / 100 && refused > count / 10, $"{taken} taken, {refused} refused");
    }

    [Fact]
    public async Task Pdf_pages()
    {
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream))
        {
            using var canvas = document.BeginPage(200, 140);
            canvas.DrawLine(10, 10, 150, 90, new SKPaint { StrokeWidth = 2 });
            document.EndPage();
            document.Close();
        }
        var file = stream.ToArray();
        var random = new Random(5);
        var (taken, refused) = (0, 0);
        for (var i = 0; i < Whole.Or(40, 120); i++)
            try
            {
                var page = await PdfPages.RenderAsync(Mutated(file, random), 1, CancellationToken.None);
                Assert.True((long)page.Columns * page.Rows <= PictureIntake.MostPixels);
                taken++;
            }
            catch (PictureException)
            {
                refused++;
            }
        Assert.True(taken > 0 && refused > 0, $"{taken} taken, {refused} refused");
    }

    [Fact]
    public void Number_fields()
    {
        string[] seeds =
        [
            "4200",
            "4 875",
            "4.2 m",
            "420 cm",
            "13' 9 3/8\"",
            "13ft 9.375in",
            "6000 - 1550",
            "3 m + 2 ft",
            "16ft 4in",
            "5\u2032 3 1/2\u2033",
            "1,5 m",
            "30 deg",
        ];
        const string alphabet = "0123456789 .,/'\"-+mcftinde\u2032\u2033\u00b0\u00a0\ud83d\0\t";
        var random = new Random(11);
        var (taken, refused) = (0, 0);
        for (var i = 0; i < 65_000; i++)
        {
            var text = seeds[random.Next(seeds.Length)].ToCharArray().ToList();
            for (var k = random.Next(1, 5); k > 0; k--)
                switch (random.Next(4))
                {
                    case 0 when text.Count > 0:
                        text.RemoveAt(random.Next(text.Count));
                        break;
                    case 1 when text.Count > 0:
                        text[random.Next(text.Count)] = alphabet[random.Next(alphabet.Length)];
                        break;
                    case 2 when text.Count > 0:
                        text.InsertRange(random.Next(text.Count), text.ToArray());
                        break;
                    default:
                        text.Insert(random.Next(text.Count + 1), alphabet[random.Next(alphabet.Length)]);
                        break;
                }
            var typed = new string([.. text]);
            foreach (
                var read in (Reading[])
                    [
                        LengthText.Read(typed, i % 2 == 0 ? UnitSystem.Metric : UnitSystem.FeetInches),
                        .. i % 4 == 0 ? [AngleText.Read(typed)] : Array.Empty<Reading>(),
                    ]
            )
                if (read.Value is { } value)
                {
                    Assert.True(double.IsFinite(value) && Math.Abs(value) <= 1e9, typed);
                    taken++;
                }
                else
                {
                    Assert.NotEmpty(read.Problem!);
                    Assert.InRange(read.Position, 0, typed.Length);
                    refused++;
                }
        }
        Assert.True(taken > 5000 && refused > 5000, $"{taken} taken, {refused} refused");
    }
}
