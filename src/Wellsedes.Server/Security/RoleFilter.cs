using Wellsedes.Store;

namespace Wellsedes.Server.Security;

/// <summary>Says which role an endpoint needs, so that a test can walk all of them.</summary>
public sealed record NeededRole(ProjectRole Role);

public static class RoleFilter
{
    /// <summary>
    /// Lets through only people with at least this role in the project or plan named in the route. To others the
    /// thing does not exist; to members with less it is forbidden.
    /// </summary>
    /// <param name="deleted">Whether a deleted project exists for this endpoint, to bring it back.</param>
    public static TBuilder NeedsRole<TBuilder>(this TBuilder builder, ProjectRole role, bool deleted = false)
        where TBuilder : IEndpointConventionBuilder
    {
        builder.WithMetadata(new NeededRole(role));
        builder.AddEndpointFilter(
            async (context, next) =>
            {
                var http = context.HttpContext;
                var roles = http.RequestServices.GetRequiredService<Roles>();
                var person = http.User.Id();
                var has =
                    Route(http, "planId") is { } plan ? await roles.ForPlanAsync(plan, person, http.RequestAborted)
                    : Route(http, "projectId") is { } project ? await roles.InProjectAsync(project, person, http.RequestAborted, deleted)
                    : null;
                if (has is null)
                    return Results.NotFound();
                return has < role
                    ? Results.Problem(
                        $"This needs the role of {role.ToString().ToLowerInvariant()}; yours is {has.ToString()!.ToLowerInvariant()}.",
                        statusCode: 403
                    )
                    : await next(context);
            }
        );
        return builder;
    }

    private static Guid? Route(HttpContext http, string name) =>
        http.GetRouteValue(name) is { } value && Guid.TryParse(value.ToString(), out var id) ? id : null;
}
