using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What is named together is named in full, before clauses are found, wherever the sheet knows the names: "the upper and lower covers" are the upper
/// cover and the lower cover, "the upper cover, then the lower one" ends with the lower cover, "the other" of two is the one that was not named,
/// and "both bolts" are the long bolt and the short bolt.
/// </summary>
internal sealed class Gathered
{
    // Nobody tells more of them apart in one breath, and no name has more words.
    private const int Most = 6, Longest = 4;

    private readonly string _text;
    private readonly List<Token> _tokens;
    private readonly NameIndex _names;

    // The words of what was named last, and the thing; null for a plural that names several: "the covers".
    private List<string> _last = [];
    private Thing? _thing;

    // What was named before it.
    private Thing? _former;

    private Gathered(string text, List<Token> tokens, NameIndex names) => (_text, _tokens, _names) = (text, tokens, names);

    /// <summary>Puts the names among the tokens in full. What is put in stands where the words are that it stands for.</summary>
    public static void Straighten(string text, List<Token> tokens, NameIndex names) => new Gathered(text, tokens, names).Run();

    private void Run()
    {
        for (var i = 0; i < _tokens.Count; i++)
        {
            if (_tokens[i].Kind != TokenKind.Word) continue;
            if (NamedAt(i) is { } named)
            {
                i += Before(i, named.Length);
                Took(named.Thing, i, named.Length);
                i += named.Length - 1;
            }
            else if (FormerOrLatter(i) is { } told) i = told;
            else if (Other(i) is { } other) i = other;
            else if (Elided(i) is { } elided) i = elided;
            else if (Singles(i) is { } singles) i = singles;
            else if (_names.Spelled([Stem.Of(_tokens[i].Text)]) is { } single) Took(single, i, 1);
            else if (Trade.NounOf([Stem.Of(_tokens[i].Text)]) is not null && _names.IsHead(Stem.Of(_tokens[i].Text)))
                (_last, _thing) = ([Stem.Of(_tokens[i].Text)], null);
        }
    }

    private void Took(Thing thing, int at, int length)
    {
        if (_thing != thing) _former = _thing;
        (_last, _thing) = ([.. Enumerable.Range(at, length).Select(k => Stem.Of(_tokens[k].Text))], thing);
    }

    // "Remove the gasket and the bearing; discard the former".
    private int? FormerOrLatter(int at)
    {
        if (Word(_tokens, at) is not ("former" or "latter") || Word(_tokens, at - 1) != "the" || !Closes(at + 1, true)
            || (_tokens[at].Text == "former" ? _former : _former is null ? null : _thing) is not { } meant) return null;
        var name = NameIndex.NamesOf(meant)[0];
        var here = _tokens[at].At;
        _tokens.RemoveAt(at);
        _tokens.InsertRange(at, name.Select(t => new Token(TokenKind.Word, t, here)));
        return at + name.Length - 1;
    }

    // The thing of the sheet whose name begins here, with the number of its words: two at least.
    private (Thing Thing, int Length)? NamedAt(int at)
    {
        for (var length = Longest; length > 1; length--)
            if (Name(at, length) is { } thing) return (thing, length);
        return null;
    }

    private Thing? Name(int at, int length, IReadOnlyList<string>? tail = null)
    {
        var stems = new List<string>();
        for (var k = at; k < at + length; k++)
        {
            if (Word(_tokens, k).Length == 0) return null;
            stems.Add(Stem.Of(_tokens[k].Text));
        }

        return _names.Spelled([.. stems, .. tail ?? []]);
    }

    // "The upper and lower covers": what stands before the name gets its head, too. How many tokens came in before it.
    private int Before(int at, int length)
    {
        var (came, head) = (0, at);
        for (var round = 0; round < Most; round++)
        {
            var sep = head;
            while (Word(_tokens, sep - 1) is "the" or "then" or "first" or "a") sep--;
            var slash = sep == head && sep > 1 && Word(_tokens, sep - 1).Length > 0 && Between(sep - 1, sep) == "/";
            if (!slash)
            {
                var from = sep;
                if (Word(_tokens, sep - 1) is "and" or "or" or "then" or "&" or "plus") sep--;
                if (sep > 0 && _tokens[sep - 1] is { Kind: TokenKind.Mark, Text: "," or "/" or "+" }) sep--;
                if (from == sep && Word(_tokens, sep) is not "then") return came;
            }

            if (Shared(sep, at + came, length) is not { } shared) return came;
            var here = _tokens[sep - 1].At;
            var put = shared.Tail.Select(t => new Token(TokenKind.Word, t, new Span(here.End, 0))).ToList();
            if (slash) put.Add(new Token(TokenKind.Word, "and", new Span(here.End, 0)));
            _tokens.InsertRange(sep, put);
            came += put.Count;
            head = sep - shared.Length;
        }

        return came;
    }

    // The words that end before a place and are a name with the tail of the one that follows; null where none are.
    private (int Length, List<string> Tail)? Shared(int end, int at, int length)
    {
        for (var mods = 1; mods < length; mods++)
        {
            var tail = Enumerable.Range(at + mods, length - mods).Select(k => _tokens[k].Text).ToList();
            var stems = tail.ConvertAll(Stem.Of);
            for (var own = 2; own > 0; own--)
                if (end - own >= 0 && Name(end - own, own, stems) is not null && Name(end - own, own) is null) return (own, tail);
        }

        return null;
    }

    // "… then the lower", "the lower one, too": with the head of what was named before. The place of its last word.
    private int? Elided(int at)
    {
        if (_last.Count == 0 || !IsLed(at)) return null;
        for (var own = 2; own > 0; own--)
        {
            var one = Word(_tokens, at + own) is "one" or "ones" ? 1 : 0;
            if (!Closes(at + own + one, one > 0) || Name(at, own) is not null || one == 0 && IsThing(at + own - 1)) continue;
            for (var from = _thing is null ? 0 : 1; from < _last.Count; from++)
            {
                if (Name(at, own, _last[from..]) is not { } thing || thing == _thing) continue;
                var here = one > 0 ? _tokens[at + own].At : new Span(_tokens[at + own - 1].At.End, 0);
                _tokens.RemoveRange(at + own, one);
                _tokens.InsertRange(at + own, _last[from..].Select(t => new Token(TokenKind.Word, t, here)));
                var length = own + _last.Count - from;
                Took(thing, at, length);
                return at + length - 1;
            }
        }

        return null;
    }

    // "Cover off: four bolts": bolts, whatever else is called after them.
    private bool IsThing(int at) => Word(_tokens, at) is { Length: > 0 } word && (_names.IsHead(Stem.Of(word))
        || Trade.IsThing(word));

    // "… and then the other": of two that are called alike.
    private int? Other(int at)
    {
        if (Word(_tokens, at) != "other" || Word(_tokens, at - 1) != "the" || _thing is null) return null;
        var one = Word(_tokens, at + 1) == "one" ? 1 : 0;
        if (!Closes(at + 1 + one, one > 0)) return null;
        for (var from = 1; from < _last.Count; from++)
        {
            var alike = _names.WithHead(_last[^1], true).Where(t => t != _thing && t.Kind == _thing.Kind
                && NameIndex.NamesOf(t)[0] is var name && name.Length > _last.Count - from
                    && name[^(_last.Count - from)..].SequenceEqual(_last[from..]))
                .Distinct().Take(2).ToList();
            if (alike is not [var other]) continue;
            var put = NameIndex.NamesOf(other)[0];
            var here = _tokens[at].At;
            _tokens.RemoveRange(at, 1 + one);
            _tokens.InsertRange(at, put.Select(t => new Token(TokenKind.Word, t, here)));
            Took(other, at, put.Length);
            return at + put.Length - 1;
        }

        return null;
    }

    // "Both bolts", of which the sheet has a long one and a short one, and no others.
    private int? Singles(int at)
    {
        var head = Stem.Of(_tokens[at].Text);
        if (head == _tokens[at].Text && Word(_tokens, at - 1) != "each" || !_names.IsHead(head) || _names.Spelled([head]) is not null
            || !Closes(at + 1, true)) return null;
        var from = at;
        int? count = null;
        while (Word(_tokens, from - 1) is { Length: > 0 } word && (word is "the" or "both" or "all" or "each" or "of"
            || Quantities.NumberWords.Parse(word) is not null))
        {
            if (Quantities.NumberWords.Parse(word) is { } said) count = (int)said;
            if (word == "both") count = 2;
            from--;
        }

        if (Word(_tokens, from - 1) is { Length: > 0 } mod && (Trade.Determiners.Contains(mod)
            || !Trade.IsSmall(mod) && !(Trade.IsBase(mod) && Begins(_tokens, from - 1)))) return null;
        // "Spin the nuts off three of the bolts": theirs, and none that is named by itself.
        var past = Trade.Paths.Contains(Word(_tokens, at + 1)) ? at + 2 : at + 1;
        if (!IsMany(from, at) && past < _tokens.Count && _tokens[past].Kind == TokenKind.Word && !Trade.IsPhrase(_tokens[past].Text)
            && !Trade.Auxiliaries.Contains(_tokens[past].Text) && Word(_tokens, past) is not ("one" or "slack" or "loose")
                && !Trade.VerbsOf(_tokens[past].Text).Any(f => f.Form == Form.Ed)) return null;
        var all = _names.WithHead(head, true).Distinct().Take(Most + 1).ToList();
        if (all.Count is < 2 or > Most || count is not null && count != all.Count
            || !all.TrueForAll(t => t is Joint { Count: 1 } && !t.IsMany && NameIndex.NamesOf(t)[0].Length > 1)) return null;
        var here = _tokens[at].At;
        _tokens.RemoveRange(from, at + 1 - from);
        var put = new List<Token>();
        foreach (var thing in all)
        {
            if (put.Count > 0) put.Add(new Token(TokenKind.Word, "and", here));
            put.Add(new Token(TokenKind.Word, "the", here));
            put.AddRange(NameIndex.NamesOf(thing)[0].Select(t => new Token(TokenKind.Word, t, here)));
        }

        _tokens.InsertRange(from, put);
        // "Undo the bolts: first the long one, …": the same once more, and no explanation.
        var behind = from + put.Count;
        if (behind < _tokens.Count && _tokens[behind] is { Kind: TokenKind.Mark, Text: ":" }) _tokens[behind] = _tokens[behind] with { Text = "," };
        (_last, _thing) = ([head], null);
        return from + put.Count - 1;
    }

    // "Both bolts", "each of the two".
    private bool IsMany(int from, int to)
    {
        for (var i = from; i < to; i++)
            if (Word(_tokens, i) is not ("the" or "of")) return true;
        return false;
    }

    // Behind an article, a mark, or what leads in: a name may begin here.
    private bool IsLed(int at) => Begins(_tokens, at) || Word(_tokens,
        at - 1) is "the" or "then" or "and" or "now" or "next" or "first" or "or" or "likewise"
        or "with" or "for" or "&" or "plus";

    // What stands here is none of a name: a mark, a way, what is told of it.
    private bool Closes(int at, bool isWhole)
    {
        if (at >= _tokens.Count || _tokens[at].Kind != TokenKind.Word) return true;
        var word = _tokens[at].Text;
        return Trade.Conjunctions.Contains(word) || Trade.Comes.Contains(word) || Trade.Paths.Contains(word) || Trade.Auxiliaries.Contains(word)
            || Trade.ItMoves.Contains(word) || word is "first" or "next" or "last" or "second"
                or "too" or "also" or "before" or "after" or "slack" or "loose" or "afterwards"
            || isWhole && (Trade.IsSmall(word) || Trade.IsPhrase(word) || Trade.VerbsOf(word).Any(f => f.Form == Form.Ed));
    }

    private string Between(int left, int right) => _text[_tokens[left].At.End..Math.Max(_tokens[left].At.End, _tokens[right].At.Start)].Trim();
}
