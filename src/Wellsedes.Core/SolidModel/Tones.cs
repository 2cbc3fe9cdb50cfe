namespace Wellsedes.Core.SolidModel;

/// <summary>The tone of each surface where no finish says otherwise: warm boards, moss-grey seats, paper walls. As #RRGGBB.</summary>
public static class Tones
{
    public static string Of(Surface surface) =>
        surface switch
        {
            Surface.Top => "#C9A97C",
            Surface.Leg => "#55605A",
            Surface.Seat => "#7D8C84",
            Surface.Back => "#67766E",
            Surface.Cushion => "#93A198",
            Surface.Front => "#C9BFAA",
            Surface.Glass => "#C3D6D6",
            Surface.Metal => "#8E9690",
            Surface.Display => "#2E3935",
            Surface.Bedding => "#EFEADC",
            Surface.Ceramic => "#F7F4EA",
            Surface.Leaf => "#7F9567",
            Surface.Person => "#A8917C",
            Surface.Wall => "#F0EBDD",
            Surface.Floor => "#DACDB1",
            Surface.Ceiling => "#F7F4EA",
            Surface.Column => "#D3CBB8",
            Surface.Step => "#CDBB98",
            Surface.Door => "#BB9862",
            Surface.Cut => "#55665F",
            Surface.Lettering => "#2F3B36",
            Surface.Finding => "#B4502F",
            Surface.Way => "#7E9C8B",
            Surface.Pinch => "#D08A3E",
            _ => "#DED8C7",
        };

    /// <summary>Whether a tint of the item shows on it: legs, glass and the like keep their own tone.</summary>
    public static bool IsTinted(Surface surface) =>
        surface
            is not (
                Surface.Leg
                or Surface.Glass
                or Surface.Metal
                or Surface.Display
                or Surface.Person
                or Surface.Leaf
                or Surface.Cut
                or Surface.Lettering
            );
}
