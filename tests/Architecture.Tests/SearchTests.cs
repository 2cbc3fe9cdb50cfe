using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;

namespace Wellsedes.Architecture.Tests;

/// <summary>The field's words lead to where a thing lives: a stranger's first search finds it, and each folder of Core says how to begin.</summary>
public sealed partial class SearchTests
{
    /// <summary>So many of the files found are looked at.</summary>
    private const int First = 5;

    private static readonly string Root = Find();

    private static readonly Lazy<(string Path, string[] Lines)[]> Sources = new(() =>
        [
            .. new[] { "src", "web/src" }
                .SelectMany(folder => Directory.EnumerateFiles(Path.Combine(Root, folder), "*", SearchOption.AllDirectories))
                .Select(file => Path.GetRelativePath(Root, file).Replace('\\', '/'))
                .Where(IsSource)
                .Select(path => (path, File.ReadAllLines(Path.Combine(Root, path)))),
        ]
    );

    private static bool IsSource(string path) =>
        Path.GetExtension(path) is ".cs" or ".ts" or ".svelte"
        && !path.Split('/').Any(part => part is "obj" or "bin" or "generated" or "Migrations" or "wwwroot")
        && !path.Contains(".test.", StringComparison.Ordinal);

    /// <summary>The files a word is found in: those named after it first, then those with the most lines of it.</summary>
    private static string[] FoundBy(string word)
    {
        var pattern = new Regex($@"\b{word}", RegexOptions.IgnoreCase);
        var name = new Regex(word.Replace(" ", ""), RegexOptions.IgnoreCase);
        return
        [
            .. Sources
                .Value.Select(file => (file.Path, Count: file.Lines.Count(line => pattern.IsMatch(line))))
                .Where(file => file.Count > 0)
                .OrderBy(file => name.IsMatch(Path.GetFileName(file.Path)) ? 0 : 1)
                .ThenByDescending(file => file.Count)
                .ThenBy(file => file.Path, StringComparer.Ordinal)
                .Select(file => file.Path),
        ];
    }

    [GeneratedRegex(@"^\|[^|]*\|[^|]*\| `(?<word>(?:[^`])+)` \|.*\| `(?<home>[^`]+)` \|$")]
    private static partial Regex GlossaryRow();

    public static TheoryData<string, string> Words()
    {
        var rows = new TheoryData<string, string>();
        foreach (var line in File.ReadLines(Path.Combine(Root, "docs", "glossary.md")))
            if (GlossaryRow().Match(line) is { Success: true } row)
                rows.Add(row.Groups["word"].Value.Replace(@"\|", "|"), row.Groups["home"].Value);
        return rows;
    }

    [Fact]
    public void The_glossary_has_the_words_that_strangers_search_for()
    {
        var words = Words().Select(row => row.Data.Item1).ToArray();
        foreach (
            var word in (string[])
                [
                    "clear width",
                    "round table",
                    "pdf",
                    "PlanChecks",
                    "pitch",
                    "unlock it first",
                    "undo",
                    "snap(s|ping|ped)?",
                    "underlay",
                    "egress",
                    "feet",
                    "sun",
                    "role",
                    "default gap",
                    "scale",
                    "means of escape",
                    "travel distance",
                    "occupant load",
                    "hit test",
                    "debounce",
                    "setting.out",
                    "schedule",
                    "revision",
                    "transmittal",
                    "offset",
                    "hatch",
                ]
        )
            Assert.Contains(word, words);
    }

    [Theory]
    [MemberData(nameof(Words))]
    public void A_strangers_first_search_finds_its_home(string word, string home)
    {
        Assert.True(File.Exists(Path.Combine(Root, home)), $"{home} is not there");
        Assert.Contains(home, FoundBy(word).Take(First));
    }

    [Fact]
    public void A_word_that_is_nowhere_finds_nothing() => Assert.Empty(FoundBy("zy" + "murgy"));

    /// <summary>A message is written where its rule is, and once.</summary>
    [Fact]
    public void That_something_is_locked_is_written_once() =>
        Assert.Equal(
            ["src/Wellsedes.Core/Editing/Locking.cs"],
            FoundBy("unlock it first").Where(path => path.EndsWith(".cs", StringComparison.Ordinal))
        );

    public static TheoryData<string> Folders =>
        [
            .. new DirectoryInfo(Path.Combine(Root, "src/Wellsedes.Core"))
                .GetDirectories()
                .Select(folder => folder.Name)
                .Where(name => name is not ("obj" or "bin")),
        ];

    [Theory]
    [MemberData(nameof(Folders))]
    public void A_folder_of_core_says_what_it_is_what_it_may_use_and_where_to_begin(string folder)
    {
        var path = Path.Combine(Root, "src/Wellsedes.Core", folder);
        var text = File.ReadAllText(Path.Combine(path, "README.md"));
        Assert.Contains("What it is: ", text);
        Assert.Contains("It may use: ", text);
        var entry = Regex.Match(text, "Begin at `([A-Za-z]+)`").Groups[1].Value;
        Assert.NotEmpty(Directory.GetFiles(path, $"{entry}.cs", SearchOption.AllDirectories));
    }

    private static string Find([CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "..", ".."));
}
