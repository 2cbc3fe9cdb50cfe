using System.Collections.Immutable;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Planning;

/// <summary>What is said when nobody gets into a plan, or onto one of its levels: once, instead of once for every chair.</summary>
internal static class WaysIn
{
    public static IEnumerable<Finding> Findings(IReadOnlyList<LevelState> levels)
    {
        var asked = levels.Where(level => IsAsked(level) && !level.Walkways.IsEntered).ToArray();
        if (asked.Length == 0)
            return [];
        if (levels.All(level => !level.Walkways.IsEntered))
            return [Finder.NoEntrance(IsBetweenRooms(levels))];
        return asked.Select(level => Finder.NoWayOnto(level.Space.Level));
    }

    /// <summary>The ways a level is told about: those that are found, and the drawn ones that are narrower than they must be.</summary>
    public static IReadOnlyList<Way> ToTell(LevelState level) =>
        [.. level.Walkways.IsEntered ? level.Walkways.Ways : [], .. TooNarrow(level)];

    /// <summary>A drawn way that is free tells only of its own width, and so of nothing that could be the narrowest.</summary>
    private static IEnumerable<Way> TooNarrow(LevelState level) => level.Drawn.Where(way => !way.Holds);

    /// <summary>Of the ways that are told about the narrowest for what it needs.</summary>
    public static Way? Narrowest(IReadOnlyCollection<LevelState> levels) =>
        Way.NarrowestOf(
            levels
                .Where(level => level.Walkways.IsEntered)
                .SelectMany(level => level.Walkways.Parts)
                .Select(part => part.Narrowest)
                .OfType<Way>()
                .Concat(levels.SelectMany(TooNarrow))
        );

    private static bool IsAsked(LevelState level) =>
        level.Walkways.Scene.Parts.Any(part => !part.IsRoom && part.Targets.Any(target => target.Kind != TargetKind.Flight));

    /// <summary>The name of an entrance that leads from one room to another, and so from nowhere outside.</summary>
    private static string? IsBetweenRooms(IEnumerable<LevelState> levels) =>
        levels
            .SelectMany(level => level.Space.Openings)
            .Where(place => place.Opening.IsEntrance)
            .Select(place => ShellScene.NameOf(place.Opening))
            .FirstOrDefault();
}
