namespace Wellsedes.Server.Features;

/// <summary>Bodies of requests that are files.</summary>
internal static class Body
{
    /// <summary>At most one byte more than is taken, which tells whoever reads it that there is more.</summary>
    public static async Task<byte[]> ReadAsync(HttpRequest request, int most, CancellationToken cancel)
    {
        using var file = new MemoryStream();
        var piece = new byte[81920];
        int read;
        while (file.Length <= most && (read = await request.Body.ReadAsync(piece, cancel)) > 0)
            file.Write(piece, 0, (int)Math.Min(read, most + 1 - file.Length));
        return file.ToArray();
    }
}
