namespace Wellsedes.Server.SimulatedDevices;

public static class MeterEndpoints
{
    public static void MapMeter(this RouteGroupBuilder api) => api.MapGet("/meter/surveys", () => Survey.Shipped).WithName("surveys");
}
