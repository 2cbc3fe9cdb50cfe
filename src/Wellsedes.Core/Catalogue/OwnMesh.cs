using System.Collections.Immutable;

namespace Wellsedes.Core.Catalogue;

/// <summary>A tone of an own item's surface, as #RRGGBB, and how many triangles, one after another, have it.</summary>
public sealed record OwnTone(string Tone, int Triangles);

/// <summary>
/// What an own item looks like in space, brought in from a model: corners x, y, z one after another, in mm about the middle of its box and from its underside up, and triangles
/// by the numbers of their corners, counter-clockwise seen from outside. Compared by content.
/// </summary>
public sealed record OwnMesh(ImmutableArray<double> Corners, ImmutableArray<int> Triangles, ImmutableArray<OwnTone> Tones)
{
    /// <summary>The most triangles that an own item keeps: what has more is made simpler when it is brought in.</summary>
    public const int MostTriangles = 2000;

    /// <summary>No corner is farther off than this, in mm.</summary>
    private const double Farthest = 100_000;

    public bool Equals(OwnMesh? other) =>
        other is not null
        && Corners.AsSpan().SequenceEqual(other.Corners.AsSpan())
        && Triangles.AsSpan().SequenceEqual(other.Triangles.AsSpan())
        && Tones.AsSpan().SequenceEqual(other.Tones.AsSpan());

    public override int GetHashCode() => HashCode.Combine(Corners.Length, Triangles.Length, Tones.Length);

    /// <summary>What is wrong with it; null when nothing is.</summary>
    public string? Wrong() =>
        Corners.IsDefault || Triangles.IsDefault || Tones.IsDefault || Corners.Length % 3 != 0 || Triangles.Length % 3 != 0
            ? "Its corners and triangles are given by three numbers each."
        : Triangles.Length is 0 || Triangles.Length / 3 > MostTriangles
            ? $"A model has from 1 to {MostTriangles} triangles; {Triangles.Length / 3} were given."
        : Corners.Length / 3 > 3 * MostTriangles ? $"A model of {MostTriangles} triangles has no more than {3 * MostTriangles} corners."
        : Corners.Any(at => !(Math.Abs(at) <= Farthest)) ? "One of its corners is farther off than 100 m."
        : Triangles.Any(corner => corner < 0 || corner >= Corners.Length / 3) ? "One of its triangles names a corner that is not there."
        : Tones.Any(tone => tone.Triangles <= 0 || !IsTone(tone.Tone)) || Tones.Sum(tone => (long)tone.Triangles) != Triangles.Length / 3
            ? "Its tones are told as #RRGGBB, for all of its triangles."
        : null;

    private static bool IsTone(string tone) => tone is ['#', .. { Length: 6 } hex] && hex.All(char.IsAsciiHexDigit);

    /// <summary>The same with its corners somewhere else.</summary>
    public OwnMesh Mapped(Func<(double X, double Y, double Z), (double X, double Y, double Z)> to)
    {
        var corners = ImmutableArray.CreateBuilder<double>(Corners.Length);
        for (var i = 0; i + 2 < Corners.Length; i += 3)
        {
            var (x, y, z) = to((Corners[i], Corners[i + 1], Corners[i + 2]));
            corners.Add(x);
            corners.Add(y);
            corners.Add(z);
        }
        return this with { Corners = corners.ToImmutable() };
    }

    /// <summary>The same seen in a mirror: its triangles go round the other way, so that they still look outward.</summary>
    public OwnMesh Mirrored()
    {
        var turned = Triangles.ToArray();
        for (var i = 0; i + 2 < turned.Length; i += 3)
            (turned[i + 1], turned[i + 2]) = (turned[i + 2], turned[i + 1]);
        return Mapped(p => (-p.X, p.Y, p.Z)) with { Triangles = [.. turned] };
    }
}
