namespace Wellsedes.Core.Plans;

/// <summary>The wall types every plan offers; a plan's own are entities beside them. Sizes are house values, common practice.</summary>
public static class UsualWallTypes
{
    public static IReadOnlyList<WallType> All { get; } =
    [
        new("usual-masonry-300", "Masonry 300", WallKind.Masonry, 300, 2700),
        new("usual-masonry-200", "Masonry 200", WallKind.Masonry, 200, 2700),
        new("usual-stud-100", "Stud 100", WallKind.Stud, 100, 2700),
        new("usual-stud-70", "Stud 70", WallKind.Stud, 70, 2700),
        new("usual-half-height-100", "Half height 100", WallKind.HalfHeight, 100, 1200),
        new("usual-glass-60", "Glass 60", WallKind.Glass, 60, 2700),
        new("usual-movable-80", "Movable 80", WallKind.Movable, 80, 2700),
    ];

    /// <summary>A wall type by its name, the plan's own before the usual ones; null when there is none.</summary>
    public static WallType? Find(Plan plan, string name) =>
        plan.All<WallType>().Concat(All).FirstOrDefault(wallType => wallType.Name.Equals(name, StringComparison.OrdinalIgnoreCase));
}
