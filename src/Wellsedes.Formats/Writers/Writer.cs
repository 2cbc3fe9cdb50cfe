namespace Wellsedes.Formats.Writers;

/// <summary>How a file is being written.</summary>
/// <param name="Progress">Told how much is done, from 0 to 1.</param>
public readonly record struct WriteProgress(Action<double>? Progress, CancellationToken Cancel)
{
    /// <exception cref="OperationCanceledException">Nobody wants the file any more.</exception>
    public void Tell(double done)
    {
        Cancel.ThrowIfCancellationRequested();
        Progress?.Invoke(Math.Clamp(done, 0, 1));
    }
}

/// <summary>All that is said of one format of file.</summary>
/// <param name="Name">What it is called in the table: "schedule".</param>
/// <param name="Ending">Of the file's name, without the point.</param>
/// <param name="Carries">What it carries of a document, for people.</param>
/// <param name="LeavesOut">What it leaves out; "" for nothing.</param>
/// <param name="IsKept">Whether it is kept with an issued revision.</param>
/// <param name="CanWrite">Whether a document has the parts that it is made of.</param>
public sealed record Writer(
    string Name,
    string Ending,
    string MediaType,
    string Carries,
    string LeavesOut,
    bool IsKept,
    Func<ExportDocument, bool> CanWrite,
    Func<ExportDocument, WriteProgress, byte[]> Bytes
);

/// <summary>A file that was written.</summary>
public sealed record WrittenFile(string Ending, string MediaType, byte[] Content);
