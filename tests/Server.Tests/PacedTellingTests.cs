using System.Collections.Immutable;
using Wellsedes.Core.Capacity;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Tests;

/// <summary>Followers are told at a pace, of everything, in order; the clock is turned by hand.</summary>
public sealed class PacedTellingTests
{
    private readonly HandClock clock = new();
    private readonly List<ChangedView> told = [];

    private PacedTelling Telling(int followers) =>
        new(
            (since, schemes) => Change(since, newest, [.. schemes]),
            change =>
            {
                lock (told)
                    told.Add(change);
            },
            () => followers,
            clock
        );

    private long newest;

    private static ChangedView Change(long since, long revision, params string[] schemes) =>
        new(since, revision, [], [], [], [], [], [], [.. schemes.Select(scheme => new SchemeFigures(scheme, FiguresView.None))]);

    [Fact]
    public void What_changes_meanwhile_is_told_in_one_that_leaves_nothing_out()
    {
        var telling = Telling(50);
        for (newest = 1; newest <= 20; newest++)
            telling.Tell(Change(newest - 1, newest, newest % 2 == 0 ? "dinner" : "lunch"));
        newest = 20;
        Assert.Equal([1L], told.Select(change => change.Revision));
        clock.Turn(TimeSpan.FromMilliseconds(499));
        Assert.Single(told);
        clock.Turn(TimeSpan.FromMilliseconds(2));
        Assert.True(SpinWait.SpinUntil(() => told.Count == 2, 5000));
        Assert.Equal((1L, 20L), (told[1].Since, told[1].Revision));
        Assert.Equal(["dinner", "lunch"], told[1].Figures.Select(figures => figures.SchemeId).Order());
        // When nothing came for a while the next is told at once.
        clock.Turn(TimeSpan.FromSeconds(2));
        telling.Tell(Change(20, 21, "lunch"));
        Assert.Equal(21, told[^1].Revision);
    }

    [Fact]
    public void Two_hear_of_each_other_at_once()
    {
        var telling = Telling(2);
        for (newest = 1; newest <= 20; newest++)
        {
            telling.Tell(Change(newest - 1, newest, "lunch"));
            Assert.Equal(newest, told[^1].Revision);
            clock.Turn(TimeSpan.FromMilliseconds(21));
        }
        Assert.Equal(20, told.Count);
    }

    /// <summary>Time that only goes on when it is told to.</summary>
    private sealed class HandClock : TimeProvider
    {
        private readonly List<(long At, HandTimer Timer)> timers = [];
        private long now;

        public override long TimestampFrequency => TimeSpan.TicksPerSecond;

        public override long GetTimestamp() => now;

        public void Turn(TimeSpan by)
        {
            now += by.Ticks;
            foreach (var (_, timer) in timers.Where(one => one.At <= now).ToArray())
                timer.Ring();
            timers.RemoveAll(one => one.At <= now);
        }

        public override ITimer CreateTimer(TimerCallback callback, object? state, TimeSpan dueTime, TimeSpan period)
        {
            var timer = new HandTimer(callback, state);
            if (dueTime >= TimeSpan.Zero)
                timers.Add((now + dueTime.Ticks, timer));
            return timer;
        }

        private sealed class HandTimer(TimerCallback callback, object? state) : ITimer
        {
            public void Ring() => callback(state);

            public bool Change(TimeSpan dueTime, TimeSpan period) => true;

            public void Dispose() { }

            public ValueTask DisposeAsync() => ValueTask.CompletedTask;
        }
    }
}
