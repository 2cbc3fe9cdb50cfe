using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Findings;

/// <summary>Holds a scheme against its checks and its brief.</summary>
public static class Finder
{
    /// <summary>Findings of one level.</summary>
    public static IEnumerable<Finding> OfLevel(Plan plan, Level level, IReadOnlyList<Overlap> overlaps, IReadOnlyList<Way> ways)
    {
        var units = plan.Details.Units;
        return overlaps
            .Select(overlap => FromOverlap(overlap, units))
            .Concat(Walkways(ways, units, plan.Rules))
            .Select(finding => finding with { LevelId = level.Id, Id = $"{level.Id}/{finding.Id}" });
    }

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

    private static Finding FromOverlap(Overlap overlap, UnitSystem units)
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
            : overlap.Depth > 0 ? $"Move it by {LengthText.Write(overlap.Depth, units)} to clear."
            : "Move it into a room.";
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
            []
        );
    }

    /// <summary>
    /// Ways that narrow between the same two things and need the same width are one finding, told by its narrowest place. Its
    /// id says what it is about and not how wide that is, so it stays the same while a figure changes.
    /// </summary>
    private static IEnumerable<Finding> Walkways(IReadOnlyList<Way> ways, UnitSystem units, PlanRules rules) =>
        ways.Where(way => !way.Holds)
            .GroupBy(way => (Key(way), way.Target.Needed))
            .Select(group => FromWays([.. group], units, rules))
            .OrderBy(finding => finding.Measured / finding.Needed)
            .ThenBy(finding => finding.Id, StringComparer.Ordinal);

    private static string Key(Way way) =>
        way.Pinch is not { } pinch ? $"none/{way.Target.OwnerId}"
        : string.CompareOrdinal(pinch.A.OwnerId, pinch.B.OwnerId) <= 0 ? $"{pinch.A.OwnerId}/{pinch.B.OwnerId}"
        : $"{pinch.B.OwnerId}/{pinch.A.OwnerId}";

    private static Finding FromWays(Way[] ways, UnitSystem units, PlanRules rules)
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
        var title =
            way.Pinch is not { } pinch ? $"No way to {to}"
            : pinch.A == pinch.B ? $"Way to {to} narrows on {pinch.A.Name}"
            : $"Way to {to} narrows between {pinch.A.Name} and {pinch.B.Name}{(pinch.Level.Length > 0 ? $", {pinch.Level}" : "")}";
        return new Finding(
            $"walkway/{Key(way)}/{target.Needed.ToString(CultureInfo.InvariantCulture)}",
            FindingWeight.Must,
            FindingKind.Walkway,
            title,
            way.Pinch is null
                ? "It is shut in: no gap leads from an entrance to it."
                : $"This is the widest way there from an entrance; every other is narrower than {LengthText.Write(way.Width, units)}.",
            way.Width,
            target.Needed,
            $"{source.Source}: {char.ToLowerInvariant(source.Name[0])}{source.Name[1..]}",
            way.Pinch is { } between ? [between.A.Name, between.B.Name] : [],
            [.. ids],
            way.Pinch is { Level: "" } at ? [at.OnA, at.OnB] : [way.Access.At],
            seats,
            [.. ways.Select(w => w.Target.OwnerId).Distinct()]
        );
    }

    public static IEnumerable<Finding> FromBrief(Tally tally)
    {
        if (tally.SeatsAsked is { } seats && tally.Seats < seats)
            yield return Short("seats", "Seats", tally.Seats, seats);
        if (tally.TablesAsked is { } tables && tally.Tables < tables)
            yield return Short("tables", "Tables", tally.Tables, tables);
        if (tally.WorkstationsAsked is { } desks && tally.Workstations < desks)
            yield return Short("workstations", "Workstations", tally.Workstations, desks);
        if (tally is { AreaPerSeatAsked: { } area, AreaPerSeat: { } has } && has < area - 1e-9)
            yield return new Finding(
                "brief/area",
                FindingWeight.Advise,
                FindingKind.Brief,
                string.Create(CultureInfo.InvariantCulture, $"{has:0.00} m² a seat, {area:0.00} asked"),
                "Fewer seats or a larger room would reach it.",
                has,
                area,
                "Brief",
                [],
                [],
                [],
                0,
                []
            );
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
            []
        );
}
