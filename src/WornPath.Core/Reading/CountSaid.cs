using System.Text.RegularExpressions;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>How many of a thing a sentence says there are.</summary>
public static partial class CountSaid
{
    // A number right before the name: "two of the bolts" and "the other two bolts" are a part of them.
    [GeneratedRegex(@"(?:^|[^\p{L}\d.,×/-])(?<count>both|\p{L}+(?:-\p{L}+)?|\d{1,2})\s+(?:new\s+|old\s+)?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Before();

    [GeneratedRegex(@"\b(?:other|remaining|first|last|next)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex APart();

    [GeneratedRegex(@"^(?<count>\p{L}+(?:-\p{L}+)?|\d{1,2})\s+of\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OfThem();

    /// <summary>The count a name begins with where it is of a part of them ("two of the bolts"); null where it does not.</summary>
    public static int? OfPart(string text, Span name) => OfThem().Match(name.Of(text)) is { Success: true } part ? Number(part.Groups["count"].Value) : null;

    /// <summary>The count that stands before a name in a text; null where none does, or it is of a part of them.</summary>
    public static int? Of(string text, Span name) => Find(text, name)?.Count;

    /// <summary>The same, and where it stands.</summary>
    public static (Span At, int Count)? Find(string text, Span name)
    {
        if (name.Length == 0 || name.Start > text.Length) return null;
        var from = Math.Max(0, name.Start - 30);
        var lead = text[from..name.Start];
        if (Before().Match(lead) is not { Success: true } before || APart().IsMatch(lead[..before.Groups["count"].Index])) return null;
        // "Start one wheel nut by hand" is about one of them.
        return Number(before.Groups["count"].Value) is { } count and > 1 ? (new Span(from + before.Groups["count"].Index, before.Groups["count"].Length), count) : null;
    }

    private static int? Number(string word) =>
        word.Equals("both", StringComparison.OrdinalIgnoreCase) ? 2
        : word.ToLowerInvariant() is not ("a" or "an") && NumberWords.Parse(word) is { } number && number == Math.Truncate(number) && number is > 0 and < 100 ? (int)number
        : null;
}
