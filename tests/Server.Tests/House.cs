using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Wellsedes.Server.Demo;

namespace Wellsedes.Server.Tests;

/// <summary>The server as it runs, over a database with the demo in it.</summary>
public sealed class House(string database) : WebApplicationFactory<Program>
{
    public string Database => database;

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("WELLSEDES_DATABASE", database);
        builder.UseSetting("WELLSEDES_DEMO", Path.Combine(Cluster.Root, "demo"));
    }

    public Task<Visitor> OwnerAsync() => SignInAsync(DemoSeed.OwnerEmail);

    public Task<Visitor> EditorAsync() => SignInAsync(DemoSeed.EditorEmail);

    public Task<Visitor> ViewerAsync() => SignInAsync(DemoSeed.ViewerEmail);

    private async Task<Visitor> SignInAsync(string email)
    {
        var visitor = new Visitor(CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false }));
        await visitor.SignInAsync(email, DemoSeed.Password);
        return visitor;
    }
}
