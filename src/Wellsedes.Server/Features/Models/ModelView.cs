using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Server.Features.Models;

/// <summary>Faces of one tone, in mm: how many corners each has, and x, y, z of all of them one after another.</summary>
/// <param name="Tone">As #RRGGBB.</param>
/// <param name="Tinted">Whether the finish of an item shows on it.</param>
public sealed record FacesView(string Tone, bool Tinted, bool Glass, ImmutableArray<int> Corners, ImmutableArray<double> Places)
{
    public static ImmutableArray<FacesView> Of(ImmutableArray<ModelFace> faces) =>
        [
            .. faces
                .GroupBy(face => (face.Surface, face.Seen))
                .Select(one => new FacesView(
                    one.Key.Seen,
                    Tones.IsTinted(one.Key.Surface),
                    one.Key.Surface == Surface.Glass,
                    [.. one.Select(face => face.Corners.Length)],
                    [.. one.SelectMany(face => face.Corners).SelectMany(p => (double[])[Round(p.X), Round(p.Y), Round(p.Z)])]
                )),
        ];

    internal static double Round(double length) => Math.Round(length, 1);
}

/// <param name="Laid">Where its picture lies on those of its faces that look up: x and y of the picture's top left corner, along its top edge and down its left edge, and its opacity; null for none.</param>
public sealed record ModelKindView(string Key, string Name, ImmutableArray<FacesView> Faces, double[]? Laid);

/// <summary>An item, or a chair at it: which of its kind, and where.</summary>
public sealed record ModelNodeView(string ItemId, string Name, string Kind, double X, double Y, double Z, double Rotation, string? Tint);

/// <param name="Low">Of a wall what is left of it when it is cut so that one looks over it.</param>
/// <param name="Line">Of a wall x and y of both ends of its middle line.</param>
/// <param name="Outside">Of a wall which side of that line is outside: 1 its left, -1 its right, 0 neither or both.</param>
/// <param name="Outline">Of a wall the edges of what is taken off where it is cut: x, y, z of both ends of each.</param>
/// <param name="Tint">Of its finish; null for none.</param>
/// <param name="Laid">Where the picture of its finish lies, as that of a kind; null for none.</param>
public sealed record ShellPartView(
    string Id,
    string Name,
    string Surface,
    ImmutableArray<FacesView> Faces,
    ImmutableArray<FacesView> Low,
    ImmutableArray<double> Line,
    int Outside,
    ImmutableArray<double> Outline,
    string? Tint,
    double[]? Laid
);

/// <summary>Steps or a slope that is walked, going up towards +y of its own frame.</summary>
public sealed record ModelFlightView(double X, double Y, double Rotation, double Width, double Depth, double Rise, string ToLevelId);

/// <summary>A floor that lies higher: x and y of its corners, and by how much.</summary>
public sealed record ModelPlatformView(ImmutableArray<double> Floor, double Rise);

/// <summary>Where somebody sits, and the way they look in degrees counter-clockwise from +x.</summary>
public sealed record ModelSeatView(string ItemId, string Name, double X, double Y, double Z, double Heading);

/// <param name="Drawn">What is drawn on its floor to be seen: x, y, z of both ends of each line.</param>
/// <param name="Joints">The same of what its floors are laid with.</param>
/// <param name="Middle">X and y of the middle of all of it.</param>
/// <param name="Obstacles">Of what people do not walk through x and y of the corners, counter-clockwise.</param>
public sealed record ModelLevelView(
    string LevelId,
    string Name,
    double Elevation,
    double Height,
    ImmutableArray<ShellPartView> Shell,
    ImmutableArray<ModelNodeView> Nodes,
    ImmutableArray<ImmutableArray<double>> Obstacles,
    ImmutableArray<double> Drawn,
    ImmutableArray<double> Joints,
    ImmutableArray<double> Middle,
    ImmutableArray<ModelFlightView> Flights,
    ImmutableArray<ModelPlatformView> Platforms,
    ImmutableArray<ModelSeatView> Seats
);

/// <summary>A scheme in space, to be looked at: kinds once, and where each of them stands. Lengths in mm, z up.</summary>
public sealed record ModelView(ImmutableArray<ModelKindView> Kinds, ImmutableArray<ModelLevelView> Levels)
{
    public static ModelView Of(PlanModel model) =>
        new(
            [.. model.Kinds.Select(kind => new ModelKindView(kind.Key, kind.Name, FacesView.Of(kind.Faces), Laid(kind.Laid)))],
            [
                .. model.Levels.Select(level => new ModelLevelView(
                    level.LevelId,
                    level.Name,
                    level.Elevation,
                    level.Height,
                    [
                        .. level.Shell.Select(part => new ShellPartView(
                            part.Id,
                            part.Name,
                            part.Surface.ToString(),
                            FacesView.Of(part.Faces),
                            FacesView.Of(part.Low),
                            part.Line is var (from, to) ? [from.X, from.Y, to.X, to.Y] : [],
                            part.Outside,
                            Ends(part.Outline.Select(line => (line.From, line.To))),
                            part.Tint,
                            Laid(part.Laid)
                        )),
                    ],
                    [
                        .. level.Nodes.Select(node => new ModelNodeView(
                            node.ItemId,
                            node.Name,
                            node.Kind,
                            node.At.X,
                            node.At.Y,
                            node.Z,
                            node.At.Rotation,
                            node.Tint
                        )),
                    ],
                    [.. level.Obstacles.Select(shape => Corners(shape))],
                    Ends(level.Lines.Where(line => line.IsHeavy).Select(line => (line.From, line.To))),
                    Ends(level.Lines.Where(line => !line.IsHeavy).Select(line => (line.From, line.To))),
                    [level.Middle.X, level.Middle.Y],
                    [
                        .. level.Flights.Select(flight => new ModelFlightView(
                            flight.At.X,
                            flight.At.Y,
                            flight.At.Rotation,
                            flight.Width,
                            flight.Depth,
                            flight.Rise,
                            flight.ToLevelId
                        )),
                    ],
                    [.. level.Platforms.Select(platform => new ModelPlatformView(Corners(platform.Floor), platform.Rise))],
                    [.. level.Seats.Select(seat => new ModelSeatView(seat.ItemId, seat.Name, seat.At.X, seat.At.Y, seat.Z, seat.Heading))]
                )),
            ]
        );

    private static double[]? Laid(LaidPicture? laid) =>
        laid is { Place: var place }
            ? [place.Corner.X, place.Corner.Y, place.Across.X, place.Across.Y, place.Down.X, place.Down.Y, laid.Opacity]
            : null;

    private static ImmutableArray<double> Corners(Convex shape) =>
        [.. shape.Outline(20).SelectMany(p => (double[])[Math.Round(p.X), Math.Round(p.Y)])];

    private static ImmutableArray<double> Ends(IEnumerable<(Point3 From, Point3 To)> lines) =>
        [
            .. lines
                .SelectMany(line => (Point3[])[line.From, line.To])
                .SelectMany(p => (double[])[FacesView.Round(p.X), FacesView.Round(p.Y), FacesView.Round(p.Z)]),
        ];
}
