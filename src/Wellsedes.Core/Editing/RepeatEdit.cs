using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>
/// Writes a repeat's recipe as it is given; its members are rewritten in the same change. A locked member keeps its place and is
/// singled out; those beyond the last slot go. New members are like the first there is, else of the catalogue item that is named.
/// </summary>
public sealed record PutRepeat(Repeat Repeat, string Catalogue = "") : Edit;

/// <summary>
/// What is asked of a repeat; what is null stays as it is. Lengths are in mm, gaps clear between what stands (seated chairs
/// included), pitches from middle to middle.
/// </summary>
/// <param name="Columns">Members in a row, round a ring, along a path.</param>
/// <param name="Length">The length a row or path has from end to end: with a number given the spacing follows, else as many as fit.</param>
/// <param name="ToWall">As many in a row as fit before the wall it leads to.</param>
/// <param name="BackGap">The clear gap between two rows back to back; less than 0 sets all rows the same way round.</param>
/// <param name="Gap">The clear gap between the members of a ring: the radius follows from it.</param>
/// <param name="Regular">Whether all members stand in their slots again: left out ones come back, singled out ones go back.</param>
public sealed record RepeatFigures(
    RepeatForm? Form = null,
    int? Columns = null,
    int? Rows = null,
    double? ColumnPitch = null,
    double? ColumnGap = null,
    double? Length = null,
    bool ToWall = false,
    double? RowPitch = null,
    double? RowGap = null,
    bool? Staggered = null,
    double? BackGap = null,
    double? Radius = null,
    double? Gap = null,
    double? Sweep = null,
    RingFacing? Facing = null,
    bool? Turned = null,
    bool Regular = false
)
{
    /// <summary>The path on the level, in mm; empty to leave it as it is.</summary>
    public ImmutableArray<Point> Path { get; init; } = [];

    /// <summary>The path runs along the wall that is nearest to this place on the level, in mm; null for none.</summary>
    public Point? WallAt { get; init; }

    /// <summary>Whether a path is given, or a wall to run along.</summary>
    internal bool HasPath => Path.Length > 0 || WallAt is not null;

    /// <summary>Whether the number of members follows from a length, a wall or a path.</summary>
    internal bool CountsOut => Length is not null || ToWall || HasPath;
}

/// <summary>Repeats an item, cluster or repeat that is selected; several loose things become a cluster first.</summary>
/// <param name="Id">Of the new repeat.</param>
public sealed record RepeatItems(string Id, ImmutableArray<string> Ids, RepeatFigures Figures) : Edit, IOfSelected;

/// <summary>Changes what a repeat was told.</summary>
public sealed record SetRepeat(string Id, RepeatFigures Figures) : Edit;

/// <summary>
/// Draws a repeat out by its last member, which comes to stand at a place in mm on the level: the spacings follow; in a ring the radius.
/// </summary>
public sealed record PullRepeat(string Id, Point To) : Edit;

/// <summary>Makes all members of a repeat like the one in a slot.</summary>
public sealed record MakeAlike(string Id, int Slot) : Edit;

/// <summary>Takes clusters and repeats apart: their members stay where they are as things of their own.</summary>
public sealed record Release(ImmutableArray<string> Ids) : Edit, IOfSelected;

/// <summary>Makes one cluster of items, clusters and repeats that are selected.</summary>
public sealed record MakeCluster(string Id, ImmutableArray<string> Ids, string Name = "") : Edit, IOfSelected;

/// <summary>Names a cluster.</summary>
public sealed record NameCluster(string Id, string Name) : Edit;

/// <summary>
/// Mirrors items, with the clusters and repeats they make up, about their common middle: left and right, or front and back as
/// they lie on the level. Doors, drawers and fronts keep to their true side.
/// </summary>
public sealed record MirrorItems(ImmutableArray<string> Ids, Mirror Mirror) : Edit, IOfSelected;

/// <summary>
/// Places a ready-made cluster, its leading item at a place in mm on the level; or makes one again from other figures: its leader stays,
/// what is in it keeps its ids.
/// </summary>
public sealed record PutReady(
    string Id,
    string SchemeId,
    string LevelId,
    ReadyCluster Ready,
    double X = 0,
    double Y = 0,
    double Rotation = 0
) : Edit;
