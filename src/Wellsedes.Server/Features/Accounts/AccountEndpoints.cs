using System.Security.Claims;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
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
    }

    private static Me GetMe(HttpContext http, ClaimsPrincipal person, IAntiforgery antiforgery)
    {
        var token = antiforgery.GetAndStoreTokens(http).RequestToken!;
        return person.Identity?.IsAuthenticated == true
            ? new Me(person.Id(), person.FindFirstValue("name"), token)
            : new Me(null, null, token);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> SignInAsync(SignIn request, SignInManager<Person> signIn)
    {
        var person = await signIn.UserManager.FindByEmailAsync(request.Email);
        var result = person is null
            ? SignInResult.Failed
            : await signIn.CheckPasswordSignInAsync(person, request.Password, lockoutOnFailure: true);
        if (result.IsLockedOut)
            return TypedResults.Problem("Too many tries; wait five minutes.", statusCode: 429);
        if (!result.Succeeded)
            return TypedResults.Problem("The e-mail address or the password is not right.", statusCode: 401);
        await signIn.SignInWithClaimsAsync(person!, isPersistent: true, [new Claim("name", person!.DisplayName)]);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> SignOutAsync(SignInManager<Person> signIn)
    {
        await signIn.SignOutAsync();
        return TypedResults.NoContent();
    }
}
