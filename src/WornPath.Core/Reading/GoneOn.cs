using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What goes on without its verb gets the verb of what stands before, before clauses are found: "the spacer goes on first, then the seal" is then the
/// seal goes on; "remove the cover. Likewise the guard" is remove the guard; "fit in this order: the spacer, the seal" is fit the spacer, the seal.
/// </summary>
internal sealed class GoneOn
{
    // Nobody tells so much without a verb.
    private const int Longest = 24;

    private readonly List<Token> _tokens;
    private readonly NameIndex _names;

    // How what stands before is told, in words before and behind what it is done to: "take … off", "… is taken off", "… goes on", "… off".
    private List<string> _before = [], _behind = [];
    private bool _isOrder;

    // It was told on a condition: whether that holds for what follows, nobody knows.
    private bool _isConditional;

    private GoneOn(List<Token> tokens, NameIndex names) => (_tokens, _names) = (tokens, names);

    /// <summary>Puts the verbs that are left out among the tokens, where the words are that they belong to.</summary>
    public static void Straighten(List<Token> tokens, NameIndex names) => new GoneOn(tokens, names).Run();

    private void Run()
    {
        for (var i = 0; i < _tokens.Count; i++)
        {
            if (Floating(i))
            {
                i--;
                continue;
            }

            ColonWay(i);
            Ordinal(i);
            BesideIt(i);
            if (!IsStart(i)) continue;
            AfterThat(i);
            Listed(i);
            Goes(i);
        }

        for (var start = 0; start < _tokens.Count;)
        {
            var end = Boundary(start);
            if (end > start)
            {
                var grown = Segment(start, end);
                end += grown;
            }

            start = end + 1;
        }
    }

    private bool IsStart(int i) => i == 0 || _tokens[i - 1].Kind is TokenKind.Stop or TokenKind.Mark || Word(_tokens, i - 1) is "and" or "then";

    private int Boundary(int from)
    {
        while (from < _tokens.Count && _tokens[from].Kind is not (TokenKind.Stop or TokenKind.Mark)) from++;
        return from;
    }

    // "The covers are both removed", "covers off, both".
    private bool Floating(int i)
    {
        if (Word(_tokens, i) is not ("both" or "all" or "each")) return false;
        var told = Word(_tokens, i - 1) is "are" or "be" && Trade.VerbsOf(Word(_tokens, i + 1)).Any(f => f.Form == Form.Ed);
        var noted = i > 1 && _tokens[i - 1].Kind == TokenKind.Mark && IsEnd(_tokens, i + 1) && (Trade.Comes.Contains(Word(_tokens, i - 2))
            || Trade.VerbsOf(Word(_tokens, i - 2)).Any(f => f.Form == Form.Ed));
        if (told) _tokens.RemoveAt(i);
        else if (noted) _tokens.RemoveRange(i - 1, 2);
        return told || noted;
    }

    // "…, after that the seal", "… and behind it the seal": then.
    private void AfterThat(int i)
    {
        if (Word(_tokens, i) is not ("after" or "behind") || Word(_tokens, i + 1) is not ("that" or "it" or "them")) return;
        var what = i + 2 < _tokens.Count && _tokens[i + 2] is { Kind: TokenKind.Mark, Text: "," } ? i + 3 : i + 2;
        if (!Trade.Determiners.Contains(Word(_tokens, what)) || !IsVerbless(what, Boundary(what), out _)) return;
        _tokens[i] = _tokens[i] with { Text = "then" };
        _tokens.RemoveRange(i + 1, what - i - 1);
    }

    // "Fit in this order: …", "fit the following parts: …", "reassemble: …", "onto the shaft: …", "reassembly order: …".
    private void Listed(int i)
    {
        if (Word(_tokens, i) is "now" or "next") i++;
        var colon = i;
        while (colon < _tokens.Count && colon < i + 9 && !(_tokens[colon] is { Kind: TokenKind.Mark, Text: ":" })
            && _tokens[colon] is { Kind: TokenKind.Word } or { Kind: TokenKind.Mark, Text: "," }) colon++;
        if (colon >= _tokens.Count || _tokens[colon] is not { Kind: TokenKind.Mark, Text: ":" } || colon == i
            || !IsVerbless(colon + 1, Boundary(colon + 1), out _)) return;
        var first = Word(_tokens, i);
        if (IsTold(first) && !Trade.IsThing(first))
        {
            var keep = Trade.Paths.Contains(Word(_tokens, i + 1)) && !Word(_tokens, i + 1).StartsWith("in", StringComparison.Ordinal) ? i + 2 : i + 1;
            var at = keep < colon && _tokens[keep].Kind == TokenKind.Mark ? keep + 1 : keep;
            var tells = at == colon || Word(_tokens, at) is "everything" or "all" && at + 1 < colon
                || Word(_tokens, at) is "in" && Words(at, colon).Exists(Trade.Manners.Contains)
                || Words(at, colon) is var all && all.Exists(w => w is "these" or "them" or "both") && all.TrueForAll(IsOfAll)
                || Word(_tokens, at) is "the" or "these" && Words(at, colon).TrueForAll(w => w is "the" or "these" or "following"
                    || IsWordForParts(w)) && colon - at > 1;
            if (tells) _tokens.RemoveRange(keep, colon + 1 - keep);
        }
        else if (ThingsTo(i, colon) is { } lemma)
        {
            _tokens[colon] = new Token(TokenKind.Word, lemma, _tokens[colon].At);
            _tokens.RemoveRange(i, colon - i);
        }
        else if (NamedWork.VerbOf(first) is { } work && Word(_tokens, i + 1) is "order" or "sequence" && i + 2 == colon)
        {
            _tokens[i] = _tokens[i] with { Text = work };
            _tokens.RemoveRange(i + 1, 2);
        }
        else if (first is "onto" or "on" or "over" or "into")
        {
            // "Onto the shaft: spacer, seal": fit spacer, seal onto the shaft.
            var where = _tokens.GetRange(i, colon - i);
            var end = colon + 1;
            while (end < _tokens.Count && _tokens[end].Kind != TokenKind.Stop) end++;
            _tokens.InsertRange(end, where.Select(t => t with { At = _tokens[end - 1].At with { Start = _tokens[end - 1].At.End, Length = 0 } }));
            _tokens[colon] = new Token(TokenKind.Word, "fit", _tokens[colon].At);
            _tokens.RemoveRange(i, colon - i);
        }
    }

    // "There are two things to fit: …", "two things are fitted now: …": what is done to what is named behind.
    private string? ThingsTo(int i, int colon)
    {
        var number = Word(_tokens, i) == "there" && Word(_tokens, i + 1) is "are" or "is" ? i + 2 : i;
        if (NumberWords.Parse(Word(_tokens, number)) is null || !IsWordForParts(Word(_tokens, number + 1))) return null;
        var verb = number + 3;
        if (Word(_tokens, number + 2) == "to" && IsTold(Word(_tokens, verb))) return verb + 1 == colon ? Word(_tokens, verb) : null;
        if (Word(_tokens, number + 2) is not ("are" or "get")
            || verb + 1 != colon && !(verb + 2 == colon && Word(_tokens, verb + 1) is "now" or "next")) return null;
        return Trade.VerbsOf(Word(_tokens, verb)).Where(f => f.Form == Form.Ed && Trade.MayChange(f.Verb)).Select(f => f.Verb.Lemma).FirstOrDefault();
    }

    private static bool IsOfAll(string word) => word is "these" or "them" or "both" or "in-turn" or "one-after-the-other" or "one-by-one" or "the" or "now"
        or "two" or "three";

    // "Spacer, seal, bearing: on in this order".
    private void ColonWay(int i)
    {
        if (i < 2 || _tokens[i] is not { Kind: TokenKind.Mark, Text: ":" } || !(Trade.Comes.Contains(Word(_tokens, i + 1))
            || Word(_tokens, i + 1) is "on")
            || Word(_tokens, i + 2) is not "in" || !Words(i + 3, Math.Min(_tokens.Count, i + 5)).Exists(Trade.Manners.Contains)) return;
        _tokens.RemoveAt(i);
    }

    // "The spacer first, the seal second and the bearing last": then the seal and then the bearing.
    private void Ordinal(int i)
    {
        if (Word(_tokens, i) is not ("second" or "third" or "next" or "last") || i < 2 || !_names.IsHead(Stem.Of(Word(_tokens, i - 1)))
            || !(IsEnd(_tokens, i + 1) || Trade.Conjunctions.Contains(Word(_tokens, i + 1)))) return;
        var from = i - 1;
        while (from > 0 && Word(_tokens, from - 1) is { Length: > 0 } word && (_names.Says(Stem.Of(word)) || Trade.Determiners.Contains(word)
            || Trade.Distinct.Contains(word))) from--;
        if (from == 0 || _tokens[from - 1].Kind == TokenKind.Stop || !(_tokens[from - 1].Kind == TokenKind.Mark
            || Trade.Conjunctions.Contains(Word(_tokens, from - 1)))) return;
        var then = new Token(TokenKind.Word, "then", _tokens[from].At with { Length = 0 });
        _tokens.RemoveAt(i);
        if (Word(_tokens, from - 1) != "then") _tokens.Insert(from, then);
    }

    // "The seal behind it": where, and no more.
    private void BesideIt(int i)
    {
        if (Word(_tokens, i) is not ("behind" or "under" or "below" or "beneath" or "above") || Word(_tokens, i + 1) is not ("it" or "them") || i < 2
            || !_names.IsHead(Stem.Of(Word(_tokens, i - 1))) || !(IsEnd(_tokens, i + 2) || Word(_tokens, i + 2) == "and")) return;
        var from = i - 1;
        while (from > 0 && Word(_tokens, from - 1) is { Length: > 0 } word && !Trade.Determiners.Contains(word)) from--;
        if (from > 1 && (_tokens[from - 2].Kind == TokenKind.Mark || Word(_tokens, from - 2) is "and" or "with")) _tokens.RemoveRange(i, 2);
    }

    private static bool IsTold(string word) => Trade.VerbsOf(word).Any(f => f.Form == Form.Base && Trade.MayChange(f.Verb));

    private static bool IsWordForParts(string word) => Stem.Of(word) is "part" or "thing" or "component" or "piece" or "item";

    // "First goes the spacer", "onto the shaft go the spacer and the seal": it goes on.
    private void Goes(int i)
    {
        var goes = i;
        if (Word(_tokens, i) is "onto" or "on" or "over" or "into")
            while (goes < _tokens.Count && goes < i + 6 && Word(_tokens, goes) is { Length: > 0 } word && word is not ("go" or "goes")) goes++;
        else if (Word(_tokens, i) is "first" or "next" or "now" or "then" or "last") goes++;
        if (goes == i || Word(_tokens, goes) is not ("go" or "goes") || !Trade.Determiners.Contains(Word(_tokens, goes + 1))) return;
        _tokens[goes] = _tokens[goes] with { Text = "fit" };
    }

    // "The same goes for the guard", "same with the guard", "the guard is next": where the guard is named, and where that ends.
    private (int From, int To)? Same(int start, int end)
    {
        var the = Word(_tokens, start) == "the" ? start + 1 : start;
        var of = Word(_tokens, the) != "same" ? -1 : Word(_tokens, the + 1) is "with" or "for" ? the + 2
            : Word(_tokens, the + 1) == "goes" && Word(_tokens, the + 2) == "for" ? the + 3 : -1;
        if (of > 0) return IsVerbless(of, end, out _) ? (of, end) : null;
        // "The guard is next. Remove it": told behind.
        return end + 1 >= _tokens.Count && Word(_tokens, end - 1) == "next" && Word(_tokens, end - 2) is "is" or "are"
            && IsVerbless(start, end - 2, out _)
            ? (start, end - 2) : null;
    }

    // One stretch between marks: it tells how, or it goes on with what was told. How many tokens came in.
    private int Segment(int start, int end)
    {
        var first = start;
        while (first < end && Word(_tokens, first) is "and" or "then" or "now" or "next" or "also" or "finally"
            or "lastly" or "likewise" or "ditto" or "but") first++;
        var opens = start == 0 || _tokens[start - 1].Kind == TokenKind.Stop;
        if (first == end) return 0;
        var goesOn = _before.Count + _behind.Count > 0 && !(opens && _isConditional);
        if (opens && goesOn && Same(start, end) is { } same)
        {
            _tokens.RemoveRange(same.To, end - same.To);
            _tokens.RemoveRange(start, same.From - start);
            return Put(start, start + same.To - same.From) - (end - same.To) - (same.From - start);
        }

        if (goesOn && Word(_tokens, first) == "so" && Word(_tokens, first + 1) is "is" or "are" && IsVerbless(first + 2, end, out _))
        {
            _tokens.RemoveRange(first, 2);
            return Put(first, end - 2) - 2;
        }

        if (Word(_tokens, first) == "followed" && Word(_tokens, first + 1) == "by" && !_isOrder && _behind.Count > 0
            && IsVerbless(first + 2, end, out _))
        {
            _tokens[first] = _tokens[first] with { Text = "then" };
            _tokens.RemoveAt(first + 1);
            return Put(first + 1, end - 1) - 1;
        }

        if (IsVerbless(first, end, out var trailing))
        {
            var semicolon = opens && start > 0 && _tokens[start - 1].Text.Contains(';') && Trade.Determiners.Contains(Word(_tokens, start));
            // What an order lists goes on by itself; a new sentence has to say that it does.
            if (goesOn && (first > start || trailing > 0 || opens && semicolon) && (opens || !_isOrder))
            {
                var likewise = Word(_tokens, start) is "likewise" or "ditto" ? 1 : 0;
                _tokens.RemoveRange(start, likewise);
                return Put(first - likewise, end - trailing - likewise) - likewise;
            }

            return 0;
        }

        return Then(first, end) is { } then ? then : Learn(first, end);
    }

    // "The spacer goes on first and then the seal": what follows "then" within a stretch.
    private int? Then(int first, int end)
    {
        var then = _tokens.FindIndex(first + 1, end - first - 1, t => t is { Kind: TokenKind.Word, Text: "then" or "and" });
        if (then < 0 || then + 1 >= end) return null;
        var what = then;
        while (what < end && Word(_tokens, what) is "and" or "then" or "next" or "last") what++;
        if (!IsVerbless(what, end, out var trailing)) return null;
        Learn(first, then);
        if (_isOrder || _behind.Count == 0 || Word(_tokens, then - 1) is not { Length: > 0 } told
            || !(Trade.Comes.Contains(told) || Trade.Paths.Contains(told) || told is "first" || _behind.Contains(told))) return 0;
        return Put(what, end - trailing);
    }

    // Gives what stands there the verb of what was told before.
    private int Put(int from, int to)
    {
        if (_before.Count + _behind.Count == 0) return 0;
        var here = _tokens[from].At with { Length = 0 };
        var there = new Span(_tokens[to - 1].At.End, 0);
        _tokens.InsertRange(to, _behind.Select(w => new Token(TokenKind.Word, w, there)));
        _tokens.InsertRange(from, _before.Select(w => new Token(TokenKind.Word, w, here)));
        return _before.Count + _behind.Count;
    }

    // How a stretch tells what is done; what tells nothing of it leaves what was told before, within its sentence.
    private int Learn(int from, int to)
    {
        if (from == 0 || _tokens[from - 1].Kind == TokenKind.Stop) (_before, _behind, _isOrder, _isConditional) = ([], [], false, false);
        var word = Word(_tokens, from);
        // "… to 40 N·m. Same for the lower one": with its value, which is repeated as a whole.
        if (_tokens.FindIndex(from, to - from, t => t.Kind is TokenKind.Torque or TokenKind.Angle) >= 0)
        {
            (_before, _behind, _isOrder) = ([], [], false);
            return 0;
        }

        _isConditional |= Trade.Conditionals.Contains(word);
        if (Trade.Negations.Contains(word) || Trade.Conditionals.Contains(word) || Trade.Temporals.Contains(word)) return 0;
        if (Trade.IsBase(word) && !(Trade.IsThing(word) && Trade.Paths.Contains(Word(_tokens, from + 1))) && (!Trade.IsAlsoNoun(word)
            || Word(_tokens, from + 1) is { } next && (Trade.Determiners.Contains(next) || Trade.Paths.Contains(next))
            || from + 1 < to && _names.IsHead(Stem.Of(Word(_tokens, to - 1)))))
        {
            if (!IsTold(word)) return 0;
            var way = Word(_tokens, from + 1) is { } near && Trade.Paths.Contains(near) ? near
                : Word(_tokens, to - 1) is { } far && Trade.Paths.Contains(far) ? far : null;
            (_before, _behind, _isOrder) = ([word], way is null ? [] : [way], true);
            return 0;
        }

        for (var i = from + 1; i < to; i++)
        {
            var at = Word(_tokens, i);
            if (Trade.ItMoves.Contains(at) && Trade.Paths.Contains(Word(_tokens, i + 1))
                && i + 1 < to) { Told([at, Word(_tokens, i + 1)]); return 0; }
            if (at is "is" or "are" || at == "be")
            {
                var done = i + 1;
                while (done < to && (Trade.Adverbs.Contains(Word(_tokens, done)) || Word(_tokens, done) is "be" or "then" or "now"
                    || Word(_tokens, done).EndsWith("ly", StringComparison.Ordinal))) done++;
                if (done >= to || !Trade.VerbsOf(Word(_tokens, done)).Any(f => f.Form == Form.Ed && Trade.MayChange(f.Verb))) return 0;
                Told(["is", Word(_tokens, done), .. Trade.Paths.Contains(Word(_tokens, done + 1))
                    && done + 1 < to ? [Word(_tokens, done + 1)] : Array.Empty<string>()]);
                return 0;
            }
        }

        for (var i = to - 1; i > from; i--)
        {
            if (Word(_tokens, i) is "first" or "next") continue;
            if (Trade.Comes.Contains(Word(_tokens, i)) || Word(_tokens, i) is "on" or "in" or "back") Told([Word(_tokens, i)]);
            break;
        }

        return 0;
    }

    private void Told(List<string> behind) => (_before, _behind, _isOrder) = ([], behind, false);

    // Nothing but names, and what tells their order at the end: how many words of that.
    private bool IsVerbless(int from, int to, out int trailing)
    {
        trailing = 0;
        if (to <= from || to - from > Longest) return false;
        var last = to;
        while (last > from && (Word(_tokens, last - 1) is "next" or "first" or "second" or "third" or "last" or "too" or "also" or "afterwards"
            || Word(_tokens, last - 1) == "well" && Word(_tokens, last - 2) == "as")) last -= Word(_tokens, last - 1) == "well" ? 2 : 1;
        trailing = to - last;
        var (named, fresh) = (false, true);
        for (var i = from; i < last; i++)
        {
            if (_tokens[i].Kind is not (TokenKind.Word or TokenKind.Number)) return false;
            var word = _tokens[i].Text;
            if (_tokens[i].Kind == TokenKind.Number || Trade.Determiners.Contains(word) || Trade.Conjunctions.Contains(word)
                || Trade.New.Contains(word) || Trade.Old.Contains(word)
                || Quantities.NumberWords.Parse(word) is not null)
            {
                fresh = true;
                continue;
            }

            var stem = Stem.Of(word);
            var isNoun = _names.Says(stem) || Trade.IsThing(word) || Trade.Distinct.Contains(word);
            if (!isNoun || Trade.Pronouns.Contains(word)) return false;
            // "Seal the joint", "cover the cup": told to, where an article follows.
            if (fresh && i == from && Trade.IsBase(word) && (Trade.Determiners.Contains(Word(_tokens, i + 1)) || !_names.IsHead(stem))) return false;
            named |= _names.IsHead(stem) || Trade.IsThing(word);
            fresh = false;
        }

        return named;
    }

    private List<string> Words(int from, int to) => [.. _tokens.Skip(from).Take(to - from).Select(t => t.Text)];
}
