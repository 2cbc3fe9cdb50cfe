namespace Wellsedes.Server.Tests;

/// <summary>A clock that goes as the machine's does, and can be set on; its timers are the machine's.</summary>
public sealed class SetClock : TimeProvider
{
    private TimeSpan ahead;

    public void GoOn(TimeSpan by) => ahead += by;

    public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + ahead;
}
