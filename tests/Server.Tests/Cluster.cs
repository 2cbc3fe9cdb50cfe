using System.Diagnostics;
using System.Runtime.CompilerServices;
using Npgsql;

[assembly: AssemblyFixture(typeof(Wellsedes.Server.Tests.Cluster))]

namespace Wellsedes.Server.Tests;

/// <summary>A real PostgreSQL of the tests' own, on loopback, stopped and removed at the end.</summary>
public sealed class Cluster : IAsyncLifetime
{
    private readonly Lazy<Task<string>> template;

    private readonly string folder = Directory.CreateTempSubdirectory("wellsedes-server-tests-").FullName;

    public Cluster()
    {
        template = new Lazy<Task<string>>(MakeTemplateAsync);
    }

    public static string Root { get; } = Find();
    public string Server { get; private set; } = "";

    public ValueTask InitializeAsync()
    {
        File.SetUnixFileMode(folder, (UnixFileMode)Convert.ToInt32("755", 8));
        Server = Start();
        return ValueTask.CompletedTask;
    }

    public ValueTask DisposeAsync()
    {
        Run("stop");
        Directory.Delete(folder, true);
        return ValueTask.CompletedTask;
    }

    public string Start() => Run("start").Trim();

    /// <summary>Pulls the plug: no shutdown, no flush.</summary>
    public void Crash() => Run("crash");

    /// <summary>A connection string for a database nobody else uses; there is none under its name yet.</summary>
    public string NoDatabase() => Named($"test_{Guid.NewGuid():N}");

    /// <summary>A database nobody else uses, as a server leaves it that was started with the demo: a copy of one that was made once.</summary>
    public async Task<string> NewDatabaseAsync()
    {
        var of = await template.Value;
        var copy = $"test_{Guid.NewGuid():N}";
        await using var server = new NpgsqlConnection(Server);
        await server.OpenAsync();
        await using var make = new NpgsqlCommand($"CREATE DATABASE {copy} TEMPLATE {of} STRATEGY FILE_COPY", server);
        await make.ExecuteNonQueryAsync();
        return Named(copy);
    }

    private string Named(string database) =>
        new NpgsqlConnectionStringBuilder(Server) { Database = database, Timeout = 5 }.ConnectionString;

    private async Task<string> MakeTemplateAsync()
    {
        const string name = "template_demo";
        await using var first = new House(Named(name));
        _ = first.Server;
        return name;
    }

    private string Run(string command)
    {
        var start = new ProcessStartInfo(Path.Combine(Root, "tools", "postgres"), [command, folder]) { RedirectStandardOutput = true };
        // What the machine itself would lose is no matter here; what a process loses that is killed is, and stays true.
        start.Environment["WELLSEDES_POSTGRES"] = "-c fsync=off";
        using var process = Process.Start(start)!;
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return process.ExitCode == 0 ? output : throw new InvalidOperationException($"tools/postgres {command} failed.");
    }

    private static string Find([CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "..", ".."));
}
