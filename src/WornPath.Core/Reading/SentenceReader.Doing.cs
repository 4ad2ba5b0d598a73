using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// What needs more than a verb and its object: waiting, treating, pins, locks, controls.
public sealed partial class SentenceReader
{
    private void Wait(Clause clause, List<NounPhrase> objects)
    {
        var time = Values(clause).FirstOrDefault(v => v.Kind == TokenKind.Time);
        var target = objects.Select(o => o.IsPronoun ? null : _refer.Known(o)).OfType<Part>().FirstOrDefault();
        Add(Verb.Wait, target, PlaceOf(clause), a => a with { Minutes = time.Kind == TokenKind.Time ? time.Number : null });
    }

    private void Treat(Clause clause, List<NounPhrase> objects)
    {
        // "Apply threadlocker to the bolts", "oil the seal", "pack the bearing with grease", "give each nut a drop of threadlocker".
        if (WrapsToProtect(clause)) return;
        NounPhrase? what = null;
        var treated = new List<NounPhrase>();
        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { } phrase || phrase.After is "by" or "until" or "for" or "from") continue;
            // "A few drops of oil on the bolts": no oil that is filled in.
            if (!phrase.IsPronoun && (IsStuff(phrase) || phrase is { After: null } && clause.Mood == Mood.Imperative && phrase.Is(ThingKind.Fluid)
                && clause.Pieces.Exists(p => p.Noun is { After: "on" or "onto" or "to" })))
            {
                what ??= phrase;
                continue;
            }

            // "The lip of the seal", "the seal lip": the seal.
            if (!phrase.IsPronoun && (phrase.Owner.Count > 0 || phrase.Stems.Count > 1)
                && _refer.Known(phrase, k => k is ThingKind.Joint or ThingKind.Part) is null && Bearer(phrase) is { } whole)
            {
                treated.Add(whole);
                continue;
            }

            if (!phrase.IsPronoun && Trade.NounOf(phrase.Stems) is { Role: NounRole.Words or NounRole.Person }) continue;
            if (!phrase.IsPronoun && phrase.Is(ThingKind.Tool))
            {
                UseNamed(phrase);
                continue;
            }

            if (phrase.After is null or "to" or "on" or "onto" or "over" or "in" or "into" or "of" or "under" or "between" or "inside"
                or "outside" or "around" or "round" or "along" or "up" or "down" || clause.Mood is Mood.Passive) treated.Add(phrase);
        }

        // "Wet the seal with clean fuel", which the sheet has as what is drained: no consumable besides.
        var stuff = what is null || _refer.Known(what, k => k == ThingKind.Fluid) is Fluid ? null : _refer.Known(what) as Consumable
            ?? (what.After is null or "of" or "with" or "in" ? _refer.Assume(what, ThingKind.Consumable, false, null, null) : null);
        if (stuff is not null) Use(stuff);
        var hand = new List<Thing>();
        foreach (var named in treated)
        {
            // "Clean the posts and coat them": what is no thing of the sheet.
            var phrase = named is { IsPronoun: true, Text: "it" or "them" } && _unnamed is { } spoken && _actions is [.., { Target: null }]
                ? spoken with { At = named.At } : named;
            var things = phrase.IsPronoun ? [.. _refer.Meant(phrase, k => k is ThingKind.Joint or ThingKind.Part or ThingKind.Connection)] : _refer.Known(phrase, k => k is ThingKind.Joint or ThingKind.Part) is { } one ? [one] : (IReadOnlyList<Thing>)[];
            var changed = things.Where(t => !Spoken.IsYetToCome(t) && t.Kind is ThingKind.Joint or ThingKind.Part or ThingKind.Connection).ToList();
            // "Hang the wheel, grease the studs": those its nuts go on.
            if (changed.Count == 0 && phrase is { IsPronoun: false, Stems: ["stud"] } && FastenersOf(PartInHand, "nut") is { } nutsOn) changed = [nutsOn];
            // "Soak all studs": those there are.
            else if (changed.Count == 0 && phrase is { IsPronoun: false, Stems: ["stud"] })
            {
                _actions.Add(new StepAction { Verb = Verb.Treat, Words = phrase.Text, With = stuff?.Id, At = phrase.At });
                continue;
            }
            else if (changed.Count == 0 && !phrase.IsPronoun && phrase.Is(ThingKind.Joint))
            {
                var (owner, ownerId) = OwnerOf(clause, phrase);
                changed = [_refer.Assume(phrase, ThingKind.Joint, true, owner, ownerId)];
            }

            foreach (var thing in changed) _actions.Add(new StepAction
            {
                Verb = Verb.Treat,
                Target = thing.Id,
                With = stuff?.Id,
                Words = what?.Text
                ?? clause.Verb?.Lemma,
                New = phrase.IsNew,
                Some = TreatedOf(thing, phrase),
                Rest = phrase.IsRest,
                At = phrase.At
            });
            hand.AddRange(changed);
            if (changed.Count > 0 || phrase.IsPronoun || (phrase.Head == "brake" && phrase.After is null)) continue;
            _actions.Add(new StepAction { Verb = Verb.Treat, With = stuff?.Id, Words = phrase.Text, At = phrase.At });
            if (!phrase.IsIts) _unnamed = phrase;
        }

        if (treated.Count == 0 && what is null && clause.Nouns.All(n => Trade.NounOf(n.Stems) is { Role: NounRole.Words }) && _topic is { } topic
            && _refer.Known(topic, k => k is ThingKind.Joint or ThingKind.Part) is { } headed)
        {
            // "Cover bolts: grease", "seal: grease the lip".
            _actions.Add(new StepAction { Verb = Verb.Treat, Target = headed.Id, Words = clause.Verb?.Lemma, At = PlaceOf(clause) });
            hand.Add(headed);
        }

        if (treated.Count == 0 && what is not null)
            foreach (var thing in _refer.Meant(new NounPhrase(what.At, "them", []) { IsPronoun = true, IsPlural = true }, k => k is ThingKind.Joint or ThingKind.Part))
                _actions.Add(new StepAction { Verb = Verb.Treat, Target = thing.Id, With = stuff?.Id, Words = what.Text, At = what.At });
        if (hand.Count > 0) Spoken.Hand(hand);
        Beside(clause);
    }

    // "Wind a turn of tape round the splines to protect the lip": put there, and taken off again.
    private bool WrapsToProtect(Clause clause)
    {
        if (clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, Head: "tape" }) is not { } tape) return false;
        var why = _clauses.ElementAtOrDefault(_clauses.IndexOf(clause) + 1) is { Mood: Mood.Beside } purpose && !EndsBetween(clause, purpose) ? purpose : null;
        if (!Has(clause, "protect", "protects", "protection")
            && !(why is not null && Has(why, "protect", "save", "damage", "nick", "cut", "scratch"))) return false;
        Add(Verb.Place, _refer.Known(tape) as Aid ?? _refer.Assume(tape with { After = null }, ThingKind.Aid, false, null, null), tape.At);
        return true;
    }

    // "A smear of grease on the seal", "with grease on the bolts": put there, whatever the words are about.
    private bool PutOn(Clause clause, NounPhrase stuff, NounPhrase? coated = null)
    {
        var on = clause.Nouns.Where(n => n == coated || n is { IsPronoun: false, After: "on" or "onto" or "to" or "over" or "around" or "round" })
            .Select(n => (Noun: n, Thing: _refer.Known(n, k => k is ThingKind.Joint or ThingKind.Part)
                ?? (Bearer(n) is { } whole ? _refer.Known(whole, k => k is ThingKind.Joint or ThingKind.Part) : null)))
            .Where(n => n.Thing is Joint or Part).ToList();
        // "Penetrating oil on all pins", which the sheet does not have yet.
        if (on.Count == 0 && coated is null && clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: "on" or "onto" or "over" }
            && _refer.Known(n) is null
            && Trade.IsThing(n.Head)) is { } bare && _refer.Doubtful.Count == 0)
        {
            _actions.Add(new StepAction { Verb = Verb.Treat, With = Used(stuff).Id, Words = bare.Text, At = bare.At });
            _unnamed = bare with { After = null };
            return true;
        }

        if (on.Count == 0) return false;
        var used = Used(stuff);
        foreach (var (noun, thing) in on)
            _actions.Add(new StepAction { Verb = Verb.Treat, Target = thing!.Id, With = used.Id, Words = stuff.Text, At = noun.At });
        Spoken.Hand([.. on.Select(n => n.Thing!)]);
        return true;
    }

    // Whose lip, shank or face a phrase names: "the shanks of the cover bolts", "the seal lip"; null where the sheet has no such thing.
    private NounPhrase? Bearer(NounPhrase phrase)
    {
        var whole = phrase.Owner.Count > 0
            ? phrase with { Stems = phrase.Owner, Name = phrase.OwnerName, Text = phrase.OwnerName.ToLowerInvariant(), Owner = [], OwnerName = "" }
            : phrase.Stems.Count > 1 ? phrase with
            {
                Stems = [.. phrase.Stems.SkipLast(1)],
                Name = phrase.Name[..Math.Max(0, phrase.Name.LastIndexOf(' '))],
                Text = phrase.Text[..Math.Max(0, phrase.Text.LastIndexOf(' '))]
            } : null;
        return whole is not null && (Trade.Relational.Contains(phrase.Head) || phrase.Head is "head" or "shank" or "stem" or "thread")
            && _refer.Known(whole, k => k is ThingKind.Joint or ThingKind.Part) is Joint or Part ? whole : null;
    }

    // What is put on, of the sheet or named anew; it is used.
    private Consumable Used(NounPhrase stuff)
    {
        var used = _refer.Known(stuff) as Consumable ?? (Consumable)_refer.Assume(stuff with { After = null }, ThingKind.Consumable, false, null, null);
        Use(used);
        return used;
    }

    // One of "grease", "oil", and no cleaner: what is put on to stay.
    private bool Stays(NounPhrase phrase) => IsStuff(phrase) && !Trade.Cleaners.Contains(phrase.Head);

    // "One of the studs", also where nobody has said how many there are.
    private int? TreatedOf(Thing thing, NounPhrase phrase) => SomeOf(thing.Id, phrase)
        ?? (phrase.Some > 0 && thing is Joint { Count: 1 } && thing.Name.EndsWith('s') ? phrase.Some : null);

    private bool IsStuff(NounPhrase phrase) => _refer.Known(phrase) is Consumable || phrase.Is(ThingKind.Consumable) && _refer.Known(phrase) is null
        || phrase.After is "with" or "in" && phrase.Is(ThingKind.Fluid);

    // "The split pin", "the cotter", and "it" after one.
    private bool IsCotter(NounPhrase phrase) => phrase.IsPronoun ? phrase.Text is "it" or "them" && Spoken.Pin
        : !HoldsAPin && (phrase.Head == "cotter" || phrase.Head == "pin" && (phrase.Stems.Any(s => s is "cotter" or "split")
            || phrase.Stems.Count == 1)) && _refer.Known(phrase) is null or Consumable;

    // "Pull the cotter and the clevis pin": it holds a pin, and locks no nut.
    private bool HoldsAPin => _holdsAPin ??= NamesAPinAlone();

    private bool? _holdsAPin;

    private bool NamesAPinAlone()
    {
        _clauses.ForEach(_finder.Fill);
        return _clauses.Exists(c => c.Nouns.Any(n => n is { IsPronoun: false, Head: "pin", Stems.Count: > 1 }
                && !n.Stems.Any(s => s is "cotter" or "split" or "guide" or "lynch" or "linch")))
            && !_clauses.Exists(c => c.Nouns.Any(n => !n.IsPronoun && n.Head == "nut"));
    }

    // "Insert the pin and secure it with a split pin": a clevis pin is what is in hand.
    private static bool IsPin(Thing thing) => thing is Part && NameIndex.NamesOf(thing)[0] is [_, .., "pin"];

    // "Chock both rear wheels", "cap the ports": the verb names the aid, its object where it goes.
    private void PlaceOwn(Clause clause, List<NounPhrase> objects)
    {
        var verb = clause.Verb!.Lemma;
        var aid = _refer.All<Aid>().Where(a => NameIndex.NamesOf(a)[0] is [.., var head]
            && (head == verb || NameIndex.NamesOf(a)[0] is ["wheel", _] && objects is [{ Head: "wheel" }, ..]
                && Trade.Chocks.Contains(head) && Trade.Chocks.Contains(verb))).ToList();
        // "Plug the ports with the caps": said with what.
        var with = clause.Pieces.Where(p => p.Noun is { After: "with" or "using", IsPronoun: false }).Select(p => p.Noun!)
            .Select(n => _refer.Known(n) is Aid known ? known
                : _refer.Known(n) is null && (n.Is(ThingKind.Aid) || n.Head is "cap" or "plug" or "bung" or "stopper")
                ? _refer.Assume(n, ThingKind.Aid, false, null, null) : null).OfType<Aid>().FirstOrDefault();
        if (objects.FirstOrDefault(o => !o.IsPronoun) is not { } where)
        {
            var named = new NounPhrase(PlaceOf(clause), verb + "s", [verb]) { Name = NameOfLast(verb) };
            var what = with ?? Spoken.Nearest(aid) ?? aid.FirstOrDefault() ?? _refer.Assume(named, ThingKind.Aid, false, null, null);
            Add(Verb.Place, what, PlaceOf(clause));
            Beside(clause);
            return;
        }

        // "Block the rear wheels": with chocks.
        var its = verb == "block" && where.Head == "wheel" ? "chock" : verb;
        var name = $"{where.Stems[^1]} {its}{(where.IsPlural || its is "chock" or "block" ? "s" : "")}";
        var own = with ?? Spoken.Nearest(aid) ?? aid.FirstOrDefault() ?? _refer.Assume(where with { Name = name, Stems = NameIndex.StemsOf(name), Count = null, Some = null, Size = "" }, ThingKind.Aid, false, null, null);
        Add(Verb.Place, own, where.At);
        // "Sling the bracket from an engine crane".
        if (clause.Pieces.Exists(p => p.Noun is { After: "from", IsPronoun: false } n && n.Is(ThingKind.Aid))) PlaceAids(clause);
        if (_refer.Known(where) is { } there) Spoken.Hand([there]);
        else if (Trade.NounOf(where.Stems)?.Role is null or NounRole.Thing) _unnamed = where;
    }

    private string NameOfLast(string verb) => Spoken.Last.Count > 0 ? $"{NameIndex.NamesOf(Spoken.Last[0])[0][^1]} {verb}s" : verb + "s";

    // "Unbolt the bracket": its bolts come out, and it comes off.
    private void Unbolt(Clause clause, List<NounPhrase> objects)
    {
        var hand = new List<Thing>();
        foreach (var phrase in objects)
            foreach (var thing in Things(clause, Sense.Off, phrase))
            {
                // "Unclip the panel": its clips, where it has any.
                if (thing is Part part && !_actions.Exists(a => a.Verb == Verb.TakeOut) && (clause.Verb?.Lemma == "unbolt"
                    ? FastenersOf(part) ?? AssumeBolts(part, phrase) : FastenersOf(part, "clip")) is { } holds) Add(Verb.TakeOut, holds, phrase.At);
                Act(clause, Sense.Off, thing, phrase);
                hand.Add(thing);
            }

        // "Unbolt both covers, four bolts each, and set them down": the covers.
        Spoken.Hand(hand.Exists(t => t is Part) ? hand.FindAll(t => t is Part) : hand);
        Beside(clause);
    }

    // "Uncap the pipe": the cap that is on it, or the one that was put on last.
    private void TakeOwn(Clause clause)
    {
        var caps = _refer.All<Aid>().Where(a => NameIndex.NamesOf(a)[0][^1] is "cap" or "plug" or "bung" or "cover"
            && Spoken.IsOff(a) is false).ToList();
        var whose = clause.Nouns.Where(n => !n.IsPronoun).SelectMany(n => n.Stems).ToHashSet();
        if ((caps.Find(c => NameIndex.NamesOf(c)[0].Any(whose.Contains)) ?? Spoken.Nearest(caps)) is { } cap) Add(Verb.TakeAway, cap, PlaceOf(clause));
        else Unclear(clause);
        // "Uncap the line and connect it".
        if (clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: null }) is { } capped
            && (_refer.Known(capped) is { } open ? [open] : SetOf(capped, Sense.Connect, _ => true)) is { Count: > 0 } opened) Spoken.Hand(opened);
    }

    // "Drain the hydraulic tank": what is in it.
    private NounPhrase DrainedFrom(Clause clause, NounPhrase phrase)
    {
        // "Drain about ten litres out of the transmission".
        if (!phrase.IsPronoun && Trade.NounOf(phrase.Stems) is { Role: NounRole.Words }
            && clause.Pieces.Find(p => p.Noun is { IsPronoun: false, After: "of" or "from" or "out" })?.Noun is { } vessel) phrase = vessel;
        if (phrase.IsPronoun || _refer.Known(phrase) is Fluid
            || Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Fluid, ..] } or { Role: NounRole.Words }
            // "Let the bowl run empty": no fluid, whatever it is.
            || Trade.NounOf(phrase.Stems) is null && !Has(clause, "empty", "dry")) return phrase;
        var name = FluidIn(phrase.Stems)?.Name ?? FluidCalledBy(phrase.Stems) ?? $"{phrase.Name} oil";
        return phrase with { Name = name, Text = name.ToLowerInvariant(), Stems = NameIndex.StemsOf(name), Owner = [], OwnerName = "" };
    }

    // "Unhook the caliper": what it hung on comes away.
    private void Unhang(Clause clause, List<NounPhrase> objects)
    {
        foreach (var phrase in objects.Count > 0 ? objects : [Bare(clause)])
        {
            var things = Things(clause, Sense.Off, phrase);
            foreach (var thing in things)
            {
                if (Spoken.HangsOn(thing) is { } aid) Add(Verb.TakeAway, aid, phrase.At);
                else Act(clause, Sense.Off, thing, phrase);
            }

            Spoken.Hand(things);
        }
    }

    // A tab, a plate, a wire lock the joint they belong to.
    private void LockOn(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        var verb = sense switch { Sense.Lock => Verb.Lock, Sense.Unlock => Verb.Unlock, _ => Verb.Stake };
        // "One tang over a flat of the outer nut and another over a flat of the inner": what they are bent over.
        var bent = clause.Pieces.Where(p => p.Noun is { IsPronoun: false, After: "over" or "against" or "of" or "onto" or "to" or "on" } n
            && !objects.Contains(n)).SelectMany(p => Every(p.Noun!, k => k == ThingKind.Joint)).OfType<Joint>().Distinct().ToList();
        foreach (var joint in bent) Add(verb, joint, PlaceOf(clause));
        if (bent.Count > 0)
        {
            Spoken.Hand(bent);
            objects = [];
        }

        foreach (var phrase in objects)
        {
            var joint = phrase.IsPronoun ? _refer.Meant(phrase, k => k == ThingKind.Joint).OfType<Joint>().FirstOrDefault() : _refer.Known(phrase, k => k == ThingKind.Joint) as Joint;
            joint ??= LockedBy(phrase);
            // "Lock the guard bolts": named, and never one that is near by.
            var isNamed = phrase is { IsPronoun: false, Stems.Count: > 1, Owner.Count: 0, Head: not ("collar" or "head" or "lip" or "end") } && (Trade.NounOf(phrase.Stems)?.Kinds is [ThingKind.Joint or ThingKind.Part or ThingKind.Connection, ..])
                && !phrase.Stems.Any(Trade.LockPlates.Contains) && !phrase.Stems.Any(Trade.LockWires.Contains);
            joint ??= isNamed ? phrase.Is(ThingKind.Joint) ? Things(clause, sense, phrase).OfType<Joint>().FirstOrDefault() : null : JointNear(clause, phrase);
            if (joint is null)
            {
                _actions.Add(new StepAction { Verb = verb, Words = phrase.Text, At = phrase.At });
                continue;
            }

            Add(verb, joint, phrase.At);
            Spoken.Hand([joint]);
        }

        Beside(clause);
    }

    // "Cut the locking wire", "flatten the tab washer": of what is locked so, the one spoken of last; else the only one there is.
    private Joint? LockedBy(NounPhrase phrase)
    {
        var by = phrase.Stems.Any(Trade.LockWires.Contains) ? Locking.Wire : phrase.Stems.Any(Trade.LockPlates.Contains) ? Locking.LockPlate : Locking.None;
        if (by == Locking.None) return null;
        var all = _refer.All<Joint>().Where(j => j.Locking == by).ToList();
        return all.Count == 1 ? all[0] : (Joint?)Spoken.Nearest(all);
    }

    // "Each nut", "both hoses": all of that name that were spoken of; else the one that is meant.
    private List<Thing> Every(NounPhrase phrase, Predicate<ThingKind> accepts)
    {
        // "Retighten all fasteners".
        if (phrase is { IsAll: true, Stems: [var whatever], Owner.Count: 0, Count: null } && Trade.Hardware.Contains(whatever) && accepts(ThingKind.Joint)
            && _refer.Things.Where(t => t is Joint && Spoken.IsOff(t) is not true
                && _sheet.Steps.Any(s => s.Actions.Any(a => a.Verb == Verb.Torque && a.Target == t.Id))).ToList() is { Count: > 0 } fasteners) return fasteners;
        if (phrase is { IsAll: true, Stems.Count: 1 })
        {
            var all = _refer.Things.Where(t => accepts(t.Kind) && Spoken.Lately(t) > 0 && NameIndex.NamesOf(t)[0][^1] == phrase.Head
                // "All M8 fasteners" are no M10.
                && !(t is Joint sized && FastenerSizes.Same(phrase.Size, sized) is false)).ToList();
            // "Get all four bolts started": those of the part in hand.
            if (accepts(ThingKind.Joint) && FastenersOf(PartInHand, phrase.Head) is { } holds && (phrase.Count is null
                || phrase.Count == holds.Count)) return [holds];
            // "Wheels on, all the nuts by hand": those of what was just fitted.
            if (_actions.FindLast(a => a.Verb is Verb.Fit or Verb.Remove) is { Target: { } id } && _refer.Find(id) is Part part
                && all.Where(t => NameIndex.NamesOf(t)[0].Contains(NameIndex.NamesOf(part)[0][^1])).ToList() is { Count: > 0 } its) return its;
            // "Each bolt" behind some that are in hand: those.
            if (!phrase.IsPlural && all.FindAll(Spoken.Last.Contains) is { Count: > 0 } inHand) return inHand;
            if (phrase.Count is { } count) all = [.. all.OrderByDescending(Spoken.Lately).Take(count)];
            if (all.Count > 1 && all.TrueForAll(t => t is not (Joint { Count: > 1 } or Part { Quantity: > 1 }))) return all;
        }

        return _refer.Known(phrase, accepts) is { } one && accepts(one.Kind) ? [one] : [];
    }

    // The fastener named beside something or in the two clauses behind it; named anew where the phrase is one that may be.
    private Joint? FastenerBeside(Clause clause, NounPhrase what, Predicate<NounPhrase> mayBeNew)
    {
        foreach (var other in _clauses.Skip(_clauses.IndexOf(clause)).Take(3))
        {
            _finder.Fill(other);
            foreach (var piece in other.Pieces)
            {
                if (piece.Noun is not { IsPronoun: false } noun || noun.At == what.At) continue;
                if (_refer.Known(noun) is Joint named) return named;
                if (_refer.Doubtful.Count > 0 || !mayBeNew(noun)) continue;
                var (owner, ownerId) = OwnerOf(other, noun);
                return (Joint)_refer.Assume(noun, ThingKind.Joint, false, owner, ownerId);
            }
        }

        return null;
    }

    // The fastener a pin, tab or collar belongs to: named beside it, named next, in hand.
    private Joint? JointNear(Clause clause, NounPhrase what)
    {
        if (what.Owner.Count > 0 && _refer.Known(new NounPhrase(what.At, what.OwnerName, what.Owner), k => k == ThingKind.Joint) is Joint owned) return owned;
        // "The tab washers on the flange": its nuts.
        foreach (var place in clause.Nouns.Where(n => n is { IsPronoun: false, After: "on" or "of" or "at" or "under" }))
            if (_refer.All<Joint>().Where(j => NameIndex.NamesOf(j)[0] is [.., var held, _] && held == place.Head).ToList() is [var its]) return its;
        if (FastenerBeside(clause, what, noun => noun.Is(ThingKind.Joint)) is { } beside) return beside;
        return Spoken.Last.Concat(Spoken.Earlier).OfType<Joint>().FirstOrDefault();
    }

    // Cotter pins belong to their joint and are no parts of their own.
    private void Pin(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        var pin = objects.Find(IsCotter) ?? objects.Find(p => p.Head is "pin" or "cotter") ?? Bare(clause);
        // "The rear pin": a part of its own.
        if (!pin.IsPronoun && _refer.Known(pin) is Part or Aid)
        {
            foreach (var phrase in objects) Spoken.Hand(DoTo(clause, sense == Sense.PinOut ? Sense.Off : Sense.On, phrase));
            return;
        }

        if (!pin.IsPronoun && pin.Stems.Count > 1 && !pin.Stems.Any(s => s is "cotter" or "split") && pin.Head == "pin")
        {
            foreach (var phrase in objects) Spoken.Hand(DoTo(clause, sense == Sense.PinOut ? Sense.Off : Sense.On, phrase));
            return;
        }

        var verb = sense == Sense.PinOut ? Verb.RemovePin : Verb.InsertPin;
        var key = $"{clause.Verb?.Lemma ?? "pin"} {pin.Text}";
        var isCotter = pin.IsPronoun || pin.Stems.Any(s => s is "cotter" or "split");
        if (PinnedBy(clause, pin, key, isCotter) is not { } joint)
        {
            if (!isCotter)
                foreach (var phrase in objects) Spoken.Hand(DoTo(clause, sense == Sense.PinOut ? Sense.Off : Sense.On, phrase));
            return;
        }

        Add(verb, joint, pin.At, a => a with { New = pin.IsNew });
        Spoken.Pin = true;
        foreach (var phrase in objects.Where(p => p != pin && !(verb == Verb.InsertPin && (p.IsPronoun
            || _refer.Known(p) == joint)))) DoTo(clause, sense == Sense.PinOut ? Sense.Off : Sense.On, phrase);
        Spoken.Hand([joint]);
        Spoken.Pin = true;
    }

    private Joint? PinnedBy(Clause clause, NounPhrase pin, string key, bool isCotter)
    {
        if (Settled(key) is { Length: > 0 } settled && _refer.Find(settled) is Joint chosen) return chosen;
        // Named beside it, spoken of next, in hand, the only one that has a pin.
        if (FastenerBeside(clause, pin, noun => noun.Head == "nut" && (isCotter || noun.Stems.Contains("castle"))) is { } beside) return beside;
        if (Spoken.Pin && Spoken.Pinned is Joint pulled) return pulled;
        if (pin.OwnerName.Length > 0 && _refer.All<Joint>().FirstOrDefault(j => NameIndex.NamesOf(j)[0].Intersect(pin.Owner).Any()) is { } owned) return owned;
        bool Pinned(Joint j) => j.Locking == Locking.CotterPin || j.Count == 1 && !j.Name.EndsWith('s') && NameIndex.NamesOf(j)[0] is [.., "nut"] name
            && !name.Any(n => n is "lock" or "jam" or "wheel" or "lug" or "swivel" or "flare");
        if (Spoken.Last.Concat(Spoken.Earlier).OfType<Joint>().FirstOrDefault(Pinned) is { } inHand) return inHand;
        var all = _refer.All<Joint>().Where(j => j.Locking == Locking.CotterPin).ToList();
        if (all.Count == 0) all = [.. _refer.All<Joint>().Where(j => Pinned(j) && !Spoken.IsYetToCome(j))];
        if (Spoken.Nearest(all) is Joint near) return near;
        if (all.Count == 1) return all[0];
        if (!isCotter || Settled(key) is not null) return null;
        // A pin without a nut that was named: a castle nut has it.
        if (all.Count == 0) return (Joint)_refer.Assume(pin with { Name = "castle nut", Text = "castle nut", Stems = ["castle", "nut"], Count = null, Some = null, IsNew = false }, ThingKind.Joint, false, null, null);
        Ask(new Question { Kind = QuestionKind.NoObject, Phrase = key, At = pin.At, Verb = Verb.InsertPin, Candidates = [.. all.Take(6).Select(j => j.Id)] });
        return null;
    }

    private void SetControl(Clause clause, List<NounPhrase> objects)
    {
        var position = PlaceOf(clause).Of(_text);
        foreach (var told in objects)
        {
            // "There's a petcock on the bottom; open it".
            var phrase = told is { IsPronoun: true, Text: "it" } && _unnamed is { } named
                && named.Is(ThingKind.Control) ? named with { At = told.At, After = null } : told;
            if (!phrase.IsPronoun && (Trade.NounOf(phrase.Stems) is { Role: not NounRole.Thing }
                || phrase is { After: "with", Head: "engine" or "motor" } && objects.Count > 1)) continue;
            var control = phrase.IsPronoun ? _refer.Meant(phrase, k => k == ThingKind.Control) is [var meant, ..] ? meant : null
                : _refer.Known(phrase, k => k == ThingKind.Control);
            if (control is not Control) control = Trade.NounOf(phrase.Stems) is { } noun && noun.Kinds.Contains(ThingKind.Control) ? ControlOf(phrase)
                // "Close the fuel valve", which the sheet does not know as a part.
                : control is null && !phrase.IsPronoun && Trade.Taps.Contains(phrase.Head) && clause.Verb?.Lemma is "open" or "close" or "shut" or "turn"
                ? _refer.Assume(phrase, ThingKind.Control, false, null, null) : null;
            if (control is null) continue;
            // "Engine cold": how it has to be, and nothing is set.
            if (clause.Mood == Mood.Fragment && Has(clause, "cold", "cool", "warm", "hot")
                && Trade.ControlNamed(control.Name.ToLowerInvariant()) == "ignition") continue;
            foreach (var one in PositionsIn(clause, position)) SetTo(control, phrase.At, one);
            Spoken.Hand([control]);
        }

        // "Lower the deck onto two blocks": they are under it from then on.
        foreach (var under in clause.Nouns.Where(n => n is { After: "onto" or "on", IsPronoun: false }))
            if ((_refer.Known(under) ?? (under.Is(ThingKind.Aid) ? _refer.Assume(under, ThingKind.Aid, false, null, null) : null)) is Aid aid
                && Natures.Is(aid, Trait.Under)) Add(Verb.Place, aid, under.At);
    }

    // "Turn the fuel off at the tap", "battery off at the isolator": that is set.
    private bool SetAt(Clause clause)
    {
        if (!Has(clause, "off", "on") || clause.Pieces.Find(p => p.Noun is { IsPronoun: false, After: "at" })?.Noun is not { } at
            || !(_refer.Known(at) is Control || _refer.Known(at) is null && (at.Is(ThingKind.Control) || Trade.Taps.Contains(at.Head)))) return false;
        _told = true;
        // "At the tap": the fuel tap, where nothing is called so yet.
        if (_refer.Known(at) is null && at.Stems.Count == 1 && Trade.Taps.Contains(at.Head)
            && clause.Pieces.Find(p => p.Noun is { IsPronoun: false, After: null })?.Noun is { } what)
        {
            var name = $"{what.Name} {at.Name}";
            at = at with { Name = name, Text = name.ToLowerInvariant(), Stems = NameIndex.StemsOf(name) };
            if (_refer.Known(at, k => k == ThingKind.Control) is not Control) _refer.Assume(at, ThingKind.Control, false, null, null);
        }

        SetControl(clause, [at]);
        return true;
    }

    // "Shift into neutral", "switch off again": the control is not named; the one the step has just set, or the one it always is.
    private void SetNamed(Clause clause, string name)
    {
        _told = true;
        var at = PlaceOf(clause);
        // "Set the parking brake and switch off": no brake and no lever is switched.
        var before = clause.Verb?.Lemma is "switch" or "flip" && _actions.FindLast(a => a.Verb == Verb.Set)?.Target is { } set
            && (Trade.ControlNamed(_refer.Find(set)!.Name.ToLowerInvariant()) is { } known ? known == "ignition"
                : !Trade.Unswitched.Contains(NameIndex.NamesOf(_refer.Find(set)!)[0][^1])) ? set : null;
        var control = before is not null ? _refer.Find(before)! : ControlOf(new NounPhrase(at, name, [name]));
        SetTo(control, at, at.Of(_text));
        Spoken.Hand([control]);
    }

    // "Valve lever: float, then both ways": one after the other.
    private static string[] PositionsIn(Clause clause, string position) => clause.Mood == Mood.Fragment && position.Contains(':', StringComparison.Ordinal)
        ? position.Split([", then ", "; then "], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries) : [position];

    // "Stop the engine and remove the key", "engine off, key in your pocket": set once, and the key is out as well.
    private void SetTo(Thing control, Span at, string position)
    {
        var before = _actions.FindLastIndex(a => a.Verb == Verb.Set && a.Target == control.Id && a.Branch == _branch);
        if (before >= 0 && _actions[before].Position is { } former && KeyOut().IsMatch(position) && (EngineOff().IsMatch(former) || KeyOut().IsMatch(former)))
        {
            _actions[before] = _actions[before] with { Position = Short($"{former}, {position}") };
            _isDone = true;
        }
        else Add(Verb.Set, control, at, a => a with { Position = Short(position) });
    }

    [GeneratedRegex(@"\bkeys?\b.*\b(?:out|goes|pocket|hand|safe)\b|\b(?:remove|take|pull|withdraw|pocket|removed|keep)\b.*\bkeys?\b",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex KeyOut();

    [GeneratedRegex(@"\b(?:off|stop|stopped|kill|killed|shut)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex EngineOff();

    // A control by the name it has everywhere: "the engine" is stopped with the ignition, "the brake" is the parking brake.
    private Thing ControlOf(NounPhrase phrase)
    {
        if ((Trade.ControlNamed(phrase.Text) ?? Trade.ControlNamed(phrase.Name.ToLowerInvariant())) is not { } name) return _refer.Known(phrase, k =>
            k == ThingKind.Control) as Control ?? _refer.Assume(phrase, ThingKind.Control, false, null, null);
        if (_refer.Things.FirstOrDefault(t => t is Control && Trade.ControlNamed(t.Name.ToLowerInvariant()) == name) is { } there) return there;
        return _refer.Assume(phrase with { Name = name, Text = name.ToLowerInvariant(), Stems = NameIndex.StemsOf(name) }, ThingKind.Control, false, null, null);
    }

    private static string Short(string words) => words.Length <= 80 ? words : words[..80];
}
