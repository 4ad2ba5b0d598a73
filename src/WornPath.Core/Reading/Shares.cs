using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// How many of a set are meant is put as a number, before clauses are found, where the sheet knows how many there are: "half the cover bolts" and "every
/// other cover bolt" of four are two of the cover bolts, "cover bolts 1 to 3" three of them, "take them out, leaving one in place" all but one; and
/// "the fourth", where three were told of, is the last one.
/// </summary>
internal sealed class Shares(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        Whole(i);
        Part(i);
        OfThese(i);
        OutOf(i);
        Numbered(i);
        ButOne(i);
        Ordinal(i);
        Same(i);
        Pair(i);
    }

    private static int? Number(string word) => NumberWords.Parse(word) is { } n && n == Math.Truncate(n) && n is > 0 and < 100 ? (int)n : null;

    // The joint of several fasteners that is named here, and where its name ends.
    private (Joint Joint, int End)? Named(int at) =>
        NamedAt(Tokens, Names, at) is { Thing: Joint { Count: > 1 } joint, End: var end } ? (joint, end) : null;

    // "Every one of the bolts", "the lot of the bolts", "the whole set of bolts": all of them.
    private void Whole(int i)
    {
        var of = At(i) == "every" && At(i + 1) == "one" ? i + 2 : At(i) == "the" && At(i + 1) is "lot" ? i + 2
            : At(i) == "the" && At(i + 1) is "whole" or "full" or "entire" && At(i + 2) is "set" or "lot" ? i + 3 : -1;
        if (of > 0 && At(of) == "of") Put(i, of, "all");
    }

    // "Half of the bolts", "every second bolt", "a single bolt".
    private void Part(int i)
    {
        var half = At(i) == "half";
        if (!half && !(At(i) == "every" && At(i + 1) is "second" or "other") && !(At(i) is "a" or "one" or "just" && At(i + 1) == "single")) return;
        var at = half ? i + 1 : i + 2;
        if (half && At(at) == "of") at++;
        if (half && Trade.Determiners.Contains(At(at))) at++;
        var single = At(i + 1) == "single";
        // "Held by a single bolt", which nobody has named: one.
        if (single && At(i) == "a" && Named(at) is null && Trade.Plain.Contains(Stem.Of(At(at)))) Put(i, at, "one");
        if (Named(at) is not { } named) return;
        if (!single && named.Joint.Count % 2 != 0) return;
        Put(i, at, single ? "one" : Said(named.Joint.Count / 2), "of", "the");
    }

    // "Of the four bolts, three come out", "out of the four bolts, remove three": three of the bolts.
    private void OfThese(int i)
    {
        if (i > 0 && Tokens[i - 1].Kind != TokenKind.Stop) return;
        var the = At(i) == "of" ? i + 1 : At(i) == "out" && At(i + 1) == "of" ? i + 2 : -1;
        if (the < 0 || At(the) is not ("the" or "these" or "those")) return;
        var name = Number(At(the + 1)) is not null ? the + 2 : the + 1;
        if (Named(name) is not { } named || !IsMark(named.End, ",")) return;
        for (var k = named.End + 1; k < Tokens.Count && Tokens[k].Kind is not TokenKind.Stop; k++)
        {
            if (Number(At(k)) is not { } || Tokens[k].Kind is not (TokenKind.Word or TokenKind.Number) || IsThing(At(k + 1))) continue;
            var words = Enumerable.Range(name, named.End - name).Select(At).ToList();
            Put(k + 1, k + 1, ["of", "the", .. words]);
            Drop(i, named.End + 1);
            return;
        }
    }

    // "Take three out of the four bolts".
    private void OutOf(int i)
    {
        if (Number(At(i)) is null || At(i + 1) != "out" || At(i + 2) != "of" || At(i + 3) != "the") return;
        var name = Number(At(i + 4)) is not null ? i + 5 : i + 4;
        if (Named(name) is not { } named) return;
        Put(named.End, "out");
        Drop(i + 1, i + 2);
    }

    // "Bolts 1 to 3": three of the bolts.
    private void Numbered(int i)
    {
        if (Named(i) is not { } named || Number(At(named.End)) is not { } first || At(named.End + 1) is not ("to" or "through")
            || Number(At(named.End + 2)) is not { } last
            || last <= first || last > named.Joint.Count || Tokens[named.End].Kind != TokenKind.Number) return;
        Drop(named.End, named.End + 3);
        if (last - first + 1 == named.Joint.Count) return;
        if (Trade.Determiners.Contains(At(i - 1))) Tokens.RemoveAt(--i);
        Put(i, i, Said(last - first + 1), "of", "the");
    }

    // "All the bolts bar one", "all bolts, but leave one in", "the bolts, leaving one in place": all but one of them.
    private void ButOne(int i)
    {
        if (Named(i) is not { } named) return;
        var (start, end) = (i, named.End);
        while (At(start - 1) is "all" or "the" or "of") start--;
        while (At(end) is "out" or "off") end++;
        var at = end;
        if (IsMark(at, ",")) at++;
        if (At(at) is "but" or "and") at++;
        int tail;
        if (At(at) == "bar") tail = at + 1;
        else if (At(at) is "leave" or "leaving" or "keep" or "keeping") tail = at + 1;
        else return;
        if (Number(At(tail)) is not { } left || left >= named.Joint.Count) return;
        var done = tail + 1;
        while (At(done) is "of" or "them" or "in" or "place" or "where" or "it" or "is") done++;
        if (!IsEnd(Tokens, done)) return;
        var many = At(tail);
        Drop(end, done);
        Put(start, i, "all", "but", many, "of", "the");
    }

    // "Three of the bolts …, then the fourth": the last one.
    private void Ordinal(int i)
    {
        if (At(i) != "the" || Array.IndexOf(Ordinals, At(i + 1)) is not (> 0 and var before) || IsThing(At(i + 2)) || At(i + 2) is "one" or "pass" or "gear"
            || Trade.NounOf([Stem.Of(At(i + 2))]) is not null) return;
        for (var k = i - 1; k >= 0; k--)
        {
            if (Number(At(k)) != before) continue;
            var name = At(k + 1) == "of" ? k + 2 : k + 1;
            if (Trade.Determiners.Contains(At(name))) name++;
            if (Number(At(name)) is not null) name++;
            if (Named(name) is not { } named) continue;
            if (named.Joint.Count != before + 1) return;
            var slack = At(i + 2) is "slack" or "slackened" or "loosened" or "loose";
            Put(i + 1, i + 2, slack ? ["last", .. Enumerable.Range(name, named.End - name).Select(At)] : ["last", "one"]);
            if (At(i + 3) == "as" && At(i + 4) == "well") Drop(i + 3, i + 5);
            Same(i);
            if (At(i - 1) != "and" || !(IsEnd(Tokens, i + 3) || At(i + 3) is "too" or "last")) return;
            Say(i - 1, "then");
            Put(i - 1, ",");
            return;
        }
    }

    // "Do the same with the last": do the last one.
    private void Same(int i)
    {
        if (At(i) == "the" && At(i + 1) == "last" && At(i - 4) == "do" && At(i - 3) == "the" && At(i - 2) == "same" && At(i - 1) is "with" or "for" or "to"
            && (At(i + 2) == "one" || IsEnd(Tokens, i + 2)))
        {
            if (At(i + 2) != "one") Put(i + 1, i + 2, "last", "one");
            Drop(i - 3, i);
        }
    }

    // Which follows how many.
    private static readonly string[] Ordinals = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth"];

    // "Front pair out, rear pair slackened": the bolts the sheet calls front and rear.
    private void Pair(int i)
    {
        if (!Trade.Distinct.Contains(At(i)) || At(i + 1) is not ("pair" or "two" or "ones") || At(i + 2) is "before" or "after" or "then" or "of"
            || IsThing(At(i + 2))
            // "All but the top two".
            || (At(i - 1) == "the" ? At(i - 2) : At(i - 1)) is "but" or "except" or "from") return;
        var fitting = Names.WithWord(Stem.Of(At(i))).Where(t => t is Joint { Count: > 1 }).ToList();
        if (fitting.Count > 1 || fitting is [Joint { Count: not 2 }] && At(i + 1) is not "ones") return;
        // Not on the sheet, and of none that is: what was named before it in the text.
        if (fitting.Count == 0 && Enumerable.Range(0, i).Any(k => Named(k) is not null)) return;
        var head = fitting is [Joint joint] ? joint.Name.Split(' ')[^1].ToLowerInvariant()
            : Tokens.FindLastIndex(Math.Max(0, i - 1), t => t.Kind == TokenKind.Word && t.Text.EndsWith('s')
                && Trade.NounOf([Stem.Of(t.Text)]) is { Kinds: [ThingKind.Joint, ..] }) is >= 0 and var former ? Tokens[former].Text : null;
        if (head is not null) Put(i + 1, i + 2, head);
    }
}
