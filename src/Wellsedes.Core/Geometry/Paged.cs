namespace Wellsedes.Core.Geometry;

/// <summary>
/// A row of values that many versions share page by page. A version is never written to once it has been handed on; a writer
/// copies the pages that it touches, and only those.
/// </summary>
internal sealed class Paged<T>
{
    private const int Bits = 6;
    private const int PageSize = 1 << Bits;

    private readonly T[][] pages;

    private Paged(T[][] pages, int count) => (this.pages, Count) = (pages, count);

    public static readonly Paged<T> Empty = new([], 0);

    /// <summary>One past the highest place ever written.</summary>
    public int Count { get; }

    public T this[int at] => pages[at >> Bits][at & (PageSize - 1)];

    public Writer Written() => new(this);

    /// <summary>The next version while it is being made; used by one thread.</summary>
    internal sealed class Writer(Paged<T> from)
    {
        private T[][] pages = [.. from.pages];
        private bool[] own = new bool[from.pages.Length];

        public int Count { get; private set; } = from.Count;

        public T this[int at]
        {
            get => pages[at >> Bits][at & (PageSize - 1)];
            set => Page(at >> Bits)[at & (PageSize - 1)] = value;
        }

        /// <summary>Puts a value behind the last; returns its place.</summary>
        public int Add(T value)
        {
            var at = Count++;
            if (at >> Bits >= pages.Length)
            {
                var more = Math.Max(4, pages.Length + pages.Length / 4);
                Array.Resize(ref pages, more);
                Array.Resize(ref own, more);
            }
            this[at] = value;
            return at;
        }

        private T[] Page(int number)
        {
            if (!own[number])
            {
                pages[number] = pages[number] is { } page ? (T[])page.Clone() : new T[PageSize];
                own[number] = true;
            }
            return pages[number];
        }

        public Paged<T> Done() => new(pages, Count);
    }
}
