using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Looks at places of a list of tokens, also past its ends.</summary>
internal static class TokenList
{
    /// <summary>The word at a place; empty where there is none.</summary>
    public static string Word(List<Token> tokens, int at) => at >= 0 && at < tokens.Count && tokens[at].Kind == TokenKind.Word ? tokens[at].Text : "";

    /// <summary>Where tokens stand in the text, at least one: all that lies between, also where some were put before others.</summary>
    public static Span Place(IReadOnlyList<Token> tokens, int from, int to)
    {
        var (start, end) = (tokens[from].At.Start, tokens[from].At.End);
        for (var i = from + 1; i < to; i++) (start, end) = (Math.Min(start, tokens[i].At.Start), Math.Max(end, tokens[i].At.End));
        return new Span(start, end - start);
    }

    /// <summary>The thing of the sheet that so many words from a place on name, or null.</summary>
    public static Thing? ThingAt(List<Token> tokens, NameIndex names, int at, int length)
    {
        var stems = new string[length];
        for (var k = 0; k < length; k++)
        {
            if (Word(tokens, at + k) is not { Length: > 0 } word) return null;
            stems[k] = Stem.Of(word);
            if (k == 0 && !names.Says(stems[0])) return null;
        }

        return names.Spelled(stems);
    }

    /// <summary>The thing of the sheet whose name begins at a place, the longest, and where the name ends; null where none does.</summary>
    public static (Thing Thing, int End)? NamedAt(List<Token> tokens, NameIndex names, int at)
    {
        for (var length = LongestName; length > 0; length--)
            if (ThingAt(tokens, names, at, length) is { } thing) return (thing, at + length);
        return null;
    }

    /// <summary>Where a name of the sheet begins that ends here, with its determiner; null where none does.</summary>
    public static int? StartOfName(List<Token> tokens, NameIndex names, int end)
    {
        for (var length = LongestName; length > 0; length--)
            if (ThingAt(tokens, names, end - length, length) is not null)
                return Trade.Determiners.Contains(Word(tokens, end - length - 1)) ? end - length - 1 : end - length;
        return null;
    }

    // No name has more words.
    private const int LongestName = 5;

    /// <summary>Behind the last token, or at a mark or the end of a sentence.</summary>
    public static bool IsEnd(List<Token> tokens, int at) => at >= tokens.Count || tokens[at].Kind is TokenKind.Mark or TokenKind.Stop;

    /// <summary>At the start of a sentence, behind a mark, or behind what leads in.</summary>
    public static bool Begins(List<Token> tokens, int at) => at == 0 || at <= tokens.Count && tokens[at - 1].Kind is TokenKind.Mark or TokenKind.Stop
        || Word(tokens, at - 1) is "and" or "then" or "next" or "now" or "finally";
}
