using System.Collections.Immutable;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Drawings;

/// <summary>What a sheet leaves out by its view: ids of things, and the words in which it says so.</summary>
public sealed record NotDrawn(ImmutableHashSet<string> Ids, ImmutableArray<string> Words)
{
    public static readonly NotDrawn Nothing = new([], []);

    public static NotDrawn By(Plan plan, View view)
    {
        var subjects = new Subjects(plan, view.SchemeId);
        var counts = subjects.All().Where(line => line.Count > 0).ToDictionary(line => line.Key, line => line.Name);
        return new NotDrawn(subjects.Under(view.NotPrinted), [.. view.NotPrinted.Where(counts.ContainsKey).Select(key => counts[key])]);
    }
}
