namespace Wellsedes.Server.Tests;

/// <summary>Tests that have a server of their own, over a database of its own with the demo in it.</summary>
public abstract class HouseTests(Cluster cluster) : IAsyncLifetime
{
    protected Cluster Cluster { get; } = cluster;

    /// <summary>Set anew by a test that starts the server again.</summary>
    protected House House { get; set; } = null!;

    public async ValueTask InitializeAsync() => House = new House(await Cluster.NewDatabaseAsync());

    public ValueTask DisposeAsync()
    {
        GC.SuppressFinalize(this);
        return House.DisposeAsync();
    }
}
