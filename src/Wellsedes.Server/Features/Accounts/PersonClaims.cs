using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Accounts;

/// <summary>Everybody goes by the name of their account, also after the cookie has been made anew from it.</summary>
public sealed class PersonClaims(UserManager<Person> people, IOptions<IdentityOptions> options)
    : UserClaimsPrincipalFactory<Person>(people, options)
{
    public const string Name = "name";

    protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Person user)
    {
        var identity = await base.GenerateClaimsAsync(user);
        identity.AddClaim(new Claim(Name, user.DisplayName));
        return identity;
    }
}
