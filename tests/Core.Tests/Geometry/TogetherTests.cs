using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Tests.Geometry;

/// <summary>Work shared out among processors comes out as if one had done it.</summary>
public sealed class TogetherTests
{
    [Theory]
    [InlineData(0)]
    [InlineData(10)]
    [InlineData(10_000)]
    public void Each_number_is_done_once(int count)
    {
        var done = new int[count];
        Together.For(count, i => Interlocked.Increment(ref done[i]));
        Assert.All(done, times => Assert.Equal(1, times));
    }

    [Fact]
    public void Steps_are_counted_whole_and_what_is_too_much_is_thrown_as_it_is()
    {
        var enough = new Work("many", 50_000);
        Together.For(10_000, _ => enough.Count(5));
        Assert.Equal(50_000, enough.Done);
        var little = new Work("the walkways of a hall", 49_999);
        var thrown = Assert.Throws<TooMuchWorkException>(() => Together.For(10_000, _ => little.Count(5)));
        Assert.Equal("the walkways of a hall", thrown.What);
        Assert.Throws<TooMuchWorkException>(() => Together.Both(() => 1, () => Failed()));

        static int Failed() => throw new TooMuchWorkException("it", 1);
    }

    [Fact]
    public void What_nobody_waits_for_stops()
    {
        using var gone = new CancellationTokenSource();
        var work = new Work("many", long.MaxValue, gone.Token);
        Assert.ThrowsAny<OperationCanceledException>(() =>
            Together.For(
                10_000,
                i =>
                {
                    if (i == 400)
                        gone.Cancel();
                    work.Count(1);
                }
            )
        );
        Assert.InRange(work.Done, 1, 9_999);
    }
}
