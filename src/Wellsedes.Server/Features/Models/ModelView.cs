using System.Collections.Immutable;
using Wellsedes.Core.Models;

namespace Wellsedes.Server.Features.Models;

/// <summary>Faces of one tone, in mm: how many corners each has, and x, y, z of all of them one after another.</summary>
/// <param name="Tone">As #RRGGBB.</param>
/// <param name="Tinted">Whether the finish of an item shows on it.</param>
public sealed record FacesView(string Tone, bool Tinted, bool Glass, ImmutableArray<int> Corners, ImmutableArray<double> Places)
{
    public static ImmutableArray<FacesView> Of(ImmutableArray<ModelFace> faces) =>
        [
            .. faces
                .GroupBy(face => face.Surface)
                .Select(one => new FacesView(
                    Tones.Of(one.Key),
                    Tones.IsTinted(one.Key),
                    one.Key == Surface.Glass,
                    [.. one.Select(face => face.Corners.Length)],
                    [.. one.SelectMany(face => face.Corners).SelectMany(p => (double[])[Round(p.X), Round(p.Y), Round(p.Z)])]
                )),
        ];

    private static double Round(double length) => Math.Round(length, 1);
}

public sealed record ModelKindView(string Key, string Name, ImmutableArray<FacesView> Faces);

/// <summary>An item, or a chair at it: which of its kind, and where.</summary>
public sealed record ModelNodeView(string ItemId, string Name, string Kind, double X, double Y, double Z, double Rotation, string? Tint);

/// <param name="Low">Of a wall what is left of it when it is cut so that one looks over it.</param>
/// <param name="Line">Of a wall x and y of both ends of its middle line.</param>
public sealed record ShellPartView(
    string Id,
    string Name,
    string Surface,
    ImmutableArray<FacesView> Faces,
    ImmutableArray<FacesView> Low,
    ImmutableArray<double> Line
);

/// <param name="Obstacles">Of what people do not walk through x and y of the corners, counter-clockwise.</param>
public sealed record ModelLevelView(
    string LevelId,
    string Name,
    double Elevation,
    double Height,
    ImmutableArray<ShellPartView> Shell,
    ImmutableArray<ModelNodeView> Nodes,
    ImmutableArray<ImmutableArray<double>> Obstacles
);

/// <summary>A scheme in space, to be looked at: kinds once, and where each of them stands. Lengths in mm, z up.</summary>
public sealed record ModelView(ImmutableArray<ModelKindView> Kinds, ImmutableArray<ModelLevelView> Levels)
{
    public static ModelView Of(PlanModel model) =>
        new(
            [.. model.Kinds.Select(kind => new ModelKindView(kind.Key, kind.Name, FacesView.Of(kind.Faces)))],
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
                            part.Line is var (from, to) ? [from.X, from.Y, to.X, to.Y] : []
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
                    [
                        .. level.Obstacles.Select(shape =>
                            shape.Outline(20).SelectMany(p => (double[])[Math.Round(p.X), Math.Round(p.Y)]).ToImmutableArray()
                        ),
                    ]
                )),
            ]
        );
}
