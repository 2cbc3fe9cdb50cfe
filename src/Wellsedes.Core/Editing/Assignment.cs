namespace Wellsedes.Core.Editing;

/// <summary>Gives each of some rows one of some columns so that the total weight is greatest (Kuhn and Munkres, by potentials).</summary>
internal static class Assignment
{
    /// <summary>The column of each row, -1 for none; what weighs 0 or less is never given.</summary>
    public static int[] Greatest(double[,] weights)
    {
        var (rows, columns) = (weights.GetLength(0), weights.GetLength(1));
        // Columns of weight 0, one for each row, stand for none.
        var all = columns + rows;
        double Cost(int row, int column) => column <= columns ? -Math.Max(0, weights[row - 1, column - 1]) : 0;
        var (u, v) = (new double[rows + 1], new double[all + 1]);
        var (rowOf, came) = (new int[all + 1], new int[all + 1]);
        for (var row = 1; row <= rows; row++)
        {
            rowOf[0] = row;
            var at = 0;
            var least = new double[all + 1];
            Array.Fill(least, double.PositiveInfinity);
            var used = new bool[all + 1];
            do
            {
                used[at] = true;
                var (from, delta, next) = (rowOf[at], double.PositiveInfinity, 0);
                for (var column = 1; column <= all; column++)
                {
                    if (used[column])
                        continue;
                    var reduced = Cost(from, column) - u[from] - v[column];
                    if (reduced < least[column])
                        (least[column], came[column]) = (reduced, at);
                    if (least[column] < delta)
                        (delta, next) = (least[column], column);
                }
                for (var column = 0; column <= all; column++)
                    if (used[column])
                    {
                        u[rowOf[column]] += delta;
                        v[column] -= delta;
                    }
                    else
                        least[column] -= delta;
                at = next;
            } while (rowOf[at] != 0);
            for (; at != 0; at = came[at])
                rowOf[at] = rowOf[came[at]];
        }
        var given = new int[rows];
        Array.Fill(given, -1);
        for (var column = 1; column <= columns; column++)
            if (rowOf[column] > 0 && weights[rowOf[column] - 1, column - 1] > 0)
                given[rowOf[column] - 1] = column - 1;
        return given;
    }
}
