namespace Wellsedes.Core.Plans;

/// <summary>
/// The wall types every plan offers in its own units; a plan's own are entities beside them, and those of the other units are
/// known too. Sizes are house values, common practice: a stud of 2x4 is 3 1/2 in, one of 2x6 is 5 1/2 in, with 1/2 in of board
/// on either side 4 1/2 and 6 1/2 in.
/// </summary>
public static class UsualWallTypes
{
    public static IReadOnlyList<WallType> Metric { get; } =
    [
        new("usual-masonry-300", "Masonry 300", WallKind.Masonry, 300, 2700),
        new("usual-masonry-200", "Masonry 200", WallKind.Masonry, 200, 2700),
        new("usual-stud-100", "Stud 100", WallKind.Stud, 100, 2700),
        new("usual-stud-70", "Stud 70", WallKind.Stud, 70, 2700),
        new("usual-half-height-100", "Half height 100", WallKind.HalfHeight, 100, 1200),
        new("usual-glass-60", "Glass 60", WallKind.Glass, 60, 2700),
        new("usual-movable-80", "Movable 80", WallKind.Movable, 80, 2700),
    ];

    public static IReadOnlyList<WallType> InFeet { get; } =
    [
        new("usual-masonry-9in", "Masonry 9\"", WallKind.Masonry, 9 * Inch, EightFeet),
        new("usual-masonry-6in", "Masonry 6\"", WallKind.Masonry, 6 * Inch, EightFeet),
        new("usual-partition-5in", "Partition 5\"", WallKind.Stud, 5 * Inch, EightFeet),
        new("usual-partition-4in", "Partition 4 1/2\"", WallKind.Stud, 4.5 * Inch, EightFeet),
        new("usual-stud-2x4", "Stud 2x4, bare", WallKind.Stud, 3.5 * Inch, EightFeet),
        new("usual-stud-2x6", "Stud 2x6, bare", WallKind.Stud, 5.5 * Inch, EightFeet),
        new("usual-half-height-5in", "Half height 5\"", WallKind.HalfHeight, 5 * Inch, 48 * Inch),
        new("usual-glass-2in", "Glass 2 1/2\"", WallKind.Glass, 2.5 * Inch, EightFeet),
        new("usual-movable-3in", "Movable 3\"", WallKind.Movable, 3 * Inch, EightFeet),
    ];

    private const double Inch = 25.4;
    private const double EightFeet = 96 * Inch;

    /// <summary>A wall type by its name, the plan's own before the usual ones; null when there is none.</summary>
    public static WallType? Find(Plan plan, string name) =>
        plan.All<WallType>()
            .Concat(Metric)
            .Concat(InFeet)
            .FirstOrDefault(wallType => wallType.Name.Equals(name, StringComparison.OrdinalIgnoreCase));
}
