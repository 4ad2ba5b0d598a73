using System.Globalization;

namespace WornPath.Core.Quantities;

/// <summary>A length as entered, in millimetres or inches.</summary>
/// <param name="Amount">The number in the unit.</param>
/// <param name="InInches">True where it was entered in inches.</param>
public readonly record struct Length(decimal Amount, bool InInches = false)
{
    /// <summary>The length in mm. 1 in = 25.4 mm, exact (NIST SP 811).</summary>
    public double Millimetres => (double)Amount * (InInches ? 25.4 : 1);

    /// <summary>Reads "40 mm", "40", "1 1/4 in", "1/2\"". A bare number is millimetres.</summary>
    public static Outcome<Length> Parse(string text)
    {
        var trimmed = text.Trim().ToLowerInvariant();
        var inches = false;
        foreach (var (suffix, isInch) in Suffixes)
        {
            if (!trimmed.EndsWith(suffix, StringComparison.Ordinal)) continue;
            inches = isInch;
            trimmed = trimmed[..^suffix.Length].Trim();
            break;
        }

        var number = Fraction.Parse(trimmed);
        if (!number.IsGood) return number.Problem;
        var length = new Length(number.Value, inches);
        return length.Amount > 0 && length.Millimetres <= 5000
            ? length
            : new Problem($"A length of {length} cannot be meant.", "Write a length between 0 and 5000 mm, such as 40 mm or 1 1/4 in.");
    }

    public override string ToString() => Amount.ToString("0.####", CultureInfo.InvariantCulture) + (InInches ? " in" : " mm");

    private static readonly (string Suffix, bool IsInch)[] Suffixes =
        [("millimetres", false), ("millimeters", false), ("mm", false), ("inches", true), ("inch", true), ("in.", true), ("in", true), ("\"", true), ("″", true)];
}
