using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Own items made from what is on the plan, and those of an outline set to size by what is known of them.</summary>
internal sealed class OwnItemEdits(ItemForms forms)
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<KeepAsOwn>("keep-as-own", "Keep as an own item", "Kept as an own item", (tools, plan, e) => Keep(plan, e)),
        EditKind.Of<KeepOutline>(
            "keep-outline",
            "Keep an outline as an own item",
            "Kept an outline as an own item",
            (tools, plan, e) => Outline(plan, e)
        ),
        EditKind.Of<KeepSelection>(
            "keep-selection",
            "Keep a selection as an own item",
            "Kept a selection as an own item",
            (tools, plan, e) => tools.Own.Selection(plan, e)
        ),
        EditKind.Of<SetToSize>(
            "set-to-size",
            "Set to size by a known distance",
            "Set to size by a known distance",
            (tools, plan, e) => ToSize(plan, e)
        ),
        EditKind.Of<LayOnto>("lay-onto", "Align by two points", "Aligned by two points", (tools, plan, e) => Onto(plan, e)),
    ];

    private static EditAnswer Keep(Plan plan, KeepAsOwn edit)
    {
        if (plan.Find<Item>(edit.ItemId) is not { } item || plan.CatalogueItem(item.Catalogue) is not { } kind)
            return EditAnswer.No("itemId", "The item is no longer there.");
        if (NotNew(plan, edit.OwnId, edit.Name) is { } taken)
            return taken;
        var own = kind with
        {
            Key = edit.OwnId,
            Name = edit.Name.Trim(),
            Size = ItemForms.SizeOf(item, kind),
            Seats = item.Seats ?? kind.Seats,
            MostSeats = TableSizes.MostSeatsAt(kind, ItemForms.SizeOf(item, kind)),
            Parameters = item.Parameters ?? kind.Parameters,
            Source = new ValueSource("Own item", "high"),
            Reference = "",
            SupplierCode = edit.SupplierCode.Trim(),
            Price = edit.Price,
            IsFixed = edit.IsFixed,
            LikeKey = kind.LikeKey.Length > 0 ? kind.LikeKey : kind.Key,
        };
        var alike = plan.OfScheme<Item>(item.SchemeId)
            .Where(other => other.Id == item.Id || (edit.Everywhere && IsAlike(other, item) && !other.Locked))
            .ToArray();
        return EditAnswer.Done(
            new Change(
                $"Kept {own.Name} as an own item",
                [
                    new EntityChange(null, new OwnItem(edit.OwnId, own)),
                    .. alike.Select(other => new EntityChange(
                        other,
                        other with
                        {
                            Catalogue = own.Key,
                            Width = null,
                            Depth = null,
                            Height = null,
                            Parameters = null,
                            Seats = null,
                        }
                    )),
                ]
            )
        );
    }

    private static bool IsAlike(Item a, Item b) =>
        a.Catalogue == b.Catalogue
        && a.Width == b.Width
        && a.Depth == b.Depth
        && a.Height == b.Height
        && a.Seats == b.Seats
        && Equals(a.Parameters, b.Parameters);

    /// <summary>Why an own item cannot be begun under an id and a name, nor the item that is placed of it under another; null when it can.</summary>
    private static EditAnswer? NotNew(Plan plan, string ownId, string name, string? itemId = null) =>
        plan.Find(ownId) is not null || plan.Library.Catalogue.Find(ownId) is not null ? EditAnswer.Taken("ownId", ownId)
        : Editor.CheckText("name", name, 1, 60) is { } problem ? EditAnswer.No(problem)
        : Named(plan, name.Trim()) ? EditAnswer.No("name", $"There is already an item called {name.Trim()}; give it another name.")
        : itemId is not null && (plan.Find(itemId) is not null || itemId == ownId) ? EditAnswer.Taken("itemId", itemId)
        : null;

    private static bool Named(Plan plan, string name) =>
        plan.All<OwnItem>()
            .Select(own => own.Item.Name)
            .Concat(plan.Library.Catalogue.Items.Select(item => item.Name))
            .Contains(name, StringComparer.OrdinalIgnoreCase);

    /// <summary>An own item of what was drawn, placed where it was drawn.</summary>
    private static EditAnswer Outline(Plan plan, KeepOutline edit)
    {
        if (NotNew(plan, edit.OwnId, edit.Name, edit.ItemId) is { } taken)
            return taken;
        if (plan.Find<Scheme>(edit.SchemeId) is null || plan.Find<Level>(edit.LevelId) is null)
            return EditAnswer.No("scheme", "The scheme or level is no longer there.");
        if (
            edit
                .Corners.Select(corner => SizeSense.CheckPlacement(new Placement(corner.X, corner.Y, 0)))
                .FirstOrDefault(p => p is not null) is
            { } far
        )
            return EditAnswer.No(far);
        var box = Bounds.Around(edit.Corners);
        var shape = new OwnShape([.. edit.Corners.Select(corner => corner - box.Centre)], []);
        if (shape.Wrong() is { } wrong)
            return EditAnswer.No(wrong.Field, wrong.Message);
        if (SizeSense.Check(plan.Details.Units, "height", $"“{edit.Name.Trim()}”", edit.Height, 1, 4000, edit.Sure) is { } height)
            return EditAnswer.No(height);
        var own = Begun(edit.OwnId, edit.Name, edit.Kind, new ItemSize(box.Width, box.Height, edit.Height), shape);
        return EditAnswer.Done(
            new Change(
                $"Kept {own.Name} as an own item",
                [
                    new EntityChange(null, new OwnItem(own.Key, own)),
                    new EntityChange(null, new Item(edit.ItemId, edit.SchemeId, edit.LevelId, own.Key, box.Centre.X, box.Centre.Y, 0)),
                ]
            )
        );
    }

    /// <summary>What every own item that is made here begins with.</summary>
    private static CatalogueItem Begun(string key, string name, CatalogueKind kind, ItemSize size, OwnShape shape) =>
        new(
            key,
            name.Trim(),
            kind,
            FormMaker.Outline,
            size,
            new ValueSource("Own item", "high"),
            default,
            Tag: "OW",
            SubKind: "Own outlines",
            Shape: shape
        );

    private EditAnswer Selection(Plan plan, KeepSelection edit)
    {
        if (NotNew(plan, edit.OwnId, edit.Name, edit.ItemId) is { } taken)
            return taken;
        var chosen = edit.Ids.Select(plan.Find).ToArray();
        if (chosen.Length == 0 || chosen.Any(entity => entity is not (Item or Thing)))
            return EditAnswer.No("ids", "Choose items and things that stand on the plan.");
        if (chosen.OfType<IOfScheme>().Any(one => one.SchemeId != edit.SchemeId))
            return EditAnswer.No("ids", "One of them is of another scheme; choose some of one.");
        if (chosen.OfType<IOnLevel>().DistinctBy(on => on.LevelId).Skip(1).Any())
            return EditAnswer.No("ids", "They stand on several levels; choose some of one.");
        if (edit.InTheirPlace && chosen.Any(one => one is Thing thing && !thing.IsMarked()))
            return EditAnswer.No("ids", "Only items and marks can be changed for the own item; keep the others where they are.");
        var checks = plan.OfScheme<Checks>(edit.SchemeId).FirstOrDefault();
        if (checks is null)
            return EditAnswer.No("scheme", "The scheme is no longer there.");
        var placed = chosen.OfType<Item>().Select(item => forms.Place(plan, item, checks)).OfType<PlacedItem>().ToArray();
        var taking = TakenTogether.Of(placed, [.. chosen.OfType<Thing>()], plan.Details.Units);
        if (taking.Shape.Wrong() is { } wrong)
            return EditAnswer.No(wrong.Field, $"They make no own item: {wrong.Message}");
        var kind = placed.Length > 0 ? placed.MaxBy(item => item.Size.Width * item.Size.Depth)!.Kind.Kind : CatalogueKind.Equipment;
        var own = Begun(edit.OwnId, edit.Name, kind, taking.Size, taking.Shape) with
        {
            Uses = taking.Uses,
            Outlets = placed.Sum(item => item.Kind.Outlets),
        };
        var item = new Item(
            edit.ItemId,
            edit.SchemeId,
            ((IOnLevel)chosen[0]!).LevelId,
            own.Key,
            taking.At.X,
            taking.At.Y,
            AngleText.Normal(taking.At.Rotation),
            Elevation: taking.Bottom
        );
        return EditAnswer.Done(
            new Change(
                $"Kept {own.Name} as an own item",
                [
                    new EntityChange(null, new OwnItem(own.Key, own)),
                    .. edit.InTheirPlace
                        ? [.. chosen.Select(one => new EntityChange(one, null)), new EntityChange(null, item)]
                        : (EntityChange[])[],
                ]
            )
        );
    }

    private static EditAnswer ToSize(Plan plan, SetToSize edit)
    {
        if (Scalable(plan, edit.Id, out var item, out var kind) is { } no)
            return no;
        var apart = edit.From.DistanceTo(edit.To);
        if (!(apart > 1))
            return EditAnswer.No("to", "The two points are one; choose two that lie apart.");
        if (!(edit.Distance > 0) || edit.Distance > SizeSense.Longest)
            return EditAnswer.No("distance", "The true distance must be more than 0.");
        var by = edit.Distance / apart;
        return Scaled(plan, item, kind, by, edit.From + (item.Placement.Origin - edit.From) * by, item.Rotation, edit.Sure, "Set to size");
    }

    private static EditAnswer Onto(Plan plan, LayOnto edit)
    {
        if (plan.Find<Item>(edit.Id) is not { } item || plan.CatalogueItem(item.Catalogue) is not { } kind)
            return EditAnswer.No("id", "The item is no longer there.");
        var (was, goal) = (edit.To - edit.From, edit.ToOnPlan - edit.FromOnPlan);
        if (!(was.Length > 1) || !(goal.Length > 1))
            return EditAnswer.No("to", "Two points are one; choose two that lie apart on the item, and two on the plan.");
        var by = kind.Maker == FormMaker.Outline ? goal.Length / was.Length : 1;
        var turn = new Placement(0, 0, Angles.Of(goal) - Angles.Of(was));
        var at = edit.FromOnPlan + turn.Turned(item.Placement.Origin - edit.From) * by;
        var rotation = AngleText.Normal(item.Rotation + turn.Rotation);
        return Scaled(plan, item, kind, by, at, rotation, edit.Sure, "Laid");
    }

    /// <summary>Why an item cannot be scaled; null when it can.</summary>
    private static EditAnswer? Scalable(Plan plan, string id, out Item item, out CatalogueItem kind)
    {
        (item, kind) = (null!, null!);
        if (plan.Find<Item>(id) is not { } found || plan.CatalogueItem(found.Catalogue) is not { } known)
            return EditAnswer.No("id", "The item is no longer there.");
        (item, kind) = (found, known);
        return kind.Maker == FormMaker.Outline
            ? null
            : EditAnswer.No("id", $"Only outlines and pictures are scaled; “{kind.Name}” has a true size: type it.");
    }

    private static EditAnswer Scaled(Plan plan, Item item, CatalogueItem kind, double by, Point at, double rotation, bool sure, string verb)
    {
        var end = new Placement(at.X, at.Y, rotation);
        if (SizeSense.CheckPlacement(end) is { } outside)
            return EditAnswer.No(outside);
        var size = ItemForms.SizeOf(item, kind);
        var isScaled = Math.Abs(by - 1) > 1e-9;
        var (width, depth) = (Math.Round(size.Width * by, 2), Math.Round(size.Depth * by, 2));
        if (isScaled && ItemEdits.CheckSizes(plan, kind, width, depth, null, sure) is { } problem)
            return EditAnswer.No(problem);
        var start = item.Placement;
        return ItemEdits.Each(
            plan,
            ItemEdits.WithWhatStandsOnThem(plan, [item.Id]),
            verb,
            one =>
                one.Id != item.Id ? ItemEdits.Carried(one, start, end)
                : isScaled ? one with { X = end.X, Y = end.Y, Rotation = rotation, Width = width, Depth = depth }
                : one with { X = end.X, Y = end.Y, Rotation = rotation }
        );
    }
}
