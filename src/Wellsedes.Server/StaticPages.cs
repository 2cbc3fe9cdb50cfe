using Microsoft.AspNetCore.ResponseCompression;

namespace Wellsedes.Server;

/// <summary>
/// The built files of the client: sent compressed, and kept by the browser for good where their name holds a hash of what
/// is in them. Answers of the API are not compressed: what is secret and what somebody sent may stand in one answer.
/// </summary>
public static class StaticPages
{
    public static StaticFileOptions Options { get; } =
        new()
        {
            OnPrepareResponse = file =>
                file.Context.Response.Headers.CacheControl = file.Context.Request.Path.StartsWithSegments("/assets")
                    ? "public, max-age=31536000, immutable"
                    : "no-cache",
        };

    public static bool IsAsked(HttpContext context) =>
        !context.Request.Path.StartsWithSegments("/api") && !context.Request.Path.StartsWithSegments("/live");

    public static void Compress(ResponseCompressionOptions options)
    {
        options.EnableForHttps = true;
        options.MimeTypes = ["text/html", "text/css", "text/javascript", "image/svg+xml"];
    }
}
