using System.Collections.Immutable;
using System.Globalization;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.KindsOfThing.Fittings;
using Wellsedes.Core.KindsOfThing.KeepClears;
using Wellsedes.Core.KindsOfThing.LowCeilings;
using Wellsedes.Core.KindsOfThing.Marks;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Pdf;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Svg;

namespace Wellsedes.Formats.Tests.Hostile;

/// <summary>What came of many hostile inputs.</summary>
public sealed record HostileCount(int Unreadable, int Refused, int TooMuch, int Done);

/// <summary>
/// Random and mutated edits and plan files, from fixed seeds. Whatever is taken is worked out, drawn, stored (as the log
/// and as a file) and opened again; whatever is not is refused with a message. Anything else is a fault.
/// </summary>
public static class HostilePlans
{
    private static readonly double[] Figures = [0, 1, 100, 600, 900, 1500, 2400, 4000.5, 8000, -250, -3000, 30_000];
    private static readonly double[] Absurd = [1e15, -1e15, 1e300, -1e300, 1e-300, 999_999, 1_000_001, double.MaxValue];
    private static readonly string[] Texts =
    [
        "Hall",
        "A long, ordinary name",
        "",
        "=1+1",
        "<script>",
        "x\u0001",
        "x\uFFFE",
        "\0",
        "日本",
        "e\u0301",
    ];

    /// <summary>A small plan with one of nearly everything.</summary>
    public static Plan Small()
    {
        const string l = PlanStart.LevelId;
        const string s = PlanStart.SchemeId;
        var planner = new Planner();
        var plan = Plan.Of(PlanStart.Entities("Small", UnitSystem.Metric), Shipped.Library);
        Edit[] edits =
        [
            new MakeRoom("r", l, "Hall", 9000, 7000, 200, 3000),
            new PutOpening(
                new Opening(
                    "door",
                    "r-south",
                    OpeningKind.DoubleDoor,
                    4500,
                    1800,
                    0,
                    2100,
                    0,
                    OpeningMark.EntranceAndExit,
                    false,
                    true,
                    "Front"
                )
            ),
            new PutOpening(
                new Opening("window", "r-north", OpeningKind.Window, 4500, 1200, 0, 1400, 900, OpeningMark.None, false, true, "")
            ),
            new DrawBoundary(
                "b",
                l,
                new(12_000, 0),
                [new(new(14_000, 0)), new(new(14_000, 3000)), new(new(12_000, 3000))],
                true,
                "Terrace"
            ),
            new PutThing(new Column("column", l, 3000, 3000, 0, 300, 300, true)),
            new PutThing(new KeepClear("keep", l, 8000, 600, 0, 900, 900, "Hatch")),
            new PutThing(new LowCeiling("low", l, 1500, 6000, 0, 2000, 1500, 1200, 2600)),
            new PutThing(new Platform("deck", l, 7500, 6000, 0, 2400, 1600, 300)),
            new PutThing(new Flight("ramp", l, FlightKind.Ramp, 5200, 6000, 270, 1000, 2100, 300, 0)),
            new PutThing(new Fitting("sink", l, FittingKind.Sink, 500, 300, 0, 900, 500, 900)),
            new PutLevel(new Level("up", "First floor", 3400, 2700)),
            new PutThing(new Flight("stair", l, FlightKind.Stair, 8300, 3500, 0, 1000, 4000, 1, 19, "up")) { Sure = true },
            new SetOut(new SettingOutLine("line", l, 0, 0, 30)),
            new PutWallType(new WallType("type", "Reed 40", WallKind.Movable, 40, 2000)),
            new PlaceItem("t1", s, l, "round-table-1525", 3000, 4600),
            new PlaceItem("t2", s, l, "long-table-1830", 6000, 3000),
            new PlaceItem("o", s, l, "ottoman", 6000, 3000),
            new RaiseItem("o", 0, "t2"),
            new PlaceItem("d", s, l, "corner-desk-1600", 1500, 1500),
            new SetParameters("d", ItemParameters.None.With("radius", 300)),
            new PutRepeat(new Repeat("rows", s, l, 1500, 3500, 90, 2, 2, 600, 900), "stacking-chair"),
            new PutThing(new Zone("zone", s, l, 3000, 3000, 0, 4000, 4000, "West")),
            new PutThing(new Core.KindsOfThing.Marks.Mark("mark", s, l, MarkShape.Arrow, 3000, 500, 0, 1500, 200, "in")),
            new KeepMeasure("measure", s, l, new(0, 0), new(3000, 0)),
            new PutOwnRule(new OwnRule("own-headroom", HouseRules.Headroom with { Value = 2100 })),
            new MakeCluster("pair", ["d", "t1"], "Pair"),
            new AddScheme("two", "Two", s),
        ];
        foreach (var edit in edits)
        {
            var answer = planner.Answer(plan, edit);
            if (answer.Change is not { } change || !plan.TryApply(plan.Numbered(change, 1), out plan, out _))
                throw new InvalidOperationException($"{edit}: {answer.Problem?.Message}");
        }
        return plan;
    }

    /// <summary>So many edits on a plan, one after another; after every 40 that were done, or when it has grown by 300, the plan begins again.</summary>
    public static HostileCount Edits(Plan start, int count, int seed)
    {
        var random = new Random(seed);
        var kinds = EditKinds.Shipped.All;
        var (plan, planner) = (start, new Planner());
        var (unreadable, refused, tooMuch, done) = (0, 0, 0, 0);
        for (var i = 0; i < count; i++)
        {
            var kind = kinds[random.Next(kinds.Length)];
            var json = Made(kind.Type, plan, random);
            json["do"] = kind.Name;
            if (random.Next(3) > 0)
                json["sure"] = true;
            Edit edit;
            try
            {
                edit = json.Deserialize<Edit>(PlanJson.Options)!;
            }
            catch (Exception e) when (e is JsonException or NotSupportedException or ArgumentException or InvalidOperationException)
            {
                unreadable++;
                continue;
            }
            try
            {
                var answer = planner.Answer(plan, edit);
                if (answer.Change is not { } change)
                {
                    if (string.IsNullOrWhiteSpace(answer.Problem?.Message))
                        throw new InvalidOperationException("It was refused without a word.");
                    refused++;
                    continue;
                }
                plan = Through(planner, plan, change, done);
                if (++done % 40 == 0 || plan.Entities.Count > start.Entities.Count + 300)
                    (plan, planner) = (start, new Planner());
            }
            catch (TooMuchWorkException)
            {
                tooMuch++;
            }
            catch (Exception e)
            {
                throw new InvalidOperationException($"Edit {i} of seed {seed}: {json.ToJsonString()}: {e.Message}", e);
            }
        }
        return new HostileCount(unreadable, refused, tooMuch, done);
    }

    /// <summary>A change worked out, drawn, stored and opened again; the plan it makes.</summary>
    private static Plan Through(Planner planner, Plan plan, Change wanted, int done)
    {
        var change = plan.Numbered(wanted, 7);
        if (!plan.TryApply(change, out var after, out var clashes))
            throw new InvalidOperationException("Its own change does not fit: " + string.Join(", ", clashes));
        Drawn(planner, after, done % 10 == 0);
        var stored = JsonSerializer.Deserialize<Change>(JsonSerializer.Serialize(change, PlanJson.Options), PlanJson.Options)!;
        if (!plan.TryApply(stored, out var replayed, out _) || !Same(replayed, after))
            throw new InvalidOperationException("The log does not replay to the same plan.");
        if (!after.TryApply(stored.Reversed("Undid"), out var undone, out _) || !Same(undone, plan))
            throw new InvalidOperationException("It cannot be taken back.");
        if (done % 5 == 0 && !Same(PlanFiles.Read(PlanFiles.Write(after)), after))
            throw new InvalidOperationException("The file does not open to the same plan.");
        return after;
    }

    private static bool Same(Plan a, Plan b) => PlanFiles.Write(a).AsSpan().SequenceEqual(PlanFiles.Write(b));

    private static void Drawn(Planner planner, Plan plan, bool paper)
    {
        foreach (var scheme in plan.Schemes)
        foreach (var sheet in plan.OfScheme<SheetSettings>(scheme.Id).Take(2))
        {
            var state = planner.StateOf(plan, scheme.Id, sheet.LevelId);
            var drawing = new SheetComposer(Typefaces.Shared)
                .Compose(state.SheetInput(sheet, "Project", "A", "Draft", new DateOnly(2026, 11, 25)))
                .Drawing;
            System.Xml.Linq.XDocument.Load(new MemoryStream(SvgWriter.Write(drawing)));
            if (paper)
                PdfWriter.Write(drawing);
        }
    }

    /// <summary>So many mutations of a plan's file, each by itself.</summary>
    public static HostileCount Files(Plan plan, int count, int seed)
    {
        var random = new Random(seed);
        var file = JsonNode.Parse(PlanFiles.Write(plan))!.AsObject();
        var (unreadable, tooMuch, done) = (0, 0, 0);
        for (var i = 0; i < count; i++)
        {
            var copy = file.DeepClone().AsObject();
            var entities = copy["entities"]!.AsArray();
            for (var times = random.Next(1, 4); times > 0; times--)
                Mutate(entities, random);
            try
            {
                var read = PlanFiles.Read(System.Text.Encoding.UTF8.GetBytes(copy.ToJsonString()));
                Drawn(new Planner(), read, i % 10 == 0);
                if (!Same(PlanFiles.Read(PlanFiles.Write(read)), read))
                    throw new InvalidOperationException("The file does not open to the same plan.");
                done++;
            }
            catch (PlanFileException e) when (e.Message.Length > 0)
            {
                unreadable++;
            }
            catch (TooMuchWorkException)
            {
                tooMuch++;
            }
            catch (Exception e)
            {
                throw new InvalidOperationException($"File {i} of seed {seed}: {e.Message}", e);
            }
        }
        return new HostileCount(unreadable, 0, tooMuch, done);
    }

    private static void Mutate(JsonArray entities, Random random)
    {
        var at = random.Next(entities.Count);
        if (entities[at] is not JsonObject entity)
            return;
        switch (random.Next(12))
        {
            case 0:
                entities.RemoveAt(at);
                return;
            case 1:
                var twin = entity.DeepClone().AsObject();
                if (random.Next(2) == 0)
                    twin["id"] = $"twin-{random.Next(9)}";
                entities.Add(twin);
                return;
            case 2:
                entities.Insert(at, null);
                return;
            default:
                var keys = entity.Select(pair => pair.Key).ToArray();
                var key = keys[random.Next(keys.Length)];
                var other = entities[random.Next(entities.Count)] ?? entity;
                entity[key] = random.Next(10) switch
                {
                    0 => null,
                    1 => Texts[random.Next(Texts.Length)],
                    2 => new string('x', random.Next(3) == 0 ? 100_000 : 90),
                    3 => random.Next(100),
                    4 => other["id"]?.DeepClone(),
                    5 => other[key]?.DeepClone(),
                    6 => new JsonArray(1, null),
                    7 => Absurd[random.Next(Absurd.Length)],
                    _ => entity[key] is JsonValue value && value.TryGetValue(out double number)
                        ? Math.Clamp(number * (random.NextDouble() * 4 - 1), double.MinValue, double.MaxValue)
                        : Figures[random.Next(Figures.Length)],
                };
                return;
        }
    }

    /// <summary>A value of a record as somebody might send it: mostly sensible, sometimes not.</summary>
    private static JsonObject Made(Type type, Plan plan, Random random)
    {
        var made = new JsonObject();
        foreach (var parameter in type.GetConstructors().MaxBy(c => c.GetParameters().Length)!.GetParameters())
        {
            if (random.Next(40) == 0)
                continue;
            var name = char.ToLowerInvariant(parameter.Name![0]) + parameter.Name[1..];
            made[name] = random.Next(60) == 0 ? null : Value(parameter.ParameterType, name, plan, random);
        }
        return made;
    }

    private static JsonNode? Value(Type type, string name, Plan plan, Random random)
    {
        if (Nullable.GetUnderlyingType(type) is { } inner)
            return random.Next(2) == 0 ? null : Value(inner, name, plan, random);
        if (type == typeof(string))
            return Text(name, plan, random);
        if (type == typeof(double))
            return random.Next(25) == 0 ? Absurd[random.Next(Absurd.Length)] : Figures[random.Next(Figures.Length)];
        if (type == typeof(int) || type == typeof(long))
            return (int[])[0, 1, 2, 3, 8, 99, -7, int.MaxValue] is var all ? all[random.Next(random.Next(4) == 0 ? 8 : 4)] : 0;
        if (type == typeof(bool))
            return random.Next(2) == 0;
        if (type.IsEnum)
            return random.Next(25) == 0 ? 99 : Enum.GetNames(type)[random.Next(Enum.GetNames(type).Length)];
        if (type == typeof(ItemParameters))
            return random.Next(2) == 0 ? new JsonObject { ["radius"] = 200 } : new JsonObject { ["bays"] = new JsonArray(400, 500) };
        if (type == typeof(Entity) || (type.IsSubclassOf(typeof(Entity)) && !type.IsAbstract))
            return Changed(type, plan, random);
        if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(ImmutableArray<>))
        {
            var list = new JsonArray();
            for (var count = random.Next(1, 4); count > 0; count--)
                list.Add(random.Next(40) == 0 ? null : Value(type.GetGenericArguments()[0], name, plan, random));
            return list;
        }
        return Made(type, plan, random);
    }

    /// <summary>An entity of the plan with one or two of its values replaced.</summary>
    private static JsonNode? Changed(Type type, Plan plan, Random random)
    {
        var found = plan.Entities.Values.Where(e => type == typeof(Entity) ? e is Thing : e.GetType() == type).OrderBy(e => e.Id).ToArray();
        if (found.Length == 0)
            return Made(type, plan, random);
        var json = JsonSerializer.SerializeToNode<Entity>(found[random.Next(found.Length)], PlanJson.Options)!.AsObject();
        if (type != typeof(Entity))
            json.Remove("type");
        foreach (var key in json.Select(pair => pair.Key).Where(key => key != "type").ToArray())
            if (random.Next(8) == 0)
                json[key] =
                    json[key] is JsonValue value && value.TryGetValue(out double number)
                        ? random.Next(12) == 0
                            ? Absurd[random.Next(Absurd.Length)]
                            : number + Figures[random.Next(Figures.Length)]
                        : json[key] is JsonValue text && text.TryGetValue(out string? _)
                            ? Text(key, plan, random)
                            : json[key]?.DeepClone();
        return json;
    }

    private static string Text(string name, Plan plan, Random random)
    {
        if (random.Next(20) == 0)
            return Texts[random.Next(Texts.Length)];
        var ids = plan.Entities.Keys.Order(StringComparer.Ordinal).ToArray();
        return name switch
        {
            "schemeId" => plan.Schemes.Last().Id,
            "levelId" or "fromLevelId" or "toLevelId" => plan.Levels.ToArray() is var levels ? levels[random.Next(levels.Length)].Id : "",
            "id" or "ids" or "wallId" or "otherId" or "roomId" or "standsOn" or "parent" or "copyOf" => random.Next(3) == 0
                ? $"new-{random.Next(1000).ToString(CultureInfo.InvariantCulture)}"
                : ids[random.Next(ids.Length)],
            "newId" or "newIds" => $"made-{random.Next(100_000).ToString(CultureInfo.InvariantCulture)}",
            "catalogue" => plan.Library.Catalogue.Items[random.Next(plan.Library.Catalogue.Items.Length)].Key,
            "wallType" or "makeUp" => "Stud 100",
            "paper" => "A3",
            _ => Texts[random.Next(3)],
        };
    }
}
