using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What is told of a thing that goes by itself is put as what is done, before clauses are found: "the cover may go" and "the cover is ready to come off"
/// are the cover comes off, "next to go on is the cover" is on with the cover, "let the cover come off" is the cover comes off, and what takes its
/// place goes back.
/// </summary>
internal sealed class Going
{
    // Nobody names a thing in more words between "let" and what it does.
    private const int Longest = 5;

    private readonly List<Token> _tokens;
    private readonly NameIndex _names;

    private Going(List<Token> tokens, NameIndex names) => (_tokens, _names) = (tokens, names);

    /// <summary>Straightens what goes among the tokens. What is put in stands where the words are that it stands for.</summary>
    public static void Straighten(List<Token> tokens, NameIndex names) => new Going(tokens, names).Run();

    private void Run()
    {
        for (var i = 0; i < _tokens.Count; i++)
        {
            if (_tokens[i].Kind != TokenKind.Word) continue;
            Enough(i);
            Ready(i);
            HasTo(i);
            May(i);
            TakesPlace(i);
            Belongs(i);
            Lives(i);
            if (!Begins(_tokens, i)) continue;
            Control(i);
            Fronted(i);
            Access(i);
            ComeTo(i);
            Underneath(i);
            Drained(i);
            Let(i);
            NextOff(i);
            OnWith(i);
            OffItComes(i);
        }
    }

    private string At(int i) => Word(_tokens, i);

    private void Say(int i, string word) => _tokens[i] = _tokens[i] with { Text = word };

    private void Drop(int from, int to) => _tokens.RemoveRange(from, to - from);

    private void Put(int i, params IEnumerable<string> words)
    {
        var at = new Span(i > 0 ? _tokens[i - 1].At.End : _tokens[i].At.Start, 0);
        _tokens.InsertRange(i, words.Select(w => new Token(TokenKind.Word, w, at)));
    }

    private bool IsThing(string word) => word.Length > 0 && (_names.IsHead(Stem.Of(word)) || Trade.IsThing(word));

    // "It is enough to loosen the bolts", "what remains is to lift it off": loosen them.
    private void Enough(int i)
    {
        var leads = At(i) == "it" && At(i + 1) == "is" && At(i + 2) is "enough" or "sufficient"
            || At(i) == "what" && At(i + 1) is "remains" or "follows" && At(i + 2) == "is";
        if (leads && At(i + 3) == "to" && Trade.IsBase(At(i + 4)) && Begins(_tokens, i)) Drop(i, i + 4);
    }

    // "The cover is ready to come off", "… is free to be taken off": comes off, is taken off.
    private void Ready(int i)
    {
        if (At(i) is not ("is" or "are") || At(i + 1) is not ("ready" or "free" or "next" or "first" or "last" or "due") || At(i + 2) != "to") return;
        if (At(i + 3) == "be") Drop(i + 1, i + 4);
        else if (At(i + 3) is "go" or "come")
        {
            Say(i + 3, At(i) == "is" ? Third(At(i + 3)) : At(i + 3));
            Drop(i, i + 3);
        }
    }

    // "The cover has to go", "… wants to go back on": goes.
    private void HasTo(int i)
    {
        if (At(i) is not ("has" or "have" or "needs" or "need" or "wants" or "want") || At(i + 1) != "to" || At(i + 2) is not ("go" or "come")) return;
        Say(i + 2, At(i) is "has" or "needs" or "wants" ? Third(At(i + 2)) : At(i + 2));
        Drop(i, i + 2);
        Bare(i);
    }

    // "The last two ties may go", "now the cover can go": off.
    private void May(int i)
    {
        if (At(i) is "may" or "can" or "must" or "should" && At(i + 1) == "go" && IsThing(At(i - 1))) Bare(i + 1);
    }

    // Gone, and nothing says where: off.
    private void Bare(int go)
    {
        if (At(go) is not ("go" or "goes") || !(IsEnd(_tokens, go + 1) || At(go + 1) is "now" or "next" or "first" or "too" or "and" or "as")
            || !IsThing(At(go - 1)) && At(go - 1) is not ("may" or "can" or "must" or "should")) return;
        if (go + 1 < _tokens.Count) Put(go + 1, "off");
        else _tokens.Add(new Token(TokenKind.Word, "off", new Span(_tokens[go].At.End, 0)));
    }

    private static string Third(string verb) => verb is "go" ? "goes" : verb + "s";

    // "The bolts take their place", "put the cover where it belongs", "return the cover to its place": back.
    private void TakesPlace(int i)
    {
        if (At(i) is "take" or "takes" or "resume" or "resumes" && At(i + 1) is "its" or "their" && At(i + 2) is "place" or "places" && i > 0
            && !Begins(_tokens, i))
        {
            Say(i, At(i).EndsWith('s') ? "goes" : "go");
            Say(i + 1, "back");
            Drop(i + 2, At(i + 3) is "again" ? i + 4 : i + 3);
        }
        else if (At(i) is "return" or "returns" or "restore")
        {
            var to = i + 1;
            while (to < i + Longest + 2 && At(to).Length > 0 && At(to) != "to") to++;
            if (At(to) != "to" || At(to + 1) is not ("its" or "their") || At(to + 2) is not ("place" or "places" or "position" or "positions")) return;
            Say(i, to == i + 1 ? "goes" : "put");
            Say(to, "back");
            Drop(to + 1, to + 3);
        }
    }

    private void Belongs(int i)
    {
        if (At(i) != "where" || At(i + 1) is not ("it" or "they") || At(i - 1) is not "back" && !IsThing(At(i - 1))) return;
        var end = At(i + 2) is "belongs" or "belong" or "was" or "were" or "sat" or "goes" or "go" ? i + 3
            : At(i + 2) is "came" && At(i + 3) == "from" ? i + 4 : -1;
        if (end < 0 || !IsEnd(_tokens, end)) return;
        if (At(i - 1) == "back") Drop(i, end);
        else
        {
            Say(i, "back");
            Drop(i + 1, end);
        }
    }

    // "Lever to float", where a control is called so: set it; "the parking brake must be on": set it on.
    private void Control(int i)
    {
        var first = At(i) == "return" ? i + 1 : i;
        var name = Trade.Determiners.Contains(At(first)) ? first + 1 : first;
        var end = name;
        for (var length = Longest; length > 0 && end == name; length--)
            if (Enumerable.Range(name, length).All(k => At(k).Length > 0)
                && _names.Spelled([.. Enumerable.Range(name, length).Select(k => Stem.Of(At(k)))]) is Control) end = name + length;
        if (end == name) return;
        if (first > i)
        {
            Say(i, "set");
            return;
        }

        if (At(end) is "goes" or "go" && At(end + 1) is "to" or "into" or "in")
        {
            Drop(end, end + 1);
            Put(i, "set");
            return;
        }

        var be = At(end) is "must" or "should" && At(end + 1) == "be" ? end + 2 : At(end) is "has" or "needs" or "have" or "is" && At(end + 1) == "to"
            && At(end + 2) == "be" ? end + 3 : -1;
        if (be > 0 && (Trade.Paths.Contains(At(be)) || At(be) is "on" or "in" or "at" or "shut" or "open" or "closed" or "neutral"))
        {
            Drop(end, be);
            Put(i, "set");
        }
        else if (name == i && Trade.IsBase(At(i)) && end == i + 1 && At(end) is "to" or "in" or "at" or "forward" or "back" or "fully" or "up" or "down")
            Put(i, "set", "the");
    }

    // "Into the frame press the gasket": press it into the frame.
    private void Fronted(int i)
    {
        if (At(i) is not ("onto" or "into" or "over" or "through") || !Trade.Determiners.Contains(At(i + 1))) return;
        var verb = i + 2;
        while (verb < i + Longest && At(verb).Length > 0 && !(Trade.IsBase(At(verb)) && Trade.Determiners.Contains(At(verb + 1)))) verb++;
        if (!Trade.IsBase(At(verb)) || !Trade.Determiners.Contains(At(verb + 1)) || !IsThing(At(verb - 1))) return;
        var end = verb + 2;
        while (!IsEnd(_tokens, end) && !IsThing(At(end))) end++;
        if (IsEnd(_tokens, end)) return;
        var where = _tokens.GetRange(i, verb - i);
        _tokens.InsertRange(end + 1, where.Select(t => t with { At = new Span(_tokens[end].At.End, 0) }));
        Drop(i, verb);
    }

    // "This gives access to the gasket": here it is.
    private void Access(int i)
    {
        if (At(i) is not ("this" or "that" or "which") || At(i + 1) is not ("gives" or "allows" or "offers" or "provides")) return;
        var access = At(i + 2) == "you" ? i + 3 : i + 2;
        if (At(access) != "access" || At(access + 1) != "to") return;
        Say(i, "here");
        Say(i + 1, "is");
        Drop(i + 2, access + 2);
    }

    // "Next you come to the gasket", "now turn to the gasket and …", "next up is the gasket": here it is, find it.
    private void ComeTo(int i)
    {
        var you = At(i) is "next" or "now" or "then" && At(i + 1) == "you" ? i + 1 : i;
        if (At(you) == "you" && At(you + 1) is "come" or "get" && At(you + 2) == "to")
        {
            Say(you + 1, "here");
            Say(you + 2, "is");
            Drop(i, you + 1);
        }
        else if (At(i) == "turn" && At(i + 1) == "to" && Trade.Determiners.Contains(At(i + 2)) && _names.IsHead(Stem.Of(At(i + 3)))
            && At(i + 4) is "and" or "")
        {
            Say(i, "find");
            Drop(i + 1, i + 2);
        }
        else if (At(i) is "start" or "begin" or "commence" && At(i + 1) == "with" && Trade.Determiners.Contains(At(i + 2)) && _names.IsHead(Stem.Of(At(i + 3)))
            && i + 4 < _tokens.Count && _tokens[i + 4] is { Kind: TokenKind.Mark, Text: ":" or "," })
        {
            Say(i, "here");
            Say(i + 1, "is");
        }
        else if (At(i) is "only" && At(i + 1) == "then" || At(i) == "not" && At(i + 1) == "until" && At(i + 2) == "then") OnlyThen(i);
        else if (At(i) == "carry" && At(i + 1) == "on" && At(i + 2) is "by" or "with")
        {
            Say(i, "continue");
            Drop(i + 1, i + 2);
        }
        else if (At(i) == "next" && At(i + 1) == "up" && At(i + 2) is "is" or "are") Drop(i + 1, i + 2);
    }

    // "Only then is the cover fitted": the cover is fitted.
    private void OnlyThen(int i)
    {
        var be = At(i) == "only" ? i + 2 : i + 3;
        if (At(be) is not ("is" or "are") || !Trade.Determiners.Contains(At(be + 1))) return;
        var verb = be + 2;
        while (verb < be + Longest && At(verb).Length > 0 && !Trade.VerbsOf(At(verb)).Any(f => f.Form == Form.Ed)) verb++;
        if (!Trade.VerbsOf(At(verb)).Any(f => f.Form == Form.Ed)) return;
        var told = _tokens[be];
        _tokens.Insert(verb, told with { At = new Span(_tokens[verb - 1].At.End, 0) });
        Drop(i, be + 1);
    }

    // "Behind it sits the gasket": it is there; "underneath is the gasket": here it is.
    private void Underneath(int i)
    {
        if (At(i) is not ("behind" or "under" or "underneath" or "beneath" or "below" or "above" or "inside" or "beside" or "between")) return;
        var verb = i + 1;
        while (verb < i + Longest && At(verb).Length > 0 && !IsThere(At(verb)) && At(verb) is not ("is" or "are")) verb++;
        if (!Trade.Determiners.Contains(At(verb + 1))) return;
        if (verb == i + 1 && At(verb) is "is" or "are") Say(i, "here");
        else if (IsThere(At(verb))) Say(verb, At(verb).EndsWith('s') ? "is" : "are");
    }

    // "The gasket lives behind it", "the gasket appears": is there.
    private void Lives(int i)
    {
        // "The lead stays plugged in": it stays.
        if (At(i) is "stays" or "stay" or "remains" or "remain" && Trade.VerbsOf(At(i + 1)).Any(f => f.Form == Form.Ed) && Trade.Paths.Contains(At(i + 2)))
            Drop(i + 1, i + 2);
        if (i == 0 || !_names.IsHead(Stem.Of(At(i - 1)))) return;
        if (At(i) is "lives" or "hides" or "lurks") Say(i, "is");
        else if (At(i) is "appears" or "shows" && IsEnd(_tokens, i + 1))
        {
            Say(i, "visible");
            Put(i, "is");
        }
    }

    private static bool IsThere(string word) => word is "sits" or "sit" or "lies" or "lie" or "lives" or "live" or "hides" or "hide" or "hangs" or "rests"
        or "appears";

    // "Let the oil flow out", "leave the oil to drain": drain it, where nothing says how long.
    private void Drained(int i)
    {
        if (At(i) is not ("let" or "leave" or "allow") || Moving(i, out var noun) is not { } verb
            || Trade.NounOf([Stem.Of(At(noun))]) is not { Kinds: [ThingKind.Fluid, ..] }
            || At(verb) is not ("run" or "drain" or "draining" or "drip" or "flow" or "trickle" or "escape")) return;
        for (var k = verb; k < _tokens.Count && _tokens[k].Kind != TokenKind.Stop; k++)
            if (_tokens[k].Kind == TokenKind.Time) return;
        var end = At(verb + 1) is "off" or "out" or "away" or "down" ? verb + 2 : verb + 1;
        if (At(end) is "through" or "back" or "in" or "into" && At(verb + 1) is not ("off" or "out")) return;
        Say(i, "drain");
        Drop(noun + 1, end);
    }

    // "Let the cover come off": it comes off.
    private void Let(int i)
    {
        if (At(i) is not ("let" or "have") || Moving(i, out var noun) is not { } verb || !IsThing(At(noun))
            || Trade.NounOf([Stem.Of(At(noun))]) is { Kinds: [not (ThingKind.Part or ThingKind.Joint or ThingKind.Connection), ..] } || At(noun + 1) == "to"
            || At(verb) is not ("come" or "drop" or "fall" or "slide" or "slip" or "go" or "swing" or "pop")
            || !(At(verb + 1) is "off" or "out" or "away" or "clear" || At(verb + 1) is "into" or "onto" or "back" && At(verb) is not "swing")) return;
        Say(verb, At(noun).EndsWith('s') ? At(verb) is "drop" or "fall" or "pop" ? "come" : At(verb)
            : At(verb) is "drop" or "fall" or "pop" ? "comes" : Third(At(verb)));
        if (At(verb + 1) is "into" or "onto" or "back") Say(verb, At(noun).EndsWith('s') ? "go" : "goes");
        Drop(i, i + 1);
    }

    // Where what is let begins to move, and the noun before it.
    private int? Moving(int let, out int noun)
    {
        noun = let;
        for (var k = let + 1; k <= let + Longest && At(k).Length > 0; k++)
        {
            if (At(k) is "run" or "drain" or "draining" or "drip" or "flow" or "trickle" or "escape" or "come" or "drop" or "fall" or "slide" or "slip" or "go"
                or "swing" or "pop") return noun > let ? k : null;
            if (At(k) == "to") continue;
            noun = k;
        }

        return null;
    }

    // "Next to come off is the cover", "next on is the cover", "the last thing to go is the cover": off, on with it.
    private void NextOff(int i)
    {
        var at = At(i) == "the" ? i + 1 : i;
        if (At(at) is not ("next" or "last" or "first" or "second")) return;
        var named = At(at + 1) is "thing" or "part" or "one" or "up";
        var to = named ? at + 2 : at + 1;
        var goes = At(to) == "to" && At(to + 1) is "go" or "come" or "be";
        var way = goes ? to + 2 : to;
        if (goes && At(to + 1) == "be" && At(way) is "removed" or "fitted")
        {
            Say(way, At(way) == "removed" ? "off" : "on");
        }

        var told = At(way) is "off" or "out" or "on" or "in" or "back";
        var verb = told ? way + 1 : way;
        if (!told && !(goes && At(to + 1) == "go") || At(verb) is not ("is" or "are") || !Trade.Determiners.Contains(At(verb + 1))) return;
        Say(verb, "with");
        var word = told && At(way) is "on" or "in" or "back" ? "on" : "off";
        if (told) Say(way, word);
        else Put(verb, word);
        Drop(i, way);
    }

    // "In with the cover", "back on with the cover": on with it.
    private void OnWith(int i)
    {
        var last = At(i) is "back" or "up" && At(i + 1) is "on" or "in" ? i + 1 : i;
        if (At(last + 1) != "with" || !(last > i || At(i) is "in" or "back") || !Trade.Determiners.Contains(At(last + 2))) return;
        Say(last, "on");
        Drop(i, last);
    }

    // "Off it comes, the cover".
    private void OffItComes(int i)
    {
        if (At(i) is not ("off" or "out" or "on" or "in") || At(i + 1) is not ("it" or "they") || At(i + 2) is not ("comes" or "come" or "goes" or "go")
            || i + 3 >= _tokens.Count || _tokens[i + 3] is not { Kind: TokenKind.Mark, Text: "," } || !Trade.Determiners.Contains(At(i + 4))) return;
        if (At(i) == "in") Say(i, "on");
        Say(i + 1, "with");
        Drop(i + 2, i + 4);
    }
}
