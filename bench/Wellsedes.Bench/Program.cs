using System.Diagnostics;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.SignalR.Client;
using Wellsedes.Bench;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Walkways;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Pdf;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Tests.Hostile;

// Each line of the report: what, and its median and 95th percentile in ms over so many runs.
switch (args)
{
    case ["core"]:
        foreach (var tables in (int[])[20, 80, 200, 400, 1000])
            Full(tables);
        Drag(Halls.Banquet(80), "table-40", "80 tables of ten");
        Drag(Halls.Banquet(500), "table-250", "500 tables of ten");
        Drag(Halls.Rows(500), "chair-250", "500 loose chairs");
        Routes(500);
        Pdf();
        Rooms();
        break;
    case ["hostile", var edits, var files, .. var seed]:
        Hostile(int.Parse(edits), int.Parse(files), seed.Length > 0 ? int.Parse(seed[0]) : 100);
        break;
    case ["models", var spoilt]:
        Intakes.Models(int.Parse(spoilt));
        break;
    case ["pictures"]:
        Pictures.Run(Report);
        break;
    case ["proving"]:
        foreach (var hall in new[] { Halls.Banquet(80), Halls.Rows(2000) })
        {
            var id = hall.All<Item>().First().Id;
            Drag(hall, id, $"{hall.All<Item>().Count()} things, no rulebook");
            Drag(Held(hall), id, $"{hall.All<Item>().Count()} things, six rulebooks");
        }
        break;
    case ["rules"]:
        ManyRules.Run((name, times) => Print(name, [.. times]));
        break;
    case ["moves"]:
        Moves.Run(Report, Print);
        break;
    case ["blocks"]:
        Blocks.Run(Report);
        break;
    case ["packing", .. var only]:
        Packing.Run(only);
        break;
    case ["catalogue"]:
        Searches();
        break;
    case ["intake", var spoilt]:
        Intakes.Run(int.Parse(spoilt));
        Intakes.Models(int.Parse(spoilt));
        break;
    case ["rooms"]:
        Rooms();
        break;
    case ["hall", var hallPath]:
        File.WriteAllBytes(hallPath, PlanFiles.Write(Blocks.Hall()));
        break;
    case ["plan", var kind, var count, var path]:
        var made =
            kind == "rows" ? Halls.Rows(int.Parse(count))
            : kind == "mixed" ? Halls.Mixed(int.Parse(count))
            : Halls.Banquet(int.Parse(count));
        File.WriteAllBytes(path, PlanFiles.Write(made));
        break;
    case ["picture", var picturePath]:
        Picture(picturePath);
        break;
    case ["probe", var address]:
        await ProbeAsync(new Uri(address));
        break;
    case ["editors", var at, var count, var seconds, var process]:
        await Editors.RunAsync(new Uri(at), int.Parse(count), int.Parse(seconds), int.Parse(process), (name, times) => Print(name, times));
        break;
    case ["kills", var servers, var databases, .. var seed]:
        await Kills.RunAsync(int.Parse(servers), int.Parse(databases), seed.Length > 0 ? int.Parse(seed[0]) : 1);
        break;
    default:
        Console.Error.WriteLine(
            "core | moves | blocks | packing [halls|circles] | plan banquet|rows|mixed COUNT FILE | hostile EDITS FILES [SEED] | probe http://127.0.0.1:PORT | editors http://127.0.0.1:PORT COUNT SECONDS PROCESS | kills SERVER DATABASE [SEED] | intake COUNT"
        );
        return 2;
}
return 0;

// Random and mutated edits and files, as the tests run fewer of; anything but taken or refused stops it with its seed.
static void Hostile(int edits, int files, int firstSeed)
{
    Many("edits", edits, HostilePlans.Edits);
    Many("files", files, HostilePlans.Files);

    void Many(string what, int count, Func<Plan, int, int, HostileCount> run)
    {
        const int each = 500;
        var watch = Stopwatch.StartNew();
        var counts = new List<HostileCount>();
        for (var seed = firstSeed; counts.Count < count / each; seed++)
        {
            counts.Add(run(HostilePlans.Small(), each, seed));
            Console.Error.WriteLine(
                $"{what}, seed {seed}: {watch.Elapsed.TotalSeconds:0} s, {Process.GetCurrentProcess().PeakWorkingSet64 >> 20} MB at most"
            );
        }
        Console.WriteLine(
            $"hostile {what} | {count} | taken {counts.Sum(c => c.Done)}, refused {counts.Sum(c => c.Refused)}, unreadable {counts.Sum(c => c.Unreadable)}, too much {counts.Sum(c => c.TooMuch)} | {watch.Elapsed.TotalSeconds:0} s"
        );
    }
}

// Every key of a few searches over 2,000 items: the shipped ones again and again under other names.
static void Searches()
{
    var shipped = CatalogueList.Shipped;
    var items = Enumerable
        .Range(0, 2000)
        .Select(i =>
            shipped.Items[i % shipped.Items.Length] with
            {
                Key = $"own-{i}",
                Name = $"{shipped.Items[i % shipped.Items.Length].Name} {i}",
            }
        );
    var index = new Wellsedes.Core.Catalogue.Search.CatalogueIndex(
        items,
        item => item.Chair is { } chair ? shipped.Find(chair)!.Size : default,
        482.6
    );
    string[] typed = ["round table 8 seats", "cupboard under 430 deep", "couch 3 seats", "desk 1600 x 800", "tables fits 2500 x 2000"];
    string[] keys = [.. typed.SelectMany(text => Enumerable.Range(1, text.Length).Select(length => text[..length]))];
    Report(
        "search over 2,000 items, each key",
        keys.Length,
        run => GC.KeepAlive(index.Find(keys[run], Wellsedes.Core.Units.UnitSystem.Metric))
    );
}

static void Full(int tables)
{
    var plan = Halls.Banquet(tables);
    var forms = new ItemForms();
    var checks = plan.All<Checks>().First();
    var space = Wellsedes.Core.Spaces.SpaceFinder.Find(plan, PlanStart.LevelId);
    var items = forms.PlaceAll(plan, PlanStart.SchemeId, PlanStart.LevelId);
    var scene = new SceneBuilder().Build(space, items, checks);
    var obstacles = scene.Obstacles.Length;
    Report(
        $"walkways in full, {tables} tables, {tables * 10} chairs, {obstacles} obstacles",
        20,
        _ => GC.KeepAlive(new WalkwayAnalysis(scene))
    );
    List<double> processor = [];
    for (var i = 0; i < 10; i++)
    {
        var from = Environment.CpuUsage.TotalTime;
        GC.KeepAlive(new WalkwayAnalysis(scene));
        processor.Add((Environment.CpuUsage.TotalTime - from).TotalMilliseconds);
    }
    Print("  of processor", processor);
}

// The lines of ways to seats all over a hall.
static void Routes(int tables)
{
    var walkways = new Planner().StateOf(Halls.Banquet(tables), PlanStart.SchemeId, PlanStart.LevelId).Walkways;
    Way[] ways = [.. walkways.Ways.Where(way => way.Width > 0)];
    Report($"route drawn, {tables} tables of ten", 60, run => GC.KeepAlive(Route.Of(walkways, ways[run * 7919 % ways.Length])));
}

// A scan of 8 000 by 6 000 pixels: paper with specks, and a grid of pen lines.
static void Picture(string path)
{
    using var surface = SkiaSharp.SKSurface.Create(
        new SkiaSharp.SKImageInfo(8000, 6000, SkiaSharp.SKColorType.Rgba8888, SkiaSharp.SKAlphaType.Opaque)
    );
    surface.Canvas.Clear(new SkiaSharp.SKColor(246, 243, 234));
    using var pen = new SkiaSharp.SKPaint
    {
        Color = new SkiaSharp.SKColor(60, 60, 66),
        StrokeWidth = 5,
        IsAntialias = true,
    };
    var random = new Random(3);
    for (var i = 0; i < 20_000; i++)
        surface.Canvas.DrawRect(random.Next(8000), random.Next(6000), 2, 2, pen);
    for (var i = 0; i < 40; i++)
    {
        surface.Canvas.DrawLine(200 * i, 0, 200 * i + 300, 6000, pen);
        surface.Canvas.DrawLine(0, 150 * i, 8000, 150 * i + 200, pen);
    }
    using var image = surface.Snapshot();
    using var data = image.Encode(SkiaSharp.SKEncodedImageFormat.Jpeg, 85);
    File.WriteAllBytes(path, data.ToArray());
}

// A floor of 961 rooms of 3 by 3 m with 1 984 walls; each run one wall has just been given another thickness.
static void Rooms()
{
    const int across = 31;
    List<Entity> all = [new Level("level", "Level", 0, 3000)];
    void Wall(double x1, double y1, double x2, double y2) =>
        all.Add(new Wall($"wall-{all.Count}", "level", new(x1 * 3000, y1 * 3000), new(x2 * 3000, y2 * 3000), 100, 2700, "Stud 100"));
    for (var i = 0; i <= across; i++)
    for (var j = 0; j < across; j++)
    {
        Wall(i, j, i, j + 1);
        Wall(j, i, j + 1, i);
    }
    var plan = Plan.Of(all, Shipped.Library);
    Wellsedes.Core.Spaces.LevelSpace? space = null;
    Report(
        $"rooms found after an edit, {all.Count - 1} walls, {across * across} rooms",
        60,
        run =>
        {
            var wall = plan.Find<Wall>($"wall-{1 + run * 37 % (all.Count - 1)}")!;
            plan.TryApply(
                new Change("", [new EntityChange(wall, wall with { Thickness = wall.Thickness == 100 ? 120 : 100 })]),
                out plan,
                out _
            );
            space = Wellsedes.Core.Spaces.SpaceFinder.Find(plan, "level", space);
            if (space.Rooms.Length != across * across)
                throw new InvalidOperationException("A room was lost.");
        }
    );
}

/// <summary>The same, its room an assembly, held against all books that judge rooms and rows.</summary>
static Plan Held(Plan plan)
{
    var planner = new Planner();
    var room = plan.All<Room>().First();
    Edit[] edits =
    [
        new NameRoom(room.Id, room.Name, "Assembly", room.Number, room.Height),
        .. new[]
        {
            "international-model-code",
            "life-safety-code",
            "english-guidance",
            "australian-code",
            "german-places-of-assembly",
            "american-accessibility",
        }.Select(book => new ChooseBook($"book-{book}", book)),
    ];
    foreach (var edit in edits)
        if (planner.Answer(plan, edit).Change is not { } change || !plan.TryApply(change, out plan, out _))
            throw new InvalidOperationException($"{edit}");
    return plan;
}

static void Drag(Plan plan, string id, string name)
{
    var planner = new Planner();
    planner.StateOf(plan, PlanStart.SchemeId, PlanStart.LevelId);
    Report(
        $"one probe of a drag, {name}",
        100,
        i => planner.Probe(plan, new MoveItems([id], 5 * i, 3 * i), PlanStart.SchemeId, PlanStart.LevelId)
    );
}

static void Pdf()
{
    var plan = PlanFiles.Read(File.ReadAllBytes("demo/orchard-supper.wellsedes.json"));
    var state = new Planner().StateOf(plan, PlanStart.SchemeId, PlanStart.LevelId);
    var bytes = 0;
    Report(
        "A3 PDF of the demo, composed and written",
        30,
        _ =>
        {
            var input = state.SheetInput(plan.All<SheetSettings>().First(), "Tidemill House", "A", "Issued", new DateOnly(2026, 11, 23));
            bytes = PdfWriter.Write(new SheetComposer(Typefaces.Shared).Compose(input).Drawing).Length;
        }
    );
    Console.WriteLine($"A3 PDF of the demo | {bytes / 1000.0:0.0} kB");
}

static async Task ProbeAsync(Uri address)
{
    using var person = new Person(address);
    await person.SignInAsync();
    foreach (
        var (plan, id, name) in new[]
        {
            (Halls.Banquet(80), "table-40", "80 tables of ten"),
            (Halls.Banquet(500), "table-250", "500 tables of ten"),
            (Halls.Rows(500), "chair-250", "500 loose chairs"),
        }
    )
    {
        var planId = await person.AddAsync(plan);
        await using var link = await person.FollowAsync(planId);
        List<double> times = [];
        for (var i = 0; i < 260; i++)
        {
            Edit edit = new MoveItems([id], 5 * (i % 100), 3 * (i % 100), 100);
            var watch = Stopwatch.GetTimestamp();
            await foreach (var _ in link.StreamAsync<JsonObject>("Probe", planId, edit, "", ""))
            {
                if (i >= 60)
                    times.Add(Stopwatch.GetElapsedTime(watch).TotalMilliseconds);
                break;
            }
        }
        Print($"probe over the WebSocket, {name}", times);
    }
}

static double Report(string name, int runs, Action<int> work)
{
    for (var i = 0; i < Math.Max(5, runs / 3); i++)
        work(i);
    List<double> times = [];
    for (var i = 0; i < runs; i++)
    {
        var watch = Stopwatch.GetTimestamp();
        work(i);
        times.Add(Stopwatch.GetElapsedTime(watch).TotalMilliseconds);
    }
    return Print(name, times);
}

static double Print(string name, List<double> times)
{
    times.Sort();
    Console.WriteLine(
        $"{name} | median {times[times.Count / 2]:0.0} ms | p95 {times[(int)(times.Count * 0.95)]:0.0} ms | {times.Count} runs"
    );
    return times[times.Count / 2];
}
