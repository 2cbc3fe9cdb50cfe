using System.Collections.Immutable;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

/// <summary>The data fields of a title block by ISO 7200 that somebody types.</summary>
public sealed record TitleBlockFields(
    string LegalOwner = "",
    string SheetNumber = "",
    string Title = "",
    string SupplementaryTitle = "",
    string Creator = "",
    string Approver = "",
    string DocumentType = ""
);

/// <summary>What a sheet shows.</summary>
public sealed record SheetShows(
    bool RoomNames = true,
    bool Labels = true,
    bool Dimensions = true,
    bool Walkway = true,
    bool Schedule = true,
    bool Notes = true,
    bool North = true
);

/// <summary>
/// A sheet of one scheme on one level: paper, scale (null for the largest that fits), title block, what is shown, notes, and
/// the view it is drawn by ("" for one that prints all), and the pictures in space that stand on it.
/// Issued revisions hang on its id.
/// </summary>
public sealed record SheetSettings(
    string Id,
    string SchemeId,
    string LevelId,
    string Paper,
    bool Landscape,
    TitleBlockFields TitleBlock,
    SheetShows Shows,
    [property: LongText(2000)] string Notes = "",
    double? Scale = null,
    string ViewId = "",
    SheetPictures? Pictures = null
) : Entity(Id), IOfScheme, IOnLevel;

/// <summary>Pictures in space on a sheet, by the viewpoints they are taken from, in order.</summary>
/// <param name="Alone">In place of the plan; else in a strip below it.</param>
public sealed record SheetPictures(ImmutableArray<string> Viewpoints, bool Alone = false)
{
    /// <summary>The most pictures on a sheet.</summary>
    public const int Most = 9;

    /// <summary>Without those that are gone; null where none is left.</summary>
    public SheetPictures? Without(Func<string, bool> gone) =>
        !Viewpoints.Any(gone) ? this
        : Viewpoints.All(gone) ? null
        : this with { Viewpoints = [.. Viewpoints.Where(id => !gone(id))] };

    public Problem? Wrong(Plan plan, string schemeId) =>
        Viewpoints.Length is 0 or > Most
            ? new Problem("pictures", $"A sheet shows from 1 to {Most} pictures; {Viewpoints.Length} were given.")
        : Viewpoints.ToHashSet().Count != Viewpoints.Length ? new Problem("pictures", "One viewpoint is named twice; name each once.")
        : Viewpoints.Any(id => plan.Find<Viewpoint>(id)?.SchemeId != schemeId)
            ? new Problem("pictures", "One of the viewpoints is no longer there, or of another scheme.")
        : null;

    public bool Equals(SheetPictures? other) =>
        other is not null && Alone == other.Alone && Viewpoints.AsSpan().SequenceEqual(other.Viewpoints.AsSpan());

    public override int GetHashCode() => HashCode.Combine(Alone, Viewpoints.Length);
}
