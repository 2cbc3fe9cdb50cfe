namespace Wellsedes.Core.Units;

/// <summary>The system a plan writes its figures in. Either may be typed into both.</summary>
public enum UnitSystem
{
    Metric,
    FeetInches,
}
