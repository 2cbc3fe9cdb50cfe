using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Drawings;

/// <summary>Takes pictures of a scheme in space for its sheets.</summary>
public interface ISheetPictures
{
    /// <summary>A PNG of so many pixels.</summary>
    ImmutableArray<byte> Take(Viewpoint from, int width, int height);
}

/// <summary>Lays pictures in space out on a sheet, as large as they get, each with its name below it.</summary>
internal static class PictureStrip
{
    /// <summary>Pixels for each mm of paper: 200 to an inch.</summary>
    private const double Fine = 200 / 25.4;

    /// <summary>Between pictures, and for the name below each, in mm of paper.</summary>
    private const double Gap = 5;
    private const double Caption = 6;

    /// <summary>A strip is so much of the room for the plan.</summary>
    private const double Share = 0.38;

    /// <summary>How wide a picture is for its height.</summary>
    private const double Aspect = 1.6;

    /// <summary>The room for the plan parted into that for pictures and that which is left for it; nothing for pictures where the sheet has none.</summary>
    public static (Bounds? Pictures, Bounds Plan) Part(Bounds room, SheetPictures? pictures)
    {
        if (pictures is null)
            return (null, room);
        if (pictures.Alone)
            return (room, room);
        var cut = room.MinY + room.Height * Share;
        return (room with { MaxY = cut }, room with { MinY = cut });
    }

    public static IEnumerable<Mark> Paint(IReadOnlyList<Viewpoint> from, Bounds room, ISheetPictures? pictures)
    {
        var (columns, width) = Largest(from.Count, room);
        var (cell, height) = ((room.Width - Gap) / columns, width / Aspect);
        var rows = (from.Count + columns - 1) / columns;
        var deep = (room.Height - Gap) / rows;
        for (var i = 0; i < from.Count; i++)
        {
            var inRow = Math.Min(columns, from.Count - i / columns * columns);
            // A last row that is not full stands in the middle.
            var left = room.MinX + Gap / 2 + (columns - inRow) * cell / 2 + i % columns * cell + (cell - width) / 2;
            var top = room.MinY + Gap / 2 + i / columns * deep + (deep - height - Caption) / 2;
            var box = new Bounds(left, top, left + width, top + height);
            if (pictures is not null)
                yield return new SeenMark(
                    pictures.Take(from[i], Math.Max(16, (int)Math.Round(width * Fine)), Math.Max(16, (int)Math.Round(height * Fine))),
                    box
                );
            yield return new PathMark(SheetComposer.Box(box), Ink.Soft, Ink.Thin);
            yield return new TextMark(from[i].Name, new Point(left, top + height + 4), 2.8);
        }
    }

    /// <summary>In how many columns pictures get widest.</summary>
    private static (int Columns, double Width) Largest(int count, Bounds room) =>
        Enumerable
            .Range(1, count)
            .Select(columns =>
            {
                var rows = (count + columns - 1) / columns;
                var high = (room.Height - Gap) / rows - Gap - Caption;
                return (columns, Width: Math.Max(4, Math.Min((room.Width - Gap) / columns - Gap, high * Aspect)));
            })
            .MaxBy(one => one.Width);
}
