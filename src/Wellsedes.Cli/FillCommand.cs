using System.Globalization;
using System.Text.Json;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Cli;

/// <summary>Fills a room or a zone of a plan file with seats and prints the candidates; with --out the first is taken.</summary>
internal static class FillCommand
{
    private static readonly string[] Valued =
    [
        "--area",
        "--style",
        "--table",
        "--seats-per-table",
        "--guests",
        "--gap",
        "--row-gap",
        "--wall-gap",
        "--facing",
        "--scheme",
        "--level",
        "--out",
    ];

    public static int Run(string[] args)
    {
        var arguments = new Arguments(args, Valued, ["--dense", "--free", "--json"]);
        var state = OpenedPlan.Read(arguments.File, arguments.Value("--scheme"), arguments.Value("--level"));
        var block = Block(arguments, state);
        var edit = Over(arguments, state, block);
        var candidates = new Planner().Candidates(state.Plan, edit, judged: true, out var problem);
        if (problem is not null)
            throw new CommandException(problem.Message);
        if (candidates.IsEmpty)
            throw new CommandException("Nothing of this has room in the area; choose a smaller table, or smaller gaps.");
        if (arguments.Value("--out") is { } path)
            Write(path, arguments.File, state.Plan, candidates[0]);
        if (arguments.Has("--json"))
            Console.WriteLine(
                JsonSerializer.Serialize(
                    new
                    {
                        Candidates = candidates.Select(one => new
                        {
                            one.Words,
                            one.Seats,
                            one.Standing,
                            one.Tables,
                            one.Neatness,
                            NarrowestWay = one.Narrowest is { } width ? Math.Round(width, 3) : (double?)null,
                            one.Unreached,
                            one.AreaPerSeat,
                            MoreThanNeat = one.More,
                            one.Short,
                        }),
                    },
                    PlanJson.Indented
                )
            );
        else
            foreach (var one in candidates)
                Console.WriteLine(Line(one, block.Style, state.Plan.Details.Units));
        return 0;
    }

    private static string Line(FillCandidate one, SeatingStyle style, UnitSystem units)
    {
        var tables = SeatingStyles.Of(style).IsOfChairs ? "" : $", {one.Tables} {(style == SeatingStyle.Exam ? "desks" : "tables")}";
        var way = one.Narrowest is { } width
            ? $", narrowest way {WidthText.Write(width, units)}{(units == UnitSystem.Metric ? " mm" : "")}"
            : "";
        var more = one.More is { } won ? $", {(won == 0 ? "none" : won)} more than in lines or staggered" : "";
        var missed = one.Unreached > 0 ? $", {one.Unreached} too narrow" : "";
        return string.Create(
            CultureInfo.InvariantCulture,
            $"{one.Words}: {(one.Standing > 0 ? $"{one.Standing} standing" : $"{one.Seats} seats")}{tables}{more}, neatness {one.Neatness}{way}{missed}"
        );
    }

    private static void Write(string path, string from, Plan plan, FillCandidate first)
    {
        var answer = new Planner().Answer(plan, first.Edit);
        if (answer.Change is not { } change || !plan.TryApply(change, out var filled, out _))
            throw new CommandException(answer.Problem?.Message ?? "The fill could not be put in.");
        File.WriteAllBytes(path, PlanFiles.Write(filled, PlanFiles.ReadWhole(OpenedPlan.Bytes(from)).Pictures));
    }

    private static SeatingBlock Block(Arguments arguments, PlanState state)
    {
        var style = Style(arguments.Value("--style") ?? "rounds");
        var block = ((SeatingBlock)SeatingBlock.Kind.Make(FreshId(state.Plan), state.LevelId, state.SchemeId, default)).As(style);
        return block with
        {
            Catalogue = arguments.Value("--table") ?? block.Catalogue,
            Seats = Count("--seats-per-table"),
            Guests = Count("--guests"),
            GapInRow = Length("--gap") ?? block.GapInRow,
            GapBetweenRows = Length("--row-gap") ?? block.GapBetweenRows,
            GapToWalls = Length("--wall-gap") ?? block.GapToWalls,
            Facing = Number("--facing") ?? block.Facing,
            Layout = arguments.Has("--dense") ? BlockLayout.Dense : block.Layout,
        };

        int? Count(string name) =>
            arguments.Value(name) is not { } text ? null
            : int.TryParse(text, CultureInfo.InvariantCulture, out var count) ? count
            : throw new CommandException($"{name} needs a whole number; \"{text}\" was given.");

        double? Number(string name) =>
            arguments.Value(name) is not { } text ? null
            : double.TryParse(text, CultureInfo.InvariantCulture, out var number) ? number
            : throw new CommandException($"{name} needs a number; \"{text}\" was given.");

        double? Length(string name)
        {
            if (arguments.Value(name) is not { } text)
                return null;
            var read = LengthText.Read(text, UnitSystem.Metric);
            return read.Value ?? throw new CommandException($"{name}: {read.Problem}");
        }
    }

    private static string FreshId(Plan plan)
    {
        var id = "block";
        for (var n = 2; plan.Find(id) is not null; n++)
            id = $"block-{n}";
        return id;
    }

    /// <summary>By its name in code or by what it is called, with or without hyphens.</summary>
    private static SeatingStyle Style(string text)
    {
        static string Plain(string name) => name.Replace("-", "", StringComparison.Ordinal).Replace(" ", "", StringComparison.Ordinal);
        foreach (var usual in SeatingStyles.All)
            if (
                Plain(text).Equals($"{usual.Style}", StringComparison.OrdinalIgnoreCase)
                || Plain(text).Equals(Plain(usual.Label), StringComparison.OrdinalIgnoreCase)
            )
                return usual.Style;
        throw new CommandException(
            $"There is no style \"{text}\"; there are {string.Join(", ", SeatingStyles.All.Select(usual => usual.Style))}."
        );
    }

    /// <summary>The edit that fills a room or a zone.</summary>
    private static Edit Over(Arguments arguments, PlanState state, SeatingBlock block)
    {
        var name = arguments.Value("--area") ?? throw new CommandException($"Name the area to fill by --area: {Areas(state)}.");
        if (state.Space.Rooms.FirstOrDefault(room => Is(name, room.Room.Id, room.Room.Name)) is { } found)
            return new PutOverRooms(block, [found.Room.Id], arguments.Has("--free")) { Sure = true };
        if (state.Level.Things.OfType<Core.KindsOfThing.Zones.Zone>().FirstOrDefault(zone => Is(name, zone.Id, zone.OwnName())) is { } zone)
            return new PutThing(
                block with
                {
                    X = zone.X,
                    Y = zone.Y,
                    Rotation = zone.Rotation,
                    Width = zone.Width,
                    Depth = zone.Depth,
                    Shape = zone.Shape is { } shape ? shape with { Rooms = [] } : null,
                }
            )
            {
                Sure = true,
            };
        throw new CommandException($"There is no room or zone \"{name}\" on {state.Space.Level.Name}; there are {Areas(state)}.");

        static bool Is(string name, string id, string called) => id == name || called.Equals(name, StringComparison.OrdinalIgnoreCase);
    }

    private static string Areas(PlanState state) =>
        string.Join(
            ", ",
            state
                .Space.Rooms.Select(room => room.Room.Name)
                .Concat(
                    state
                        .Level.Things.OfType<Core.KindsOfThing.Zones.Zone>()
                        .Select(zone => zone.OwnName())
                        .Where(called => called.Length > 0)
                )
        );
}
