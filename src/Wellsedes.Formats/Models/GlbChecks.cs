using System.Buffers.Binary;
using System.Text.Json;

namespace Wellsedes.Formats.Models;

/// <summary>A model that is not taken in; the message tells why and what would help.</summary>
public sealed class GlbRefusedException(string message) : Exception(message);

/// <summary>
/// What is asked of a GLB file before anybody parses it: that its lengths are true, that it names nothing outside itself, and that what it counts is bounded and within its own bytes.
/// </summary>
internal static class GlbChecks
{
    private const uint Magic = 0x46546C67;
    private const uint JsonChunk = 0x4E4F534A;
    private const uint BinaryChunk = 0x004E4942;
    private const int LargestJson = 2 * 1024 * 1024;
    private const int Deepest = 64;
    private const int MostNodes = 20_000;
    private const long MostCounted = 4_000_000;

    public static void Check(ReadOnlyMemory<byte> file)
    {
        var bytes = file.Span;
        if (bytes.Length < 20 || Number(bytes, 0) != Magic)
            throw new GlbRefusedException("This is no GLB file (binary glTF 2.0).");
        if (Number(bytes, 4) != 2)
            throw new GlbRefusedException($"This GLB is of version {Number(bytes, 4)}; version 2 is read.");
        if (Number(bytes, 8) != bytes.Length)
            throw new GlbRefusedException("The file is cut short or longer than it says; export it again.");
        var json = Chunk(file, 12, JsonChunk, "JSON");
        if (json.Length > LargestJson)
            throw new GlbRefusedException(
                $"The description in the file is larger than {LargestJson / 1024 / 1024} MB, the most that is read."
            );
        var next = 20 + (json.Length + 3) / 4 * 4;
        var binary = next + 8 <= bytes.Length ? Chunk(file, next, BinaryChunk, "binary").Length : 0;
        try
        {
            using var document = JsonDocument.Parse(json, new JsonDocumentOptions { MaxDepth = Deepest });
            Check(document.RootElement, binary);
        }
        catch (JsonException)
        {
            throw new GlbRefusedException("The description in the file cannot be read; export it again.");
        }
        catch (Exception e) when (e is InvalidOperationException or FormatException or OverflowException)
        {
            throw new GlbRefusedException("The description in the file holds something of the wrong kind; export it again.");
        }
    }

    private static uint Number(ReadOnlySpan<byte> bytes, int at) => BinaryPrimitives.ReadUInt32LittleEndian(bytes[at..]);

    private static ReadOnlyMemory<byte> Chunk(ReadOnlyMemory<byte> file, int at, uint kind, string name)
    {
        var length = Number(file.Span, at);
        if (Number(file.Span, at + 4) != kind || length > file.Length - at - 8)
            throw new GlbRefusedException($"The {name} part of the file is not where it must be, or longer than the file.");
        return file.Slice(at + 8, (int)length);
    }

    private static void Check(JsonElement root, long binary)
    {
        if (root.ValueKind != JsonValueKind.Object)
            throw new GlbRefusedException("The description in the file is none.");
        if (NamesOutside(root))
            throw new GlbRefusedException("The file points at other files; export it as one GLB with everything in it.");
        if (Listed(root, "extensionsRequired").FirstOrDefault() is { ValueKind: JsonValueKind.String } needed)
            throw new GlbRefusedException(
                $"The file needs the extension {Short(needed.GetString()!)}, which is not read; export it without."
            );
        var buffers = Listed(root, "buffers").ToArray();
        if (buffers.Length > 1 || buffers.Any(buffer => Whole(buffer, "byteLength") > binary))
            throw new GlbRefusedException("The file holds less than it says; export it again.");
        var views = Listed(root, "bufferViews").ToArray();
        foreach (var view in views)
            if (Whole(view, "byteOffset") + Whole(view, "byteLength") > binary)
                throw new GlbRefusedException("A part of the file lies outside it; export it again.");
        CheckAccessors(root, views);
        CheckNodes([.. Listed(root, "nodes")]);
    }

    private static void CheckAccessors(JsonElement root, JsonElement[] views)
    {
        var counted = 0L;
        foreach (var accessor in Listed(root, "accessors"))
        {
            var count = Whole(accessor, "count");
            counted += count;
            if (!accessor.TryGetProperty("bufferView", out var at) || at.GetInt32() is var index && (index < 0 || index >= views.Length))
                throw new GlbRefusedException("A list of numbers in the file is nowhere in it; export it again.");
            if (accessor.TryGetProperty("sparse", out _))
                throw new GlbRefusedException("The file holds sparse lists, which are not read; export it without.");
            // The smallest number is a byte.
            if (count > Whole(views[at.GetInt32()], "byteLength"))
                throw new GlbRefusedException("A list of numbers in the file is longer than its part of the file; export it again.");
        }
        if (counted > MostCounted)
            throw new GlbRefusedException(
                $"The file counts {counted} numbers; at most {MostCounted} are read. Make the model simpler first."
            );
    }

    /// <summary>Each node hangs on one other at most, none on itself, and not too deep.</summary>
    private static void CheckNodes(JsonElement[] nodes)
    {
        if (nodes.Length > MostNodes)
            throw new GlbRefusedException($"The file holds {nodes.Length} nodes; at most {MostNodes} are read.");
        var parents = new int[nodes.Length];
        Array.Fill(parents, -1);
        for (var i = 0; i < nodes.Length; i++)
            foreach (var child in Listed(nodes[i], "children").Select(child => child.GetInt32()))
            {
                if (child < 0 || child >= nodes.Length || parents[child] >= 0)
                    throw new GlbRefusedException("The nodes of the file hang together wrongly; export it again.");
                parents[child] = i;
            }
        for (var i = 0; i < nodes.Length; i++)
        {
            var deep = 0;
            for (var at = i; parents[at] >= 0; at = parents[at])
                if (++deep > Deepest)
                    throw new GlbRefusedException($"The nodes of the file are nested more than {Deepest} deep, or in a circle.");
        }
    }

    private static bool NamesOutside(JsonElement element) =>
        element.ValueKind switch
        {
            JsonValueKind.Object => element.EnumerateObject().Any(one => one.NameEquals("uri") || NamesOutside(one.Value)),
            JsonValueKind.Array => element.EnumerateArray().Any(NamesOutside),
            _ => false,
        };

    private static IEnumerable<JsonElement> Listed(JsonElement of, string name) =>
        of.TryGetProperty(name, out var list) ? list.EnumerateArray() : [];

    /// <summary>A whole number that is not negative; 0 where it is not given.</summary>
    private static long Whole(JsonElement of, string name) =>
        !of.TryGetProperty(name, out var value) ? 0
        : value.GetInt64() is >= 0 and var whole and < int.MaxValue ? whole
        : throw new GlbRefusedException(
            $"The file says {value.GetRawText()[..Math.Min(20, value.GetRawText().Length)]} for {name}, which cannot be."
        );

    private static string Short(string text) => text.Length <= 40 ? text : text[..40] + "…";
}
