using WornPath.Core.Sheets;
using System.Text.RegularExpressions;

namespace WornPath.Core.Reading;

/// <summary>Left and right in words.</summary>
public static partial class SideWords
{
    [GeneratedRegex(@"\b(?:left|right)(?:[ -]hand)?\b|\b(?:LH|RH)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Words();

    /// <summary>The words with left and right changed places; what is "right" by another meaning ("right angle") stays.</summary>
    public static string Swap(string text) => Words().Replace(text, match =>
    {
        var after = text.AsSpan(match.Index + match.Length);
        if (after.StartsWith(" angle", StringComparison.OrdinalIgnoreCase) || after.StartsWith(" after", StringComparison.OrdinalIgnoreCase) || after.StartsWith(" over", StringComparison.OrdinalIgnoreCase) || after.StartsWith(" away", StringComparison.OrdinalIgnoreCase)) return match.Value;
        if (match.Value is "LH") return "RH";
        if (match.Value is "RH") return "LH";
        var other = match.Value.StartsWith("l", StringComparison.OrdinalIgnoreCase) ? "right" : "left";
        if (match.Value.Length > 5) other += match.Value[^5..];
        return char.IsUpper(match.Value[0]) ? Sentences.Capital(other) : other;
    });

    // "The opposite wheel" and "the other wheel" are the same one.
    /// <summary>The side words name: the first of left, right and other; null for none.</summary>
    public static Side? In(string text)
    {
        foreach (Match match in Named().Matches(text))
        {
            // "Nothing was left under it".
            if (match.Value.Equals("left", StringComparison.OrdinalIgnoreCase) && BeforeLeft().IsMatch(text[..match.Index])) continue;
            var rest = text.AsSpan(match.Index + match.Length).TrimStart();
            if (rest.StartsWith("angle", StringComparison.OrdinalIgnoreCase) || rest.StartsWith("away", StringComparison.OrdinalIgnoreCase)) continue;
            return char.ToLowerInvariant(match.Value[0]) switch { 'l' => Side.Left, 'r' => Side.Right, _ => Side.Other };
        }

        return null;
    }

    // Where a side is said and nothing else: "on the left-hand side", "on the right", "the other one".
    [GeneratedRegex(@"^(?:(?:on|at|for|now|then|and)\s+)*(?:the\s+)?(?:other|opposite|(?:left|right)(?:[ -]hand)?|lh|rh)(?:\s+(?:side|one))?(?:\s+(?:only|first))?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OnlySide();

    /// <summary>True where words name a side and nothing else.</summary>
    public static bool IsSide(string text) => OnlySide().IsMatch(text);

    [GeneratedRegex(@"\b(?:left|right)(?:[ -]hand)?\b|\b(?:lh|rh|other|opposite)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Named();

    [GeneratedRegex(@"\b(?:is|are|was|were|be|been|has|have|had|you|they|nothing|anything|something|what)\s+$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex BeforeLeft();

    /// <summary>The side across from one; null where that is not said.</summary>
    public static Side? Opposite(Side side) => side switch { Side.Left => Side.Right, Side.Right => Side.Left, _ => null };

    /// <summary>"Right-hand", "left-hand", "other", as it stands before a name.</summary>
    public static string Of(Side side) => side switch
    {
        Side.Left => "left-hand",
        Side.Right => "right-hand",
        Side.Other => "other",
        _ => throw new ArgumentOutOfRangeException(nameof(side)),
    };
}
