using System.Globalization;
using System.Text;
using System.Xml;
using SkiaSharp;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Pictures;

namespace Wellsedes.Formats.Svg;

/// <summary>Writes a drawing as SVG 1.1 with sizes in mm; text stays text.</summary>
public static class SvgWriter
{
    private const string Namespace = "http://www.w3.org/2000/svg";
    private const string Link = "http://www.w3.org/1999/xlink";

    public static byte[] Write(Drawing drawing)
    {
        using var stream = new MemoryStream();
        var settings = new XmlWriterSettings
        {
            Encoding = new UTF8Encoding(false),
            Indent = true,
            IndentChars = " ",
        };
        using (var xml = XmlWriter.Create(stream, settings))
        {
            xml.WriteStartElement("svg", Namespace);
            xml.WriteAttributeString("width", Figure(drawing.Width) + "mm");
            xml.WriteAttributeString("height", Figure(drawing.Height) + "mm");
            xml.WriteAttributeString("viewBox", $"0 0 {Figure(drawing.Width)} {Figure(drawing.Height)}");
            xml.WriteElementString("title", Namespace, drawing.Title);
            var known = Defined(xml, drawing);
            var patterns = 0;
            foreach (var mark in drawing.Marks)
                if (mark is PathMark path)
                    Path(xml, path);
                else if (mark is TextMark text)
                    Text(xml, text);
                else if (mark is SeenMark seen)
                    Seen(xml, seen);
                else if (mark is PictureMark picture && known.TryGetValue(picture.Picture, out var id))
                    Picture(xml, picture, id, patterns++);
            xml.WriteEndElement();
        }
        return stream.ToArray();
    }

    private static void Path(XmlWriter xml, PathMark mark)
    {
        xml.WriteStartElement("path", Namespace);
        xml.WriteAttributeString("d", mark.Path.ToPathData());
        var (fill, opacity) = Tints.Told(mark.Fill ?? "none");
        xml.WriteAttributeString("fill", fill);
        if (mark.Fill is not null)
            xml.WriteAttributeString("fill-rule", "evenodd");
        if (opacity < 1)
            xml.WriteAttributeString("fill-opacity", Figure(opacity));
        if (mark.Line is { } line)
        {
            xml.WriteAttributeString("stroke", line);
            xml.WriteAttributeString("stroke-width", Figure(mark.LineWidth));
        }
        xml.WriteEndElement();
    }

    /// <summary>Writes each picture once, in the square from 0 to 1, however often it is drawn; the ids of those that can be drawn.</summary>
    private static Dictionary<OwnPicture, string> Defined(XmlWriter xml, Drawing drawing)
    {
        Dictionary<OwnPicture, string> known = [];
        foreach (var picture in drawing.Marks.OfType<PictureMark>().Select(mark => mark.Picture).Distinct())
        {
            using var image = OwnPictures.Decode(picture);
            if (image is null)
                continue;
            if (known.Count == 0)
                xml.WriteStartElement("defs", Namespace);
            known[picture] = $"picture-{known.Count}";
            // PNG: what every reader of SVG 1.1 shows.
            using var png = image.Encode(SKEncodedImageFormat.Png, 100);
            xml.WriteStartElement("image", Namespace);
            xml.WriteAttributeString("id", known[picture]);
            xml.WriteAttributeString("width", "1");
            xml.WriteAttributeString("height", "1");
            xml.WriteAttributeString("preserveAspectRatio", "none");
            xml.WriteAttributeString("xlink", "href", Link, "data:image/png;base64," + Convert.ToBase64String(png.AsSpan()));
            xml.WriteEndElement();
        }
        if (known.Count > 0)
            xml.WriteEndElement();
        return known;
    }

    /// <summary>A picture brought to its place; where it is repeated, as the pattern that fills its path.</summary>
    private static void Picture(XmlWriter xml, PictureMark mark, string id, int number)
    {
        var place = string.Join(
            ' ',
            new[] { mark.Across.X, mark.Across.Y, mark.Down.X, mark.Down.Y, mark.Corner.X, mark.Corner.Y }.Select(Figure)
        );
        if (mark.Within is { } within)
        {
            xml.WriteStartElement("pattern", Namespace);
            xml.WriteAttributeString("id", $"laid-{number}");
            xml.WriteAttributeString("patternUnits", "userSpaceOnUse");
            xml.WriteAttributeString("width", "1");
            xml.WriteAttributeString("height", "1");
            xml.WriteAttributeString("patternTransform", $"matrix({place})");
            Use(xml, id, null, 1);
            xml.WriteEndElement();
            xml.WriteStartElement("path", Namespace);
            xml.WriteAttributeString("d", within.ToPathData());
            xml.WriteAttributeString("fill", $"url(#laid-{number})");
            xml.WriteAttributeString("fill-rule", "evenodd");
            if (mark.Opacity < 1)
                xml.WriteAttributeString("fill-opacity", Figure(mark.Opacity));
            xml.WriteEndElement();
        }
        else
            Use(xml, id, $"matrix({place})", mark.Opacity);
    }

    private static void Seen(XmlWriter xml, SeenMark mark)
    {
        xml.WriteStartElement("image", Namespace);
        xml.WriteAttributeString("x", Figure(mark.Box.MinX));
        xml.WriteAttributeString("y", Figure(mark.Box.MinY));
        xml.WriteAttributeString("width", Figure(mark.Box.Width));
        xml.WriteAttributeString("height", Figure(mark.Box.Height));
        xml.WriteAttributeString("preserveAspectRatio", "none");
        xml.WriteAttributeString("xlink", "href", Link, "data:image/png;base64," + Convert.ToBase64String(mark.Png.AsSpan()));
        xml.WriteEndElement();
    }

    private static void Use(XmlWriter xml, string id, string? transform, double opacity)
    {
        xml.WriteStartElement("use", Namespace);
        xml.WriteAttributeString("xlink", "href", Link, "#" + id);
        if (transform is not null)
            xml.WriteAttributeString("transform", transform);
        if (opacity < 1)
            xml.WriteAttributeString("opacity", Figure(opacity));
        xml.WriteEndElement();
    }

    private static void Text(XmlWriter xml, TextMark mark)
    {
        xml.WriteStartElement("text", Namespace);
        xml.WriteAttributeString("x", Figure(mark.At.X));
        xml.WriteAttributeString("y", Figure(mark.At.Y));
        xml.WriteAttributeString("font-family", "'Barlow Semi Condensed', sans-serif");
        xml.WriteAttributeString("font-size", Figure(mark.Size));
        if (mark.Bold)
            xml.WriteAttributeString("font-weight", "600");
        xml.WriteAttributeString("fill", mark.Colour);
        if (mark.Anchor != TextAnchor.Start)
            xml.WriteAttributeString("text-anchor", mark.Anchor == TextAnchor.Middle ? "middle" : "end");
        if (mark.Rotation != 0)
            xml.WriteAttributeString("transform", $"rotate({Figure(-mark.Rotation)} {Figure(mark.At.X)} {Figure(mark.At.Y)})");
        xml.WriteString(mark.Text);
        xml.WriteEndElement();
    }

    private static string Figure(double value) => Math.Round(value, 3).ToString(CultureInfo.InvariantCulture);
}
