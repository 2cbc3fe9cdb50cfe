using System.Text.Json;
using System.Text.Json.Serialization;

namespace Wellsedes.Server.Features.Plans;

/// <summary>A change as it is told to many: written as JSON once, when the first of them is told.</summary>
[JsonConverter(typeof(Writer))]
public sealed class WrittenChange(ChangedView change)
{
    private byte[]? written;

    private byte[] Written(JsonSerializerOptions options) => written ??= JsonSerializer.SerializeToUtf8Bytes(change, options);

    private sealed class Writer : JsonConverter<WrittenChange>
    {
        public override WrittenChange Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options) =>
            throw new NotSupportedException("A change is told, never taken.");

        public override void Write(Utf8JsonWriter writer, WrittenChange value, JsonSerializerOptions options) =>
            writer.WriteRawValue(value.Written(options), skipInputValidation: true);
    }
}
