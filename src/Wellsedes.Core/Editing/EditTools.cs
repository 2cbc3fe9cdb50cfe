using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>What handlers of edits work with: forms of items, spaces of levels, and each other.</summary>
public sealed class EditTools
{
    internal EditTools(ItemForms forms, Func<Plan, string, LevelSpace> spaces)
    {
        (Forms, SpaceOn) = (forms, spaces);
        Items = new ItemEdits(forms, spaces);
        Kitchens = new KitchenEdits(spaces);
        Own = new OwnItemEdits(forms);
        LineUp = new LineUpEdits(forms);
        Offsets = new OffsetEdits(forms, spaces);
        Blocks = new BlockFill(forms, spaces);
        Repeats = new RepeatEdits(forms, spaces);
        Groups = new GroupEdits(forms);
    }

    public ItemForms Forms { get; }

    /// <summary>The walls, openings and rooms of a level, by its id.</summary>
    public Func<Plan, string, LevelSpace> SpaceOn { get; }

    internal ItemEdits Items { get; }

    internal KitchenEdits Kitchens { get; }

    internal OwnItemEdits Own { get; }

    internal LineUpEdits LineUp { get; }

    internal OffsetEdits Offsets { get; }

    internal BlockFill Blocks { get; }

    internal RepeatEdits Repeats { get; }

    internal GroupEdits Groups { get; }
}
