using System.Text.RegularExpressions;

namespace WornPath.Core.Quantities;

/// <summary>Counts as they are written in a sentence: digits, fractions, words up to ninety-nine, "two and a half"; values in words up to 999.</summary>
public static partial class NumberWords
{
    private static readonly string[] Words =
        ["zero", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "thirteen", "fourteen",
         "fifteen", "sixteen", "seventeen", "eighteen", "nineteen"];

    private static readonly string[] Tens = ["", "", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"];

    /// <summary>A number in words up to 999, as a pattern: "ten", "thirty-five", "a hundred and twenty".</summary>
    internal const string Pattern = @"(?:(?:an?|one|two|three|four|five|six|seven|eight|nine)\s+hundred(?:\s+and)?(?:[\s\-]+(?:" + BelowHundred + @"))?|" + BelowHundred + ")";

    private const string BelowHundred = @"(?:twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)(?:[\s\-](?:one|two|three|four|five|six|seven|eight|nine))?|" +
        "ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|one|two|three|four|five|six|seven|eight|nine";

    /// <summary>A number in words up to 999 ("a hundred and twenty"); null where the text is none.</summary>
    public static int? InWords(string text)
    {
        var sum = 0;
        foreach (var word in text.ToLowerInvariant().Split([' ', '-', '\t', '\n'], StringSplitOptions.RemoveEmptyEntries))
        {
            if (word is "a" or "an") sum += 1;
            else if (word == "hundred") sum *= 100;
            else if (Array.IndexOf(Words, word) is >= 0 and var small) sum += small;
            else if (Array.IndexOf(Tens, word) is > 0 and var ten) sum += 10 * ten;
            else if (word != "and") return null;
        }

        return sum > 0 ? sum : null;
    }

    /// <summary>A whole number and a part of one as a pattern: "two and a half", "one and three quarters".</summary>
    internal const string Mixed = @"(?:\d{1,3}|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)[\s\-]+and[\s\-]+" + Part;

    /// <summary>What stands behind a unit in "a turn and a half", "two litres and a quarter", as a pattern.</summary>
    internal const string AndPart = @"\s+and\s+" + Part;

    private const string Part = @"(?:(?:an?[\s\-]+)?(?:half|third|quarter)|three[\s\-]+quarters|two[\s\-]+thirds)\b";

    /// <summary>"A turn and a half" as "a and a half turn": the unit behind all of the number. Any other text as it is.</summary>
    internal static string UnitLast(string text) => PartBehindUnit().Replace(text, "${whole} ${part} ${unit}");

    [GeneratedRegex(@"^(?<whole>.+?)\s+(?<unit>\p{L}+)\s+(?<part>and\s+" + Part + ")$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex PartBehindUnit();

    private const string First = "zotfsentaqh";

    /// <summary>The number, or null where the text is none.</summary>
    public static decimal? Parse(string text)
    {
        var trimmed = text.Trim().ToLowerInvariant();
        // Most words are none: no digit, and no word of a number begins so.
        if (trimmed.Length == 0 || (!char.IsAsciiDigit(trimmed[0]) && trimmed[0] is not ('-' or '−' or '+') && !First.Contains(trimmed[0]))) return null;
        var index = Array.IndexOf(Words, trimmed);
        if (index >= 0) return index;
        if (trimmed.IndexOf("and", StringComparison.Ordinal) is > 0 and var and && PartOf(trimmed[(and + 3)..]) is { } part
            && Parse(trimmed[..and].TrimEnd(' ', '-', '\t')) is { } whole) return whole + part;
        // "Twenty", "thirty-two".
        if (trimmed.EndsWith("ty", StringComparison.Ordinal) || trimmed.Contains("ty-", StringComparison.Ordinal)) return InWords(trimmed);
        return trimmed switch
        {
            "half" or "half a" => 0.5m,
            "quarter" or "a quarter" or "a quarter of a" => 0.25m,
            "three-quarter" or "three-quarters of a" or "three quarters of a" => 0.75m,
            "a" or "an" => 1,
            _ when char.IsLetter(trimmed[0]) => null,
            _ => Fraction.Parse(trimmed) is { IsGood: true } number ? number.Value : null,
        };
    }

    // What is said behind "and": "a half", "three quarters".
    private static decimal? PartOf(string text) => string.Join(' ', text.Split([' ', '-', '\t'], StringSplitOptions.RemoveEmptyEntries)) switch
    {
        "half" or "a half" => 0.5m,
        "third" or "a third" => 1m / 3,
        "two thirds" => 2m / 3,
        "quarter" or "a quarter" => 0.25m,
        "three quarters" => 0.75m,
        _ => null,
    };
}
