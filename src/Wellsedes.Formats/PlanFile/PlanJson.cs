using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Wellsedes.Formats.PlanFile;

/// <summary>How plan values are written as JSON, the same in plan files, the change log and the interface.</summary>
public static class PlanJson
{
    public static JsonSerializerOptions Options { get; } = Make();

    /// <summary>The same, laid out for reading.</summary>
    public static JsonSerializerOptions Indented { get; } = new(Options) { WriteIndented = true };

    /// <summary>Sets the same rules on options made elsewhere.</summary>
    public static void Configure(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.AllowOutOfOrderMetadataProperties = true;
        options.RespectRequiredConstructorParameters = true;
        options.RespectNullableAnnotations = true;
        options.MaxDepth = 32;
        if (options.Converters.Count == 0)
            options.Converters.Add(new JsonStringEnumConverter());
    }

    private static JsonSerializerOptions Make()
    {
        var options = new JsonSerializerOptions { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };
        Configure(options);
        options.MakeReadOnly(true);
        return options;
    }
}
