using WornPath.Core.Quantities;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What a sentence names only to tell it from what is meant is taken out before clauses are found: "remove the guard, not the cover", "the guard,
/// not the cover, is removed", "not the cover but the guard", "undo the guard (leave the cover)". "Remove neither the cover nor the cable" is put
/// as do not remove the cover or the cable.
/// </summary>
internal static class LeftAlone
{
    /// <summary>Takes what is left alone out of the tokens.</summary>
    public static void Straighten(List<Token> tokens)
    {
        for (var i = 0; i < tokens.Count; i++)
        {
            Neither(tokens, i);
            Former(tokens, i);
            NotOnly(tokens, i);
            if (InBrackets(tokens, i) || Begin(tokens, i) is not { } what) continue;
            var end = End(tokens, what);
            OneOfThem(tokens, what, end);
            var from = i;
            // With the marks and words that only lead in: ", and not the cover,".
            while (from > 0 && (Word(tokens, from - 1) is "and" or "but" or "only" || IsComma(tokens, from - 1) || IsDash(tokens, from - 1))) from--;
            var opens = from == 0 || tokens[from - 1].Kind == TokenKind.Stop;
            // "Not the cover is removed, but the guard": said of the cover, and nothing here tells of another.
            if (opens && !(Word(tokens, end) == "but" || end < tokens.Count && tokens[end].Kind == TokenKind.Mark)) continue;
            if (end < tokens.Count && (Word(tokens, end) == "but" || IsComma(tokens, end) || opens)) end++;
            tokens.RemoveRange(from, end - from);
            i = from - 1;
        }
    }

    // Where what is left alone begins to be named; null where nothing is.
    private static int? Begin(List<Token> tokens, int at)
    {
        var what = at + 1;
        switch (Word(tokens, at))
        {
            case "not" or "never":
                if (at > 0 && tokens[at - 1].Kind == TokenKind.Word && (Trade.Auxiliaries.Contains(tokens[at - 1].Text)
                    || Trade.Adverbs.Contains(tokens[at - 1].Text)
                    && Word(tokens, at - 1) != "only")) return null;
                if (Word(tokens, what) == "yet") what++;
                break;
            case "rather" when Word(tokens, what) == "than":
            case "instead" when Word(tokens, what) == "of":
                what++;
                break;
            default:
                return null;
        }

        // "Not to 30 N·m but to 25", "instead of 30 N·m"; "not more than 30 N·m" is how much.
        var value = Word(tokens, what) == "to" ? what + 1 : what;
        if (IsValue(tokens, value)) return value;
        if (Word(tokens, what) is { Length: > 0 } way && !Trade.Determiners.Contains(way)
            && (Trade.Prepositions.Contains(way) || Trade.Paths.Contains(way))) what++;
        // "The guard and the cover, not just one of them".
        if (Word(tokens, what) is "just" or "only" && NumberWords.Parse(Word(tokens, what + 1)) is not null && IsMark(tokens, at - 1)) return what;
        // "Not any more than …", "not a drop": how much, and no thing that is left.
        return Word(tokens, what) is "the" or "its" or "their" or "your" or "those" or "these" ? what : null;
    }

    // The first token behind what is left alone.
    private static int End(List<Token> tokens, int at)
    {
        var told = false;
        for (var i = at + 1; i < tokens.Count; i++)
        {
            if (tokens[i].Kind is TokenKind.Mark or TokenKind.Stop || Word(tokens, i) is "but") return i;
            told |= Trade.Relatives.Contains(Word(tokens, i));
            if (!told && Trade.Auxiliaries.Contains(Word(tokens, i))) return i;
            if (Word(tokens, i) is "and" or "then" && (Trade.IsBase(Word(tokens, i + 1)) || Word(tokens, i + 1) is "then" or "it" or "them")) return i;
        }

        return tokens.Count;
    }

    // "Instead of the old gasket, fit the new one": the new gasket, for nothing else tells what it is one of.
    private static void OneOfThem(List<Token> tokens, int what, int end)
    {
        var at = tokens.FindIndex(end, t => t.Kind == TokenKind.Stop || t is { Kind: TokenKind.Word, Text: "one" or "ones" });
        if (at < 0 || tokens[at].Kind == TokenKind.Stop) return;
        var name = tokens.GetRange(what + 1, end - what - 1).FindAll(t => t.Kind == TokenKind.Word && !Trade.Old.Contains(t.Text) && !Trade.New.Contains(t.Text)
            && !Trade.Distinct.Contains(t.Text));
        if (name.Count is 0 or > 4 || name.Exists(t => Trade.IsSmall(t.Text))) return;
        var here = tokens[at].At;
        tokens.RemoveAt(at);
        tokens.InsertRange(at, name.Select((t, i) => t with { At = i == name.Count - 1 ? here : here with { Length = 0 } }));
    }

    // "(leave the cover)".
    private static bool InBrackets(List<Token> tokens, int at)
    {
        if (Word(tokens, at) != "leave" || at == 0 || tokens[at - 1] is not { Kind: TokenKind.Mark, Text: "(" }) return false;
        var close = tokens.FindIndex(at, t => t is { Kind: TokenKind.Mark, Text: ")" });
        if (close < 0 || tokens.FindIndex(at, close - at, t => t.Kind == TokenKind.Stop || t is { Kind: TokenKind.Mark, Text: ":" }) >= 0) return false;
        tokens.RemoveRange(at - 1, close + 2 - at);
        return true;
    }

    // "Remove neither the cover nor the cable".
    private static void Neither(List<Token> tokens, int at)
    {
        if (Word(tokens, at) != "neither" || !Trade.IsBase(Word(tokens, at - 1)) || !Begins(tokens, at - 1)) return;
        var end = tokens.FindIndex(at, t => t.Kind == TokenKind.Stop);
        for (var i = at + 1; i < (end < 0 ? tokens.Count : end); i++)
            if (Word(tokens, i) == "nor") tokens[i] = tokens[i] with { Text = "or" };
        tokens[at] = tokens[at - 1];
        tokens[at - 1] = new Token(TokenKind.Word, "never", tokens[at].At with { Length = 0 });
    }

    // "Not only the guard but also the cover", "…, not forgetting the cover": both.
    private static void NotOnly(List<Token> tokens, int at)
    {
        if (Word(tokens, at) != "not") return;
        if (Word(tokens, at + 1) == "forgetting")
        {
            tokens[at] = tokens[at] with { Text = "and" };
            tokens.RemoveAt(at + 1);
            return;
        }

        var end = tokens.FindIndex(at, t => t.Kind == TokenKind.Stop);
        var but = tokens.FindIndex(at, (end < 0 ? tokens.Count : end) - at, t => t is { Kind: TokenKind.Word, Text: "but" });
        if (but < 0 || Word(tokens, at + 1) is not ("only" or "just")) return;
        tokens[but] = tokens[but] with { Text = "and" };
        if (Word(tokens, but + 1) == "also") tokens.RemoveAt(but + 1);
        tokens.RemoveRange(at, 2);
    }

    // "25 N·m (formerly 30 N·m)", "25 N·m, down from 30 N·m": what it was.
    private static void Former(List<Token> tokens, int at)
    {
        var value = Trade.Formerly.Contains(Word(tokens, at)) ? at + 1 : Word(tokens, at) is "down" or "up" && Word(tokens, at + 1) == "from" ? at + 2 : -1;
        if (value < 0 || at == 0 || !IsMark(tokens, at - 1)) return;
        if (Word(tokens, value) is "at" or "to") value++;
        if (!IsValue(tokens, value)) return;
        var close = tokens[at - 1].Text == "(" && IsMark(tokens, value + 1) && tokens[value + 1].Text == ")";
        tokens.RemoveRange(at - 1, value + (close ? 3 : 2) - at);
    }

    private static bool IsValue(List<Token> tokens, int at) => at < tokens.Count && tokens[at].Kind is TokenKind.Torque or TokenKind.Angle;

    private static bool IsMark(List<Token> tokens, int at) => at >= 0 && at < tokens.Count && tokens[at].Kind == TokenKind.Mark;

    private static bool IsComma(List<Token> tokens, int at) => tokens[at] is { Kind: TokenKind.Mark, Text: "," };

    private static bool IsDash(List<Token> tokens, int at) => tokens[at] is { Kind: TokenKind.Mark, Text: "–" or "—" };
}
