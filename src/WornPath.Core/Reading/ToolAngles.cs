using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>"With a crow-foot at 90° to the wrench": how the tool stands, and no angle to turn through, is taken out before clauses are found.</summary>
internal sealed class ToolAngles(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        if (At(i) != "at" || i == 0 || i + 1 >= Tokens.Count || Tokens[i + 1].Kind != TokenKind.Angle
            || Trade.NounOf([Stem.Of(At(i - 1))]) is not { Kinds: [ThingKind.Tool, ..] }) return;
        var end = i + 2;
        if (At(end) == "to" || At(end) == "from")
        {
            end++;
            if (Trade.Determiners.Contains(At(end))) end++;
            if (Trade.NounOf([Stem.Of(At(end))]) is { Kinds: [ThingKind.Tool, ..] }) end++;
        }

        Drop(i, end);
    }
}
