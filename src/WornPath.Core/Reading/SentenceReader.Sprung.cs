using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// An idler or a tensioner is swung aside and let back like a lever, and stays fastened; unbolted it is a part.
public sealed partial class SentenceReader
{
    // "Swing the idler away, slip the belt off and let the idler back": set, and neither off nor on.
    private bool SwingsAside(Clause clause, List<NounPhrase> objects)
    {
        // "Let the idler come back slowly" is told of what moves by itself.
        var returns = clause is { Mood: Mood.Declarative, Verb.Lemma: "go" or "come" or "return" or "spring" or "move" } && Has(clause, "back");
        if (clause.Verb is not { } verb || !returns && !(clause.Mood == Mood.Imperative && Trade.Swings.Contains(verb.Lemma))
            || objects is not [{ IsPronoun: false, IsNew: false, IsIts: false } one] || !IsSprung(one)
            || Values(clause).Any(v => v.Kind == TokenKind.Torque)) return false;
        // "Pull the idler off its shaft", "push the idler onto its stud": a part of the job; "ease it onto the belt" is not.
        if (clause.Pieces.Exists(p => p.Way == "off" && verb.Lemma is not ("back" or "ease" or "let")
            || p.Noun is { After: "on" or "onto" or "into" or "over" or "from" } n && n.Head is not ("belt" or "chain"))) return false;
        // "Let the tensioner spring take up the slack": what it does.
        if (verb.Lemma == "let" && !Has(clause, "back", "go", "return", "come")) return false;
        // "Run the tensioner out till the belt is tight".
        if (verb.Lemma is "run" or "wind" or "screw" && !Has(clause, "until", "till", "in", "out")) return false;
        return _refer.Known(one) is not { } known || known is Control || known is Part && Spoken.IsOff(known) is not true;
    }

    // "The idler", "the idler arm", "the tensioner pulley", and no bolt of it.
    private static bool IsSprung(NounPhrase phrase) => phrase.Stems.Count > 0 && (Trade.Sprung.Contains(phrase.Head)
        || phrase.Stems.Count > 1 && Trade.Sprung.Contains(phrase.Stems[^2])
        && phrase.Head is "arm" or "pulley" or "roller" or "lever" or "wheel" or "return" or "spring");

    // "Let the tensioner return": no return of anything.
    private static NounPhrase WithoutReturn(NounPhrase phrase) => phrase.Head is not ("return" or "spring")
        || phrase.Name.LastIndexOf(' ') is not (> 0 and var space) ? phrase
        : phrase with { Stems = [.. phrase.Stems.SkipLast(1)], Name = phrase.Name[..space], Text = phrase.Name[..space].ToLowerInvariant() };

    private (Sense Sense, List<NounPhrase> Objects) Swung(NounPhrase told)
    {
        var idler = WithoutReturn(told);
        if ((_refer.Known(idler) ?? _refer.Assume(idler, ThingKind.Control, false, null, null)) is Part) return (Sense.Say, [idler]);
        return (Sense.Set, [idler]);
    }

    // Unbolted, taken off, fitted: the part, where the sheet has only what was swung aside.
    private Part? AsPart(NounPhrase phrase, Sense sense)
    {
        if (sense is not (Sense.Off or Sense.On or Sense.Secure or Sense.Replace or Sense.Unbolt or Sense.Discard) || !IsSprung(phrase)
            || _refer.Known(phrase) is not Control control) return null;
        var stems = NameIndex.NamesOf(control)[0];
        return _refer.All<Part>().FirstOrDefault(p => NameIndex.NamesOf(p)[0].SequenceEqual(stems))
            ?? _refer.Assume(phrase with { Name = control.Name, Text = control.Name.ToLowerInvariant(), Stems = stems },
                ThingKind.Part, false, null, null) as Part;
    }
}
