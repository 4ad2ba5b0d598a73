using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// Where something goes is put behind what goes there, before clauses are found: "into the frame press the seal" is press the seal into the frame; its place
/// and where it belongs are back; and a control that must stand somewhere is set so.
/// </summary>
internal sealed class Places(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        TakesPlace(i);
        Belongs(i);
        if (!Begins(Tokens, i)) return;
        SetSo(i);
        Fronted(i);
    }

    // "Into the frame press the gasket": press it into the frame.
    private void Fronted(int i)
    {
        if (At(i) is not ("onto" or "into" or "over" or "through") || !Trade.Determiners.Contains(At(i + 1))) return;
        var verb = i + 2;
        while (verb < i + Longest && At(verb).Length > 0 && !(Trade.IsBase(At(verb)) && Trade.Determiners.Contains(At(verb + 1)))) verb++;
        if (!Trade.IsBase(At(verb)) || !Trade.Determiners.Contains(At(verb + 1)) || !IsThing(At(verb - 1))) return;
        var end = verb + 2;
        while (!IsEnd(Tokens, end) && !IsThing(At(end))) end++;
        if (IsEnd(Tokens, end)) return;
        var where = Tokens.GetRange(i, verb - i);
        Tokens.InsertRange(end + 1, where.Select(t => t with { At = new Span(Tokens[end].At.End, 0) }));
        Drop(i, verb);
    }

    // "The bolts take their place", "put the cover where it belongs", "return the cover to its place": back.
    private void TakesPlace(int i)
    {
        if (At(i) is "take" or "takes" or "resume" or "resumes" && At(i + 1) is "its" or "their" && At(i + 2) is "place" or "places" && i > 0
            && !Begins(Tokens, i))
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
        if (end < 0 || !IsEnd(Tokens, end)) return;
        if (At(i - 1) == "back") Drop(i, end);
        else
        {
            Say(i, "back");
            Drop(i + 1, end);
        }
    }

    // "Lever to float", where a control is called so: set it; "the parking brake must be on": set it on.
    private void SetSo(int i)
    {
        var first = At(i) == "return" ? i + 1 : i;
        var name = Trade.Determiners.Contains(At(first)) ? first + 1 : first;
        if (NamedAt(Tokens, Names, name) is not { Thing: Control, End: var end }) return;
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
}
