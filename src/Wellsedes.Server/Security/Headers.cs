namespace Wellsedes.Server.Security;

public static class Headers
{
    /// <summary>Nothing is loaded from elsewhere, nothing inline runs, no other page may frame this one.</summary>
    private const string ContentSecurityPolicy =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' blob: data:; font-src 'self'; "
        + "connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    /// <summary>What makes triangles fewer is compiled in its own worker, and nowhere else.</summary>
    private const string WorkerPolicy = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'";
    private const string Worker = "/assets/simplify.worker-";

    public static void UseSecurityHeaders(this IApplicationBuilder app) =>
        app.Use(
            (context, next) =>
            {
                var headers = context.Response.Headers;
                headers.ContentSecurityPolicy =
                    context.Request.Path.Value?.StartsWith(Worker, StringComparison.Ordinal) == true ? WorkerPolicy : ContentSecurityPolicy;
                headers.XContentTypeOptions = "nosniff";
                headers["Referrer-Policy"] = "same-origin";
                headers["Permissions-Policy"] = "camera=(), microphone=(), geolocation=()";
                if (context.Request.Path.StartsWithSegments("/api"))
                    headers.CacheControl = "no-store";
                return next(context);
            }
        );
}
