using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Server.Features.Pictures;
using Wellsedes.Store;

namespace Wellsedes.Server.Demo;

/// <summary>The invented people and plans a demo starts with. Seeds only an empty database.</summary>
public static class DemoSeed
{
    public const string OwnerEmail = "n.ash@tidemill.example";
    public const string ViewerEmail = "r.sallow@tidemill.example";
    public const string EditorEmail = "m.teasel@tidemill.example";

    /// <summary>Said openly wherever the demo is described: it guards nothing but invented data.</summary>
    public const string Password = "orchard-supper";

    public static async Task SeedAsync(IServiceProvider services, string demoFolder)
    {
        await using var scope = services.CreateAsyncScope();
        var context = scope.ServiceProvider.GetRequiredService<WellsedesContext>();
        if (await context.Users.AnyAsync())
            return;
        var people = scope.ServiceProvider.GetRequiredService<UserManager<Person>>();
        var owner = await AddAsync(people, OwnerEmail, "N. Ash");
        var viewer = await AddAsync(people, ViewerEmail, "R. Sallow");
        var editor = await AddAsync(people, EditorEmail, "M. Teasel");
        var project = new Project
        {
            Id = Guid.CreateVersion7(),
            Name = "Tidemill House",
            CreatedAt = DateTime.UtcNow,
            Members =
            [
                new ProjectMember { PersonId = owner, Role = ProjectRole.Owner },
                new ProjectMember { PersonId = editor, Role = ProjectRole.Editor },
                new ProjectMember { PersonId = viewer, Role = ProjectRole.Viewer },
            ],
        };
        context.Add(project);
        await context.SaveChangesAsync();
        var store = scope.ServiceProvider.GetRequiredService<PlanStore>();
        foreach (var file in Directory.GetFiles(demoFolder, "*.wellsedes.json").Order(StringComparer.Ordinal))
            await AddPlanAsync(demoFolder, Path.GetFileName(file), project.Id, store, CancellationToken.None);
    }

    /// <summary>Takes a plan of the demo in as it was shipped; null when the folder has it no more.</summary>
    public static async Task<Guid?> AddPlanAsync(string demoFolder, string file, Guid projectId, PlanStore store, CancellationToken cancel)
    {
        var path = Path.Combine(demoFolder, Path.GetFileName(file));
        return File.Exists(path)
            ? await PlanFileImport.AddAsync(await File.ReadAllBytesAsync(path, cancel), projectId, store, file, cancel)
            : null;
    }

    private static async Task<Guid> AddAsync(UserManager<Person> people, string email, string name)
    {
        var person = new Person
        {
            Id = Guid.CreateVersion7(),
            UserName = email,
            Email = email,
            DisplayName = name,
        };
        var result = await people.CreateAsync(person, Password);
        return result.Succeeded
            ? person.Id
            : throw new InvalidOperationException(string.Join(" ", result.Errors.Select(error => error.Description)));
    }
}
