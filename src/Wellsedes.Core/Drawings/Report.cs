using System.Collections.Immutable;

namespace Wellsedes.Core.Drawings;

/// <summary>A table of a report: as many cells in each row as there are columns.</summary>
/// <param name="Key">What it is called in files: "people".</param>
public sealed record ReportTable(string Key, string Title, ImmutableArray<string> Columns, ImmutableArray<ImmutableArray<string>> Rows);

/// <summary>What a scheme is held against and how it does, as tables in the order they are told.</summary>
/// <param name="Remark">What must be said of all its figures.</param>
public sealed record Report(string Plan, string Scheme, string Remark, ImmutableArray<ReportTable> Tables);
