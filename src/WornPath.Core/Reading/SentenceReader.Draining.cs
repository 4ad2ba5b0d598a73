using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Where a plug is out or a tap open, whatever is said to run, drip or come out is drained, however it is told.
public sealed partial class SentenceReader
{
    private bool RunsOut(Clause clause)
    {
        if (clause.Negated || clause.IsProviso || clause.Mood == Mood.Beside || clause.Mood == Mood.Fragment || Opened() is not { } opened
            || _actions.Exists(a => a.Verb == Verb.Drain) || Values(clause).Any(v => v.Kind is TokenKind.Torque or TokenKind.Angle)) return false;
        var runs = _finder.Tokens.Take(Math.Max(clause.To, clause.Reach)).Skip(clause.From).Any(t => Trade.RunsOut.Contains(t.Text));
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
        if ((named is not null ? _refer.Known(named, k => k == ThingKind.Fluid) ?? _refer.Assume(named, ThingKind.Fluid, false, null, null)
            : FluidIn(NameIndex.NamesOf(opened)[0]) ?? Spoken.Nearest(_refer.All<Fluid>()) ?? Unheard(opened, clause))
            is not Fluid fluid) return false;
        Trace(clause, Sense.Drain);
        Add(Verb.Drain, fluid, named?.At ?? PlaceOf(clause));
        PlaceAids(clause);
        _told = true;
        return true;
    }

    // What nobody has named yet: "take the drain plug out and let about six litres run off".
    private Fluid? Unheard(Thing opened, Clause clause)
    {
        if (opened is not Joint || !NameIndex.NamesOf(opened)[0].Any(w => w is "drain" or "sump" or "oil") || _refer.All<Fluid>().Any()) return null;
        var name = FluidCalledBy(NameIndex.NamesOf(opened)[0]) ?? "oil";
        return (Fluid)_refer.Assume(new NounPhrase(PlaceOf(clause), name, NameIndex.StemsOf(name)) { Name = name }, ThingKind.Fluid, false, null, null);
    }

    // The fluid spoken of last, or the only one there is.
    private Fluid? FluidOfJob() => _refer.All<Fluid>().ToList() is var fluids && fluids is [var only] ? only : Spoken.Nearest(fluids) as Fluid;

    // A plug out or a tap open, last of all that was done: in this step, or at the end of the one before.
    private Thing? Opened() => DoneLately.LastOrDefault(a => a.Verb is not (Verb.Place or Verb.Renew)) is
    { Verb: Verb.TakeOut or Verb.Loosen or Verb.Set, Target: { } id } && _refer.Find(id) is { } opened
        && (opened is Joint && NameIndex.NamesOf(opened)[0] is var name && (name[^1] == "plug" || name.Contains("drain"))
            || opened is Control && Trade.Taps.Contains(NameIndex.NamesOf(opened)[0][^1])) ? opened : null;

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
            else if (at.Head == "plug")
            {
                if (known is null && _refer.Doubtful.Count == 0) known = _refer.Assume(at, ThingKind.Joint, false, null, null);
                if (known is Joint && Spoken.IsOff(known) is not true) Add(Verb.TakeOut, known, at.At);
            }
        }
    }

    // What is in a vessel, or behind a plug, by the words of its name: the only fluid of the sheet, the one called by them, the only oil.
    private Fluid? FluidIn(IReadOnlyList<string> stems)
    {
        var fluids = _refer.All<Fluid>().ToList();
        if (fluids is [var only]) return only;
        var oils = FluidCalledBy(stems) is { } called ? fluids.FindAll(f => NameIndex.StemsOf(called).All(NameIndex.NamesOf(f)[0].Contains))
            : fluids.FindAll(f => NameIndex.NamesOf(f)[0][^1] == "oil");
        return oils is [var one] ? one : null;
    }

    private static string? FluidCalledBy(IReadOnlyList<string> stems) =>
        stems.Any(s => s is "radiator" or "coolant" or "cooling") ? "coolant" : stems.Contains("fuel") ? "fuel"
        : stems.Contains("hydraulic") ? "hydraulic oil" : stems.Contains("brake") ? "brake fluid" : null;
}
