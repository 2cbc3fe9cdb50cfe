using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Accounts;

/// <summary>Somebody's first account in a database without any: made once, by who has the link that the first start prints.</summary>
public sealed class FirstAccount : IDisposable
{
    private readonly SemaphoreSlim one = new(1);
    private string? token;

    public void Dispose() => one.Dispose();

    /// <summary>A token for a database without people; null when it has some.</summary>
    public async Task<string?> OpenAsync(WellsedesContext context) =>
        token = await context.Users.AnyAsync() ? null : Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(24));

    /// <summary>Null when it was made, else why not.</summary>
    public async Task<string?> MakeAsync(FirstPerson request, UserManager<Person> people)
    {
        await one.WaitAsync();
        try
        {
            if (
                token is null
                || !CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(token), Encoding.UTF8.GetBytes(request.Token))
            )
                return "This link no longer holds. Start the server again for a new one, or sign in.";
            var person = new Person
            {
                Id = Guid.CreateVersion7(),
                UserName = request.Email,
                Email = request.Email,
                DisplayName = request.Name.Trim(),
            };
            var made = await people.CreateAsync(person, request.Password);
            if (!made.Succeeded)
                return string.Join(" ", made.Errors.Select(error => error.Description));
            token = null;
            return null;
        }
        finally
        {
            one.Release();
        }
    }
}

/// <param name="Token">From the link that the first start prints.</param>
public sealed record FirstPerson(string Token, string Name, string Email, string Password);
