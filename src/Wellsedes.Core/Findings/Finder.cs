using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Findings;

/// <summary>Holds a scheme against its checks and its brief.</summary>
public static class Finder
{
    /// <summary>A thing that stands in another, or outside every room.</summary>
    /// <param name="clearing">The move that would clear it; null when there is none, or it is not looked for.</param>
    public static Finding FromOverlap(Plan plan, Level level, Overlap overlap, Clearing? clearing) =>
        FromOverlap(overlap, clearing, plan.Details.Units).On(level);

    /// <summary>A room or a whole level that no way without a step leads to.</summary>
    public static Finding StepTo(PlanRules rules, Level level, string name, string key, ImmutableArray<Point> at) =>
        new(
            $"step-free/{key}",
            FindingWeight.Advise,
            FindingKind.Access,
            $"No step-free way to {name}",
            $"A step or a stair is on every way there. A ramp of at least {rules.RampRun.Value:0} in run for 1 in rise would clear it, or a lift, which is not modelled.",
            0,
            0,
            rules.LevelChange.Source,
            [],
            [],
            at,
            0,
            [],
            level.Id
        );

    /// <summary>A stair or ramp that stands in no room of a level that has some.</summary>
    public static Finding OutsideRooms(Level level, Flight flight) =>
        new(
            $"{level.Id}/outside/{flight.Id}",
            FindingWeight.Advise,
            FindingKind.Overlap,
            $"{flight.Called()} stands outside every room",
            "Move it into a room, or draw what it stands in: ways are only found on floors that are enclosed or outlined.",
            0,
            0,
            "A stair stands on a floor",
            [flight.Called()],
            [flight.Id],
            [flight.Placement.Origin],
            0,
            [],
            level.Id
        );

    /// <summary>Nobody gets in at all.</summary>
    /// <param name="between">An entrance that is marked, but leads from one room to another; null when none is marked.</param>
    public static Finding NoEntrance(string? between) =>
        NoWay(
            "entrance",
            "No entrance marked",
            between is null
                ? "Mark the door people come in by as an entrance: every way is measured from there."
                : $"{between} is marked as an entrance but lies between two rooms. Mark a door that leads in from outside: every way is measured from there.",
            ""
        );

    /// <summary>A level that has no entrance of its own and that no flight leads to.</summary>
    public static Finding NoWayOnto(Level level) =>
        NoWay(
            $"{level.Id}/entrance",
            $"No way onto {level.Name}",
            "It has no entrance, and nobody gets to a stair or ramp that leads to it.",
            level.Id
        );

    private static Finding NoWay(string id, string title, string why, string levelId) =>
        new(
            id,
            FindingWeight.Must,
            FindingKind.Walkway,
            title,
            why,
            0,
            0,
            "Ways are measured from an entrance",
            [],
            [],
            [],
            0,
            [],
            levelId
        );

    private static Finding FromOverlap(Overlap overlap, Clearing? clearing, UnitSystem units)
    {
        var title = overlap.Kind switch
        {
            OverlapKind.ThingInThing => $"{overlap.ItemName} stands in {overlap.OtherName}",
            OverlapKind.ThroughShell => $"{overlap.ItemName} goes through {overlap.OtherName}",
            OverlapKind.OverKeepClear => $"{overlap.ItemName} stands in the way of {overlap.OtherName}",
            OverlapKind.InHeap => $"{overlap.ItemName} stands in {overlap.OtherName}",
            _ => $"{overlap.ItemName} is outside every room",
        };
        var why =
            overlap.Kind == OverlapKind.InHeap ? "Many things lie in one heap here; not every pair of them is told."
            : clearing is { } move ? $"Move {overlap.ItemName} {Told(move.By, units)} to clear."
            : overlap.Kind == OverlapKind.OutsideRooms ? "Move it into a room."
            : "No short move clears it: turn it, or move what stands beside it.";
        return new Finding(
            $"overlap/{overlap.Kind}/{overlap.ItemId}/{overlap.OtherId}",
            FindingWeight.Must,
            FindingKind.Overlap,
            title,
            why,
            overlap.Depth,
            0,
            "Two things cannot share a place",
            [overlap.ItemName, overlap.OtherName],
            [.. new[] { overlap.ItemId, overlap.OtherId }.Where(id => id.Length > 0)],
            [overlap.At],
            0,
            [],
            "",
            overlap.Depth > 0 ? LengthText.WriteRound(overlap.Depth, units) : ""
        );
    }

    /// <summary>A move as it is seen on the plan: how far, and which way. Inches are rounded up, so that it does clear.</summary>
    internal static string Told(Point by, UnitSystem units)
    {
        var far = by.Length;
        var length =
            units == UnitSystem.Metric
                ? LengthText.WriteRound(far, units)
                : LengthText.WriteFeetInches(Math.Ceiling(far / 25.4 * 16 - 1e-6) * 25.4 / 16, 16);
        var turn = Angles.Of(by);
        foreach (var (name, at) in ((string, double)[])[("right", 0), ("up", 90), ("left", 180), ("down", 270)])
            if (Angles.Apart(turn, at) < 0.05)
                return $"{length} {name} on the plan";
        return $"{length} towards {AngleText.Write(turn)} on the plan (counter-clockwise from the right)";
    }

    /// <summary>
    /// Ways that narrow between the same two things and need the same width are one finding, told by its narrowest place. Its
    /// id says what it is about and not how wide that is, so it stays the same while a figure changes.
    /// </summary>
    /// <param name="failing">All of one cause, of one thing after another.</param>
    public static Finding FromWays(Plan plan, Level level, IReadOnlyList<FailingWays> failing) =>
        FromWays([.. failing.SelectMany(of => of.Ways)], failing[0].Cause, plan.Details.Units, plan.Rules).On(level);

    private static Finding On(this Finding finding, Level level) => finding with { LevelId = level.Id, Id = $"{level.Id}/{finding.Id}" };

    private static Finding FromWays(Way[] ways, string cause, UnitSystem units, PlanRules rules)
    {
        // Of several as narrow as each other the first: the last figure of a sum must not choose what is said.
        var way = ways.MinBy(w => Math.Round(w.Width, 3))!;
        var target = way.Target;
        var seats = ways.Count(w => w.Target.Kind == TargetKind.Seat);
        var names = ways.Select(w => w.Target.Name).Distinct().ToArray();
        var to = names.Length == 1 ? names[0] : $"{names[0]} and {names.Length - 1} more";
        var main = target.Needed == ways.Max(w => w.Target.Needed) && target.Kind is TargetKind.Exit or TargetKind.Place;
        var source = main ? rules.MainAisle : rules.SeatAccess;
        var ids = way.Pinch is { } p ? new[] { p.A.OwnerId, p.B.OwnerId }.Distinct() : [target.OwnerId];
        var title = way.Pinch is not { } pinch
            ? $"No way to {to}"
            : $"Way to {to} narrows {Where(pinch)}{(pinch.Level.Length > 0 ? $", {pinch.Level}" : "")}";
        var (measured, needed) = WidthText.Write(way.Width, target.Needed, units);
        return new Finding(
            $"walkway/{cause}/{target.Needed.ToString(CultureInfo.InvariantCulture)}",
            FindingWeight.Must,
            FindingKind.Walkway,
            title,
            way.Pinch is null
                ? "It is shut in: no gap leads from an entrance to it."
                : $"This is the widest way there from an entrance; every other is narrower than {measured}.",
            way.Width,
            target.Needed,
            target.AskedBy.Length > 0
                ? $"Asked of {target.AskedBy}"
                : $"{source.Source}: {char.ToLowerInvariant(source.Name[0])}{source.Name[1..]}",
            way.Pinch is { } between ? [between.A.Name, between.B.Name] : [],
            [.. ids],
            way.Pinch is { Level: "" } at ? [at.OnA, at.OnB] : [way.Access.At],
            seats,
            [.. ways.Select(w => w.Target.OwnerId).Distinct()],
            "",
            measured,
            needed
        );
    }

    /// <summary>A drawn way that is not as wide as it must be.</summary>
    public static Finding FromDrawn(Plan plan, Level level, Way way)
    {
        var (name, pinch) = (way.Target.Name, way.Pinch!);
        string[] things = [.. new[] { pinch.A, pinch.B }.Where(side => side.OwnerId != way.Target.OwnerId).Select(side => side.Name)];
        var (measured, needed) = WidthText.Write(way.Width, way.Target.Needed, plan.Details.Units);
        return new Finding(
            $"drawn/{way.Target.OwnerId}",
            FindingWeight.Must,
            FindingKind.Walkway,
            way.Width <= 0
                ? $"{name} is shut by {string.Join(" and ", things.Distinct())}"
                : $"{name} narrows between {pinch.A.Name} and {pinch.B.Name}",
            way.Width <= 0
                ? "Nobody gets along it: move what stands across it, or draw it elsewhere."
                : $"No more than {measured} of it is free there.",
            way.Width,
            way.Target.Needed,
            "Drawn walkway: what is drawn is to stay free",
            [pinch.A.Name, pinch.B.Name],
            [.. new[] { pinch.A.OwnerId, pinch.B.OwnerId, way.Target.OwnerId }.Distinct()],
            [pinch.OnA, pinch.OnB],
            0,
            [way.Target.OwnerId],
            "",
            measured,
            needed
        ).On(level);
    }

    /// <summary>Between two things, two chairs of one table, or at one of which two parts come near each other: the jambs of a door.</summary>
    private static string Where(Pinch pinch) =>
        pinch.A.OwnerId != pinch.B.OwnerId || pinch.A.Name != pinch.B.Name ? $"between {pinch.A.Name} and {pinch.B.Name}"
        : pinch.A != pinch.B && pinch.A.Name.StartsWith("Chair", StringComparison.Ordinal)
            ? $"between two chairs{pinch.A.Name["Chair".Length..]}"
        : $"at {pinch.A.Name}";

    public static IEnumerable<Finding> FromBrief(Tally tally, UnitSystem units)
    {
        if (tally.SeatsAsked is { } seats && tally.Seats < seats)
            yield return Short("seats", "Seats", tally.Seats, seats);
        if (tally.TablesAsked is { } tables && tally.Tables < tables)
            yield return Short("tables", "Tables", tally.Tables, tables);
        if (tally.WorkstationsAsked is { } desks && tally.Workstations < desks)
            yield return Short("workstations", "Workstations", tally.Workstations, desks);
        foreach (var line in tally.Further.Where(line => line.IsShort))
            yield return line.IsLength ? ShortLength(line, units) : Short(line.Key, line.Name, (int)line.Has, (int)line.Wanted);
        if (tally is { AreaPerSeatAsked: { } area, AreaPerSeat: { } has } && has < area - 1e-9)
            yield return new Finding(
                "brief/area",
                FindingWeight.Advise,
                FindingKind.Brief,
                $"{AreaText.WriteSmall(has, units)} a seat, {AreaText.WriteSmall(area, units)} asked",
                "Fewer seats or a larger room would reach it.",
                has,
                area,
                "Brief",
                [],
                [],
                [],
                0,
                [],
                "",
                AreaText.WriteSmall(has, units),
                AreaText.WriteSmall(area, units)
            );
    }

    private static Finding ShortLength(AskedLine line, UnitSystem units)
    {
        var (has, asked) = (LengthText.Tell(line.Has, units), LengthText.Tell(line.Wanted, units));
        return Short(line.Key, line.Name, 0, 0) with
        {
            Title = $"{line.Name}: {has} set, {asked} asked",
            Why = $"{LengthText.Tell(line.Wanted - line.Has, units)} more would meet the brief.",
            Measured = line.Has,
            Needed = line.Wanted,
            MeasuredText = has,
            NeededText = asked,
        };
    }

    private static Finding Short(string id, string name, int has, int asked) =>
        new(
            $"brief/{id}",
            FindingWeight.Must,
            FindingKind.Brief,
            $"{name}: {has} set, {asked} asked",
            $"{asked - has} more would meet the brief.",
            has,
            asked,
            "Brief",
            [],
            [],
            [],
            0,
            [],
            "",
            has.ToString(CultureInfo.InvariantCulture),
            asked.ToString(CultureInfo.InvariantCulture)
        );
}
