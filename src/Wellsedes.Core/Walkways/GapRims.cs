using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// The rims of the obstacles of a floor with the narrow places and crossings attached to them, and the faces between. A stretch of
/// rim from one attachment to the next is a slot; a face is the round of slots that one passes walking along rims and over narrow places.
/// </summary>
/// <remarks>Made from an earlier one, only the rounds are walked again that a changed rim is part of.</remarks>
internal sealed class GapRims
{
    /// <summary>One end of a link on a rim.</summary>
    private readonly record struct End(double Position, int Link, bool IsA);

    /// <summary>The ends on one rim in the order they are walked, and the face of the slot after each; one slot where there is no end.</summary>
    private sealed record Line(End[] Ends, int[] Faces);

    private readonly record struct Slot(int Rim, int Number);

    private readonly ObstacleNumbers numbers;
    private readonly Paged<Line?> lines;
    private readonly Paged<GapLink?> links;
    private readonly Paged<(int Left, int Right)> sides;
    private readonly HashSet<int> facesGone;
    private readonly int liveLinks;
    private readonly int liveFaces;

    public static readonly GapRims None = new(
        ObstacleNumbers.None,
        Paged<Line?>.Empty,
        Paged<GapLink?>.Empty,
        Paged<(int, int)>.Empty,
        [],
        (0, 0),
        0,
        [],
        []
    );

    private GapRims(
        ObstacleNumbers numbers,
        Paged<Line?> lines,
        Paged<GapLink?> links,
        Paged<(int, int)> sides,
        HashSet<int> facesGone,
        (int Links, int Faces) live,
        int faceCount,
        IReadOnlyList<GapLink> gone,
        IReadOnlyList<GapLink> come
    )
    {
        (this.numbers, this.lines, this.links, this.sides, this.facesGone) = (numbers, lines, links, sides, facesGone);
        (liveLinks, liveFaces) = live;
        FaceCount = faceCount;
        (Gone, Come) = (gone, come);
    }

    /// <summary>One more than the highest number of a face.</summary>
    public int FaceCount { get; }

    /// <summary>The links that went and came when this was made from an earlier one.</summary>
    public IReadOnlyList<GapLink> Gone { get; }
    public IReadOnlyList<GapLink> Come { get; }

    /// <summary>Whether so many numbers are of things gone that it is as well to begin anew.</summary>
    public bool IsWorn => links.Count > 2 * liveLinks + 4096 || FaceCount > 2 * liveFaces + 4096;

    public GapLink? Link(int number) => links[number];

    public (int Left, int Right) SidesOf(int link) => sides[link];

    public bool IsFaceGone(int face) => facesGone.Contains(face);

    /// <summary>The face that touches an obstacle's rim at a position of it; -1 when it has no rim here.</summary>
    public int FaceAt(Obstacle obstacle, double position)
    {
        if (numbers.Of(obstacle) is not { } number)
            return -1;
        var (ends, faces) = lines[number]!;
        var slot = ends.Length == 0 ? 0 : ends.Length - 1;
        for (var k = 0; k < ends.Length && ends[k].Position <= position; k++)
            slot = k;
        return faces[slot];
    }

    /// <summary>The same with some obstacles and links gone and others come.</summary>
    public GapRims With(IReadOnlyCollection<Obstacle> gone, IReadOnlyList<Obstacle> come, LinkChanges changes) =>
        new Change(this).Run(gone, come, changes);

    /// <summary>The next version while it is being made.</summary>
    private sealed class Change(GapRims before)
    {
        private readonly Paged<Line?>.Writer lines = before.lines.Written();
        private readonly Paged<GapLink?>.Writer links = before.links.Written();
        private readonly Paged<(int Left, int Right)>.Writer sides = before.sides.Written();
        private readonly List<GapLink> linksGone = [];
        private readonly List<GapLink> linksCome = [];
        private readonly HashSet<int> facesGone = [];
        private readonly List<Slot> open = [];

        /// <summary>The rims whose faces may be written to: the others are shared with the version before.</summary>
        private readonly HashSet<int> own = [];

        /// <summary>What is lost and what is added, rim by rim.</summary>
        private readonly List<(int Rim, bool IsAdded, End End)> ends = [];
        private ObstacleNumbers numbers = before.numbers;
        private int faceCount = before.FaceCount;

        public GapRims Run(IReadOnlyCollection<Obstacle> gone, IReadOnlyList<Obstacle> come, LinkChanges changes)
        {
            foreach (var narrow in changes.NarrowsGone)
                Lose(narrow.A, narrow.PositionA, link => ReferenceEquals(link.Narrow, narrow));
            foreach (var crossing in changes.CrossingsGone)
                Lose(crossing.A, crossing.PositionA, link => ReferenceEquals(link.Crossing, crossing));
            foreach (var obstacle in gone)
            {
                var number = numbers.Of(obstacle)!.Value;
                facesGone.UnionWith(lines[number]!.Faces);
                lines[number] = null;
            }
            var added = new Dictionary<Obstacle, int>(come.Count, ReferenceEqualityComparer.Instance);
            foreach (var obstacle in come)
            {
                var number = lines.Add(new Line([], [-1]));
                added[obstacle] = number;
                own.Add(number);
                open.Add(new Slot(number, 0));
            }
            numbers = numbers.With(gone, added);
            foreach (var narrow in changes.NarrowsCome)
                Gain(narrow.A, narrow.B, narrow, null);
            foreach (var crossing in changes.CrossingsCome)
                Gain(crossing.A, crossing.B, null, crossing);
            ends.Sort((one, other) => one.Rim.CompareTo(other.Rim));
            for (var from = 0; from < ends.Count; )
            {
                var to = from + 1;
                while (to < ends.Count && ends[to].Rim == ends[from].Rim)
                    to++;
                if (lines[ends[from].Rim] is { } line)
                    Attach(ends[from].Rim, line, from, to);
                from = to;
            }
            var first = faceCount;
            foreach (var slot in open)
                if (lines[slot.Rim] is { } line && slot.Number < line.Faces.Length && line.Faces[slot.Number] < 0)
                    Walk(slot);
            return new GapRims(
                numbers,
                lines.Done(),
                links.Done(),
                sides.Done(),
                facesGone,
                (before.liveLinks - linksGone.Count + linksCome.Count, before.liveFaces - facesGone.Count + faceCount - first),
                faceCount,
                linksGone,
                linksCome
            );
        }

        private void Lose(Obstacle a, double position, Func<GapLink, bool> isIt)
        {
            var on = lines[numbers.Of(a)!.Value]!.Ends;
            for (var k = First(on, position); ; k++)
                if (on[k].IsA && links[on[k].Link] is { } link && isIt(link))
                {
                    linksGone.Add(link);
                    ends.Add((link.RimA, false, new End(link.PositionOn(true), link.Number, true)));
                    ends.Add((link.RimB, false, new End(link.PositionOn(false), link.Number, false)));
                    links[link.Number] = null;
                    return;
                }
        }

        private void Gain(Obstacle a, Obstacle b, Narrow? narrow, Crossing? crossing)
        {
            var link = new GapLink(links.Count, numbers.Of(a)!.Value, numbers.Of(b)!.Value, narrow, crossing);
            links.Add(link);
            sides.Add((-1, -1));
            linksCome.Add(link);
            ends.Add((link.RimA, true, new End(link.PositionOn(true), link.Number, true)));
            ends.Add((link.RimB, true, new End(link.PositionOn(false), link.Number, false)));
        }

        /// <summary>The first of some ends that does not lie before a position.</summary>
        private static int First(End[] ends, double position)
        {
            var (low, high) = (0, ends.Length);
            while (low < high)
            {
                var between = (low + high) / 2;
                if (ends[between].Position < position)
                    low = between + 1;
                else
                    high = between;
            }
            return low;
        }

        private int InOrder(End one, End other)
        {
            var order = one.Position.CompareTo(other.Position);
            // Two ends in one point are met where shapes touch in a corner.
            if (order == 0 && one.Link != other.Link)
                order = GapLink.LeftmostFirst(links[one.Link]!, links[other.Link]!);
            return order;
        }

        /// <summary>A rim with the ends it lost gone and those it gained in their places; slots between two that were neighbours before keep their face.</summary>
        private void Attach(int rim, Line line, int from, int to)
        {
            var kept = new List<(End End, int Before)>(line.Ends.Length + to - from);
            for (var i = 0; i < line.Ends.Length; i++)
                if (links[line.Ends[i].Link] is not null)
                    kept.Add((line.Ends[i], i));
            var stayed = kept.Count;
            for (var i = from; i < to; i++)
                if (ends[i].IsAdded)
                    kept.Add((ends[i].End, -1));
            if (kept.Count > stayed)
                kept.Sort((one, other) => InOrder(one.End, other.End));
            var faces = new int[Math.Max(1, kept.Count)];
            Array.Fill(faces, -1);
            var stay = new bool[line.Faces.Length];
            for (var k = 0; k < kept.Count; k++)
            {
                var next = kept[k + 1 == kept.Count ? 0 : k + 1].Before;
                var was = kept[k].Before;
                if (was >= 0 && next == (was + 1 == line.Ends.Length ? 0 : was + 1))
                {
                    faces[k] = line.Faces[was];
                    stay[was] = true;
                }
                else
                    open.Add(new Slot(rim, k));
            }
            if (kept.Count == 0)
                open.Add(new Slot(rim, 0));
            for (var i = 0; i < stay.Length; i++)
                if (!stay[i] && line.Faces[i] >= 0)
                    facesGone.Add(line.Faces[i]);
            own.Add(rim);
            lines[rim] = new Line([.. kept.Select(one => one.End)], faces);
        }

        /// <summary>Gives the round that a slot is part of a face of its own.</summary>
        private void Walk(Slot start)
        {
            var face = faceCount++;
            Slot? at = start;
            do
            {
                Give(at.Value, face);
                at = Forward(at.Value);
            } while (at is not null && at != start);
            // Where it ends inside another obstacle the rest lies the other way.
            if (at is null)
                for (at = Backward(start); at is not null; at = Backward(at.Value))
                    Give(at.Value, face);
        }

        private void Give(Slot slot, int face)
        {
            var line = lines[slot.Rim]!;
            if (own.Add(slot.Rim))
                lines[slot.Rim] = line = line with { Faces = [.. line.Faces] };
            if (line.Faces[slot.Number] is >= 0 and var was)
                facesGone.Add(was);
            line.Faces[slot.Number] = face;
            if (line.Ends.Length == 0)
                return;
            var (after, before) = (line.Ends[slot.Number], line.Ends[Next(slot.Number, line.Ends.Length)]);
            sides[after.Link] = after.IsA ? sides[after.Link] with { Left = face } : sides[after.Link] with { Right = face };
            sides[before.Link] = before.IsA ? sides[before.Link] with { Right = face } : sides[before.Link] with { Left = face };
        }

        private static int Next(int number, int count) => number + 1 == count ? 0 : number + 1;

        /// <summary>Over the link at the end of a slot: the slot after its other end. Null where the rim goes on inside another obstacle.</summary>
        private Slot? Forward(Slot slot)
        {
            var on = lines[slot.Rim]!.Ends;
            if (on.Length == 0)
                return null;
            var end = on[Next(slot.Number, on.Length)];
            var link = links[end.Link]!;
            return !link.IsNarrow && link.Enters != end.IsA ? null : OtherEnd(link, end);
        }

        /// <summary>Over the link at the begin of a slot: the slot before its other end.</summary>
        private Slot? Backward(Slot slot)
        {
            var on = lines[slot.Rim]!.Ends;
            if (on.Length == 0)
                return null;
            var end = on[slot.Number];
            var link = links[end.Link]!;
            if (!link.IsNarrow && link.Enters == end.IsA)
                return null;
            var other = OtherEnd(link, end);
            return other with { Number = other.Number == 0 ? lines[other.Rim]!.Ends.Length - 1 : other.Number - 1 };
        }

        private Slot OtherEnd(GapLink link, End end)
        {
            var rim = end.IsA ? link.RimB : link.RimA;
            var on = lines[rim]!.Ends;
            var k = First(on, link.PositionOn(!end.IsA));
            while (on[k].Link != link.Number)
                k++;
            return new Slot(rim, k);
        }
    }
}
