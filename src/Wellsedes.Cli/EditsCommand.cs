using System.Collections.Immutable;
using System.Text;
using Wellsedes.Core.Editing;

namespace Wellsedes.Cli;

/// <summary>Lists the edits that a plan takes, from their table; docs/edits.md is what it prints with --markdown.</summary>
internal static class EditsCommand
{
    public static int Run(string[] rest)
    {
        if (rest is ["--markdown"])
            Console.Write(Markdown());
        else if (rest is [var name])
            Console.Write(One(Find(name)));
        else if (rest.Length == 0)
            foreach (var kind in EditKinds.Shipped.All)
                Console.WriteLine($"{kind.Name, -22} {kind.Does}");
        else
            throw new CommandException("edits takes one name, or --markdown, or nothing.");
        return 0;
    }

    private static EditKind Find(string name) =>
        EditKinds.Shipped.All.FirstOrDefault(kind => kind.Name == name)
        ?? throw new CommandException($"There is no edit \"{name}\"; ./wellsedes edits lists them.");

    private static string One(EditKind kind)
    {
        var text = new StringBuilder();
        text.AppendLine($"{kind.Name}: {kind.Does}");
        foreach (var field in kind.Fields)
            text.AppendLine($"  {field.Name, -18} {TypeName(field.Type)}{(field.IsNeeded ? ", needed" : "")}");
        text.AppendLine($"  {WhoAndLocks(kind)}");
        return text.ToString();
    }

    private static string WhoAndLocks(EditKind kind) =>
        $"{(kind.Right == EditRight.Owners ? "owners" : "editors")}; {(kind.Locks == LockRule.Holds ? "what is locked stays" : "locks are no matter")}";

    private static string Markdown()
    {
        var text = new StringBuilder(
            """
            # Edits

            What may be asked of a plan, made from the table in `src/Wellsedes.Core/Editing/EditKinds.cs` by `./wellsedes edits --markdown`
            (a test holds this page to it). An edit is JSON with its name as `do`: `{"do": "rotate-items", "ids": ["a"], "degrees": 90}`.
            Lengths are mm, angles degrees counter-clockwise. Fields in italics may be left out. Any edit may say `"sure": true` where a size
            out of the ordinary is meant. Editors of a project may ask for all of them unless it says otherwise; what is locked is neither
            moved, turned, resized nor removed unless it says that locks are no matter.

            | do | what it does | asked with |
            |---|---|---|

            """
        );
        foreach (var kind in EditKinds.Shipped.All)
        {
            var fields = string.Join(", ", kind.Fields.Select(field => field.IsNeeded ? field.Name : $"*{field.Name}*"));
            var more = string.Concat(
                kind.Right == EditRight.Owners ? "; owners only" : "",
                kind.Locks == LockRule.Passes ? "; locks are no matter" : ""
            );
            text.Append("| `").Append(kind.Name).Append("` | ").Append(kind.Does).Append(more).Append(" | ").Append(fields).Append(" |\n");
        }
        return text.ToString();
    }

    private static string TypeName(Type type) =>
        Nullable.GetUnderlyingType(type) is { } inner ? TypeName(inner)
        : type == typeof(string) ? "text"
        : type == typeof(double) ? "number"
        : type == typeof(int) ? "whole number"
        : type == typeof(bool) ? "true or false"
        : type.IsEnum ? string.Join(" | ", Enum.GetNames(type))
        : type.IsGenericType && type.GetGenericTypeDefinition() == typeof(ImmutableArray<>)
            ? $"list of {TypeName(type.GetGenericArguments()[0])}"
        : type.Name;
}
