using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue;

/// <summary>How a part of a symbol is drawn.</summary>
public enum SymbolRole
{
    /// <summary>The body: filled with paper, full line.</summary>
    Body,

    /// <summary>A seat: filled, full line.</summary>
    Seat,

    /// <summary>The back rest of a seat: a heavy line or a dark fill.</summary>
    Back,

    /// <summary>Legs, doors, drawers, shelves: a thin line without fill.</summary>
    Detail,

    /// <summary>The mark at the front.</summary>
    Front,

    /// <summary>Solid ink.</summary>
    Solid,

    /// <summary>Use space: thin dashes.</summary>
    Use,

    /// <summary>A line in full ink, of what is marked on a floor; in dashes.</summary>
    Line,
    Dash,

    /// <summary>Letters of what is marked on a floor.</summary>
    Text,
}

/// <summary>Letters in a symbol, about a point of it: Size is their height in mm, Rotation in degrees.</summary>
public sealed record SymbolText(string Text, Point At, double Size, double Rotation);

/// <param name="Fine">Whether it is drawn only at 1:50 and larger.</param>
/// <param name="Text">The letters of a text, whose path is empty; null for all else.</param>
public sealed record SymbolPart(SymbolRole Role, PathShape Path, bool Fine = false, SymbolText? Text = null);

/// <summary>A place to sit, in the item's own coordinates.</summary>
/// <param name="Edge">The middle of the table edge the sitter faces, or of the chair's own front.</param>
/// <param name="Outward">Unit vector from the table towards the sitter's back.</param>
/// <param name="Width">Width of the chair in mm.</param>
/// <param name="ChairDepth">Depth of the chair itself in mm.</param>
/// <param name="AtTable">Whether depth is measured from a table edge, so that it differs between the two states.</param>
/// <param name="Id">Which seat of its item it is: a number round a table, a letter for the side and a number along a straight one.</param>
public sealed record SeatPlace(Point Edge, Point Outward, double Width, double ChairDepth, bool AtTable, string Id = "")
{
    /// <summary>
    /// The floor the chair and its sitter take, from the edge outward to a depth in mm. At a table the chair may
    /// also reach beneath the top; that part is the table's floor already.
    /// </summary>
    public Convex Zone(double depthFromEdge)
    {
        var depth = AtTable ? depthFromEdge : ChairDepth;
        var side = Outward.Left() * (Width / 2);
        var back = Edge + Outward * depth;
        return Convex.Polygon([Edge - side, back - side, back + side, Edge + side]);
    }

    /// <summary>Where the chair itself stands when its back is at a depth from the edge: origin at its middle.</summary>
    public Placement ChairAt(double depthFromEdge)
    {
        var depth = AtTable ? depthFromEdge : ChairDepth;
        var centre = Edge + Outward * (depth - ChairDepth / 2);
        return new Placement(centre.X, centre.Y, Math.Atan2(-Outward.X, Outward.Y) * 180 / Math.PI);
    }
}

/// <summary>Where a picture lies, in an item's own coordinates or on a level, in mm.</summary>
/// <param name="Corner">Its top left corner.</param>
/// <param name="Across">From there along its top edge to the end of that.</param>
/// <param name="Down">From the corner along its left edge to the end of that.</param>
public sealed record PicturePlace(OwnPicture Picture, Point Corner, Point Across, Point Down);

/// <summary>Floor an item needs in use; it may be shared, never built on.</summary>
public sealed record ActivitySpace(string Name, Convex Floor);

/// <summary>
/// What an item is on the floor: solids, seats, use spaces and its drawn symbol, in its own coordinates with the
/// origin at the middle of its body and its front towards -y. Millimetres.
/// </summary>
public sealed record Form(
    ImmutableArray<Convex> Solids,
    ImmutableArray<SeatPlace> Seats,
    ImmutableArray<ActivitySpace> Activity,
    ImmutableArray<SymbolPart> Symbol,
    bool WalkedOn = false,
    bool StoodOn = false
)
{
    /// <summary>The solid parts from which elevations and the model are made.</summary>
    public ImmutableArray<Prism> Prisms { get; init; } = [];

    /// <summary>What it looks like in space where it was brought in from a model; null where its prisms tell.</summary>
    public OwnMesh? Mesh { get; init; }

    /// <summary>The picture of it that is drawn in its outline; null where it is drawn by its symbol alone.</summary>
    public PicturePlace? Picture { get; init; }

    /// <summary>Whether it only shows how large things are: it counts as nothing and stands in nobody's way.</summary>
    public bool ForScale { get; init; }

    /// <summary>The same seen in a mirror along its own y axis: its left is its right, its front stays its front.</summary>
    public Form Mirrored() =>
        this with
        {
            Solids = [.. Solids.Select(solid => solid.Mirrored())],
            Seats = [.. Seats.Select(seat => seat with { Edge = Across(seat.Edge), Outward = Across(seat.Outward) })],
            Activity = [.. Activity.Select(space => space with { Floor = space.Floor.Mirrored() })],
            Symbol = [.. Symbol.Select(part => part with { Path = part.Path.Map(Across) })],
            Prisms = [.. Prisms.Select(prism => prism with { Outline = prism.Outline.Mirrored() })],
            Mesh = Mesh?.Mirrored(),
            Picture = Picture is { } picture
                ? picture with
                {
                    Corner = Across(picture.Corner),
                    Across = Across(picture.Across),
                    Down = Across(picture.Down),
                }
                : null,
        };

    private static Point Across(Point p) => new(-p.X, p.Y);

    /// <summary>The box around the solids, in own coordinates.</summary>
    public Bounds Body => Solids.Aggregate(Bounds.Empty, (box, solid) => box.Including(solid.Bounds));

    /// <summary>The middle of the front edge, where the grip for turning sits.</summary>
    public Point FrontMark => new(Body.Centre.X, Body.MinY);
}
