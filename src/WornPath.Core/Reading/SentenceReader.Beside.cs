using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// What stands beside what is done: with what, by whom, the same again.
public sealed partial class SentenceReader
{
    // "Fit the bracket with the four bracket bolts": the joint behind "with" is put in, too.
    private void With(Clause clause, Sense sense, List<Thing> targets)
    {
        // "Off together with its gasket".
        // "Remove the bolts with their springs".
        if (sense is Sense.Off or Sense.Discard && (Has(clause, "together", "along", "complete") || targets is [Joint, ..]))
            foreach (var piece in clause.Pieces)
                if (piece.Noun is { After: "with", IsPronoun: false } along && (along.IsIts || sense == Sense.Discard) && Trade.NounOf(along.Stems)?.Role is null or NounRole.Thing
                    && Trade.NounOf(along.Stems) is not { Kinds: [ThingKind.Tool or ThingKind.Consumable, ..] }) targets.AddRange(DoTo(clause, sense, along));
        // "The guard comes off with its two nuts": they come off with it.
        if (sense == Sense.Off && targets is [Part off] && clause.Pieces.Find(p => p.Noun is { After: "with", IsPronoun: false } n
            && n.Is(ThingKind.Joint))?.Noun is { } with
            && (FastenersOf(off, with.Head) ?? (IsCounted(with) ? (with is { IsIts: true, Stems.Count: 1 } ? null : _refer.Known(with))
            ?? _refer.Assume(with, ThingKind.Joint, false, off.Name, off.Id) : null)) is Joint held
            && (with.IsIts || with.Count == held.Count) && Spoken.WasOff(held) is not true)
        {
            Add(Verb.TakeOut, held, with.At);
            targets.Add(held);
        }

        if (sense == Sense.Off) WithCompanions(clause, targets);
        if (sense is not (Sense.On or Sense.Secure or Sense.Start or Sense.Place or Sense.Transfer or Sense.Connect)) return;
        var fastened = false;
        var stacked = targets.OfType<Joint>().LastOrDefault(_refer.IsFresh);
        foreach (var piece in clause.Pieces)
        {
            // "Push the bolt through the spacer", which is off.
            if (piece.Noun is { IsPronoun: false, After: "through" } threaded && IsCompanion(threaded) && targets.OfType<Joint>().Any()
                && _refer.Known(threaded) is Part sleeve && Spoken.IsOff(sleeve) is true) Add(Verb.Fit, sleeve, threaded.At);
            if (piece.Noun is not { IsPronoun: false } phrase
                || !(phrase.After is "with" or "using" or "by" || phrase is { After: "over" or "on", IsNew: true } && IsUnder(phrase, clause))) continue;
            // "Fit the clamp with its bolt": the clamp's.
            if (phrase.IsIts && targets.Count > 0) Spoken.Hand([targets[^1]]);
            // "Refit the guard using the original hardware": with what held it.
            if (Trade.Hardware.Contains(phrase.Head) && phrase.Owner.Count == 0 && _refer.Known(phrase) is null
                && targets.OfType<Part>().LastOrDefault() is { } refitted && FastenersOf(refitted) is { } original)
            {
                Add(Verb.Start, original, phrase.At, a => a with { New = phrase.IsNew });
                targets.Add(original);
                fastened = true;
                continue;
            }

            // "Fit the bolts with a dab of grease": on them.
            if (phrase.After == "with" && clause.Mood != Mood.Fragment && Stays(phrase) && targets.OfType<Joint>().LastOrDefault() is { } coated)
            {
                _actions.Add(new StepAction { Verb = Verb.Treat, Target = coated.Id, With = Used(phrase).Id, Words = phrase.Text, At = phrase.At });
                continue;
            }

            if (ReadPieceOfStack(clause, phrase, goesOn: true)) continue;
            // "With M10 bolts, flat washers and lock nuts": what lies under their heads and on their ends.
            if (stacked is not null && phrase.After is "with" or "using" && (IsCompanion(phrase) || phrase.Head is "nut" or "locknut") && !phrase.IsNew
                && phrase.Owner.Count == 0 && _refer.Known(phrase) is null or Joint { Holds.Length: > 0 } && _refer.Stack(stacked, phrase)) continue;

            var found = Settled(phrase.Text) is { Length: > 0 } settled ? _refer.Find(settled)
                : ItsOwn(clause, phrase) ?? NutsOf(phrase) ?? OwnOf(targets.OfType<Part>().FirstOrDefault(), phrase) ?? _refer.Known(phrase);
            found ??= CalledByItsForm(phrase);
            if (found is null && sense is not Sense.Place && Settled(phrase.Text) is null && phrase.Is(ThingKind.Joint))
            {
                var part = targets.OfType<Part>().LastOrDefault();
                found = _refer.Assume(phrase, ThingKind.Joint, true, phrase.Stems.Count == 1 ? part?.Name : null, part?.Id);
            }

            switch (found)
            {
                case Joint joint when sense is not Sense.Place && !targets.Contains(joint):
                    Add(Verb.Start, joint, phrase.At, a => a with { New = phrase.IsNew });
                    targets.Add(joint);
                    (fastened, stacked) = (true, joint);
                    break;
                // "Secure it with a split pin", of a clevis pin.
                case null when sense == Sense.Secure && phrase.After == "with" && _refer.Doubtful.Count == 0
                    && (Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Part, ..] }
                        || phrase.Head is "pin" or "cotter" && Spoken.Pinned is null && (HoldsAPin || targets.Exists(IsPin))):
                    Add(Verb.Fit, _refer.Assume(phrase, ThingKind.Part, true, null, null), phrase.At, a => a with { New = phrase.IsNew });
                    break;
                case Part part when (phrase.IsNew || (phrase.IsIts || IsCompanion(phrase)) && Spoken.IsOff(part) is true
                    || phrase is { After: "with", IsIndefinite: true } || sense == Sense.Secure && Spoken.IsOff(part) is true) && !targets.Contains(part):
                    Add(Verb.Fit, part, phrase.At, a => a with { New = phrase.IsNew || phrase.IsIndefinite });
                    break;
                case null when (phrase.IsNew || IsCompanion(phrase) && targets.Count > 0 && (!phrase.IsIts || targets.Exists(t => t is Joint)))
                    && phrase.Is(ThingKind.Part) && _refer.Doubtful.Count == 0:
                    Add(Verb.Fit, _refer.Assume(phrase, ThingKind.Part, true, null, null), phrase.At, a => a with { New = phrase.IsNew });
                    break;
                // "With the marks in line": how it goes on.
                case Aid aid when !TellsHowItStands(phrase):
                    Add(Verb.Place, aid, phrase.At);
                    break;
            }
        }

        // "Bolt it on", "screw the relay to the firewall": its bolts go in; but a cap is screwed on by itself.
        if (sense != Sense.Secure || fastened || targets.OfType<Joint>().Any()) return;
        foreach (var part in targets.OfType<Part>().ToList())
        {
            if ((FastenersOf(part) ?? (clause.Verb?.Lemma == "bolt" || clause.Verb?.Lemma == "screw" && clause.Nouns.Any(n => n.After == "to")
                ? AssumeBolts(part, Bare(clause), clause.Verb.Lemma) : null)) is not { } joint) continue;
            // "Clip the panel back on", which has screws besides.
            if (clause.Verb?.Lemma is "clip" or "snap" && NameIndex.NamesOf(joint)[0][^1] != "clip") continue;
            Add(Verb.Start, joint, PlaceOf(clause));
            targets.Add(joint);
        }
    }

    private bool TellsHowItStands(NounPhrase phrase)
    {
        var next = _finder.Tokens.SkipWhile(t => t.At.Start < phrase.At.End).Take(2).Select(t => t.Text).ToList();
        return next is [var first, ..] && (Trade.Stances.Contains(first) && first is not ("up" or "down" or "in" or "out" or "at")
            || first is "aligned" or "lined" or "meeting" or "matching" or "together" || next is ["in", "line"]);
    }

    // "Bolt the hoop up": it has bolts.
    private Joint AssumeBolts(Part part, NounPhrase phrase, string called = "bolt")
    {
        var name = $"{part.Name} {called}s";
        return (Joint)_refer.Assume(phrase with { Name = name, Text = name.ToLowerInvariant(), Stems = NameIndex.StemsOf(name), Count = null, Some = null, IsNew = false }, ThingKind.Joint, true, null, part.Id);
    }

    private Joint? FastenersOf(Part part)
    {
        var holding = _refer.Holding(part);
        return holding.Count == 1 ? holding[0] : Spoken.Nearest(holding) as Joint;
    }

    // Tools and consumables that are named: the sheet comes to know them.
    private void Beside(Clause clause)
    {
        OldAsTool(clause);
        foreach (var piece in clause.Pieces)
            if (piece.Noun is { IsPronoun: false, After: not (null or "under" or "behind" or "as") } phrase) UseNamed(phrase);
        // "Two strokes of the grease gun".
        foreach (var owner in clause.Nouns.Where(n => n.Owner.Count > 0))
            UseNamed(new NounPhrase(owner.At, owner.OwnerName.ToLowerInvariant(), owner.Owner) { Name = owner.OwnerName });
    }

    private void Aside(Clause clause)
    {
        _told = true;
        if (IsOffByThem(clause) || LeavesLoose(clause)) return;
        // "Once it's on the floor give them 190": it has come down by then.
        if (clause is { Mood: Mood.Beside, Negated: false, IsProviso: false } && Spoken.Raised && Has(clause, "floor", "ground")
            && _finder.Tokens[clause.From].Text is "once" or "when" && Has(clause, "it", "it's", "she's", "tractor", "vehicle", "trailer", "machine", "wheels")
            && !_actions.Exists(a => a.Verb == Verb.Lower))
        {
            Add(Verb.Lower, null, PlaceOf(clause));
            return;
        }

        if (LedTo(clause) is { } ledTo) _topic = ledTo;
        // "While a helper supports the bumper, remove its bolts": what is spoken of before what is done.
        if (clause is { Mood: Mood.Beside, IsProviso: false }
            && _finder.Tokens[clause.From].Text is "while" or "with" or "once" or "when" or "as" or "under" or "until" or "till"
            && clause.Nouns.Where(n => !n.IsPronoun && n.After is null or "with" or "under"
                // "Lower the jack until the springs are loose, and lift them out".
                && (n.IsPlural || _finder.Tokens[clause.From].Text is not ("until" or "till"))).Select(n => _refer.Known(n)).OfType<Part>().LastOrDefault() is { } borne)
            Spoken.Hand([borne]);
        // "Supporting the drawbar with a jack, remove its bolts": it is put there.
        if (clause is { Mood: Mood.Beside, Negated: false, Verb: { } steadies } && Trade.Steadies.Contains(steadies.Lemma)
            && clause.Nouns.Any(n => n is { IsPronoun: false, After: "with" or "by" or "on" } && (n.Is(ThingKind.Aid) || n.Head == "jack"))) PlaceAids(clause);
        // "If the vehicle has parking sensors, unplug them".
        if (clause.IsProviso && clause.Nouns.LastOrDefault(n => n is { IsPronoun: false, After: null }) is { IsPlural: true } has
            && Trade.Wired.Contains(has.Head) && _refer.Known(has) is null) _unnamed ??= has;
        // "With grease on the bolts, run them in".
        if (clause is { Mood: Mood.Beside, Negated: false } && _finder.Tokens[clause.From].Text == "with"
            && clause.Nouns.FirstOrDefault() is { IsPronoun: false } stuff && Stays(stuff) && PutOn(clause, stuff)) return;
        // "Of the six bolts, remove two".
        if (clause.Mood == Mood.Beside && _finder.Tokens[clause.From].Text == "of"
            && clause.Nouns.FirstOrDefault(n => !n.IsPronoun) is { } whole && _refer.Known(whole) is { } set) Spoken.Hand([set]);
        // "With the floor jack under the skid plate, …": it is put there.
        if (clause.Mood == Mood.Beside && Has(clause, "with") && _finder.Tokens.Count > clause.To
            && _finder.Tokens[clause.To].Text is "under" or "beneath" or "below"
            && clause.Nouns.Where(n => n is { IsPronoun: false, After: "with" }).Select(n => _refer.Known(n)).OfType<Aid>().FirstOrDefault() is { } under
            && Spoken.IsOff(under) is not false) Add(Verb.Place, under, PlaceOf(clause));
        // "Lead both hoses to the block and connect them there".
        if (clause is { Mood: Mood.Imperative, Negated: false }
            && clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: null, IsPlural: true }) is { } led
            && SetOf(led, Sense.Say, _ => true) is { Count: > 1 } hoses) Spoken.Hand(hoses);
        if (clause.Verb?.Lemma == "use")
        {
            OldAsTool(clause);
            foreach (var piece in clause.Pieces.Where(p => p.Noun is { After: null, IsNew: true }).ToList())
                ReadPieceOfStack(clause, piece.Noun!, goesOn: true);
        }

        if (clause.Pieces.Exists(p => p.Noun is { IsPronoun: false } n && IsCotter(n))) Spoken.Pin = true;
        if (KeepsCompanion(clause)) return;
        if (HeldIt(clause) || StatesLimit(clause)) return;
        // "The cluster is held by three screws; remove these".
        if (!clause.Negated && clause.Verb?.Lemma is "hold" or "secure" or "fasten" or "retain" or "fix" or "bolt"
            && clause.Mood is Mood.Passive or Mood.Declarative
            && clause.Pieces.Find(p => p.Noun is { After: "by" or "with", IsPronoun: false } n && n.Is(ThingKind.Joint))?.Noun is { } fastener)
        {
            var what = clause.Pieces.Find(p => p.Noun is { After: null, IsPronoun: false })?.Noun;
            _from = what;
            _unnamed = what is null || fastener.Stems.Count > 1 ? fastener : fastener with { Owner = what.Stems, OwnerName = what.Name };
            return;
        }

        // "Four bolts hold the frame; all four out".
        if (clause is { Negated: false, Mood: Mood.Declarative }
            && clause.Verb?.Lemma is "hold" or "secure" or "fasten" or "retain" or "fix" or "attach" or "clamp"
            && clause.Nouns.ToList() is [{ IsPronoun: false } bolts, .., { IsPronoun: false, After: null } holds] && bolts.Is(ThingKind.Joint))
        {
            _unnamed = bolts.Stems.Count > 1 ? bolts : bolts with { Owner = holds.Stems, OwnerName = holds.Name };
            return;
        }

        // "The cover has four bolts; take them out".
        if (clause is { Negated: false, Mood: Mood.Declarative } && Has(clause, "has", "have")
            && clause.Nouns.ToList() is [{ IsPronoun: false, After: null } bears, { IsPronoun: false, After: null } had] && had.Is(ThingKind.Joint)
                && bears.Is(ThingKind.Part))
        {
            _unnamed = had.Stems.Count > 1 ? had : had with { Owner = bears.Stems, OwnerName = bears.Name };
            return;
        }

        // "Make sure the parking brake is on", "check that the tap is shut": it is set so.
        if (!clause.Negated && States(clause)) return;

        // "If the clip breaks, renew it".
        if (clause.IsProviso)
        {
            // "If equipped with a skid plate": the plate.
            bool IsNoun(NounPhrase n) => !n.IsPronoun && (Trade.NounOf(n.Stems) is not null || _refer.Known(n) is not null);
            if ((clause.Nouns.FirstOrDefault(n => n.After is null && (n.IsPronoun || IsNoun(n)))
                ?? clause.Nouns.FirstOrDefault(n => n.After == "with" && IsNoun(n))) is not { IsPronoun: false } whose) return;
            // "If the truck has sensors, unplug them": the sensors.
            var subject = Trade.NounOf(whose.Stems) is { Role: NounRole.Vehicle or NounRole.Person } && Has(clause, "has", "have", "with")
                && clause.Nouns.FirstOrDefault(n => n != whose && n.After is null or "with" && IsNoun(n)) is { } its ? its : whose;
            if (subject is not { IsPronoun: false }
                || Trade.NounOf(subject.Stems)?.Role is not (null or NounRole.Thing)) return;
            if (_refer.Known(subject) is { } about)
            {
                Spoken.Hand([about]);
                // "If the hose is soft, renew it", of two hoses: one of them, and none of what was in hand before.
                if (!subject.IsPlural) _unnamed = subject;
            }
            else if (Trade.NounOf(subject.Stems) is not null) _unnamed = subject;
            return;
        }

        // "Note which way round the bush sits, then press it out".
        if (_actions.Count == 0 && Has(clause, "how", "where", "which")
            && (clause.Mood == Mood.Beside || clause.Verb?.Lemma is "note" or "record" or "remember" or "see" or "write" or "sketch" or "photograph")
            && clause.Pieces.FindLast(p => p.Noun is { IsPronoun: false } n && Trade.NounOf(n.Stems) is { Role: NounRole.Thing })?.Noun is { } noted)
        {
            if (_refer.Known(noted) is { } known) Spoken.Hand([known]);
            else _unnamed = noted with { After = null };
            return;
        }

        // "While one of you feeds the loom in, the other draws it through".
        if (clause.Mood == Mood.Beside && _finder.Tokens[clause.From].Text is "while" or "as" && _actions.Count == 0
            && clause.Pieces.Find(p => p.Noun is { After: null, IsPronoun: false } n
            && Trade.NounOf(n.Stems) is { Role: NounRole.Thing })?.Noun is { } meanwhile && _refer.Known(meanwhile) is null) _unnamed = meanwhile;
        // "With the pipe resting in the strap, hook it over the stub".
        if (_actions.Count == 0 && clause.Mood == Mood.Beside && _finder.Tokens[clause.From].Text == "with"
            && clause.Nouns.FirstOrDefault() is { IsPronoun: false, IsIndefinite: false, Size: "" } resting && Trade.NounOf(resting.Stems)?.Role is null or NounRole.Thing
            && !(Trade.NounOf(resting.Stems) is { Kinds: [ThingKind.Tool or ThingKind.Aid or ThingKind.Control or ThingKind.Consumable, ..] }))
        {
            if (_refer.Known(resting) is Part or Connection) Spoken.Hand([_refer.Known(resting)!]);
            else if (_refer.Known(resting) is null && _refer.Doubtful.Count == 0) _unnamed = resting with { After = null };
        }

        // "Keeping hold of the shaft, lower it".
        if (_actions.Count == 0 && clause is { Mood: Mood.Beside, Verb.Lemma: "hold" or "keep" or "support" or "steady" }
            && clause.Pieces.Find(p => p.Noun is { IsPronoun: false, After: null or "of" } n
            && Trade.NounOf(n.Stems)?.Role is null or NounRole.Thing)?.Noun is { } held)
        {
            if (_refer.Known(held) is { } inHand) Spoken.Hand([inHand]);
            else _unnamed = held;
            return;
        }

        // "Take the wrench to the bolts and remove them".
        if (clause is { Mood: Mood.Imperative, Negated: false } && clause.Nouns.FirstOrDefault() is { IsPronoun: false, After: null } tool
            && tool.Is(ThingKind.Tool)
            && clause.Nouns.FirstOrDefault(n => n is { After: "to" or "on", IsPronoun: false }) is { } at && _refer.Known(at) is { } worked)
        {
            UseNamed(tool);
            Spoken.Hand([worked]);
            return;
        }

        var named = new List<Thing>();
        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { IsPronoun: false } phrase) continue;
            // "Behind the pump are two bolts: undo them": the pump's.
            if (clause is { Mood: Mood.Declarative, Negated: false } && phrase.After is null && WithPartBeside(clause, phrase) is { } whose)
            {
                _unnamed = whose;
                return;
            }

            if (phrase.After is null or "with" or "using" or "in" && !clause.Negated) UseNamed(phrase);
            if ((phrase.After is null || clause.Verb?.Lemma is "begin" or "start" && phrase.After is "with" or "on" || clause.Verb?.Lemma == "see" && phrase.After == "to") && _refer.Known(phrase) is { } thing) named.Add(thing);
        }

        // "Begin with the left lamp: …": what the sentence is about.
        if (clause.Verb?.Lemma is "begin" or "start" && EndsWithColon(clause)
            && clause.Pieces.Find(p => p.Noun is { IsPronoun: false, After: "with" or "on" or "at" } n
            && Trade.NounOf(n.Stems)?.Role is null or NounRole.Thing)?.Noun is { } topic) _topic = topic;
        if (HoldsForAnother(clause)) return;
        // "Keep the disc clean": nothing is done, but "it" afterwards is the disc.
        if (named.Count > 0 && !clause.Negated && clause.Mood != Mood.Beside) Spoken.Hand(named);
        else if (clause is { Mood: Mood.Imperative or Mood.Declarative, Negated: false }
            && clause.Pieces.Find(p => p.Noun is { IsPronoun: false } n && (n.After is null || IsDirect(clause, n))
            && Trade.NounOf(n.Stems)?.Role is null or NounRole.Thing) is { Noun: { } unknown }
            // "You'll curse yourself next time".
            && (clause.Mood == Mood.Imperative || Trade.IsThing(unknown.Head) || !Trade.ToldWho.Contains(_finder.Tokens[clause.From].Text))
            && !IsMeans(unknown)) _unnamed = HandledIn(clause, unknown with { After = null });
    }

    // "The line has a union nut. Hold the fitting while you crack it": the nut, of which was told before.
    private bool HoldsForAnother(Clause clause)
    {
        if (clause is not { Mood: Mood.Imperative, Verb.Lemma: "hold" or "counterhold" or "brace" or "steady" }) return false;
        var next = _clauses.Find(c => c.From >= clause.To);
        bool Says(int from, int to, Func<string, bool> words) => Enumerable.Range(from, to - from).Any(i => words(_finder.Tokens[i].Text));
        if (next is not { Mood: Mood.Imperative } || !Says(next.From, next.To, w => w is "it" or "them")
            || !Says(clause.To, next.From, w => w is "while" or "as")) return false;
        var before = _clauses.FindLast(c => c.To <= clause.From);
        if (before is not { Mood: Mood.Declarative or Mood.Passive } || before.Nouns.LastOrDefault(n => !n.IsPronoun && n.Is(ThingKind.Joint)) is not { } told)
            return Spoken.Last is [Joint, ..];
        if (_refer.Known(told) is { } known) Spoken.Hand([known]);
        else _unnamed = told with { After = null };
        return true;
    }

    // "On the cover, …", "to free the cover, …", "go to the cover and …": the part that what follows is about.
    private NounPhrase? LedTo(Clause clause)
    {
        if (clause.Negated || clause.IsProviso) return null;
        var first = _finder.Tokens[clause.From].Text;
        var beside = clause.Mood == Mood.Beside;
        var frees = beside && first == "to" && clause.From + 1 < clause.To && _finder.Tokens[clause.From + 1].Text is var verb
            && (Trade.Frees.Contains(verb) || verb is "get" or "take" or "lift" or "pull" && Has(clause, "free", "off", "out", "loose"));
        var there = beside && Trade.Leads.Contains(first) || clause is { Mood: Mood.Imperative, Verb.Lemma: "go" or "look" or "turn" or "move" };
        if (!frees && !there) return null;
        return clause.Pieces.Find(p => p.Noun is { IsPronoun: false } n && (frees ? n.After is null : n.After is not (null or "with" or "using" or "by"))
            && (_refer.Known(n) is Part || _refer.Known(n) is null && n.Is(ThingKind.Part)))?.Noun;
    }

    // A control said to be in a position, behind "make sure", "check that", "with".
    private bool States(Clause clause)
    {
        var told = clause.Verb?.Lemma is "make" or "ensure" ? clause : _clauses.TakeWhile(c => c != clause).LastOrDefault(c => c.Mood != Mood.Beside
            || c.Verb is not null);
        if (told?.Verb?.Lemma is not ("make" or "ensure" or "check" or "verify" or "confirm" or "see" or "be") || clause.Mood == Mood.Beside) return false;
        var controls = clause.Nouns.Where(n => n is { IsPronoun: false, After: null }
            && (_refer.Known(n) is Control || _refer.Known(n) is null && n.Is(ThingKind.Control))).ToList();
        if (controls.Count == 0 || !Has(clause, "is", "are", "stands")
            || !Has(clause, "on", "off", "out", "in", "applied", "released", "locked", "shut", "closed", "open", "neutral", "park", "down",
                "up", "disengaged", "engaged", "stopped")) return false;
        SetControl(clause, controls);
        return true;
    }

    // What is a tool and nothing else is used wherever it is named: "two shots from the grease gun", "multimeter across the posts", "on the
    // vernier caliper". So is what a verb is named after.
    private void UseTools()
    {
        foreach (var clause in _clauses)
        {
            var at = PlaceOf(clause);
            if (clause.Negated || clause.IsProviso || _passages.Exists(p => p.Advises(at))
                || _step.Said.Length > 0 && SaidOf(at) is not null) continue;
            _finder.Fill(clause);
            foreach (var noun in clause.Nouns)
                if (noun is { IsPronoun: false, After: null or "with" or "using" or "from" or "of" or "on" or "by" or "in" }
                    && Trade.NounOf(noun.Stems) is { Kinds: [ThingKind.Tool], Role: NounRole.Thing }
                    && (noun.After is not null || clause.Mood == Mood.Fragment)) UseNamed(noun);
                // "Wipe it with a lint-free rag": what is wiped with is used up.
                else if (noun is { After: "with", IsPronoun: false } && clause.Verb is { Frames: [{ Sense: Sense.Clean }, ..] }
                    && Trade.NounOf(noun.Stems) is { Kinds: [ThingKind.Aid, ..] } && _refer.Known(noun) is null)
                    Use(_refer.Assume(noun, ThingKind.Consumable, false, null, null));
            if (clause.Verb is { } verb && Trade.ToolVerbs.Contains(verb.Lemma) && verb.Lemma.Replace('-', ' ') is var tool)
                UseNamed(new NounPhrase(at, tool, NameIndex.StemsOf(tool)) { Name = tool });
        }
    }

    private bool IsWithout(NounPhrase noun)
    {
        var before = _finder.Tokens.TakeWhile(t => t.At.Start < noun.At.Start).TakeLast(2).Select(t => t.Text);
        return before.Contains("without");
    }

    private void UseNamed(NounPhrase phrase)
    {
        // "Plug it into the towing socket", "the pressure in bar": where something goes, and in what it is told.
        if (IsWithout(phrase) || phrase is { Head: "socket", Size: "", After: "into" or "in" or "to" or "from" or "of" or "on" }
            or { Head: "bar", After: "in" }) return;
        if (_refer.Known(phrase) is { } known)
        {
            if (known.Kind is ThingKind.Tool or ThingKind.Consumable or ThingKind.Aid) Use(known);
            return;
        }

        // "With a forked lever": a tool, no control.
        if (phrase is { IsIndefinite: true, After: "with", Head: "lever" }) Use(_refer.Assume(phrase, ThingKind.Tool, false, null, null));
        // "A 6 mm key": no key of the ignition.
        else if (phrase is { Size.Length: > 0, Head: "key" or "bit" or "ring" }) Use(_refer.Assume(phrase, ThingKind.Tool, false, null, null));
        else if (_refer.Doubtful.Count == 0 && Settled(phrase.Text) is null
            && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Tool or ThingKind.Consumable, ..] } noun)
            Use(_refer.Assume(phrase, noun.Kinds[0], false, null, null));
    }

    private void Use(Thing thing) => _uses.Add(thing.Id);

    // "With a helper", "two people lift": how many hands.
    private void Hands(Clause clause)
    {
        if (clause.HasHelper) _people = Math.Max(_people ?? 1, 2);
        if (clause.People > 1) _people = Math.Max(_people ?? 1, clause.People);
        // "With the parking brake applied and the gear lever in neutral".
        if (!clause.Negated && clause.Mood is Mood.Imperative or Mood.Passive)
            foreach (var piece in clause.Pieces)
                if (piece.Noun is { After: "with", IsPronoun: false, IsIndefinite: false, Size: "" } with && _refer.Known(with) is not Tool
                    && with.Is(ThingKind.Control) && TellsItsState(with)
                    // "Move the lever with the engine stopped": how it is meanwhile.
                    && !(with.Head is "engine" or "motor" && clause.Verb?.Lemma is not ("park" or "leave" or "stand")))
                    SetControl(clause, [.. clause.Pieces.SkipWhile(p => p != piece).Where(p => p.Noun is { IsPronoun: false } n
                        && n.Is(ThingKind.Control)).Select(p => p.Noun!)]);
        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { IsPronoun: false } phrase || Trade.NounOf(phrase.Stems) is not { Role: NounRole.Person }) continue;
            if (phrase.Head is "hand" or "hands" || Trade.ToldWho.Contains(phrase.Head) || phrase.Stems.Contains("qualified")) continue;
            var one = phrase.Head is "people" or "person" && phrase.Count is > 1 ? phrase.Count.Value : phrase.Head == "person" && phrase.Distinct.Count == 0 && !phrase.Stems.Contains("second") ? 1 : 1 + (phrase.Count ?? 1);
            if (one > 1 && !clause.Negated) _people = Math.Max(_people ?? 1, one);
        }
    }

    // "With the brake applied"; not "align the pulley with the key", nor "with the lever pointing upwards", which tells how a part stands.
    private bool TellsItsState(NounPhrase control)
    {
        var next = _finder.Tokens.SkipWhile(t => t.At.Start < control.At.End).FirstOrDefault() is { Kind: TokenKind.Word } behind ? behind.Text : "";
        if (next is "pointing" or "facing" or "showing" or "uppermost" or "outwards" or "inwards") return false;
        return control.Head != "key" || Trade.Paths.Contains(next) || next.EndsWith("ed", StringComparison.Ordinal)
            || next is "set" or "held" or "left";
    }

    private Aid? AidIn(Clause clause)
    {
        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { After: "with" or "from" or "by" or "on" or "using" or "in" or "into", IsPronoun: false } phrase) continue;
            var thing = Settled(phrase.Text) is { Length: > 0 } s ? _refer.Find(s) : _refer.Known(phrase);
            if (thing is null && Trade.NounOf(phrase.Stems) is { } noun
                && (noun.Kinds is [ThingKind.Aid, ..] || phrase.After == "with" && noun.Kinds.Contains(ThingKind.Aid))
                && _refer.Doubtful.Count == 0) thing = _refer.Assume(phrase, ThingKind.Aid, false, null, null);
            if (thing is Aid aid) return aid;
        }

        return null;
    }

    // --- the same again
    [GeneratedRegex(@"\b(?:by|to) the same (?:amount|number|distance|length|height|depth|angle)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex SameAmount();

    private bool Repeats(Clause clause)
    {
        if (clause.Negated || clause.Mood == Mood.Beside) return false;
        var at = PlaceOf(clause);
        var words = at.Of(_text);
        // "On the other side do likewise": where stands before.
        var before = _clauses.ElementAtOrDefault(_clauses.IndexOf(clause) - 1) is { Mood: Mood.Beside } led && !EndsBetween(led, clause)
            && SideWords.IsSide(PlaceOf(led).Of(_text)) ? SideWords.In(PlaceOf(led).Of(_text)) : null;
        // "The other in by the same amount": how far.
        if (SameAmount().IsMatch(words)) return false;
        var whole = _text[at.Start..EndOfSentence(clause)];
        // "Do the same as in steps 2 and 3 on the right": what stands behind belongs to it.
        var asIn = AsInSteps().IsMatch(whole) && (clause.Verb?.Lemma is null or "do" or "be" or "proceed" or "work" || Has(clause, "same"));
        if (asIn) words = whole;
        var (side, steps) = (SideWords.In(words) ?? before, StepNumbersText.In(asIn ? whole : _text[..at.End], asIn ? 0 : at.Start));
        var again = Has(clause, "same", "again", "likewise", "alike", "repeated") || words.Contains("once more", StringComparison.OrdinalIgnoreCase);
        var told = clause.Verb?.Lemma is "repeat" or "redo" || clause.To == clause.From + 1 && _finder.Tokens[clause.From].Text == "repeat";
        var repeats = told || asIn && steps is not null
            || side is not null && Has(clause, "side") && Has(clause, "treat", "work", "proceed", "deal", "handle")
                && (whole.Contains("same", StringComparison.OrdinalIgnoreCase) || Has(clause, "likewise"))
            || steps is not null && (again || side is not null)
            || side is not null && again && (clause.Verb is null && !Has(clause, "likewise") || Has(clause, "side", "same")) && !Values(clause).Any(v => v.Kind == TokenKind.Torque)
            || side is not null && clause.Verb?.Lemma is "do" && Has(clause, "side")
            || Has(clause, "same") && (Has(clause, "do", "again", "way", "manner", "routine", "goes", "applies", "holds")
                || clause.Mood == Mood.Fragment && Has(clause, "on", "with", "for"))
                && !Values(clause).Any(v => v.Kind == TokenKind.Torque) && (clause.Verb?.Lemma is null or "do" or "be" or "fish")
            || Has(clause, "again", "more") && Has(clause, "all", "lot", "everything", "whole") && Has(clause, "this", "that", "lot", "everything")
                && clause.Verb is null
            || Has(clause, "likewise") && Has(clause, "do", "deal", "treat")
            || clause.Verb is null && clause.Mood is Mood.Fragment or Mood.Declarative && words.Length < 40
                && (words.EndsWith("the other one", StringComparison.OrdinalIgnoreCase) || words.EndsWith("the other side", StringComparison.OrdinalIgnoreCase))
            || clause.Verb?.Lemma is "do" && Has(clause, "like");
        if (!repeats) return false;
        _told = true;
        // The numbers may reach beyond what was cut at a comma: "steps 6, 7 and 9 to 17"; "repeat: steps 2 and 3", "steps 2 and 3: repeat".
        var named = steps is not null ? StepNumbersText.In(_text, at.Start) : !told ? null
            : EndsWithColon(clause) ? StepNumbersText.In(whole, 0)
            : clause.To == clause.From + 1 ? StepNumbersText.In(_text[..at.End], _text.LastIndexOf("step", at.Start,
                StringComparison.OrdinalIgnoreCase) is >= 0 and var there ? there : at.Start)
            : null;
        if (named is null && StepNumbersText.NamesWhatCannotBe(whole))
        {
            Unclear(clause, Verb.Repeat);
            return true;
        }

        if (side is null && named is null && DoesTheSameTo(clause)) return true;
        // "Same for the other two", of three: the rest of what is in hand, and no other side.
        if (named is null && clause.Nouns.Any(n => n is { IsPronoun: true, IsRest: true, Count: > 1 })
            && _actions is [.., { Target: { } done }] && _refer.Find(done) is Joint { Count: > 2 }) return true;
        _actions.Add(new StepAction { Verb = Verb.Repeat, Words = Short(words), At = at, Side = side, Steps = named });
        return true;
    }

    [GeneratedRegex(@"\bas\s+(?:described\s+)?in\s+steps?\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex AsInSteps();

    // Where the sentence of a clause ends in the text.
    private int EndOfSentence(Clause clause)
    {
        for (var i = clause.To; i < _finder.Tokens.Count; i++)
            if (_finder.Tokens[i].Kind == TokenKind.Stop) return _finder.Tokens[i].At.Start;
        return _text.Length;
    }

    // --- what is not understood
    private void Unclear(Clause clause, Verb? likely = null)
    {
        var at = PlaceOf(clause);
        var key = KeyOf(at.Of(_text));
        _told = true;
        if (Settled(key) is not null) return;

        // What it is done to may be "it" in what follows.
        _unnamed = clause.Pieces.Find(p => p.Noun is { After: null, IsPronoun: false } n
            && Trade.NounOf(n.Stems)?.Role is null or NounRole.Thing)?.Noun ?? _unnamed;
        _residue.Add(at);
        var nouns = clause.Pieces.Where(p => p.Noun is { IsPronoun: false }).Select(p => p.Noun!).ToList();
        var things = nouns.Select(n => _refer.Known(n)).OfType<Thing>().Distinct().Take(3);
        // A thing the sheet does not have, where the noun may be one at all.
        var named = nouns.FindLast(n => n.After is null && n.Name.Length is > 0 and < 60 && _refer.Known(n) is null
            && Trade.NounOf(n.Stems)?.Role is null or NounRole.Thing);
        Ask(new Question
        {
            Kind = QuestionKind.Unclear,
            Phrase = key,
            At = at,
            Verb = likely,
            Candidates = [.. things.Select(t => t.Id)],
            Names = named is null ? [] : [named.Name],
            NewKinds = named is null ? [] : KindsOf(named)
        });
    }

    // What a noun names that the sheet does not have: as the trade takes it, else a part or a set of fasteners.
    private static ImmutableArray<ThingKind> KindsOf(NounPhrase noun) =>
        Trade.NounOf(noun.Stems) is { Kinds: [var kind, ..] } ? [kind] : noun.IsPlural ? [ThingKind.Joint, ThingKind.Part] : [ThingKind.Part, ThingKind.Joint];

    // "Fit the cover over a new gasket", "… over the new gasket": that goes on, too; "stick new foam on the new core" only tells where.
    private static bool IsUnder(NounPhrase under, Clause clause) => under.IsIndefinite || !clause.Nouns.Any(n => n is { After: null, IsNew: true });
}
