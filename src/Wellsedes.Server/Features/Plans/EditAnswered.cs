using System.Reflection;
using System.Text.Json;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.Options;
using JsonOptions = Microsoft.AspNetCore.Http.Json.JsonOptions;

namespace Wellsedes.Server.Features.Plans;

/// <summary>An answered edit on its way out: edits answered together share one change, which is written once for all of them.</summary>
public sealed class EditAnswered(EditDone done) : IResult, IEndpointMetadataProvider
{
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        builder.Metadata.Add(new ProducesResponseTypeAttribute(typeof(EditDone), StatusCodes.Status200OK, "application/json"));

    public async Task ExecuteAsync(HttpContext httpContext)
    {
        var options = httpContext.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
        httpContext.Response.ContentType = "application/json; charset=utf-8";
        await using var writer = new Utf8JsonWriter(httpContext.Response.BodyWriter);
        writer.WriteStartObject();
        writer.WritePropertyName("changed");
        writer.WriteRawValue(WrittenChange.Of(done.Changed, options), skipInputValidation: true);
        writer.WritePropertyName("undo");
        JsonSerializer.Serialize(writer, done.Undo, options);
        writer.WriteString("label", done.Label);
        writer.WriteString("note", done.Note);
        writer.WriteEndObject();
    }
}
