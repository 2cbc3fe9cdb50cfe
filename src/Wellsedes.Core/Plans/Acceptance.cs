using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

/// <summary>
/// A finding of a scheme that somebody has accepted as it is, and why. It holds for the figures that it was accepted with: when they change it holds no more, and when they are back it does again.
/// </summary>
/// <param name="By">Who accepted it, and On which day (yyyy-mm-dd); both are printed.</param>
public sealed record Acceptance(
    string Id,
    string SchemeId,
    [property: LongText(300)] string FindingId,
    double Measured,
    double Needed,
    [property: LongText(300)] string Reason,
    string By = "",
    string On = ""
) : Entity(Id), IOfScheme
{
    public const int Most = 200;

    /// <summary>Figures that differ by less are the same, in whatever unit.</summary>
    private const double Same = 0.01;

    public bool IsOf(double measured, double needed) => Math.Abs(measured - Measured) < Same && Math.Abs(needed - Needed) < Same;
}
