using Wellsedes.Core.Plans;
using Wellsedes.Core.Things.Columns;
using Wellsedes.Core.Things.DrawnWays;
using Wellsedes.Core.Things.Fittings;
using Wellsedes.Core.Things.KeepClears;
using Wellsedes.Core.Things.LowCeilings;
using Wellsedes.Core.Things.Marks;
using Wellsedes.Core.Things.SeatingBlocks;
using Wellsedes.Core.Things.Zones;

namespace Wellsedes.Core.Things;

/// <summary>The kinds of thing that ship with the application: a new kind is added here and nowhere else.</summary>
public static class ThingList
{
    public static ThingKinds Shipped { get; } =
        new([
            Column.Kind,
            KeepClear.Kind,
            Flight.ThingKind,
            Platform.Kind,
            Fitting.ThingKind,
            LowCeiling.Kind,
            Zone.Kind,
            SeatingBlock.Kind,
            Walkway.Kind,
            Mark.Kind,
        ]);
}
