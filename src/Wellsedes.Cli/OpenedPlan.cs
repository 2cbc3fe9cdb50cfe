using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Cli;

internal static class OpenedPlan
{
    /// <summary>A scheme of a plan file on a level, worked out; by their names or ids, the first ones where they are not said.</summary>
    public static PlanState Read(string path, string? schemeName = null, string? levelName = null)
    {
        var plan = PlanFiles.Read(Bytes(path));
        var scheme = schemeName is null
            ? plan.Schemes.First()
            : plan.Schemes.FirstOrDefault(s => s.Id == schemeName || s.Name.Equals(schemeName, StringComparison.OrdinalIgnoreCase))
                ?? throw new CommandException(
                    $"There is no scheme \"{schemeName}\"; the plan has {string.Join(", ", plan.Schemes.Select(s => s.Name))}."
                );
        var level = levelName is null
            ? plan.FirstLevel
            : plan.Levels.FirstOrDefault(l => l.Id == levelName || l.Name.Equals(levelName, StringComparison.OrdinalIgnoreCase))
                ?? throw new CommandException(
                    $"There is no level \"{levelName}\"; the plan has {string.Join(", ", plan.Levels.Select(l => l.Name))}."
                );
        try
        {
            return new Planner().StateOf(plan, scheme.Id, level.Id);
        }
        catch (TooMuchWorkException e)
        {
            throw new CommandException(e.Message);
        }
    }

    /// <exception cref="CommandException">There is no such file, or it is too large.</exception>
    public static byte[] Bytes(string path)
    {
        var info = new FileInfo(path);
        if (!info.Exists)
            throw new CommandException($"There is no file {path}.");
        return info.Length > PlanFiles.LargestFile
            ? throw new CommandException($"{path} is larger than {PlanFiles.LargestFile / 1024 / 1024} MB, the most that is read.")
            : File.ReadAllBytes(path);
    }
}
