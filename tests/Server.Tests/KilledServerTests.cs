using System.Diagnostics;
using System.Net.Sockets;
using Wellsedes.Core.Editing;

namespace Wellsedes.Server.Tests;

/// <summary>The server as a process of its own, killed without warning while somebody edits.</summary>
public sealed class KilledServerTests(Cluster cluster)
{
    [Fact]
    public async Task Every_acknowledged_edit_is_there_after_the_server_was_killed()
    {
        var database = await cluster.NewDatabaseAsync();
        var acknowledged = 0;
        Guid plan;
        using (var server = await RunningServer.StartAsync(database))
        {
            var visitor = new Visitor(server.Client);
            await visitor.SignInAsync(Demo.DemoSeed.OwnerEmail, Demo.DemoSeed.Password);
            plan = await visitor.DemoPlanAsync();
            await visitor.DoAsync(plan, Visitor.Ottoman("counted"));
            // Killed from beside it while edits go on, one of which is under way then.
            var enough = new TaskCompletionSource();
            var killer = Task.Run(async () =>
            {
                await enough.Task;
                server.Kill();
            });
            try
            {
                while (true)
                {
                    var answer = await visitor.EditAsync(plan, new MoveItems(["counted"], 1, 0));
                    answer.EnsureSuccessStatusCode();
                    if (++acknowledged == 25)
                        enough.SetResult();
                }
            }
            catch (HttpRequestException)
            {
                // The server is gone in the middle of an edit.
            }
            await killer;
        }
        Assert.True(acknowledged >= 25, $"only {acknowledged} edits were made before the kill");
        using (var server = await RunningServer.StartAsync(database))
        {
            var visitor = new Visitor(server.Client);
            await visitor.SignInAsync(Demo.DemoSeed.OwnerEmail, Demo.DemoSeed.Password);
            var moved = (await visitor.ItemAsync(plan, "counted"))!.X - 9000;
            // One edit may have been stored without its answer getting out; none may be lost.
            Assert.InRange(moved, acknowledged, acknowledged + 1);
        }
    }

    private sealed class RunningServer : IDisposable
    {
        private readonly Process process;

        public HttpClient Client { get; }

        private RunningServer(Process process, Uri address)
        {
            this.process = process;
            Client = new HttpClient { BaseAddress = address };
        }

        public static async Task<RunningServer> StartAsync(string database)
        {
            using var listener = new TcpListener(System.Net.IPAddress.Loopback, 0);
            listener.Start();
            var port = ((System.Net.IPEndPoint)listener.LocalEndpoint).Port;
            listener.Stop();
            var start = new ProcessStartInfo("dotnet", [typeof(Program).Assembly.Location, "--urls", $"http://127.0.0.1:{port}"]);
            start.Environment["WELLSEDES_DATABASE"] = database;
            start.Environment["WELLSEDES_DEMO"] = Path.Combine(Cluster.Root, "demo");
            start.Environment["ASPNETCORE_CONTENTROOT"] = Path.Combine(Cluster.Root, "src", "Wellsedes.Server");
            var server = new RunningServer(Process.Start(start)!, new Uri($"http://127.0.0.1:{port}"));
            for (var tries = 0; tries < 300; tries++)
            {
                try
                {
                    if ((await server.Client.GetAsync("/health")).IsSuccessStatusCode)
                        return server;
                }
                catch (HttpRequestException)
                {
                    await Task.Delay(100);
                }
            }
            throw new InvalidOperationException("The server did not start.");
        }

        public void Kill()
        {
            process.Kill();
            process.WaitForExit();
        }

        public void Dispose()
        {
            if (!process.HasExited)
                Kill();
            process.Dispose();
            Client.Dispose();
        }
    }
}
