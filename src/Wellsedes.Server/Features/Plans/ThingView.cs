using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Server.Features.Plans;

public sealed record ThingPartView(ThingRole Role, string Path, string Tint);

/// <summary>A thing as the client draws and picks it; paths and outline in mm on the level, y up.</summary>
public sealed record ThingView(
    string Id,
    string Name,
    string Word,
    string LevelId,
    string? SchemeId,
    ThingPartView[] Parts,
    ThingText[] Texts,
    Point[][] Outlines
)
{
    public static ThingView Of(Thing thing, UnitSystem units) =>
        new(
            thing.Id,
            thing.Called(),
            thing.Word(),
            thing.LevelId,
            (thing as IOfScheme)?.SchemeId,
            [.. thing.Parts().Select(part => new ThingPartView(part.Role, part.Path.ToPathData(), part.Tint))],
            [.. thing.Texts(units)],
            [.. thing.Areas().SelectMany(area => area.Rings()).Select(ring => ring.ToArray())]
        );
}

/// <summary>A kind of thing as the client offers and edits it, in the forms it is offered in.</summary>
public sealed record ThingKindView(
    string Name,
    string Word,
    ThingStage Stage,
    bool OfScheme,
    ThingForm Form,
    ThingFieldView[] Fields,
    ReadyThingView[] Ready,
    string DepthLabel
)
{
    public static ThingKindView Of(ThingKind kind)
    {
        var template = kind.Make("new", PlanStart.LevelId, PlanStart.SchemeId, default);
        return new ThingKindView(
            kind.Name,
            kind.Word,
            kind.Stage,
            template is IOfScheme,
            kind.Form,
            [
                .. kind.Fields.Select(f => new ThingFieldView(
                    f.Key,
                    f.Label,
                    f.Kind,
                    f.Choices.IsDefault ? [] : [.. f.Choices],
                    f.Note,
                    f.Only
                )),
            ],
            kind.Ready.IsDefaultOrEmpty
                ? [new ReadyThingView(Capital(kind.Word), template, "")]
                : [.. kind.Ready.Select(ready => new ReadyThingView(ready.Label, ready.From(template), ready.Source))],
            kind.DepthLabel
        );

        static string Capital(string word) => char.ToUpperInvariant(word[0]) + word[1..];
    }
}

/// <summary>A new thing in JSON, to be given an id and a place.</summary>
/// <param name="Source">Where its figures come from; "" where they need none.</param>
public sealed record ReadyThingView(string Label, Entity Template, string Source);

public sealed record ThingFieldView(string Key, string Label, ThingFieldKind Kind, ThingChoice[] Choices, string Note, string Only);
