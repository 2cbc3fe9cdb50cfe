using System.Diagnostics;
using System.Runtime.CompilerServices;
using Npgsql;

[assembly: AssemblyFixture(typeof(Wellsedes.Server.Tests.Cluster))]

namespace Wellsedes.Server.Tests;

/// <summary>A real PostgreSQL of the tests' own, on loopback, stopped and removed at the end.</summary>
public sealed class Cluster : IAsyncLifetime
{
    private readonly string folder = Directory.CreateTempSubdirectory("wellsedes-server-tests-").FullName;

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

    /// <summary>A connection string for a database nobody else uses; it is made on first use.</summary>
    public string NewDatabase() =>
        new NpgsqlConnectionStringBuilder(Server) { Database = $"test_{Guid.NewGuid():N}", Timeout = 5 }.ConnectionString;

    private string Run(string command)
    {
        var start = new ProcessStartInfo(Path.Combine(Root, "tools", "postgres"), [command, folder]) { RedirectStandardOutput = true };
        using var process = Process.Start(start)!;
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return process.ExitCode == 0 ? output : throw new InvalidOperationException($"tools/postgres {command} failed.");
    }

    private static string Find([CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "..", ".."));
}
