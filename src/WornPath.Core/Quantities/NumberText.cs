using System.Globalization;

namespace WornPath.Core.Quantities;

/// <summary>Reads numbers as people write them. A comma that could be a decimal or a thousands mark is asked about, never guessed.</summary>
public static class NumberText
{
    private static readonly Dictionary<char, decimal> Vulgar = new()
    {
        ['½'] = 0.5m,
        ['¼'] = 0.25m,
        ['¾'] = 0.75m,
        ['⅓'] = 1m / 3,
        ['⅔'] = 2m / 3,
        ['⅛'] = 0.125m,
        ['⅜'] = 0.375m,
        ['⅝'] = 0.625m,
        ['⅞'] = 0.875m,
    };

    /// <summary>Reads one number: digits with an optional point or decimal comma, an optional sign.</summary>
    public static Outcome<decimal> Parse(string text)
    {
        var trimmed = text.Trim().Replace('−', '-');
        if (trimmed.Length is 0 or > 20)
            return new Problem(trimmed.Length == 0 ? "There is no number." : $"“{Excerpt(trimmed)}” is not a number.", "Write digits, such as 45 or 9.5.");
        // "12½", "12 1/2": a whole number and a part.
        if (trimmed.Length > 1 && Vulgar.TryGetValue(trimmed[^1], out var part)) return Parse(trimmed[..^1]).Map(whole => whole + (whole < 0 ? -part : part));
        if (trimmed.Contains('/') && trimmed.IndexOf(' ') > 0) return Fraction.Parse(trimmed);
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

    /// <summary>At most forty characters of what a user wrote, for a message, or as many as said; cut between words where there is a place for it.</summary>
    public static string Excerpt(string text, int most = 40) => text.Length <= most ? text : text[..(text.LastIndexOf(' ', most - 2, 20) is > 0 and var blank ? blank : most - 1)] + "…";
}
