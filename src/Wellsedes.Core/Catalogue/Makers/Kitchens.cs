using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>Kitchen units singly, in a line under one worktop, and as an island.</summary>
internal static class Kitchens
{
    /// <summary>Usual heights in mm, common practice: plinth, underside of wall units above the floor.</summary>
    private const double Plinth = 100;
    public const double WallUnitsFrom = 1400;

    public static bool IsTall(int kind) => (KitchenUnit)kind is KitchenUnit.OvenStack or KitchenUnit.Fridge or KitchenUnit.Tall;

    /// <summary>One unit by itself: what it holds is its parameter.</summary>
    public static Form Unit(MakerInput input)
    {
        var making = new Making(input).Whole().NeedsInFront("To work at it", 1000);
        var kind = (int)input.Parameters.Number(0);
        making.Draw(SymbolRole.Body, PathShape.Box(-making.X, -making.Y, making.X, making.Y));
        Stood(making, kind, -making.X, making.X, -making.Y, making.H, making.H);
        return making.Front().Form();
    }

    /// <summary>
    /// A line of units under one worktop, its back to a wall. Widths and kinds of its units from left to right, looking at its
    /// front; wall units above where it is told their widths; the worktop overhangs the fronts.
    /// </summary>
    public static Form Run(MakerInput input)
    {
        var making = new Making(input).Whole().NeedsInFront("To work at it", 1000);
        var (widths, kinds) = UnitsOf(input.Size, input.Parameters);
        var (overhang, thick, worktop) = (
            input.Parameters.Number(3),
            input.Parameters.Number(4),
            Math.Min(input.Parameters.Number(5), making.H)
        );
        var front = -making.Y + overhang;
        // A worktop lies on every stretch of low units.
        var at = -making.X;
        double? from = null;
        for (var i = 0; i <= widths.Count; i++)
        {
            var isLow = i < widths.Count && !IsTall(kinds[i]);
            if (isLow)
                from ??= at;
            else if (from is { } start)
            {
                making.Block(SymbolRole.Body, PrismRole.Top, start, -making.Y, at, making.Y, worktop - thick, worktop);
                if (overhang > 1)
                    making.Fine(PathShape.Line(new Point(start, front), new Point(at, front)));
                from = null;
            }
            if (i < widths.Count && IsTall(kinds[i]))
                making.Draw(SymbolRole.Body, PathShape.Box(at, front, at + widths[i], making.Y));
            if (i < widths.Count)
                at += widths[i];
        }
        at = -making.X;
        for (var i = 0; i < widths.Count; at += widths[i], i++)
            Stood(making, kinds[i], at, at + widths[i], front, IsTall(kinds[i]) ? making.H : worktop - thick, worktop);
        at = -making.X;
        foreach (var wide in input.Parameters.List(2))
        {
            var deep = Math.Min(WallUnitDeep, 2 * making.Y);
            making.Draw(SymbolRole.Use, PathShape.Box(at, making.Y - deep, at + wide, making.Y));
            if (making.H > WallUnitsFrom)
                making.Stands(PrismRole.Front, at + 2, making.Y - deep, at + wide - 2, making.Y, WallUnitsFrom, making.H);
            at += wide;
        }
        return making.Front().Form();
    }

    /// <summary>Depth of wall units in mm, common practice.</summary>
    private const double WallUnitDeep = 330;

    /// <summary>An island: units along its front under a worktop that overhangs its back, where one may sit.</summary>
    public static Form Island(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        var (widths, kinds) = UnitsOf(input.Size, input.Parameters);
        var (overhang, thick) = (input.Parameters.Number(3), input.Parameters.Number(4));
        var knees = input.Seats.Back > 0 ? Math.Min(300, y * 0.6) : overhang;
        for (var i = 0; i < input.Seats.Back; i++)
        {
            var seat = new SeatPlace(
                new Point(x - 2 * x * (i + 0.5) / input.Seats.Back, y),
                new Point(0, 1),
                input.Chair.Width,
                input.Chair.Depth,
                true
            );
            var stool = seat.ChairAt(input.OccupiedDepth).Origin;
            making.Sits(seat).Draw(SymbolRole.Seat, PathShape.Circle(stool, input.Chair.Width / 2));
        }
        making
            .Whole()
            .NeedsInFront("To work at it", 1000)
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, making.H - thick, making.H)
            .Draw(SymbolRole.Use, PathShape.Box(-x + overhang, -y + overhang, x - overhang, y - knees));
        var at = -x;
        for (var i = 0; i < widths.Count; at += widths[i], i++)
            Stood(
                making,
                kinds[i],
                Math.Max(at, -x + overhang),
                Math.Min(at + widths[i], x - overhang),
                -y + overhang,
                making.H - thick,
                making.H,
                Math.Min(-y + overhang + 580, y - knees)
            );
        making.Stands(
            PrismRole.Body,
            -x + overhang,
            Math.Min(-y + overhang + 580, y - knees),
            x - overhang,
            y - knees,
            0,
            making.H - thick
        );
        return making.Front().Form();
    }

    /// <summary>
    /// The units of a line and what they hold: as told; what is told of widths alone is filled with doors. Where nothing is told,
    /// as many 600 mm units as go in with one filler for the rest, the sink in the middle.
    /// </summary>
    public static (IReadOnlyList<double> Widths, IReadOnlyList<int> Kinds) UnitsOf(ItemSize size, MakerParameters parameters)
    {
        var widths = parameters.List(0);
        if (widths.IsEmpty)
            return KitchenFill.Units(size.Width);
        var kinds = parameters.List(1);
        return (widths, [.. widths.Select((_, i) => i < kinds.Length ? (int)kinds[i] : (int)KitchenUnit.Doors)]);
    }

    /// <summary>Units fill their line, there are as many kinds as units, and wall units go no further than the line.</summary>
    public static (string, string)? WrongLine(ItemSize size, MakerParameters parameters)
    {
        var (widths, kinds, above) = (parameters.List(0), parameters.List(1), parameters.List(2));
        if (!widths.IsEmpty && Math.Abs(widths.Sum() - size.Width) > Tolerance.Length)
            return ("units", $"The units add up to {widths.Sum():0.##} mm; the line is {size.Width:0.##} long.");
        if (!kinds.IsEmpty && kinds.Length != widths.Length)
            return ("kinds", $"There are {widths.Length} units and {kinds.Length} kinds; each unit has one.");
        return above.Sum() > size.Width + Tolerance.Length
            ? ("wall-units", $"The wall units add up to {above.Sum():0.##} mm; the line is {size.Width:0.##} long.")
            : null;
    }

    /// <summary>A unit between two places of its line: what is drawn on it and what stands.</summary>
    private static void Stood(
        Making making,
        int kind,
        double left,
        double right,
        double front,
        double to,
        double worktop,
        double? backAt = null
    )
    {
        var back = backAt ?? making.Y;
        if (right - left < 1)
            return;
        var (mx, my) = ((left + right) / 2, (front + back) / 2);
        var (hw, hd) = ((right - left) / 2, (back - front) / 2);
        var low = Math.Min(Plinth, to * 0.3);
        making.Stands(PrismRole.Body, left, front + 60, right, back, 0, low).Stands(PrismRole.Body, left, front + 18, right, back, low, to);
        if (left > -making.X + 1)
            making.Draw(SymbolRole.Detail, PathShape.Line(new Point(left, front), new Point(left, back)));
        switch ((KitchenUnit)kind)
        {
            case KitchenUnit.Drawers:
                for (var i = 0; i < 3; i++)
                    making.Stands(
                        PrismRole.Front,
                        left + 2,
                        front,
                        right - 2,
                        front + 18,
                        low + (to - low) * i / 3 + 2,
                        low + (to - low) * (i + 1) / 3 - 2
                    );
                making.Fine(PathShape.Line(new Point(left, front + 25), new Point(right, front + 25)));
                making.Fine(PathShape.Box(mx - hw * 0.4, front + 25, mx + hw * 0.4, front + 40), SymbolRole.Solid);
                return;
            case KitchenUnit.Sink:
                making
                    .Draw(
                        SymbolRole.Seat,
                        PathShape.Rounded(mx - hw * 0.7, my - hd * 0.55, mx + hw * 0.7, my + hd * 0.45, Math.Min(hw, hd) * 0.25)
                    )
                    .Draw(SymbolRole.Solid, PathShape.Circle(new Point(mx, my + hd * 0.65), Math.Min(hw, hd) * 0.09))
                    .Fine(PathShape.Circle(new Point(mx, my - hd * 0.05), Math.Min(hw, hd) * 0.1));
                break;
            case KitchenUnit.Hob:
                Rings(making, mx, my, hw * 0.85, hd * 0.7);
                making.Stands(
                    PrismRole.Display,
                    mx - hw * 0.9,
                    my - hd * 0.75,
                    mx + hw * 0.9,
                    my + hd * 0.75,
                    worktop - 4,
                    Math.Min(worktop + 6, making.H)
                );
                making.Stands(PrismRole.Display, left + 2, front, right - 2, front + 18, low + 100, to - 60);
                return;
            case KitchenUnit.Dishwasher:
                making
                    .Draw(
                        SymbolRole.Detail,
                        PathShape.Rounded(mx - hw * 0.8, my - hd * 0.7, mx + hw * 0.8, my + hd * 0.7, Math.Min(hw, hd) * 0.1)
                    )
                    .Line(new Point(mx - hw * 0.8, my), new Point(mx + hw * 0.8, my))
                    .Line(new Point(mx, my - hd * 0.7), new Point(mx, my + hd * 0.7));
                break;
            case KitchenUnit.Washer:
                making
                    .Draw(SymbolRole.Detail, PathShape.Circle(new Point(mx, my), Math.Min(hw, hd) * 0.6))
                    .Draw(SymbolRole.Detail, PathShape.Circle(new Point(mx, my), Math.Min(hw, hd) * 0.45));
                break;
            case KitchenUnit.Corner:
                making.Line(new Point(left, front), new Point(right, back));
                break;
            case KitchenUnit.Filler:
                making.Draw(SymbolRole.Solid, PathShape.Box(left, front, right, Math.Min(front + 18, back)));
                break;
            case KitchenUnit.Fridge:
                making
                    .Line(new Point(left, front), new Point(right, back))
                    .Draw(SymbolRole.Use, Marks.Swing(new Point(left, front), right - left));
                break;
            case KitchenUnit.OvenStack:
                making
                    .Line(new Point(left, front), new Point(right, back))
                    .Line(new Point(left, back), new Point(right, front))
                    .Draw(SymbolRole.Detail, PathShape.Box(mx - hw * 0.7, front + hd * 0.15, mx + hw * 0.7, my))
                    .Stands(PrismRole.Display, left + 20, front, right - 20, front + 18, to * 0.35, to * 0.7);
                return;
            case KitchenUnit.Tall:
                making.Line(new Point(left, front), new Point(right, back)).Line(new Point(left, back), new Point(right, front));
                break;
            default:
                making.Fine(PathShape.Circle(new Point(mx, front + Math.Min(40, hd * 0.3)), Math.Min(14, hw * 0.2)), SymbolRole.Solid);
                making.Fine(PathShape.Line(new Point(left, front + 25), new Point(right, front + 25)));
                break;
        }
        var leaves = right - left > 650 ? 2 : 1;
        for (var i = 0; i < leaves; i++)
        {
            var wide = (right - left) / leaves;
            making.Stands(PrismRole.Front, left + wide * i + 2, front, left + wide * (i + 1) - 2, front + 18, low, to);
        }
    }

    /// <summary>Four rings of a hob; the one at the front left and the one at the back right are larger.</summary>
    internal static Making Rings(Making making, double mx, double my, double hw, double hd)
    {
        making.Draw(SymbolRole.Detail, PathShape.Rounded(mx - hw, my - hd, mx + hw, my + hd, Math.Min(hw, hd) * 0.1));
        foreach (var (sx, sy, large) in ((double, double, bool)[])[(-1, -1, true), (1, -1, false), (1, 1, true), (-1, 1, false)])
            making.Draw(
                SymbolRole.Detail,
                PathShape.Circle(new Point(mx + sx * hw * 0.48, my + sy * hd * 0.48), Math.Min(hw, hd) * (large ? 0.36 : 0.26))
            );
        return making;
    }
}
