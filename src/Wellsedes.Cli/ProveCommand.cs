using System.Globalization;
using System.Text.Json;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Measure;
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
        foreach (var (name, value) in Rows(state.Tally, state.Plan.Details.Units))
            Console.WriteLine($"  {name, -22}{value}");
        Console.WriteLine(state.Findings.Length == 0 ? "No findings." : $"{state.Findings.Length} findings:");
        foreach (var finding in state.Findings)
            Console.WriteLine(
                $"  {(finding.Weight == Core.Findings.FindingWeight.Must ? "must  " : "advise")}  {finding.Title}{Figures(finding, state)}"
            );
        return 0;
    }

    private static string Figures(Core.Findings.Finding finding, PlanState state) =>
        finding.Kind == Core.Findings.FindingKind.Walkway
            ? $": {LengthText.Write(finding.Measured, state.Plan.Details.Units)} clear, {LengthText.Write(finding.Needed, state.Plan.Details.Units)} needed ({finding.Source})"
            : "";

    private static IEnumerable<(string, string)> Rows(Tally tally, UnitSystem units)
    {
        yield return ("Seats", Of(tally.Seats, tally.SeatsAsked));
        yield return ("Tables", Of(tally.Tables, tally.TablesAsked));
        yield return ("Workstations", Of(tally.Workstations, tally.WorkstationsAsked));
        if (tally.NetArea is { } net)
            yield return ("Net internal area", AreaText.Write(net, units));
        if (tally.AreaPerSeat is { } each)
            yield return ("Area per seat", each.ToString("0.00", CultureInfo.InvariantCulture) + " m²");
        if (tally.Narrowest is { } narrowest)
            yield return (
                "Narrowest walkway",
                $"{LengthText.Write(narrowest.Width, units)} of {LengthText.Write(narrowest.Needed, units)}, to {narrowest.To}"
            );
    }

    private static string Of(int has, int? asked) => asked is { } wanted ? $"{has} of {wanted}" : $"{has}";
}
