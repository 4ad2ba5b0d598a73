namespace WornPath.Core.Quantities;

/// <summary>Counts as they are written in a sentence: digits, fractions, and words up to twenty-four.</summary>
public static class NumberWords
{
    private static readonly string[] Words =
        ["zero", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "thirteen", "fourteen",
         "fifteen", "sixteen", "seventeen", "eighteen", "nineteen", "twenty", "twenty-one", "twenty-two", "twenty-three", "twenty-four"];

    /// <summary>The number, or null where the text is none.</summary>
    public static decimal? Parse(string text)
    {
        var trimmed = text.Trim().ToLowerInvariant();
        var index = Array.IndexOf(Words, trimmed);
        if (index >= 0) return index;
        return trimmed switch
        {
            "half" or "half a" => 0.5m,
            "quarter" or "a quarter" or "a quarter of a" => 0.25m,
            "three-quarter" or "three-quarters of a" or "three quarters of a" => 0.75m,
            "a" or "an" => 1,
            _ => Fraction.Parse(trimmed) is { IsGood: true } number ? number.Value : null,
        };
    }
}
