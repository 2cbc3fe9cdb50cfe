using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Wellsedes.Core.Catalogue;

/// <summary>
/// What a maker needs to know of one item beside its size: a radius, a list of bays. Each parameter is one number or a list;
/// which there are, and what they may be, the item's maker says. Compared by content.
/// </summary>
[JsonConverter(typeof(Converter))]
public sealed class ItemParameters : IEquatable<ItemParameters>
{
    public static readonly ItemParameters None = new(ImmutableSortedDictionary<string, ImmutableArray<double>>.Empty);

    /// <summary>Longer lists are a mistake.</summary>
    public const int LongestList = 60;

    private readonly ImmutableSortedDictionary<string, ImmutableArray<double>> values;

    private ItemParameters(ImmutableSortedDictionary<string, ImmutableArray<double>> values) => this.values = values;

    public IEnumerable<string> Keys => values.Keys;

    /// <summary>Whether it says anything of a parameter; an empty list is something said.</summary>
    public bool Has(string key) => values.ContainsKey(key);

    public ImmutableArray<double> List(string key) => values.TryGetValue(key, out var list) ? list : [];

    public double? Number(string key) => values.TryGetValue(key, out var list) && list.Length == 1 ? list[0] : null;

    public ItemParameters With(string key, params ReadOnlySpan<double> value) => new(values.SetItem(key, [.. value]));

    public ItemParameters Without(string key) => new(values.Remove(key));

    public bool Equals(ItemParameters? other) =>
        other is not null
        && values.Count == other.values.Count
        && values.All(pair => other.values.TryGetValue(pair.Key, out var list) && list.AsSpan().SequenceEqual(pair.Value.AsSpan()));

    public override bool Equals(object? obj) => Equals(obj as ItemParameters);

    public override int GetHashCode()
    {
        var hash = new HashCode();
        foreach (var (key, list) in values)
        {
            hash.Add(key);
            foreach (var value in list)
                hash.Add(value);
        }
        return hash.ToHashCode();
    }

    private sealed class Converter : JsonConverter<ItemParameters>
    {
        public override ItemParameters Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options)
        {
            if (reader.TokenType != JsonTokenType.StartObject)
                throw new JsonException("Parameters must be an object.");
            var values = ImmutableSortedDictionary.CreateBuilder<string, ImmutableArray<double>>(StringComparer.Ordinal);
            while (reader.Read() && reader.TokenType != JsonTokenType.EndObject)
            {
                var key = reader.GetString()!;
                reader.Read();
                if (reader.TokenType == JsonTokenType.Number)
                    values[key] = [reader.GetDouble()];
                else if (reader.TokenType == JsonTokenType.StartArray)
                {
                    var list = ImmutableArray.CreateBuilder<double>();
                    while (reader.Read() && reader.TokenType != JsonTokenType.EndArray)
                        list.Add(
                            reader.TokenType == JsonTokenType.Number ? reader.GetDouble() : throw new JsonException("A list of numbers.")
                        );
                    values[key] = list.ToImmutable();
                }
                else
                    throw new JsonException("A parameter is a number or a list of numbers.");
            }
            return new ItemParameters(values.ToImmutable());
        }

        public override void Write(Utf8JsonWriter writer, ItemParameters value, JsonSerializerOptions options)
        {
            writer.WriteStartObject();
            foreach (var (key, list) in value.values)
            {
                writer.WritePropertyName(key);
                if (list.Length == 1)
                    writer.WriteNumberValue(list[0]);
                else
                {
                    writer.WriteStartArray();
                    foreach (var number in list)
                        writer.WriteNumberValue(number);
                    writer.WriteEndArray();
                }
            }
            writer.WriteEndObject();
        }
    }
}
