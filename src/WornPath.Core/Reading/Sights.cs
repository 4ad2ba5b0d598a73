using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What comes to sight or stands next is put as being there, before clauses are found: "this gives access to the seal", "next you come to the seal", "behind
/// it sits the seal" are here is the seal; "only then is the cover fitted" is the cover is fitted.
/// </summary>
internal sealed class Sights(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        Lives(i);
        if (!Begins(Tokens, i)) return;
        Access(i);
        ComeTo(i);
        Underneath(i);
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
        else if (At(i) == "turn" && At(i + 1) == "to" && Trade.Determiners.Contains(At(i + 2)) && Names.IsHead(Stem.Of(At(i + 3)))
            && At(i + 4) is "and" or "")
        {
            Say(i, "find");
            Drop(i + 1, i + 2);
        }
        else if (At(i) is "start" or "begin" or "commence" && At(i + 1) == "with" && Trade.Determiners.Contains(At(i + 2))
            && Names.IsHead(Stem.Of(At(i + 3))) && (IsMark(i + 4, ":") || IsMark(i + 4, ",")))
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
        var told = Tokens[be];
        Tokens.Insert(verb, told with { At = new Span(Tokens[verb - 1].At.End, 0) });
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
        if (i == 0 || !Names.IsHead(Stem.Of(At(i - 1)))) return;
        if (At(i) is "lives" or "hides" or "lurks") Say(i, "is");
        else if (At(i) is "appears" or "shows" && IsEnd(Tokens, i + 1))
        {
            Say(i, "visible");
            Put(i, "is");
        }
    }

    private static bool IsThere(string word) => word is "sits" or "sit" or "lies" or "lie" or "lives" or "live" or "hides" or "hide" or "hangs" or "rests"
        or "appears";
}
