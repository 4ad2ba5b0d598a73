using System.Globalization;

namespace WornPath.Core.Quantities;

/// <summary>Reads "3/8", "1 1/4", "1-1/4" and plain numbers.</summary>
public static class Fraction
{
    /// <summary>The number, or why it is none.</summary>
    public static Outcome<decimal> Parse(string text)
    {
        var trimmed = text.Trim();
        var slash = trimmed.IndexOf('/');
        if (slash < 0) return NumberText.Parse(trimmed);
        var split = trimmed.LastIndexOfAny([' ', '-'], slash);
        var whole = split > 0 ? trimmed[..split].Trim() : "0";
        var bad = new Problem($"“{NumberText.Excerpt(trimmed)}” is not a fraction.", "Write it as 3/8 or 1 1/4.");
        if (!TryWhole(whole, out var w) || !TryWhole(trimmed[(split + 1)..slash], out var n) || !TryWhole(trimmed[(slash + 1)..], out var d) || d == 0 || n == 0)
            return bad;
        return w + (decimal)n / d;
    }

    /// <summary>A size in inches as the trade writes it: "3/8", "1 1/4", in sixty-fourths where it is one.</summary>
    public static string Show(decimal inches)
    {
        var whole = (int)inches;
        var part = inches - whole;
        foreach (var d in (int[])[2, 4, 8, 16, 32, 64])
        {
            if (part * d % 1 != 0) continue;
            var n = (int)(part * d);
            return n == 0 ? whole.ToString(CultureInfo.InvariantCulture) : whole == 0 ? $"{n}/{d}" : $"{whole} {n}/{d}";
        }

        return inches.ToString("0.####", CultureInfo.InvariantCulture);
    }

    private static bool TryWhole(string text, out int number) =>
        int.TryParse(text.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out number);
}
