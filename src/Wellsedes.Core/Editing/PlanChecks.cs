using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Editing;

/// <summary>
/// The one guard before everything that is stored, however it came: by an edit, from a file, or out of the log. What holds
/// for every entity is written here once; what only a kind of thing knows is in its own file.
/// </summary>
public static class PlanChecks
{
    /// <summary>The most entities a plan holds.</summary>
    public const int MostEntities = WellFormed.MostListed;

    /// <summary>Walls thicker than this are a typing mistake, in mm.</summary>
    private const double ThickestWall = 5000;

    /// <summary>Higher than this above the floor nothing stands or hangs, in mm.</summary>
    private const double Highest = 30_000;

    /// <summary>What is wrong with a whole plan, and with which entity ("" for the plan itself); null when nothing is.</summary>
    public static (string Id, Problem Problem)? OfWhole(Plan plan)
    {
        if (plan.Entities.Count > MostEntities)
            return ("", new Problem("plan", $"A plan holds at most {MostEntities} things."));
        if (Skeleton(plan) is { } missing)
            return ("", missing);
        foreach (var id in plan.Entities.Keys.Order(StringComparer.Ordinal))
            if (OfEntity(plan, plan.Entities[id]) is { } problem)
                return (id, problem);
        var slots = new HashSet<(string?, int?)>();
        foreach (var member in plan.All<Item>().Cast<IMember>().Concat(plan.All<Cluster>()).Concat(plan.All<Repeat>()))
            if (member.Parent is not null && !slots.Add((member.Parent, member.Slot)))
                return (member.Id, new Problem("slot", "Another member is in this slot of its parent."));
        return null;
    }

    /// <summary>What is wrong after a change, seen from what it touched and what hangs on that; null when nothing is.</summary>
    public static Problem? OfChange(Plan before, Change change, Plan after)
    {
        if (change.Label.Length > 200)
            return new Problem("edit", "The change has no proper name.");
        if (change.Entities.DistinctBy(entity => entity.Id).Count() != change.Entities.Length)
            return new Problem("edit", "One thing would be changed twice at once.");
        if (after.Entities.Count > MostEntities)
            return new Problem("plan", $"A plan holds at most {MostEntities} things.");
        if (change.Entities.Any(e => (e.After ?? e.Before) is PlanDetails or Level or Scheme or Brief or Checks or SheetSettings))
            if (Skeleton(after) is { } missing)
                return missing;
        foreach (var entity in change.Entities)
        {
            if (entity is { Before: { } was, After: { } now } && was.GetType() != now.GetType())
                return new Problem("id", $"\"{entity.Id}\" is something else.");
            if (entity.After is { } made && OfEntity(after, made) is { } problem)
                return problem;
        }
        return Hanging(before, change, after);
    }

    /// <summary>What no longer fits though it was not touched itself.</summary>
    private static Problem? Hanging(Plan before, Change change, Plan after)
    {
        var gone = change.Entities.Where(e => e.After is null).Select(e => e.Before!).ToArray();
        foreach (var level in gone.OfType<Level>())
            if (after.Entities.Values.FirstOrDefault(e => e is IOnLevel on && on.LevelId == level.Id) is { } left)
                return new Problem("ids", $"{EntityWords.Called(after, left)} stands on {level.Name}; move or remove it first.");
        foreach (var scheme in gone.OfType<Scheme>())
            if (after.Entities.Values.FirstOrDefault(e => e is IOfScheme of && of.SchemeId == scheme.Id) is not null)
                return new Problem("ids", $"Things of {scheme.Name} are left; remove them with it.");
        foreach (var wall in gone.OfType<Wall>())
            if (after.OpeningsIn(wall.Id).FirstOrDefault() is { } left)
                return new Problem("wall", $"{OpeningEdits.NameOf(left)} stands in this wall; remove it first.");
        foreach (var wall in change.Entities.Where(e => e.Before is Wall).Select(e => e.After).OfType<Wall>())
        foreach (var opening in after.OpeningsIn(wall.Id))
            if (OpeningEdits.Fits(after, opening, wall) is { } problem)
                return problem with
                {
                    Message = $"{problem.Message} Nothing was changed; move or remove {OpeningEdits.NameOf(opening)} first.",
                };
        var levels = change.Entities.Where(e => (e.After ?? e.Before) is Level).Select(e => e.Id).ToHashSet();
        if (levels.Count > 0)
            foreach (var flight in after.All<Flight>().Where(f => levels.Contains(f.ToLevelId) || levels.Contains(f.LevelId)))
                if (flight.Check(after, true) is { } problem)
                    return problem with { Message = $"{flight.Called()}: {problem.Message}" };
        // Items that stand on, belong to or are made from what went.
        var held = gone.Where(e => e is Item or Wall or Repeat or Cluster or OwnItem || e is Thing block && block.Fills() is not null)
            .Select(e => e.Id)
            .ToHashSet();
        if (held.Count > 0)
            foreach (var item in after.All<Item>())
                if (
                    (item.StandsOn is { } on && held.Contains(on))
                    || (item.Parent is { } parent && held.Contains(parent))
                    || held.Contains(item.Catalogue)
                )
                    return new Problem("ids", $"{EntityWords.Called(after, item)} hangs on this; move or remove it first.");
        if (gone.Any(e => e is Repeat or Cluster))
            foreach (var group in after.All<Cluster>().Cast<IMember>().Concat(after.All<Repeat>()))
                if (group.Parent is { } parent && held.Contains(parent))
                    return new Problem("ids", $"{EntityWords.Called(after, (Entity)group)} belongs to this; release it first.");
        if (gone.OfType<OwnItem>().FirstOrDefault(own => after.Find(HouseStock.IdOf(own.Id)) is not null) is { } counted)
            return new Problem("ids", $"The house counts {counted.Item.Name}; stop counting it first.");
        var made = change.Entities.Select(e => e.After).OfType<OwnItem>().Where(own => before.Find(own.Id) is not null).ToArray();
        if (made.Length > 0)
            foreach (var item in after.All<Item>().Where(item => made.Any(own => own.Id == item.Catalogue)))
                if (OfItem(after, item) is { } problem)
                    return problem with { Message = $"{EntityWords.Called(after, item)}: {problem.Message}" };
        return null;
    }

    /// <summary>What every plan has: its details, a level, a scheme; and each scheme one brief and one set of checks.</summary>
    private static Problem? Skeleton(Plan plan)
    {
        if (plan.Find<PlanDetails>(PlanDetails.TheId) is null || plan.All<PlanDetails>().Skip(1).Any())
            return new Problem("plan", "A plan has exactly one set of details, under the id \"plan\".");
        var levels = plan.Levels.ToArray();
        if (levels.Length == 0)
            return new Problem("level", "A plan keeps at least one level.");
        var schemes = plan.All<Scheme>().ToArray();
        if (schemes.Length == 0)
            return new Problem("scheme", "A plan keeps at least one scheme.");
        foreach (var scheme in schemes)
        {
            if (plan.OfScheme<Brief>(scheme.Id).Count() != 1)
                return new Problem("brief", $"{scheme.Name} must have exactly one brief.");
            if (plan.OfScheme<Checks>(scheme.Id).Count() != 1)
                return new Problem("checks", $"{scheme.Name} must have exactly one set of checks.");
            if (!plan.OfScheme<SheetSettings>(scheme.Id).Any())
                return new Problem("sheet", $"{scheme.Name} keeps at least one sheet.");
        }
        return null;
    }

    /// <summary>What is wrong with one entity of a plan; null when nothing is.</summary>
    public static Problem? OfEntity(Plan plan, Entity entity)
    {
        if (!WellFormed.IsId(entity.Id))
            return new Problem("id", $"\"{Short(entity.Id)}\" is no id: use 1 to 60 letters, figures and hyphens.");
        if (WellFormed.Check(entity) is { } malformed)
            return malformed;
        if (entity is IOnLevel on && plan.Find<Level>(on.LevelId) is null)
            return new Problem("levelId", $"The level \"{Short(on.LevelId)}\" is not there.");
        if (entity is IOfScheme of && plan.Find<Scheme>(of.SchemeId) is null)
            return new Problem("schemeId", $"The scheme \"{Short(of.SchemeId)}\" is not there.");
        return entity switch
        {
            PlanDetails details => Named("title", details.Title) ?? SizeSense.CheckAngle("north", details.North) ?? details.Site?.Wrong(),
            Scheme scheme => Named("name", scheme.Name),
            Brief brief => OfBrief(brief),
            Checks checks => Size("mainAisle", checks.MainAisle)
                ?? Size("seatAccess", checks.SeatAccess)
                ?? Size("occupiedDepth", checks.OccupiedDepth)
                ?? Size("pulledOutDepth", checks.PulledOutDepth),
            SheetSettings sheet => OfSheet(plan, sheet),
            Level level => Named("name", level.Name)
                ?? SizeSense.CheckPlace("elevation", level.Elevation)
                ?? Size("height", level.Height)
                ?? Size("floorThickness", level.FloorThickness)
                ?? (level.Grid is >= 0 and <= SizeSense.Longest ? null : new Problem("grid", "The grid's step must be 0 or more.")),
            Room room => SizeSense.CheckPlace("x", room.X)
                ?? SizeSense.CheckPlace("y", room.Y)
                ?? Size("height", room.Height)
                ?? (room.WayWidth is { } way ? Size("wayWidth", way) : null)
                ?? RoomEdits.CheckAreaPerPerson(room.AreaPerPerson)
                ?? Named("name", room.Name),
            Wall wall => Line("wall", wall.Line) ?? Size("thickness", wall.Thickness, ThickestWall) ?? Size("height", wall.Height),
            WallType type => Named("name", type.Name) ?? Size("thickness", type.Thickness, ThickestWall) ?? Size("height", type.Height),
            Boundary boundary => Line("boundary", boundary.Line),
            Opening opening => OfOpening(plan, opening),
            SettingOutLine line => SizeSense.CheckPlacement(new Placement(line.X, line.Y, line.Angle)),
            Backing backing => BackingEdits.Check(backing),
            Thing thing => OfThing(plan, thing, true),
            Item item => OfItem(plan, item),
            Repeat repeat => OfRepeat(repeat) ?? OfMember(plan, repeat),
            Cluster cluster => OfCluster(cluster) ?? OfMember(plan, cluster),
            OwnItem own => OfOwnItem(own),
            HouseStock stock => OfStock(plan, stock),
            Finish finish => FinishEdits.Check(plan, finish),
            OwnRule own => OfOwnRule(plan, own),
            PlanBook book => BookEdits.Check(book),
            RuleChange change => BookEdits.Check(plan, change),
            Acceptance acceptance => BookEdits.Check(acceptance),
            View or Viewpoint or Locks or OwnGroup => ViewEdits.Check(plan, entity),
            Dimension measure => Place("from", measure.From) ?? Place("to", measure.To),
            _ => new Problem("type", $"A {entity.GetType().Name} is nothing a plan holds."),
        };
    }

    private static string Short(string text) => text.Length <= 60 ? text : text[..60] + "…";

    private static Problem? Named(string field, string text) =>
        text.Trim().Length == 0 ? new Problem(field, $"The {field} is missing.") : null;

    private static Problem? OfBrief(Brief brief)
    {
        if (brief.Whole().Check() is { } problem)
            return problem;
        return brief.AreaPerSeat is { } area && !(area > 0 && area <= 1000)
            ? new Problem("areaPerSeat", "The area per seat must be more than 0 and at most 1000 m².")
            : null;
    }

    private static Problem? OfSheet(Plan plan, SheetSettings sheet)
    {
        if (Papers.Find(sheet.Paper) is null)
            return new Problem(
                "paper",
                $"\"{Short(sheet.Paper)}\" is no paper size; choose one of {string.Join(", ", Papers.All.Select(p => p.Name))}."
            );
        if (sheet.Notes.Count(c => c == '\n') > 60)
            return new Problem("notes", "The notes have more than 60 lines.");
        if (sheet.Pictures is { } pictures && pictures.Wrong(plan, sheet.SchemeId) is { } wrong)
            return wrong;
        return sheet.Scale is { } scale && !(scale >= 1 && scale <= 10_000)
            ? new Problem("scale", "The scale must be from 1:1 to 1:10000.")
            : null;
    }

    /// <summary>What every thing holds, and what its kind asks beside.</summary>
    public static Problem? OfThing(Plan plan, Thing thing, bool sure)
    {
        if (plan.Library.Kinds.Of(thing) is null)
            return new Problem("type", $"A {thing.Word()} is nothing this program knows.");
        var units = plan.Details.Units;
        var (least, most) = thing.UsualSize();
        return Size("width", thing.Width)
            ?? Size("depth", thing.Depth)
            ?? SizeSense.Check(units, "width", thing.OneOfIts(), thing.Width, least, most, sure)
            ?? SizeSense.Check(units, "depth", thing.OneOfIts(), thing.Depth, Math.Min(least, 600), most, sure)
            ?? SizeSense.CheckPlacement(thing.Placement)
            ?? thing.Check(plan, sure);
    }

    private static Problem? OfItem(Plan plan, Item item)
    {
        if (plan.CatalogueItem(item.Catalogue) is not { } kind)
            return new Problem("catalogue", $"The catalogue has no item \"{Short(item.Catalogue)}\".");
        var problem =
            SizeSense.CheckPlacement(item.Placement)
            ?? Size("width", item.Width ?? kind.Size.Width)
            ?? Size("depth", item.Depth ?? kind.Size.Depth)
            ?? Size("height", item.Height ?? kind.Size.Height);
        if (problem is not null)
            return problem;
        if (item.Elevation is not (>= 0 and <= Highest))
            return new Problem("elevation", "The elevation must be from 0 to 30 000 mm above the floor.");
        if (item.Seats is { } seats && ItemEdits.CheckSeats(kind, ItemForms.SizeOf(item, kind), seats) is { } wrongSeats)
            return wrongSeats;
        if (Math.Abs(item.Order) > Item.FurthestOrder)
            return new Problem("order", $"The order must be from -{Item.FurthestOrder} to {Item.FurthestOrder}.");
        if (item.Label.Length > 12)
            return new Problem("label", "The label has more than 12 characters.");
        if (ParameterValues.Check(kind, ItemForms.SizeOf(item, kind), item.Parameters) is { } wrong)
            return wrong;
        return Supported(plan, item) ?? OfMember(plan, item);
    }

    private static Problem? Supported(Plan plan, Item item)
    {
        if (item.StandsOn is not { } support)
            return null;
        if (plan.Find(support) is not (Item or Wall))
            return new Problem("standsOn", "What it stands on or hangs on is not there.");
        if (plan.Find(support) is IOnLevel on && on.LevelId != item.LevelId)
            return new Problem("standsOn", "What it stands on is on another level.");
        // Up from one to the next: nothing stands on itself.
        var seen = new HashSet<string> { item.Id };
        for (var next = plan.Find<Item>(support); next is not null; next = next.StandsOn is { } id ? plan.Find<Item>(id) : null)
        {
            if (next.SchemeId != item.SchemeId)
                return new Problem("standsOn", "What it stands on is of another scheme.");
            if (!seen.Add(next.Id) || seen.Count > 20)
                return new Problem("standsOn", "Things would stand on each other in a circle, or more than 20 high.");
        }
        return null;
    }

    private static Problem? OfMember(Plan plan, IMember member)
    {
        if (member.Parent is null != member.Slot is null)
            return new Problem("parent", "A member has both its parent and its slot.");
        if (member.Parent is not { } parent)
            return null;
        if (plan.Find(parent) is Thing block && block.Fills() is not null)
            return block is IOfScheme of && of.SchemeId == member.SchemeId && block.LevelId == member.LevelId && member.Slot >= 0
                ? null
                : new Problem("parent", "The block it belongs to is of another scheme or level.");
        if (plan.Find(parent) is not (IMember group and (Repeat or Cluster)))
            return new Problem("parent", "What it is a member of is not there.");
        if (group.SchemeId != member.SchemeId || group.LevelId != member.LevelId)
            return new Problem("parent", "What it is a member of is of another scheme or level.");
        var deep = 0;
        for (var above = group; above is not null; above = above.Parent is { } id ? plan.Find(id) as IMember : null)
            if (above.Id == member.Id || ++deep > Cluster.Deepest)
                return new Problem("parent", $"It would hold itself, or be nested more than {Cluster.Deepest} deep.");
        return member.Slot >= 0 && member.Slot < (group is Repeat repeat ? repeat.Count : Cluster.Most * 4)
            ? null
            : new Problem("slot", "Its slot is none of its parent's.");
    }

    private static Problem? OfCluster(Cluster cluster) =>
        cluster.Ready is { } ready && !(ready.Count is >= 0 and <= 100 && ready.Distance is >= 0 and <= 10_000)
            ? new Problem("ready", "A ready-made cluster is made from a count to 100 and a distance to 10 000 mm.")
            : null;

    private static Problem? OfRepeat(Repeat repeat)
    {
        if (repeat.Columns < 1 || repeat.Rows < 1 || (long)repeat.Columns * repeat.Rows > Repeat.Most)
            return new Problem("columns", $"A repeat has from 1 to {Repeat.Most} members; {repeat.Columns} by {repeat.Rows} was given.");
        if (Math.Abs(repeat.Sweep) is not (> 0 and <= 360))
            return new Problem("sweep", "A ring goes round by more than 0 and at most 360 degrees.");
        if (repeat.Form == RepeatForm.Ring && !(repeat.Radius > 0 && repeat.Radius <= SizeSense.Longest))
            return new Problem("radius", "The radius of a ring must be more than 0.");
        if (repeat.Form == RepeatForm.Path && repeat.Path.Length is < 2 or > Repeat.MostCorners)
            return new Problem("path", $"A path has from 2 to {Repeat.MostCorners} points; {repeat.Path.Length} were given.");
        if (repeat.Singles.FirstOrDefault(single => single.Slot < 0 || single.Slot >= repeat.Count) is { } none)
            return new Problem("singles", $"Slot {none.Slot + 1} is none of this repeat's.");
        if (repeat.Singles.Length > 0 && repeat.Singles.All(single => single.LeftOut) && repeat.Singles.Length == repeat.Count)
            return new Problem("singles", "A repeat keeps at least one member.");
        return SizeSense.CheckPlacement(repeat.Placement)
            ?? SizeSense.CheckPlace("columnSpacing", repeat.ColumnSpacing)
            ?? SizeSense.CheckPlace("rowSpacing", repeat.RowSpacing)
            ?? SizeSense.CheckPlace("backToBack", repeat.BackToBack ?? 0)
            ?? SizeSense.CheckAngle("start", repeat.Start);
    }

    private static Problem? OfStock(Plan plan, HouseStock stock)
    {
        if (plan.CatalogueItem(stock.Catalogue) is not { } kind)
            return new Problem("catalogue", $"The catalogue has no item \"{Short(stock.Catalogue)}\".");
        if (stock.Id != HouseStock.IdOf(stock.Catalogue))
            return new Problem("id", "The stock of an item is kept under its own id.");
        return stock.Count is >= 0 and <= HouseStock.Most
            ? null
            : new Problem("count", $"The stock of “{kind.Name}” must be from 0 to {HouseStock.Most}; {stock.Count} was given.");
    }

    private static Problem? OfOwnItem(OwnItem own)
    {
        var item = own.Item;
        if (!FormMaker.Knows(item.Maker))
            return new Problem("maker", $"There is no maker called \"{Short(item.Maker)}\".");
        if (item.Key != own.Id)
            return new Problem("key", "An own item's key is its id.");
        if (item.Parts is < 0 or > 40 || item.MostSeats is < 0 or > 200 || item.StandAt is < 0 or > 200)
            return new Problem("parts", "An item has from 0 to 40 parts, takes at most 200 seats, and at most 200 people stand at it.");
        if (item.Maker == FormMaker.Outline && item.Shape is null)
            return new Problem("shape", "An item of its own outline needs one.");
        if (item.Shape?.Wrong() is { } wrongShape)
            return new Problem(wrongShape.Field, wrongShape.Message);
        if (
            item.Uses is { } uses
            && new[] { uses.Front, uses.Back, uses.Left, uses.Right }.Any(depth => !(depth >= 0 && depth <= UseSpaces.Deepest))
        )
            return new Problem("uses", $"The floor needed in use is from 0 to {UseSpaces.Deepest} mm deep at each side.");
        if (item.Price is { } price && !(price >= 0 && price <= 10_000_000))
            return new Problem("price", "The price must be from 0 to 10 000 000.");
        if (item.Outlets is < 0 or > 100)
            return new Problem("outlets", "An item needs from 0 to 100 outlets.");
        if (item.Elevation is not (>= 0 and <= Highest))
            return new Problem("elevation", "The elevation must be from 0 to 30 000 mm above the floor.");
        return Named("name", item.Name)
            ?? Size("width", item.Size.Width)
            ?? Size("depth", item.Size.Depth)
            ?? Size("height", item.Size.Height)
            ?? ParameterValues.Check(item, item.Size, null)
            ?? (
                item.Chair is not null ? ItemEdits.CheckSeats(item, item.Size, item.Seats)
                : item.Seats == default ? null
                : item.Maker == FormMaker.Outline ? OfPlaces(item)
                : new Problem("seats", "An item without a chair has no seats along its sides.")
            );
    }

    /// <summary>The least width in mm of a place on a thing itself; a house value.</summary>
    private const double LeastPlace = 350;

    /// <summary>Places on an own outline are side by side along its front.</summary>
    private static Problem? OfPlaces(CatalogueItem item)
    {
        var most = (int)Math.Max(1, Math.Floor(item.Size.Width / LeastPlace));
        return item.Seats != new SeatsBySide(Front: item.Seats.Front) || item.Seats.Front < 0 || item.Seats.Front > most
            ? new Problem("seats", $"“{item.Name}” takes from 0 to {most} places along its front, {LeastPlace} mm each.", most)
            : null;
    }

    private static Problem? OfOwnRule(Plan plan, OwnRule own)
    {
        if (HouseRules.All.All(rule => rule.Key != own.Rule.Key))
            return new Problem(
                "key",
                $"There is no rule \"{Short(own.Rule.Key)}\"; there are {string.Join(", ", HouseRules.All.Select(rule => rule.Key))}."
            );
        if (plan.All<OwnRule>().Any(other => other.Id != own.Id && other.Rule.Key == own.Rule.Key))
            return new Problem("key", $"The plan has a rule \"{own.Rule.Key}\" already; change that one.");
        return Named("name", own.Rule.Name)
            ?? Named("source", own.Rule.Source)
            ?? (
                own.Rule.Value > 0 && own.Rule.Value <= 100_000
                    ? null
                    : new Problem("value", "The value of a rule must be more than 0 and at most 100 000.")
            );
    }

    private static Problem? OfOpening(Plan plan, Opening opening)
    {
        if (plan.Find<Wall>(opening.WallId) is not { } wall)
            return new Problem("wallId", $"Its wall \"{Short(opening.WallId)}\" is not there.");
        return Size("width", opening.Width)
            ?? Size("height", opening.Height)
            ?? (opening.Sill is >= 0 and <= SizeSense.Longest ? null : new Problem("sill", "The sill must be 0 or more."))
            ?? (
                opening.ClearWidth > 0 && opening.ClearWidth <= opening.Width + 1
                    ? null
                    : new Problem("clearWidth", "Its width, clear width or height makes no sense.")
            )
            ?? (
                opening.MainLeaf is not { } leaf || (leaf > 0 && leaf < opening.Width)
                    ? null
                    : new Problem("mainLeaf", "The larger leaf must be less than the opening.")
            )
            ?? (
                opening is { Shut: true, Kind: OpeningKind.Window }
                    ? new Problem("shut", "A window is no way through: only doors and gaps are shut.")
                    : null
            )
            ?? (opening.From >= -1 && opening.To <= wall.Length + 1 ? null : new Problem("along", "It reaches past the end of its wall."));
    }

    private static Problem? Place(string field, Point p) => SizeSense.CheckPlace(field, p.X) ?? SizeSense.CheckPlace(field, p.Y);

    private static Problem? Line(string thing, BowedLine line) =>
        Place("start", line.Start)
        ?? Place("end", line.End)
        ?? (
            line.Start.DistanceTo(line.End) < 1 ? new Problem("end", $"A {thing} needs two different ends.")
            // Five sixths of a circle; more is drawn as two.
            : Math.Abs(line.Bow) > 2 * line.Start.DistanceTo(line.End)
                ? new Problem("bow", $"A {thing} bows by at most twice the distance of its ends.")
            : null
        );

    private static Problem? Size(string field, double value, double most = SizeSense.Longest) =>
        value > 0 && value <= most
            ? null
            : new Problem(field, $"The {field} must be more than 0 and at most {(most >= SizeSense.Longest ? "1 km" : $"{most:0} mm")}.");
}
