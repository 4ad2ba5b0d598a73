using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Washers, spacers, shims: what sits under or on a fastener comes off and goes on with it, though the words only name it beside.
public sealed partial class SentenceReader
{
    private static bool IsCompanion(NounPhrase noun) => noun is { IsPronoun: false } && Trade.Companions.Contains(noun.Head);

    // "Remove the pivot bolt with its spacer".
    private void WithCompanions(Clause clause, List<Thing> targets)
    {
        if (!targets.OfType<Joint>().Any()) return;
        foreach (var along in clause.Pieces.Where(p => p.Noun is { After: "with" } n && IsCompanion(n)).Select(p => p.Noun!).ToList())
            if (!ReadPieceOfStack(clause, along, goesOn: false)) targets.AddRange(DoTo(clause, Sense.Off, along with { After = null }));
    }

    // "Undo the bolt and keep the washer", "undo the bolts, retaining the washers for refitting": they came off with them.
    private bool KeepsCompanion(Clause clause)
    {
        if (clause.Negated || clause.IsProviso || clause.Verb is not { } verb || !Trade.Saves.Contains(verb.Lemma)
            || !DoneLately.Any(a => a.Verb is Verb.TakeOut or Verb.Remove && a.Branch == _branch)
            || clause.Nouns.FirstOrDefault() is not { After: null } kept || !IsCompanion(kept)
            // "Keep the washer in place", "keep the shims in order".
            || clause.Pieces.Exists(p => p.Way is not (null or "behind" or "under")
            || p.Noun is { After: not (null or "for" or "behind" or "under") })
            || ReadPieceOfStack(clause, kept, goesOn: false)
            || _refer.Known(kept) is { } known && (known is not Part || Spoken.IsOff(known) is true)) return false;
        if (_refer.Known(kept) is null && _refer.Doubtful.Count > 0) return false;
        // "Catch the washers and throw them away".
        Spoken.Hand(DoTo(clause, Sense.Off, kept));
        return true;
    }
}
