using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Where a plug is out or a tap open, whatever is said to run, drip or come out is drained, however it is told.
public sealed partial class SentenceReader
{
    private bool RunsOut(Clause clause)
    {
        if (clause.Negated || clause.IsProviso || clause.Mood == Mood.Beside || clause.Mood == Mood.Fragment || !IsOpened()
            || _actions.Exists(a => a.Verb == Verb.Drain) || Values(clause).Any(v => v.Kind is TokenKind.Torque or TokenKind.Angle)) return false;
        var runs = false;
        for (var i = clause.From; i < Math.Max(clause.To, clause.Reach)
            && i < _finder.Tokens.Count; i++) runs |= Trade.RunsOut.Contains(_finder.Tokens[i].Text);
        var comes = clause.Pieces.Exists(p => p.Way is "out") && (Has(clause, "come", "comes") || Has(clause, "catch"));
        // "Run the pump on water": made to run.
        if (clause is { Mood: Mood.Imperative, Verb.Lemma: "run" or "flow" or "pour" }) return false;
        if (!runs && !comes || clause.Verb is
            {
                Lemma: not ("let" or "leave" or "wait" or "allow" or "run" or "flow" or "drain" or "drip"
            or "pour" or "come" or "catch" or "gush" or "give")
            }) return false;
        // Of what: the fluid that is named; how much; or nothing but "it".
        var named = clause.Nouns.FirstOrDefault(n => !n.IsPronoun && (_refer.Known(n) is Fluid || n.Is(ThingKind.Fluid)));
        if (named is null && clause.Nouns.Any(n => !n.IsPronoun && n.After is null && !Trade.IsNoObject(n)
            && !n.Text.Split(' ').Any(Trade.RunsOut.Contains))) return false;
        if (named is null && comes && !runs && !clause.Nouns.Any(n => Trade.NounOf(n.Stems) is { Role: NounRole.Words })) return false;
        if ((named is null ? FluidBehind() : _refer.Known(named, k => k == ThingKind.Fluid)
            ?? _refer.Assume(named, ThingKind.Fluid, false, null, null)) is not Fluid fluid) return false;
        Trace(clause, Sense.Drain);
        Add(Verb.Drain, fluid, named?.At ?? PlaceOf(clause));
        PlaceAids(clause);
        _told = true;
        return true;
    }

    // A plug out or a tap open, last of all that was done: in this step, or at the end of the one before.
    private bool IsOpened() => (_actions.Count > 0 ? _actions : Before?.Actions.AsEnumerable() ?? [])
        .LastOrDefault(a => a.Verb is not (Verb.Place or Verb.Renew)) is
    { Verb: Verb.TakeOut or Verb.Loosen or Verb.Set, Target: { } id } && _refer.Find(id) is { } opened
        && (opened is Joint joint && NameIndex.NamesOf(joint)[0] is var name && (name[^1] == "plug" || name.Contains("drain"))
            || opened is Control && Trade.Taps.Contains(NameIndex.NamesOf(opened)[0][^1]));

    // "Drain it at the bottom plug", "drain the coolant at the tap": that is opened for it.
    private void OpenFor(Clause clause)
    {
        foreach (var at in clause.Pieces.Where(p => p.Noun is { IsPronoun: false, After: "at" or "through" or "from" or "by" }).Select(p => p.Noun!))
        {
            var known = _refer.Known(at, k => k is ThingKind.Joint or ThingKind.Control);
            if (known is Control || known is null && Trade.Taps.Contains(at.Head))
            {
                if (!_actions.Exists(a => a.Verb == Verb.Set && a.Target == known?.Id)) SetControl(clause, [at]);
            }
            else if (at.Head == "plug" && (known ?? (_refer.Doubtful.Count == 0 ? _refer.Assume(at, ThingKind.Joint, false, null, null)
                : null)) is Joint plug
                && Spoken.IsOff(plug) is not true) Add(Verb.TakeOut, plug, at.At);
        }
    }

    // What runs out of what was opened: the one fluid, the one called alike, the nearest.
    private Thing? FluidBehind()
    {
        var fluids = _refer.Things.OfType<Fluid>().ToList();
        return fluids.Count == 1 ? fluids[0] : Spoken.Nearest(fluids) ?? fluids.FirstOrDefault();
    }
}
