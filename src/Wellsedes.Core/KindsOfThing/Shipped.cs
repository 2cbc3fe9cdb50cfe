using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.KindsOfThing;

/// <summary>What comes with the application: its catalogue and its kinds of thing.</summary>
public static class Shipped
{
    public static Library Library { get; } = new(CatalogueList.Shipped, ThingList.Shipped);
}
