using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Catalogue.Search;

/// <summary>
/// Items ready to be looked for: their words in lower case, their seats, and the floor they take with people seated. Made once
/// for a list of items; asked by any thread.
/// </summary>
public sealed class CatalogueIndex
{
    private sealed record Entry(
        CatalogueItem Item,
        string Name,
        string[] FirstWord,
        string[] NameWords,
        string[] OtherWords,
        int Seats,
        int MostSeats,
        double Width,
        double Depth
    );

    private readonly ImmutableArray<Entry> entries;

    /// <param name="chairOf">The size of the chair at an item's seats.</param>
    /// <param name="occupiedDepth">Depth in mm from a table's edge to the back of an occupied chair.</param>
    public CatalogueIndex(IEnumerable<CatalogueItem> items, Func<CatalogueItem, ItemSize> chairOf, double occupiedDepth)
    {
        entries = [.. items.Select(item => EntryOf(item, chairOf(item), occupiedDepth))];
    }

    private CatalogueIndex(ImmutableArray<Entry> entries) => this.entries = entries;

    /// <summary>The same with more items, which stand before those there are: what is one's own is looked for first.</summary>
    public CatalogueIndex With(CatalogueIndex own)
    {
        var taken = own.entries.Select(entry => entry.Item.Key).ToHashSet();
        return new CatalogueIndex([.. own.entries, .. entries.Where(entry => !taken.Contains(entry.Item.Key))]);
    }

    private static Entry EntryOf(CatalogueItem item, ItemSize chair, double occupiedDepth)
    {
        var name = item.Name.ToLowerInvariant();
        var form = FormMaker.Make(item.Maker, MakerInput.Of(item, chair, occupiedDepth));
        var floor = form
            .Seats.Where(seat => seat.AtTable)
            .Aggregate(form.Body, (all, seat) => all.Including(seat.Zone(occupiedDepth).Bounds));
        return new Entry(
            item,
            name,
            [.. Split(name).Take(1)],
            Split(name),
            Split($"{item.Words} {item.Kind} {item.SubKind} {item.Settings} {item.SupplierCode}".ToLowerInvariant()),
            form.Seats.Length,
            Math.Max(form.Seats.Length, item.MostSeats),
            floor.Width,
            floor.Height
        );
    }

    private static string[] Split(string text) =>
        text.Split([' ', ',', '-', '/', '(', ')'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    /// <summary>The items that answer all of what was typed, best first; all of them in their order when nothing was.</summary>
    public ImmutableArray<CatalogueItem> Find(string text, UnitSystem units)
    {
        var query = CatalogueQuery.Read(text, units);
        List<(int Score, int Order, CatalogueItem Item)> found = [];
        for (var i = 0; i < entries.Length; i++)
            if (ScoreOf(entries[i], query) is { } score)
                found.Add((score, i, entries[i].Item));
        found.Sort((a, b) => a.Score != b.Score ? a.Score.CompareTo(b.Score) : a.Order.CompareTo(b.Order));
        return [.. found.Select(one => one.Item)];
    }

    /// <summary>How far an item is from what was asked, 0 for nearest; null when it is something else.</summary>
    private static int? ScoreOf(Entry entry, CatalogueQuery query)
    {
        var score = 0;
        foreach (var word in query.Words)
        {
            if (ScoreOfWord(entry, word) is not { } of)
                return null;
            score += of;
        }
        foreach (var (written, length) in query.Lengths)
        {
            var near = CatalogueQuery.Near(length);
            if (Math.Abs(entry.Item.Size.Width - length) <= near)
                continue;
            if (entry.NameWords.Contains(written) || Math.Abs(entry.Item.Size.Depth - length) <= near)
                score += 2;
            else if (Math.Abs(entry.Item.Size.Height - length) <= near)
                score += 4;
            else
                return null;
        }
        foreach (var size in query.Sizes)
        {
            var (w, d) = (entry.Item.Size.Width, entry.Item.Size.Depth);
            if (IsNear(w, size.Width) && IsNear(d, size.Depth))
                continue;
            if ((IsNear(w, size.Depth) && IsNear(d, size.Width)) || IsNamed(entry, size))
                score += 1;
            else
                return null;
        }
        foreach (var bound in query.Bounds)
            if (!Holds(entry.Item.Size, bound))
                return null;
        if (query.Seats is { } seats)
        {
            if (seats > entry.MostSeats || entry.Seats == 0)
                return null;
            if (entry.Seats != seats)
            {
                // It takes so many at most, or seats more than are asked: the nearer the better.
                if (entry.Seats > seats + 2 || (entry.Seats < seats && entry.MostSeats < seats))
                    return null;
                score += 2 + Math.Abs(entry.Seats - seats);
            }
        }
        if (query.Fits is var (free, deep))
        {
            var fits =
                (entry.Width <= free + Tolerance.Length && entry.Depth <= deep + Tolerance.Length)
                || (entry.Depth <= free + Tolerance.Length && entry.Width <= deep + Tolerance.Length);
            if (!fits)
                return null;
        }
        return score;
    }

    /// <summary>Whether a name holds both figures: a cell 10 × 12 ft is found by 10 x 12.</summary>
    private static bool IsNamed(Entry entry, SizeAsked size) =>
        entry.NameWords.Contains(size.First) && entry.NameWords.Contains(size.Second);

    private static bool IsNear(double a, double b) => Math.Abs(a - b) <= CatalogueQuery.Near(b);

    private static bool Holds(ItemSize size, MeasureBound bound)
    {
        var value = bound.Of switch
        {
            MeasureOf.Depth => size.Depth,
            MeasureOf.Height => size.Height,
            MeasureOf.Width => size.Width,
            _ => Math.Max(size.Width, size.Depth),
        };
        return value >= bound.Least - Tolerance.Length && value <= bound.Most + Tolerance.Length;
    }

    private static int? ScoreOfWord(Entry entry, string word)
    {
        var single = word.Length > 3 && word.EndsWith('s') ? word[..^1] : word;
        // What a thing is called first is what it is; by another word it may be meant as well.
        if (Any(entry.FirstWord, word, single, whole: true))
            return 0;
        if (Any(entry.NameWords, word, single, whole: true) || Any(entry.OtherWords, word, single, whole: true))
            return 1;
        if (Any(entry.NameWords, word, single, whole: false))
            return 2;
        if (Any(entry.OtherWords, word, single, whole: false))
            return 3;
        return word.Length > 2 && entry.Name.Contains(word, StringComparison.Ordinal) ? 4 : null;
    }

    private static bool Any(string[] words, string word, string single, bool whole)
    {
        foreach (var known in words)
            if (
                whole
                    ? known.Equals(word, StringComparison.Ordinal) || known.Equals(single, StringComparison.Ordinal)
                    : known.StartsWith(single, StringComparison.Ordinal)
            )
                return true;
        return false;
    }
}
