using System.Diagnostics;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Server;

/// <summary>
/// Seats an invented hall a few times once the server has started, nobody seeing it: the compiler makes what has been done some dozen times several times as fast, and the first
/// planner should not be the one who waits for that.
/// </summary>
public sealed class Rehearsal(IConfiguration configuration, IHostApplicationLifetime life, ILogger<Rehearsal> log) : BackgroundService
{
    private const string S = PlanStart.SchemeId;
    private const string L = PlanStart.LevelId;
    private const string Room = "room";
    private const string Block = "block";

    /// <summary>No longer than this, on machines of whatever speed.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(6);

    /// <summary>How often each thing is done.</summary>
    private const int Times = 20;

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (configuration["WELLSEDES_REHEARSE"] is null)
            return;
        var started = new TaskCompletionSource();
        await using var whenStarted = life.ApplicationStarted.Register(started.SetResult);
        await started.Task.WaitAsync(stoppingToken);
        using var enough = CancellationTokenSource.CreateLinkedTokenSource(stoppingToken);
        enough.CancelAfter(Longest);
        var watch = Stopwatch.StartNew();
        try
        {
            await Task.Run(() => Rehearse(Times, enough.Token), enough.Token);
        }
        catch (OperationCanceledException) { }
        log.LogInformation("Rehearsed for {Seconds:0.0} s", watch.Elapsed.TotalSeconds);
    }

    /// <summary>Candidates of a hall are asked for, one is taken, and a table of it is dragged.</summary>
    /// <returns>How many seats stood there in the end.</returns>
    public static int Rehearse(int times, CancellationToken cancel)
    {
        var planner = new Planner();
        var plan = Plan.Of(PlanStart.Entities("Rehearsal", UnitSystem.Metric), Shipped.Library);
        void Do(Edit edit)
        {
            var change = planner.Answer(plan, edit).Change;
            if (change is null || !plan.TryApply(plan.Numbered(change, 1), out plan, out _))
                throw new InvalidOperationException($"{edit.GetType().Name} was refused.");
        }
        Do(new MakeRoom(Room, L, "Hall", 16_000, 12_000, 200, 4000));
        Do(
            new PutOpening(
                new Opening(
                    "door",
                    $"{Room}-south",
                    OpeningKind.DoubleDoor,
                    6000,
                    1900,
                    0,
                    2100,
                    0,
                    OpeningMark.EntranceAndExit,
                    false,
                    true,
                    ""
                )
            )
        );
        var block = (SeatingBlock)SeatingBlock.Kind.Make(Block, L, S, default);
        foreach (var style in (SeatingStyle[])[SeatingStyle.Rounds, SeatingStyle.Rows])
            for (var i = 0; i < times; i++)
            {
                cancel.ThrowIfCancellationRequested();
                // A little otherwise each time: what is known already is not worked out again.
                var asked = block.As(style) with
                {
                    GapToWalls = block.GapToWalls + i,
                };
                planner.Candidates(plan, new PutOverRooms(asked, [Room]), judged: true, out _, cancel);
            }
        Do(new PutOverRooms(block, [Room]));
        var tables = plan.OfScheme<Item>(S).Where(item => item.Parent == Block).ToArray();
        for (var i = 0; i < times; i++)
            planner.Probe(plan, new MoveItems([tables[i % tables.Length].Id], 10 + i, 0), S, L, atOnce: false, cancel);
        return planner.StateOf(plan, S, L).Items.Sum(item => item.Form.Seats.Length);
    }
}
