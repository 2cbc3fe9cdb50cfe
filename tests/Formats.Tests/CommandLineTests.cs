using System.Diagnostics;
using System.Text;
using System.Text.Json.Nodes;
using UglyToad.PdfPig;

namespace Wellsedes.Formats.Tests;

/// <summary>prove and draw as somebody at a terminal runs them.</summary>
public sealed class CommandLineTests
{
    private static (int Code, string Out, string Error) Run(params string[] arguments)
    {
        var program = Path.Combine(AppContext.BaseDirectory, "Wellsedes.Cli.dll");
        var start = new ProcessStartInfo("dotnet", [program, .. arguments])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            StandardOutputEncoding = Encoding.UTF8,
            WorkingDirectory = Demo.Root,
        };
        using var process = Process.Start(start)!;
        var error = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return (process.ExitCode, output, error.Result);
    }

    [Fact]
    public void Prove_prints_the_tally_and_the_finding_as_a_table_or_as_json()
    {
        var table = Run("prove", Demo.PlanPath);
        Assert.Equal(0, table.Code);
        Assert.Contains("96 of 96", table.Out);
        Assert.Contains("888 clear, 900 needed", table.Out);
        var json = JsonNode.Parse(Run("prove", Demo.PlanPath, "--json").Out)!;
        Assert.Equal(96, (int)json["tally"]!["seats"]!);
        Assert.Equal(888, (double)json["findings"]![0]!["measured"]!, 0.01);
    }

    [Theory]
    [InlineData("pdf", "%PDF")]
    [InlineData("svg", "<?xml")]
    [InlineData("png", "PNG")]
    [InlineData("csv", "Tag,")]
    public void Draw_writes_each_kind(string kind, string start)
    {
        var path = Demo.Write([], $"plan.{kind}");
        var run = Run("draw", Demo.PlanPath, "--sheet", "A3", "--scale", "1:100", "--out", path);
        Assert.Equal((0, ""), (run.Code, run.Error));
        Assert.Contains("1:100", run.Out);
        Assert.Contains(start, Encoding.Latin1.GetString(File.ReadAllBytes(path), 0, 12));
        if (kind == "pdf")
            using (var document = PdfDocument.Open(path))
                Assert.Contains("1:100", document.GetPage(1).Text);
    }

    [Theory]
    [InlineData("no file", "prove", "/nowhere.json")]
    [InlineData("no paper size", "draw", "demo/orchard-supper.wellsedes.json", "--sheet", "A9", "--out", "/tmp/x.pdf")]
    [InlineData("is no scale", "draw", "demo/orchard-supper.wellsedes.json", "--scale", "tiny", "--out", "/tmp/x.pdf")]
    [InlineData("is not written", "draw", "demo/orchard-supper.wellsedes.json", "--out", "/tmp/x.doc")]
    [InlineData("no plan file", "prove", "global.json")]
    [InlineData("is not understood", "prove", "--loud")]
    public void What_is_wrong_is_said_and_ends_with_1(string said, params string[] arguments)
    {
        var run = Run(arguments);
        Assert.Equal(1, run.Code);
        Assert.Contains(said, run.Error);
    }
}
