using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>What the ways to the seats and tables of a fill are.</summary>
/// <param name="Narrowest">Of the ways to them the narrowest, in mm; null where nobody gets in or there is no way to anything of it.</param>
/// <param name="Unreached">How many of them are not reached over the width they need, exits that lose their way among them.</param>
public sealed record FillWays(double? Narrowest, int Unreached)
{
    /// <param name="own">The ids of what the fill holds.</param>
    public static FillWays Of(WalkwayAnalysis walkways, IReadOnlySet<string> own)
    {
        Way[] ways = walkways.IsEntered
            ? [.. walkways.Ways.Where(way => own.Contains(way.Target.OwnerId) || way.Target.Kind == TargetKind.Exit)]
            : [];
        double[] widths = [.. ways.Where(way => way.Target.Kind != TargetKind.Exit).Select(way => way.Width)];
        return new FillWays(widths.Length > 0 ? widths.Min() : null, ways.Count(way => !way.Holds));
    }
}
