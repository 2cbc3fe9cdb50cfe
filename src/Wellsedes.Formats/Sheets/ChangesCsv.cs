using System.Text;
using CsvHelper;
using Wellsedes.Core.Planning;

namespace Wellsedes.Formats.Sheets;

/// <summary>Writes what changes between two schemes as CSV (RFC 4180): a list for a crew.</summary>
public static class ChangesCsv
{
    public static byte[] Write(SchemesCompared compared)
    {
        using var stream = new MemoryStream();
        // Text that a table program would read as a formula stays text.
        var options = new CsvWriterOptions { Injection = CsvInjection.Escape };
        using (var writer = new StreamWriter(stream, new UTF8Encoding(true)))
        using (var csv = CsvWriter.Create(writer, options, true))
        {
            foreach (var head in (string[])["Item", "Stay", "Are moved", "Come from the store", "Go to the store"])
                csv.WriteField(head);
            csv.EndRecord();
            foreach (var row in compared.Kinds)
            {
                csv.WriteField(row.Name);
                csv.WriteField(row.Stay);
                csv.WriteField(row.Move);
                csv.WriteField(row.Come);
                csv.WriteField(row.Go);
                csv.EndRecord();
            }
        }
        return stream.ToArray();
    }
}
