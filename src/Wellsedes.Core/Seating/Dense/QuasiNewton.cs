using System.Numerics;
using System.Runtime.InteropServices;

namespace Wellsedes.Core.Seating.Dense;

/// <summary>
/// The limited-memory quasi-Newton method's two loops over what was learnt of a function's bend (L-BFGS; Nocedal and Wright, Numerical Optimization, chapter 7; from memory).
/// What it remembers is used again and again: a search asks for thousands of minimisations.
/// </summary>
internal sealed class QuasiNewton
{
    private const int Memory = 8;

    private readonly double[][] steps = new double[Memory][];
    private readonly double[][] changes = new double[Memory][];
    private readonly double[] shares = new double[Memory];
    private readonly double[] alphas = new double[Memory];

    /// <summary>How many are known, and where the next one goes.</summary>
    private int known;
    private int next;

    /// <summary>A new function of so many variables.</summary>
    public void Begin(int variables)
    {
        (known, next) = (0, 0);
        if (steps[0]?.Length == variables)
            return;
        for (var i = 0; i < Memory; i++)
            (steps[i], changes[i]) = (new double[variables], new double[variables]);
    }

    /// <summary>Forgets what was learnt; false where nothing was.</summary>
    public bool Forget()
    {
        var had = known > 0;
        (known, next) = (0, 0);
        return had;
    }

    /// <summary>Where to go from a slope, put into <paramref name="way"/>; how steep it is down that way.</summary>
    public double Direction(ReadOnlySpan<double> slope, Span<double> way)
    {
        Downhill(slope, way);
        for (var k = 1; k <= known; k++)
        {
            var at = (next - k + Memory) % Memory;
            alphas[at] = shares[at] * Dot(steps[at], way);
            Add(way, changes[at], -alphas[at]);
        }
        if (known > 0)
        {
            var last = (next - 1 + Memory) % Memory;
            var scale = 1 / (shares[last] * Dot(changes[last], changes[last]));
            for (var i = 0; i < way.Length; i++)
                way[i] *= scale;
        }
        for (var k = known; k >= 1; k--)
        {
            var at = (next - k + Memory) % Memory;
            Add(way, steps[at], alphas[at] - shares[at] * Dot(changes[at], way));
        }
        var steep = Dot(slope, way);
        if (steep < 0)
            return steep;
        Forget();
        Downhill(slope, way);
        return Dot(slope, way);
    }

    /// <summary>Learns from a step that was made.</summary>
    public void Take(ReadOnlySpan<double> now, ReadOnlySpan<double> was, ReadOnlySpan<double> slope, ReadOnlySpan<double> before)
    {
        var (step, change) = (steps[next], changes[next]);
        for (var i = 0; i < step.Length; i++)
            (step[i], change[i]) = (now[i] - was[i], slope[i] - before[i]);
        var bend = Dot(step, change);
        if (bend <= 1e-10)
            return;
        shares[next] = 1 / bend;
        next = (next + 1) % Memory;
        known = Math.Min(Memory, known + 1);
    }

    private static void Downhill(ReadOnlySpan<double> slope, Span<double> way)
    {
        for (var i = 0; i < way.Length; i++)
            way[i] = -slope[i];
    }

    private static double Dot(ReadOnlySpan<double> a, ReadOnlySpan<double> b)
    {
        var wideA = MemoryMarshal.Cast<double, Vector<double>>(a);
        var wideB = MemoryMarshal.Cast<double, Vector<double>>(b);
        var wide = Vector<double>.Zero;
        for (var i = 0; i < wideA.Length; i++)
            wide += wideA[i] * wideB[i];
        var sum = Vector.Sum(wide);
        for (var i = wideA.Length * Vector<double>.Count; i < a.Length; i++)
            sum += a[i] * b[i];
        return sum;
    }

    private static void Add(Span<double> to, ReadOnlySpan<double> what, double times)
    {
        var wideTo = MemoryMarshal.Cast<double, Vector<double>>(to);
        var wide = MemoryMarshal.Cast<double, Vector<double>>(what);
        var many = new Vector<double>(times);
        for (var i = 0; i < wide.Length; i++)
            wideTo[i] += wide[i] * many;
        for (var i = wide.Length * Vector<double>.Count; i < to.Length; i++)
            to[i] += what[i] * times;
    }
}
