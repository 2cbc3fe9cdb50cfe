using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.KindsOfThing.DrawnWays;
using Wellsedes.Core.KindsOfThing.Fittings;
using Wellsedes.Core.KindsOfThing.KeepClears;
using Wellsedes.Core.KindsOfThing.LowCeilings;
using Wellsedes.Core.KindsOfThing.Marks;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.KindsOfThing;

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
