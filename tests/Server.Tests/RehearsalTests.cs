namespace Wellsedes.Server.Tests;

public class RehearsalTests
{
    /// <summary>15 tables of 8, as the command line fills such a hall: everything was really worked out.</summary>
    [Fact]
    public void A_rehearsal_seats_its_hall() => Assert.Equal(120, Rehearsal.Rehearse(1, TestContext.Current.CancellationToken));

    [Fact]
    public void A_rehearsal_stops_when_it_is_told_to() =>
        Assert.Throws<OperationCanceledException>(() => Rehearsal.Rehearse(1_000_000, new CancellationToken(canceled: true)));
}
