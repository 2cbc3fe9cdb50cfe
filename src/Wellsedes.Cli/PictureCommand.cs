using System.Globalization;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Core.SolidModel;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Pictures;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Viewing;

namespace Wellsedes.Cli;

/// <summary>Takes a picture of a plan in space: from one of its viewpoints, or of a level from above.</summary>
internal static class PictureCommand
{
    public static int Run(string[] args)
    {
        var arguments = new Arguments(
            args,
            ["--out", "--scheme", "--level", "--viewpoint", "--width", "--height", "--daylight"],
            ["--title", "--people", "--findings", "--down"]
        );
        var path = arguments.Value("--out") ?? throw new CommandException("Say where to write with --out, for example --out hall.png.");
        var (width, height) = (Pixels(arguments, "--width", 1600), Pixels(arguments, "--height", 1000));
        if (SeenPicture.Wrong(width, height) is { } wrong)
            throw new CommandException(wrong.Message);
        var plan = PlanFiles.ReadWhole(OpenedPlan.Bytes(arguments.File)).Plan;
        var scheme = OpenedPlan.SchemeOf(plan, arguments.Value("--scheme"));
        var planner = new Planner();
        var view = Chosen(plan, scheme, arguments) ?? Ready(planner, plan, scheme, arguments, (double)width / height);
        view = view with
        {
            Shows = view.Shows with
            {
                People = view.Shows.People || arguments.Has("--people"),
                Findings = view.Shows.Findings || arguments.Has("--findings"),
                Daylight = arguments.Value("--daylight") is { } told ? Daylight(told) : view.Shows.Daylight,
            },
        };
        if (view.Wrong() is { } cannot)
            throw new CommandException(cannot.Message);
        var picture = SeenPicture.Of(
            planner.ModelOf(plan, scheme.Id, view.Shows, Typefaces.Shared),
            plan,
            view,
            width,
            height,
            pictures: PictureReader.Shared
        );
        var bytes = SeenPng.Write(picture, arguments.Has("--title") ? $"{plan.Details.Title}, {scheme.Name}: {view.Name}" : "");
        File.WriteAllBytes(path, bytes);
        Console.WriteLine($"{path}: {view.Name}, {width} x {height} pixels, {bytes.Length} bytes");
        return 0;
    }

    private static Viewpoint? Chosen(Plan plan, Scheme scheme, Arguments arguments)
    {
        if (arguments.Value("--viewpoint") is not { } name)
            return null;
        var all = plan.OfScheme<Viewpoint>(scheme.Id).OrderBy(one => one.Name, StringComparer.OrdinalIgnoreCase).ToArray();
        return all.FirstOrDefault(one => one.Name.Equals(name, StringComparison.OrdinalIgnoreCase))
            ?? throw new CommandException(
                all.Length == 0
                    ? $"{scheme.Name} has no viewpoints; leave --viewpoint out to look from above."
                    : $"{scheme.Name} has no viewpoint \"{name}\"; it has {string.Join(", ", all.Select(one => one.Name))}."
            );
    }

    private static Viewpoint Ready(Planner planner, Plan plan, Scheme scheme, Arguments arguments, double aspect)
    {
        var level = OpenedPlan.LevelOf(plan, arguments.Value("--level"));
        var standing = planner.ModelOf(plan, scheme.Id).Levels.First(one => one.LevelId == level.Id);
        return arguments.Has("--down")
            ? ReadyViewpoints.StraightDown(standing, scheme.Id, aspect)
            : ReadyViewpoints.FromAbove(standing, scheme.Id, aspect);
    }

    private static int Pixels(Arguments arguments, string name, int usual) =>
        arguments.Value(name) is not { } told ? usual
        : int.TryParse(told, NumberStyles.None, CultureInfo.InvariantCulture, out var pixels) ? pixels
        : throw new CommandException($"\"{told}\" is no number of pixels for {name}; write it like {name} {usual}.");

    /// <summary>"2026-06-21T15:30".</summary>
    private static Daylight Daylight(string told) =>
        DateTime.TryParseExact(told, "yyyy-MM-dd'T'HH:mm", CultureInfo.InvariantCulture, DateTimeStyles.None, out var at)
            ? new Daylight(at.Year, at.Month, at.Day, at.Hour + at.Minute / 60.0)
            : throw new CommandException($"\"{told}\" is no day and hour; write it like --daylight 2026-06-21T15:30.");
}
