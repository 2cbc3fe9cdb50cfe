using System.Reflection.Metadata;
using System.Reflection.PortableExecutable;
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
        "Units",
        "Geometry",
        "Rulebooks",
        "Catalogue",
        "Plans",
        "Spaces",
        "Tracing",
        "Walkways",
        "Arranging",
        "Seating",
        "Compliance",
        "Capacity",
        "Findings",
        "Editing",
        "Drawings",
        "SolidModel",
        "Rendering",
        "Planning",
        "KindsOfThing",
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

    /// <summary>Clocks and dice by the members that read or roll them, as they stand in an assembly's metadata.</summary>
    private static readonly string[] ClocksAndDice =
    [
        "System.DateTime.get_Now",
        "System.DateTime.get_UtcNow",
        "System.DateTime.get_Today",
        "System.DateTimeOffset.get_Now",
        "System.DateTimeOffset.get_UtcNow",
        "System.TimeProvider.get_System",
        "System.Environment.get_TickCount",
        "System.Environment.get_TickCount64",
        "System.Diagnostics.Stopwatch.StartNew",
        "System.Diagnostics.Stopwatch.GetTimestamp",
        "System.Guid.NewGuid",
        "System.Guid.CreateVersion7",
        "System.Random..ctor",
        "System.Random.get_Shared",
        "System.IO.File.ReadAllText",
        "System.IO.File.ReadAllBytes",
    ];

    private static IEnumerable<string> MembersUsedBy(System.Reflection.Assembly assembly)
    {
        using var file = new PEReader(File.OpenRead(assembly.Location));
        var metadata = file.GetMetadataReader();
        foreach (var member in metadata.MemberReferences.Select(metadata.GetMemberReference))
            if (member.Parent.Kind == HandleKind.TypeReference)
            {
                var type = metadata.GetTypeReference((TypeReferenceHandle)member.Parent);
                yield return $"{metadata.GetString(type.Namespace)}.{metadata.GetString(type.Name)}.{metadata.GetString(member.Name)}";
            }
    }

    [Fact]
    public void Core_reads_no_clock_rolls_no_dice_and_opens_no_file() => Assert.Empty(MembersUsedBy(Core).Intersect(ClocksAndDice));

    [Fact]
    public void A_clock_would_be_seen()
    {
        // This assembly reads one here; the server really does.
        Assert.True(DateTime.UtcNow.Year > 2000);
        Assert.Contains("System.DateTime.get_UtcNow", MembersUsedBy(typeof(ArrowTests).Assembly));
        Assert.Contains("System.DateTime.get_UtcNow", MembersUsedBy(Server));
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
