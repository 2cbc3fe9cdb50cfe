using Wellsedes.Core.Geometry;
using Wellsedes.Core.Seating;

namespace Wellsedes.Core.Tests.Seating;

/// <summary>Fills by lattices: the counts of nine halls, hand-computed rooms, and places that keep their distances.</summary>
public sealed class FillingTests
{
    private static FillAsked Asked(Halls.Hall hall) => new(Halls.Ring + Halls.Gap, Halls.Ring + Halls.Gap, hall.Turns);

    public static TheoryData<string> Names => [.. Halls.All.Select(hall => hall.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public void The_halls_hold_what_the_measured_design_reached(string name)
    {
        var hall = Halls.All.Single(one => one.Name == name);
        var square = Filling.Fullest(hall.Region, Asked(hall), LatticeKind.Square)!;
        var staggered = Filling.Fullest(hall.Region, Asked(hall), LatticeKind.Staggered)!;
        Assert.True(
            square.Count >= hall.Square && staggered.Count >= hall.Staggered,
            $"{square.Count} square of {hall.Square}, {staggered.Count} staggered of {hall.Staggered}"
        );
        foreach (var fill in (LatticeFill[])[square, staggered])
            Keeps(hall.Region, fill, Halls.Ring + Halls.Gap);
    }

    private static void Keeps(CentreRegion region, LatticeFill fill, double apart)
    {
        Point[] places = [.. fill.Places];
        Assert.All(places, p => Assert.True(region.Holds(p), $"{p} is outside"));
        for (var i = 0; i < places.Length; i++)
        for (var j = i + 1; j < places.Length; j++)
            Assert.True(places[i].DistanceTo(places[j]) >= apart - 0.01, $"{places[i]} and {places[j]}");
    }
}
