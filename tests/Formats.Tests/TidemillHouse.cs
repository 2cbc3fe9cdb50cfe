using SkiaSharp;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.KindsOfThing.Fittings;
using Wellsedes.Core.KindsOfThing.LowCeilings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Formats.Tests;

/// <summary>
/// The invented Tidemill House, drawn by edits as a planner would: two levels by typed sizes, the top one over a
/// picture. The shipped demo file is what comes out.
/// </summary>
internal static class TidemillHouse
{
    private const string Ground = PlanStart.LevelId;
    private const string First = "level-1";
    private const string Top = "level-2";
    private const string PictureId = "0190a000-0000-7000-8000-00000000f1a7";

    public static Plan Draw()
    {
        var planner = new Planner();
        var plan = Plan.Of(PlanStart.Entities("Tidemill House, three levels", UnitSystem.Metric), Shipped.Library);
        foreach (
            var edit in GroundFloor()
                .Concat(FirstFloor())
                .Concat(TopFloor())
                .Concat(TidemillFlat.Furnish(Top))
                .Concat(TidemillStudio.Furnish(First))
        )
        {
            var answer = planner.Answer(plan, edit);
            if (answer.Change is null || !plan.TryApply(answer.Change, out plan, out _))
                throw new InvalidOperationException($"{edit}: {answer.Problem?.Message}");
        }
        return DemoViewpoints.Kept(Held(planner, plan), DemoViewpoints.TidemillHouse(plan));
    }

    /// <summary>The books it is held against; the narrow door of the bath is accepted as it is.</summary>
    private static Plan Held(Planner planner, Plan plan)
    {
        foreach (var book in (string[])["english-guidance", "american-accessibility", "space-standards", "german-workplaces"])
            Do(new ChooseBook($"book-{book}", book));
        // Nobody is sure of its value: a rule of the house.
        Do(new TakeHouseRule("book-house", "area-boardroom"));
        Do(
            new ChangeRule(
                "desks-by-tenant",
                "asr-a1.2-movement-area",
                Reason: "The desks are the tenant's own; movement areas are agreed with the tenant."
            )
        );
        foreach (var scheme in plan.Schemes.ToArray())
        {
            var door = planner.StateOf(plan, scheme.Id, Top).Findings.Single(finding => finding.RuleId == "ada-404.2.3-door-clear");
            Do(
                new AcceptFinding(
                    new Acceptance(
                        $"{scheme.Id}-door",
                        scheme.Id,
                        door.Id,
                        door.Measured,
                        door.Needed,
                        "Built so under the roof; guests use the toilets on the ground floor.",
                        "N. Ash",
                        "2026-11-27"
                    )
                )
            );
        }
        return plan;

        void Do(Edit edit)
        {
            var answer = planner.Answer(plan, edit);
            if (answer.Change is null || !plan.TryApply(answer.Change, out plan, out _))
                throw new InvalidOperationException($"{edit}: {answer.Problem?.Message}");
        }
    }

    private static PutOpening Door(
        string id,
        string wall,
        OpeningKind kind,
        double along,
        double width,
        OpeningMark mark = OpeningMark.None,
        bool right = false,
        string name = "",
        double sill = 0,
        double height = 2100
    ) => new(new Opening(id, wall, kind, along, width, 0, height, sill, mark, false, right, name));

    private static IEnumerable<Edit> GroundFloor()
    {
        yield return new MakeRoom("hall", Ground, "Millrace Hall", 18000, 13000, 300, 4200, WallType: "Masonry 300");
        yield return new MakeRoom("lobby", Ground, "Lobby", 6000, 3600, 300, 4200, 6000, -3900, WallType: "Masonry 300");
        yield return new MakeRoom("store", Ground, "Store", 4000, 3600, 300, 4200, 12300, -3900, WallType: "Masonry 300");
        yield return new MakeRoom("stairs", Ground, "Stair hall", 2600, 8200, 300, 4200, 3100, -8500, WallType: "Masonry 300");
        yield return new NameRoom("hall", "Millrace Hall", "Assembly", "G1", 4200);
        yield return new NameRoom("lobby", "Lobby", "Lobby", "G2", 4200);
        yield return new NameRoom("store", "Store", "Store", "G3", 4200);
        yield return new NameRoom("stairs", "Stair hall", "Stair", "G4", 4200);
        yield return Door(
            "main-door",
            "lobby-south",
            OpeningKind.DoubleDoor,
            3150,
            1900,
            OpeningMark.EntranceAndExit,
            true,
            "Main entrance"
        );
        yield return Door("hall-door", "hall-south", OpeningKind.DoubleDoor, 9150, 1900, right: true, name: "Hall doors");
        yield return Door("store-door", "lobby-east", OpeningKind.SingleDoor, 1950, 1010, right: true);
        yield return Door("stair-door", "lobby-west", OpeningKind.SingleDoor, 900, 1110);
        yield return Door("side-exit", "hall-east", OpeningKind.DoubleDoor, 6500, 1810, OpeningMark.Exit, true, "Side exit");
        foreach (var (x, i) in new[] { 3150.0, 7150, 11150, 15150 }.Select((x, i) => (x, i)))
            yield return Door($"hall-window-{i + 1}", "hall-north", OpeningKind.Window, x, 2400, sill: 900, height: 2400);
        yield return new PutThing(new Column("column", Ground, 6000, 4500, 0, 400, 400, true));
        yield return new RepeatThing("column", "column", 2, 2, 6000, 4000);
        yield return new PutThing(new Fitting("shaft", Ground, FittingKind.Shaft, 17500, 12500, 0, 1000, 1000, 4200, "Shaft"));
        yield return new PutThing(
            new Flight("stair-1", Ground, FlightKind.Stair, 4100, -4380, 0, 1400, 6240, 4500, 25, "", "Stair to the studio")
        );
        foreach (
            var (kind, x, y, turn, i) in new[]
            {
                (FittingKind.Socket, 100.0, 3000.0, 90.0, 1),
                (FittingKind.Socket, 100, 10000, 90, 2),
                (FittingKind.DataPoint, 100, 3400, 90, 3),
            }
        )
            yield return new PutThing(new Fitting($"point-{i}", Ground, kind, x, y, turn, 80, 80, 80));
        yield return new PutThing(new Fitting("radiator-1", Ground, FittingKind.Radiator, 9150, 12950, 0, 1800, 100, 600));
        yield return new MakeRoom("terrace", Ground, "Mill terrace", 6000, 5000, 0, 4200, 18300, 4000, Outline: true);
        yield return new NameRoom("terrace", "Mill terrace", "Terrace", "", 4200);
    }

    private static IEnumerable<Edit> FirstFloor()
    {
        yield return new PutLevel(new Level(First, "First floor", 4500, 2700));
        yield return new CopyShell(Ground, First, "first", Names: false);
        yield return new PutThing(
            new Flight("stair-1", Ground, FlightKind.Stair, 4100, -4380, 0, 1400, 6240, 4500, 25, First, "Stair to the studio")
        );
        yield return new NameRoom("studio", "Sluice Studio", "Office", "1.1", 2700, First, 15_200, 7900);
        yield return new NameRoom("first-stairs", "Stair hall", "Stair", "1.2", 2700, First, 5400, -500);
        yield return new NameRoom("landing", "Landing", "Circulation", "1.3", 2700, First, 9000, -2000);
        yield return new NameRoom("archive", "Archive", "Store", "1.4", 2700, First, 14300, -2000);
        foreach (
            var (id, from, corner, to) in new[]
            {
                ("meeting-1", new Point(12000, 13000), new Point(12000, 9000), new Point(18000, 9000)),
                ("meeting-2", new Point(15000, 13150), new Point(15000, 9000), default),
            }
        )
            yield return new DrawWalls(
                id,
                First,
                from,
                to == default ? [new ChainSide(corner)] : [new ChainSide(corner), new ChainSide(to)],
                false,
                "Glass 60"
            );
        yield return new NameRoom("weir", "Weir", "Meeting", "1.5", 2700, First, 13_500, 12_700);
        yield return new NameRoom("penstock", "Penstock", "Meeting", "1.6", 2700, First, 16_200, 12_700);
        yield return Door("weir-door", "meeting-1-2", OpeningKind.SlidingDoor, 1500, 1000);
        yield return Door("penstock-door", "meeting-1-2", OpeningKind.SlidingDoor, 4500, 1000);
        yield return new PutThing(
            new Flight("stair-2", First, FlightKind.Stair, 600, 2580, 0, 900, 3360, 1, 15, "", "Stair to the flat") { Rise = 3000 }
        );
    }

    /// <summary>The flat's inside corners in mm, as they lie on the picture's own level.</summary>
    private static readonly (double X, double Y)[] FlatCorners = [(0, 0), (9300, 0), (9300, 5200), (0, 5200)];

    private static IEnumerable<Edit> TopFloor()
    {
        yield return new PutLevel(new Level(Top, "Keeper's Flat", 7500, 2500));
        yield return new PutThing(
            new Flight("stair-2", First, FlightKind.Stair, 600, 2580, 0, 900, 3360, 3000, 15, Top, "Stair to the flat")
        );
        // The picture is laid beneath, turned until level, and set to scale by the one length that is known: a door leaf of 826.
        yield return new PutBacking(new Backing("sketch", Top, PictureId, "keepers-flat.png", Columns, Rows, 0, 0, 0, 4));
        var (west, east) = (OnPicture(new(0, 0)), OnPicture(new(9300, 0)));
        yield return new LevelBacking("sketch", west, east);
        yield return new ScaleBacking("sketch", [new KnownLength(OnPicture(new(5200, 900)), OnPicture(new(5200 - 826, 900)), 826)]);
        yield return new ScaleBacking("sketch", [new KnownLength(west, east, 9300)]);
        yield return new Remove(["sketch"]);
        var placed = Laid(west, east);
        yield return new PutBacking(placed);
        yield return new LockThings(["sketch"], true);
        yield return new DrawWalls(
            "flat",
            Top,
            new Point(FlatCorners[0].X, FlatCorners[0].Y),
            [.. FlatCorners.Skip(1).Select(c => new ChainSide(new Point(c.X, c.Y), 0, Certainty.Assumed))],
            true,
            "Masonry 200",
            WallLine.InsideFace
        );
        yield return new DrawWalls(
            "flat-p",
            Top,
            new(5250, -100),
            [new ChainSide(new(5250, 5300), 0, Certainty.Assumed)],
            false,
            "Stud 100"
        );
        yield return new DrawWalls(
            "flat-b",
            Top,
            new(5250, 3150),
            [new ChainSide(new(9400, 3150), 0, Certainty.Assumed)],
            false,
            "Stud 100"
        );
        yield return new NameRoom("living", "Living and kitchen", "Living", "2.1", 2500, Top, 3000, 4500);
        yield return new NameRoom("bedroom", "Bedroom", "Bedroom", "2.2", 2500, Top, 7000, 1500);
        yield return new NameRoom("bath", "Bath", "Bathroom", "2.3", 2500, Top, 7000, 4000);
        yield return Door("bedroom-door", "flat-p-1", OpeningKind.SingleDoor, 1000 + 413, 876);
        yield return Door("bath-door", "flat-p-1", OpeningKind.SlidingDoor, 4400, 800);
        yield return Door("flat-window-1", "flat-1", OpeningKind.Window, 2600, 1800, sill: 900, height: 1300);
        yield return Door("flat-window-2", "flat-1", OpeningKind.Window, 7300, 1200, sill: 900, height: 1300);
        yield return new PutThing(new Fitting("tub", Top, FittingKind.Bath, 8500, 4850, 0, 1600, 700, 550));
        yield return new PutThing(new Fitting("wc", Top, FittingKind.Toilet, 6900, 4850, 0, 380, 700, 800));
        yield return new PutThing(new Fitting("basin", Top, FittingKind.Basin, 6100, 4975, 0, 550, 450, 850));
        yield return new PutThing(new LowCeiling("eaves", Top, 7300, 600, 0, 4000, 1200, 1400, 2500));
    }

    public const int Columns = 2400;
    public const int Rows = 1500;

    /// <summary>True scale and turn of the picture: what a trace has to find out.</summary>
    public const double TrueScale = 4.5;
    public const double TrueTurn = 1.7;

    /// <summary>Where a place of the flat lies on the picture, in pixels.</summary>
    public static Point OnPicture(Point place)
    {
        var own = new Placement(0, 0, TrueTurn).Out(new Point((place.X - 4650) / TrueScale, (place.Y - 2600) / TrueScale));
        return new Point(Columns / 2 + own.X, Rows / 2 - own.Y);
    }

    private static Backing Laid(Point west, Point east)
    {
        var laid = new Backing(
            "sketch",
            Top,
            PictureId,
            "keepers-flat.png",
            Columns,
            Rows,
            0,
            0,
            360 - TrueTurn,
            TrueScale,
            ScaleFrom: "By one length of 826"
        );
        var drift = laid.ToLevel(west);
        return laid with { X = Math.Round(-drift.X, 3), Y = Math.Round(-drift.Y, 3) };
    }

    /// <summary>The picture that is traced: an invented pen drawing of the flat, scanned a little askew, no dimensions on it.</summary>
    public static byte[] Picture() =>
        PictureTests.Picture(
            SKEncodedImageFormat.Png,
            Columns,
            Rows,
            canvas =>
            {
                canvas.Clear(new SKColor(246, 243, 234));
                var random = new Random(7);
                using var speck = new SKPaint { Color = new SKColor(214, 209, 196) };
                for (var i = 0; i < 3000; i++)
                    canvas.DrawRect(random.Next(Columns), random.Next(Rows), 1, 1, speck);
                using var pen = new SKPaint
                {
                    Color = new SKColor(52, 52, 60),
                    StrokeWidth = 4,
                    Style = SKPaintStyle.Stroke,
                    IsAntialias = true,
                };
                void Line(double x1, double y1, double x2, double y2)
                {
                    var (a, b) = (OnPicture(new(x1, y1)), OnPicture(new(x2, y2)));
                    canvas.DrawLine((float)a.X, (float)a.Y, (float)b.X, (float)b.Y, pen);
                }
                void Box(double x1, double y1, double x2, double y2)
                {
                    Line(x1, y1, x2, y1);
                    Line(x2, y1, x2, y2);
                    Line(x2, y2, x1, y2);
                    Line(x1, y2, x1, y1);
                }
                Box(0, 0, 9300, 5200);
                Box(-200, -200, 9500, 5400);
                foreach (var x in (double[])[5200, 5300])
                {
                    Line(x, 0, x, 900);
                    Line(x, 1776, x, 5200);
                }
                Line(5300, 3100, 9300, 3100);
                Line(5300, 3200, 9300, 3200);
                // The leaf stands open into the living room.
                Line(5200, 900, 5200 - 826, 900);
                foreach (var step in Enumerable.Range(0, 12))
                {
                    var (a, b) = (step * 7.5, (step + 1) * 7.5);
                    var (p, q) = (Point.At(180 - a) * 826, Point.At(180 - b) * 826);
                    Line(5200 + p.X, 900 + p.Y, 5200 + q.X, 900 + q.Y);
                }
                foreach (var x in (double[])[1700, 6700])
                    Box(x, -150, x + 1500, -50);
            }
        );
}
