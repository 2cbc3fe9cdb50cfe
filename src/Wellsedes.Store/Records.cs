using Microsoft.AspNetCore.Identity;

namespace Wellsedes.Store;

/// <summary>Somebody who signs in.</summary>
public sealed class Person : IdentityUser<Guid>
{
    public required string DisplayName { get; set; }
}

public enum ProjectRole
{
    Viewer,
    Editor,
    Owner,
}

public sealed class Project
{
    public Guid Id { get; set; }
    public required string Name { get; set; }
    public DateTime CreatedAt { get; set; }

    /// <summary>When it was deleted; it can be brought back for a while (<see cref="Bin.Kept"/>).</summary>
    public DateTime? DeletedAt { get; set; }
    public List<ProjectMember> Members { get; set; } = [];
    public List<PlanRecord> Plans { get; set; } = [];
}

public sealed class ProjectMember
{
    public Guid ProjectId { get; set; }
    public Project? Project { get; set; }
    public Guid PersonId { get; set; }
    public Person? Person { get; set; }
    public ProjectRole Role { get; set; }
}

/// <summary>A plan's row: its title is a copy of the plan's own, for lists.</summary>
public sealed class PlanRecord
{
    public Guid Id { get; set; }
    public Guid ProjectId { get; set; }
    public Project? Project { get; set; }
    public required string Title { get; set; }

    /// <summary>The revision of the newest change; guards against two writers.</summary>
    public long Revision { get; set; }
    public DateTime ChangedAt { get; set; }

    /// <summary>When it was put away among the finished ones; null for one that is worked on.</summary>
    public DateTime? ArchivedAt { get; set; }

    /// <summary>The file of the demo it came with; null for a plan of somebody's own.</summary>
    public string? DemoFile { get; set; }

    /// <summary>When it was deleted; it can be brought back for a while (<see cref="Bin.Kept"/>).</summary>
    public DateTime? DeletedAt { get; set; }
}

/// <summary>One acknowledged change, never altered once written.</summary>
public sealed class PlanChange
{
    public Guid PlanId { get; set; }
    public long Revision { get; set; }
    public Guid AuthorId { get; set; }
    public DateTime MadeAt { get; set; }
    public required string Label { get; set; }

    /// <summary>The change as JSON: entities before and after.</summary>
    public required string Content { get; set; }

    /// <summary>The version of the format the content is written in.</summary>
    public int Format { get; set; }
    public long? Undoes { get; set; }
    public long? Redoes { get; set; }

    /// <summary>What its author's program calls the request it came by; null for one without a name.</summary>
    public Guid? Request { get; set; }
}

/// <summary>All entities of a plan at a revision, so that opening it need not replay everything.</summary>
public sealed class PlanSnapshot
{
    public Guid PlanId { get; set; }
    public long Revision { get; set; }
    public required string Entities { get; set; }

    /// <summary>The versions of the entities that are not 0, as JSON by id; null where they follow from the log.</summary>
    public string? Versions { get; set; }

    /// <summary>The version of the format the entities are written in.</summary>
    public int Format { get; set; }
}

/// <summary>A revision as it was issued. Its files never change.</summary>
public sealed class IssuedRevision
{
    public Guid PlanId { get; set; }
    public required string SchemeId { get; set; }

    /// <summary>The sheet it is a revision of.</summary>
    public required string SheetId { get; set; }

    /// <summary>A, B, … Z, AA, …</summary>
    public required string Letter { get; set; }
    public int Number { get; set; }
    public long PlanRevision { get; set; }
    public DateTime IssuedAt { get; set; }
    public Guid IssuedById { get; set; }
    public required string IssuedBy { get; set; }
    public required string For { get; set; }
    public required string Paper { get; set; }
    public required string ScaleName { get; set; }

    /// <summary>The name of the level the sheet shows.</summary>
    public required string LevelName { get; set; }
    public required List<IssuedFile> Files { get; set; }
}

/// <summary>A file of an issued revision, as it was written then. It never changes.</summary>
public sealed class IssuedFile
{
    /// <summary>The ending under which the plan itself is kept.</summary>
    public const string PlanEnding = "json";

    public Guid PlanId { get; set; }
    public string SheetId { get; set; } = "";
    public string Letter { get; set; } = "";

    /// <summary>Of the file's name, without the point.</summary>
    public required string Ending { get; set; }
    public required string MediaType { get; set; }
    public required byte[] Content { get; set; }
}

/// <summary>A picture in space as it was taken, with the revision of the plan that it shows. It never changes.</summary>
public sealed class TakenView
{
    public Guid PlanId { get; set; }
    public Guid Id { get; set; }
    public required string SchemeId { get; set; }

    /// <summary>What the viewpoint was called.</summary>
    public required string Name { get; set; }
    public long PlanRevision { get; set; }
    public DateTime TakenAt { get; set; }
    public Guid TakenById { get; set; }
    public required string TakenBy { get; set; }
    public int Width { get; set; }
    public int Height { get; set; }
    public int Size { get; set; }
    public required byte[] Png { get; set; }
}

/// <summary>A picture kept with a plan, never altered once written: the file as it came, and for a PDF the page as a picture beside it.</summary>
public sealed class PlanPicture
{
    public Guid PlanId { get; set; }
    public Guid Id { get; set; }
    public required string Name { get; set; }
    public int Page { get; set; }
    public required byte[] File { get; set; }

    /// <summary>The page of a PDF as PNG; null where the file itself is shown.</summary>
    public byte[]? PagePng { get; set; }

    /// <summary>Media type of what is shown.</summary>
    public required string MediaType { get; set; }
    public int Columns { get; set; }
    public int Rows { get; set; }

    /// <summary>Width of the paper in mm; null for pictures, which have none.</summary>
    public double? PaperWidth { get; set; }
    public DateTime AddedAt { get; set; }

    /// <summary>When it was deleted; it can be brought back for a while (<see cref="Bin.Kept"/>).</summary>
    public DateTime? DeletedAt { get; set; }
}

/// <summary>The rulebooks that a project keeps for its plans, with what is taken otherwise: those of one of its plans at a moment.</summary>
public sealed class ProjectBooks
{
    public Guid ProjectId { get; set; }

    /// <summary>The entities as JSON.</summary>
    public required string Entities { get; set; }

    /// <summary>The version of the format the entities are written in.</summary>
    public int Format { get; set; }
    public DateTime KeptAt { get; set; }

    /// <summary>Who kept them.</summary>
    public required string KeptBy { get; set; }
}

/// <summary>One change of a project's library of own items, never altered once written.</summary>
public sealed class LibraryChange
{
    public Guid ProjectId { get; set; }
    public long Revision { get; set; }
    public Guid AuthorId { get; set; }
    public DateTime MadeAt { get; set; }

    /// <summary>The id of the own item.</summary>
    public required string Key { get; set; }

    /// <summary>The item as JSON; null when it was taken out.</summary>
    public string? Content { get; set; }
}

/// <summary>An own item that somebody keeps for all of their projects.</summary>
public sealed class OwnedItem
{
    public Guid PersonId { get; set; }

    /// <summary>The id of the own item.</summary>
    public required string Key { get; set; }
    public DateTime KeptAt { get; set; }

    /// <summary>The item as JSON.</summary>
    public required string Content { get; set; }
}
