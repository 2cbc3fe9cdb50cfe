using System.Runtime.CompilerServices;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Wellsedes.Server.Features.Plans;

/// <summary>A change as it is told to many, its authors and everyone who has the plan open: written as JSON once.</summary>
[JsonConverter(typeof(Writer))]
public sealed class WrittenChange(ChangedView change)
{
    private static readonly ConditionalWeakTable<ChangedView, Lazy<byte[]>> written = [];

    /// <summary>The JSON of a change; the same bytes whoever asks, and many ask at the same moment: one writes, the others wait.</summary>
    public static byte[] Of(ChangedView change, JsonSerializerOptions options) =>
        written.GetValue(change, _ => new Lazy<byte[]>(() => JsonSerializer.SerializeToUtf8Bytes(change, options))).Value;

    private sealed class Writer : JsonConverter<WrittenChange>
    {
        public override WrittenChange Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options) =>
            throw new NotSupportedException("A change is told, never taken.");

        public override void Write(Utf8JsonWriter writer, WrittenChange value, JsonSerializerOptions options) =>
            writer.WriteRawValue(value.Written(options), skipInputValidation: true);
    }

    private byte[] Written(JsonSerializerOptions options) => Of(change, options);
}
