using Wellsedes.Formats.Writers;

namespace Wellsedes.Cli;

/// <summary>Writes a document by the ending of the name it is to have.</summary>
internal static class OutFile
{
    /// <exception cref="CommandException">Nothing is written under that ending; those that are, are named.</exception>
    public static void Write(string path, ExportDocument document)
    {
        var ending = Path.GetExtension(path).ToLowerInvariant().TrimStart('.');
        var file =
            Writers.Shipped.Write(document, ending)
            ?? throw new CommandException($"\".{ending}\" is not written; use {Listed(Writers.Shipped.EndingsOf(document))}.");
        File.WriteAllBytes(path, file.Content);
    }

    private static string Listed(IReadOnlyList<string> endings) =>
        $"{string.Join(", ", endings.SkipLast(1).Select(ending => $".{ending}"))} or .{endings[^1]}";
}
