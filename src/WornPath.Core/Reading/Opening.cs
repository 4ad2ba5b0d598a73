using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// However something is opened or shut, it is opened or shut, before clauses are found: "swing the cover open" is open the cover, "drop the lid shut" is
/// shut it, "cover open" is open it. It stays where it is.
/// </summary>
internal sealed class Opening(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        // "Hinge the cover up".
        if (At(i) == "hinge" && Begins(Tokens, i) && Trade.Determiners.Contains(At(i + 1))) Say(i, "swing");
        if (At(i) is not ("open" or "shut" or "closed")) return;
        var verb = At(i) == "closed" ? "close" : At(i);
        if (Told(i) is { } told)
        {
            Say(told, verb);
            Drop(i, i + 1);
        }
        else if (IsEnd(Tokens, i + 1) && StartOfName(i) is { } name && IsStart(name)
            && NamedAt(Tokens, Names, Trade.Determiners.Contains(At(name)) ? name + 1 : name) is { Thing: Part })
        {
            Drop(i, i + 1);
            Put(name, verb);
        }
    }

    // The verb of moving before the thing that is opened.
    private int? Told(int i)
    {
        var name = At(i - 1) is "it" or "them" ? i - 1 : StartOfName(i);
        return name is > 0 and var thing
            && At(thing - 1) is "swing" or "slide" or "pull" or "push" or "drop" or "fold" or "flip" or "press" or "hinge" or "lift"
            or "lever" or "ease" or "throw" or "draw" or "tilt" or "tip" or "slam" or "lower" or "turn" or "move" && Begins(Tokens, thing - 1)
                ? thing - 1 : null;
    }
}
