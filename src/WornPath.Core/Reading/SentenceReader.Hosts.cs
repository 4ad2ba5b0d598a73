using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// What sits on what: where a part comes off or goes onto, and what comes and goes with it.
public sealed partial class SentenceReader
{
    private static readonly HashSet<string> OutOf = ["of", "out", "off", "from"];

    private static readonly HashSet<string> Into = ["in", "into", "on", "onto", "to"];

    // "Press the bearing out of the knuckle", "slide the gland onto the rod", "lift the knuckle off, with the hub in it".
    private void OnWhat(Clause clause, Sense sense, IReadOnlyList<Part> parts)
    {
        if (parts.Count == 0) return;
        // "Lay the carrier on the trolley": that is under it now.
        foreach (var under in clause.Nouns.Where(n => n is { IsPronoun: false, After: "on" or "onto" } && Trade.WorkRests.Contains(n.Head)))
            if (_refer.Known(under) is Aid aid && Spoken.IsOff(aid) is not false
                && _actions.Exists(a => a.Target == parts[^1].Id && a.Verb is Verb.SetAside or Verb.Remove))
                Add(Verb.Place, aid, under.At);
        var here = PlaceOf(clause);
        foreach (var (at, action) in _actions.Index().Where(a => a.Item is { Verb: Verb.Carry, Host: null }).ToList())
        {
            if (parts.FirstOrDefault(p => p.Id == action.Target) is not { } on) continue;
            // "Draw the rod out; the gland comes along with it".
            var moved = _actions[..at].FindLast(a => a.Target != on.Id && a.Verb is Verb.Remove or Verb.Fit)?.Target;
            var host = HostIn(clause, Into, on)?.Id ?? moved ?? Spoken.Last.OfType<Part>().LastOrDefault(p => p.Id != on.Id)?.Id;
            _actions[at] = action with { Host = host };
        }

        foreach (var part in parts.Distinct())
            for (var i = 0; i < _actions.Count; i++)
            {
                if (_actions[i] is not { Verb: Verb.Remove or Verb.Fit, Host: null } action || action.Target != part.Id) continue;
                if (HostIn(clause, action.Verb == Verb.Remove ? OutOf : Into, part) is { } host) _actions[i] = action with { Host = host.Id };
            }

        if (sense == Sense.Discard) return;
        // It comes along before its part has gone.
        var bearer = parts[^1];
        foreach (var (noun, along) in Along(clause, sense))
            if (along.Id != bearer.Id && !_actions.Exists(a => a.Target == along.Id)
                && _actions.FindIndex(a => a.Target == bearer.Id && IsMotion(a.Verb) && here.Begins(a.At)) is >= 0 and var at)
                _actions.Insert(at, new StepAction { Verb = Verb.Carry, Target = along.Id, Host = bearer.Id, At = noun.At });
    }

    // "Press it in with the outer race of the old one", "use one of the old caps to drive it in": what came off is a tool now, and comes away.
    private void OldAsTool(Clause clause)
    {
        var uses = clause.Verb?.Lemma == "use";
        for (var i = 0; i < clause.Pieces.Count; i++)
        {
            if (clause.Pieces[i].Noun is not { IsPronoun: false } noun || !(noun.After is "with" or "using" || uses && noun.After is null)) continue;
            var old = noun.IsOld || i + 1 < clause.Pieces.Count && clause.Pieces[i + 1].Noun is { IsPronoun: true, IsOld: true, After: "of" or "from" };
            if (!old || _refer.Known(noun) is Tool or Consumable or Aid) continue;
            var name = $"old {noun.Name}";
            var tool = noun with
            {
                Name = name,
                Text = name.ToLowerInvariant(),
                Stems = NameIndex.StemsOf(name),
                IsOld = false,
                Owner = [],
                OwnerName = "",
                Count = null,
                Some = null,
            };
            Add(Verb.Place, _refer.Assume(tool, ThingKind.Aid, false, null, null), noun.At);
        }
    }

    private Part? HostIn(Clause clause, HashSet<string> ways, Part part)
    {
        // "Pick out the thermostat and the seal": both come out, and neither of the other.
        var direct = clause.Pieces.FindIndex(p => p.Noun is { } n && _actions.Exists(a => a.Target == part.Id && n.At == a.At));
        foreach (var piece in clause.Pieces)
            if (piece.Noun is { IsPronoun: false, After: { } after } noun && !(direct >= 0 && clause.Pieces[direct].Noun?.After == after)
                && ways.Contains(after) && Settled(noun.Text) is null or { Length: > 0 }
                && _refer.Known(noun) is Part host && host.Id != part.Id) return host;
        return null;
    }

    // "With the hub in it", "together with the gland and the piston", "complete with bracket"; what comes off "with the seal" brings it along.
    private IEnumerable<(NounPhrase Noun, Part Part)> Along(Clause clause, Sense sense)
    {
        var together = sense == Sense.Off && !Has(clause, "old") || Has(clause, "together", "along", "complete");
        for (var i = 0; i < clause.Pieces.Count; i++)
        {
            if (clause.Pieces[i].Noun is not { After: "with", IsPronoun: false, IsNew: false }) continue;
            // "The gland and the piston": all of them, up to what they are on.
            var nouns = new List<NounPhrase>();
            var on = false;
            for (var k = i; k < clause.Pieces.Count && !on; k++)
                if (clause.Pieces[k].Noun is { } noun)
                {
                    if (noun is { IsPronoun: true, After: "in" or "on" or "inside" }) on = true;
                    else if (noun.IsPronoun || k > i && noun.After is not (null or "with")) break;
                    else nouns.Add(noun);
                }

            if (!on && !together) continue;
            foreach (var noun in nouns)
                if (_refer.Known(noun) is Part part) yield return (noun, part);
                // "Remove the cover with its gasket", which the sheet does not have yet.
                else if (sense == Sense.Off && (noun.IsIts || !noun.IsIndefinite && Has(clause, "together", "along", "complete"))
                    && _refer.Known(noun) is null && _refer.Doubtful.Count == 0
                    && Trade.NounOf(noun.Stems) is { Role: NounRole.Thing, Kinds: [ThingKind.Part, ..] })
                    yield return (noun, (Part)_refer.Assume(noun, ThingKind.Part, false, null, null));
            yield break;
        }
    }
}
