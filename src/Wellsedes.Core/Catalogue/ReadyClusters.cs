using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue;

/// <summary>A cluster that can be had ready, and the two figures it is made from; a label that is "" means the figure is not asked.</summary>
/// <param name="Distance">As it is when nothing is said, in mm.</param>
/// <param name="Source">Where that comes from.</param>
public sealed record ReadyKind(
    string Key,
    string Name,
    string CountLabel,
    int Least,
    int Most,
    int Count,
    string DistanceLabel,
    double LeastDistance,
    double MostDistance,
    double Distance,
    string Source
);

/// <summary>One part of a ready-made cluster where it stands as seen from the leading one, in mm.</summary>
/// <param name="On">Which part it stands on; null for the floor.</param>
public sealed record ReadyPart(
    string Catalogue,
    double X,
    double Y,
    double Rotation = 0,
    double? Width = null,
    double? Depth = null,
    SeatsBySide? Seats = null,
    int? On = null
);

/// <summary>The ready-made clusters. Their distances are common practice and house values, from memory.</summary>
public static class ReadyClusters
{
    public static IReadOnlyList<ReadyKind> All { get; } =
    [
        new(
            "workstation",
            "Workstation",
            "Desks",
            1,
            8,
            1,
            "Between",
            0,
            3000,
            100,
            "House value: desks with a pedestal each stand close."
        ),
        new("desk-and-screen", "Desk and screen", "Screens", 1, 3, 1, "", 0, 0, 0, ""),
        new(
            "meeting-table",
            "Meeting table and board",
            "Seats",
            2,
            20,
            6,
            "To the board",
            600,
            5000,
            1500,
            "Common practice, from memory: people pass behind a pulled-out chair before a board."
        ),
        new(
            "sofa-group",
            "Sofa group",
            "Armchairs",
            0,
            4,
            2,
            "Conversation",
            1500,
            3600,
            2400,
            "Common practice, from memory: people talk across up to about 8 ft (2 400 mm), from seat to seat."
        ),
        new(
            "dining-set",
            "Dining set",
            "Diners",
            2,
            14,
            6,
            "Rug beyond",
            300,
            1500,
            600,
            "Common practice, from memory: a rug reaches 24 in (600 mm) beyond the table, so that chairs stay on it."
        ),
        new(
            "bed-and-sides",
            "Bed with sides",
            "Sleepers",
            1,
            2,
            2,
            "To its sides",
            0,
            1000,
            50,
            "House value: a hand's breadth for the bedding."
        ),
        new("reading-corner", "Reading corner", "Shelves", 0, 4, 1, "Between", 0, 1000, 100, "House value."),
        new(
            "registration",
            "Registration",
            "Desks",
            1,
            6,
            2,
            "Before them",
            900,
            6000,
            1500,
            "House value: room for who is served before the sign."
        ),
    ];

    public static ReadyKind? Find(string key) => All.FirstOrDefault(kind => kind.Key == key);

    /// <summary>The parts, the leading one first.</summary>
    public static IReadOnlyList<ReadyPart> Parts(string key, int count, double distance) =>
        key switch
        {
            "workstation" => [.. Enumerable.Range(0, count).SelectMany(i => Workstation(i, i * (1600 + 420 + distance)))],
            "desk-and-screen" =>
            [
                new("desk-1600", 0, 0),
                .. Enumerable.Range(0, count).Select(i => new ReadyPart("monitor-24", (i - (count - 1) / 2.0) * 540, 200, On: 0)),
            ],
            "meeting-table" => Meeting(count, distance),
            "sofa-group" => Sofas(count, distance),
            "dining-set" => Dining(count, distance),
            "bed-and-sides" => Bed(count, distance),
            "reading-corner" => Reading(count, distance),
            _ => Registration(count, distance),
        };

    private static IEnumerable<ReadyPart> Workstation(int number, double x) =>
        [
            new("desk-1600", x, 0),
            new("monitor-24", x, 200, On: number * 3),
            // Beside the desk, flush with its back.
            new("pedestal", x + 800 + 210, 400 - 300),
        ];

    private static ReadyPart[] Meeting(int seats, double distance)
    {
        var (width, depth, by) = TableSizes.For("straight-table", seats)!.Value;
        return [new("meeting-table-1800", 0, 0, 0, width, depth, by), new("whiteboard", width / 2 + distance + 300, 0, 270)];
    }

    private static ReadyPart[] Sofas(int chairs, double distance)
    {
        const double pitch = 850 + 300;
        return
        [
            new("sofa-three", 0, 0),
            new("coffee-table", 0, -(450 + distance / 2)),
            .. Enumerable
                .Range(0, chairs)
                .Select(i => new ReadyPart("armchair", (i - (chairs - 1) / 2.0) * pitch, -(450 + distance + 425), 180)),
        ];
    }

    private static ReadyPart[] Dining(int diners, double beyond)
    {
        var (width, depth, by) = TableSizes.For("straight-table", diners)!.Value;
        return [new("dining-table-1600", 0, 0, 0, width, depth, by), new("rug-2x3", 0, 0, 0, width + 2 * beyond, depth + 2 * beyond)];
    }

    private static ReadyPart[] Bed(int sleepers, double gap)
    {
        var (bed, width) = sleepers == 1 ? ("bed-eu-90", 900.0) : ("bed-eu-160", 1600.0);
        // The head is at the back; the stands are flush with it.
        var x = width / 2 + gap + 225;
        ReadyPart[] both = [new("nightstand", x, 1000 - 200), new("nightstand", -x, 1000 - 200)];
        return [new(bed, 0, 0), .. both.Take(sleepers)];
    }

    private static ReadyPart[] Reading(int shelves, double gap) =>
        [
            new("armchair", 0, 0),
            new("side-table", 425 + gap + 250, 425 - 250),
            new("table-lamp", 425 + gap + 250, 425 - 250, On: 1),
            .. Enumerable.Range(0, shelves).Select(i => new ReadyPart("bookshelf-home", -(425 + gap + 400 + 800 * i), 425 - 150)),
        ];

    private static ReadyPart[] Registration(int desks, double before) =>
        [
            .. Enumerable.Range(0, desks).Select(i => new ReadyPart("registration-desk", i * 1830.0, 0)),
            new("totem", (desks - 1) * 915.0, -(380 + before + 200)),
        ];
}
