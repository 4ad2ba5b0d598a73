using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What manuals leave out or set in between is put where the reader knows it, before clauses are found: "the cover, after removal of its bolts, is lifted
/// off" is after removal of the bolts, then; "… and the gasket to be discarded" is to be; "…, whereupon the cover is taken off" is then; "the pump is taken
/// off, for which purpose its nuts are undone" undoes them first; "the bolts having been removed" is once they are.
/// </summary>
internal sealed class Elliptic(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        Thereafter(i);
        ToWhichEnd(i);
        WhichAre(i);
        SetBetween(i);
        HavingBeen(i);
        ToBe(i);
        TogetherWith(i);
        // "By means of the brake and of chocks".
        if (At(i) == "and" && At(i + 1) == "of" && IsThing(At(i - 1))) Drop(i + 1, i + 2);
    }

    // "Whereupon the cover is lifted off", "after which …": then.
    private void Thereafter(int i)
    {
        if (At(i) is "whereby" && IsMark(i - 1, ",") || At(i) is "whereupon" or "thereafter" or "thereupon" or "hereupon") Say(i, "then");
        else if (At(i) is "after" or "upon" or "following" && At(i + 1) == "which" && IsMark(i - 1, ",")) Put(i, i + 2, "then");
    }

    // "The pump is taken off, to which end its nuts are undone": its nuts are undone, then it is taken off.
    private void ToWhichEnd(int i)
    {
        var end = At(i + 1) == "which" && (At(i) == "to" && At(i + 2) == "end" || At(i) == "for" && At(i + 2) == "purpose") ? i + 3 : -1;
        if (end < 0 || !IsMark(i - 1, ",")) return;
        var start = StartOfSentence(i);
        if (!IsDone(start, i - 1) || SubjectOf(start, i) is not { } whose) return;
        var does = Tokens.GetRange(start, i - 1 - start);
        var stop = end;
        while (!IsEnd(Tokens, stop)) stop++;
        var first = Owned(Tokens.GetRange(end, stop - end), whose);
        Tokens.RemoveRange(start, stop - start);
        Tokens.InsertRange(start, does);
        Put(start, ",", "then");
        Tokens.InsertRange(start, first);
    }

    // "It is held by four bolts, which are removed", "which can now be lifted off": they are. But "which are held by a clip" tells which.
    private void WhichAre(int i)
    {
        if (At(i) != "which" || !IsMark(i - 1, ",") || !Helps(i + 1)) return;
        var (verb, now) = (i + 2, false);
        for (; verb < i + 2 + Longest && (At(verb) is "to" or "be" or "first" or "now" or "then" or "next" || IsHow(verb)); verb++)
            now |= At(verb) is "now" or "then" or "next";
        if (Array.Find(Trade.VerbsOf(At(verb)), f => f.Form == Form.Ed).Verb is not { } done
            || !now && done.Frames[^1].Sense is not (Sense.Off or Sense.Loosen or Sense.BreakLoose or Sense.Torque or Sense.Disconnect)) return;
        Say(i, At(i + 1) is "is" or "has" || !At(i - 2).EndsWith('s') ? "it" : "they");
        Tokens[i - 1] = Tokens[i - 1] with { Text = ";" };
    }

    // "The cover, after removal of its bolts, is lifted off"; "the cover is, once its bolts are out, lifted off".
    private void SetBetween(int i)
    {
        if (At(i) is not ("after" or "once" or "following" or "upon") || !IsMark(i - 1, ",")) return;
        var comma = i + 1;
        while (!IsEnd(Tokens, comma)) comma++;
        if (!IsMark(comma, ",") || comma > i + 3 * Longest) return;
        var helped = At(i - 2) is "is" or "are";
        if (helped ? !IsDone(comma + 1) : !(Helps(comma + 1) || At(comma + 1) == "to" && At(comma + 2) == "be")) return;
        var start = i - 1;
        while (start > 0 && i - start <= 2 * Longest && At(start - 1) is { Length: > 0 } word && word is not ("and" or "then")
            && (!Helps(start - 1) || helped && start == i - 1)) start--;
        if (start == i - 1 || !Begins(Tokens, start) || Trade.IsBase(At(start)) && !IsThing(At(start))) return;
        var between = Owned(Tokens.GetRange(i, comma - i), Tokens.GetRange(start, (helped ? i - 2 : i - 1) - start));
        between.Add(Tokens[comma]);
        // "The plug is pulled and the cover, after removal of its bolts, taken off": told anew.
        if (At(start - 1) is "and" or "then") Tokens[start - 1] = Tokens[start - 1] with { Kind = TokenKind.Stop, Text = ";" };
        Tokens.RemoveRange(i - 1, comma + 2 - i);
        Tokens.InsertRange(start, between);
    }

    // "The bolts having been removed, …": once they are.
    private void HavingBeen(int i)
    {
        if (At(i) != "having") return;
        var verb = i + 1;
        while (At(verb) is "first" or "been" or "now" or "all" or "both" || IsHow(verb)) verb++;
        if (!IsDone(verb) || !Enumerable.Range(i, verb - i).Any(k => At(k) == "been")) return;
        var start = i;
        while (start > 0 && i - start <= Longest && At(start - 1) is { Length: > 0 } word && word is not ("and" or "then")) start--;
        if (start == i || !Begins(Tokens, start)) return;
        Put(i, verb, At(i - 1).EndsWith('s') ? "are" : "is");
        Put(start, "once");
    }

    // "The pump is to be taken off and the gasket to be discarded": is to be.
    private void ToBe(int i)
    {
        if (At(i) != "to" || At(i + 1) != "be" || !IsThing(At(i - 1)) || !IsDone(IsHow(i + 2) ? i + 3 : i + 2)) return;
        var start = i - 1;
        while (start > 0 && i - start <= Longest && At(start - 1) is { Length: > 0 } word && word is not ("and" or "then") && !Helps(start - 1)) start--;
        if (start > 0 && (At(start - 1) is "and" or "then" || IsMark(start - 1, ",") || IsMark(start - 1, ";"))
            && Enumerable.Range(StartOfSentence(i), start - StartOfSentence(i)).Any(Helps)) Put(i, At(i - 1).EndsWith('s') ? "are" : "is");
    }

    // "The wheel together with the spacer is taken off": both.
    private void TogetherWith(int i)
    {
        if (At(i) is not ("together" or "along") || At(i + 1) != "with" || !IsThing(At(i - 1))) return;
        var end = Trade.Determiners.Contains(At(i + 2)) ? i + 3 : i + 2;
        while (end < i + Longest + 2 && At(end).Length > 0 && !IsDone(end) && !Helps(end)) end++;
        if ((IsDone(end) || Helps(end)) && IsThing(At(end - 1))) Put(i, i + 2, "and");
    }

    // "Carefully".
    private bool IsHow(int i) => At(i).EndsWith("ly", StringComparison.Ordinal);

    private int StartOfSentence(int i)
    {
        while (i > 0 && Tokens[i - 1].Kind != TokenKind.Stop) i--;
        return i;
    }

    // The words before the helping verb of a passive.
    private List<Token>? SubjectOf(int start, int to)
    {
        var verb = start;
        while (verb < to && !Helps(verb)) verb++;
        return verb < to && verb > start && verb - start <= Longest ? Tokens.GetRange(start, verb - start) : null;
    }

    // Somebody does it to it: "is taken off", "are to be undone".
    private bool IsDone(int from, int to)
    {
        var words = Enumerable.Range(from, Math.Max(0, to - from));
        return words.Any(Helps) && words.Any(IsDone);
    }

    private bool IsDone(int i) => Array.Exists(Trade.VerbsOf(At(i)), f => f.Form == Form.Ed);

    private bool Helps(int i) => At(i) is "is" or "are" or "can" or "may" or "must" or "should" or "shall" or "will" or "has" or "have";

    // "Its bolts", "the bolts" of what is named: the bolts of the cover.
    private static List<Token> Owned(List<Token> words, List<Token> whose)
    {
        var own = words.FindIndex(t => t is { Kind: TokenKind.Word, Text: "its" or "their" });
        if (own < 0 && words.Count > 1 && Trade.Plain.Contains(Stem.Of(words[^1].Text)))
            own = words.FindLastIndex(t => t is { Kind: TokenKind.Word, Text: "the" });
        if (own < 0) return words;
        var end = own + 1;
        while (end < words.Count && words[end].Kind is TokenKind.Word or TokenKind.Number && !Trade.Auxiliaries.Contains(words[end].Text)
            && !Trade.Paths.Contains(words[end].Text)) end++;
        var at = words[own].At with { Length = 0 };
        words[own] = words[own] with { Text = "the" };
        words.InsertRange(end, whose.Select(t => t with { At = at }).Prepend(new Token(TokenKind.Word, "of", at)));
        return words;
    }
}
