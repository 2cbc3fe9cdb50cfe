using System.Text.Json;
using System.Text.Json.Nodes;
using Wellsedes.Core.Plans;

namespace Wellsedes.Store;

/// <summary>
/// Reads logged changes in their order, brings earlier formats up to this one, and gives changes that were logged without
/// versions the ones they would have had: each change makes its own, an undo gives back the one before.
/// </summary>
internal sealed class LogReader(JsonSerializerOptions json, string firstLevel)
{
    private readonly Dictionary<string, long> versions = [];
    private readonly Dictionary<long, LoggedChange> byRevision = [];

    public History History { get; private set; } = History.Empty;

    /// <summary>The version of each entity after the changes added so far.</summary>
    public IReadOnlyDictionary<string, long> Versions => versions;

    /// <exception cref="JsonException">The change cannot be read.</exception>
    public LoggedChange Read(PlanChange stored)
    {
        Change change;
        if (stored.Format == PlanFormat.Version)
            change = JsonSerializer.Deserialize<Change>(stored.Content, json)!;
        else
        {
            var content = JsonNode.Parse(stored.Content)!.AsObject();
            PlanFormat.RaiseChange(content, stored.Format, firstLevel);
            change = content.Deserialize<Change>(json)!;
        }
        var undone = stored.Undoes is { } undoes ? byRevision.GetValueOrDefault(undoes) : null;
        var redone = stored.Redoes is { } redoes ? byRevision.GetValueOrDefault(redoes) : null;
        return new LoggedChange(
            stored.Revision,
            stored.AuthorId.ToString(),
            change with
            {
                Entities =
                [
                    .. change.Entities.Select(entity =>
                        entity.To is not null
                            ? entity
                            : entity with
                            {
                                From = versions.GetValueOrDefault(entity.Id),
                                To = Same(undone, entity.Id)?.From ?? Same(redone, entity.Id)?.To ?? stored.Revision,
                            }
                    ),
                ],
            },
            stored.Undoes,
            stored.Redoes,
            stored.Request
        );

        static EntityChange? Same(LoggedChange? logged, string id) => logged?.Change.Entities.FirstOrDefault(entity => entity.Id == id);
    }

    public void Add(PlanChange stored) => Add(Read(stored));

    public void Add(LoggedChange logged)
    {
        History = History.With(logged);
        byRevision[logged.Revision] = logged;
        foreach (var entity in logged.Change.Entities)
            if (entity.After is null || entity.To is not { } to)
                versions.Remove(entity.Id);
            else
                versions[entity.Id] = to;
    }
}
