using System.Diagnostics;
using System.Net.Sockets;
using System.Text.Json.Nodes;
using Wellsedes.Core.Editing;

namespace Wellsedes.Bench;

/// <summary>
/// The server, and the database, killed without warning again and again while three people edit. They do what the front end
/// does: send again under the same name until it is answered. In the end every edit is there once.
/// </summary>
internal static class Kills
{
    private const int Editors = 3;

    public static async Task RunAsync(int serverKills, int databaseKills, int seed)
    {
        var folder = Directory.CreateTempSubdirectory("wellsedes-kills-").FullName;
        if (!OperatingSystem.IsWindows())
            File.SetUnixFileMode(folder, (UnixFileMode)Convert.ToInt32("755", 8));
        var database = Postgres("start", folder).Trim().Replace("Database=postgres", "Database=kills", StringComparison.Ordinal);
        var address = new Uri($"http://127.0.0.1:{FreePort()}");
        var server = Start(database, folder, address);
        try
        {
            using var owner = new Person(address);
            await UntilAsync(owner.SignInAsync);
            var plan = await owner.AddAsync(Halls.Rows(200));
            var random = new Random(seed);
            using var over = new CancellationTokenSource();
            var editing = Enumerable.Range(0, Editors).Select(i => EditAsync(address, plan, $"chair-{i + 1}", over.Token)).ToArray();
            var watch = Stopwatch.StartNew();
            for (var kill = 0; kill < serverKills + databaseKills; kill++)
            {
                await Task.Delay(random.Next(50, 1500));
                if (kill % 3 == 2 && kill / 3 < databaseKills || kill >= serverKills * 3 / 2)
                {
                    Postgres("crash", folder);
                    await Task.Delay(random.Next(0, 400));
                    Postgres("start", folder);
                }
                else
                {
                    server.Kill();
                    await server.WaitForExitAsync();
                    server = Start(database, folder, address);
                }
                // The plan opens, whole.
                await UntilAsync(async () =>
                {
                    var opened = await owner.OpenAsync(plan);
                    if (opened["fault"] is not null)
                        throw new InvalidDataException($"After kill {kill + 1} the plan has a fault: {opened["fault"]}");
                });
                Console.Error.WriteLine($"kill {kill + 1}: the plan opens, {watch.Elapsed.TotalSeconds:0} s");
            }
            await over.CancelAsync();
            var made = await Task.WhenAll(editing);
            var items = (await owner.OpenAsync(plan))["entities"]!.AsArray();
            for (var i = 0; i < Editors; i++)
            {
                var moved = Moved(items, $"chair-{i + 1}");
                if (Math.Abs(moved - made[i]) > 1e-6)
                    throw new InvalidDataException($"Editor {i + 1} made {made[i]} edits, the plan has {moved}.");
            }
            Console.WriteLine(
                $"{serverKills} kills of the server, {databaseKills} of the database | {made.Sum()} edits acknowledged by {Editors} editors, each there once; the plan opened after every kill | {watch.Elapsed.TotalSeconds:0} s"
            );
        }
        finally
        {
            server.Kill();
            Postgres("stop", folder);
            Directory.Delete(folder, true);
        }
    }

    /// <summary>How far a chair is up from where it began, in mm: one for each edit.</summary>
    private static double Moved(JsonArray items, string id)
    {
        var began = Halls.Rows(200).Find<Core.Plans.Item>(id)!.Y;
        return (double)items.First(item => (string)item!["id"]! == id)!["y"]! - began;
    }

    private static async Task<int> EditAsync(Uri address, Guid plan, string id, CancellationToken over)
    {
        using var person = new Person(address);
        await UntilAsync(person.SignInAsync);
        var made = 0;
        while (!over.IsCancellationRequested)
        {
            var request = Guid.NewGuid();
            await UntilAsync(async () => (await person.EditAsync(plan, new MoveItems([id], 0, 1), request)).EnsureSuccessStatusCode());
            made++;
        }
        return made;
    }

    /// <summary>Again until it is done; a plan with a fault is no matter of waiting.</summary>
    private static async Task UntilAsync(Func<Task> work)
    {
        for (var tries = 0; ; tries++)
        {
            try
            {
                await work();
                return;
            }
            catch (Exception e) when (e is HttpRequestException or TaskCanceledException && tries < 600)
            {
                await Task.Delay(100);
            }
        }
    }

    private static Process Start(string database, string folder, Uri address)
    {
        var start = new ProcessStartInfo(
            "dotnet",
            [Path.GetFullPath("src/Wellsedes.Server/bin/Release/net10.0/Wellsedes.Server.dll"), "--urls", address.ToString()]
        )
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        start.Environment["WELLSEDES_DATABASE"] = $"{database};Timeout=5";
        start.Environment["WELLSEDES_DATA"] = folder;
        start.Environment["WELLSEDES_DEMO"] = Path.GetFullPath("demo");
        start.Environment["ASPNETCORE_CONTENTROOT"] = Path.GetFullPath("src/Wellsedes.Server");
        var process = Process.Start(start)!;
        process.OutputDataReceived += (_, _) => { };
        process.ErrorDataReceived += (_, _) => { };
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        return process;
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(System.Net.IPAddress.Loopback, 0);
        listener.Start();
        return ((System.Net.IPEndPoint)listener.LocalEndpoint).Port;
    }

    private static string Postgres(string command, string folder)
    {
        var start = new ProcessStartInfo("tools/postgres", [command, folder]) { RedirectStandardOutput = true };
        using var process = Process.Start(start)!;
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return process.ExitCode == 0 ? output : throw new InvalidOperationException($"tools/postgres {command} failed.");
    }
}
