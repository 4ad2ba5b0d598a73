using System.Text.RegularExpressions;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Where the sentences of a step stand. Rows of tables are none.</summary>
internal static partial class Sentences
{
    [GeneratedRegex(@"[^\s.!?;\n|](?:[^.!?;\n]|[.!?](?=\S))*[.!?;]?", RegexOptions.CultureInvariant)]
    private static partial Regex Sentence();

    [ThreadStatic]
    private static string? _lastText;

    [ThreadStatic]
    private static List<Span>? _last;

    /// <summary>The sentences of a text, in order, their marks included.</summary>
    public static IReadOnlyList<Span> Of(string text)
    {
        // Rules of style look at one step after the other, each at the same step.
        if (ReferenceEquals(_lastText, text)) return _last!;
        List<Span> found = [];
        foreach (var match in Sentence().EnumerateMatches(text))
        {
            var lineStart = text.LastIndexOf('\n', match.Index) + 1;
            if (!text.AsSpan(lineStart).TrimStart().StartsWith("|")) found.Add(new Span(match.Index, match.Length));
        }

        (_lastText, _last) = (text, found);
        return found;
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

    /// <summary>Words with a small first letter, but for names that stand in capitals ("J3", "ABS").</summary>
    public static string Small(string words) => words.Length < 2 || (!char.IsLower(words[1]) && words[1] != ' ') ? words : char.ToLowerInvariant(words[0]) + words[1..];
}
