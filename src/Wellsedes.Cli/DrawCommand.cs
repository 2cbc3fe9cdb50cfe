using System.Globalization;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Formats.Viewing;
using Wellsedes.Formats.Writers;

namespace Wellsedes.Cli;

/// <summary>Draws the sheet of a plan file, or the catalogue's contact sheet when the file is "catalogue".</summary>
internal static class DrawCommand
{
    public static int Run(string[] args)
    {
        var arguments = new Arguments(args, ["--sheet", "--scale", "--out", "--scheme", "--level"], ["--portrait"]);
        var path = arguments.Value("--out") ?? throw new CommandException("Say where to write with --out, for example --out plan.pdf.");
        if (arguments.File == "catalogue")
        {
            var plan = Plan.Of([], Shipped.Library);
            var drawing = ContactSheet.Of(plan, Ratio(arguments.Value("--scale") ?? "1:20"), 482.6);
            OutFile.Write(path, new ExportDocument("catalogue", plan) { Pages = [drawing] });
            return 0;
        }
        var state = OpenedPlan.Read(arguments.File, arguments.Value("--scheme"), arguments.Value("--level"));
        var settings = state.Sheet();
        if (arguments.Value("--sheet") is { } paper)
            settings = settings with
            {
                Paper =
                    Papers.Find(paper)?.Name
                    ?? throw new CommandException(
                        $"\"{paper}\" is no paper size; use one of {string.Join(", ", Papers.All.Select(p => p.Name))}."
                    ),
            };
        if (arguments.Has("--portrait"))
            settings = settings with { Landscape = false };
        if (arguments.Value("--scale") is { } scale)
            settings = settings with { Scale = Ratio(scale) };
        var request = new SheetRequest(state, settings, state.Plan.Details.Title, "", "Draft", DateOnly.FromDateTime(DateTime.Today))
        {
            Camera = new SheetCamera(new Planner(), state.Plan),
        };
        var composed = SheetKinds.Shipped.Compose("plan", request);
        OutFile.Write(path, composed.Document);
        var sheet = composed.Sheet!;
        Console.WriteLine($"{path}: {settings.Paper}, {sheet.ScaleName}");
        if (!sheet.Fits)
            Console.Error.WriteLine(
                $"At {sheet.ScaleName} the plan does not fit {settings.Paper}; choose a larger paper or a smaller scale."
            );
        return 0;
    }

    private static double Ratio(string scale)
    {
        var figure = scale.StartsWith("1:", StringComparison.Ordinal) ? scale[2..] : scale;
        return
            double.TryParse(figure, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var ratio)
            && ratio is >= 1 and <= 10000
            ? ratio
            : throw new CommandException($"\"{scale}\" is no scale; write it like 1:100.");
    }
}
