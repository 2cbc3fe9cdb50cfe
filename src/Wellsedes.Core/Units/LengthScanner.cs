using System.Globalization;
using Fractions;

namespace Wellsedes.Core.Units;

/// <summary>Walks once over a typed length and adds it up in exact fractions of a millimetre.</summary>
internal sealed class LengthScanner(string text, Fraction bareUnit)
{
    private static readonly (string Word, Fraction Millimetres)[] Units =
    [
        ("mm", 1),
        ("cm", 10),
        ("m", 1000),
        ("feet", new Fraction(3048, 10)),
        ("foot", new Fraction(3048, 10)),
        ("ft", new Fraction(3048, 10)),
        ("'", new Fraction(3048, 10)),
        ("\u2032", new Fraction(3048, 10)),
        ("\u2019", new Fraction(3048, 10)),
        ("inches", new Fraction(254, 10)),
        ("inch", new Fraction(254, 10)),
        ("in", new Fraction(254, 10)),
        ("\"", new Fraction(254, 10)),
        ("\u2033", new Fraction(254, 10)),
        ("\u201d", new Fraction(254, 10)),
    ];

    private static readonly Fraction Foot = new(3048, 10);
    private static readonly Fraction Inch = new(254, 10);

    private int at;
    private string? problem;
    private int problemAt;

    public Reading ReadSum()
    {
        SkipSpace();
        var negative = TakeSign();
        var sum = ReadLength();
        if (problem is not null)
            return Reading.Wrong(problem, problemAt);
        if (negative)
            sum = sum.Negate();
        while (true)
        {
            SkipSpace();
            if (at == text.Length)
                break;
            var sign = text[at];
            if (sign is not ('+' or '-' or '\u2212'))
                return Reading.Wrong($"\"{sign}\" was not expected here; write + or - between lengths.", at);
            at++;
            var next = ReadLength();
            if (problem is not null)
                return Reading.Wrong(problem, problemAt);
            sum = sign == '+' ? sum + next : sum - next;
        }
        var millimetres = sum.ToDouble();
        return Math.Abs(millimetres) > 1e9 ? Reading.Wrong("This is longer than 1000 km.", 0) : Reading.Of(millimetres);
    }

    /// <summary>One length: feet followed by inches are one length; anything else is a figure and its unit.</summary>
    private Fraction ReadLength()
    {
        SkipSpace();
        var figure = ReadFigure();
        if (problem is not null)
            return figure;
        var unit = ReadUnit();
        if (problem is not null)
            return figure;
        if (unit is null && IsDashed() && TakesDashedInches(figure))
            return Fraction.Zero;
        if (unit != Foot)
            return figure * (unit ?? bareUnit);
        // 13'-9" is the usual way to write thirteen feet nine; a difference has spaces, or feet on both sides.
        var dash = at;
        if (IsDashed() && !IsFeetNext())
            at++;
        else
            SkipSpace();
        if (at == text.Length || !char.IsAsciiDigit(text[at]))
        {
            at = dash;
            return figure * Foot;
        }
        var inchesAt = at;
        var inches = ReadFigure();
        if (problem is not null)
            return figure;
        var second = ReadUnit();
        if (second is not null && second != Inch)
            return Fail("After feet, only inches can follow in the same length.", inchesAt);
        if (inches >= 12)
            return Fail("Inches after feet stay under 12; carry the rest over to the feet.", inchesAt);
        return figure * Foot + inches * Inch;
    }

    /// <summary>Whether a dash comes next with no space on either side of it.</summary>
    private bool IsDashed() =>
        at > 0
        && at + 1 < text.Length
        && text[at] is '-' or '\u2010' or '\u2011' or '\u2013'
        && !char.IsWhiteSpace(text[at - 1])
        && char.IsAsciiDigit(text[at + 1]);

    /// <summary>Whether what follows the dash is in feet too.</summary>
    private bool IsFeetNext()
    {
        var (back, said, saidAt) = (at, problem, problemAt);
        at++;
        ReadFigure();
        var feet = problem is null && ReadUnit() == Foot;
        (at, problem, problemAt) = (back, said, saidAt);
        return feet;
    }

    /// <summary>13-9 without a unit is thirteen feet nine to one person and four to another: neither is guessed.</summary>
    private bool TakesDashedInches(Fraction figure)
    {
        var (back, dash) = (at, at);
        at++;
        var second = ReadFigure();
        var unit = problem is null ? ReadUnit() : null;
        var unclear = problem is null && unit is null && second < 12 && figure < 100 && figure.Denominator.IsOne;
        (at, problem) = (back, null);
        if (unclear)
            Fail(
                $"\"{figure}-{second}\" is read in two ways; write {figure}' {second}\" for feet and inches, or {figure} - {second} with spaces for the difference.",
                dash
            );
        return unclear;
    }

    /// <summary>4200, 4 200, 4.2, 4,2, 3/8 and 9 3/8.</summary>
    private Fraction ReadFigure()
    {
        var start = at;
        var whole = ReadDecimal();
        if (problem is not null)
            return whole;
        if (at < text.Length && text[at] == '/')
            return ReadUnder(whole, start);
        var back = at;
        SkipSpace();
        var digits = at;
        while (digits < text.Length && char.IsAsciiDigit(text[digits]))
            digits++;
        if (digits > at && digits < text.Length && text[digits] == '/')
        {
            var numeratorAt = at;
            var numerator = ReadDecimal();
            return problem is null ? whole + ReadUnder(numerator, numeratorAt) : whole;
        }
        at = back;
        return whole;
    }

    private Fraction ReadUnder(Fraction numerator, int start)
    {
        at++;
        var underAt = at;
        while (at < text.Length && char.IsAsciiDigit(text[at]))
            at++;
        if (at == underAt)
            return Fail("A fraction needs a figure below the line, for example 3/8.", underAt);
        if (at - underAt > 6 || !numerator.Denominator.IsOne)
            return Fail("A fraction is two whole figures, for example 3/8.", start);
        var under = int.Parse(text.AsSpan(underAt, at - underAt), NumberStyles.None, CultureInfo.InvariantCulture);
        return under == 0 ? Fail("A fraction cannot have 0 below the line.", underAt) : numerator / under;
    }

    private Fraction ReadDecimal()
    {
        var start = at;
        var digits = new System.Text.StringBuilder();
        var point = -1;
        while (at < text.Length)
        {
            var c = text[at];
            if (char.IsAsciiDigit(c))
                digits.Append(c);
            else if (c is '.' or ',' && point < 0)
                point = digits.Length;
            else if (IsGroupSpace(digits.Length, point))
            {
                // A space between groups of three figures, as in 18 000.
            }
            else
                break;
            at++;
        }
        if (digits.Length == 0)
        {
            at = start;
            return at == text.Length
                ? Fail("A length is missing at the end.", at)
                : Fail($"A figure was expected here, not \"{text[at]}\".", at);
        }
        if (at < text.Length && text[at] is '.' or ',' && point >= 0)
            return Fail("This figure has two decimal signs.", at);
        if (digits.Length > 15)
            return Fail("This figure is too long.", start);
        var value = new Fraction(long.Parse(digits.ToString(), CultureInfo.InvariantCulture));
        for (var left = point < 0 ? 0 : digits.Length - point; left > 0; left--)
            value /= 10;
        return value;
    }

    private bool IsGroupSpace(int digitsSoFar, int point)
    {
        if (point >= 0 || digitsSoFar == 0 || text[at] is not (' ' or '\u2009' or '\u00a0' or '\u202f'))
            return false;
        if (at + 3 >= text.Length)
            return false;
        for (var i = 1; i <= 3; i++)
            if (!char.IsAsciiDigit(text[at + i]))
                return false;
        return at + 4 >= text.Length || (!char.IsAsciiDigit(text[at + 4]) && text[at + 4] != '/');
    }

    private Fraction? ReadUnit()
    {
        SkipSpace();
        foreach (var (word, millimetres) in Units)
        {
            if (string.Compare(text, at, word, 0, word.Length, StringComparison.OrdinalIgnoreCase) != 0)
                continue;
            var end = at + word.Length;
            if (char.IsLetter(word[0]) && end < text.Length && char.IsLetter(text[end]))
                continue;
            at = end;
            return millimetres;
        }
        if (at < text.Length && char.IsLetter(text[at]))
            Fail($"\"{Word()}\" is no unit of length; use mm, cm, m, ft or in.", at);
        return null;
    }

    private string Word()
    {
        var end = at;
        while (end < text.Length && char.IsLetter(text[end]))
            end++;
        return text[at..end];
    }

    private bool TakeSign()
    {
        if (at >= text.Length || text[at] is not ('-' or '+' or '\u2212'))
            return false;
        return text[at++] != '+';
    }

    private void SkipSpace()
    {
        while (at < text.Length && char.IsWhiteSpace(text[at]))
            at++;
    }

    private Fraction Fail(string message, int position)
    {
        problem ??= message;
        problemAt = position;
        return Fraction.Zero;
    }
}
