namespace Wellsedes.Tests.Seeded;

/// <summary>
/// Long series of seeded cases: the tests run a part of each, `./wellsedes bench` all of it (WELLSEDES_WHOLE=1).
/// </summary>
internal static class Whole
{
    private static readonly bool IsAsked = Environment.GetEnvironmentVariable("WELLSEDES_WHOLE") == "1";

    /// <summary>How many cases are run: all of them, or so many.</summary>
    public static int Or(int part, int all) => IsAsked ? all : part;
}
