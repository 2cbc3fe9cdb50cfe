using System.Text;
using CsvHelper;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Units;

namespace Wellsedes.Formats.Sheets;

/// <summary>Writes the furniture schedule as CSV (RFC 4180), sizes in mm, or in inches for a plan in feet and inches.</summary>
public static class ScheduleCsv
{
    public static byte[] Write(IEnumerable<ScheduleRow> rows, UnitSystem units)
    {
        var (unit, millimetres) = units == UnitSystem.Metric ? ("mm", 1) : ("in", 25.4);
        double Told(double length) => Math.Round(length / millimetres, 4);
        using var stream = new MemoryStream();
        // Text that a table program would read as a formula stays text.
        var options = new CsvWriterOptions { Injection = CsvInjection.Escape };
        using (var writer = new StreamWriter(stream, new UTF8Encoding(true)))
        using (var csv = CsvWriter.Create(writer, options, true))
        {
            foreach (
                var head in (string[])
                    [
                        "Tag",
                        "Labels",
                        "Item",
                        $"Width {unit}",
                        $"Depth {unit}",
                        $"Height {unit}",
                        "Count",
                        "Code",
                        "Price",
                        "In stock",
                        "Short",
                    ]
            )
                csv.WriteField(head);
            csv.EndRecord();
            foreach (var row in rows)
            {
                csv.WriteField(row.Tag);
                csv.WriteField(Schedule.WriteLabels(row.Labels));
                csv.WriteField(row.Name);
                csv.WriteField(Told(row.Size.Width));
                csv.WriteField(Told(row.Size.Depth));
                csv.WriteField(Told(row.Size.Height));
                csv.WriteField(row.Count);
                csv.WriteField(row.Code);
                csv.WriteField(row.Price);
                csv.WriteField(row.Stock?.Has);
                csv.WriteField(row.Stock?.Short);
                csv.EndRecord();
            }
        }
        return stream.ToArray();
    }
}
