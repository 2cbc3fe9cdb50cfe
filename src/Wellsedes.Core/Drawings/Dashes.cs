using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Drawings;

/// <summary>Cuts paths into dashes, so that writers need no dash effects of their own.</summary>
public static class Dashes
{
    /// <summary>The path as dashes of a length with gaps of a length, in mm.</summary>
    public static PathShape Cut(PathShape path, double dash, double gap)
    {
        var steps = ImmutableArray.CreateBuilder<PathStep>();
        foreach (var line in Flatten(path))
        {
            var on = true;
            var left = dash;
            steps.Add(new PathStep(PathStepKind.Move, line[0]));
            for (var i = 1; i < line.Count; i++)
            {
                var at = line[i - 1];
                var rest = at.DistanceTo(line[i]);
                var direction = (line[i] - at).Unit();
                while (rest > left)
                {
                    at += direction * left;
                    rest -= left;
                    steps.Add(new PathStep(on ? PathStepKind.Line : PathStepKind.Move, at));
                    on = !on;
                    left = on ? dash : gap;
                }
                left -= rest;
                steps.Add(new PathStep(on ? PathStepKind.Line : PathStepKind.Move, line[i]));
            }
        }
        return new PathShape(steps.ToImmutable());
    }

    /// <summary>The path as runs of points; curves in twelve parts.</summary>
    public static List<List<Point>> Flatten(PathShape path)
    {
        List<List<Point>> runs = [];
        foreach (var step in path.Steps)
            switch (step.Kind)
            {
                case PathStepKind.Move:
                    runs.Add([step.End]);
                    break;
                case PathStepKind.Cubic:
                    var from = runs[^1][^1];
                    for (var i = 1; i <= 12; i++)
                    {
                        var t = i / 12.0;
                        var u = 1 - t;
                        runs[^1]
                            .Add(
                                from * (u * u * u)
                                    + step.Control1 * (3 * u * u * t)
                                    + step.Control2 * (3 * u * t * t)
                                    + step.End * (t * t * t)
                            );
                    }
                    break;
                default:
                    runs[^1].Add(step.Kind == PathStepKind.Close ? runs[^1][0] : step.End);
                    break;
            }
        return runs;
    }
}
