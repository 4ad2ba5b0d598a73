using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What a note of the shop turns round or leaves out, put as the rest of the reader knows it, before clauses are found: "off comes the cover"
/// is off with the cover, "cover: off" is cover off, "then out" is take them out, and "lift off" lifts it off.
/// </summary>
internal static class Notes
{
    /// <summary>Straightens the notes among the tokens. What is put in stands where the words are that it stands for.</summary>
    public static void Straighten(List<Token> tokens)
    {
        for (var i = 0; i < tokens.Count; i++)
        {
            Inverted(tokens, i);
            IsOff(tokens, i);
            Alone(tokens, i);
            Objectless(tokens, i);
            Slack(tokens, i);
            SideBySide(tokens, i);
            Passes(tokens, i);
            Shut(tokens, i);
            Tabs(tokens, i);
            Borne(tokens, i);
            PinIt(tokens, i);
            FewTurns(tokens, i);
            PartOfThem(tokens, i);
            Spanner(tokens, i);
            AndIn(tokens, i);
        }
    }

    // "Off comes the cover", "back goes the cover", "out they come": off, on with it.
    private static void Inverted(List<Token> tokens, int at)
    {
        if (!Begins(tokens, at) || Word(tokens, at) is not ("off" or "out" or "away" or "on" or "in" or "back" or "up")) return;
        var verb = Word(tokens, at + 1) is "it" or "they" ? at + 2 : at + 1;
        if (!Trade.ItMoves.Contains(Word(tokens, verb)) || verb == at + 1
            && (Word(tokens, at + 2).Length == 0 || Trade.Paths.Contains(Word(tokens, at + 2)))) return;
        if (Word(tokens, at) is "in" or "back" or "up") tokens[at] = tokens[at] with { Text = "on" };
        if (verb > at + 1) tokens[verb] = tokens[at + 1] with { Text = Word(tokens, at + 1) == "it" ? "it" : "them" };
        tokens[at + 1] = tokens[at + 1] with { Text = "with" };
    }

    // "Four bolts out and the cover is off": it comes off, where nothing asks whether it is.
    private static void IsOff(List<Token> tokens, int at)
    {
        if (Word(tokens, at) is not ("is" or "are") || !Trade.Comes.Contains(Word(tokens, at + 1)) || !Ends(tokens, at + 2)) return;
        var start = Start(tokens, at);
        if (start >= at) return;
        var and = tokens.FindLastIndex(at - 1, at - start, t => t is { Kind: TokenKind.Word, Text: "and" or "then" });
        if (and <= start || Trade.VerbsOf(Word(tokens, start)) is { Length: > 0 } || tokens.FindIndex(start, at - start, Asks) >= 0) return;
        tokens.RemoveAt(at);
    }

    private static bool Asks(Token t) => t.Kind == TokenKind.Word
        && (Trade.Conditionals.Contains(t.Text) || Trade.Temporals.Contains(t.Text) || Trade.Relatives.Contains(t.Text) || Trade.Auxiliaries.Contains(t.Text));

    // "Bolts: out", "bolts cracked, then out", "crack the bolts and out".
    private static void Alone(List<Token> tokens, int at)
    {
        if (!Trade.Comes.Contains(Word(tokens, at)) || at == 0 || !Ends(tokens, at + 1)) return;
        if (tokens[at - 1] is { Kind: TokenKind.Mark, Text: ":" })
        {
            if (at > 1 && tokens[at - 2].Kind == TokenKind.Word) tokens.RemoveAt(at - 1);
            return;
        }

        if (Word(tokens, at - 1) is not ("then" or "and") || at < 2 || Word(tokens, at - 1) == "and" && (Trade.Paths.Contains(Word(tokens, at - 2))
            || tokens[at - 2].Kind != TokenKind.Word && !IsComma(tokens[at - 2]))) return;
        // "Them" where what stands nearest before is more than one.
        var noun = tokens.FindLastIndex(at - 1, at - Start(tokens, at), t => t.Kind == TokenKind.Word
            && Trade.NounOf([Stem.Of(t.Text)]) is { Role: NounRole.Thing });
        var many = Word(tokens, at) == "out" && noun >= 0 && tokens[noun].Text.EndsWith('s');
        var here = tokens[at].At with { Length = 0 };
        tokens.InsertRange(at, [new Token(TokenKind.Word, "take", here), new Token(TokenKind.Word, many ? "them" : "it", here)]);
    }

    // "Cover: four bolts out, lift off": it.
    private static void Objectless(List<Token> tokens, int at)
    {
        var goesIn = Word(tokens, at) is "plug" or "click" or "snap" && Word(tokens, at + 1) is "in" or "on" or "home";
        if (!goesIn && !(Trade.LiftsOff.Contains(Word(tokens, at)) && Word(tokens, at + 1) is "off" or "away" or "clear") || !Ends(tokens, at + 2)
            || !Begins(tokens, at) || Start(tokens, at) == at) return;
        tokens.Insert(at + 1, new Token(TokenKind.Word, "it", tokens[at + 1].At with { Length = 0 }));
    }

    // "Bolts slack", "bolts half a turn loose", "bolts back half a turn": slackened by so much.
    private static void Slack(List<Token> tokens, int at)
    {
        if (at == 0 || tokens[at - 1].Kind != TokenKind.Word || Trade.IsSmall(tokens[at - 1].Text) && tokens[at - 1].Text is not ("one" or "ones")) return;
        var behind = tokens[at].Kind == TokenKind.Angle && Word(tokens, at + 1) is "loose" or "slack" && Ends(tokens, at + 2);
        if (!behind && !(Word(tokens, at) == "back" && at + 1 < tokens.Count && tokens[at + 1].Kind == TokenKind.Angle)
            && !(Word(tokens, at) == "slack" && (Ends(tokens, at + 1) || Word(tokens, at + 1) == "but")) || HasVerb(tokens, at)) return;
        var said = behind ? at + 1 : at;
        tokens[said] = tokens[said] with { Text = "slackened" };
        if (behind) (tokens[at], tokens[said]) = (tokens[said], tokens[at]);
    }

    // "Tabs flat", "tabs up": bent so.
    private static void Tabs(List<Token> tokens, int at)
    {
        if (Word(tokens, at) is not ("tab" or "tabs" or "tangs") || !Begins(tokens, at) || !Ends(tokens, at + 2)) return;
        var opens = Word(tokens, at + 1) is "flat" or "back" or "open" or "straight";
        if (!opens && Word(tokens, at + 1) is not ("up" or "over" or "bent")) return;
        if (Word(tokens, at + 1) == "bent") tokens[at + 1] = tokens[at + 1] with { Text = "over" };
        var here = tokens[at].At with { Length = 0 };
        tokens.InsertRange(at, [new Token(TokenKind.Word, opens ? "flatten" : "bend", here), new Token(TokenKind.Word, "the", here)]);
        if (opens) tokens.RemoveAt(at + 3);
    }

    // "Onto the stands", "down off the stands", "down on its wheels".
    private static void Borne(List<Token> tokens, int at)
    {
        if (!Begins(tokens, at)) return;
        var way = Word(tokens, at) == "down" ? at + 1 : at;
        var what = way + 1;
        while (Trade.Determiners.Contains(Word(tokens, what)) || Word(tokens, what) == "axle") what++;
        if (!Ends(tokens, what + 1)) return;
        var (onto, off) = (Word(tokens, way) is "on" or "onto", Word(tokens, way) is "off" or "from");
        var verb = Word(tokens, what) is "stands" or "stand" ? onto ? "set" : off ? "lower" : null : Word(tokens, what) is "wheels" && onto
            && way > at ? "lower" : null;
        if (verb is null) return;
        var here = tokens[at].At with { Length = 0 };
        if (way > at) tokens.RemoveAt(at);
        tokens.InsertRange(at, [new Token(TokenKind.Word, verb, here), new Token(TokenKind.Word, "the", here), new Token(TokenKind.Word,
            "tractor", here)]);
    }

    // "… and pin it": lock it with a cotter pin.
    private static void PinIt(List<Token> tokens, int at)
    {
        if (Word(tokens, at) != "pin" || Word(tokens, at + 1) is not ("it" or "them") || !Begins(tokens, at)) return;
        tokens[at] = tokens[at] with { Text = "lock" };
        if (Word(tokens, at + 2) is "with") return;
        var here = new Span(tokens[at + 1].At.End, 0);
        tokens.InsertRange(at + 2, [new Token(TokenKind.Word, "with", here), new Token(TokenKind.Word, "cotter", here),
            new Token(TokenKind.Word, "pin", here)]);
    }

    // "Fuel tap shut": closed.
    private static void Shut(List<Token> tokens, int at)
    {
        if (at == 0 || Word(tokens, at) != "shut" || !Ends(tokens, at + 1) || tokens[at - 1].Kind != TokenKind.Word
            || Trade.IsSmall(tokens[at - 1].Text)
            || HasVerb(tokens, at)) return;
        tokens[at] = tokens[at] with { Text = "closed" };
    }

    // "…, first one side, then the other": little by little.
    private static void SideBySide(List<Token> tokens, int at)
    {
        var one = Word(tokens, at) == "first" ? at + 1 : at;
        if (Word(tokens, one) != "one" || Word(tokens, one + 1) is not ("side" or "end") || at == 0 || !IsComma(tokens[at - 1])) return;
        var then = one + 2;
        while (then < tokens.Count && (IsComma(tokens[then]) || Word(tokens, then) is "and" or "then")) then++;
        if (Word(tokens, then) != "the" || Word(tokens, then + 1) != "other" || !Ends(tokens, then + 2) && Word(tokens, then + 2) is not ("side" or "end")) return;
        tokens.RemoveRange(at - 1, (Ends(tokens, then + 2) ? then + 2 : then + 3) - (at - 1));
    }

    // "First pass 20 N·m, second pass 40 N·m": the values tell it.
    private static void Passes(List<Token> tokens, int at)
    {
        if (!IsPass(tokens, at) || at == 0 || tokens[at - 1] is not { Kind: TokenKind.Mark, Text: ":" }) return;
        var end = tokens.FindIndex(at, t => t.Kind == TokenKind.Stop);
        var all = new List<int>();
        for (var i = at; i < (end < 0 ? tokens.Count : end); i++)
            if (IsPass(tokens, i)) all.Add(i);
        if (all.Count < 2) return;
        foreach (var i in Enumerable.Reverse(all)) tokens.RemoveRange(i, 2);
    }

    private static bool IsPass(List<Token> tokens, int at) => (Trade.Ordinals.Contains(Word(tokens, at)) || Word(tokens, at) is "final" or "last")
        && Word(tokens, at + 1) is "pass" or "step" or "stage" or "round" && at + 2 < tokens.Count && tokens[at + 2].Kind == TokenKind.Torque;

    // "In a few turns": by hand.
    private static void FewTurns(List<Token> tokens, int at)
    {
        if (Word(tokens, at) != "a" || Word(tokens, at + 1) != "few" || Word(tokens, at + 2) is not ("turns" or "threads")
            || Word(tokens, at - 1) is not ("in" or "on")) return;
        tokens[at] = new Token(TokenKind.Word, "finger-tight", new Span(tokens[at].At.Start, tokens[at + 2].At.End - tokens[at].At.Start));
        tokens.RemoveRange(at + 1, 2);
    }

    // "Tray bolts: two removed, the other four slackened": remove two, slacken the other four.
    private static void PartOfThem(List<Token> tokens, int at)
    {
        if (!Begins(tokens, at)) return;
        var i = at;
        if (Word(tokens, i) is "the") i++;
        var rest = Word(tokens, i) is "rest" or "others" or "remainder";
        while (Trade.Distinct.Contains(Word(tokens, i)) || Word(tokens, i) is "other" or "remaining") i++;
        if (!rest && NumberWords.Parse(Word(tokens, i)) is not > 1) return;
        var done = i + 1;
        if (Word(tokens, done) == "only") done++;
        if (done >= tokens.Count || tokens[done].Kind != TokenKind.Word) return;
        var word = tokens[done].Text;
        var verb = word is "snug" or "loosen" ? word : word is "out" or "off" ? "take" : word is "in" ? "start"
            : Trade.VerbsOf(word) is { Length: > 0 } forms && Array.TrueForAll(forms, f => f.Form == Form.Ed) ? forms[0].Verb.Lemma : null;
        var tail = done + 1;
        while (Trade.Paths.Contains(Word(tokens, tail)) || Word(tokens, tail) is "only" or "by" or "hand") tail++;
        if (verb is null || !Ends(tokens, tail)) return;
        for (var k = tail - 1; k > at; k--)
            if (Word(tokens, k) == "only" || k == done && verb != "take") tokens.RemoveAt(k);
        tokens.Insert(at, new Token(TokenKind.Word, verb, tokens[at].At with { Length = 0 }));
    }

    // "Hub nut (36) off", "nut 36 mm off": with which spanner, of one that is no more than one.
    private static void Spanner(List<Token> tokens, int at)
    {
        if (at == 0 || at >= tokens.Count || tokens[at].Kind != TokenKind.Number || !Trade.Plain.Contains(Word(tokens, at - 1))
            || NumberWords.Parse(tokens[at].Text) is not (> 5 and < 80)) return;
        var end = Word(tokens, at + 1) == "mm" ? at + 2 : at + 1;
        if (Trade.Comes.Contains(Word(tokens, end))) tokens.RemoveRange(at, end - at);
    }

    // "Pin greased and in", "seat cleaned and back on": the pin greased, then the pin in.
    private static void AndIn(List<Token> tokens, int at)
    {
        if (Word(tokens, at) is not ("and" or "&" or "+") || at < 2
            || !Array.Exists(Trade.VerbsOf(Word(tokens, at - 1)), f => f.Form == Form.Ed && f.Verb.Frames[^1].Sense is Sense.Treat or Sense.Clean)) return;
        var way = Word(tokens, at + 1) == "back" ? at + 2 : at + 1;
        if (Word(tokens, way) is not ("in" or "on") || !IsEnd(tokens, way + 1)) return;
        var start = at - 1;
        while (start > 0 && tokens[start - 1].Kind == TokenKind.Word && !Trade.Conjunctions.Contains(tokens[start - 1].Text)) start--;
        var named = tokens.GetRange(start, at - 1 - start);
        if (named.Count == 0 || named.Exists(t => Trade.Auxiliaries.Contains(t.Text))) return;
        tokens[at] = tokens[at] with { Kind = TokenKind.Mark, Text = "," };
        tokens.InsertRange(at + 1, named.Select(t => t with { At = tokens[at].At with { Length = 0 } }));
    }

    // Somebody is told to do something: "back the bolts off half a turn".
    private static bool HasVerb(List<Token> tokens, int at)
    {
        for (var i = Start(tokens, at); i < at; i++)
            if (Begins(tokens, i) && Trade.IsBase(Word(tokens, i))
                && (!Trade.IsAlsoNoun(Word(tokens, i)) || Trade.Determiners.Contains(Word(tokens, i + 1)))) return true;
        return false;
    }

    private static bool Ends(List<Token> tokens, int at) => IsEnd(tokens, at) || Word(tokens, at) is "and" or "then";

    // Where the sentence begins that a token stands in.
    private static int Start(List<Token> tokens, int at)
    {
        while (at > 0 && tokens[at - 1].Kind != TokenKind.Stop) at--;
        return at;
    }

    private static bool IsComma(Token token) => token is { Kind: TokenKind.Mark, Text: "," };
}
