using System.Collections.Immutable;

namespace Wellsedes.Core.Plans;

/// <summary>What openings of a kind are called, which widths make sense and which are offered, in mm.</summary>
/// <param name="Lost">What leaf, frame and hinges take from the cut for each leaf.</param>
public sealed record OpeningSize(
    OpeningKind Kind,
    string Name,
    double Narrowest,
    double Widest,
    ImmutableArray<double> Offered,
    ImmutableArray<double> OfferedInFeet,
    double Height,
    double Sill,
    double Lost,
    int Leaves
);

/// <summary>
/// Sizes of openings. Offered widths, in whole inches for plans in feet (2'6", 2'8", 3'0" for a door), are structural openings, common practice; what a leaf takes from the clear width
/// is a house value: an open leaf stands in its own opening, a sliding or pocket leaf keeps its handle out of the wall.
/// </summary>
public static class OpeningSizes
{
    public static ImmutableArray<OpeningSize> All { get; } =
    [
        new(OpeningKind.SingleDoor, "a single door", 500, 1500, [810, 910, 1010, 1110], Inches(30, 32, 36, 42), 2100, 0, 50, 1),
        new(OpeningKind.DoubleDoor, "a double door", 900, 3600, [1510, 1810, 1900, 2110], Inches(60, 64, 72, 84), 2100, 0, 50, 2),
        new(OpeningKind.SlidingDoor, "a sliding door", 500, 6000, [900, 1000, 1200], Inches(32, 36, 48), 2100, 0, 60, 1),
        new(OpeningKind.FoldingDoor, "a folding door", 500, 6000, [800, 1200, 1800], Inches(32, 48, 72), 2100, 0, 100, 1),
        new(OpeningKind.PocketDoor, "a pocket door", 500, 3000, [800, 900, 1000], Inches(30, 32, 36), 2100, 0, 60, 1),
        new(OpeningKind.Window, "a window", 200, 12_000, [600, 900, 1200, 1800], Inches(24, 36, 48, 72), 1400, 900, 0, 0),
        new(OpeningKind.Gap, "an opening", 300, 30_000, [900, 1200, 1800], Inches(36, 48, 72), 2100, 0, 0, 0),
    ];

    private static ImmutableArray<double> Inches(params double[] inches) => [.. inches.Select(inch => inch * 25.4)];

    public static OpeningSize Of(OpeningKind kind) => All.First(size => size.Kind == kind);

    /// <summary>What can be walked through: the cut less what each leaf takes.</summary>
    public static double UsualClearWidth(Opening opening)
    {
        var size = Of(opening.Kind);
        return Math.Max(1, opening.Width - size.Leaves * size.Lost);
    }
}
