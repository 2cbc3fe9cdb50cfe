using Wellsedes.Core.Measure;

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
/// the view it is drawn by ("" for one that prints all).
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
    string ViewId = ""
) : Entity(Id), IOfScheme, IOnLevel;
