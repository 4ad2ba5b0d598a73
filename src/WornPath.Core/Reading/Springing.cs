using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// What springs, hooks and snaps of itself, and what is done until it comes off, is put as what is done, before clauses are found: "let the circlip snap
/// into its groove" is fit it into its groove, "turn the cap until it comes off" is turn it off, "the spring can fly off" tells how it is.
/// </summary>
internal sealed class Springing(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        Flies(i);
        MayFly(i);
        LetGo(i);
        UntilOff(i);
        Itself(i);
        if (!Begins(Tokens, i)) return;
        YouGetItOff(i);
        ThereAre(i);
    }

    // "The circlip springs out: …" warns, "the spring hooks onto its pin" goes on.
    private void Flies(int i)
    {
        if (StartOfName(i) is not { } name || !Begins(Tokens, name)) return;
        if (At(i) is "springs" or "jumps" or "flies" or "shoots") IsSo(i);
        else if (At(i) is "hooks" or "snaps" or "clips" or "clicks" && At(i + 1) is "in" or "into" or "on" or "onto" or "over" or "under") Say(i, "goes");
    }

    // "It can fly off", "the spring may jump out".
    private void MayFly(int i)
    {
        if (At(i) is "can" or "may" or "might" or "could" or "will" or "tends" or "tend"
            && At(At(i + 1) == "to" ? i + 2 : i + 1) is "fly" or "jump" or "spring" or "shoot") IsSo(i);
    }

    // How it is, up to the end of what is said.
    private void IsSo(int i)
    {
        var end = i + 1;
        while (!IsEnd(Tokens, end) && At(end) is not ("when" or "if" or "and" or "once" or "as")) end++;
        Put(i, end, "is", "visible");
    }

    // "Let the spring relax" finds it; "let the circlip snap into its groove", "let it spring home" fits it.
    private void LetGo(int i)
    {
        if (At(i) is not ("let" or "allow")) return;
        var verb = At(i + 1) is "it" or "them" ? i + 2 : Trade.Determiners.Contains(At(i + 1)) && NamedAt(Tokens, Names, i + 2) is { } named ? named.End : -1;
        if (At(verb) == "to") verb++;
        if (verb < 0) return;
        var way = verb + 1;
        if (At(verb) is "snap" or "spring" or "click" or "jump" && At(way) is "in" or "into" or "on" or "onto" or "home" or "over")
        {
            Drop(verb, way);
            if (At(verb - 1) == "to") Drop(verb - 1, verb);
            Say(i, "fit");
        }
        else if (At(verb) is "relax" or "expand" or "unwind" or "uncoil" or "extend" or "decompress" || At(verb) == "go" && At(way) is "slack" or "limp")
        {
            Drop(At(verb - 1) == "to" ? verb - 1 : verb, At(verb) == "go" ? way + 1 : way);
            Say(i, "find");
        }
    }

    // "Turn it until it comes off", "till it lets go": turn it off. "Pry at the notches until the cover comes free": and take the cover off.
    private void UntilOff(int i)
    {
        if (At(i) is not ("until" or "till") || i == 0 || At(i - 1) is "to") return;
        var isIt = At(i + 1) is "it" or "they";
        var verb = isIt ? i + 2 : Trade.Determiners.Contains(At(i + 1)) && NamedAt(Tokens, Names, i + 2) is { } named ? named.End : -1;
        if (verb < 0) return;
        var way = At(verb) is "let" or "lets" ? At(verb + 1) is "go" : (Trade.ItMoves.Contains(At(verb)) || isIt && At(verb) is "is" or "are")
            && (At(verb + 1) is "off" or "out" or "away" || At(verb + 1) is "free" && At(verb) is not ("is" or "are"));
        // "Until the wheel comes off the ground".
        if (!way || verb + 2 < Tokens.Count && Tokens[verb + 2].Kind == TokenKind.Word
            && At(verb + 2) is not ("and" or "then" or "with" or "by")) return;
        var from = i;
        while (from > 0 && !Begins(Tokens, from)) from--;
        if (!Trade.VerbsOf(At(from)).Any(f => f.Form == Form.Base && (Trade.MayChange(f.Verb) || !isIt))) return;
        var comesOff = At(verb + 1) is "out" or "away" ? At(verb + 1) : "off";
        if (isIt) Put(i, verb + 2, comesOff);
        else
        {
            Drop(verb, verb + 2);
            Put(i, i + 1, ",", "remove");
            // "Pry at the notches": nothing of its own comes off by it.
            if (Trade.Prepositions.Contains(At(from + 1))) Say(from, "find");
        }
    }

    // "The bolts and then the cover itself".
    private void Itself(int i)
    {
        if (At(i) is "itself" or "themselves" && At(i - 1) != "by" && StartOfName(i) is not null) Drop(i, i + 1);
    }

    // "You get the cover off by …": take it off.
    private void YouGetItOff(int i)
    {
        if (At(i) != "you" || At(i + 1) != "get" || !Trade.Determiners.Contains(At(i + 2)) || NamedAt(Tokens, Names, i + 3) is not { } named
            || At(named.End) is not ("off" or "out" or "on" or "in" or "back")) return;
        Say(i, At(named.End) is "off" or "out" ? "take" : "put");
        Drop(i + 1, i + 2);
    }

    // "There are four bolts to take out".
    private void ThereAre(int i)
    {
        if (At(i) != "there" || At(i + 1) is not ("is" or "are")) return;
        var to = i + 2;
        while (to < i + 2 + Longest && At(to).Length > 0 && At(to) != "to") to++;
        if (At(to) != "to" || !Trade.IsBase(At(to + 1)) || At(i + 2) == "no"
            || Trade.NounOf([Stem.Of(At(to - 1))]) is not { Kinds: [ThingKind.Joint, ..] }) return;
        var verb = At(to + 1);
        Drop(to, to + 2);
        Put(i, i + 2, verb);
    }
}
