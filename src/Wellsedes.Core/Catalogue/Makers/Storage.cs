using Wellsedes.Core.Geometry;
using static Wellsedes.Core.Catalogue.Makers.Marks;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Storage
{
    /// <summary>Hinged doors: their leaves are drawn open and sweep the floor in front.</summary>
    public static Form Cupboard(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        var leaf = input.Size.Width / 2;
        return Cabinet(
            input,
            InFront("Door swing", input.Size, leaf),
            Part(
                SymbolRole.Detail,
                PathShape.Line(new Point(-x, -y + 25), new Point(x, -y + 25)).Then(PathShape.Line(new Point(0, -y), new Point(0, -y + 25)))
            ),
            Part(
                SymbolRole.Use,
                PathShape
                    .Line(new Point(-x, -y), new Point(-x, -y - leaf))
                    .Then(PathShape.Arc(new Point(-x, -y), leaf, -90, 90))
                    .Then(PathShape.Line(new Point(x, -y), new Point(x, -y - leaf)))
                    .Then(PathShape.Arc(new Point(x, -y), leaf, -90, -90))
            )
        );
    }

    /// <summary>Drawers: fronts drawn on the body, the pull shown before it.</summary>
    public static Form Drawers(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        var pull = input.Size.Depth * 0.8;
        return Cabinet(
            input,
            InFront("Drawer pull", input.Size, pull),
            Part(SymbolRole.Detail, PathShape.Line(new Point(-x, -y + 30), new Point(x, -y + 30))),
            Part(SymbolRole.Solid, PathShape.Box(-x * 0.4, -y + 30, x * 0.4, -y + 50)),
            Part(
                SymbolRole.Use,
                PathShape.Line(new Point(-x + 15, -y), new Point(-x + 15, -y - pull), new Point(x - 15, -y - pull), new Point(x - 15, -y))
            )
        );
    }

    /// <summary>Open shelves: uprights between bays, a back panel, the crossing that tells a tall unit.</summary>
    public static Form Shelves(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        List<SymbolPart> uprights = [];
        var at = -x;
        foreach (var bay in input.Parameters.List(0).SkipLast(1))
        {
            at += bay;
            uprights.Add(Part(SymbolRole.Solid, PathShape.Box(at - 9, -y, at + 9, y)));
        }
        return Cabinet(
            input,
            InFront("Reach", input.Size, 600),
            [
                .. uprights,
                Part(SymbolRole.Solid, PathShape.Box(-x, y - 18, x, y)),
                Part(
                    SymbolRole.Detail,
                    PathShape.Line(new Point(-x, -y), new Point(x, y)).Then(PathShape.Line(new Point(-x, y), new Point(x, -y)))
                ),
            ]
        );
    }

    /// <summary>Bays fill the width of their shelves.</summary>
    public static (string, string)? WrongBays(ItemSize size, MakerParameters parameters)
    {
        var bays = parameters.List(0);
        return bays.IsEmpty || Math.Abs(bays.Sum() - size.Width) <= Tolerance.Length
            ? null
            : ("bays", $"The bays add up to {bays.Sum():0.##} mm; the shelves are {size.Width:0.##} wide.");
    }

    /// <summary>A row of narrow doors, each with its own swing mark.</summary>
    public static Form Lockers(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        var doors = Math.Max(1, input.Parts);
        var wide = input.Size.Width / doors;
        List<SymbolPart> marks = [];
        for (var i = 0; i < doors; i++)
        {
            var left = -x + wide * i;
            marks.Add(Part(SymbolRole.Detail, PathShape.Box(left, -y, left + wide, y)));
            marks.Add(Part(SymbolRole.Solid, PathShape.Circle(new Point(left + wide * 0.8, -y + 40), 14)));
            marks.Add(Part(SymbolRole.Detail, PathShape.Line(new Point(left, y), new Point(left + wide, -y))));
        }
        return Cabinet(input, InFront("Door swing", input.Size, Math.Max(600, wide)), [.. marks]);
    }

    private static Form Cabinet(MakerInput input, ActivitySpace use, params SymbolPart[] marks) =>
        new(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [],
            [use],
            [Part(SymbolRole.Body, Box(Body(input.Size))), .. marks, Front(input.Size)]
        );
}
