using System.Text;
using CsvHelper;
using Wellsedes.Core.Drawings;

namespace Wellsedes.Formats.Sheets;

/// <summary>Writes the furniture schedule as CSV (RFC 4180), sizes in mm.</summary>
public static class ScheduleCsv
{
    public static byte[] Write(IEnumerable<ScheduleRow> rows)
    {
        using var stream = new MemoryStream();
        // Text that a table program would read as a formula stays text.
        var options = new CsvWriterOptions { Injection = CsvInjection.Escape };
        using (var writer = new StreamWriter(stream, new UTF8Encoding(true)))
        using (var csv = CsvWriter.Create(writer, options, true))
        {
            foreach (var head in (string[])["Tag", "Labels", "Item", "Width mm", "Depth mm", "Height mm", "Count"])
                csv.WriteField(head);
            csv.EndRecord();
            foreach (var row in rows)
            {
                csv.WriteField(row.Tag);
                csv.WriteField(Schedule.WriteLabels(row.Labels));
                csv.WriteField(row.Name);
                csv.WriteField(row.Size.Width);
                csv.WriteField(row.Size.Depth);
                csv.WriteField(row.Size.Height);
                csv.WriteField(row.Count);
                csv.EndRecord();
            }
        }
        return stream.ToArray();
    }
}
