using System.Collections.Immutable;
using System.Globalization;
using System.Xml;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Formats.Svg;

/// <summary>
/// Reads the shapes of an SVG picture (SVG 1.1: paths, rectangles, circles, ellipses, lines, polygons, their transforms) as the
/// outline of an own item. The file is hostile: no scripts, no references to anything, few and shallow elements, few points.
/// </summary>
public static class SvgOutlines
{
    public const int MostBytes = 1_000_000;
    public const int MostElements = 5_000;
    public const int Deepest = 60;
    public const int MostPoints = 50_000;

    private static readonly HashSet<string> Refused =
    [
        "script",
        "foreignObject",
        "image",
        "use",
        "iframe",
        "audio",
        "video",
        "animate",
        "set",
        "handler",
    ];

    /// <summary>The shape at a width in mm across its front, its depth in proportion; or what is wrong with the file.</summary>
    public static (OwnShape? Shape, ItemSize Size, Problem? Problem) Read(byte[] file, double width, double height)
    {
        if (file.Length > MostBytes)
            return No($"The file has {file.Length / 1000} kB; at most {MostBytes / 1000} are read.");
        if (!(width >= 10 && width <= 20_000))
            return (null, default, new Problem("width", "The width must be from 10 to 20 000 mm."));
        if (!(height >= 1 && height <= 10_000))
            return (null, default, new Problem("height", "The height must be from 1 to 10 000 mm."));
        List<SvgRun> runs;
        try
        {
            runs = Runs(file);
        }
        catch (SvgRefusedException e)
        {
            return No(e.Message);
        }
        catch (XmlException e)
        {
            return No($"This is no SVG that can be read: line {e.LineNumber}, place {e.LinePosition}.");
        }
        var all = Bounds.Around(runs.SelectMany(run => run.Points));
        if (runs.Count == 0 || !(all.Width > 1e-6) || !(all.Height > 1e-6))
            return No("There is no shape in it: a path, rectangle, circle, ellipse or polygon.");
        var scale = width / all.Width;
        // An SVG's y goes down; the front of the item is at the foot of the picture.
        Point OnItem(Point p) => new((p.X - all.Centre.X) * scale, (all.Centre.Y - p.Y) * scale);
        OwnLine[] lines =
        [
            .. runs.Select(run => new OwnLine(Thinning.Of([.. run.Points.Select(OnItem)], 0.5), run.Closed))
                .Where(line => line.Points.Length > 1),
        ];
        var outline = Outline(
            [.. lines.Where(line => line.Closed).Select(line => line.Points)],
            [.. lines.SelectMany(line => line.Points)]
        );
        // What is drawn twice, as outline and as line, is drawn once; a picture of too many lines keeps the longest.
        var shape = new OwnShape(outline, OwnShape.Longest(lines.Where(line => !line.Points.SequenceEqual(outline))));
        return shape.Wrong() is { } wrong
            ? (null, default, new Problem(wrong.Field, wrong.Message))
            : (shape, new ItemSize(width, Math.Round(all.Height * scale, 1), height), null);
    }

    private static (OwnShape?, ItemSize, Problem?) No(string message) => (null, default, new Problem("file", message));

    /// <summary>The ring round all closed runs where they are one shape, else round everything.</summary>
    private static ImmutableArray<Point> Outline(ImmutableArray<Point>[] closed, ImmutableArray<Point> everything)
    {
        var largest = closed.Where(ring => ring.Length >= 3).OrderByDescending(ring => Math.Abs(Region.SignedArea(ring))).FirstOrDefault();
        if (!largest.IsDefaultOrEmpty)
        {
            var region = new Region(largest, []);
            var box = region.Bounds.Grown(0.5);
            var thin = Thinning.Of(largest, 1);
            if (everything.All(box.Holds) && OwnShape.WrongOutline(thin) is null)
                return thin;
        }
        return OwnShape.HullOf(everything);
    }

    private static List<SvgRun> Runs(byte[] file)
    {
        using var stream = new MemoryStream(file);
        using var reader = XmlReader.Create(
            stream,
            new XmlReaderSettings
            {
                DtdProcessing = DtdProcessing.Prohibit,
                XmlResolver = null,
                MaxCharactersInDocument = MostBytes,
                IgnoreComments = true,
                IgnoreProcessingInstructions = true,
            }
        );
        var runs = new SvgRuns(MostPoints);
        var transforms = new Stack<SvgTransform>([SvgTransform.None]);
        var elements = 0;
        int? hidden = null;
        while (reader.Read())
        {
            if (reader.NodeType == XmlNodeType.EndElement)
            {
                transforms.Pop();
                if (hidden == reader.Depth)
                    hidden = null;
                continue;
            }
            if (reader.NodeType != XmlNodeType.Element)
                continue;
            if (reader.Depth > Deepest)
                throw new SvgRefusedException($"Its elements are nested more than {Deepest} deep.");
            if (++elements > MostElements)
                throw new SvgRefusedException($"It has more than {MostElements} elements.");
            if (elements == 1 && reader.LocalName != "svg")
                throw new SvgRefusedException("This is no SVG: its first element is another.");
            Guard(reader);
            var isEmpty = reader.IsEmptyElement;
            var depth = reader.Depth;
            var transform = transforms.Peek().Then(SvgTransform.Read(reader.GetAttribute("transform")));
            if (hidden is null && reader.LocalName is "defs" or "clipPath" or "mask" or "pattern" or "symbol" or "marker")
                hidden = isEmpty ? null : depth;
            else if (hidden is null)
                runs.Add(reader.LocalName, reader.GetAttribute, transform);
            if (!isEmpty)
                transforms.Push(transform);
        }
        return runs.All;
    }

    /// <summary>Nothing in it does anything or asks for anything.</summary>
    private static void Guard(XmlReader reader)
    {
        if (Refused.Contains(reader.LocalName))
            throw new SvgRefusedException($"It holds <{reader.LocalName}>, which is not taken in; write its shapes out as paths.");
        for (var has = reader.MoveToFirstAttribute(); has; has = reader.MoveToNextAttribute())
        {
            if (reader.LocalName.StartsWith("on", StringComparison.OrdinalIgnoreCase) && reader.Prefix.Length == 0)
                throw new SvgRefusedException($"It holds a script ({reader.LocalName}); that is not taken in.");
            var isLink = reader.LocalName == "href" || reader.Value.Contains("url(", StringComparison.OrdinalIgnoreCase);
            if (isLink && !reader.Value.Trim().StartsWith('#') && !reader.Value.Contains("url(#", StringComparison.OrdinalIgnoreCase))
                throw new SvgRefusedException("It refers to something outside itself; that is not taken in.");
        }
        reader.MoveToElement();
    }
}

internal sealed class SvgRefusedException(string message) : Exception(message);
