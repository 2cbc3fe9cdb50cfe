using System.Text;
using CsvHelper;
using Wellsedes.Core.Drawings;

namespace Wellsedes.Formats.Sheets;

/// <summary>Writes the furniture schedule as CSV (RFC 4180), sizes in mm.</summary>
public static class ScheduleCsv
{
    private sealed record Line(string Tag, string Labels, string Item, double WidthMm, double DepthMm, double HeightMm, int Count);

    public static byte[] Write(IEnumerable<ScheduleRow> rows)
    {
        using var stream = new MemoryStream();
        // Text that a table program would read as a formula stays text.
        var options = new CsvWriterOptions { Injection = CsvInjection.Escape };
        using (var writer = new StreamWriter(stream, new UTF8Encoding(true)))
        using (var csv = CsvWriter.Create(writer, options, true))
            csv.WriteRecords(
                rows.Select(row => new Line(
                    row.Tag,
                    Schedule.WriteLabels(row.Labels),
                    row.Name,
                    row.Size.Width,
                    row.Size.Depth,
                    row.Size.Height,
                    row.Count
                ))
            );
        return stream.ToArray();
    }
}
