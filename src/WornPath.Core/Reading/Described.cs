using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>
/// A comma between two words that tell how one thing is parts nothing: "on firm, level ground", "a clean, lint-free cloth". It is left out
/// before clauses are found; so is how far each of some screws is turned, where what they hold comes off behind it. "Lift" alone behind fasteners, in a
/// note about what they hold, is lift it off.
/// </summary>
internal sealed class Described(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        TurnedEach(i);
        LiftedOff(i);
        if (!Tells(At(i)) || !IsMark(i + 1, ",") || !Tells(At(i + 2))) return;
        // Behind them stands what they tell of, and before them what leads it in: "clean, dry and fit it" are things to do.
        var end = i + 3;
        while (Tells(At(end)) || IsMark(end, ",") && Tells(At(end + 1))) end++;
        if (IsNoun(At(end)) && Leads(i)) Drop(i + 1, i + 2);
    }

    // "Four screws, a quarter turn each, and it comes off": how they are undone.
    private void TurnedEach(int i)
    {
        if (At(i) is "each" or "apiece" && i > 2 && Tokens[i - 1].Kind == TokenKind.Angle && IsMark(i - 2, ",") && IsMark(i + 1, ",") && At(i + 2) == "and"
            && Trade.NounOf([Stem.Of(At(i - 3))]) is { Kinds: [ThingKind.Joint, ..] }) Drop(i - 2, i + 1);
    }

    // "Housing next: two bolts, lift, and pick the seal out": what the note is about.
    private void LiftedOff(int i)
    {
        if (!Trade.LiftsOff.Contains(At(i)) || !IsMark(i - 1, ",") || !IsMark(i + 1, ",") && At(i + 1) is not "and"
            || Trade.NounOf([Stem.Of(At(i - 2))]) is not { Kinds: [ThingKind.Joint, ..] }) return;
        for (var k = i - 2; k >= 0 && Tokens[k].Kind != TokenKind.Stop; k--)
            if (IsMark(k, ":"))
            {
                Put(i + 1, "it", "off");
                return;
            }
    }

    private static bool Tells(string word) => Trade.Describing.Contains(word) || Trade.Neutral.Contains(word) || Trade.Colours.Contains(word)
        || Trade.Qualities.Contains(word) || Trade.New.Contains(word) || Trade.Old.Contains(word);

    private bool IsNoun(string word) => IsThing(word) || Trade.NounOf([Stem.Of(word)]) is not null;

    // "On firm", "a clean", "with the old, worn"; what comes before may itself be told of by another.
    private bool Leads(int i)
    {
        var before = i - 1;
        while (Tells(At(before)) || IsMark(before, ",") && Tells(At(before - 1))) before--;
        return Trade.Determiners.Contains(At(before)) || Trade.Prepositions.Contains(At(before))
            || IsStart(before + 1) && Trade.VerbsOf(At(before + 1)).Length == 0;
    }
}
