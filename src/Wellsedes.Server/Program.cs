using System.Threading.RateLimiting;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Serilog;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server;
using Wellsedes.Server.Demo;
using Wellsedes.Server.Features.Accounts;
using Wellsedes.Server.Features.Catalogue;
using Wellsedes.Server.Features.Library;
using Wellsedes.Server.Features.Models;
using Wellsedes.Server.Features.Pictures;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Features.Projects;
using Wellsedes.Server.Features.Rulebooks;
using Wellsedes.Server.Features.Sheets;
using Wellsedes.Server.Features.Work;
using Wellsedes.Server.Security;
using Wellsedes.Server.SimulatedDevices;
using Wellsedes.Store;

var builder = WebApplication.CreateBuilder(args);
var database = builder.Configuration["WELLSEDES_DATABASE"] ?? "";
var data = builder.Configuration["WELLSEDES_DATA"];
builder.Services.AddSerilog(log =>
    log.MinimumLevel.Warning()
        .MinimumLevel.Override("Microsoft.EntityFrameworkCore.Database.Connection", Serilog.Events.LogEventLevel.Fatal)
        .MinimumLevel.Override("Microsoft.AspNetCore.Antiforgery", Serilog.Events.LogEventLevel.Error)
        .MinimumLevel.Override("Microsoft.AspNetCore.DataProtection", Serilog.Events.LogEventLevel.Error)
        .WriteTo.Console()
);
builder.Services.AddDbContextFactory<WellsedesContext>(options => options.UseNpgsql(database));
builder.Services.AddScoped(services => services.GetRequiredService<IDbContextFactory<WellsedesContext>>().CreateDbContext());
builder
    .Services.AddIdentityCore<Person>(options =>
    {
        options.User.RequireUniqueEmail = true;
        options.Password.RequiredLength = 12;
        options.Password.RequireDigit = options.Password.RequireUppercase = options.Password.RequireNonAlphanumeric = false;
        options.Lockout.MaxFailedAccessAttempts = 10;
    })
    .AddEntityFrameworkStores<WellsedesContext>()
    .AddClaimsPrincipalFactory<PersonClaims>()
    .AddSignInManager();
builder.Services.AddAuthentication(IdentityConstants.ApplicationScheme).AddIdentityCookies();
builder.Services.ConfigureApplicationCookie(options =>
{
    options.Cookie.Name = "wellsedes";
    options.Cookie.SameSite = SameSiteMode.Strict;
    options.Events.OnValidatePrincipal = SignIns.CheckAsync;
    options.Events.OnRedirectToLogin = context => Answer(context.Response, 401);
    options.Events.OnRedirectToAccessDenied = context => Answer(context.Response, 403);
});
if (data is not null)
    builder.Services.AddDataProtection().PersistKeysToFileSystem(new DirectoryInfo(Path.Combine(data, "keys")));
builder.Services.AddAuthorizationBuilder().SetFallbackPolicy(null);
builder.Services.AddResponseCompression(StaticPages.Compress);
builder.Services.AddAntiforgery(options => options.HeaderName = "X-Wellsedes-Token");
builder.Services.AddRateLimiter(options =>
{
    options.RejectionStatusCode = 429;
    options.AddPolicy(
        "sign-in",
        http =>
            RateLimitPartition.GetFixedWindowLimiter(
                http.Connection.RemoteIpAddress?.ToString() ?? "",
                _ => new FixedWindowRateLimiterOptions { PermitLimit = 60, Window = TimeSpan.FromMinutes(1) }
            )
    );
});
builder.Services.ConfigureHttpJsonOptions(options => PlanJson.Configure(options.SerializerOptions));
builder
    .Services.AddSignalR(options => options.MaximumReceiveMessageSize = 1024 * 1024)
    .AddJsonProtocol(options => PlanJson.Configure(options.PayloadSerializerOptions));
builder.Services.AddOpenApi();
builder.Services.AddSingleton<Wellsedes.Server.Features.Catalogue.PlanCatalogue>();
builder.Services.AddMemoryCache();
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddSingleton<SignIns>();
builder.Services.AddSingleton<FirstAccount>();
builder.Services.AddSingleton<Roles>();

// A gap in the table of edits keeps the server from starting.
builder.Services.AddSingleton(Wellsedes.Core.Editing.EditKinds.Shipped);
builder.Services.AddSingleton(Wellsedes.Formats.Writers.Writers.Shipped);
builder.Services.AddSingleton(Wellsedes.Formats.Writers.SheetKinds.Shipped);
builder.Services.AddSingleton<Followers>();
builder.Services.AddSingleton<OpenPlans>();
builder.Services.AddSingleton<PlanPictures>();
builder.Services.AddSingleton<WorkLimit>();
builder.Services.AddSingleton<IWorkKind, SheetSet>();
builder.Services.AddSingleton<IWorkKind, PictureWork>();
builder.Services.AddSingleton<IWorkKind, PictureSet>();
builder.Services.AddSingleton<BackgroundWork>();
builder.Services.AddHostedService<IdlePlans>();
builder.Services.AddHostedService<Rehearsal>();
builder.Services.AddSingleton<SimulatedMeter>();
builder.Services.AddHostedService(services => services.GetRequiredService<SimulatedMeter>());
builder.Services.AddSingleton(services => new PlanStore(
    services.GetRequiredService<IDbContextFactory<WellsedesContext>>(),
    PlanJson.Options,
    Shipped.Library
));
builder.Services.AddSingleton(services => new BookStore(
    services.GetRequiredService<IDbContextFactory<WellsedesContext>>(),
    PlanJson.Options
));
if (!args.Contains("--describe"))
    builder.Services.AddHostedService<BinEmptier>();
builder.WebHost.ConfigureKestrel(options => options.Limits.MaxRequestBodySize = PlanFiles.LargestFile);

var app = builder.Build();
app.UseExceptionHandler(errors => errors.Run(Failure.AnswerAsync));
app.UseSecurityHeaders();
app.UseWhen(StaticPages.IsAsked, pages => pages.UseResponseCompression());
app.UseDefaultFiles();
app.UseStaticFiles(StaticPages.Options);
app.UseAuthentication();
app.UseRateLimiter();
app.UseAuthorization();

var api = app.MapGroup("/api").RequireAuthorization().NeedsAntiforgery();
api.MapAccounts();
api.MapProjects();
api.MapPlanShelf();
api.MapLibrary();
api.MapMyLibrary();
api.MapLibraryRenewal();
api.MapCatalogue();
api.MapRulebooks();
api.MapProjectBooks();
api.MapLastIssued();
api.MapPlanCatalogue();
api.MapOutlines();
api.MapCutouts();
api.MapPlans();
api.MapPictures();
api.MapMeter();
api.MapSheets();
api.MapModels();
api.MapTaken();
app.MapHub<PlanHub>("/live");
app.MapGet("/health", () => "well").AllowAnonymous();
app.MapFallbackToFile("index.html", StaticPages.Options).AllowAnonymous();
if (args.Contains("--describe"))
    app.MapOpenApi("/openapi.json").AllowAnonymous();

if (!args.Contains("--describe"))
{
    await using (var scope = app.Services.CreateAsyncScope())
        await scope.ServiceProvider.GetRequiredService<WellsedesContext>().Database.MigrateAsync();
    if (app.Configuration["WELLSEDES_DEMO"] is { } demo)
        await DemoSeed.SeedAsync(app.Services, demo);
    await using (var scope = app.Services.CreateAsyncScope())
        if (
            await app.Services.GetRequiredService<FirstAccount>().OpenAsync(scope.ServiceProvider.GetRequiredService<WellsedesContext>()) is
            { } token
        )
            app.Lifetime.ApplicationStarted.Register(() =>
                Console.WriteLine($"Nobody has an account here yet. Make the first one at {app.Urls.FirstOrDefault()}/#/first/{token}")
            );
}
app.Run();

static Task Answer(HttpResponse response, int status)
{
    response.StatusCode = status;
    return Task.CompletedTask;
}

/// <summary>What is said when something fails that nobody asked for.</summary>
internal static class Failure
{
    private const string Unreachable =
        "The database cannot be reached. Nothing was changed; what was saved is safe. Try again in a moment.";
    private const string DiskFull = "The disk of the server is full. Nothing was changed; what was saved is safe. Make room and try again.";

    private static T? Innermost<T>(Exception? error)
        where T : Exception
    {
        T? found = null;
        for (; error is not null; error = error.InnerException)
            found = error as T ?? found;
        return found;
    }

    public static Task AnswerAsync(HttpContext context)
    {
        var error = context.Features.Get<IExceptionHandlerFeature>()?.Error;
        var (status, message) = error switch
        {
            PlanGoneException gone => (404, gone.Message),
            PlanFaultException wrong => (409, $"The plan is open for reading only: {wrong.Message}"),
            PlanInDoubtException or PlanRevisionClashException => (
                503,
                "The plan was changed elsewhere at the same moment and is being read again; try again in a moment."
            ),
            BadHttpRequestException bad => (bad.StatusCode, "The request could not be read: " + bad.Message),
            IOException { HResult: 28 or unchecked((int)0x80070070) } => (507, DiskFull),
            not null when Innermost<Npgsql.PostgresException>(error) is { } said => said.SqlState switch
            {
                "53100" => (507, DiskFull),
                "53200" or "53300" or "53400" => (503, "The database is too busy just now. Nothing was changed; try again in a moment."),
                "57P01" or "57P02" or "57P03" => (503, Unreachable),
                "22001" => (422, "A text is longer than what it is kept in. Nothing was changed; shorten it."),
                _ => (500, "The database refused this. Nothing was changed."),
            },
            not null when Innermost<Npgsql.NpgsqlException>(error) is not null => (503, Unreachable),
            TimeoutException => (503, Unreachable),
            _ => (500, "Something went wrong on the server. Nothing was changed."),
        };
        return Results.Problem(message, statusCode: status).ExecuteAsync(context);
    }
}

/// <summary>Names the program for tests that start it.</summary>
public partial class Program;
