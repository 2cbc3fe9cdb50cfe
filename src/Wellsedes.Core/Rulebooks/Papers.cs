using System.Collections.Immutable;

namespace Wellsedes.Core.Rulebooks;

/// <summary>A paper size in mm, the shorter side first.</summary>
/// <param name="Source">Where the size comes from; recalled from memory.</param>
public sealed record Paper(string Name, double Short, double Long, string Source);

public static class Papers
{
    private const string Iso = "ISO 216, trimmed sizes";
    private const string Ansi = "ASME Y14.1, Drawing Sheet Size and Format";
    private const string Arch = "Customary United States architectural sheets";

    public static ImmutableArray<Paper> All { get; } =
    [
        new("A4", 210, 297, Iso),
        new("A3", 297, 420, Iso),
        new("A2", 420, 594, Iso),
        new("A1", 594, 841, Iso),
        new("A0", 841, 1189, Iso),
        new("ANSI A", 8.5 * 25.4, 11 * 25.4, Ansi),
        new("ANSI B", 11 * 25.4, 17 * 25.4, Ansi),
        new("ANSI C", 17 * 25.4, 22 * 25.4, Ansi),
        new("ANSI D", 22 * 25.4, 34 * 25.4, Ansi),
        new("ANSI E", 34 * 25.4, 44 * 25.4, Ansi),
        new("ARCH A", 9 * 25.4, 12 * 25.4, Arch),
        new("ARCH B", 12 * 25.4, 18 * 25.4, Arch),
        new("ARCH C", 18 * 25.4, 24 * 25.4, Arch),
        new("ARCH D", 24 * 25.4, 36 * 25.4, Arch),
        new("ARCH E", 36 * 25.4, 48 * 25.4, Arch),
    ];

    public static Paper? Find(string name) => All.FirstOrDefault(paper => paper.Name == name);
}
