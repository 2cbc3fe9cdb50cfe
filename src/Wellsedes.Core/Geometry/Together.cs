using System.Collections.Concurrent;
using System.Runtime.ExceptionServices;

namespace Wellsedes.Core.Geometry;

/// <summary>Works many like things out on all processors; what comes out does not depend on their order.</summary>
internal static class Together
{
    /// <summary>Fewer than this are not worth sharing out.</summary>
    private const int Few = 256;

    /// <summary>Does something for each number below a count. The first failure is thrown as it is.</summary>
    /// <param name="few">Fewer than this are done one after another.</param>
    public static void For(int count, Action<int> work, int few = Few)
    {
        if (count < few)
        {
            for (var i = 0; i < count; i++)
                work(i);
            return;
        }
        Unwrapped(() =>
            Parallel.ForEach(
                Partitioner.Create(0, count, Math.Max(1, few / 2)),
                range =>
                {
                    for (var i = range.Item1; i < range.Item2; i++)
                        work(i);
                }
            )
        );
    }

    /// <summary>Does a few large things at once.</summary>
    public static void All(params Action[] works) => Unwrapped(() => Parallel.Invoke(works));

    /// <summary>Two results worked out at once.</summary>
    public static (A, B) Both<A, B>(Func<A> one, Func<B> two)
    {
        var (a, b) = (default(A)!, default(B)!);
        All(() => a = one(), () => b = two());
        return (a, b);
    }

    private static void Unwrapped(Action work)
    {
        try
        {
            work();
        }
        catch (AggregateException e)
        {
            ExceptionDispatchInfo.Capture(e.InnerExceptions[0]).Throw();
        }
    }
}
