using System.Text;
using System.Text.Json;
using CsvHelper;
using Wellsedes.Core.Drawings;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Sheets;

/// <summary>A report as CSV (RFC 4180): each line begins with the title of its table, the first of a table names its columns; and as JSON, each row with its cells under the names of the columns.</summary>
public static class ReportFiles
{
    public static byte[] Csv(Report report)
    {
        using var stream = new MemoryStream();
        var options = new CsvWriterOptions { Injection = CsvInjection.Escape };
        using (var writer = new StreamWriter(stream, new UTF8Encoding(true)))
        using (var csv = CsvWriter.Create(writer, options, true))
        {
            var wide = report.Tables.Max(table => table.Columns.Length);
            Line("Report", [report.Plan, report.Scheme, report.Remark]);
            foreach (var table in report.Tables)
            {
                Line(table.Title, table.Columns);
                foreach (var row in table.Rows)
                    Line(table.Title, row);
            }

            void Line(string title, IReadOnlyList<string> cells)
            {
                csv.WriteField(title);
                for (var i = 0; i < wide; i++)
                    csv.WriteField(i < cells.Count ? cells[i] : "");
                csv.EndRecord();
            }
        }
        return stream.ToArray();
    }

    public static byte[] Json(Report report) =>
        JsonSerializer.SerializeToUtf8Bytes(
            new
            {
                report.Plan,
                report.Scheme,
                report.Remark,
                Tables = report.Tables.ToDictionary(
                    table => table.Key,
                    table => table.Rows.Select(row => table.Columns.Zip(row).ToDictionary(cell => cell.First, cell => cell.Second))
                ),
            },
            PlanJson.Indented
        );
}
