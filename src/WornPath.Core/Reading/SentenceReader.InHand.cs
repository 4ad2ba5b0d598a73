using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// What a verb comes to hangs on what is in hand as well as on its own words.
public sealed partial class SentenceReader
{
    private (Sense Sense, string? Control) InHand(Clause clause, Facts facts, List<NounPhrase> objects, Sense sense, string? control)
    {
        var verb = clause.Verb!.Lemma;
        var isIt = objects is [{ IsPronoun: true, Text: "it" }];
        return sense switch
        {
            // "Set the intake down straight", while things go on: there.
            Sense.Aside when IsSetDown(clause, facts, objects) => (Sense.On, control),
            // "Battery in, start it": no battery is started.
            Sense.Say when verb == "start" && isIt && clause.Pieces.Count == 1 && !Spoken.Last.Any(t => t is Joint) => (Sense.Set, "engine"),
            // "… to get the air out": what for.
            Sense.Off when clause.Mood == Mood.Imperative && _finder.Tokens[clause.From].Text == "to" && objects.Count > 0
                && objects.TrueForAll(o => !o.IsPronoun && _refer.Known(o) is null && Trade.NounOf(o.Stems) is { Role: not NounRole.Thing })
                => (Sense.Say, control),
            // "Slip a hand under the tank".
            Sense.On or Sense.Off or Sense.Place or Sense.Move when objects.Count > 0 && clause.Nouns.Any(n => n.After is not null)
                && objects.TrueForAll(o => !o.IsPronoun && Trade.Hands.Contains(o.Head) && _refer.Known(o) is null) => (Sense.Say, control),
            // "Fire it up and cycle it a few times": what is worked on, and not the ignition.
            Sense.Set when isIt && verb is "cycle" or "stroke" or "work" && Spoken.Last is [.., Control just]
                && Trade.ControlNamed(just.Name.ToLowerInvariant()) == "ignition" => (Sense.Say, control),
            // "Straighten the cotter pin, pull it": the pin, and no lever that was in hand before.
            Sense.Set when objects.Count > 0 && objects.TrueForAll(o => o.IsPronoun && IsCotter(o))
                && _clauses.TakeWhile(c => c != clause).Any(c => c.Nouns.Any(n => !n.IsPronoun && IsCotter(n))) => (Sense.Off, control),
            _ => (sense, control),
        };
    }

    // What is off, is named or meant, and is put down while things go on.
    private bool IsSetDown(Clause clause, Facts facts, List<NounPhrase> objects)
    {
        if (clause.Verb!.Lemma is not ("set" or "lay" or "lower") || !clause.Pieces.Exists(p => p.Way == "down") || Spoken.ComesOff is not false
            || facts.Has(Looks.Rest, "") || objects is not [var one]) return false;
        var part = (one.IsPronoun ? Spoken.Last is [.., var last] ? last : null : _refer.Known(one)) as Part;
        return part is not null && Spoken.IsOff(part) is true && !_actions.Exists(a => a.Target == part.Id);
    }
}
