using System.Text.Json;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Walkways;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Writers;

namespace Wellsedes.Cli;

/// <summary>Prints the tally and the findings of a plan file.</summary>
internal static class ProveCommand
{
    public static int Run(string[] args)
    {
        var arguments = new Arguments(args, ["--scheme", "--level", "--books", "--out"], ["--json"]);
        var books = arguments.Value("--books")?.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var state = OpenedPlan.Read(arguments.File, arguments.Value("--scheme"), arguments.Value("--level"), books);
        if (arguments.Value("--out") is { } path)
        {
            var on = DateOnly.FromDateTime(DateTime.Today);
            var request = new SheetRequest(state, state.Sheet(), state.Plan.Details.Title, "", "Draft", on);
            OutFile.Write(path, SheetKinds.Shipped.Compose("report", request).Document);
            Console.WriteLine($"{path}: report of {state.Findings.Length} findings");
            return Code(state, books);
        }
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
                        Books = state.Plan.Books.Shelf.Books.Select(book => new { book.Id, book.Name }),
                        state.Loads,
                        state.Proof.Exits,
                        state.Proof.Holds,
                        state.Findings,
                    },
                    PlanJson.Indented
                )
            );
            return Code(state, books);
        }
        Console.WriteLine(state.Plan.Details.Title);
        foreach (var line in TallyLines.Of(state.Tally, state.Plan.Details.Units))
            Console.WriteLine($"  {line.Name, -26} {line.Value} {line.Rest}".TrimEnd());
        foreach (var load in state.Loads)
            Console.WriteLine(
                $"  {load.Name, -26} {(load.Unjudged.Length > 0 ? load.Unjudged : $"{load.People:0} people ({load.Working}; {load.Seats} seats)")}"
            );
        foreach (var exit in state.Proof.Exits)
            Console.WriteLine(
                $"  {exit.Name, -26} {(exit.Shut ? "shut" : $"{exit.People:0} leave by it{(exit.Holds is { } holds ? $", wide enough for {holds:0} ({exit.Source})" : "")}")}"
            );
        Console.WriteLine(state.Findings.Length == 0 ? "No findings." : $"{state.Findings.Length} findings:");
        foreach (var finding in state.Findings)
            Console.WriteLine(
                $"  {(finding.Accepted is null ? Weights.GetValueOrDefault(finding.Weight, "unjudged") : "accepted"), -8}  {finding.Title}{Figures(finding)}"
            );
        return Code(state, books);
    }

    private static readonly Dictionary<FindingWeight, string> Weights = new()
    {
        [FindingWeight.Must] = "must",
        [FindingWeight.Advise] = "advise",
    };

    /// <summary>Held against books: 3 where something must be mended, 4 where something could not be judged, else 0. Without books always 0.</summary>
    private static int Code(PlanState state, string[]? books) =>
        books is null ? 0
        : state.Findings.Any(finding => finding.IsOpen) ? 3
        : state.Findings.Any(finding => finding.Weight == FindingWeight.Unjudged) ? 4
        : 0;

    private static string Figures(Finding finding) =>
        finding switch
        {
            { MeasuredText: "" } => "",
            { Kind: FindingKind.Walkway } => $": {finding.MeasuredText} clear, {finding.NeededText} needed ({finding.Source})",
            { Kind: FindingKind.Rule } => $": {finding.MeasuredText}, {finding.NeededText} by {finding.RuleId} ({finding.Source})",
            _ => "",
        };
}
