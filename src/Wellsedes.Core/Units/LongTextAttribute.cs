namespace Wellsedes.Core.Units;

/// <summary>A text of several lines and at most so many letters; without it a text is one line of at most 80.</summary>
[AttributeUsage(AttributeTargets.Property)]
public sealed class LongTextAttribute(int most) : Attribute
{
    public int Most { get; } = most;
}
