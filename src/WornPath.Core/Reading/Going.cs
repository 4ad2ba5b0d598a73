using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What is told of a thing that goes by itself is put as what is done, before clauses are found: "the cover may go" and "the cover is ready to come off"
/// are the cover comes off, "next to go on is the cover" is on with the cover, "let the cover come off" is the cover comes off.
/// </summary>
internal sealed class Going(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        // "Remove nothing but the cover".
        if (At(i) == "nothing" && At(i + 1) is "but" or "except" && Trade.IsBase(At(i - 1))) Drop(i, i + 2);
        Enough(i);
        FallsOut(i);
        Ready(i);
        HasTo(i);
        May(i);
        if (!Begins(Tokens, i)) return;
        // "Together with a helper lower the pump".
        if (At(i) == "together" && At(i + 1) == "with") Drop(i, i + 1);
        Drained(i);
        Let(i);
        NextOff(i);
        OnWith(i);
        OffItComes(i);
    }

    // "It is enough to loosen the bolts", "what remains is to lift it off": loosen them.
    private void Enough(int i)
    {
        var leads = At(i) == "it" && At(i + 1) == "is" && At(i + 2) is "enough" or "sufficient"
            || At(i) == "what" && At(i + 1) is "remains" or "follows" && At(i + 2) == "is";
        if (leads && At(i + 3) == "to" && Trade.IsBase(At(i + 4)) && Begins(Tokens, i)) Drop(i, i + 4);
    }

    // "Mind the bearing, which will fall out", "watch the shims: they drop out": caught.
    private void FallsOut(int i)
    {
        if (At(i) is not ("mind" or "watch") || !Trade.Determiners.Contains(At(i + 1))) return;
        var end = i + 2;
        while (end <= i + Longest && At(end).Length > 0 && At(end) is not ("which" or "that" or "as")) end++;
        if (!IsThing(At(end - 1))) return;
        var verb = end;
        while (IsMark(verb, ",") || IsMark(verb, ":")
            || At(verb) is "which" or "that" or "as" or "it" or "they" or "will" or "may" or "might" or "can" or "then") verb++;
        if (verb == end || At(verb) is not ("fall" or "falls" or "drop" or "drops" or "come" or "comes" or "slide" or "slides" or "roll" or "rolls")
            || At(verb + 1) is not ("out" or "off" or "away")) return;
        Say(i, "catch");
        Put(end, verb + 2, "as", "it", "comes");
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
        if (At(go) is not ("go" or "goes") || !(IsEnd(Tokens, go + 1) || At(go + 1) is "now" or "next" or "first" or "too" or "and" or "as")
            || !IsThing(At(go - 1)) && At(go - 1) is not ("may" or "can" or "must" or "should")) return;
        Put(go + 1, "off");
    }

    private static string Third(string verb) => verb is "go" ? "goes" : verb + "s";

    // "Let the oil flow out", "leave the oil to drain": drain it, where nothing says how long.
    private void Drained(int i)
    {
        if (At(i) is not ("let" or "leave" or "allow") || Moving(i, out var noun) is not { } verb
            || Trade.NounOf([Stem.Of(At(noun))]) is not { Kinds: [ThingKind.Fluid, ..] }
            || At(verb) is not ("run" or "drain" or "draining" or "drip" or "flow" or "trickle" or "escape")) return;
        for (var k = verb; k < Tokens.Count && Tokens[k].Kind != TokenKind.Stop; k++)
            if (Tokens[k].Kind == TokenKind.Time) return;
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
        if (goes && At(to + 1) == "be" && At(way) is "removed" or "fitted") Say(way, At(way) == "removed" ? "off" : "on");
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
            || !IsMark(i + 3, ",") || !Trade.Determiners.Contains(At(i + 4))) return;
        if (At(i) == "in") Say(i, "on");
        Say(i + 1, "with");
        Drop(i + 2, i + 4);
    }
}
