using System.Diagnostics;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Tests;

/// <summary>The demo plan, and the outside programs that read files back.</summary>
internal static class Demo
{
    public static string Root { get; } = Find();
    public static string PlanPath { get; } = Path.Combine(Root, "demo", "orchard-supper.wellsedes.json");

    public static PlanState State()
    {
        var plan = PlanFiles.Read(File.ReadAllBytes(PlanPath));
        return new Planner().StateOf(plan, plan.Schemes.First().Id, plan.FirstLevel.Id);
    }

    public static Sheet Sheet(double? scale, string paper = "A3")
    {
        var state = State();
        var settings = state.Plan.OfScheme<SheetSettings>(state.SchemeId).First() with { Scale = scale, Paper = paper };
        return new SheetComposer(Typefaces.Shared).Compose(
            state.SheetInput(settings, "Tidemill House", "A", "Issued", new DateOnly(2026, 11, 23))
        );
    }

    public static string Write(byte[] content, string name)
    {
        var folder = Directory.CreateTempSubdirectory("wellsedes-formats-").FullName;
        var path = Path.Combine(folder, name);
        File.WriteAllBytes(path, content);
        return path;
    }

    /// <summary>What an outside program prints; the test fails when it is missing or fails.</summary>
    public static string Run(string program, params string[] arguments)
    {
        var start = new ProcessStartInfo(program, arguments) { RedirectStandardOutput = true, RedirectStandardError = true };
        using var process = Process.Start(start)!;
        var error = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        Assert.True(process.ExitCode == 0, $"{program} failed: {error.Result}");
        return output;
    }

    private static string Find([CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "..", ".."));
}
