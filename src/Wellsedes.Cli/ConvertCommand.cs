using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Models;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Cli;

/// <summary>Reads a plan file of this version or an earlier one and writes it in this one, its pictures with it; or, by the ending of the name, as a model in space.</summary>
internal static class ConvertCommand
{
    public static int Run(string[] args)
    {
        var arguments = new Arguments(args, ["--out", "--scheme"], []);
        var path =
            arguments.Value("--out")
            ?? throw new CommandException("Say where to write with --out, for example --out plan.wellsedes.json or --out model.glb.");
        var (plan, pictures) = PlanFiles.ReadWhole(OpenedPlan.Bytes(arguments.File));
        if (path.EndsWith(".glb", StringComparison.OrdinalIgnoreCase))
            return Model(plan, arguments.Value("--scheme"), path);
        if (arguments.Value("--scheme") is not null)
            throw new CommandException(
                "--scheme chooses what a model shows: give it with --out model.glb; a plan file holds all its schemes."
            );
        File.WriteAllBytes(path, PlanFiles.Write(plan, pictures));
        Console.WriteLine($"{path}: {plan.Entities.Count} entities, {pictures.Length} pictures");
        return 0;
    }

    private static int Model(Plan plan, string? name, string path)
    {
        var scheme = OpenedPlan.SchemeOf(plan, name);
        var model = new Planner().ModelOf(plan, scheme.Id, lettering: Typefaces.Shared);
        var bytes = GlbWriter.Write(model, $"{plan.Details.Title}, {scheme.Name}");
        File.WriteAllBytes(path, bytes);
        Console.WriteLine(
            $"{path}: {model.Kinds.Length} kinds, {model.Levels.Sum(level => level.Nodes.Length)} things and chairs on {model.Levels.Length} levels, {bytes.Length} bytes"
        );
        return 0;
    }
}
