using System.Collections.Concurrent;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Things;

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
    public static void Configure(JsonSerializerOptions options, ThingKinds? kinds = null)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.AllowOutOfOrderMetadataProperties = true;
        options.RespectRequiredConstructorParameters = true;
        options.RespectNullableAnnotations = true;
        options.MaxDepth = 32;
        var things = kinds ?? ThingList.Shipped;
        options.TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { info => NameEntities(info, things) } };
        if (options.Converters.Count == 0)
            options.Converters.Add(new JsonStringEnumConverter(null, allowIntegerValues: false));
    }

    private static void NameEntities(JsonTypeInfo info, ThingKinds things)
    {
        if (info.Type != typeof(Entity))
            return;
        info.PolymorphismOptions = new JsonPolymorphismOptions { TypeDiscriminatorPropertyName = "type" };
        foreach (var (name, type) in EntityKinds.All(things))
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
