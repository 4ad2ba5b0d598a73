using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What goes along with something is put as going with it, before clauses are found, where the sheet knows it: "the cover comes off and the gasket with
/// it", "take the cover off, gasket and all" are the cover complete with the gasket; what goes too, or as well, goes next, and <see cref="GoneOn"/> gives
/// it its verb.
/// </summary>
internal static class Company
{
    /// <summary>Puts what goes along behind what it goes with.</summary>
    public static void Straighten(List<Token> tokens, NameIndex names)
    {
        for (var i = 1; i < tokens.Count; i++)
        {
            WithIt(tokens, names, i);
            Together(tokens, names, i);
            AndAll(tokens, names, i);
            GoesToo(tokens, names, i);
            ComesThen(tokens, names, i);
        }
    }

    // "… and the gasket with it", "…, and with it the gasket"; "the cover and, with it, the gasket come off".
    private static void WithIt(List<Token> tokens, NameIndex names, int i)
    {
        if (Word(tokens, i) is not "with" || Word(tokens, i + 1) is not ("it" or "them")) return;
        if (IsComma(tokens, i - 1) && IsComma(tokens, i + 2))
        {
            tokens.RemoveRange(i - 1, 4);
            return;
        }

        if (IsEnd(tokens, i + 2))
        {
            var from = StartOfName(tokens, names, i);
            if (from is not { } name || !(Word(tokens, name - 1) == "and" || IsComma(tokens, name - 1))) return;
            tokens.RemoveRange(i, 2);
            Behind(tokens, names, name, i, true);
        }
        else if (Word(tokens, i - 1) == "and" && NameAt(tokens, names, i + 2) is { } end && IsEnd(tokens, end))
        {
            tokens.RemoveRange(i, 2);
            Behind(tokens, names, i, end - 2, true);
        }
    }

    // "Together with the gasket", "including the gasket", "complete with the gasket", "as well as the gasket": at the end of what is told.
    private static void Together(List<Token> tokens, NameIndex names, int i)
    {
        var name = Word(tokens, i) is "together" or "along" or "complete" && Word(tokens, i + 1) == "with" ? i + 2
            : Word(tokens, i) == "as" && Word(tokens, i + 1) == "well" && Word(tokens, i + 2) == "as" ? i + 3
            : Word(tokens, i) is "including" ? i + 1 : -1;
        if (name < 0 || NameAt(tokens, names, name) is not { } end || !IsEnd(tokens, end)
            || end < tokens.Count && IsComma(tokens, end) && Word(tokens, end + 1) is not ("and" or "then")) return;
        var with = Word(tokens, i + 1) == "with";
        // Where it reads so already.
        if (Word(tokens, i) == "complete") return;
        tokens.RemoveRange(i, name - i);
        Behind(tokens, names, i, end - (name - i), with);
    }

    // "Take the cover off, gasket and all".
    private static void AndAll(List<Token> tokens, NameIndex names, int i)
    {
        if (Word(tokens, i) != "and" || Word(tokens, i + 1) != "all" || !IsEnd(tokens, i + 2) || StartOfName(tokens, names, i) is not { } name
            || !IsComma(tokens, name - 1)) return;
        tokens.RemoveRange(i, 2);
        Behind(tokens, names, name, i, true);
    }

    // "Take the cover off; the gasket comes with it", "…; the gasket goes too".
    private static void GoesToo(List<Token> tokens, NameIndex names, int i)
    {
        if (Word(tokens, i) is not ("comes" or "come" or "goes" or "go" or "follows" or "follow")) return;
        var end = Word(tokens, i).StartsWith('f') ? i + 1
            : Word(tokens, i + 1) is "with" && Word(tokens, i + 2) is "it" or "them" ? i + 3
            : Word(tokens, i + 1) is "too" or "also" ? i + 2
            : Word(tokens, i + 1) is "as" && Word(tokens, i + 2) == "well" ? i + 3 : -1;
        if (end < 0 || !IsEnd(tokens, end) || StartOfName(tokens, names, i) is not { } name || name == 0) return;
        if (tokens[name - 1].Kind == TokenKind.Stop) tokens[name - 1] = tokens[name - 1] with { Kind = TokenKind.Mark, Text = "," };
        var with = Word(tokens, i + 1) == "with";
        tokens.RemoveRange(i, end - i);
        Behind(tokens, names, name, i, with);
    }

    // "Fit the gasket; then comes the cover": then the cover.
    private static void ComesThen(List<Token> tokens, NameIndex names, int i)
    {
        if (Word(tokens, i) is not ("comes" or "come" or "follows" or "follow") || Word(tokens, i - 1) is not ("then" or "next") || i < 3
            || NameAt(tokens, names, i + 1) is not { } end || !IsEnd(tokens, end)) return;
        if (tokens[i - 2].Kind == TokenKind.Stop) tokens[i - 2] = tokens[i - 2] with { Kind = TokenKind.Mark, Text = "," };
        tokens[i - 1] = tokens[i - 1] with { Text = "then" };
        tokens.RemoveAt(i);
    }

    // Complete with it where it is a part that goes along, else then; and nothing else between it and what stands before.
    private static void Behind(List<Token> tokens, NameIndex names, int name, int end, bool along)
    {
        var stems = tokens.GetRange(name, end - name).Where(t => !Trade.Determiners.Contains(t.Text)).Select(t => Stem.Of(t.Text));
        // What the bolts held comes off next, and not with them.
        along &= names.Spelled([.. stems]) is Part && !IsMany(Word(tokens, Word(tokens, name - 1) == "and" ? name - 2 : name - 1));
        while (name > 0 && (Word(tokens, name - 1) == "and" || IsComma(tokens, name - 1))) tokens.RemoveAt(--name);
        var at = new Span(name > 0 ? tokens[name - 1].At.End : 0, 0);
        tokens.InsertRange(name, along ? [new Token(TokenKind.Word, "complete", at), new Token(TokenKind.Word, "with", at)]
            : [new Token(TokenKind.Mark, ",", at), new Token(TokenKind.Word, "then", at)]);
    }

    // Where a name of the sheet ends that begins here, a determiner before it or none; null where none does.
    private static int? NameAt(List<Token> tokens, NameIndex names, int at)
    {
        if (Trade.Determiners.Contains(Word(tokens, at))) at++;
        return NamedAt(tokens, names, at)?.End;
    }

    // Fasteners, or so many of them: "pull the remaining two, along with the tag".
    private static bool IsMany(string word) => IsFastener(word) || word.Length > 0 && NumberWords.Parse(word) is > 1 and < 100;

    private static bool IsFastener(string word) => Trade.Plain.Contains(Stem.Of(word)) && Trade.NounOf([Stem.Of(word)]) is { Kinds: [ThingKind.Joint, ..] };

    private static bool IsComma(List<Token> tokens, int at) => at >= 0 && at < tokens.Count && tokens[at] is { Kind: TokenKind.Mark, Text: "," };
}
