using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Where the sentences of a step stand. Rows of tables are none.</summary>
internal static class Sentences
{
    [ThreadStatic]
    private static string? _lastText;

    [ThreadStatic]
    private static List<Span>? _last;

    /// <summary>The sentences of a text, in order, their marks included.</summary>
    public static List<Span> Of(string text)
    {
        // Rules of style look at one step after the other, each at the same step.
        if (ReferenceEquals(_lastText, text)) return _last!;
        List<Span> found = [];
        for (var from = 0; from < text.Length;)
        {
            var end = text.IndexOf('\n', from);
            if (end < 0) end = text.Length;
            if (!text.AsSpan(from, end - from).TrimStart().StartsWith("|")) OfLine(text, from, end, found);
            from = end + 1;
        }

        (_lastText, _last) = (text, found);
        return found;
    }

    // A sentence ends at ";", and at ".", "!" or "?" before a blank; a dot within a number or a word ends none.
    private static void OfLine(string text, int from, int to, List<Span> found)
    {
        var at = from;
        while (at < to)
        {
            while (at < to && (char.IsWhiteSpace(text[at]) || text[at] is '.' or '!' or '?' or ';' or '|')) at++;
            if (at == to) return;
            var start = at;
            while (at < to && text[at] != ';' && !(text[at] is '.' or '!' or '?' && (at + 1 == text.Length || char.IsWhiteSpace(text[at + 1])))) at++;
            if (at < to) at++;
            found.Add(new Span(start, at - start));
        }
    }

    /// <summary>Where the sentence that holds a place begins.</summary>
    public static int StartAt(string text, int place)
    {
        var start = 0;
        foreach (var sentence in Of(text))
        {
            if (sentence.Start > place) break;
            start = sentence.Start;
        }

        return start;
    }

    /// <summary>Words with a capital first letter.</summary>
    public static string Capital(string words) => words.Length == 0 ? words : char.ToUpperInvariant(words[0]) + words[1..];

    /// <summary>Names as a sentence lists them: "the cap, the seal and the nut".</summary>
    public static string Listed(IReadOnlyList<string> names) => names.Count < 2 ? string.Concat(names)
        : $"{string.Join(", ", names.SkipLast(1))} and {names[^1]}";

    /// <summary>Words with a small first letter, but for names that stand in capitals ("J3", "ABS").</summary>
    public static string Small(string words) => words.Length < 2 || (!char.IsLower(words[1]) && words[1] != ' ') ? words : char.ToLowerInvariant(words[0]) + words[1..];
}
