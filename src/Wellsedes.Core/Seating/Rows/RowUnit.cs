using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Seating.Rows;

/// <summary>One of what rows are made of, in mm: its width with its chairs, and how far it and they reach before and behind its middle.</summary>
/// <param name="Shift">How far its middle is off the middle of its width, to its own right.</param>
/// <param name="Turn">How it is turned from where its row looks, in degrees.</param>
/// <param name="PassageBefore">Whether people come to it from before it.</param>
/// <param name="PassageBehind">Whether people come to it from behind it.</param>
internal sealed record RowUnit(
    double Width,
    double Before,
    double Behind,
    double Shift,
    double Turn,
    bool PassageBefore,
    bool PassageBehind
)
{
    public double Depth => Before + Behind;

    /// <param name="one">The item with its chairs, wherever it stands.</param>
    /// <param name="turn">How far it is turned from where its row looks, in degrees.</param>
    public static RowUnit Of(PlacedItem one, double turn)
    {
        var frame = one.Item.Placement with { Rotation = one.Item.Rotation - turn };
        var (along, behind) = (frame.Turned(new Point(1, 0)), frame.Turned(new Point(0, 1)));
        var (left, right) = Convex.Reach(one.Standing, along);
        var (front, back) = Convex.Reach(one.Standing, behind);
        var (x, y) = (frame.Origin.Dot(along), frame.Origin.Dot(behind));
        double[] outward = [.. one.Form.Seats.Select(seat => one.Item.Placement.Turned(seat.Outward).Dot(behind))];
        return new RowUnit(
            right - left,
            y - front,
            back - y,
            (left + right) / 2 - x,
            turn,
            one.IsSeat || Array.Exists(outward, off => off < -0.5),
            !one.IsSeat && Array.Exists(outward, off => off > 0.5)
        );
    }
}

/// <summary>How rows are asked. Lengths in mm.</summary>
/// <param name="Gap">Between two of a row.</param>
/// <param name="Passage">Between two rows.</param>
/// <param name="ToWalls">Between the row and what stands.</param>
/// <param name="FromAisle">The most of a row from an aisle; null for no aisles.</param>
/// <param name="CrossEvery">After so many rows comes an aisle across; null for none.</param>
internal sealed record RowsAsked(
    double Gap,
    double Passage,
    double ToWalls,
    double Aisle,
    int? FromAisle,
    AislesAt Aisles,
    int? CrossEvery,
    RowEnds Ends = RowEnds.Centred
);

/// <summary>A free part of a row. At an open end people step out onto free floor.</summary>
internal readonly record struct RowPart(double From, double To, bool OpenFrom, bool OpenTo);

/// <summary>A row: its front edge across, its free parts, and what one place and half an aisle take along.</summary>
/// <param name="Widest">How much wider than asked gaps may be drawn so that the row ends where its part does; 0 for not at all.</param>
internal sealed record RowLine(int Number, double Across, RowPart[] Parts, double Step, double Gap, double HalfAisle, double Widest = 0)
{
    /// <summary>How many fit into a length along.</summary>
    public int Fit(double length) => length < Step - Gap - 1e-9 ? 0 : (int)Math.Floor((length + Gap) / Step + 1e-9);

    /// <summary>As many as its parts hold were there no aisles.</summary>
    public int Most => Parts.Sum(part => Fit(part.To - part.From));

    /// <summary>As many as its parts hold at most, each with its own aisles, wherever those of other rows are.</summary>
    public int MostFrom(int? fromAisle)
    {
        if (fromAisle is not { } most)
            return Most;
        var sum = 0;
        foreach (var part in Parts)
        {
            var (length, ends) = (part.To - part.From, (part.OpenFrom ? most : 0) + (part.OpenTo ? most : 0));
            var best = 0;
            for (var aisles = 0; ; aisles++)
            {
                var fit = Fit(length - 2 * HalfAisle * aisles);
                best = Math.Max(best, Math.Min(fit, ends + 2 * most * aisles));
                if (fit <= ends + 2 * most * aisles)
                    break;
            }
            sum += best;
        }
        return sum;
    }
}

/// <summary>Places of a row without a break.</summary>
/// <param name="AtFrom">Whether it begins at an aisle or free floor.</param>
internal sealed record RowRun(RowLine Row, double From, double To, int Count, bool AtFrom, bool AtTo);

/// <summary>Rows laid out.</summary>
internal sealed record LaidRows(List<RowRun> Runs)
{
    public int Count => Runs.Sum(run => run.Count);

    /// <summary>What any rows there can hold at most: those of the best first row, each by itself with aisles of its own.</summary>
    public int Most { get; init; }
}
