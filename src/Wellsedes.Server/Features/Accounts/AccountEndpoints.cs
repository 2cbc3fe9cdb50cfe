using System.Security.Claims;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Wellsedes.Core.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Accounts;

public sealed record SignIn(string Email, string Password);

/// <summary>Who is signed in, if anybody, and the token that requests which change something must carry.</summary>
public sealed record Me(Guid? Id, string? Name, string Token);

public static class AccountEndpoints
{
    public static void MapAccounts(this RouteGroupBuilder api)
    {
        api.MapGet("/me", GetMe).AllowAnonymous().WithName("getMe");
        api.MapPost("/sign-in", SignInAsync).AllowAnonymous().RequireRateLimiting("sign-in").WithName("signIn");
        api.MapPost("/sign-out", SignOutAsync).WithName("signOut");
        api.MapPost("/first-account", FirstAccountAsync).AllowAnonymous().RequireRateLimiting("sign-in").WithName("makeFirstAccount");
    }

    private static Me GetMe(HttpContext http, ClaimsPrincipal person, IAntiforgery antiforgery)
    {
        var token = antiforgery.GetAndStoreTokens(http).RequestToken!;
        return person.Identity?.IsAuthenticated == true
            ? new Me(person.Id(), person.FindFirstValue(PersonClaims.Name), token)
            : new Me(null, null, token);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> SignInAsync(
        SignIn request,
        SignInManager<Person> signIn,
        SignIns signIns
    )
    {
        var person = await signIn.UserManager.FindByEmailAsync(request.Email);
        var result = person is null
            ? SignInResult.Failed
            : await signIn.CheckPasswordSignInAsync(person, request.Password, lockoutOnFailure: true);
        if (result.IsLockedOut)
            return TypedResults.Problem("Too many tries; wait five minutes.", statusCode: 429);
        if (!result.Succeeded)
            return TypedResults.Problem("The e-mail address or the password is not right.", statusCode: 401);
        await signIn.SignInAsync(person!, await signIns.BeginAsync(person!.Id));
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> SignOutAsync(HttpContext http, SignInManager<Person> signIn, SignIns signIns)
    {
        var cookie = await http.AuthenticateAsync(IdentityConstants.ApplicationScheme);
        await signIns.EndAsync(cookie.Properties);
        await signIn.SignOutAsync();
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> FirstAccountAsync(
        FirstPerson request,
        FirstAccount first,
        UserManager<Person> people
    )
    {
        var name = request.Name.Trim();
        if (name.Length == 0 || WellFormed.Text("name", name) is not null)
            return TypedResults.Problem("Type the name that your changes are to be signed with.", statusCode: 422);
        return await first.MakeAsync(request, people) is { } problem
            ? TypedResults.Problem(problem, statusCode: 422)
            : TypedResults.NoContent();
    }
}
