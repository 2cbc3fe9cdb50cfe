using System.Collections.Immutable;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Viewing;

namespace Wellsedes.Formats.Writers;

/// <summary>What a sheet is composed of.</summary>
/// <param name="State">The scheme and level it shows.</param>
/// <param name="Project">What the project is called.</param>
/// <param name="Letter">The revision; "" of a draft.</param>
public sealed record SheetRequest(PlanState State, SheetSettings Settings, string Project, string Letter, string Status, DateOnly On)
{
    /// <summary>Takes the pictures that stand on it; null where there are to be none.</summary>
    public SheetCamera? Camera { get; init; }

    /// <summary>For what changes: against which scheme, as it is compared and shown.</summary>
    public (SchemesCompared All, ChangesShown Shown)? Changes { get; init; }

    internal SheetInput Input(SheetSettings settings) => State.SheetInput(settings, Project, Letter, Status, On);
}

/// <summary>A composed sheet: what is written of it, and how it came out.</summary>
/// <param name="Sheet">Scale and whether it fits; null of what has no scale.</param>
public sealed record ComposedSheet(ExportDocument Document, Sheet? Sheet);

/// <summary>All that is said of one kind of sheet.</summary>
/// <param name="Name">In addresses and on the command line.</param>
/// <param name="Words">What it is, for people.</param>
public sealed record SheetKind(string Name, string Words, Func<SheetRequest, ComposedSheet> Compose);

/// <summary>The table of kinds of sheet.</summary>
public sealed class SheetKinds(ImmutableArray<SheetKind> all)
{
    public static SheetKinds Shipped { get; } =
        new([
            new("plan", "The furniture layout plan of a scheme and level", Plan),
            new("changes", "What a crew changes from one scheme to another", Changes),
            new("report", "How a scheme is proved", Report),
        ]);

    public ImmutableArray<SheetKind> All { get; } = all;

    /// <summary>The same with others beside them.</summary>
    public SheetKinds With(params ReadOnlySpan<SheetKind> more) => new([.. All, .. more]);

    /// <exception cref="ArgumentException">There is no such kind.</exception>
    public ComposedSheet Compose(string kind, SheetRequest request) =>
        (
            All.FirstOrDefault(one => one.Name == kind)
            ?? throw new ArgumentException($"There is no kind of sheet \"{kind}\".", nameof(kind))
        ).Compose(request);

    private static ComposedSheet Plan(SheetRequest request)
    {
        var state = request.State;
        var sheet = new SheetComposer(Typefaces.Shared, request.Camera).Compose(request.Input(request.Settings));
        return new ComposedSheet(
            new ExportDocument($"{request.Settings.TitleBlock.SheetNumber} {state.Plan.Details.Title}", state.Plan)
            {
                Pages = [sheet.Drawing],
                Schedule = [.. Schedule.Of(state.Items, state.Plan, state.Tally.Stock)],
            },
            sheet
        );
    }

    private static ComposedSheet Changes(SheetRequest request)
    {
        var (compared, shown) = request.Changes ?? throw new ArgumentException("Say which schemes are compared.", nameof(request));
        var block = request.Settings.TitleBlock with { Title = "What changes", SupplementaryTitle = $"From {shown.From} to {shown.To}" };
        var input = request.Input(request.Settings with { LevelId = request.State.LevelId, TitleBlock = block });
        var sheet = new SheetComposer(Typefaces.Shared, request.Camera).Compose(input with { Changes = shown });
        var plan = request.State.Plan;
        return new ComposedSheet(
            new ExportDocument($"what changes {plan.Details.Title}", plan) { Pages = [sheet.Drawing], Compared = compared },
            sheet
        );
    }

    private static ComposedSheet Report(SheetRequest request)
    {
        var report = ProvingReport.Of(request.State);
        var pages = new ReportPages(Typefaces.Shared).Compose(report, request.Input(request.Settings));
        return new ComposedSheet(
            new ExportDocument($"{request.State.Plan.Details.Title} proving report", request.State.Plan)
            {
                Pages = [.. pages],
                Report = report,
            },
            null
        );
    }
}
