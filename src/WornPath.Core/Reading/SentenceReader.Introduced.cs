using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Fasteners that are only told of, and the part they hold: "the idler is held by two bolts: take it off". They come out before it does.
public sealed partial class SentenceReader
{
    /// <summary>Fasteners told of, the part they are said to hold (null for whatever comes off next: "side panel: four screws"), and whether
    /// the step before told it.</summary>
    private sealed record Introduced(NounPhrase Bolts, NounPhrase? Whose, bool Before = false);

    private Introduced? _introduced;

    // "There are two bolts on the idler", "the idler hangs on two bolts", "two bolts hold the idler".
    private void Introduce(Clause clause)
    {
        // "You'll see one nut on it".
        var seen = clause is { Mood: Mood.Imperative, IsRemark: true, Verb.Lemma: "see" or "find" };
        if (clause.Negated || clause.IsProviso || !seen && clause.Mood is not (Mood.Declarative or Mood.Passive)
            || Values(clause).Any(v => v.Kind is TokenKind.Torque or TokenKind.Angle)
            || clause.Verb is { } verb && !Trade.Tells.Contains(verb.Lemma)) return;
        if (clause.Nouns.FirstOrDefault(n => !n.IsPronoun && n.Is(ThingKind.Joint)) is not { Sign.Length: 0 } bolts || !IsCounted(bolts)) return;
        var whose = bolts.Owner.Count > 0 ? OwnerIn(bolts)
            : clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: null or "of" or "on" or "through" or "in" or "to" or "at" }
            && IsFastened(n));
        if (whose is not null && _refer.Known(whose) is { } known && known is not Part) return;
        // "Behind it sits a bracket", of which bolts are told: of nothing that is named.
        if (whose is null && clause.Nouns.Any(n => n != bolts && n is not { IsPronoun: true, Text: "it" } && !Trade.IsNoObject(n))) return;
        _introduced = new Introduced(bolts with { After = null }, whose is null ? null : whose with { After = null });
        // "Pull the blower, it's only three screws": told behind, and out before.
        if (whose is null && _actions is [.., { Verb: Verb.Remove, Target: { } off }] && _finder.Tokens[clause.From].Text is "it" or "it's"
            && _refer.Find(off) is Part gone)
        {
            var from = _actions.Count;
            TakeIntroduced(gone, bolts.At);
            if (_actions.Count == from) return;
            _actions.Reverse(from - 1, 2);
            // It stands before what the clause's own actions are told by.
            _actions[from - 1] = _actions[from - 1] with { In = PlaceOf(clause), Branch = _branch, Only = _only };
        }
    }

    private static bool IsCounted(NounPhrase bolts) => bolts is { IsPronoun: false, Some: null, IsNew: false, IsRest: false }
        && (bolts.Count is not null || bolts.IsIndefinite) && Trade.Plain.Contains(bolts.Head);

    private static NounPhrase OwnerIn(NounPhrase bolts) => new(bolts.At, bolts.OwnerName.ToLowerInvariant(), bolts.Owner) { Name = bolts.OwnerName };

    private static bool IsFastened(NounPhrase noun) => !Trade.Unfastened.Contains(noun.Head)
        && Trade.NounOf(noun.Stems) is { Role: NounRole.Thing, Kinds: [ThingKind.Part, ..] } or null
        && (!noun.IsIndefinite || Trade.NounOf(noun.Stems) is not null);

    // "Take the idler off: two bolts": they come out for it.
    private void Introduce(Clause clause, List<NounPhrase> objects)
    {
        if (objects.TrueForAll(o => !o.Is(ThingKind.Joint)) && clause.Pieces.Find(p => p.Noun is { After: "beside" } n
            && n.Is(ThingKind.Joint) && (n.Count is not null && IsCounted(n) || n.IsIts && TakesToolBefore(clause, n)))?.Noun is { } told)
            _introduced = new Introduced(told with { After = null }, null);
    }

    // "17 mm spanner on its nut": that is undone.
    private static bool TakesToolBefore(Clause clause, NounPhrase fastener) => clause.Pieces.FindIndex(p => p.Noun == fastener) is >= 2 and var at
        && clause.Pieces[at - 1].Way == "on" && clause.Pieces[at - 2].Noun is { IsPronoun: false } tool && tool.Is(ThingKind.Tool);

    // "Idler: two bolts and it's off", "two bolts and the idler's off": off it is.
    private bool IsOffByThem(Clause clause)
    {
        if (_introduced is not { } told || clause is not
            {
                Mood: Mood.Declarative, Verb: null, Negated: false, Pieces: [..,
                {
                    Way: "off"
            or "out" or "away" or "down" or "free"
                }]
            }
            || clause.Nouns.Count() > 1 || _clauses.IndexOf(clause) is not (> 0 and var at) || EndsBetween(_clauses[at - 1], clause)) return false;
        var part = clause.Nouns.FirstOrDefault() is { IsPronoun: false } named ? named : told.Whose ?? _topic;
        if (part is null || Values(clause).Any()) return false;
        DoEach(clause, Sense.Off, [part with { At = PlaceOf(clause), After = null }]);
        return true;
    }

    // What was told of, where it is "it" or "them" now: the part, or the fasteners while they are in.
    private NounPhrase? ToldOf(Clause clause, Sense sense, NounPhrase phrase)
    {
        if (_introduced is not { Whose: { } whose, Bolts: var bolts } || phrase is { IsRest: true } or { Distinct.Count: > 0 } or { Some: not null }
            || sense is not (Sense.Off or Sense.MoveOff or Sense.Loosen or Sense.BreakLoose)) return null;
        var its = bolts.Owner.Count > 0 || bolts.Stems.Count > 1 ? bolts : bolts with { Owner = whose.Stems, OwnerName = whose.Name };
        var areIn = !_actions.Exists(a => a.Verb == Verb.TakeOut && _refer.Find(a.Target!) is Joint gone && IsOf(gone, null, whose.Name));
        // "… and it comes away".
        if (phrase.IsUnsaid)
            return _finder.Tokens[clause.From].Text == "it" ? whose with { At = phrase.At } : areIn
                && Has(clause, "that", "both") ? its with { At = phrase.At } : null;
        if (phrase.IsPlural || phrase.Count > 1)
            return areIn && bolts.IsPlural && (phrase.Count is null || phrase.Count == bolts.Count) ? its with { At = phrase.At } : null;
        if (phrase.Text is "that" or "this") return areIn ? its with { At = phrase.At } : null;
        if (phrase.Text != "it") return null;
        // "Undo it", "take it out": the one bolt; "take it off": what it holds.
        return areIn && !bolts.IsPlural && (Trade.Undoes.Contains(clause.Verb?.Lemma ?? "") || clause.Pieces.Exists(p => p.Way == "out")
            && !Conveys(clause))
            ? its with { At = phrase.At } : whose with { At = phrase.At };
    }

    // Before a part comes off, the fasteners it was told to have, where nobody has taken them out.
    private void TakeIntroduced(Part part, Span at)
    {
        if (_introduced is not { } told || Trade.Unfastened.Contains(NameIndex.NamesOf(part)[0][^1])
            || told.Whose is { } whose && whose.Stems[^1] != NameIndex.NamesOf(part)[0][^1]) return;
        _introduced = null;
        // Told of in the step before, they come out where the part does.
        var bolts = told.Before ? told.Bolts with { At = at } : told.Bolts;
        if (_actions.Exists(a => a.Verb == Verb.TakeOut && a.At.Meets(bolts.At))) return;
        var its = (bolts.Owner.Count > 0 ? _refer.Known(bolts, k => k == ThingKind.Joint) as Joint : FastenersOf(part, bolts.Head))
            ?? (Joint)_refer.Assume(bolts, ThingKind.Joint, false, bolts.Owner.Count > 0 ? bolts.OwnerName : part.Name, part.Id);
        if (Spoken.IsOff(its) is not true) Add(Verb.TakeOut, its, bolts.At);
    }

    // "Loosen the six screws of the housing and lift it out", "release the clips and take off the panel": they are out, or it would not come off.
    private void LoosenedRightOut(Part part)
    {
        var at = _actions.FindLastIndex(a => a is { Verb: Verb.Loosen, Some: null, Angle: null, IsSaid: false, Target: not null }
            && a.Branch == _branch && _refer.Find(a.Target) is Joint joint
            && (joint.IsMany || joint.Name.EndsWith('s')) && NameIndex.NamesOf(joint)[0][^1] is "bolt" or "screw" or "nut" or "clip"
            && IsOf(joint, part, part.Name));
        if (at < 0) return;
        IsRather(at, Verb.TakeOut);
    }

    // "Back the nut off, lift the cable off its stud": so is the nut.
    private void LoosenedOffItsStud(Clause clause)
    {
        if (clause.Nouns.Any(n => n.Head is "stud" or "post" or "pin") && _actions is [.., { Verb: Verb.Loosen, Some: null, Angle: null, Target: { } id }]
            && _refer.Find(id) is Joint nut && NameIndex.NamesOf(nut)[0][^1] == "nut") IsRather(_actions.Count - 1, Verb.TakeOut);
    }

    // What was said before turns out to be another thing done.
    private void IsRather(int at, Verb verb)
    {
        _actions[at] = _actions[at] with { Verb = verb };
        Spoken.Did(_refer.Find(_actions[at].Target!)!, verb);
    }

    // "Install the bracket, leaving the bolts loose for adjustment": they are in.
    private bool LeavesLoose(Clause clause)
    {
        if (clause.Negated || clause.Verb?.Lemma is not ("leave" or "keep") || !Has(clause, "loose", "finger-tight", "hand-tight")
            || clause.Nouns.FirstOrDefault() is not { IsPronoun: false, After: null } bolts || !bolts.Is(ThingKind.Joint)
            || _actions.FindLast(a => a.Verb == Verb.Fit)?.Target is not { } id || _refer.Find(id) is not Part part
            || (OfPartBeside(clause, Sense.Start, bolts) ?? FastenersOf(part, bolts.Head) ?? _refer.Known(bolts)
                ?? (_refer.Doubtful.Count == 0 ? _refer.Assume(bolts, ThingKind.Joint, true, part.Name, part.Id) : null)) is not Joint joint
            || Spoken.WasOff(joint) is false || !ItsPartIsFitted(joint)) return false;
        Add(Verb.Start, joint, bolts.At);
        return true;
    }

    // What the step took out, and then says is left in by some turns: only loosened.
    private bool LeftIn(Thing thing)
    {
        var at = _actions.FindLastIndex(a => a is { Verb: Verb.TakeOut, Some: null } && a.Target == thing.Id && a.Branch == _branch);
        if (at < 0) return false;
        IsRather(at, Verb.Loosen);
        return true;
    }
}
