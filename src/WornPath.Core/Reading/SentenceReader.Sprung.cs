using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// An idler or a tensioner is swung aside and let back like a lever, and stays fastened; unbolted it is a part.
public sealed partial class SentenceReader
{
    // "Swing the idler away, slip the belt off and let the idler back": set, and neither off nor on.
    private bool SwingsAside(Clause clause, List<NounPhrase> objects)
    {
        if (clause is not { Mood: Mood.Imperative, Verb: { } verb } || !Trade.Swings.Contains(verb.Lemma) || objects is not [{ IsPronoun: false, IsNew: false, IsIts: false } one] || !IsSprung(one)
            || Values(clause).Any(v => v.Kind == TokenKind.Torque)) return false;
        // "Pull the idler off its shaft", "push the idler onto its stud": a part of the job; "ease it onto the belt" is not.
        if (clause.Pieces.Exists(p => p.Way == "off" || p.Noun is { After: "on" or "onto" or "into" or "over" or "from" } n && n.Head is not ("belt" or "chain"))) return false;
        return _refer.Known(one) is not { } known || known is Control || known is Part && Spoken.IsOff(known) is not true;
    }

    private static bool IsSprung(NounPhrase phrase) => phrase.Stems.Count > 0 && Trade.Sprung.Contains(phrase.Stems[^1] is "return" or "spring" && phrase.Stems.Count > 1
        ? phrase.Stems[^2] : phrase.Stems[^1]);

    // "Let the tensioner return": no return of anything.
    private static NounPhrase WithoutReturn(NounPhrase phrase) => Trade.Sprung.Contains(phrase.Head) || phrase.Name.LastIndexOf(' ') is not (> 0 and var space) ? phrase
        : phrase with { Stems = [.. phrase.Stems.SkipLast(1)], Name = phrase.Name[..space], Text = phrase.Name[..space].ToLowerInvariant() };

    // Unbolted, taken off, fitted: the part, where the sheet has only what was swung aside.
    private Part? AsPart(NounPhrase phrase, Sense sense)
    {
        if (sense is not (Sense.Off or Sense.On or Sense.Secure or Sense.Replace or Sense.Unbolt or Sense.Discard) || !IsSprung(phrase) || _refer.Known(phrase) is not Control control) return null;
        var stems = NameIndex.NamesOf(control)[0];
        return _refer.Things.OfType<Part>().FirstOrDefault(p => NameIndex.NamesOf(p)[0].SequenceEqual(stems))
            ?? _refer.Assume(phrase with { Name = control.Name, Text = control.Name.ToLowerInvariant(), Stems = stems }, ThingKind.Part, false, null, null) as Part;
    }
}
