using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue;

/// <summary>Fills a typed length with kitchen units of usual widths; what they leave is a filler, told as such.</summary>
public static class KitchenFill
{
    /// <summary>Widths of units in mm, common practice: widest first.</summary>
    public static readonly double[] Usual = [1000, 900, 800, 600, 500, 450, 400, 300];

    /// <summary>The widest strip in mm that is filled without a unit; what is wider takes a unit more.</summary>
    public const double WidestFiller = 250;

    /// <summary>
    /// A line of a length without anything told: a sink in the middle, a dishwasher beside it, a hob, drawers, doors, and a filler
    /// at the right where the units do not come out even. Widths add up to the length exactly.
    /// </summary>
    public static (IReadOnlyList<double> Widths, IReadOnlyList<int> Kinds) Units(double length) =>
        Fill(length, [KitchenUnit.Doors, KitchenUnit.Sink, KitchenUnit.Dishwasher, KitchenUnit.Hob, KitchenUnit.Drawers]);

    /// <summary>
    /// A length filled with what is wanted, in its order, then with doors; wanted units that do not go in are left out from the
    /// end. The rest is a filler.
    /// </summary>
    public static (IReadOnlyList<double> Widths, IReadOnlyList<int> Kinds) Fill(double length, IReadOnlyList<KitchenUnit> wanted)
    {
        List<double> widths = [];
        List<int> kinds = [];
        var rest = length;
        foreach (var unit in wanted)
        {
            var wide = unit == KitchenUnit.Corner ? 900.0 : 600;
            if (wide > rest + Tolerance.Length)
                continue;
            widths.Add(wide);
            kinds.Add((int)unit);
            rest -= wide;
        }
        while (rest > WidestFiller && Usual.FirstOrDefault(wide => wide <= rest + Tolerance.Length) is var wide && wide > 0)
        {
            widths.Add(wide);
            kinds.Add((int)KitchenUnit.Doors);
            rest -= wide;
        }
        if (rest > Tolerance.Length)
        {
            widths.Add(rest);
            kinds.Add((int)KitchenUnit.Filler);
        }
        return (widths, kinds);
    }
}
