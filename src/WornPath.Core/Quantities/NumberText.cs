using System.Globalization;

namespace WornPath.Core.Quantities;

/// <summary>Reads numbers as people write them. A comma that could be a decimal or a thousands mark is asked about, never guessed.</summary>
public static class NumberText
{
    /// <summary>Reads one number: digits with an optional point or decimal comma, an optional sign.</summary>
    public static Outcome<decimal> Parse(string text)
    {
        var trimmed = text.Trim().Replace('−', '-');
        if (trimmed.Length is 0 or > 20)
            return new Problem(trimmed.Length == 0 ? "There is no number." : $"“{Excerpt(trimmed)}” is not a number.", "Write digits, such as 45 or 9.5.");
        var comma = trimmed.IndexOf(',');
        if (comma >= 0)
        {
            var decimals = trimmed.Length - comma - 1;
            if (decimals == 3 || trimmed.LastIndexOf(',') != comma || trimmed.Contains('.'))
                return new Problem($"“{trimmed}” can be read two ways: the comma may part thousands or decimals.", "Write it without the comma, such as 1000 or 9.5.");
            trimmed = trimmed.Replace(',', '.');
        }

        return decimal.TryParse(trimmed, NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var number)
            ? number
            : new Problem($"“{Excerpt(text.Trim())}” is not a number.", "Write digits, such as 45 or 9.5.");
    }

    /// <summary>At most forty characters of what a user wrote, for a message.</summary>
    public static string Excerpt(string text) => text.Length <= 40 ? text : text[..39] + "…";
}
