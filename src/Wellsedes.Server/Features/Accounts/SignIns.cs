using System.Collections.Concurrent;
using System.Globalization;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Accounts;

/// <summary>
/// Which sign-ins hold. Each has a name of its own in its cookie and a row in the database; signing out ends it, so that a copy
/// of the cookie is worth nothing from then on. Those that hold are remembered, so that not every request asks the database.
/// </summary>
public sealed class SignIns(IDbContextFactory<WellsedesContext> contexts)
{
    private const string Kind = "sign-in";

    /// <summary>A sign-in that nobody ended is forgotten after so many days.</summary>
    private const int Days = 90;

    private readonly ConcurrentDictionary<string, bool> known = new();

    /// <summary>A new sign-in of somebody, to go with its cookie.</summary>
    public async Task<AuthenticationProperties> BeginAsync(Guid personId)
    {
        var name = Guid.NewGuid().ToString("N");
        await using var context = await contexts.CreateDbContextAsync();
        var old = DateTime.UtcNow.AddDays(-Days).ToString("O", CultureInfo.InvariantCulture);
        await context
            .UserTokens.Where(token => token.UserId == personId && token.LoginProvider == Kind && string.Compare(token.Value, old) < 0)
            .ExecuteDeleteAsync();
        context.UserTokens.Add(
            new IdentityUserToken<Guid>
            {
                UserId = personId,
                LoginProvider = Kind,
                Name = name,
                Value = DateTime.UtcNow.ToString("O", CultureInfo.InvariantCulture),
            }
        );
        await context.SaveChangesAsync();
        known[name] = true;
        var properties = new AuthenticationProperties { IsPersistent = true };
        properties.Items[Kind] = name;
        return properties;
    }

    public async Task EndAsync(AuthenticationProperties? properties)
    {
        if (properties?.Items.TryGetValue(Kind, out var name) != true || name is null)
            return;
        known[name] = false;
        await using var context = await contexts.CreateDbContextAsync();
        await context.UserTokens.Where(token => token.LoginProvider == Kind && token.Name == name).ExecuteDeleteAsync();
    }

    /// <summary>Refuses a cookie whose sign-in has ended, after everything else that is asked of a cookie.</summary>
    public static async Task CheckAsync(CookieValidatePrincipalContext cookie)
    {
        await SecurityStampValidator.ValidatePrincipalAsync(cookie);
        if (cookie.Principal is null)
            return;
        if (await cookie.HttpContext.RequestServices.GetRequiredService<SignIns>().HoldsAsync(cookie.Properties))
            return;
        cookie.RejectPrincipal();
        await cookie.HttpContext.SignOutAsync(IdentityConstants.ApplicationScheme);
    }

    private async Task<bool> HoldsAsync(AuthenticationProperties properties)
    {
        if (!properties.Items.TryGetValue(Kind, out var name) || name is null)
            return false;
        if (known.TryGetValue(name, out var holds))
            return holds;
        await using var context = await contexts.CreateDbContextAsync();
        holds = await context.UserTokens.AnyAsync(token => token.LoginProvider == Kind && token.Name == name);
        // Only what holds is remembered: names that never were must not fill the memory.
        if (holds)
            known.TryAdd(name, true);
        return holds;
    }
}
