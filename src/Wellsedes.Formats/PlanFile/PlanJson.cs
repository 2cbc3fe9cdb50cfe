using System.Collections.Concurrent;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;

namespace Wellsedes.Formats.PlanFile;

/// <summary>How plan values are written as JSON, the same in plan files, the change log and the interface.</summary>
public static class PlanJson
{
    private static readonly ConcurrentDictionary<ThingKinds, JsonSerializerOptions> ByKinds = new();

    public static JsonSerializerOptions Options { get; } = For(ThingList.Shipped);

    /// <summary>The same, laid out for reading.</summary>
    public static JsonSerializerOptions Indented { get; } = Indent(Options);

    /// <summary>The rules with other kinds of thing than those that ship.</summary>
    public static JsonSerializerOptions For(ThingKinds kinds) => ByKinds.GetOrAdd(kinds, Make);

    public static JsonSerializerOptions Indent(JsonSerializerOptions options) => new(options) { WriteIndented = true };

    /// <summary>Sets the same rules on options made elsewhere.</summary>
    /// <param name="kinds">Kinds of thing; null for those that ship.</param>
    /// <param name="edits">Kinds of edit; null for those that ship.</param>
    public static void Configure(JsonSerializerOptions options, ThingKinds? kinds = null, EditKinds? edits = null)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.AllowOutOfOrderMetadataProperties = true;
        options.RespectRequiredConstructorParameters = true;
        options.RespectNullableAnnotations = true;
        options.MaxDepth = 32;
        var things = kinds ?? ThingList.Shipped;
        var table = edits ?? EditKinds.Shipped;
        options.TypeInfoResolver = new DefaultJsonTypeInfoResolver
        {
            Modifiers =
            {
                info => Name(info, typeof(Entity), "type", EntityKinds.All(things)),
                info => Name(info, typeof(Edit), "do", table.All.Select(kind => (kind.Name, kind.Type))),
            },
        };
        if (options.Converters.Count == 0)
            options.Converters.Add(new JsonStringEnumConverter(null, allowIntegerValues: false));
    }

    /// <summary>Says by which names the kinds of a base are told apart.</summary>
    private static void Name(JsonTypeInfo info, Type of, string discriminator, IEnumerable<(string Name, Type Type)> kinds)
    {
        if (info.Type != of)
            return;
        info.PolymorphismOptions = new JsonPolymorphismOptions { TypeDiscriminatorPropertyName = discriminator };
        foreach (var (name, type) in kinds)
            info.PolymorphismOptions.DerivedTypes.Add(new JsonDerivedType(type, name));
    }

    private static JsonSerializerOptions Make(ThingKinds kinds)
    {
        var options = new JsonSerializerOptions { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };
        Configure(options, kinds);
        options.MakeReadOnly();
        return options;
    }
}
