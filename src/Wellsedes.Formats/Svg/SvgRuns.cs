using System.Globalization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Formats.Svg;

/// <summary>A run of points, in the picture's own units.</summary>
internal sealed record SvgRun(List<Point> Points, bool Closed);

/// <summary>The shapes of a picture as runs of points; curves by 16 chords a part.</summary>
internal sealed class SvgRuns(int mostPoints)
{
    private const int Chords = 16;

    private int points;

    public List<SvgRun> All { get; } = [];

    /// <exception cref="SvgRefusedException">It cannot be read, or is too much.</exception>
    public void Add(string element, Func<string, string?> attribute, SvgTransform transform)
    {
        double Value(string name, double other = 0)
        {
            if (attribute(name) is not { Length: > 0 } text)
                return other;
            return Numbers(text.Trim().TrimEnd('p', 'x', 'm', 'c', '%', 't', 'i', 'n'), 1).FirstOrDefault();
        }
        switch (element)
        {
            case "path":
                new PathReader(this, attribute("d") ?? "", transform).Read();
                return;
            case "rect":
                var (x, y, w, h) = (Value("x"), Value("y"), Value("width"), Value("height"));
                if (w > 0 && h > 0)
                    Take([new(x, y), new(x + w, y), new(x + w, y + h), new(x, y + h)], true, transform);
                return;
            case "circle" or "ellipse":
                var (rx, ry) = element == "circle" ? (Value("r"), Value("r")) : (Value("rx"), Value("ry"));
                if (rx > 0 && ry > 0)
                    Take(
                        [
                            .. Enumerable
                                .Range(0, 48)
                                .Select(i => Point.At(7.5 * i))
                                .Select(p => new Point(Value("cx") + p.X * rx, Value("cy") + p.Y * ry)),
                        ],
                        true,
                        transform
                    );
                return;
            case "line":
                Take([new(Value("x1"), Value("y1")), new(Value("x2"), Value("y2"))], false, transform);
                return;
            case "polyline" or "polygon":
                var n = Numbers(attribute("points") ?? "", 2 * mostPoints + 2).ToArray();
                Take(
                    [.. Enumerable.Range(0, n.Length / 2).Select(i => new Point(n[2 * i], n[2 * i + 1]))],
                    element == "polygon",
                    transform
                );
                return;
        }
    }

    internal void Take(List<Point> run, bool closed, SvgTransform transform)
    {
        points += run.Count;
        if (points > mostPoints)
            throw new SvgRefusedException($"It has more than {mostPoints} points.");
        if (run.Count < 2)
            return;
        List<Point> there = [.. run.Select(transform.Of)];
        if (there.Any(p => !double.IsFinite(p.X) || !double.IsFinite(p.Y) || Math.Abs(p.X) > 1e7 || Math.Abs(p.Y) > 1e7))
            throw new SvgRefusedException("One of its figures is none that a picture has.");
        if (closed && there[^1].DistanceTo(there[0]) < 1e-9)
            there.RemoveAt(there.Count - 1);
        All.Add(new SvgRun(there, closed));
    }

    /// <summary>Figures between commas, spaces and signs.</summary>
    internal static IEnumerable<double> Numbers(string text, int most)
    {
        var at = 0;
        for (var count = 0; count < most && Next(text, ref at) is { } number; count++)
            yield return number;
    }

    private static double? Next(string text, ref int at)
    {
        while (at < text.Length && (char.IsWhiteSpace(text[at]) || text[at] == ','))
            at++;
        var from = at;
        if (at < text.Length && text[at] is '+' or '-')
            at++;
        var dot = false;
        while (at < text.Length && (char.IsAsciiDigit(text[at]) || (text[at] == '.' && !dot)))
            dot |= text[at++] == '.';
        if (at < text.Length && text[at] is 'e' or 'E' && at > from)
        {
            var exponent = at + 1;
            if (exponent < text.Length && text[exponent] is '+' or '-')
                exponent++;
            if (exponent < text.Length && char.IsAsciiDigit(text[exponent]))
                for (at = exponent; at < text.Length && char.IsAsciiDigit(text[at]); at++) { }
        }
        return double.TryParse(text.AsSpan(from, at - from), NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
            ? number
            : null;
    }

    /// <summary>Reads the data of a path: every command of SVG 1.1.</summary>
    private sealed class PathReader(SvgRuns runs, string text, SvgTransform transform)
    {
        private int at;
        private List<Point> run = [];
        private Point here;
        private Point? control;
        private char last;

        public void Read()
        {
            var command = ' ';
            while (true)
            {
                while (at < text.Length && (char.IsWhiteSpace(text[at]) || text[at] == ','))
                    at++;
                if (at >= text.Length)
                    break;
                if (char.IsAsciiLetter(text[at]))
                    command = text[at++];
                else if (command is ' ' or 'z' or 'Z')
                    throw new SvgRefusedException($"A path cannot be read at its {at + 1}. character.");
                Do(command);
                last = command;
                // Further pairs after a move are lines.
                command = command switch
                {
                    'M' => 'L',
                    'm' => 'l',
                    _ => command,
                };
                if (run.Count > MostOfRun)
                    throw new SvgRefusedException($"A path has more than {MostOfRun} points.");
            }
            End(false);
        }

        private const int MostOfRun = 50_000;

        private void Do(char command)
        {
            var from = here;
            Point Rel() => char.IsAsciiLetterLower(command) ? from : default;
            Point Pair() => new Point(Need(), Need()) + Rel();
            switch (char.ToUpperInvariant(command))
            {
                case 'M':
                    End(false);
                    run.Add(here = Pair());
                    break;
                case 'L':
                    run.Add(here = Pair());
                    break;
                case 'H':
                    run.Add(here = new Point(Need() + Rel().X, from.Y));
                    break;
                case 'V':
                    run.Add(here = new Point(from.X, Need() + Rel().Y));
                    break;
                case 'C':
                    Cubic(from, Pair(), Pair(), Pair());
                    return;
                case 'S':
                    var mirrored = char.ToUpperInvariant(last) is 'C' or 'S' && control is { } before ? from * 2 - before : from;
                    Cubic(from, mirrored, Pair(), Pair());
                    return;
                case 'Q':
                    Quadratic(from, Pair(), Pair());
                    return;
                case 'T':
                    Quadratic(from, char.ToUpperInvariant(last) is 'Q' or 'T' && control is { } one ? from * 2 - one : from, Pair());
                    return;
                case 'A':
                    var (rx, ry, turn) = (Math.Abs(Need()), Math.Abs(Need()), Need());
                    var (large, sweep) = (Flag(), Flag());
                    Arc(from, rx, ry, turn, large, sweep, Pair());
                    break;
                case 'Z':
                    var start = run.Count > 0 ? run[0] : here;
                    End(true);
                    here = start;
                    run.Add(start);
                    break;
                default:
                    throw new SvgRefusedException($"A path has the command \"{command}\", which SVG does not know.");
            }
            control = null;
        }

        private double Need() =>
            Next(text, ref at) is { } number && double.IsFinite(number)
                ? number
                : throw new SvgRefusedException($"A path wants a figure at its {at + 1}. character.");

        /// <summary>Flags of arcs may stand without anything between them.</summary>
        private bool Flag()
        {
            while (at < text.Length && (char.IsWhiteSpace(text[at]) || text[at] == ','))
                at++;
            if (at < text.Length && text[at] is '0' or '1')
                return text[at++] == '1';
            throw new SvgRefusedException($"A path wants 0 or 1 at its {at + 1}. character.");
        }

        private void Cubic(Point a, Point b, Point c, Point d)
        {
            for (var i = 1; i <= Chords; i++)
            {
                var (t, s) = ((double)i / Chords, 1 - (double)i / Chords);
                run.Add(a * (s * s * s) + b * (3 * s * s * t) + c * (3 * s * t * t) + d * (t * t * t));
            }
            (control, here) = (c, d);
        }

        private void Quadratic(Point a, Point b, Point c)
        {
            for (var i = 1; i <= Chords; i++)
            {
                var (t, s) = ((double)i / Chords, 1 - (double)i / Chords);
                run.Add(a * (s * s) + b * (2 * s * t) + c * (t * t));
            }
            (control, here) = (b, c);
        }

        /// <summary>From the two ends to the middle and the angles, as SVG 1.1 F.6 has it.</summary>
        private void Arc(Point a, double rx, double ry, double degrees, bool large, bool sweep, Point b)
        {
            here = b;
            if (rx < 1e-12 || ry < 1e-12 || a.DistanceTo(b) < 1e-12)
            {
                run.Add(b);
                return;
            }
            var (sin, cos) = Math.SinCos(degrees * Math.PI / 180);
            Point In(Point p) => new(cos * p.X + sin * p.Y, -sin * p.X + cos * p.Y);
            Point Out(Point p) => new(cos * p.X - sin * p.Y, sin * p.X + cos * p.Y);
            var half = In((a - b) * 0.5);
            var stretch = half.X * half.X / (rx * rx) + half.Y * half.Y / (ry * ry);
            if (stretch > 1)
                (rx, ry) = (rx * Math.Sqrt(stretch), ry * Math.Sqrt(stretch));
            var (x2, y2) = (half.X * half.X, half.Y * half.Y);
            var root = Math.Sqrt(Math.Max(0, (rx * rx * ry * ry - rx * rx * y2 - ry * ry * x2) / (rx * rx * y2 + ry * ry * x2)));
            var middle = new Point(rx * half.Y / ry, -ry * half.X / rx) * (large == sweep ? -root : root);
            double Angle(Point p) => Math.Atan2((p.Y - middle.Y) / ry, (p.X - middle.X) / rx);
            var (from, to) = (Angle(half), Angle(half * -1));
            if (sweep && to < from)
                to += 2 * Math.PI;
            if (!sweep && to > from)
                to -= 2 * Math.PI;
            var about = Point.Middle(a, b);
            for (var i = 1; i <= 2 * Chords; i++)
            {
                var angle = from + (to - from) * i / (2 * Chords);
                run.Add(i == 2 * Chords ? b : about + Out(middle + new Point(rx * Math.Cos(angle), ry * Math.Sin(angle))));
            }
        }

        private void End(bool closed)
        {
            if (run.Count > 1)
                runs.Take(run, closed, transform);
            run = [];
        }
    }
}
