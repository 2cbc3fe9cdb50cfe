using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Drawings;

/// <summary>A drawing in mm of paper, origin top left, y down. Every writer renders this and nothing else.</summary>
/// <param name="Title">Document title, for the file's own properties.</param>
/// <param name="Date">Date of the document; the core has no clock, so it comes in.</param>
public sealed record Drawing(double Width, double Height, string Title, DateOnly Date, ImmutableArray<Mark> Marks);

/// <summary>One mark on paper.</summary>
public abstract record Mark;

/// <summary>A path: stroked when it has a line colour, filled when it has a fill (#RRGGBB, or #RRGGBBAA to be seen through). Line width in mm of paper.</summary>
public sealed record PathMark(PathShape Path, string? Line, double LineWidth, string? Fill = null) : Mark;

/// <summary>A picture on paper, in mm: from its top left corner along its top edge and down its left one.</summary>
/// <param name="Within">It is laid again and again within this path; once where that is null.</param>
public sealed record PictureMark(OwnPicture Picture, Point Corner, Point Across, Point Down, PathShape? Within = null, double Opacity = 1)
    : Mark;

/// <summary>A picture taken in space, as PNG, in a box on paper.</summary>
public sealed record SeenMark(ImmutableArray<byte> Png, Bounds Box) : Mark;

public enum TextAnchor
{
    Start,
    Middle,
    End,
}

/// <summary>A line of text: lettering height in mm (of the em), turned about its anchor in degrees counter-clockwise.</summary>
public sealed record TextMark(
    string Text,
    Point At,
    double Size,
    TextAnchor Anchor = TextAnchor.Start,
    bool Bold = false,
    string Colour = Ink.Full,
    double Rotation = 0
) : Mark;

/// <summary>Colours and line widths (ISO 128 series: 0.13, 0.18, 0.25, 0.35, 0.5, 0.7 mm) of the sheet.</summary>
public static class Ink
{
    public const string Full = "#21302D";
    public const string Soft = "#5C6965";
    public const string Paper = "#FFFFFF";
    public const string Pencil = "#2456A6";
    public const string Wash = "#EFEEE6";

    public const double Extra = 0.7;
    public const double Wide = 0.5;
    public const double Medium = 0.35;
    public const double Narrow = 0.25;
    public const double Thin = 0.18;
    public const double Finest = 0.13;
}

/// <summary>Measures text in the lettering a writer will use; widths in mm for a size in mm.</summary>
public interface ITextMeasure
{
    double Width(string text, double size, bool bold);
}

/// <summary>Lettering that has outlines, for what is written where it is built: on floors and signs.</summary>
public interface ILettering : ITextMeasure
{
    /// <summary>The letters of a text about its middle, reading along +x, for a size in mm; empty where nothing of it is seen.</summary>
    ImmutableArray<Region> Letters(string text, double size);
}
