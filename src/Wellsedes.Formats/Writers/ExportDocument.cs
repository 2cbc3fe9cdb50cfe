using System.Collections.Immutable;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Writers;

/// <summary>
/// What files are made of: pages, tables and a plan, as a kind of sheet composes them. A part that a document has not got is null or empty;
/// a writer says which parts it needs.
/// </summary>
/// <param name="Title">What files of it are named after.</param>
public sealed record ExportDocument(string Title, Plan Plan)
{
    /// <summary>Drawings in mm of paper, a page each.</summary>
    public ImmutableArray<Drawing> Pages { get; init; } = [];

    /// <summary>What is placed, counted by kind.</summary>
    public ImmutableArray<ScheduleRow>? Schedule { get; init; }

    /// <summary>How a scheme is proved.</summary>
    public Report? Report { get; init; }

    /// <summary>What changes between two schemes.</summary>
    public SchemesCompared? Compared { get; init; }

    /// <summary>A scheme in three dimensions, worked out when it is first asked for.</summary>
    public Lazy<PlanModel>? Model { get; init; }

    /// <summary>The pictures that go into a file of the whole plan; null where no such file is to be made of it.</summary>
    public ImmutableArray<FilePicture>? Pictures { get; init; }
}
