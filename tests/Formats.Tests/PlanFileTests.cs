using System.Text;
using System.Text.Json.Nodes;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Units;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Sheets;

namespace Wellsedes.Formats.Tests;

/// <summary>Plan files are hostile until read: each wrong one is refused with a message that names the place.</summary>
public sealed class PlanFileTests
{
    private static readonly byte[] Good = File.ReadAllBytes(Demo.PlanPath);

    private static string Refusal(byte[] file) => Assert.Throws<PlanFileException>(() => PlanFiles.Read(file)).Message;

    private static string Refusal(Action<JsonObject> spoil)
    {
        var file = JsonNode.Parse(Good)!.AsObject();
        spoil(file);
        return Refusal(Encoding.UTF8.GetBytes(file.ToJsonString()));
    }

    private static JsonObject Entity(JsonObject file, string id) =>
        file["entities"]!.AsArray().Select(e => e!.AsObject()).First(e => (string?)e["id"] == id);

    [Fact]
    public void What_is_written_reads_back_the_same()
    {
        var plan = PlanFiles.Read(Good);
        var again = PlanFiles.Read(PlanFiles.Write(plan));
        Assert.Equal(plan.Entities.OrderBy(e => e.Key), again.Entities.OrderBy(e => e.Key));
        Assert.Equal(PlanFiles.Write(plan), PlanFiles.Write(again));
    }

    [Fact]
    public void A_byte_order_mark_is_let_pass() => Assert.NotNull(PlanFiles.Read([.. Encoding.UTF8.Preamble, .. Good]));

    [Fact]
    public void Cut_short_anywhere_it_is_refused()
    {
        for (var length = 0; length < Good.Length - 3; length += 997)
            Assert.Contains("plan file", Refusal(Good[..length]));
    }

    [Fact]
    public void Nested_too_deeply() =>
        Assert.Contains(
            "too deeply",
            Refusal(Encoding.UTF8.GetBytes("{\"format\":\"wellsedes-plan\",\"version\":1,\"entities\":" + new string('[', 100_000)))
        );

    [Fact]
    public void Too_large() => Assert.Contains("larger than 192 MB", Refusal(new byte[PlanFiles.LargestFile + 1]));

    [Fact]
    public void From_a_newer_version_even_with_things_we_do_not_know()
    {
        var message = Refusal(file =>
        {
            file["version"] = 9;
            Entity(file, "bar")["type"] = "hologram";
        });
        Assert.Contains("version 9", message);
    }

    [Fact]
    public void Of_another_kind() => Assert.Contains("no plan file", Refusal("{\"format\":\"something\"}"u8.ToArray()));

    [Theory]
    [InlineData("bar", "x", "1e300", "no figure")]
    [InlineData("bar", "catalogue", "\"hologram\"", "no item")]
    [InlineData("bar", "levelId", "\"cellar\"", "is not there")]
    [InlineData("bar", "schemeId", "\"scheme-z\"", "is not there")]
    [InlineData("bar", "width", "-3", "width")]
    [InlineData("main-entrance", "wallId", "\"nowhere\"", "not there")]
    [InlineData("main-entrance", "width", "90000", "end of its wall")]
    [InlineData("main-entrance", "width", "0", "more than 0")]
    [InlineData("hall-south", "thickness", "0", "thickness")]
    [InlineData("table-01", "seats", "{\"around\":99,\"front\":0,\"back\":0,\"left\":0,\"right\":0}", "99 were asked")]
    [InlineData("table-01", "rotation", "\"north\"", "wrong inside")]
    [InlineData("table-01", "label", "null", "wrong inside")]
    [InlineData("sheet-a", "paper", "\"A9\"", "no paper size")]
    [InlineData("table-01", "id", "\"bar\"", "share the id")]
    [InlineData("table-01", "id", "\"../etc\"", "no proper id")]
    [InlineData("table-01", "type", "\"hologram\"", "wrong inside")]
    public void Wrong_inside_is_named(string id, string field, string value, string said) =>
        Assert.Contains(said, Refusal(file => Entity(file, id)[field] = JsonNode.Parse(value)));

    [Fact]
    public void Too_many_things() =>
        Assert.Contains(
            "at most 50000",
            Refusal(file =>
            {
                var bar = Entity(file, "bar");
                for (var i = 0; i < 50_001; i++)
                {
                    var copy = bar.DeepClone();
                    copy["id"] = $"bar-{i}";
                    file["entities"]!.AsArray().Add(copy);
                }
            })
        );

    /// <summary>Ten thousand mutations: each is read or refused with our own message; nothing else is thrown.</summary>
    [Fact]
    public void Mutated_files_are_read_or_refused()
    {
        var random = new Random(20261123);
        var refused = 0;
        for (var i = 0; i < 10_000; i++)
        {
            var file = (byte[])Good.Clone();
            for (var n = random.Next(1, 6); n > 0; n--)
                file[random.Next(file.Length)] = (byte)random.Next(256);
            try
            {
                PlanFiles.Read(file);
            }
            catch (PlanFileException)
            {
                refused++;
            }
        }
        Assert.InRange(refused, 5_000, 10_000);
    }

    [Fact]
    public void Csv_text_that_looks_like_a_formula_stays_text()
    {
        var row = new ScheduleRow("=1+1", "@SUM(A1)", new(1, 2, 3), false, 4, ["-5"]);
        var text = Encoding.UTF8.GetString(ScheduleCsv.Write([row], UnitSystem.Metric));
        Assert.DoesNotMatch(@"(^|,|\n)""?[=@-]", text);
    }

    [Fact]
    public void Sizes_in_a_schedule_are_in_the_units_of_the_plan()
    {
        // 60 x 30 x 29 1/2 in.
        var row = new ScheduleRow("T", "Table", new(1524, 762, 749.3), false, 4, ["1"]);
        var metric = Encoding.UTF8.GetString(ScheduleCsv.Write([row], UnitSystem.Metric));
        Assert.Contains("Width mm,Depth mm,Height mm", metric);
        Assert.Contains("1524,762,749.3,4", metric);
        var inches = Encoding.UTF8.GetString(ScheduleCsv.Write([row], UnitSystem.FeetInches));
        Assert.Contains("Width in,Depth in,Height in", inches);
        Assert.Contains("60,30,29.5,4", inches);
        Assert.DoesNotContain("mm", inches);
    }

    [Fact]
    public void The_published_schema_is_the_one_the_program_keeps() =>
        Assert.Equal(File.ReadAllText(Path.Combine(Demo.Root, "docs", "plan-file.schema.json")), PlanFileSchema.Write());

    [Fact]
    public void The_schema_names_every_kind_of_entity_the_demo_uses()
    {
        var named = JsonNode.Parse(PlanFileSchema.Write())!["$defs"]!.AsObject().Select(def => def.Key).ToHashSet();
        var used = JsonNode.Parse(Good)!["entities"]!.AsArray().Select(e => (string)e!["type"]!).Distinct();
        Assert.All(used, type => Assert.Contains(type, named));
    }
}
