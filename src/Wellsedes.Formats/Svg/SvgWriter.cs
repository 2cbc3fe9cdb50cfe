using System.Globalization;
using System.Text;
using System.Xml;
using Wellsedes.Core.Drawings;

namespace Wellsedes.Formats.Svg;

/// <summary>Writes a drawing as SVG 1.1 with sizes in mm; text stays text.</summary>
public static class SvgWriter
{
    private const string Namespace = "http://www.w3.org/2000/svg";

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
            foreach (var mark in drawing.Marks)
                if (mark is PathMark path)
                    Path(xml, path);
                else if (mark is TextMark text)
                    Text(xml, text);
            xml.WriteEndElement();
        }
        return stream.ToArray();
    }

    private static void Path(XmlWriter xml, PathMark mark)
    {
        xml.WriteStartElement("path", Namespace);
        xml.WriteAttributeString("d", mark.Path.ToPathData());
        xml.WriteAttributeString("fill", mark.Fill ?? "none");
        if (mark.Fill is not null)
            xml.WriteAttributeString("fill-rule", "evenodd");
        if (mark.Line is { } line)
        {
            xml.WriteAttributeString("stroke", line);
            xml.WriteAttributeString("stroke-width", Figure(mark.LineWidth));
        }
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
