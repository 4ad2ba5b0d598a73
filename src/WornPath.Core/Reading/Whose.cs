using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What is told behind fasteners of the part they hold, put in the one way the rest of the reader knows, before clauses are found:
/// "the bolts with which the cover is fastened", "the bolts that keep the cover in place" are the bolts holding the cover,
/// "the bolts you can see on the cover" are the bolts on the cover.
/// </summary>
internal static class Whose
{
    // A part has no longer name.
    private const int Longest = 6;

    /// <summary>Straightens what is told of fasteners. What is left out told nothing that the words kept do not tell.</summary>
    public static void Straighten(List<Token> tokens)
    {
        for (var i = 0; i + 2 < tokens.Count; i++)
        {
            Held(tokens, i);
            if (!IsFastener(tokens[i])) continue;
            Count(tokens, i + 1);
            if (!Passive(tokens, i + 1) && !Where(tokens, i + 1)) Holding(tokens, i + 1);
        }
    }

    private static bool IsFastener(Token token) => token.Kind == TokenKind.Word && Stem.Of(token.Text) is var stem
        && (Trade.Plain.Contains(stem) || Trade.Hardware.Contains(stem));

    // "The bolts (four)".
    private static void Count(List<Token> tokens, int at)
    {
        if (at + 2 >= tokens.Count || tokens[at] is not { Kind: TokenKind.Mark, Text: "(" } || tokens[at + 2] is not { Kind: TokenKind.Mark, Text: ")" }
            || tokens[at + 1].Kind != TokenKind.Word || Quantities.NumberWords.Parse(tokens[at + 1].Text) is not (> 1 and < 100 and var many)) return;
        tokens[at] = new Token(TokenKind.Word, $"x{many:0}", Over(tokens, at, at + 2));
        tokens.RemoveRange(at + 1, 2);
    }

    // "The cover is held on with four bolts": held with them.
    private static void Held(List<Token> tokens, int at)
    {
        if (!Trade.Held.Contains(Word(tokens, at)) || at == 0 || Word(tokens, at - 1) is not ("is" or "are")
            // "The plug is screwed in with a new ring": the plug itself goes in.
            || at > 1 && Trade.NounOf([Stem.Of(Word(tokens, at - 2))]) is { Kinds: [Sheets.ThingKind.Joint, ..] }) return;
        var past = at + 1;
        while (Word(tokens, past) is "on" or "down" or "in" or "place") past++;
        if (past > at + 1 && Word(tokens, past) is "with" or "by") tokens.RemoveRange(at + 1, past - at - 1);
    }

    // "With which the cover is held", "the cover is held with".
    private static bool Passive(List<Token> tokens, int at)
    {
        var led = Word(tokens, at) is "with" or "by" or "on" && Word(tokens, at + 1) == "which";
        var part = led ? at + 2 : at;
        if (!Trade.Determiners.Contains(Word(tokens, part))) return false;
        var be = part + 1;
        while (be < part + Longest && Word(tokens, be).Length > 0 && !Trade.Auxiliaries.Contains(Word(tokens, be))) be++;
        if (be == part + 1 || Word(tokens, be) is not ("is" or "are" or "was" or "were") || !Trade.Held.Contains(Word(tokens, be + 1))) return false;
        var end = be + 2;
        while (Word(tokens, end) is "on" or "down" or "in" or "place" or "up") end++;
        if (!led)
        {
            if (Word(tokens, end) is not ("with" or "by") || Trade.Determiners.Contains(Word(tokens, end + 1))) return false;
            end++;
        }

        // "Held to the frame": still told behind.
        tokens.RemoveRange(be, end - be);
        if (led) tokens[at] = tokens[at] with { Text = "holding", At = Over(tokens, at, at + 1) };
        else tokens.Insert(at, new Token(TokenKind.Word, "holding", tokens[at].At with { Length = 0 }));
        if (led) tokens.RemoveAt(at + 1);
        return true;
    }

    // "That go through the cover", "you can see on the cover", "belonging to the cover", "between the cover and the frame".
    private static bool Where(List<Token> tokens, int at)
    {
        var end = at;
        if (Trade.Seen.Contains(Word(tokens, at)))
            for (end++; Trade.Sits.Contains(Word(tokens, end));) end++;
        if (end > at && Trade.OnIt.Contains(Word(tokens, end)) && Trade.Determiners.Contains(Word(tokens, end + 1)))
        {
            tokens[at] = tokens[at] with { Text = "on", At = Over(tokens, at, end) };
            tokens.RemoveRange(at + 1, end - at);
            return true;
        }

        if (Word(tokens, at) != "between" || !Pair(tokens, at + 1)) return false;
        tokens[at] = tokens[at] with { Text = "holding" };
        return true;
    }

    // "That hold the cover on", "connecting the cover and the frame".
    private static void Holding(List<Token> tokens, int at)
    {
        var verb = at;
        if (Word(tokens, verb) is "that" or "which") verb++;
        if (verb > at ? !Trade.Holds.Contains(Word(tokens, verb)) && !Trade.Keeps.Contains(Word(tokens, verb))
            : !Trade.Holding.Contains(Word(tokens, verb))) return;
        // "The bolts that hold it": its bolts.
        if (Word(tokens, verb + 1) is "it" or "them")
        {
            for (var the = at - 2; the >= Math.Max(0, at - 5); the--)
                if (Word(tokens, the) == "the")
                {
                    tokens[the] = tokens[the] with { Text = Word(tokens, verb + 1) == "it" ? "its" : "their" };
                    tokens.RemoveRange(at, verb + 2 - at);
                    return;
                }
        }

        if (!Trade.Determiners.Contains(Word(tokens, verb + 1)) || Word(tokens, verb + 1) is "all" or "both"
            && !Trade.Determiners.Contains(Word(tokens, verb + 2))) return;
        var joins = Trade.Joins.Contains(Word(tokens, verb));
        tokens[at] = tokens[at] with { Text = "holding", At = Over(tokens, at, verb) };
        tokens.RemoveRange(at + 1, verb - at);
        if (joins) Pair(tokens, at + 1);
        // "On", "in place": they hold it, whichever way.
        for (var end = at + 2; end < at + 2 + Longest && Word(tokens, end).Length > 0; end++)
        {
            if (Trade.Auxiliaries.Contains(Word(tokens, end)) || Trade.Conjunctions.Contains(Word(tokens, end))) return;
            var past = Word(tokens, end) is "in" && Word(tokens, end + 1) is "place" or "position" ? end + 2
                : Word(tokens, end) is "on" or "down" or "together" or "closed" or "shut" ? end + 1 : end;
            if (past == end) continue;
            if (past == end + 2 || past >= tokens.Count || tokens[past].Kind != TokenKind.Word || Trade.Auxiliaries.Contains(Word(tokens, past))
                || Trade.Conjunctions.Contains(Word(tokens, past)) || Word(tokens, past) is "to" or "by" or "with" or "using") tokens.RemoveRange(end,
                    past - end);
            return;
        }
    }

    // "The cover and the frame" that they join: the one to the other.
    private static bool Pair(List<Token> tokens, int at)
    {
        if (!Trade.Determiners.Contains(Word(tokens, at))) return false;
        for (var and = at + 2; and < at + Longest && Word(tokens, and).Length > 0; and++)
            if (Word(tokens, and) == "and")
            {
                if (!Trade.Determiners.Contains(Word(tokens, and + 1)) || Trade.VerbsOf(Word(tokens, and + 1)).Length > 0) return false;
                tokens[and] = tokens[and] with { Text = "to" };
                return true;
            }

        return false;
    }

    private static Sheets.Span Over(List<Token> tokens, int from, int to) => new(tokens[from].At.Start, tokens[to].At.End - tokens[from].At.Start);
}
