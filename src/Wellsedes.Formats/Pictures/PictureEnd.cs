using System.Buffers.Binary;

namespace Wellsedes.Formats.Pictures;

/// <summary>Where a picture ends inside its file: what stands behind is none of it.</summary>
internal static class PictureEnd
{
    /// <summary>The length of the picture itself in bytes; that of the file where its end cannot be found.</summary>
    public static int Of(ReadOnlySpan<byte> file, string type) =>
        type switch
        {
            "image/png" => Png(file),
            "image/jpeg" => Jpeg(file),
            _ => (int)Math.Min(file.Length, 8 + (long)BinaryPrimitives.ReadUInt32LittleEndian(file[4..])),
        };

    /// <summary>Chunk by chunk to IEND (PNG, third edition, 5.3).</summary>
    private static int Png(ReadOnlySpan<byte> file)
    {
        long at = 8;
        while (at + 12 <= file.Length)
        {
            var length = BinaryPrimitives.ReadUInt32BigEndian(file[(int)at..]);
            var end = file[(int)(at + 4)..(int)(at + 8)].SequenceEqual("IEND"u8);
            at += 12L + length;
            if (end)
                return (int)Math.Min(at, file.Length);
        }
        return file.Length;
    }

    /// <summary>Segment by segment, scans to their next marker, to the end of image (ITU-T T.81, B.1).</summary>
    private static int Jpeg(ReadOnlySpan<byte> file)
    {
        var at = 2;
        while (at + 4 <= file.Length)
        {
            if (file[at] != 0xFF)
            {
                at++;
                continue;
            }
            var marker = file[at + 1];
            if (marker == 0xD9)
                return at + 2;
            // Filling, stuffed bytes and restarts carry no length.
            if (marker is 0xFF or 0x00 or 0x01 or (>= 0xD0 and <= 0xD8))
                at += marker == 0xFF ? 1 : 2;
            else
                at += 2 + BinaryPrimitives.ReadUInt16BigEndian(file[(at + 2)..]);
        }
        return file.Length;
    }
}
