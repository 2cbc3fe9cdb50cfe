using System.Text.Json;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Walkways;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Cli;

/// <summary>Prints the tally and the findings of a plan file.</summary>
internal static class ProveCommand
{
    public static int Run(string[] args)
    {
        var arguments = new Arguments(args, ["--scheme", "--level"], ["--json"]);
        var state = OpenedPlan.Read(arguments.File, arguments.Value("--scheme"), arguments.Value("--level"));
        if (arguments.Has("--json"))
        {
            Console.WriteLine(
                JsonSerializer.Serialize(
                    new
                    {
                        state.Plan.Details.Title,
                        Scheme = state.Plan.Find<Scheme>(state.SchemeId)!.Name,
                        state.Tally,
                        Areas = state.Levels.Select(level => new
                        {
                            LevelId = level.Space.LevelId,
                            Level = level.Space.Level.Name,
                            level.Space.Floor.Areas.NetInternal,
                            level.Space.Floor.Areas.GrossInternal,
                            level.Space.Floor.Areas.GrossExternal,
                        }),
                        Zones = state.Levels.SelectMany(level => level.Areas),
                        Ways = state.Levels.SelectMany(level =>
                            level.Walkways.Ways.Select(way => new
                            {
                                LevelId = level.Space.LevelId,
                                TargetId = way.Target.OwnerId,
                                Target = way.Target.Name,
                                way.Target.Kind,
                                Seat = way.Target.Kind == TargetKind.Seat ? way.Target.Index + 1 : (int?)null,
                                way.Width,
                                way.Target.Needed,
                                Pinch = way.Pinch is { } pinch
                                    ? new
                                    {
                                        A = new
                                        {
                                            Id = pinch.A.OwnerId,
                                            pinch.A.Name,
                                            At = pinch.OnA,
                                        },
                                        B = new
                                        {
                                            Id = pinch.B.OwnerId,
                                            pinch.B.Name,
                                            At = pinch.OnB,
                                        },
                                        pinch.Width,
                                    }
                                    : null,
                            })
                        ),
                        state.Findings,
                    },
                    PlanJson.Indented
                )
            );
            return 0;
        }
        Console.WriteLine(state.Plan.Details.Title);
        foreach (var line in TallyLines.Of(state.Tally, state.Plan.Details.Units))
            Console.WriteLine($"  {line.Name, -22}{line.Value} {line.Rest}".TrimEnd());
        Console.WriteLine(state.Findings.Length == 0 ? "No findings." : $"{state.Findings.Length} findings:");
        foreach (var finding in state.Findings)
            Console.WriteLine(
                $"  {(finding.Weight == Core.Findings.FindingWeight.Must ? "must  " : "advise")}  {finding.Title}{Figures(finding)}"
            );
        return 0;
    }

    private static string Figures(Core.Findings.Finding finding) =>
        finding.MeasuredText.Length > 0 && finding.Kind == Core.Findings.FindingKind.Walkway
            ? $": {finding.MeasuredText} clear, {finding.NeededText} needed ({finding.Source})"
            : "";
}
