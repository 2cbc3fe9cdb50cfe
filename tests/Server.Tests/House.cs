using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Demo;

namespace Wellsedes.Server.Tests;

/// <summary>The server as it runs, over a database with the demo in it.</summary>
public sealed class House(string database, bool demo = true) : WebApplicationFactory<Program>
{
    public string Database => database;

    /// <summary>The clock of this server, which tests set on.</summary>
    public SetClock Clock { get; } = new();

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("WELLSEDES_DATABASE", database);
        if (demo)
            builder.UseSetting("WELLSEDES_DEMO", Path.Combine(Cluster.Root, "demo"));
        builder.ConfigureServices(services => services.AddSingleton<TimeProvider>(Clock));
        // Every request makes the cookie anew from the account, as after half an hour.
        builder.ConfigureServices(services =>
            services.Configure<SecurityStampValidatorOptions>(options => options.ValidationInterval = TimeSpan.Zero)
        );
    }

    /// <summary>
    /// Closes what the stopped server left open: its idle connections would stay for five minutes, and PostgreSQL takes a hundred.
    /// </summary>
    public override async ValueTask DisposeAsync()
    {
        await base.DisposeAsync();
        await using var left = new NpgsqlConnection(database);
        NpgsqlConnection.ClearPool(left);
        GC.SuppressFinalize(this);
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

    /// <summary>The live link of somebody.</summary>
    public async Task<HubConnection> LinkAsync(Visitor visitor, string email)
    {
        var cookie = "";
        foreach (var value in (await visitor.SignInAsync(email, DemoSeed.Password)).Headers.GetValues("Set-Cookie"))
            if (value.StartsWith("wellsedes=", StringComparison.Ordinal))
                cookie = value.Split(';')[0];
        var link = new HubConnectionBuilder()
            .WithUrl(
                new Uri(Server.BaseAddress, "live"),
                options =>
                {
                    options.HttpMessageHandlerFactory = _ => Server.CreateHandler();
                    options.Transports = Microsoft.AspNetCore.Http.Connections.HttpTransportType.LongPolling;
                    options.Headers["Cookie"] = cookie;
                }
            )
            .AddJsonProtocol(options => PlanJson.Configure(options.PayloadSerializerOptions))
            .Build();
        await link.StartAsync();
        return link;
    }
}
