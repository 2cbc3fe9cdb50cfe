using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Cli;

internal static class OpenedPlan
{
    /// <summary>A scheme of a plan file on a level, worked out; by their names or ids, the first ones where they are not said.</summary>
    /// <param name="books">Ids of books to hold it against in place of those it carries, "none" for none; null for those it carries.</param>
    public static PlanState Read(string path, string? schemeName = null, string? levelName = null, string[]? books = null)
    {
        var plan = Held(PlanFiles.Read(Bytes(path)), books);
        var scheme = SchemeOf(plan, schemeName);
        var level = LevelOf(plan, levelName);
        try
        {
            return new Planner().StateOf(plan, scheme.Id, level.Id);
        }
        catch (TooMuchWorkException e)
        {
            throw new CommandException(e.Message);
        }
    }

    private static Plan Held(Plan plan, string[]? books)
    {
        if (books is null)
            return plan;
        var planner = new Planner();
        foreach (var book in plan.All<PlanBook>())
            Do(new LeaveBook(book.Id));
        foreach (var book in books.Where(book => book != "none"))
            Do(new ChooseBook($"book-{book}", book));
        return plan;

        void Do(Edit edit)
        {
            var answer = planner.Answer(plan, edit);
            if (answer.Problem is { } problem)
                throw new CommandException(problem.Message);
            if (!plan.TryApply(answer.Change!, out var after, out _))
                throw new CommandException("The plan file has things under the ids of books; name no books, or remove them.");
            plan = after;
        }
    }

    /// <summary>The scheme of a name or id; the first where none is said.</summary>
    /// <exception cref="CommandException">There is none of that name.</exception>
    public static Scheme SchemeOf(Plan plan, string? name) =>
        name is null
            ? plan.Schemes.First()
            : plan.Schemes.FirstOrDefault(scheme => scheme.Id == name || scheme.Name.Equals(name, StringComparison.OrdinalIgnoreCase))
                ?? throw new CommandException(
                    $"There is no scheme \"{name}\"; the plan has {string.Join(", ", plan.Schemes.Select(scheme => scheme.Name))}."
                );

    /// <summary>The level of a name or id; the one a plan opens on where none is said.</summary>
    /// <exception cref="CommandException">There is none of that name.</exception>
    public static Level LevelOf(Plan plan, string? name) =>
        name is null
            ? plan.FirstLevel
            : plan.Levels.FirstOrDefault(level => level.Id == name || level.Name.Equals(name, StringComparison.OrdinalIgnoreCase))
                ?? throw new CommandException(
                    $"There is no level \"{name}\"; the plan has {string.Join(", ", plan.Levels.Select(level => level.Name))}."
                );

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
