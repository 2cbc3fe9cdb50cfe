using System.Reflection;
using System.Text;
using System.Text.Json.Nodes;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.KindsOfThing.LowCeilings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Tests;

/// <summary>Files of the first version (kept as they were) are read and say what they said; the words are this version's.</summary>
public sealed class PlanFormatTests
{
    private static byte[] Old(string name) =>
        File.ReadAllBytes(Path.Combine(Demo.Root, "tests", "Formats.Tests", "Files", $"{name}.version-1.json"));

    /// <summary>Nothing is written of what is null: so whatever may be null must be readable where nothing is written, in every entity and what it is made of.</summary>
    [Fact]
    public void What_may_be_null_may_be_missing()
    {
        var nullability = new NullabilityInfoContext();
        var seen = new HashSet<Type>();
        var open = new Queue<Type>(EntityKinds.All(ThingList.Shipped).Select(kind => kind.Type));
        while (open.TryDequeue(out var type))
        {
            if (type.Namespace?.StartsWith("Wellsedes", StringComparison.Ordinal) != true || type.IsEnum || !seen.Add(type))
                continue;
            if (type.GetConstructors().MaxBy(one => one.GetParameters().Length) is not { } constructor)
                continue;
            foreach (var parameter in constructor.GetParameters())
            {
                var mayBeNull = nullability.Create(parameter).WriteState == NullabilityState.Nullable;
                Assert.True(!mayBeNull || parameter.HasDefaultValue, $"{type.Name}: {parameter.Name}");
                foreach (var part in parameter.ParameterType.GetGenericArguments().Append(parameter.ParameterType))
                    open.Enqueue(part);
            }
        }
        Assert.Contains(typeof(RuleChange), seen);
        Assert.Contains(typeof(Room), seen);
    }

    [Fact]
    public void The_first_supper_opens_with_its_figures()
    {
        var plan = PlanFiles.Read(Old("orchard-supper"));
        var state = new Planner().StateOf(plan, PlanStart.SchemeId, PlanStart.LevelId);
        Assert.Equal((96, 12), (state.Tally.Seats, state.Tally.Tables));
        Assert.Equal(888, Assert.Single(state.Findings).Measured, 0.01);
        Assert.Equal(8, plan.Find<Item>("table-01")!.Seats!.Value.Around);
    }

    [Fact]
    public void The_first_house_opens_with_every_kind_of_its_shell()
    {
        var (plan, pictures) = PlanFiles.ReadWhole(Old("tidemill-house"));
        Assert.Single(pictures);
        Assert.NotEmpty(plan.All<LowCeiling>());
        Assert.NotEmpty(plan.All<Flight>());
        Assert.All(plan.All<Wall>(), wall => Assert.NotEqual("", wall.WallType));
        var sheet = plan.All<SheetSettings>().Single();
        Assert.Equal(plan.FirstLevel.Id, sheet.LevelId);
        Assert.Equal("Furniture layout plan", sheet.TitleBlock.DocumentType);
    }

    [Fact]
    public void Written_again_it_is_of_this_version_and_in_this_versions_words()
    {
        var plan = PlanFiles.Read(Old("orchard-supper"));
        var text = Encoding.UTF8.GetString(PlanFiles.Write(plan));
        foreach (
            var word in (string[])
                [
                    "\"held\"",
                    "\"turn\"",
                    "\"places\"",
                    "\"makeUp\"",
                    "\"across\"",
                    "\"mainWidth\"",
                    "\"seatWidth\"",
                    "\"legalOwner\": \"\",\n      \"sheet",
                ]
        )
            Assert.DoesNotContain(word, text);
        Assert.Equal(PlanFormat.Version, (int)JsonNode.Parse(text)!["version"]!);
        Assert.Equal(plan.Entities.OrderBy(e => e.Key), PlanFiles.Read(Encoding.UTF8.GetBytes(text)).Entities.OrderBy(e => e.Key));
    }

    [Fact]
    public void Every_old_word_is_raised()
    {
        var entities = JsonNode
            .Parse(
                """
                [
                  { "type": "level", "id": "l2", "elevation": 3000 },
                  { "type": "level", "id": "l1", "elevation": 0 },
                  { "type": "wall", "id": "w", "levelId": "l2", "makeUp": "Stud 100", "held": true },
                  { "type": "opening", "id": "o", "wallId": "w", "mark": "Entrance", "held": false },
                  { "type": "make-up", "id": "m", "name": "Reed 40" },
                  { "type": "item", "id": "i", "catalogue": "standing-table", "turn": 30, "held": true, "places": { "around": 4 } },
                  { "type": "item", "id": "j", "catalogue": "wheelchair-place", "turn": 0 },
                  { "type": "checks", "id": "c", "mainWidth": 900, "seatWidth": 600 },
                  { "type": "sheet", "id": "s", "across": false, "title": "T", "legalOwner": "O", "showNorth": false, "showRoomNames": true }
                ]
                """
            )!
            .AsArray();
        PlanFormat.Raise(entities, 1);
        Assert.Equal("Stud 100", (string?)entities[2]!["wallType"]);
        Assert.True((bool)entities[2]!["locked"]!);
        Assert.Equal("wall-type", (string?)entities[4]!["type"]);
        Assert.Equal(("high-table", 30), ((string?)entities[5]!["catalogue"], (int)entities[5]!["rotation"]!));
        Assert.Equal(4, (int)entities[5]!["seats"]!["around"]!);
        Assert.Equal("wheelchair-space", (string?)entities[6]!["catalogue"]);
        Assert.Equal((900, 600), ((int)entities[7]!["mainAisle"]!, (int)entities[7]!["seatAccess"]!));
        var sheet = entities[8]!;
        Assert.False((bool)sheet["landscape"]!);
        Assert.Equal(("T", "O"), ((string?)sheet["titleBlock"]!["title"], (string?)sheet["titleBlock"]!["legalOwner"]));
        Assert.False((bool)sheet["shows"]!["north"]!);
        // It opens where the entrance is.
        Assert.Equal("l2", (string?)sheet["levelId"]);
        // What is of this version is left alone.
        var same = entities.DeepClone().AsArray();
        PlanFormat.Raise(same, PlanFormat.Version);
        Assert.True(JsonNode.DeepEquals(same, entities));
    }

    [Fact]
    public void A_logged_change_is_raised_on_both_sides()
    {
        var change = JsonNode
            .Parse(
                """{ "label": "Moved", "entities": [ { "before": { "type": "item", "turn": 1 }, "after": { "type": "item", "turn": 2 } }, { "after": { "type": "make-up" } } ] }"""
            )!
            .AsObject();
        PlanFormat.RaiseChange(change, 1, "l");
        Assert.Equal(1, (int)change["entities"]![0]!["before"]!["rotation"]!);
        Assert.Equal(2, (int)change["entities"]![0]!["after"]!["rotation"]!);
        Assert.Equal("wall-type", (string?)change["entities"]![1]!["after"]!["type"]);
    }

    [Theory]
    [InlineData("""{"format":"wellsedes-plan","version":1,"entities":null}""")]
    [InlineData("""{"format":"wellsedes-plan","version":1,"entities":[null]}""")]
    [InlineData("""{"format":"wellsedes-plan","version":1,"entities":[{"type":"item","turn":1,"turn":2}]}""")]
    [InlineData("""{"format":"wellsedes-plan","version":1,"entities":[{"type":7,"id":[],"catalogue":{}}]}""")]
    [InlineData("""{"format":"wellsedes-plan","version":1,"entities":{"a":1}}""")]
    public void A_hostile_file_of_the_first_version_is_refused_as_one(string file) =>
        Assert.NotEmpty(Assert.Throws<PlanFileException>(() => PlanFiles.Read(Encoding.UTF8.GetBytes(file))).Message);

    [Fact]
    public void Two_checks_a_negative_brief_and_texts_that_cannot_be_written_are_refused_by_name()
    {
        var plan = Plan.Of(PlanStart.Entities("Small", UnitSystem.Metric), Shipped.Library);
        string Refused(Func<JsonArray, JsonArray> change)
        {
            var root = JsonNode.Parse(PlanFiles.Write(plan))!.AsObject();
            var entities = root["entities"]!.AsArray();
            change(entities);
            return Assert.Throws<PlanFileException>(() => PlanFiles.Read(Encoding.UTF8.GetBytes(root.ToJsonString()))).Message;
        }
        JsonObject Of(JsonArray all, string type) => all.OfType<JsonObject>().Single(e => (string?)e["type"] == type);
        Assert.Contains(
            "exactly one set of checks",
            Refused(all =>
            {
                var twin = Of(all, "checks").DeepClone();
                twin["id"] = "checks-b";
                all.Add(twin);
                return all;
            })
        );
        Assert.Contains("\"brief-a\"", Refused(all => Set(all, "brief", "seats", -7)));
        foreach (var text in (string[])["a\u0001", "a\uFFFE", "a\0", new string('x', 20_000)])
            Assert.Contains("\"level-0\"", Refused(all => Set(all, "level", "name", text)));
        Assert.Contains("\"sheet-a\"", Refused(all => Set(all, "sheet", "notes", new string('\n', 1000))));

        JsonArray Set(JsonArray all, string type, string key, JsonNode value)
        {
            Of(all, type)[key] = value;
            return all;
        }
    }

    [Fact]
    public void What_the_guard_lets_through_an_edit_a_file_lets_through_and_the_other_way()
    {
        // One guard: each entity of the demo, made wrong, is refused by both with the same words.
        var plan = PlanFiles.Read(File.ReadAllBytes(Demo.PlanPath));
        var wall = plan.All<Wall>().First();
        var broken = wall with { Bow = 1e6 };
        var change = new Change("x", [new EntityChange(wall, broken)]);
        Assert.True(plan.TryApply(change, out var after, out _));
        Assert.Equal(PlanChecks.OfChange(plan, change, after)!.Message, PlanChecks.OfWhole(after)!.Value.Problem.Message);
        Assert.Contains(
            PlanChecks.OfWhole(after)!.Value.Problem.Message,
            Assert.Throws<PlanFileException>(() => PlanFiles.Read(PlanFiles.Write(after))).Message
        );
    }
}
