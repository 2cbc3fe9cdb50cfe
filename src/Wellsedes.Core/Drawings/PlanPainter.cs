using Wellsedes.Core.Capacity;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Drawings;

/// <summary>Draws walls, furniture, labels and the narrowest walkway onto paper.</summary>
internal sealed class PlanPainter(ITextMeasure text, PaperMap map, UnitSystem units, List<Mark> marks)
{
    public void Paint(SheetInput whole)
    {
        var input = Drawn(whole);
        // Finishes and tints lie beneath everything; what somebody wrote stands above the furniture.
        DrawnFinish[] finishes = [.. Finishes.OfShell(input.Plan, input.Settings.SchemeId, input.Space)];
        foreach (var finish in finishes.Where(finish => !finish.OnWall))
        {
            var fill = map.ToPaper(finish.Fill);
            if (finish.Laid is { } laid)
                Picture(laid, fill, Tints.Told(finish.Tint).Opacity);
            else
                marks.Add(new PathMark(fill, null, 0, finish.Tint));
            if (finish.Joints is { } joints && map.Ratio <= SmallestJoints)
                Draw(joints, Ink.Soft, Ink.Finest);
        }
        // The edge of a block is for whoever plans, unless something is written on it that somebody is to read.
        Thing[] printed = [.. input.Things.Where(thing => thing.Fills() is null || thing.OwnName().Length > 0 || thing.JoinsChairs())];
        Things(printed, part => part.Role == ThingRole.Tinted);
        Shell(input, finishes.Where(finish => finish.OnWall));
        var changing = new ChangesPainter(map, marks);
        if (input.Changes is { } gone)
            changing.PaintGone(gone);
        foreach (
            var item in input
                .Items.OrderBy(item =>
                    item.LiesFlat ? 0
                    : item.Form.StoodOn ? 1
                    : 2
                )
                .ThenBy(item => item.Bottom)
                .ThenBy(item => item.Item.Order)
        )
            Symbol(item, Finishes.TintOf(input.Plan, item.Item));
        if (input.Changes is { } changes)
            changing.Paint(changes, input.Items);
        Things(printed, part => part.Role != ThingRole.Tinted);
        Texts(input.Things);
        if (input.Settings.Shows.Labels)
            foreach (var item in input.Items)
                Label(item);
        if (input.Settings.Shows.RoomNames)
            RoomNames(input);
        if (input.Settings.Shows.Walkway)
            Walkway(input);
        foreach (var measure in input.Plan.OnLevel<Dimension>(input.Settings.SchemeId, input.Space.LevelId))
            if (!input.NotDrawn.Ids.Contains(measure.Id))
                new DimensionPainter(text, map, units, marks).Between(measure.From, measure.To, 0);
    }

    /// <summary>Without what the sheet's view leaves out.</summary>
    private static SheetInput Drawn(SheetInput input)
    {
        var gone = input.NotDrawn.Ids;
        return gone.IsEmpty
            ? input
            : input with
            {
                Items = [.. input.Items.Where(item => !gone.Contains(item.Item.Id))],
                Things = [.. input.Things.Where(thing => !gone.Contains(thing.Id))],
            };
    }

    /// <summary>A picture that lies on the level, once or laid again and again within a path on paper.</summary>
    private void Picture(PicturePlace place, PathShape? within, double opacity)
    {
        var corner = map.ToPaper(place.Corner);
        marks.Add(
            new PictureMark(
                place.Picture,
                corner,
                map.ToPaper(place.Corner + place.Across) - corner,
                map.ToPaper(place.Corner + place.Down) - corner,
                within,
                opacity
            )
        );
    }

    private void Shell(SheetInput input, IEnumerable<DrawnFinish> tinted)
    {
        var paths = ShellPainter.Paint(input.Space, 1.6 * map.Ratio);
        Draw(paths.Walls, Ink.Full, Ink.Wide, Ink.Paper);
        foreach (var wall in tinted)
            marks.Add(new PathMark(map.ToPaper(wall.Fill), null, 0, wall.Tint));
        if (tinted.Any())
            Draw(paths.Walls, Ink.Full, Ink.Wide);
        Draw(paths.Hatch, Ink.Soft, Ink.Finest);
        Draw(paths.Windows, Ink.Full, Ink.Narrow, Ink.Paper);
        Draw(paths.Leaves, Ink.Full, Ink.Narrow, Ink.Paper);
        Draw(paths.Swings, Ink.Full, Ink.Thin);
        foreach (var dashed in new[] { paths.Boundaries, paths.Overhead }.OfType<PathShape>())
            Draw(Dashes.Cut(dashed, map.Ratio * 2, map.Ratio), Ink.Soft, Ink.Thin);
        Things(input.Space.Things, _ => true);
        Texts(input.Space.Things);
        foreach (var place in input.Space.Openings.Where(place => place.Opening.Name.Length > 0))
        {
            var away = input.Space.RoomAt(place.Frame.Out(new Point(0, place.Wall.Thickness))) is null ? -1 : 1;
            var swings = place.Opening.SwingsRight == away < 0 && place.Opening.IsDoor;
            var off = away * (place.Wall.Thickness / 2 + (swings ? place.Opening.LeafLength : 0));
            var at = map.ToPaper(place.Frame.Out(new Point(0, off)));
            var turned = Math.Abs(place.Wall.Line.Direction(place.Opening.Along).Y) > 0.7;
            var outward = map.ToPaper(place.Frame.Out(new Point(0, off + away * 1000))) - at;
            var lift = outward.Unit() * 3;
            marks.Add(
                new TextMark(
                    place.Opening.Name,
                    at + lift + (turned ? default : new Point(0, 0.8)),
                    2.5,
                    TextAnchor.Middle,
                    true,
                    Rotation: turned ? 90 : 0
                )
            );
        }
    }

    private void Things(IEnumerable<Thing> things, Func<ThingPart, bool> which)
    {
        foreach (var part in things.SelectMany(thing => thing.Parts()).Where(which))
            switch (part.Role)
            {
                case ThingRole.Solid:
                    Draw(part.Path, Ink.Full, Ink.Wide, Ink.Full);
                    break;
                case ThingRole.Body:
                    Draw(part.Path, Ink.Full, Ink.Thin, Ink.Paper);
                    break;
                case ThingRole.Line:
                    Draw(part.Path, Ink.Full, Ink.Thin);
                    break;
                case ThingRole.Heavy:
                    Draw(part.Path, Ink.Full, Ink.Medium);
                    break;
                case ThingRole.Dashed:
                    Draw(Dashes.Cut(part.Path, map.Ratio * 2, map.Ratio), Ink.Soft, Ink.Thin);
                    break;
                default:
                    marks.Add(new PathMark(map.ToPaper(part.Path), null, 0, part.Tint));
                    break;
            }
    }

    private void Texts(IEnumerable<Thing> things)
    {
        foreach (var written in things.SelectMany(thing => thing.Texts(units)))
            marks.Add(
                written.Size > 0
                    ? TrueSize(written.Text, written.At, written.Size, written.Rotation)
                    : new TextMark(
                        written.Text,
                        map.ToPaper(written.At),
                        2,
                        TextAnchor.Middle,
                        Colour: Ink.Soft,
                        Rotation: written.Rotation
                    )
            );
    }

    private void Written(SymbolText text) => marks.Add(TrueSize(text.Text, text.At, text.Size, text.Rotation));

    private TextMark TrueSize(string written, Point at, double size, double rotation) =>
        new(written, map.ToPaper(at) + new Point(0, Readable(size) * 0.35), Readable(size), TextAnchor.Middle, Rotation: rotation);

    /// <summary>The height of letters on paper in mm: true to scale, but none smaller than the smallest of ISO 3098-1, 1.8 mm (from memory).</summary>
    private double Readable(double size) => Math.Max(SmallestLetters, size / map.Ratio);

    private const double SmallestLetters = 1.8;

    private void Draw(PathShape? path, string line, double width, string? fill = null)
    {
        if (path is not null)
            marks.Add(new PathMark(map.ToPaper(path), line, width, fill));
    }

    /// <summary>The smallest scale at which the fine parts of symbols are drawn.</summary>
    internal const double FinestScale = 50;

    /// <summary>The smallest scale at which the joints of floors are drawn.</summary>
    private const double SmallestJoints = 150;

    private void Symbol(PlacedItem item, string? tint)
    {
        var small = map.Ratio > 150;
        if (item.Form.Picture is { } picture)
        {
            var at = item.Item.Placement;
            Picture(
                picture with
                {
                    Corner = at.Out(picture.Corner),
                    Across = at.Turned(picture.Across),
                    Down = at.Turned(picture.Down),
                },
                null,
                1
            );
        }
        foreach (var part in item.Form.Symbol)
        {
            if (part.Fine && map.Ratio > FinestScale)
                continue;
            var path = map.ToPaper(part.Path.At(item.Item.Placement));
            switch (part.Role)
            {
                case SymbolRole.Body:
                    marks.Add(
                        new PathMark(
                            path,
                            Ink.Full,
                            item.Form.WalkedOn ? Ink.Finest : Ink.Narrow,
                            item.Form.Picture is null ? tint ?? (item.Form.StoodOn ? Ink.Wash : Ink.Paper) : null
                        )
                    );
                    break;
                case SymbolRole.Seat:
                    marks.Add(new PathMark(path, Ink.Full, Ink.Thin, tint ?? Ink.Paper));
                    break;
                case SymbolRole.Back:
                case SymbolRole.Solid:
                    marks.Add(new PathMark(path, Ink.Full, Ink.Finest, Ink.Full));
                    break;
                case SymbolRole.Detail when !small:
                    marks.Add(new PathMark(path, Ink.Soft, Ink.Finest));
                    break;
                case SymbolRole.Line:
                    marks.Add(new PathMark(path, Ink.Full, Ink.Thin));
                    break;
                case SymbolRole.Dash:
                    marks.Add(new PathMark(Dashes.Cut(path, 2, 1), Ink.Soft, Ink.Thin));
                    break;
                case SymbolRole.Text:
                    Written(
                        part.Text! with
                        {
                            At = item.Item.Placement.Out(part.Text.At),
                            Rotation = part.Text.Rotation + item.Item.Rotation,
                        }
                    );
                    break;
                case SymbolRole.Use when !small:
                    marks.Add(new PathMark(Dashes.Cut(path, 1.2, 0.8), Ink.Soft, Ink.Finest));
                    break;
            }
        }
    }

    private void Label(PlacedItem item)
    {
        var body = item.Form.Body;
        var wide = body.Width / map.Ratio;
        var at = map.ToPaper(item.Item.Placement.Origin);
        if (item.Kind.Counted == "table")
        {
            var label = item.Item.Label;
            var seats = item.Form.Seats.Length == 1 ? "1 seat" : $"{item.Form.Seats.Length} seats";
            var second = item.Form.Seats.Length > 0 && text.Width(seats, 2, false) < wide * 0.9 && body.Height / map.Ratio > 8;
            Clear(at, label, 3.2, second ? 2.6 : 0);
            marks.Add(new TextMark(label, at + new Point(0, second ? 0.2 : 1.1), 3.2, TextAnchor.Middle, true));
            if (second)
                marks.Add(new TextMark(seats, at + new Point(0, 2.7), 2, TextAnchor.Middle, Colour: Ink.Soft));
            return;
        }
        var name =
            item.Item.Label.Length > 0 ? item.Item.Label
            : item.Kind.Kind is CatalogueKind.Serving or CatalogueKind.Staging ? item.Kind.Tag
            : "";
        if (name.Length == 0 || item.Form.WalkedOn)
            return;
        if (text.Width(name, 2.5, true) > Math.Max(wide, body.Height / map.Ratio))
            return;
        var isUpright = body.Height > body.Width * 1.25 || text.Width(name, 2.5, true) > wide;
        var turn = isUpright ? item.Item.Rotation + 90 : item.Item.Rotation;
        turn = AngleText.Normal(turn);
        if (turn is > 90.5 and < 270.5)
            turn -= 180;
        var away = Point.At(turn);
        Clear(at, name, 2.5, 0);
        marks.Add(new TextMark(name, at + new Point(away.Y, away.X) * 0.9, 2.5, TextAnchor.Middle, true, Rotation: turn));
    }

    /// <summary>A patch of paper under a label, so that lines do not run through it.</summary>
    private void Clear(Point at, string label, double size, double below)
    {
        var half = Math.Max(text.Width(label, size, true) / 2 + 0.6, below > 0 ? 4 : 0);
        var top = at.Y - size * 0.75;
        marks.Add(new PathMark(PathShape.Rounded(at.X - half, top, at.X + half, at.Y + size * 0.5 + below * 0.7, 0.6), null, 0, Ink.Paper));
    }

    private void RoomNames(SheetInput input)
    {
        // Names make way for what stands and for what is written.
        var standing = new SpatialIndex<Bounds>(
            [
                .. input.Items.Where(item => !item.LiesFlat).Select(item => item.Bounds),
                .. input.Things.SelectMany(thing => thing.Texts(units)).Select(BoxOf),
            ],
            box => box
        );
        foreach (var room in input.Space.Rooms)
        {
            var name = room.Room.Number.Length > 0 ? $"{room.Room.Number} {room.Room.Name}" : room.Room.Name;
            var line = $"{name} · {AreaText.Write(room.NetInternal, units)}";
            var half = text.Width(line, 3, true) / 2 + 1;
            // The room's own point, or the nearest to it where nothing stands.
            var at = map.ToPaper(FreeFor(room, half * map.Ratio, 2.1 * map.Ratio, standing));
            marks.Add(new PathMark(PathShape.Rounded(at.X - half, at.Y - 3, at.X + half, at.Y + 1.2, 0.6), null, 0, Ink.Paper));
            marks.Add(new TextMark(line, at, 3, TextAnchor.Middle, true));
        }
    }

    /// <summary>The box in mm on the level round a line of text.</summary>
    private Bounds BoxOf(ThingText written)
    {
        var size = (written.Size > 0 ? Readable(written.Size) : 2) * map.Ratio;
        var half = text.Width(written.Text, size, false) / 2;
        return Convex.Rectangle(default, 2 * half, size * 1.4).At(new Placement(written.At.X, written.At.Y, written.Rotation)).Bounds;
    }

    /// <summary>Names are moved no farther than this from the room's own point, in mm.</summary>
    private const double FarthestName = 6000;

    /// <summary>Where a name of some half size in mm on the level covers nothing that stands; the room's own point where that is nowhere near.</summary>
    private static Point FreeFor(FoundRoom room, double halfWide, double halfHigh, SpatialIndex<Bounds> standing)
    {
        var own = room.Room.Inside;
        for (var far = 0.0; far <= FarthestName; far += 300)
        for (var turn = 0; turn < 360; turn += 15)
        {
            var at = own + Point.At(turn) * far;
            var box = new Bounds(at.X - halfWide, at.Y - halfHigh, at.X + halfWide, at.Y + halfHigh);
            Point[] corners = [new(box.MinX, box.MinY), new(box.MaxX, box.MinY), new(box.MaxX, box.MaxY), new(box.MinX, box.MaxY)];
            if (!standing.AnyMeeting(box) && corners.All(room.Outline.Holds))
                return at;
            if (far == 0)
                break;
        }
        return own;
    }

    private void Walkway(SheetInput input)
    {
        // What narrows the way on another level is drawn on that level's sheet.
        if (Way.NarrowestOf(input.Ways) is not { Pinch: { Level: "" } pinch } worst)
            return;
        var (a, b) = (map.ToPaper(pinch.OnA), map.ToPaper(pinch.OnB));
        marks.Add(new PathMark(PathShape.Line(a, b), Ink.Full, Ink.Medium));
        foreach (var end in (Point[])[a, b])
            marks.Add(new PathMark(PathShape.Circle(end, 0.5), Ink.Full, Ink.Finest, Ink.Full));
        var (width, _) = WidthText.Write(worst.Width, worst.Target.Needed, units);
        var middle = Point.Middle(a, b);
        var half = text.Width(width, 2.2, true) / 2 + 0.7;
        marks.Add(
            new PathMark(
                PathShape.Rounded(middle.X - half, middle.Y - 3.6, middle.X + half, middle.Y - 0.9, 0.6),
                Ink.Full,
                Ink.Finest,
                Ink.Paper
            )
        );
        marks.Add(new TextMark(width, new Point(middle.X, middle.Y - 1.4), 2.2, TextAnchor.Middle, true));
    }
}
