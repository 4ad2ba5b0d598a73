using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What is done only where something is bad, and what is done whether it is or not, is put so before clauses are found: "a worn seal must be replaced"
/// and "seal worn: replace it" are if the seal is worn, replace it; "even if it looks good" and "whether it is worn or not" are no condition; and a new
/// one in place of the old one is a replacement.
/// </summary>
internal sealed class Judged(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        Anyway(i);
        InCaseOf(i);
        ShouldIt(i);
        Leaks(i);
        IsBadIt(i);
        InPlaceOfTheOld(i);
        if (!IsStart(i)) return;
        BadOne(i);
        FoundBad(i);
        Noted(i);
    }

    private static bool IsBad(string word) => Trade.Old.Contains(word) && word != "old" || Trade.Spoilt.Contains(word);

    // "… even if it looks good", "… whether it is worn or not", "… regardless of its condition": done all the same.
    private void Anyway(int i)
    {
        if (At(i) is not ("even" or "whether" or "regardless")) return;
        var end = i + 1;
        while (!IsEnd(Tokens, end)) end++;
        // "Decide whether to replace it": nobody says that it is.
        var undecided = At(i) == "whether" && At(i + 1) == "to" && i > 0;
        var anyway = At(i) switch
        {
            "even" => At(i + 1) is "if" or "when" or "though",
            "regardless" => At(i + 1) == "of",
            _ => undecided || At(end - 1) == "not" && At(end - 2) == "or",
        };
        if (!anyway) return;
        if (i == 0)
        {
            if (IsMark(end, ",")) Drop(0, end + 1);
            return;
        }

        if (undecided && At(i - 1) == "decide") Say(i - 1, "see");
        Drop(IsMark(i - 1, ",") ? i - 1 : i, end);
    }

    // "In case of wear", "in the event of wear": if there is wear.
    private void InCaseOf(int i)
    {
        var of = At(i) == "in" && At(i + 1) == "case" ? i + 2 : At(i) == "in" && At(i + 1) == "the" && At(i + 2) == "event" ? i + 3 : -1;
        if (of < 0 || At(of) != "of" || !IsTrouble(At(of + 1))) return;
        Say(i, "if");
        Say(i + 1, "there");
        Say(of, "is");
        Drop(i + 2, of);
    }

    // "Replace the seal should it be worn", "were the seal to leak, …": if it is worn.
    private void ShouldIt(int i)
    {
        if (At(i) == "should" && At(i + 1) is "it" or "they" && At(i + 2) == "be")
        {
            Say(i, "if");
            Say(i + 2, At(i + 1) == "it" ? "is" : "are");
        }
        else if (At(i) == "were" && IsStart(i) && Trade.Determiners.Contains(At(i + 1)))
        {
            var to = i + 2;
            while (to < i + Longest && At(to) is not ("to" or "")) to++;
            if (At(to) != "to") return;
            Say(i, "if");
            Say(to + 1, At(to + 1) == "be" ? "is" : At(to + 1) + "s");
            Drop(to, to + 1);
        }
    }

    // "If the seal leaks, …": is leaking, and no leaks of a seal.
    private void Leaks(int i)
    {
        if (At(i) is not ("leaks" or "leak") || !Names.IsHead(Stem.Of(At(i - 1))) || Names.IsHead("leak")) return;
        var from = i - 1;
        while (from > 0 && At(from).Length > 0 && At(from) is not ("if" or "when" or "where" or "should")) from--;
        if (At(from) is not ("if" or "when" or "where" or "should")) return;
        Say(from, "if");
        Say(i, "leaking");
        Put(i, At(i - 1).EndsWith('s') ? "are" : "is");
    }

    // "If it is damaged it must be replaced": a comma before what is done.
    private void IsBadIt(int i)
    {
        if (At(i) is "it" or "they" && IsBad(At(i - 1)) && At(i + 1) is "must" or "should" or "is" or "are" or "has" or "have" or "needs" or "need")
            Put(i, ",");
    }

    // "Put a new seal in place of the old one", "a new seal replaces the old one": replace the seal.
    private void InPlaceOfTheOld(int i)
    {
        if (At(i) is not ("a" or "the") || At(i + 1) != "new") return;
        var told = i + 2;
        while (told < i + Longest && At(told).Length > 0 && !(At(told) is "in" or "instead" or "replaces" or "takes")) told++;
        if (told == i + 2 || !IsThing(At(told - 1))) return;
        var old = At(told) == "replaces" ? told + 1
            : At(told) == "in" && At(told + 1) == "place" && At(told + 2) == "of" ? told + 3
            : At(told) == "instead" && At(told + 1) == "of" ? told + 2
            : At(told) == "takes" && At(told + 1) == "the" && At(told + 2) == "place" && At(told + 3) == "of" ? told + 4 : -1;
        if (old < 0 || At(old) != "the" || At(old + 1) != "old" || At(old + 2) is not ("one" or "ones") || !IsEnd(Tokens, old + 3)) return;
        Drop(told, old + 3);
        Say(i + 1, "the");
        if (IsStart(i))
        {
            Say(i, "replace");
            return;
        }

        if (Trade.IsBase(At(i - 1))) Say(i - 1, "replace");
        Drop(i, i + 1);
    }

    // "A worn seal must be replaced", "worn seal: replace it", "a seal which leaks must be replaced": if the seal is worn, it must be replaced.
    private void BadOne(int i)
    {
        var a = At(i) is "a" or "an" or "any";
        var bad = a ? i + 1 : i;
        var leaks = a && At(i + 2) is "which" or "that" && At(i + 3) is "leaks" or "leak" ? i + 3 : -1;
        if (!IsBad(At(bad)) && leaks < 0) return;
        var told = leaks > 0 ? leaks + 1 : bad + 1;
        if (leaks < 0)
            while (told < bad + Longest && At(told).Length > 0 && At(told) is not ("must" or "should" or "is" or "has" or "needs" or "are")) told++;
        var noun = leaks > 0 ? i + 1 : told - 1;
        if (!IsThing(At(noun)) || !(a ? At(told) is "must" or "should" or "is" or "has" or "needs" or "are"
            : IsMark(told, ":"))) return;
        var sign = new Span(Tokens[i].At.Start, Tokens[told - 1].At.End - Tokens[i].At.Start);
        var name = leaks > 0 ? Tokens.GetRange(noun, 1) : Tokens.GetRange(bad + 1, told - bad - 1);
        var how = leaks > 0 ? Tokens[leaks] : Tokens[bad];
        var many = At(noun).EndsWith('s') && !At(noun).EndsWith("ss", StringComparison.Ordinal);
        if (a) Put(told, many ? "they" : "it");
        Drop(i, told);
        var here = new Span(sign.Start, 0);
        List<Token> put = [new Token(TokenKind.Word, "if", here), new Token(TokenKind.Word, "the", here), .. name];
        if (leaks < 0) put.Add(new Token(TokenKind.Word, many ? "are" : "is", here));
        put.Add(how with { At = sign });
        if (a) put.Add(new Token(TokenKind.Mark, ",", new Span(sign.End, 0)));
        Tokens.InsertRange(i, put);
        if (!a) Say(i + put.Count, ",");
    }

    // "Should you find the seal worn, …": if the seal is worn.
    private void FoundBad(int i)
    {
        if (At(i) is not ("should" or "if" or "when") || At(i + 1) != "you" || At(i + 2) != "find" || !Trade.Determiners.Contains(At(i + 3))) return;
        var bad = i + 4;
        while (bad < i + 4 + Longest && At(bad).Length > 0 && !IsBad(At(bad))) bad++;
        if (!IsBad(At(bad)) || !IsThing(At(bad - 1))) return;
        Put(bad, At(bad - 1).EndsWith('s') ? "are" : "is");
        Say(i, "if");
        Drop(i + 1, i + 3);
    }

    // "Seal worn: replace.", "inspect the seal: cracked, replace it", "any wear, replace it": if it is so.
    private void Noted(int i)
    {
        var bad = i;
        while (bad < i + Longest && At(bad).Length > 0 && !IsBad(At(bad)) && !IsSign(bad)) bad++;
        var mark = bad + 1;
        if (!(IsMark(mark, ":") || IsMark(mark, ",")) || !Replaces(At(mark + 1))) return;
        if (IsSign(bad) && bad == i + 1) Put(i, "if", "there", "is");
        else if (IsBad(At(bad)) && (bad == i || IsThing(At(bad - 1)) && Enumerable.Range(i, bad - i).All(k => !Trade.IsBase(At(k)) || IsThing(At(k)))))
        {
            Put(bad, bad > i && At(bad - 1).EndsWith('s') ? "are" : "is");
            Put(i, bad == i ? ["if", "it"] : ["if"]);
        }
        else return;
        var comma = Tokens.FindIndex(i, t => t is { Kind: TokenKind.Mark, Text: ":" or "," });
        Say(comma, ",");
    }

    private bool IsSign(int at) => At(at - 1) == "any" && IsTrouble(At(at));

    internal static bool IsTrouble(string word) => word is "wear" or "damage" or "cracks" or "crack" or "play" or "rust" or "scoring" or "corrosion" or "leak"
        or "leaks" or "doubt";

    private static bool Replaces(string word) => word is "replace" or "renew" or "exchange" or "change" or "swap" or "discard" or "scrap" or "bin";
}
