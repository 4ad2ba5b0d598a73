using System.Text.RegularExpressions;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>How many of a thing a sentence says there are.</summary>
public static partial class CountSaid
{
    [GeneratedRegex(@"\b(?:other|remaining|first|last|next)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex APart();

    [GeneratedRegex(@"\b(?:steps?|fig(?:ure)?s?|pages?|items?|pos|phase|table|row|number|no)\.?\s*$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex IsNumbered();

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
        // A number right before the name: "two of the bolts" and "the other two bolts" are a part of them.
        var word = WordBefore(text, name.Start);
        if (word.Length == 3 && (Is(text, word, "new") || Is(text, word, "old"))) word = WordBefore(text, word.Start);
        // "Start one wheel nut by hand" is about one of them.
        if (word.Length == 0 || Number(word.Of(text)) is not ({ } count and > 1)) return null;
        var from = Math.Max(0, word.Start - 30);
        // "In step 9 the bolts": the number of the step.
        if (IsNumbered().IsMatch(text.AsSpan(from, word.Start - from))) return null;
        return APart().IsMatch(text.AsSpan(from, word.Start - from)) ? null : (word, count);
    }

    [GeneratedRegex(@"\b(?:each|every|both|either|per|apiece|a\s+(?:side|piece))\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Each();

    [GeneratedRegex(@"\bone\s+(?:(?:on|at|in|of|to|from|for)\s+)?(?:each|either|per)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OneOfEach();

    // What stands right before a name and is of it: "both", "each of the four", "all".
    [GeneratedRegex(@"(?:\b(?:each|every|both|either|all)\s+)?(?:of\s+)?(?:(?:the|its|their)\s+)?(?:\p{L}+(?:-\p{L}+)?\s+|\d{1,2}\s+)?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.RightToLeft)]
    private static partial Regex OfTheName();

    /// <summary>
    /// True where a sentence says a number of each of several things, and with all of them it makes the whole ("both covers, four bolts each").
    /// </summary>
    public static bool IsOfEach(string text, Span name, int count, int whole)
    {
        if (count < 1 || whole <= count || whole % count != 0 || Sentences.Of(text).Find(s => s.Begins(name)) is not { Length: > 0 } sentence) return false;
        // "Two bolts, one on each side": two in all.
        if (OneOfEach().IsMatch(text.AsSpan(name.End, Math.Max(0, sentence.End - name.End)))) return false;
        var before = text[sentence.Start..name.Start];
        return Each().IsMatch(before[..^OfTheName().Match(before).Length]) || Each().IsMatch(text.AsSpan(name.End, Math.Max(0, sentence.End - name.End)));
    }

    private static bool Is(string text, Span word, string other) => text.AsSpan(word.Start, word.Length).Equals(other, StringComparison.OrdinalIgnoreCase);

    // The word (letters, with a dash between them, or one or two figures) that ends in blanks right before a place; none where it is a part of something longer.
    private static Span WordBefore(string text, int place)
    {
        var end = place;
        while (end > 0 && char.IsWhiteSpace(text[end - 1])) end--;
        if (end == place || end == 0) return default;
        var start = end;
        var figures = char.IsAsciiDigit(text[end - 1]);
        while (start > 0 && (figures ? char.IsAsciiDigit(text[start - 1]) : char.IsLetter(text[start - 1]) || text[start - 1] == '-')) start--;
        if (start == end || text[start] == '-' || text[end - 1] == '-' || (figures && end - start > 2)) return default;
        return start > 0 && (char.IsLetterOrDigit(text[start - 1]) || text[start - 1] is '.' or ',' or '×' or '/' or '-') ? default : new Span(start, end - start);
    }

    private static int? Number(string word) =>
        word.Equals("both", StringComparison.OrdinalIgnoreCase) ? 2
        : word.ToLowerInvariant() is not ("a" or "an") && NumberWords.Parse(word) is { } number && number == Math.Truncate(number) && number is > 0 and < 100 ? (int)number
        : null;
}
