using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Cli;

/// <summary>Reads a plan file of this version or an earlier one and writes it in this one, its pictures with it.</summary>
internal static class ConvertCommand
{
    public static int Run(string[] args)
    {
        var arguments = new Arguments(args, ["--out"], []);
        var path =
            arguments.Value("--out") ?? throw new CommandException("Say where to write with --out, for example --out plan.wellsedes.json.");
        var (plan, pictures) = PlanFiles.ReadWhole(OpenedPlan.Bytes(arguments.File));
        File.WriteAllBytes(path, PlanFiles.Write(plan, pictures));
        Console.WriteLine($"{path}: {plan.Entities.Count} entities, {pictures.Length} pictures");
        return 0;
    }
}
