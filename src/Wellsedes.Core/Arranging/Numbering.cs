using System.Globalization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Arranging;

/// <summary>In which order things are numbered. Front is where they look to, left is left of those who look there.</summary>
public enum NumberOrder
{
    /// <summary>Row by row from the front, each from the left.</summary>
    Rows,

    /// <summary>Line by line from the left, each from the front.</summary>
    Columns,

    /// <summary>Row by row from the front, to and fro.</summary>
    Snake,

    /// <summary>Round about from the outermost inwards, beginning at the front on the left.</summary>
    Spiral,

    /// <summary>By the distance from the middle of the front, the nearest first.</summary>
    FromFront,

    /// <summary>As they are numbered now: gaps are closed.</summary>
    AsNumbered,
}

/// <summary>How numbers are written.</summary>
public enum NumberForm
{
    /// <summary>1, 2, 3.</summary>
    Numbers,

    /// <summary>Rows by letters without I and O, numbers within: A1, A2, B1.</summary>
    RowLetters,

    /// <summary>Rows by numbers, numbers within: 1-1, 1-2, 2-1.</summary>
    RowNumbers,

    /// <summary>Odd numbers on the left of the middle, even ones on the right.</summary>
    OddEven,
}

/// <summary>Numbers of things by where they stand.</summary>
public static class Numbering
{
    /// <summary>Without I and O, which are read as figures. Common practice.</summary>
    private const string Letters = "ABCDEFGHJKLMNPQRSTUVWXYZ";

    /// <summary>A to Z without I and O, then AA, AB and so on; counted from 0.</summary>
    public static string Letter(int row) =>
        row < Letters.Length ? $"{Letters[row]}" : Letter(row / Letters.Length - 1) + Letters[row % Letters.Length];

    /// <summary>A place of a row, counted from 0, by its row's letter or number: A1, 1-1.</summary>
    public static string InRow(bool byLetter, int row, int number) => Text(byLetter ? Letter(row) : Text("", row + 1) + "-", number);

    /// <param name="places">Where they stand, in mm.</param>
    /// <param name="facing">Where they look to, in degrees.</param>
    /// <param name="apart">Those no farther than this behind each other are in one row, in mm.</param>
    /// <param name="now">What they are called now.</param>
    /// <returns>What each is called, in the order of the places.</returns>
    public static string[] Of(
        IReadOnlyList<Point> places,
        double facing,
        double apart,
        NumberOrder order,
        NumberForm form,
        int start,
        int step,
        string prefix,
        IReadOnlyList<string> now
    )
    {
        // x from the left of those who look there, y from the front.
        Point[] seen = [.. places.Select(p => new Placement(0, 0, facing - 90).In(p)).Select(p => new Point(p.X, -p.Y))];
        var rows = order == NumberOrder.Columns ? Lines(seen, p => p.X, p => p.Y, apart) : Lines(seen, p => p.Y, p => p.X, apart);
        if (order == NumberOrder.Snake)
            for (var r = 1; r < rows.Count; r += 2)
                rows[r].Reverse();
        var labels = new string[places.Count];
        if (form is NumberForm.RowLetters or NumberForm.RowNumbers)
        {
            for (var r = 0; r < rows.Count; r++)
            for (var i = 0; i < rows[r].Count; i++)
                labels[rows[r][i]] = InRow(form == NumberForm.RowLetters, r, start + i * step);
            return labels;
        }
        var ordered = order switch
        {
            NumberOrder.Spiral => Spiral(rows),
            NumberOrder.FromFront => ByDistance(seen),
            NumberOrder.AsNumbered =>
            [
                .. Enumerable
                    .Range(0, places.Count)
                    .OrderBy(i => LabelText.Split(now[i]).Number)
                    .ThenBy(i => now[i], StringComparer.Ordinal),
            ],
            _ => rows.SelectMany(row => row).ToList(),
        };
        if (form == NumberForm.OddEven)
        {
            var middle = (seen.Min(p => p.X) + seen.Max(p => p.X)) / 2;
            var (odd, even) = (start % 2 == 0 ? start + 1 : start, start % 2 == 0 ? start : start + 1);
            foreach (var i in ordered)
                if (seen[i].X <= middle + 1)
                    (labels[i], odd) = (Text(prefix, odd), odd + 2 * step);
                else
                    (labels[i], even) = (Text(prefix, even), even + 2 * step);
            return labels;
        }
        for (var k = 0; k < ordered.Count; k++)
            labels[ordered[k]] = Text(prefix, start + k * step);
        return labels;
    }

    private static string Text(string before, int number) => string.Create(CultureInfo.InvariantCulture, $"{before}{number}");

    /// <summary>Places in lines, the line of the least first, each in order along it.</summary>
    private static List<List<int>> Lines(Point[] seen, Func<Point, double> across, Func<Point, double> along, double apart)
    {
        List<List<int>> lines = [];
        var first = 0.0;
        foreach (var i in Enumerable.Range(0, seen.Length).OrderBy(i => across(seen[i])))
        {
            if (lines.Count == 0 || across(seen[i]) - first > apart)
            {
                lines.Add([]);
                first = across(seen[i]);
            }
            lines[^1].Add(i);
        }
        return [.. lines.Select(line => line.OrderBy(i => along(seen[i])).ToList())];
    }

    private static List<int> ByDistance(Point[] seen)
    {
        var front = new Point((seen.Min(p => p.X) + seen.Max(p => p.X)) / 2, seen.Min(p => p.Y));
        return [.. Enumerable.Range(0, seen.Length).OrderBy(i => Math.Round(seen[i].DistanceTo(front))).ThenBy(i => seen[i].X)];
    }

    /// <summary>The outermost all round, then what is left: front from the left, right side, back from the right, left side.</summary>
    private static List<int> Spiral(List<List<int>> rows)
    {
        List<LinkedList<int>> left = [.. rows.Select(row => new LinkedList<int>(row))];
        List<int> order = [];
        while (left.Count > 0)
        {
            order.AddRange(left[0]);
            left.RemoveAt(0);
            foreach (var row in left)
                Take(row, row.Last);
            if (left.Count > 0)
            {
                order.AddRange(left[^1].Reverse());
                left.RemoveAt(left.Count - 1);
            }
            for (var r = left.Count - 1; r >= 0; r--)
                Take(left[r], left[r].First);
            left.RemoveAll(row => row.Count == 0);
        }
        return order;

        void Take(LinkedList<int> row, LinkedListNode<int>? one)
        {
            if (one is null)
                return;
            order.Add(one.Value);
            row.Remove(one);
        }
    }
}
