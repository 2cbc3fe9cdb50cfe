using Wellsedes.Core.Units;

namespace Wellsedes.Core.Catalogue;

/// <summary>
/// A small picture that a plan carries itself: of an own item seen from above, or of what a floor is laid with. It is kept small
/// (<see cref="LongestSide"/>), so that it goes with whatever it belongs to into files, logs and other plans.
/// </summary>
/// <param name="Data">A WebP picture in base 64; what is not of the thing is see-through.</param>
public sealed record OwnPicture([property: LongText(OwnPicture.LongestData)] string Data)
{
    /// <summary>The most letters of base 64: 150 kB of picture.</summary>
    public const int LongestData = 200_000;

    /// <summary>The longest side in pixels.</summary>
    public const int LongestSide = 512;

    /// <summary>What is wrong with it as far as that is seen without decoding; null when nothing is.</summary>
    public (string Field, string Message)? Wrong()
    {
        Span<byte> head = stackalloc byte[12];
        var isWebP =
            Data.Length > 16
            && Data.Length <= LongestData
            && Convert.TryFromBase64String(Data[..16], head, out var read)
            && read == 12
            && head.StartsWith("RIFF"u8)
            && head[8..].SequenceEqual("WEBP"u8);
        return isWebP ? null : ("picture", $"The picture is no WebP of at most {LongestData * 3 / 4 / 1000} kB in base 64.");
    }

    /// <summary>The same text is the same picture; long texts are not read to tell them apart in tables.</summary>
    public override int GetHashCode() => Data.Length;

    public bool Equals(OwnPicture? other) => other is not null && string.Equals(Data, other.Data, StringComparison.Ordinal);
}
