using ArchUnitNET.Domain;
using ArchUnitNET.Fluent;
using ArchUnitNET.Loader;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace Wellsedes.Architecture.Tests;

/// <summary>Everything points one way: Core at the bottom, inside it each capability uses only the ones above it in the list.</summary>
public sealed class ArrowTests
{
    private static readonly System.Reflection.Assembly Core = typeof(Core.Plans.Plan).Assembly;
    private static readonly System.Reflection.Assembly Formats = typeof(Formats.Pdf.PdfWriter).Assembly;
    private static readonly System.Reflection.Assembly Store = typeof(Store.PlanStore).Assembly;
    private static readonly System.Reflection.Assembly Server = typeof(Program).Assembly;

    private static readonly ArchUnitNET.Domain.Architecture House = new ArchLoader().LoadAssemblies(Core, Formats, Store, Server).Build();

    /// <summary>The capabilities of Core in order; docs/architecture.md tells what each does.</summary>
    private static readonly string[] Capabilities =
    [
        "Measure",
        "Geometry",
        "Rulebooks",
        "Catalogue",
        "Plans",
        "Spaces",
        "Tracing",
        "Walkways",
        "Arranging",
        "Capacity",
        "Findings",
        "Editing",
        "Drawings",
        "Planning",
        "Things",
    ];

    [Fact]
    public void Projects_reference_only_those_below()
    {
        Assert.DoesNotContain(Core.GetReferencedAssemblies(), a => a.Name!.StartsWith("Wellsedes", StringComparison.Ordinal));
        Assert.Equal(["Wellsedes.Core"], Ours(Formats));
        Assert.Equal(["Wellsedes.Core"], Ours(Store));
        Assert.Equal(["Wellsedes.Core", "Wellsedes.Formats", "Wellsedes.Store"], Ours(Server));
        Assert.DoesNotContain(
            Core.GetReferencedAssemblies(),
            a =>
                a.Name is { } name
                && (name.Contains("AspNetCore") || name.Contains("EntityFramework") || name.Contains("Skia") || name.Contains("Npgsql"))
        );

        static IEnumerable<string> Ours(System.Reflection.Assembly assembly) =>
            assembly
                .GetReferencedAssemblies()
                .Select(a => a.Name!)
                .Where(name => name.StartsWith("Wellsedes", StringComparison.Ordinal))
                .Order(StringComparer.Ordinal);
    }

    public static TheoryData<string> Folders => [.. Capabilities];

    [Theory]
    [MemberData(nameof(Folders))]
    public void A_capability_uses_only_the_ones_before_it(string folder)
    {
        var later = Capabilities[(Array.IndexOf(Capabilities, folder) + 1)..];
        foreach (var other in later)
        {
            var rule = Types()
                .That()
                .ResideInNamespaceMatching($@"^Wellsedes\.Core\.{folder}(\.|$)")
                .Should()
                .NotDependOnAny(Types().That().ResideInNamespaceMatching($@"^Wellsedes\.Core\.{other}(\.|$)"));
            Assert.True(
                rule.HasNoViolations(House),
                $"{folder} uses {other}: {rule.Evaluate(House).FirstOrDefault(e => !e.Passed)?.Description}"
            );
        }
    }

    [Fact]
    public void Core_reads_no_clock_and_rolls_no_dice()
    {
        foreach (var type in House.Types.Where(t => t.Namespace.FullName.StartsWith("Wellsedes.Core", StringComparison.Ordinal)))
            Assert.DoesNotContain(
                type.Dependencies.Select(d => d.Target.FullName),
                name => name is "System.Random" or "System.TimeProvider" or "System.Diagnostics.Stopwatch" or "System.IO.File"
            );
    }

    [Fact]
    public void Every_capability_folder_is_in_the_list()
    {
        var found = House
            .Types.Select(t => t.Namespace.FullName)
            .Where(n => n.StartsWith("Wellsedes.Core.", StringComparison.Ordinal))
            .Select(n => n.Split('.')[2])
            .Distinct();
        Assert.Empty(found.Except(Capabilities));
    }
}
