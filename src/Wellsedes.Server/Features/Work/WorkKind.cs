using Wellsedes.Core.Plans;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Features.Work;

/// <summary>What is to be worked out in the background: of which kind, and of which scheme.</summary>
/// <param name="Picture">Of work that takes pictures: which, and how large.</param>
public sealed record WorkOrder(string Kind, string? SchemeId = null, PictureOrder? Picture = null);

/// <summary>Pictures in space that somebody wants, in pixels.</summary>
/// <param name="From">Where one is taken from; null for one from each viewpoint of the scheme.</param>
/// <param name="Titled">Whether plan, viewpoint and revision stand below.</param>
public sealed record PictureOrder(int Width, int Height, bool Titled, Viewpoint? From = null);

/// <summary>What came of it: a file for somebody.</summary>
public sealed record WorkFile(byte[] Content, string ContentType, string Name)
{
    /// <summary>Of a picture what it shows; null for all else, which is not kept.</summary>
    public TakenPicture? Taken { get; init; }
}

/// <summary>What a picture shows, and at which revision of the plan.</summary>
public sealed record TakenPicture(string SchemeId, string Name, long Revision, int Width, int Height);

/// <summary>A kind of work that takes longer than anybody would wait for with their hand on the plan.</summary>
public interface IWorkKind
{
    string Name { get; }

    /// <summary>Works it out from a plan as it was published.</summary>
    /// <param name="project">What the project is called.</param>
    /// <param name="progress">Told how much is done, from 0 to 1.</param>
    /// <param name="cancel">The plan was edited, or nobody wants it any more.</param>
    /// <exception cref="OperationCanceledException">It was cancelled.</exception>
    /// <exception cref="WorkRefusedException">It cannot be done, with the reason in words.</exception>
    WorkFile Run(PublishedPlan plan, WorkOrder order, string project, Action<double> progress, CancellationToken cancel);
}

/// <summary>Background work that cannot be done; the message tells why.</summary>
public sealed class WorkRefusedException(string message) : Exception(message);

/// <summary>How background work stands.</summary>
public enum WorkStage
{
    /// <summary>It is being worked out.</summary>
    Working,

    /// <summary>It is there, and the plan is still as it was.</summary>
    Fresh,

    /// <summary>The plan has changed since: the answer is of an earlier revision, or was given up.</summary>
    Stale,

    /// <summary>It cannot be done.</summary>
    Refused,
}

/// <summary>How background work stands, of which revision of the plan.</summary>
/// <param name="Progress">How much is done, from 0 to 1.</param>
/// <param name="File">What its file is fetched by; null while there is none.</param>
/// <param name="Message">What there is to say of it; "" for nothing.</param>
public sealed record WorkTold(long Revision, WorkStage Stage, double Progress, Guid? File = null, string Message = "");
