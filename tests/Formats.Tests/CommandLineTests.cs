using System.Diagnostics;
using System.Text;
using System.Text.Json.Nodes;
using UglyToad.PdfPig;
using Wellsedes.Core.Plans;

namespace Wellsedes.Formats.Tests;

/// <summary>prove and draw as somebody at a terminal runs them.</summary>
public sealed class CommandLineTests
{
    /// <summary>What a command answers and prints, run in this process: starting one takes longer than most commands.</summary>
    private static (int Code, string Out, string Error) Run(params string[] arguments)
    {
        Environment.CurrentDirectory = Demo.Root;
        var (code, printed, error) = Spoken.Of(() => (int)Program.Invoke(null, [arguments])!);
        return (code, printed, error);
    }

    private static readonly System.Reflection.MethodInfo Program = System.Reflection.Assembly.Load("Wellsedes.Cli").EntryPoint!;

    /// <summary>The same as a program of its own, as somebody at a terminal runs it.</summary>
    private static (int Code, string Out, string Error) Start(params string[] arguments)
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
    public void A_program_of_its_own_says_the_same()
    {
        string[] asked = ["rule", "ibc2021-olf-business", "--input", """{"area_ft2": 1000, "basis": "gross"}"""];
        Assert.Equal(Run(asked), Start(asked));
        Assert.Equal(Run("rule"), Start("rule"));
        Assert.Equal(2, Start().Code);
    }

    [Fact]
    public void Edits_are_listed_from_their_table_and_so_is_their_page()
    {
        Assert.Equal(File.ReadAllText(Path.Combine(Demo.Root, "docs", "edits.md")), Run("edits", "--markdown").Out);
        Assert.Contains("split-wall", Run("edits").Out);
        var one = Run("edits", "place-item").Out;
        Assert.Contains("place-item: Place an item", one);
        Assert.Contains("number, needed", one);
        Assert.Equal(1, Run("edits", "fly").Code);
        Assert.Contains("There is no edit \"fly\"", Run("edits", "fly").Error);
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

    [Fact]
    public void A_rule_is_asked_and_says_how_or_what_it_is_asked_with()
    {
        var told = JsonNode.Parse(
            Run("rule", "ibc2021-olf-business", "--input", """{"area_ft2": 1000, "basis": "gross"}""", "--json").Out
        )!;
        Assert.Equal(7, (double)told["answer"]!["occupants"]!);
        Assert.Equal("occupants = up(area_ft2 / ft2_per_person) = 7", (string?)told["working"]![0]);
        Assert.Equal(150, (double)told["read"]!["ft2_per_person"]!);
        Assert.Contains("From memory", (string?)told["note"]);
        Assert.Contains("Table 1004.5", Run("rule", "ibc2021-olf-business").Out);
        Assert.Contains("ibc-1010.1.1-door-clear", Run("rule", "--search", "door clear").Out);
        var wrong = Run("rule", "ibc2021-olf-business", "--input", """{"area_m2": 100}""", "--json");
        Assert.Equal((1, ""), (wrong.Code, wrong.Out));
        Assert.Contains("is asked with area_ft2, basis", wrong.Error);
        Assert.Contains(
            "takes figures under names",
            Run("rule", "ibc2021-olf-business", "--input", "1000").Error + Run("rule", "ibc2021-olf-business", "--input", "{").Error
        );
        Assert.Contains("Alike are", Run("rule", "ibc2021-olf-bussines").Error);
        Assert.Contains("Name a rule", Run("rule").Error);
    }

    /// <summary>The rows of the meeting are filled by the rule of the one book, and right by it; by others they are not. 3 says that something is to be mended, 4 that something could not be judged.</summary>
    [Fact]
    public void A_plan_is_held_against_the_books_that_are_named()
    {
        string[] meeting = ["prove", Demo.PlanPath, "--scheme", "Members' meeting", "--books"];
        var right = Run([.. meeting, "international-model-code,life-safety-code"]);
        // Its aisles are another matter.
        Assert.Equal(3, right.Code);
        Assert.DoesNotContain("1030.13", right.Out);
        Assert.DoesNotContain("nfpa101-rows", right.Out);
        Assert.Contains("too narrow between seats: 616, 762 by ibc-1030.9.1-level-both", right.Out);
        Assert.Contains("so 168", right.Out);
        var wrong = Run([.. meeting, "english-guidance", "--json"]);
        Assert.Equal(3, wrong.Code);
        var json = JsonNode.Parse(wrong.Out)!;
        var discount = json["findings"]!.AsArray().Single(finding => (string?)finding!["ruleId"] == "adb-discount")!;
        // The single door is left: 900 to 1049 mm hold 110.
        Assert.Equal((110, 234), ((int)discount["measured"]!, (int)discount["needed"]!));
        Assert.Contains("From memory", (string?)discount["source"]);
        Assert.Equal("English guidance", (string?)json["books"]![0]!["name"]);
        Assert.Equal(4, Run("prove", "demo/tidemill-house.wellsedes.json", "--books", "english-guidance").Code);
        foreach (var (kind, begins) in new[] { ("pdf", "%PDF"), ("csv", "Report"), ("json", "{") })
        {
            var path = Demo.Write([], $"report.{kind}");
            Assert.Equal(3, Run([.. meeting, "english-guidance", "--out", path]).Code);
            Assert.StartsWith(begins, File.ReadAllText(path), StringComparison.Ordinal);
        }
        Assert.Contains("use .pdf, .csv or .json", Run([.. meeting, "english-guidance", "--out", "report.docx"]).Error);
        Assert.Equal(0, Run("prove", Demo.PlanPath).Code);
        Assert.Contains("There is no book", Run("prove", Demo.PlanPath, "--books", "martian").Error);
    }

    [Fact]
    public void Json_gives_every_way_the_areas_of_each_level_and_what_zones_count()
    {
        var json = JsonNode.Parse(Run("prove", Demo.PlanPath, "--json").Out)!;
        var ways = json["ways"]!.AsArray();
        // A way to each of 96 seats, to 12 tables, to what people gather at and to the exits.
        Assert.Equal(96, ways.Count(way => (string?)way!["kind"] == "Seat"));
        Assert.Equal(12, ways.Count(way => (string?)way!["kind"] == "Table"));
        var buffet = ways.Single(way => (string?)way!["targetId"] == "buffet-1")!;
        Assert.Equal(888, (double)buffet["width"]!, 0.01);
        Assert.Equal(
            ["buffet-1", "table-08"],
            new[] { buffet["pinch"]!["a"]!["id"], buffet["pinch"]!["b"]!["id"] }.Select(id => (string)id!).Order()
        );
        Assert.Equal(888, (double)buffet["pinch"]!["width"]!, 0.01);
        var level = Assert.Single(json["areas"]!.AsArray())!;
        Assert.Equal(
            (233.51, 234.0, 252.96),
            ((double)level["netInternal"]!, (double)level["grossInternal"]!, (double)level["grossExternal"]!)
        );
        Assert.Equal("West tables", (string?)json["zones"]![0]!["name"]);
        Assert.Equal("level-0/walkway/buffet-1/table-08/900", (string?)json["findings"]![0]!["id"]);
    }

    [Fact]
    public void Another_scheme_is_proved_and_drawn_by_its_name()
    {
        var meeting = Run("prove", Demo.PlanPath, "--scheme", "Members' meeting");
        Assert.Contains("150 of 150", meeting.Out);
        Assert.Contains("2 findings", meeting.Out);
        var wrong = Run("prove", Demo.PlanPath, "--scheme", "Ball");
        Assert.Equal(1, wrong.Code);
        Assert.Contains("Supper, Members' meeting", wrong.Error);
        var path = Demo.Write([], "meeting.svg");
        Assert.Equal(0, Run("draw", Demo.PlanPath, "--scheme", "members", "--out", path).Code);
        Assert.Contains("Speakers this end", File.ReadAllText(path));
    }

    [Fact]
    public void Fill_prints_candidates_with_their_figures_and_writes_the_first()
    {
        var path = Demo.Write([], "filled.wellsedes.json");
        string[] area = ["--scheme", "Members' meeting", "--area", "Millrace Hall"];
        var filled = Run(["fill", Demo.PlanPath, .. area, "--style", "rounds", "--guests", "24", "--json", "--out", path]);
        Assert.Equal(0, filled.Code);
        var candidates = JsonNode.Parse(filled.Out)!["candidates"]!.AsArray();
        Assert.InRange(candidates.Count, 1, 6);
        foreach (var one in candidates)
        {
            Assert.InRange((int)one!["seats"]!, 1, 24);
            Assert.InRange((int)one["tables"]!, 1, 3);
            Assert.InRange((int)one["neatness"]!, 0, 100);
            Assert.True(one.AsObject().ContainsKey("narrowestWay"));
        }
        // What is written is the plan with the first of them in it.
        var proved = Run(["prove", path, "--scheme", "Members' meeting", "--json"]);
        Assert.Equal(150 + (int)candidates[0]!["seats"]!, (int)JsonNode.Parse(proved.Out)!["tally"]!["seats"]!);
        foreach (
            var (wrong, says) in new (string[], string)[]
            {
                (["--area", "Ballroom"], "Millrace Hall"),
                ([.. area, "--style", "hammocks"], "Rounds"),
                ([.. area, "--gap", "-5"], "0 to 20 000"),
                ([.. area, "--guests", "0"], "10000"),
                ([.. area, "--guests", "many"], "whole number"),
                ([.. area, "--table", "no-table"], "Only tables"),
                ([.. area, "--wall-gap", "9000"], "has room"),
            }
        )
        {
            var refused = Run(["fill", Demo.PlanPath, .. wrong]);
            Assert.Equal(1, refused.Code);
            Assert.Contains(says, refused.Error);
        }
    }

    [Fact]
    public void Convert_writes_an_earlier_file_in_this_version()
    {
        var old = Path.Combine(Demo.Root, "tests", "Formats.Tests", "Files", "orchard-supper.version-1.json");
        var path = Demo.Write([], "new.json");
        Assert.Contains("66 entities", Run("convert", old, "--out", path).Out);
        Assert.Equal(PlanFormat.Version, (int)JsonNode.Parse(File.ReadAllText(path))!["version"]!);
        Assert.Contains("888 clear", Run("prove", path).Out);
    }

    [Fact]
    public void Convert_writes_a_scheme_as_a_model()
    {
        var path = Demo.Write([], "model.glb");
        var run = Run("convert", Demo.PlanPath, "--scheme", "members' meeting", "--out", path);
        Assert.Equal((0, ""), (run.Code, run.Error));
        // 150 places, of which the two for wheelchair users are floor; a lectern and a table without chairs.
        Assert.Contains(" 150 things and chairs on 1 levels", run.Out);
        Assert.Equal("glTF", Encoding.Latin1.GetString(File.ReadAllBytes(path), 0, 4));
        var unknown = Run("convert", Demo.PlanPath, "--scheme", "Ball", "--out", path);
        Assert.Equal(1, unknown.Code);
        Assert.Contains("There is no scheme \"Ball\"; the plan has Supper, Members' meeting", unknown.Error);
        Assert.Contains("model.glb", Run("convert", Demo.PlanPath, "--scheme", "Supper", "--out", Demo.Write([], "x.json")).Error);
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

    [Fact]
    public void Picture_looks_from_a_viewpoint_or_from_above_and_says_what_is_wrong()
    {
        var file = Path.Combine(Path.GetTempPath(), $"picture-{Guid.NewGuid():N}.png");
        try
        {
            var taken = Run(
                "picture",
                Demo.PlanPath,
                "--viewpoint",
                "from the ENTRANCE",
                "--width",
                "160",
                "--height",
                "100",
                "--out",
                file
            );
            Assert.Equal((0, ""), (taken.Code, taken.Error));
            Assert.Contains("From the entrance, 160 x 100 pixels", taken.Out, StringComparison.Ordinal);
            using (var read = SkiaSharp.SKBitmap.Decode(file))
                Assert.Equal((160, 100), (read.Width, read.Height));
            var sun = Run(
                "picture",
                Demo.PlanPath,
                "--width",
                "64",
                "--height",
                "64",
                "--daylight",
                "2026-06-21T15:30",
                "--people",
                "--out",
                file
            );
            Assert.Equal(0, sun.Code);
            var down = Run("picture", Demo.PlanPath, "--width", "64", "--height", "64", "--down", "--out", file);
            Assert.Contains("Straight down, 64 x 64 pixels", down.Out, StringComparison.Ordinal);
        }
        finally
        {
            File.Delete(file);
        }
        foreach (
            var (arguments, says) in new (string[], string)[]
            {
                (["--viewpoint", "Nowhere", "--out", file], "it has An evening in June, From above"),
                (["--width", "9000", "--out", file], "16 to 8000 pixels"),
                (["--width", "wide", "--out", file], "no number of pixels"),
                (["--daylight", "noon", "--out", file], "2026-06-21T15:30"),
                ([], "--out"),
            }
        )
        {
            var refused = Run(["picture", Demo.PlanPath, .. arguments]);
            Assert.Equal(1, refused.Code);
            Assert.Contains(says, refused.Error, StringComparison.Ordinal);
        }
        Assert.False(File.Exists(file));
    }
}
