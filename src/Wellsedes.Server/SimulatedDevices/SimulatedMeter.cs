using System.Net;
using System.Net.Sockets;
using System.Text;
using System.Text.Json;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Server.SimulatedDevices;

/// <summary>One side of a scripted survey: the length as the meter would send it, and the side's heading in degrees.</summary>
public sealed record SurveySide(string Length, double Turn);

/// <summary>A scripted, invented survey of a room.</summary>
public sealed record Survey(string Name, string Note, IReadOnlyList<SurveySide> Sides)
{
    public static IReadOnlyList<Survey> Shipped { get; } = Load();

    private static IReadOnlyList<Survey> Load()
    {
        using var stream = typeof(Survey).Assembly.GetManifestResourceStream("surveys.json")!;
        return JsonSerializer.Deserialize<Survey[]>(stream, PlanJson.Options)!;
    }
}

/// <summary>
/// A stand-in for a hand-locked distance meter, listening on loopback: it measures nothing and says so. A connection
/// is greeted; "SURVEY n" loads a scripted survey; "PRESS" is the button, answered with the next "LENGTH 4.275 m" or
/// "END". Lines end with a line feed and have at most 80 characters.
/// </summary>
public sealed class SimulatedMeter : BackgroundService
{
    public const string Greeting = "METER 1 simulated, for demonstration; it measures nothing";
    private const int LongestLine = 80;
    private const int MostConnections = 50;

    private readonly TcpListener listener = new(IPAddress.Loopback, 0);
    private readonly SemaphoreSlim free = new(MostConnections);

    /// <summary>The port it was given when it started.</summary>
    public int Port { get; private set; }

    public override Task StartAsync(CancellationToken cancellationToken)
    {
        listener.Start();
        Port = ((IPEndPoint)listener.LocalEndpoint).Port;
        return base.StartAsync(cancellationToken);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            await free.WaitAsync(stoppingToken);
            var client = await listener.AcceptTcpClientAsync(stoppingToken);
            _ = ServeAsync(client, stoppingToken);
        }
    }

    public override void Dispose()
    {
        listener.Dispose();
        free.Dispose();
        base.Dispose();
    }

    private async Task ServeAsync(TcpClient client, CancellationToken cancel)
    {
        using var _ = client;
        try
        {
            await using var stream = client.GetStream();
            await SendAsync(stream, Greeting, cancel);
            IReadOnlyList<SurveySide> sides = Survey.Shipped[0].Sides;
            var next = 0;
            while (await ReadLineAsync(stream, cancel) is { } line)
            {
                if (line == "PRESS")
                    await SendAsync(stream, next < sides.Count ? $"LENGTH {sides[next++].Length}" : "END", cancel);
                else if (
                    line.StartsWith("SURVEY ", StringComparison.Ordinal)
                    && int.TryParse(line.AsSpan(7), out var n)
                    && n >= 0
                    && n < Survey.Shipped.Count
                )
                {
                    (sides, next) = (Survey.Shipped[n].Sides, 0);
                    await SendAsync(stream, "READY", cancel);
                }
                else
                    await SendAsync(stream, "UNKNOWN", cancel);
            }
        }
        catch (Exception e) when (e is IOException or SocketException or OperationCanceledException or ObjectDisposedException)
        {
            // The other side hung up, or the server stops: the meter has nothing to lose.
        }
        finally
        {
            free.Release();
        }
    }

    internal static Task SendAsync(Stream stream, string line, CancellationToken cancel) =>
        stream.WriteAsync(Encoding.ASCII.GetBytes(line + "\n"), cancel).AsTask();

    /// <summary>One line; null at the end, or when a line grows too long.</summary>
    internal static async Task<string?> ReadLineAsync(Stream stream, CancellationToken cancel)
    {
        var line = new StringBuilder();
        var one = new byte[1];
        while (await stream.ReadAsync(one, cancel) == 1)
        {
            if (one[0] == '\n')
                return line.ToString().TrimEnd('\r');
            if (line.Length >= LongestLine || one[0] is < 0x20 or > 0x7e && one[0] != '\r')
                return null;
            line.Append((char)one[0]);
        }
        return null;
    }
}

/// <summary>One person's link to the meter over its socket. A meter is not trusted: what it sends is read as a typed length would be.</summary>
public sealed class MeterLink(int port) : IAsyncDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(5);
    private readonly SemaphoreSlim gate = new(1);
    private TcpClient? client;

    /// <summary>What the meter says of itself.</summary>
    public string Greeting { get; private set; } = "";

    /// <summary>Loads a scripted survey.</summary>
    /// <exception cref="IOException">The meter does not answer.</exception>
    public async Task LoadAsync(int survey, CancellationToken cancel)
    {
        if (await AskAsync($"SURVEY {survey}", cancel) != "READY")
            throw new IOException("The meter has no such survey.");
    }

    /// <summary>Presses the meter's button: the length it sends as text, null when it has no more.</summary>
    /// <exception cref="IOException">The meter does not answer, or answers what is no length.</exception>
    public async Task<string?> PressAsync(CancellationToken cancel)
    {
        var line = await AskAsync("PRESS", cancel);
        if (line == "END")
            return null;
        if (!line.StartsWith("LENGTH ", StringComparison.Ordinal))
            throw new IOException("The meter sent something that is no length.");
        var text = line[7..];
        return Core.Units.LengthText.Read(text, Core.Units.UnitSystem.Metric).Value is > 0
            ? text
            : throw new IOException("The meter sent something that is no length.");
    }

    private async Task<string> AskAsync(string question, CancellationToken cancel)
    {
        await gate.WaitAsync(cancel);
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        limit.CancelAfter(Patience);
        try
        {
            if (client is null)
            {
                client = new TcpClient();
                await client.ConnectAsync(IPAddress.Loopback, port, limit.Token);
                Greeting = await SimulatedMeter.ReadLineAsync(client.GetStream(), limit.Token) ?? "";
            }
            await SimulatedMeter.SendAsync(client.GetStream(), question, limit.Token);
            return await SimulatedMeter.ReadLineAsync(client.GetStream(), limit.Token) ?? throw new IOException("The meter hung up.");
        }
        catch (Exception e) when (e is SocketException or OperationCanceledException or IOException && !cancel.IsCancellationRequested)
        {
            client?.Dispose();
            client = null;
            throw e as IOException ?? new IOException("The meter does not answer.", e);
        }
        finally
        {
            gate.Release();
        }
    }

    public ValueTask DisposeAsync()
    {
        client?.Dispose();
        gate.Dispose();
        return ValueTask.CompletedTask;
    }
}
