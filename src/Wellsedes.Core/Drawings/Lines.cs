namespace Wellsedes.Core.Drawings;

/// <summary>Words broken into lines.</summary>
internal static class Lines
{
    /// <summary>As many words on each as a width in mm holds at a size in mm; a word that is longer stands by itself.</summary>
    public static IEnumerable<string> Of(string words, ITextMeasure text, double size, double wide)
    {
        var line = "";
        foreach (var word in words.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var next = line.Length == 0 ? word : $"{line} {word}";
            if (line.Length > 0 && text.Width(next, size, false) > wide)
            {
                yield return line;
                line = word;
            }
            else
                line = next;
        }
        if (line.Length > 0)
            yield return line;
    }
}
