using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Cli;

internal static class OpenedPlan
{
    /// <summary>The first scheme on the first level of a plan file, worked out.</summary>
    public static (Planner Planner, PlanState State) Read(string path)
    {
        var info = new FileInfo(path);
        if (!info.Exists)
            throw new CommandException($"There is no file {path}.");
        if (info.Length > PlanFiles.LargestFile)
            throw new CommandException($"{path} is larger than {PlanFiles.LargestFile / 1024 / 1024} MB, the most that is read.");
        var plan = PlanFiles.Read(File.ReadAllBytes(path));
        var planner = new Planner(CatalogueList.Shipped);
        return (planner, planner.StateOf(plan, plan.All<Scheme>().First().Id, plan.All<Level>().First().Id));
    }
}
