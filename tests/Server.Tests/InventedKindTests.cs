using System.Text;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Svg;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Store;

namespace Wellsedes.Server.Tests;

/// <summary>A mill wheel: a kind that only this test knows. Everything about it is in this record; nothing else was touched for it.</summary>
public sealed record MillWheel(
    string Id,
    string LevelId,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    int Paddles,
    bool Locked = false
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked)
{
    public static ThingKind Kind { get; } =
        new(
            "mill-wheel",
            typeof(MillWheel),
            "mill wheel",
            ThingStage.Shell,
            [new ThingField("paddles", "Paddles", ThingFieldKind.Count)],
            (id, level, _, at) => new MillWheel(id, level, at.X, at.Y, 0, 3000, 900, 12)
        );

    public override string Word() => Kind.Word;

    public override ThingEffect Effect() => ThingEffect.Solid;

    public override Convex? Lost(double leastHeight) => Floor();

    public override Problem? Check(Plan plan, bool sure) =>
        Paddles is >= 4 and <= 60 ? null : new Problem("paddles", $"A mill wheel has from 4 to 60 paddles; {Paddles} were given.");

    public override Thing Mirrored() => this with { Rotation = -Rotation };

    public override IEnumerable<ThingPart> Parts() => [Drawn(ThingRole.Body, Whole())];

    public override IEnumerable<ThingText> Texts(UnitSystem units) => [Written($"{Paddles} paddles", default)];
}

/// <summary>An invented kind goes through edit, undo, store, drawing, proof, view and export without a line of Core.</summary>
public sealed class InventedKindTests(Cluster cluster)
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static readonly Library Own = new(CatalogueList.Shipped, ThingList.Shipped.With(MillWheel.Kind));
    private static readonly JsonSerializerOptions Json = PlanJson.For(Own.Kinds);

    private readonly Planner planner = new();
    private Plan plan = Plan.Of(PlanStart.Entities("Mill", UnitSystem.Metric), Own);
    private readonly List<LoggedChange> log = [];

    private void Do(Edit edit)
    {
        var answer = planner.Answer(plan, edit);
        Assert.True(answer.Problem is null, answer.Problem?.Message);
        var change = plan.Numbered(answer.Change!, log.Count + 1);
        Assert.True(plan.TryApply(change, out plan, out _));
        log.Add(new LoggedChange(log.Count + 1, Guid.Empty.ToString(), change));
    }

    private PlanState State => planner.StateOf(plan, S, L);

    [Fact]
    public async Task From_edit_to_export()
    {
        Do(new MakeRoom("r", L, "Wheel house", 8000, 6000, 200, 3000));
        Do(
            new PutOpening(
                new Opening("door", "r-south", OpeningKind.SingleDoor, 4100, 1000, 0, 2100, 0, OpeningMark.EntranceAndExit, false, true, "")
            )
        );
        var area = State.Space.NetInternal;

        // Edited as any thing: checked by its own rule, put, moved, repeated, locked.
        Assert.Equal("paddles", planner.Answer(plan, new PutThing(new MillWheel("w", L, 4000, 3000, 0, 3000, 900, 2))).Problem!.Field);
        Do(
            new PutThing(
                JsonSerializer.Deserialize<Entity>(
                    JsonSerializer.Serialize<Entity>(new MillWheel("w", L, 4000, 3000, 0, 3000, 900, 12), Json),
                    Json
                )!
            )
        );
        Do(new MoveThings(["w"], 0, 500));
        Do(new LockThings(["w"], true));
        Assert.Contains("Mill wheel is locked", planner.Answer(plan, new MoveThings(["w"], 1, 0)).Problem!.Message);

        // Proved: what stands in it is found, nobody walks through it, its floor is not usable.
        Do(new PlaceItem("t", S, L, "ottoman", 4000, 3500));
        Assert.Contains(State.Findings, finding => finding.Title.Contains("goes through a mill wheel"));
        Assert.Contains(State.Walkways.Scene.Obstacles, obstacle => obstacle.Name == "Mill wheel");
        Assert.Equal(area - 2.7, State.Space.NetInternal, 6);

        // Copied with its room, mirrored by its own rule.
        Do(new LockThings(["w"], false));
        Do(new CopyRoom("r", "copy", Mirror.LeftRight, 0, 20_000, 0));
        Assert.Equal(2, plan.All<MillWheel>().Count());

        // Drawn: on the sheet and as the client gets it.
        var sheet = plan.OfScheme<SheetSettings>(S).First();
        var drawing = new SheetComposer(Typefaces.Shared)
            .Compose(State.SheetInput(sheet, "P", "A", "Draft", new DateOnly(2026, 11, 25)))
            .Drawing;
        Assert.Contains("12 paddles", Encoding.UTF8.GetString(SvgWriter.Write(drawing)));
        Assert.Equal("mill wheel", ThingView.Of(plan.Find<MillWheel>("w")!, UnitSystem.Metric).Word);
        Assert.Equal("paddles", ThingKindView.Of(MillWheel.Kind).Fields.Single().Key);

        // Exported and opened again; a program without the kind refuses the file and says where.
        var file = PlanFiles.Write(plan);
        Assert.Equal(plan.Find("w"), PlanFiles.Read(file, Own).Find("w"));
        Assert.Contains("wrong inside", Assert.Throws<PlanFileException>(() => PlanFiles.Read(file)).Message);

        // Undone to the start.
        var back = plan;
        foreach (var logged in Enumerable.Reverse(log))
            Assert.True(back.TryApply(logged.Change.Reversed("Undid"), out back, out _));
        Assert.Empty(back.All<MillWheel>());

        await Stored();
    }

    /// <summary>The log in a real database, read back by a store that knows the kind.</summary>
    private async Task Stored()
    {
        await using var house = new House(await cluster.NewDatabaseAsync());
        _ = house.Server;
        var contexts = house.Services.GetRequiredService<IDbContextFactory<WellsedesContext>>();
        await using var context = await contexts.CreateDbContextAsync(TestContext.Current.CancellationToken);
        var project = await context.Projects.FirstAsync(TestContext.Current.CancellationToken);
        var author = (await context.Users.FirstAsync(TestContext.Current.CancellationToken)).Id;
        var store = new PlanStore(contexts, Json, Own);
        var start = Plan.Of(PlanStart.Entities("Mill", UnitSystem.Metric), Own);
        var id = await store.AddAsync(project.Id, start);
        foreach (var logged in log)
        {
            Assert.True(start.TryApply(logged.Change, out start, out _));
            await store.AppendAsync(id, [logged with { Author = author.ToString() }], start);
        }
        var read = (await store.LoadAsync(id))!;
        Assert.Null(read.Broken);
        Assert.Equal(plan.Find("w"), read.Plan.Find("w"));
        Assert.Equal(plan.Versions.OrderBy(v => v.Key), read.Plan.Versions.OrderBy(v => v.Key));
    }
}
