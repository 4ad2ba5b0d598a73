using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Whose fasteners are meant where nothing is said of it: those of the part told beside them, and of no other, though the sheet may not have them yet.
public sealed partial class SentenceReader
{
    // "Fit the pump and start the nuts", where the nuts of the sheet hold the guard: the pump's own, known or new; null where nothing tells.
    private Joint? OfPartBeside(Clause clause, Sense sense, NounPhrase phrase) => Beside(clause, sense, phrase) is var (part, name)
        ? FastenersOf(part, phrase.Head) ?? _refer.Assume(phrase, ThingKind.Joint, GoesOn(sense), name, part?.Id) as Joint : null;

    // The same, where nothing is done to them yet: "behind the pump are two bolts: undo them".
    private NounPhrase? WithPartBeside(Clause clause, NounPhrase phrase) =>
        Beside(clause, Sense.Off, phrase) is var (_, name) ? phrase with { Owner = NameIndex.StemsOf(name), OwnerName = name, After = null } : null;

    // "Attach the bracket with two M10 bolts", where the sheet knows the bumper's: the bracket's own, known or new.
    private Joint? OwnOf(Part? part, NounPhrase phrase) => part is not null && OfOthers(phrase) is { Count: > 0 } others
        && others.TrueForAll(o => !IsOf(o, part, part.Name) && (phrase.IsIndefinite || !Spoken.Last.Contains(o) && !Spoken.Earlier.Contains(o)))
        ? FastenersOf(part, phrase.Head) ?? _refer.Assume(phrase, ThingKind.Joint, true, part.Name, part.Id) as Joint : null;

    // The fasteners that a bare word ("the bolts", "two M10 bolts") would mean, where all of them are of another part; else none.
    private List<Joint> OfOthers(NounPhrase phrase)
    {
        if (phrase is not { Stems.Count: 1, Owner.Count: 0, IsOld: false, IsRest: false, IsVague: false, Distinct.Count: 0, Sign.Length: 0 }
            || !Trade.Plain.Contains(phrase.Head) || !phrase.Is(ThingKind.Joint)) return [];
        List<Thing> meant = _refer.Known(phrase, k => k == ThingKind.Joint) is { } known ? [known] : [.. _refer.Doubtful];
        return meant.TrueForAll(t => t is Joint other && IsOfAPart(other, phrase) && FastenerSizes.Same(phrase.Size, other) is not true)
            ? [.. meant.Cast<Joint>()] : [];
    }

    private (Part? Part, string Name)? Beside(Clause clause, Sense sense, NounPhrase phrase)
    {
        if (phrase.IsNew) return null;
        var others = OfOthers(phrase);
        if (others.Count == 0 || others.Exists(o => Spoken.Last.Contains(o) || _actions.Exists(a => a.Target == o.Id))) return null;
        var comes = GoesOn(sense);
        // "Slacken the cover bolts." "Support the pump and take the bolts out": those the step before left so.
        if (Before is { } before && others.Exists(o => before.Actions.Any(a => a.Target == o.Id) && Spoken.WasOff(o) is true == comes)) return null;
        var beside = PartsBeside(clause, phrase).ToList();
        // "Start eight of the bolts and put the tag back": fasteners start behind what they hold.
        if (comes) beside.RemoveAll(b => b.Steps > 0);
        if (beside.Count == 0 && comes && JustFitted(others, phrase) is { } fitted) beside.Add((fitted, fitted.Name, 0));
        if (beside.Count == 0 || beside.Exists(b => others.Exists(o => IsOf(o, b.Part, b.Name)))) return null;
        // What goes on is fastened behind it, what comes off before it.
        var (part, name, _) = comes ? beside.MaxBy(b => b.Steps)
            : beside.OrderBy(b => b.Steps >= 0 ? b.Steps : 100 - b.Steps).First();
        return (part, name);
    }

    private static bool GoesOn(Sense sense) => sense is Sense.On or Sense.Start or Sense.Secure or Sense.Snug or Sense.Torque or Sense.Retorque or Sense.TurnOn;

    // "Four M16 x 50 bolts": told whole, and never seen before.
    private static bool IsSizedAnew(NounPhrase phrase) => phrase is { IsIndefinite: true, Stems.Count: 1, Owner.Count: 0 }
        && phrase.Size.AsSpan().ContainsAny('x', '×');

    // True for fasteners that hold something, or are named by a thing: "drawbar bolts".
    private static bool IsOfAPart(Joint joint, NounPhrase phrase) => joint.Holds.Length > 0 || phrase.IsIndefinite
        && NameIndex.NamesOf(joint)[0] is [.., var by, _]
        && Trade.NounOf([by]) is null or { Role: NounRole.Thing } && !Trade.Distinct.Contains(by) && !by.Any(char.IsAsciiDigit);

    // "Fit the pump." "Start the nuts", where those the sheet knows are on.
    private Part? JustFitted(List<Joint> others, NounPhrase phrase) => _actions.Count == 0 && Spoken.ComesOff is false && Spoken.Last is [.., Part part]
        && Spoken.Last.All(t => t is Part) && (IsSizedAnew(phrase) || others.TrueForAll(o => Spoken.WasOff(o) is not true))
            && !Trade.Unfastened.Contains(NameIndex.NamesOf(part)[0][^1])
        ? part : null;

    // True where fasteners hold a part, or are named by a word of it.
    private static bool IsOf(Joint joint, Part? part, string name) => part is not null && joint.Holds.Contains(part.Id)
        || NameIndex.StemsOf(name).Intersect(NameIndex.NamesOf(joint)[0].SkipLast(1)).Any();

    // The parts a sentence names, and how many clauses before (less than 0) or behind (more) what is told of the fasteners.
    private IEnumerable<(Part? Part, string Name, int Steps)> PartsBeside(Clause clause, NounPhrase phrase)
    {
        var at = _clauses.IndexOf(clause);
        var first = at;
        while (first > 0 && !EndsBetween(_clauses[first - 1], _clauses[first])) first--;
        for (var i = first; i < _clauses.Count && (i <= at || !EndsBetween(_clauses[i - 1], _clauses[i])); i++)
        {
            var other = _clauses[i];
            _finder.Fill(other);
            if (i > at && other is { Mood: not Mood.Beside, Verb: { } verb } && !Trade.MayChange(verb) && !Trade.Steadies.Contains(verb.Lemma)) continue;
            foreach (var noun in other.Nouns.Where(n => n is { IsPronoun: false } && n.At != phrase.At && n.Sign.Length == 0))
                if (PartIn(noun, i - at) is { } named) yield return (named.Part, named.Name, i - at);
        }
    }

    // The part a noun phrase names, or what it names is of: "the stud of the pump".
    private (Part? Part, string Name)? PartIn(NounPhrase noun, int steps)
    {
        if (!(noun.After is null or "of" or "from" or "off" or "behind" or "under" or "underneath" or "beneath" or "up" or "out" or "down"
            or "back" || steps == 0 && noun.After is "on" or "at" or "in")) return null;
        if (noun.Owner.Count > 0 && PartNamed(noun.At, noun.OwnerName, noun.Owner) is { } owner) return (owner, owner.Name);
        // "The bolt head": of a fastener, and no part.
        if (noun.Stems.Count == 0 || Trade.Unfastened.Contains(noun.Head) || noun.Head == "pin"
            || noun is { Head: "head", Stems: [.., var of, _] } && Trade.Plain.Contains(of)) return null;
        if (_refer.Known(noun, k => k == ThingKind.Part) is Part part) return (part, part.Name);
        // One the sheet does not have yet, beside what is done to it.
        return steps != 0 && noun is { After: null, IsIndefinite: false } && _refer.Doubtful.Count == 0 && _refer.Known(noun) is null
            && Trade.NounOf(noun.Stems) is { Role: NounRole.Thing, Kinds: [ThingKind.Part, ..] } ? (null, noun.Name) : null;
    }

    // "Remove the hoop, which is held by two bolts", "take the cover off: four bolts hold it": they come out first.
    private bool HeldIt(Clause clause)
    {
        if (clause.Negated || _actions is not [.., { Verb: Verb.Remove, Target: { } id }] || _refer.Find(id) is not Part part || clause.IsProviso) return false;
        var by = Has(clause, "held", "secured", "retained") && (clause.Mood == Mood.Beside || clause.Nouns.FirstOrDefault() is { IsPronoun: true }
                || _finder.Tokens[clause.From].Text is "it's" or "they're")
            ? clause.Nouns.FirstOrDefault(n => n is { After: "by" or "with", IsPronoun: false } && n.Is(ThingKind.Joint))
            : clause is { Mood: Mood.Declarative, Verb.Lemma: "hold" or "secure" or "retain" }
                && clause.Nouns.ToList() is [{ IsPronoun: false } bolts, { IsPronoun: true, Text: "it" or "them" }] && bolts.Is(ThingKind.Joint) ? bolts : null;
        if (by is null || (FastenersOf(part, by.Head) ?? _refer.Known(by, k => k == ThingKind.Joint)
            ?? _refer.Assume(by, ThingKind.Joint, false, part.Name, part.Id)) is not Joint joint
            || Spoken.WasOff(joint) is true) return false;
        Add(Verb.TakeOut, joint, by.At, a => a with { In = PlaceOf(clause) });
        _actions.Reverse(_actions.Count - 2, 2);
        return true;
    }

    // "Remove the cover and its four bolts": the bolts come out first, or it would not come off.
    private void FastenersFirst(Clause clause)
    {
        var here = PlaceOf(clause);
        for (var i = _actions.Count - 1; i > 0; i--)
            if (_actions[i] is { Verb: Verb.TakeOut, Some: null, Target: { } id } && here.Begins(_actions[i].At) && _refer.Find(id) is Joint joint
                && _actions[i - 1] is { Verb: Verb.Remove, Target: { } held } && here.Begins(_actions[i - 1].At)
                    && _refer.Find(held) is Part part && IsOf(joint, part, part.Name)) _actions.Reverse(i - 1, 2);
    }

    private bool EndsBetween(Clause one, Clause next)
    {
        for (var i = one.To; i < next.From && i < _finder.Tokens.Count; i++)
            if (_finder.Tokens[i].Kind == TokenKind.Stop) return true;
        return false;
    }

    // "Its four bolts out, the cover lifts off": what is named behind, where nothing was named before.
    private Part? NamedBehind(Clause clause)
    {
        var at = _clauses.IndexOf(clause);
        if (at > 0 && !EndsBetween(_clauses[at - 1], clause) || at + 1 >= _clauses.Count || EndsBetween(clause, _clauses[at + 1])) return null;
        var next = _clauses[at + 1];
        _finder.Fill(next);
        return next is { Mood: not Mood.Beside, Verb: { } verb } && Trade.MayChange(verb)
            && next.Nouns.FirstOrDefault(n => n.After is null) is { IsPronoun: false } noun ? _refer.Known(noun, k => k == ThingKind.Part) as Part : null;
    }
}
