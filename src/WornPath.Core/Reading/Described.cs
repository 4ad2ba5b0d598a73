namespace WornPath.Core.Reading;

/// <summary>
/// A comma between two words that tell how one thing is parts nothing: "on firm, level ground", "a clean, lint-free cloth". It is left out
/// before clauses are found.
/// </summary>
internal sealed class Described(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        if (!Tells(At(i)) || !IsMark(i + 1, ",") || !Tells(At(i + 2))) return;
        // Behind them stands what they tell of, and before them what leads it in: "clean, dry and fit it" are things to do.
        var end = i + 3;
        while (Tells(At(end)) || IsMark(end, ",") && Tells(At(end + 1))) end++;
        if (IsNoun(At(end)) && Leads(i)) Drop(i + 1, i + 2);
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
