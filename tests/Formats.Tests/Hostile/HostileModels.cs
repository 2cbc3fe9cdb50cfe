using System.Buffers.Binary;
using System.Text;
using System.Text.Json.Nodes;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Models;

namespace Wellsedes.Formats.Tests.Hostile;

/// <summary>GLB files made wrong: what they say of themselves changed at random with their lengths put right again, and bytes changed anywhere.</summary>
public static class HostileModels
{
    /// <summary>A model of one item and nothing else.</summary>
    public static byte[] Of(string catalogue)
    {
        var plan = Plan.Of(PlanStart.Entities("Model", Core.Units.UnitSystem.Metric), Shipped.Library);
        var planner = new Planner();
        var answer = planner.Answer(plan, new PlaceItem("item", PlanStart.SchemeId, PlanStart.LevelId, catalogue, 0, 0));
        plan.TryApply(answer.Change!, out plan, out _);
        return GlbWriter.Write(planner.ModelOf(plan, PlanStart.SchemeId), catalogue);
    }

    public static (JsonNode Json, byte[] Binary) Parts(byte[] file)
    {
        var length = BinaryPrimitives.ReadInt32LittleEndian(file.AsSpan(12));
        return (JsonNode.Parse(file.AsSpan(20, length))!, file[(28 + length)..]);
    }

    public static byte[] Whole(JsonNode json, byte[] binary) => Whole(Encoding.UTF8.GetBytes(json.ToJsonString()), binary);

    public static byte[] Whole(byte[] text, byte[] binary)
    {
        byte[] padded = [.. text, .. Enumerable.Repeat((byte)' ', (4 - text.Length % 4) % 4)];
        using var stream = new MemoryStream();
        using var writer = new BinaryWriter(stream);
        writer.Write(0x46546C67);
        writer.Write(2);
        writer.Write(12 + 8 + padded.Length + 8 + binary.Length);
        writer.Write(padded.Length);
        writer.Write(0x4E4F534A);
        writer.Write(padded);
        writer.Write(binary.Length);
        writer.Write(0x004E4942);
        writer.Write(binary);
        return stream.ToArray();
    }

    public static byte[] Spoilt(byte[] file, Random random)
    {
        if (random.Next(4) == 0)
        {
            var bytes = file.ToArray();
            for (var i = random.Next(1, 8); i > 0; i--)
                bytes[random.Next(bytes.Length)] = (byte)random.Next(256);
            return random.Next(5) == 0 ? bytes[..random.Next(bytes.Length)] : bytes;
        }
        var (json, binary) = Parts(file);
        for (var i = random.Next(1, 4); i > 0; i--)
            Spoil(json, random);
        if (random.Next(3) == 0)
            for (var i = 0; i < 20; i++)
                binary[random.Next(binary.Length)] = (byte)random.Next(256);
        return Whole(json, random.Next(10) == 0 ? binary[..random.Next(binary.Length)] : binary);
    }

    private static void Spoil(JsonNode json, Random random)
    {
        List<(JsonNode Parent, string? Name, int At)> all = [];
        Collect(json);
        if (all.Count == 0)
            return;
        var (parent, name, at) = all[random.Next(all.Count)];
        JsonNode? value = random.Next(9) switch
        {
            0 => -1,
            1 => 500_000_000,
            2 => random.Next(20),
            3 => 1e300,
            4 => "text",
            5 => new JsonArray(1, 2, 3),
            6 => new JsonObject(),
            7 => 5126,
            _ => null,
        };
        if (parent is JsonObject whole)
            if (random.Next(6) == 0)
                whole.Remove(name!);
            else
                whole[name!] = value;
        else
            ((JsonArray)parent)[at] = value;

        void Collect(JsonNode node)
        {
            if (node is JsonObject one)
                foreach (var (key, child) in one)
                {
                    all.Add((one, key, 0));
                    if (child is not null)
                        Collect(child);
                }
            else if (node is JsonArray list)
                for (var i = 0; i < list.Count; i++)
                {
                    all.Add((list, null, i));
                    if (list[i] is { } child)
                        Collect(child);
                }
        }
    }

    /// <summary>Whether a file is read; else it is refused in words. Anything other is a fault.</summary>
    public static bool Takes(byte[] file)
    {
        try
        {
            var read = GlbReader.Read(file);
            return read.Outline.Wrong() is null && read.Triangles > 0
                ? true
                : throw new InvalidOperationException($"what was read is wrong: {read.Outline.Wrong()}");
        }
        catch (GlbRefusedException e) when (e.Message.Length > 10)
        {
            return false;
        }
    }
}
