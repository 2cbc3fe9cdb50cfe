using System.Collections.Immutable;

namespace Wellsedes.Core.Plans;

/// <summary>
/// One thing of a plan, in the widest sense. The id is given once and never changes; all lengths are mm, rotations degrees
/// counter-clockwise. Two entities may be equal in content and yet be told apart: the plan knows the version of each.
/// </summary>
public abstract record Entity(string Id);

/// <summary>An entity of one scheme, as opposed to the shell that all schemes share.</summary>
public interface IOfScheme
{
    string SchemeId { get; }
}

/// <summary>An entity that stands on a level.</summary>
public interface IOnLevel
{
    string LevelId { get; }
}

/// <summary>The names in JSON of what every plan is made of; the kinds of thing (<see cref="ThingKinds"/>) come beside them.</summary>
public static class EntityKinds
{
    public static ImmutableArray<(string Name, Type Type)> Own { get; } =
    [
        ("plan", typeof(PlanDetails)),
        ("level", typeof(Level)),
        ("room", typeof(Room)),
        ("wall", typeof(Wall)),
        ("opening", typeof(Opening)),
        ("wall-type", typeof(WallType)),
        ("boundary", typeof(Boundary)),
        ("setting-out-line", typeof(SettingOutLine)),
        ("backing", typeof(Backing)),
        ("scheme", typeof(Scheme)),
        ("brief", typeof(Brief)),
        ("checks", typeof(Checks)),
        ("sheet", typeof(SheetSettings)),
        ("item", typeof(Item)),
        ("repeat", typeof(Repeat)),
        ("cluster", typeof(Cluster)),
        ("own-item", typeof(OwnItem)),
        ("own-rule", typeof(OwnRule)),
        ("rulebook", typeof(PlanBook)),
        ("rule-change", typeof(RuleChange)),
        ("acceptance", typeof(Acceptance)),
        ("stock", typeof(HouseStock)),
        ("finish", typeof(Finish)),
        ("dimension", typeof(Dimension)),
        ("view", typeof(View)),
        ("viewpoint", typeof(Viewpoint)),
        ("locks", typeof(Locks)),
        ("group", typeof(OwnGroup)),
    ];

    public static IEnumerable<(string Name, Type Type)> All(ThingKinds things) =>
        Own.Concat(things.All.Select(kind => (kind.Name, kind.Type)));
}
