using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>What a lock holds. Asked of every change whose edit heeds locks; no edit asks for itself.</summary>
internal static class Locking
{
    /// <summary>Why a change moves what is locked by itself; null where it does not.</summary>
    /// <param name="kind">Of the edit, whose subject a refusal names.</param>
    public static Problem? Broken(Plan plan, Change change, EditKind kind)
    {
        foreach (var (before, after) in change.Entities.Select(entity => (entity.Before, entity.After)))
            if (before is ILockable { Locked: true } && Moves(before, after) && !GoesAlong(change, before, after))
                return new Problem(kind.Subject, $"{EntityWords.Called(plan, before)} is locked; unlock it first.");
        return null;
    }

    /// <summary>An opening goes with its wall, and what stands on a thing goes up and down with it: neither is moved by itself.</summary>
    private static bool GoesAlong(Change change, Entity before, Entity? after) =>
        (before, after) switch
        {
            (Opening opening, _) => change.Entities.Any(other => other.Id == opening.WallId),
            (Item { StandsOn: { } on } was, Item now) => !Moves(was with { Elevation = now.Elevation }, now)
                && change.Entities.Any(other => other.Id == on),
            _ => false,
        };

    /// <summary>Whether a change moves, turns, sizes or removes something, and not only says more of it.</summary>
    public static bool Moves(Entity before, Entity? after) =>
        (before, after) switch
        {
            (_, null) => true,
            (Item a, Item b) => (a.Placement, a.LevelId, a.Elevation, a.SetAside, a.Catalogue, a.Mirrored)
                != (b.Placement, b.LevelId, b.Elevation, b.SetAside, b.Catalogue, b.Mirrored)
                || (a.Width, a.Depth, a.Height) != (b.Width, b.Depth, b.Height)
                || !Equals(a.Parameters, b.Parameters),
            (Thing a, Thing b) => (a.Placement, a.LevelId, a.Width, a.Depth) != (b.Placement, b.LevelId, b.Width, b.Depth)
                || !Equals(a.OwnOutline(), b.OwnOutline()),
            (Wall a, Wall b) => a.Line != b.Line || a.Thickness != b.Thickness,
            (Opening a, Opening b) => (a.Along, a.Width, a.WallId) != (b.Along, b.Width, b.WallId),
            (SettingOutLine a, SettingOutLine b) => a with { Locked = b.Locked } != b,
            (Backing a, Backing b) => a.Placement != b.Placement || a.Scale != b.Scale,
            _ => !Equals(before, after),
        };
}
