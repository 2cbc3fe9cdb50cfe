using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Seating.Rows;

/// <summary>One place of a row: its middle along, and what is there when that is no chair of the row.</summary>
/// <param name="Wheelchair">Whether it is a place for a wheelchair user; its back lies on the line of the backs of its row.</param>
internal readonly record struct RowPlace(int Row, double Across, double Along, bool Wheelchair)
{
    /// <summary>A space for a wheelchair: 900 x 1400 mm (Approved Document M volume 2, 4.12; from memory).</summary>
    public const double Wide = 900;
    public const double Deep = 1400;

    /// <summary>What stands for one in the catalogue.</summary>
    public const string Key = "wheelchair-space";

    public Stand Stand(RowGround ground, RowUnit unit, PlacedItem one)
    {
        if (!Wheelchair)
        {
            var at = RowLaying.Middle(ground, unit, Along, Across);
            return new Stand(at.Origin, at.Rotation, one.Item.Catalogue, one.Item.Seats, Parameters: one.Item.Parameters);
        }
        var front = ground.At(Along, Across);
        return new Stand(front.Out(new Point(0, unit.Depth - Deep / 2)), front.Rotation, Key, Width: Wide, Depth: Deep);
    }
}

/// <summary>
/// Places for wheelchair users at the ends of rows beside aisles, all over the rows: in the front row where the floor before it is free they take the width of
/// whole chairs, elsewhere also those of the row before. The chair beside each stays for who comes along.
/// </summary>
internal static class WheelchairPlaces
{
    private sealed record End(RowRun Run, bool IsFrom);

    /// <summary>How many there are to be among so many seats.</summary>
    public static int Wanted(SeatsAsked asked, int seats) =>
        asked.Rule == SeatingRule.Typed || asked.Style == SeatingStyle.Circle
            ? asked.Wheelchairs
            : SeatingRules.WheelchairPlaces(asked.Rule, seats);

    /// <param name="aisle">The clear width of aisles, in mm: in a curve they are narrower before a row than beside it.</param>
    public static IEnumerable<RowPlace> In(LaidRows laid, RowGround ground, RowUnit unit, int wanted, double aisle, PlacedItem one)
    {
        var places = laid.Runs.ToDictionary(run => run, run => RowLaying.Places(run).ToList());
        List<RowPlace> spaces = [];
        if (wanted > 0 && one.IsSeat && laid.Runs.Count > 0)
        {
            var last = laid.Runs.Max(run => run.Row.Number);
            List<End> ends =
            [
                .. laid.Runs.Where(run => run.AtFrom).Select(run => new End(run, true)),
                .. laid.Runs.Where(run => run.AtTo).Select(run => new End(run, false)),
            ];
            for (var i = 0; i < wanted; i++)
            {
                // From the front to the back and from one side to the other in turn.
                var row = wanted == 1 ? 0 : (int)Math.Round((double)last * i / (wanted - 1));
                var given = ends.OrderBy(end => Math.Abs(end.Run.Row.Number - row))
                    .ThenBy(end => end.IsFrom == (i % 2 == 0) ? 0 : 1)
                    .ThenBy(end => Math.Abs((end.IsFrom ? end.Run.From : end.Run.To) - ground.Axis))
                    .FirstOrDefault(end => TakeFor(end) is { } space && Taken(space));
                if (given is null)
                    break;
                ends.Remove(given);
            }
        }
        return
        [
            .. places.SelectMany(pair => pair.Value.Select(at => new RowPlace(pair.Key.Row.Number, pair.Key.Row.Across, at, false))),
            .. spaces,
        ];

        bool Taken(RowPlace space)
        {
            spaces.Add(space);
            return true;
        }

        RowPlace? TakeFor(End end)
        {
            var row = end.Run.Row;
            var before = row.Across - (RowPlace.Deep - unit.Depth);
            var wide = ground.Length(RowPlace.Wide, Math.Max(1, before));
            var off = Math.Max(0, ground.Between(aisle, Math.Max(1, before), RowPlace.Wide) / 2 - row.HalfAisle);
            var (from, to) = end.IsFrom ? (end.Run.From + off, end.Run.From + off + wide) : (end.Run.To - off - wide, end.Run.To - off);
            var (mine, inFront) = (InWay(places[end.Run], row, from, to), (RowRun?)null);
            // Who comes along keeps a chair beside.
            if (mine.Length == 0 || places[end.Run].Count - mine.Length < 1)
                return null;
            // Wider than a chair it reaches farther back in a curve.
            var back = ground.Behind(row.Across, unit.Depth, RowPlace.Wide, 0);
            if (!ground.Free(row.Across, back, 0).Exists(part => part.From <= from + 1e-9 && part.To >= to - 1e-9))
                return null;
            if (row.Number > 0)
            {
                inFront = laid.Runs.Find(run => run.Row.Number == row.Number - 1 && run.From < to && run.To > from);
                if (spaces.Exists(space => space.Row == row.Number - 1 && Math.Abs(space.Along - (from + to) / 2) < 2 * wide))
                    return null;
            }
            if (!ground.Free(before, row.Across, 0).Exists(part => part.From <= from + 1e-9 && part.To >= to - 1e-9))
                return null;
            if (spaces.Exists(space => Math.Abs(space.Row - row.Number) <= 1 && Math.Abs(space.Along - (from + to) / 2) < wide))
                return null;
            foreach (var at in mine)
                places[end.Run].Remove(at);
            if (inFront is not null && ground.Behind(inFront.Row.Across, unit.Depth, unit.Width, 0) > before)
                foreach (var at in InWay(places[inFront], inFront.Row, from, to))
                    places[inFront].Remove(at);
            return new RowPlace(row.Number, row.Across, (from + to) / 2, true);
        }
    }

    private static double[] InWay(List<double> places, RowLine row, double from, double to)
    {
        var half = (row.Step - row.Gap) / 2;
        return [.. places.Where(at => at + half > from + 1e-9 && at - half < to - 1e-9)];
    }
}
