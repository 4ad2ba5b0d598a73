using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What is done to one and not to the other is told of both, before clauses are found: "while the front bolts come out, the rear ones are loosened" is
/// two things done; and what is done in place of something else is done to the same thing: "instead of taking the bolts out, loosen them" names the
/// bolts, though nothing else is done to them.
/// </summary>
internal static class Contrast
{
    /// <summary>Straightens contrasts among the tokens.</summary>
    public static void Straighten(List<Token> tokens, NameIndex names)
    {
        for (var i = 0; i < tokens.Count; i++)
        {
            if (i > 0 && tokens[i - 1].Kind != TokenKind.Stop) continue;
            While(tokens, names, i);
            Instead(tokens, names, i);
        }
    }

    // "While the front bolts come out, …", "whereas the front bolts are taken out, …".
    private static void While(List<Token> tokens, NameIndex names, int i)
    {
        if (Word(tokens, i) is not ("while" or "whereas" or "whilst") || NameIn(tokens, names, i + 1, Comma(tokens, i)) is not { } name) return;
        var verb = name.End;
        var moves = Word(tokens, verb) is "come" or "comes" or "go" or "goes" && Trade.Paths.Contains(Word(tokens, verb + 1))
            || Word(tokens, verb) is "are" or "is" && Trade.VerbsOf(Word(tokens, verb + 1)).Any(f => f.Form == Form.Ed && Trade.MayChange(f.Verb));
        if (moves && Comma(tokens, i) is var comma && comma < tokens.Count && Trade.Determiners.Contains(Word(tokens, comma + 1))) tokens.RemoveAt(i);
    }

    // "Instead of taking the bolts out, just loosen them", "do not take them out, only loosen them", "no need to take the bolts out: loosen them".
    private static void Instead(List<Token> tokens, NameIndex names, int i)
    {
        var instead = Word(tokens, i) == "instead" && Word(tokens, i + 1) == "of" || Word(tokens, i) == "rather" && Word(tokens, i + 1) == "than";
        var denied = Word(tokens, i) is "do" && Word(tokens, i + 1) == "not" || Word(tokens, i) is "don't" or "never";
        var needless = Word(tokens, i) == "there" && Word(tokens, i + 1) == "is" && Word(tokens, i + 2) == "no" && Word(tokens, i + 3) == "need"
            || Word(tokens, i) == "no" && Word(tokens, i + 1) == "need";
        if (!instead && !denied && !needless) return;
        var comma = Comma(tokens, i);
        if (comma >= tokens.Count || NameIn(tokens, names, i + 1, comma) is not { } name) return;
        var end = comma + 1;
        while (end < tokens.Count && tokens[end].Kind is not TokenKind.Stop) end++;
        if (denied && !(Word(tokens, comma + 1) is "only" or "just" or "merely" or "simply" or "instead")) return;
        if (NameIn(tokens, names, comma + 1, end) is not null) return;
        var it = tokens.FindIndex(comma, end - comma, t => t is { Kind: TokenKind.Word, Text: "it" or "them" });
        if (it < 0) return;
        var words = tokens.GetRange(name.From, name.End - name.From);
        tokens.RemoveAt(it);
        tokens.InsertRange(it, words.Prepend(words[0] with { Text = "the" }));
    }

    private static int Comma(List<Token> tokens, int from)
    {
        while (from < tokens.Count && tokens[from].Kind is not (TokenKind.Stop or TokenKind.Mark)) from++;
        return from;
    }

    // The first name of the sheet between two places.
    private static (int From, int End)? NameIn(List<Token> tokens, NameIndex names, int from, int to)
    {
        for (var at = from; at < to; at++)
            if (NamedAt(tokens, names, at) is { End: var end } && end <= to) return (at, end);
        return null;
    }
}
