using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>The floor of a level: its rooms, and the names whose room is not enclosed.</summary>
public sealed record LevelFloor(ImmutableArray<FoundRoom> Rooms, ImmutableArray<Room> Unenclosed, Lazy<LevelAreas> Found)
{
    private readonly Lazy<SpatialIndex<FoundRoom>> index = new(() => new SpatialIndex<FoundRoom>(Rooms, room => room.Outline.Bounds));

    public LevelAreas Areas => Found.Value;

    public FoundRoom? RoomAt(Point p) => index.Value.Meeting(Bounds.At(p)).Find(room => room.Outline.Holds(p));
}
