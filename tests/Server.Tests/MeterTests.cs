using System.Net;
using System.Net.Sockets;
using System.Text;
using Wellsedes.Server.SimulatedDevices;

namespace Wellsedes.Server.Tests;

/// <summary>The simulated distance meter and the link to it over a local socket.</summary>
public sealed class MeterTests
{
    [Fact]
    public async Task It_says_that_it_is_simulated_and_sends_its_survey_one_press_at_a_time()
    {
        using var meter = new SimulatedMeter();
        await meter.StartAsync(CancellationToken.None);
        await using var link = new MeterLink(meter.Port);
        await link.LoadAsync(0, CancellationToken.None);
        Assert.Contains("simulated", link.Greeting);
        foreach (var side in Survey.Shipped[0].Sides)
            Assert.Equal(side.Length, await link.PressAsync(CancellationToken.None));
        Assert.Null(await link.PressAsync(CancellationToken.None));
        await Assert.ThrowsAsync<IOException>(() => link.LoadAsync(99, CancellationToken.None));
        await meter.StopAsync(CancellationToken.None);
    }

    [Fact]
    public void Every_scripted_survey_closes()
    {
        foreach (var survey in Survey.Shipped)
        {
            var (x, y) = (0.0, 0.0);
            foreach (var side in survey.Sides)
            {
                var length = Core.Units.LengthText.Read(side.Length, Core.Units.UnitSystem.Metric).Value!.Value;
                var (sin, cos) = Core.Geometry.Angles.SinCos(side.Turn);
                (x, y) = (x + length * cos, y + length * sin);
            }
            Assert.Equal(0, Math.Abs(x) + Math.Abs(y), 1e-6);
        }
    }

    [Theory]
    [InlineData("LENGTH -4 m\n")]
    [InlineData("LENGTH nonsense\n")]
    [InlineData("<script>\n")]
    [InlineData("LENGTH 4 m and a line that never seems to end, on and on and on, past all that a meter would ever say\n")]
    [InlineData("")]
    public async Task A_meter_that_sends_nonsense_is_not_believed(string line)
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        var serving = Task.Run(async () =>
        {
            using var client = await listener.AcceptTcpClientAsync();
            var stream = client.GetStream();
            await stream.WriteAsync(Encoding.UTF8.GetBytes("METER 9\n" + line));
            await stream.ReadAtLeastAsync(new byte[100], 1, false);
        });
        await using var link = new MeterLink(((IPEndPoint)listener.LocalEndpoint).Port);
        await Assert.ThrowsAsync<IOException>(() => link.PressAsync(CancellationToken.None));
        await serving;
    }
}
