using Microsoft.AspNetCore.Antiforgery;

namespace Wellsedes.Server.Security;

public static class AntiforgeryFilter
{
    /// <summary>Every request that changes something carries the token handed out with the person's own page.</summary>
    public static RouteGroupBuilder NeedsAntiforgery(this RouteGroupBuilder group)
    {
        group.AddEndpointFilter(
            async (context, next) =>
            {
                var http = context.HttpContext;
                if (HttpMethods.IsGet(http.Request.Method) || HttpMethods.IsHead(http.Request.Method))
                    return await next(context);
                var antiforgery = http.RequestServices.GetRequiredService<IAntiforgery>();
                return await antiforgery.IsRequestValidAsync(http)
                    ? await next(context)
                    : Results.Problem("The page is out of date; load it again.", statusCode: 400, type: "antiforgery");
            }
        );
        return group;
    }
}
