using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

/// <summary>How a thing bears on what is placed.</summary>
public enum ThingEffect
{
    /// <summary>Things may stand on, under or over it.</summary>
    None,

    /// <summary>Nothing else can be where it is, and nobody walks through it.</summary>
    Solid,

    /// <summary>Nothing may stand on it; people walk over it.</summary>
    KeepClear,
}

/// <summary>How a part of a thing is drawn, on screen and on paper alike.</summary>
public enum ThingRole
{
    /// <summary>Filled with ink.</summary>
    Solid,

    /// <summary>Filled with paper, full line.</summary>
    Body,

    /// <summary>A thin full line.</summary>
    Line,

    /// <summary>A thin dashed line: what is overhead, or only an edge in thought.</summary>
    Dashed,

    /// <summary>A heavy line: what somebody wrote or drew to be seen.</summary>
    Heavy,

    /// <summary>Filled with the tint of its thing, no line.</summary>
    Tinted,
}

/// <summary>One part of a thing as it is drawn, in mm on the level.</summary>
public sealed record ThingPart(ThingRole Role, PathShape Path, string Tint = "");

/// <summary>A line of text on the level: Size is the height of its letters, in mm on the level, or 0 for the usual small lettering of a drawing.</summary>
public sealed record ThingText(string Text, Point At, double Size = 0, double Rotation = 0);

/// <summary>
/// A fixed or placed thing that is no wall, opening, room or catalogue item: it stands about its middle with a rotation
/// and a size, and is moved as one. What a kind is and does stands here and in its own file; nothing else names it,
/// but where a rule of the job is about that one kind (a flight's steps, a platform's edges).
/// </summary>
public abstract record Thing(string Id, string LevelId, double X, double Y, double Rotation, double Width, double Depth, bool Locked)
    : Entity(Id),
        IOnLevel,
        ILockable
{
    [JsonIgnore]
    public Placement Placement => new(X, Y, Rotation);

    /// <summary>What one of its kind is called, in the middle of a sentence: "low ceiling".</summary>
    public abstract string Word();

    /// <summary>The name somebody gave it; "" for none.</summary>
    public virtual string OwnName() => "";

    /// <summary>Of what hangs over the floor the clear heights under it at its own -y and +y side, in mm; null for all else.</summary>
    public virtual (double Front, double Back)? ClearUnder() => null;

    /// <summary>What people call this one.</summary>
    public string Called() => OwnName() is { Length: > 0 } own ? own : char.ToUpperInvariant(Word()[0]) + Word()[1..];

    /// <summary>One of its kind: "a low ceiling".</summary>
    public string OneOfIts() => ("aeiou".Contains(Word()[0]) ? "an " : "a ") + Word();

    /// <summary>What is asked of the area it marks; null for nothing.</summary>
    public virtual Asked? Asks() => null;

    public virtual ThingEffect Effect() => ThingEffect.None;

    /// <summary>The floor it takes or lies over.</summary>
    public virtual Convex Floor() => Convex.Rectangle(default, Width, Depth).At(Placement);

    /// <summary>The floor it marks or lies over, in one piece or several; its floor unless its kind has an outline of its own.</summary>
    public ImmutableArray<Region> Areas() => Known.GetValue(this, static thing => new KnownAreas(thing.FindAreas())).Areas;

    /// <summary>The box around the floor it marks or lies over.</summary>
    public Bounds AreaBox() => Region.BoxOf(Areas());

    protected virtual ImmutableArray<Region> FindAreas() => [new Region([.. Floor().Outline(5)], [])];

    private sealed record KnownAreas(ImmutableArray<Region> Areas);

    /// <summary>By the thing itself: a changed copy is another one.</summary>
    private static readonly ConditionalWeakTable<Thing, KnownAreas> Known = [];

    /// <summary>Its floor in convex pieces.</summary>
    public virtual IEnumerable<Convex> Pieces() => [Floor()];

    /// <summary>The outline of its own that it has, in its own frame; null for none.</summary>
    public virtual ZoneShape? OwnOutline() => null;

    /// <summary>The same with an outline of its own, given on the level; null where its kind takes none.</summary>
    public virtual Thing? Outlined(ZoneShape onLevel) => null;

    /// <summary>Whether a point of the level lies in the area it marks.</summary>
    public bool Marks(Point p)
    {
        foreach (var area in Areas())
            if (area.Holds(p))
                return true;
        return false;
    }

    /// <summary>Whether it is only drawn: nothing of it stands up.</summary>
    public virtual bool IsMarked() => false;

    /// <summary>Of what is drawn on a plate that hangs upright its middle above the floor, in mm; null for all else.</summary>
    public virtual double? HangsAt() => null;

    /// <summary>The way it keeps free; null for none.</summary>
    public virtual KeptWay? Keeps() => null;

    /// <summary>The clear width in mm that is asked of the ways to what stands in it; null for none of its own.</summary>
    public virtual double? AsksWidth() => null;

    /// <summary>The clear width in mm that is asked of the ways to what it is filled with, whatever else is asked; null for none of its own.</summary>
    public virtual double? AsksOfOwn() => null;

    /// <summary>What it is to be filled with; null for what is filled with nothing.</summary>
    public virtual SeatsAsked? Fills() => null;

    /// <summary>Whether the chairs it is filled with are joined to each other in their rows.</summary>
    public virtual bool JoinsChairs() => false;

    /// <summary>The same, filled with something else or otherwise.</summary>
    public virtual Thing Filled(SeatsAsked asked) => this;

    /// <summary>The same with the ids it names carried over to those of copies.</summary>
    public virtual Thing Carrying(Func<string, string> ids) => this;

    /// <summary>What it is that free floor is asked before, as measures tell these apart: "wc", "basin", "bath", "shower", "kitchen"; "" for all else.</summary>
    public virtual string Ware() => "";

    /// <summary>Whether it gives power to what stands near.</summary>
    public virtual bool GivesPower() => false;

    /// <summary>How high it reaches above the floor, in mm; endless for what goes up to the ceiling.</summary>
    public virtual double Top() => double.PositiveInfinity;

    /// <summary>Whether it goes up through the building, so that the levels above have it where this one has it.</summary>
    public virtual bool GoesUp() => false;

    /// <summary>The floor nobody walks through because of it, asked with the headroom in mm; null where people pass.</summary>
    public virtual Convex? Blocks(double headroom) => Effect() == ThingEffect.Solid ? Floor() : null;

    /// <summary>The floor that does not count as usable, asked with the least clear height in mm that does; null for none.</summary>
    public virtual Convex? Lost(double leastHeight) => null;

    /// <summary>What it is for where that is something else than its room, by which its people are counted; "" for most.</summary>
    public virtual string OwnUse() => "";

    /// <summary>Whether the rooms within it are one home, with those in things of the same name on other levels.</summary>
    public virtual bool IsDwelling() => false;

    /// <summary>Whether seats, desks and area within it are counted by themselves.</summary>
    public virtual bool Counts() => false;

    /// <summary>Widths and depths in mm that are not asked about.</summary>
    public virtual (double Least, double Most) UsualSize() => (100, 60_000);

    /// <summary>What is wrong with what only its kind has; null when nothing is. Sure lets unusual sizes through.</summary>
    public virtual Problem? Check(Plan plan, bool sure) => null;

    /// <summary>A new one as it is put in: what it leaves open filled in from the plan.</summary>
    public virtual Thing Begun(Plan plan) => this;

    /// <summary>As it is to be stored: what follows from the rest of the plan set right.</summary>
    public virtual Thing Settled(Plan plan) => this;

    /// <summary>The same thing in another scheme; for kinds that are of one.</summary>
    public virtual Thing InScheme(string schemeId) => this;

    /// <summary>The same as a copy that stands by itself: it follows nothing that its original does.</summary>
    public virtual Thing Copied() => this;

    /// <summary>The same thing seen in a mirror along its own y axis; placed by whoever mirrors.</summary>
    public virtual Thing Mirrored() => this;

    /// <summary>What is drawn of it, from bottom to top.</summary>
    public abstract IEnumerable<ThingPart> Parts();

    /// <summary>What is written on it.</summary>
    public virtual IEnumerable<ThingText> Texts(UnitSystem units) => [];

    /// <summary>A rectangle of its size in its own coordinates.</summary>
    protected PathShape Whole() => PathShape.Box(-Width / 2, -Depth / 2, Width / 2, Depth / 2);

    protected ThingPart Drawn(ThingRole role, PathShape own) => new(role, own.At(Placement));

    protected ThingText Written(string text, Point own) => new(text, Placement.Out(own));
}
