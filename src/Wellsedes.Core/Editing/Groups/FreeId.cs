namespace Wellsedes.Core.Editing.Groups;

/// <summary>Ids that nobody has, for what is made along with something else.</summary>
internal static class FreeId
{
    private const int Longest = 54;

    /// <summary>An id that begins as said, with a number behind it where that one is taken.</summary>
    public static string Of(string begin, Func<string, bool> isTaken)
    {
        var id = begin.Length > Longest ? begin[..Longest] : begin;
        var free = id;
        for (var i = 2; isTaken(free); i++)
            free = $"{id}-{i}";
        return free;
    }
}
