namespace Wellsedes.Core.Units;

/// <summary>
/// What came of reading a typed figure: the value, or what is wrong and at which character (0-based).
/// </summary>
/// <param name="Value">Millimetres for a length, degrees for an angle; null when the text could not be read.</param>
/// <param name="Problem">A sentence for the person who typed; null when the text was read.</param>
/// <param name="Position">0-based index of the character the problem is at.</param>
public readonly record struct Reading(double? Value, string? Problem, int Position)
{
    public bool Ok => Value is not null;

    public static Reading Of(double value) => new(value, null, 0);

    public static Reading Wrong(string problem, int position) => new(null, problem, position);
}
