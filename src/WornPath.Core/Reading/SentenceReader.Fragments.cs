using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Fragments without a verb.
public sealed partial class SentenceReader
{
    /// <summary>Reads a fragment: "new bolts in with medium threadlocker, finger-tight, 30 N·m".</summary>
    private sealed class FragmentReader(SentenceReader reader, Clause clause)
    {
        private readonly List<(Thing Thing, NounPhrase Phrase)> _hand = [];
        private bool _any;

        public void Read()
        {
            if (reader.SetAt(clause) || FuelTap()) return;
            // "First thing, the seat: four nuts underneath, lift it off": what stands before a colon is what follows is about.
            if (clause.Pieces.Find(p => p.Noun is { IsPronoun: false, After: null } n
                && Heads(n))?.Noun is { } head
                && clause.Pieces.Exists(p => p.Noun is { } n && n.At.Start > head.At.End) && !Values(clause).Any()) reader._topic = head;
            TakeValues();
            var way = PlainWay();
            var loose = reader.Has(clause, "loose");
            var objects = new List<NounPhrase>();
            var vehicle = false;
            NounPhrase? stuff = null;
            foreach (var piece in clause.Pieces)
            {
                if (piece.Noun is not { } phrase || IsDenied(phrase.At)) continue;
                // "8 N·m each".
                if (phrase is { IsPronoun: true, IsAll: true, Count: null } && clause.Pieces.IndexOf(piece) is > 0 and var own
                    && clause.Pieces[own - 1].Value is not null) continue;
                if (!phrase.IsPronoun && reader.IsStuff(phrase))
                {
                    stuff ??= phrase;
                    continue;
                }

                // "Moly on the pin and in the bush".
                if (stuff is { After: null } && phrase is
                    {
                        IsPronoun: false,
                        After: "on" or "onto" or "in" or "inside" or "over" or "round" or "around"
                    }) continue;
                // "Tractor back down on its wheels": it moves, and they stay on.
                if (!phrase.IsPronoun && Trade.NounOf(phrase.Stems) is { Role: NounRole.Vehicle })
                {
                    vehicle = true;
                    continue;
                }

                // "Pin back through the pedal": where it goes.
                if (phrase.After == "through" && objects.Count > 0 && !IsCompanion(phrase)) continue;
                // "Chocks away and a slow roll round the yard": no thing.
                if (objects.Count > 0 && phrase is { IsPronoun: false, IsIndefinite: true, IsNew: false, Count: null } && Trade.NounOf(phrase.Stems) is null
                    && Trade.IsBase(phrase.Head) && reader._refer.Known(phrase) is null) continue;
                if (Trade.Beside.Contains(phrase.After) && !(!vehicle && phrase.After is "in" or "on" or "off" or "out"
                    && objects.Count == 0)) continue;
                if (!phrase.IsPronoun && (Trade.NounOf(phrase.Stems) is { Role: NounRole.Words or NounRole.Place or NounRole.Person }
                    || phrase is { Stems: ["end"], Owner.Count: 0 } && reader._refer.Known(phrase) is null)) continue;
                // "Cover off (heavy)": a word about it.
                if (objects.Count > 0 && phrase is { IsPronoun: false, IsIndefinite: true, IsNew: false, Count: null, Stems.Count: 1 }
                    && phrase.At.Start > 0 && reader._text[phrase.At.Start - 1] == '('
                    && Trade.NounOf(phrase.Stems) is null && reader._refer.Known(phrase) is null)
                {
                    reader._residue.Add(phrase.At);
                    continue;
                }

                // "Castle nut off, 27 mm ring spanner": with it.
                if (objects.Count > 0 && !phrase.IsPronoun && phrase.Is(ThingKind.Tool) && reader._refer.Known(phrase) is null or Tool)
                {
                    reader.UseNamed(phrase);
                    continue;
                }

                // "Pan bolts out, all but the corners": some of what stands before, and which, nobody knows.
                if (phrase is { IsPronoun: true, Some: < 0 } && objects.Count > 0)
                {
                    reader.Unclear(clause);
                    return;
                }

                objects.Add(phrase);
            }

            // "Bike down till the tyres just kiss the floor", "front end up".
            if (clause.Pieces.Find(p => p.Noun is { IsPronoun: false } n && Trade.NounOf(n.Stems) is { Role: NounRole.Vehicle })?.Noun is { After: null } && reader.Has(clause, "down", "up"))
            {
                reader.Add(reader.Has(clause, "up") ? Verb.Raise : reader.Has(clause, "kiss", "touch", "touches", "touching") ? Verb.LowerToTouch : Verb.Lower, null, reader.PlaceOf(clause));
                reader.Spoken.Vehicle = true;
                _any = true;
            }

            // "Stand away, jack down".
            if (objects is [{ Head: "jack" }] && reader.Has(clause, "down") && reader.Spoken.Raised)
            {
                reader.Add(Verb.Lower, null, reader.PlaceOf(clause));
                reader._told = true;
                return;
            }

            // "Pickup up, blocks under it": what has never come off does not go on by that.
            if (way == "on" && objects is [{ IsPronoun: false, IsNew: false } raised] && clause.Pieces.FindAll(p => p.Way is not null) is [{ Way: "up" }]
                && !clause.Nouns.Any(n => n.After is "against" or "under" or "on" or "onto" or "to")
                && (reader._refer.Known(raised) is { } there ? there is Part && reader.Spoken.WasOff(there) is null
                    : (raised.Is(ThingKind.Part) || Trade.NounOf(raised.Stems) is null) && reader.Spoken.ComesOff is not false))
            {
                reader._unnamed = raised;
                reader._told = true;
                return;
            }

            // "Tensioner back, belt off": swung aside, or let back, and where it was all the while.
            if (way == "on" && clause.Pieces.FindAll(p => p.Way is not null) is [{ Way: "back" }]
                && objects is [{ IsPronoun: false, IsNew: false } sprung] && IsSprung(sprung)
                && !(reader._refer.Known(sprung) is Part idler && reader.Spoken.WasOff(idler) is true))
            {
                reader._told = true;
                return;
            }

            // "Hubs, nuts, 45 N·m": what is off goes on.
            if (way == "none" && objects.Count > 1 && Values(clause).Any(v => v.Kind == TokenKind.Torque) && objects[0] is { IsPronoun: false } leading
                && reader._refer.Known(leading) is Part away && reader.Spoken.WasOff(away) is true && (objects[^1].Is(ThingKind.Joint)
                    || reader._refer.Known(objects[^1]) is Joint))
                way = "on";
            // "Four bolts and the fan is off", "… and the fan's down": the fan's.
            if (way is "off" or "none" && objects is [{ IsPronoun: false, Count: > 1, Stems.Count: 1, Owner.Count: 0 } counted, { IsPronoun: false } held]
                && Trade.Plain.Contains(counted.Head))
            {
                var freed = reader._refer.Known(held) as Part;
                if (clause.Pieces[^1].Way is "down" or "free"
                    && (freed is not null ? reader.Spoken.WasOff(freed) is not true : held.Is(ThingKind.Part))) way = "off";
                if (way == "off" && freed is not null)
                    objects[0] = counted with { Owner = [.. NameIndex.NamesOf(freed)[0]], OwnerName = freed.Name };
            }

            var before = reader._actions.Count;
            if (!Gapped(objects))
                foreach (var phrase in objects) One(phrase, way, loose);
            FastenersFirst(before);
            if (stuff is not null && _hand.Count > 0)
            {
                var known = reader.Used(stuff);
                // "New gasket, screws in with a drop of threadlocker": on the screws.
                var nearest = stuff.After is "with" or "in" ? _hand.FindLast(h => h.Phrase.At.Start < stuff.At.Start) : default;
                foreach (var (thing, phrase) in _hand.Where(h => h.Thing.Kind is ThingKind.Joint or ThingKind.Part
                    && (nearest.Thing is null || h.Phrase.At.End > nearest.Phrase.At.Start
                        || h.Phrase.At.End < nearest.Phrase.At.Start && !reader._text[h.Phrase.At.End..nearest.Phrase.At.Start].Contains(','))))
                    reader._actions.Add(new StepAction { Verb = Verb.Treat, Target = thing.Id, With = known.Id, Words = stuff.Text, At = stuff.At });
                _any = true;
            }

            // "A dab of grease on each cover bolt": on what it is put on.
            if (stuff is not null && _hand.Count == 0 && way is "none" or "on" && reader.PutOn(clause, stuff)) _any = true;
            // "Cover bolts with a dab of grease."
            else if (stuff is { After: null or "with" } && _hand.Count == 0 && way == "none" && objects is [{ IsPronoun: false } coated]
                && clause.Pieces.Count == 2
                && reader.PutOn(clause, stuff, coated)) _any = true;
            if (way == "on")
            {
                // "Mudguard back on with its four bolts".
                var fitted = _hand.Select(h => h.Thing).ToList();
                reader.Spoken.Hand([.. fitted.Distinct()]);
                reader.With(clause, Sense.On, fitted);
                foreach (var more in fitted.Skip(_hand.Count).ToList()) _hand.Add((more, reader.Bare(clause)));
            }

            reader.Beside(clause);
            if (_hand.Count > 0) reader.Spoken.Hand([.. _hand.Select(h => h.Thing).Distinct()]);
            var slot = reader.Has(clause, "slot", "slots");
            var bare = WithoutUnit();
            // "Nuts to 28", where every torque of the sheet is in one unit.
            if (bare is { } number && reader.AsTorque(number, reader.UsualUnit) is { } plain)
            {
                clause.Pieces[clause.Pieces.FindIndex(p => p.Value == number)] = new Piece(number.At) { Value = plain };
                bare = null;
            }

            // "Cap off, a quarter turn": how it comes off.
            var howOff = way == "off" && _hand.TrueForAll(h => h.Thing is not Joint);
            if (Values(clause).Any(v => v.Kind is TokenKind.Torque || v.Kind is TokenKind.Angle && !howOff) || slot)
            {
                var pinned = reader._actions.FindAll(a => a.Verb == Verb.InsertPin && reader.PlaceOf(clause).Begins(a.At)
                    && Values(clause).Any(v => v.Kind == TokenKind.Torque && v.At.Start < a.At.Start));
                reader._actions.RemoveAll(pinned.Contains);
                reader.TightenWhat(clause, [.. objects.Where(o => _hand.Exists(h => h.Phrase == o && h.Thing is Joint))], [.. _hand.Select(h => h.Thing)]);
                // "Castle nut 60 N·m, new cotter pin": in this order.
                reader._actions.AddRange(pinned);
                _any = true;
            }

            if (bare is { } asked)
            {
                reader.AskUnit(asked);
                _any = true;
            }

            if (_any)
            {
                reader._told = true;
                return;
            }

            // "Bucket flat on timber": that is put there.
            var from = reader._actions.Count;
            if (way == "none" && stuff is null && clause.Nouns.Any(n => n is { IsPronoun: false, After: "on" or "onto" }
                && reader._refer.Known(n) is null or Aid && n.Is(ThingKind.Aid)))
                reader.PlaceAids(clause);
            if (reader._actions.Count > from)
            {
                reader._told = true;
                return;
            }

            // "Nuts again after the first hour": what was torqued is torqued once more then.
            if (reader.Has(clause, "again", "once-more") && reader.Later(clause) is { } later)
            {
                var again = objects.Count > 0 ? objects.Where(o => !o.IsPronoun).Select(o => reader._refer.Known(o, k => k == ThingKind.Joint)).OfType<Joint>().ToList()
                    : reader._actions is [.., { Verb: Verb.Torque, Target: { } done }] && reader._refer.Find(done) is Joint torqued ? [torqued] : [];
                foreach (var joint in again) reader.Add(Verb.Retorque, joint, reader.PlaceOf(clause), a => a with { If = later });
                reader._told |= again.Count > 0;
                if (again.Count > 0) return;
            }

            // "Side panel first: four screws and it hinges off", "four bolts, cover off": they come out with it.
            if (clause.Pieces.FindLast(p => p.Noun is { IsPronoun: false, Count: not null, Stems.Count: 1, Owner.Count: 0 } n
                && n.Is(ThingKind.Joint))?.Noun is { } listed)
            {
                // "Now the idler. Two bolts, and it comes away."
                var holds = reader._topic is null && objects is [var bolts] && bolts == listed && reader._unnamed is { } told
                    && IsFastened(told) ? told : null;
                reader._introduced = new Introduced(listed, holds);
                if (holds is not null)
                {
                    reader._told = true;
                    return;
                }
            }

            // "Two bolts at the top of the pump: take them out": the pump's, and no others that the sheet knows.
            if (objects is [{ IsPronoun: false } whose] && reader.WithPartBeside(clause, whose) is { } ofPart)
            {
                reader._unnamed = ofPart;
                reader._told = true;
                return;
            }

            // "Rear pin: …", "old bolts in the scrap": what follows is about it.
            if (objects is [{ IsPronoun: false } about] && reader.EndsWithColon(clause)) reader._topic = about;
            reader.Spoken.Hand([.. objects.Where(o => !o.IsPronoun).Select(o => reader._refer.Known(o)).OfType<Thing>()]);
            // "Two bolts on the back of the caliper; pull them", "seal's next, pry it out".
            if (objects is [{ IsPronoun: false } spoken] && reader._refer.Known(spoken) is null
                && Trade.NounOf(spoken.Stems) is { Role: NounRole.Thing }) reader._unnamed = spoken;

            if (objects is [{ IsPronoun: false } limited, ..] && reader.HeadsLimit(clause, limited)) return;
            // "Multimeter across the posts: 12.4 V or better".
            if (clause.Nouns.ToList() is [{ IsPronoun: false, After: null } with,
                { After: "across" or "between" or "on" or "against" or "over" or "to", IsPronoun: false } at, ..]
                && Trade.Gauges.Contains(with.Head) && with.Is(ThingKind.Tool) && reader.PlaceOf(clause).Of(reader._text).Any(char.IsAsciiDigit))
            {
                reader.UseNamed(with);
                var place = reader.PlaceOf(clause);
                reader._actions.Add(new StepAction { Verb = Verb.Measure, Words = Short(at.Text), Limits = Limits.Find(place.Of(reader._text)), At = place });
                reader._told = true;
                return;
            }

            // "Distance between the brackets: 712 ± 2 mm": measured.
            if (Values(clause).Any(v => v.Kind == TokenKind.Number) && StepNumbersText.In(reader.PlaceOf(clause).Of(reader._text), 0) is null
                && Limits.Find(reader.PlaceOf(clause).Of(reader._text)) is { } limits)
            {
                reader._actions.Add(new StepAction { Verb = Verb.Measure, Words = Short(objects.FirstOrDefault()?.Text ?? reader.PlaceOf(clause).Of(reader._text)), Limits = limits, At = reader.PlaceOf(clause) });
                reader._told = true;
                return;
            }

            // "210 on the M16s": a value, and nothing came of it.
            if (Values(clause).FirstOrDefault(v => v.Kind == TokenKind.Number && reader.StandsAlone(v)) is { Kind: TokenKind.Number }
                && clause.Pieces.Exists(p => p.Noun is { After: "on" or "for", IsPronoun: false }))
            {
                reader.Unclear(clause, Verb.Remove);
                return;
            }

            // "Post bolts in, washers under the heads": they go on with them.
            if (objects is [{ IsPronoun: false } under] && IsCompanion(under) && reader._actions is [.., { Verb: Verb.Start or Verb.Fit }]
                && clause.Behind(under) is { After: "under" or "on" or "behind" or "between" })
            {
                reader.DoTo(clause, Sense.On, under);
                return;
            }

            // "Earth tail under the stud": said where something goes, and not what is done.
            if (objects is [{ IsPronoun: false } goes] && !reader.EndsWithColon(clause)
                && (Trade.NounOf(goes.Stems) is { Kinds: [ThingKind.Part or ThingKind.Joint or ThingKind.Connection, ..] }
                || reader._refer.Known(goes) is Part or Joint or Connection)
                && Going(goes))
            {
                reader.Unclear(clause, Verb.Fit);
                return;
            }

            // "No grease", "lip inwards": words. A thing of the sheet named with nothing said of it is shown.
            if (objects.Exists(o => !o.IsPronoun && reader._refer.Known(o) is not null) || way != "none" && objects.Count > 0) reader._residue.Add(reader.PlaceOf(clause));
            else if (reader._clauses.Count > 1) reader._told = true;
        }

        // "Fuel off at tank", "fuel on": its tap, and nothing runs out.
        private bool FuelTap()
        {
            if (clause.Pieces is not [{ Noun: { IsPronoun: false, IsNew: false, Stems: [var fuel] } said }, { Way: "on" or "off" }, ..]
                || fuel is not ("fuel" or "petrol" or "gas" or "diesel") || clause.Pieces.Skip(2).Any(p => p.Noun is not { After: "at" })
                || reader._refer.Known(said) is Part or Connection) return false;
            var tap = reader._refer.All<Control>().FirstOrDefault(c => NameIndex.NamesOf(c)[0].Contains(fuel)
                || Trade.Taps.Contains(NameIndex.NamesOf(c)[0][^1]))
                ?? reader.ControlOf(new NounPhrase(said.At, $"{fuel} tap", [fuel, "tap"]) { Name = $"{fuel} tap" });
            reader.Add(Verb.Set, tap, said.At, a => a with { Position = Short(reader.PlaceOf(clause).Of(reader._text)) });
            reader.Spoken.Hand([tap]);
            return reader._told = true;
        }

        // "Slotted bolt 25, pivot bolt 45", "bolts at 160", where every torque of the sheet is in one unit.
        private void TakeValues()
        {
            for (var i = 1; i < clause.Pieces.Count; i++)
                if (clause.Pieces[i].Value is { Kind: TokenKind.Number } number
                    && clause.Pieces[i - 1].Noun is { IsPronoun: false } of && reader._text[of.At.End..number.At.Start].Trim().ToLowerInvariant() is var between
                    && (between is "to" or "at" && of.Is(ThingKind.Joint) || between.Length == 0 && !of.IsNew
                        && reader._refer.Known(of, k => k == ThingKind.Joint) is Joint)
                    && reader.AsTorque(number, reader.UsualUnit) is { } plain)
                    clause.Pieces[i] = new Piece(number.At) { Value = plain };
        }

        // "Seat on, nuts to 28", "drain plug 40": a value without a unit; null where there is none.
        private Token? WithoutUnit() => !Values(clause).Any(v => v.Kind == TokenKind.Torque)
            && Values(clause).FirstOrDefault(v => v.Kind == TokenKind.Number && reader.StandsAlone(v)) is { Kind: TokenKind.Number } bare
            && (_hand.Exists(h => h.Thing is Joint) && reader.ValueWithoutUnit(bare)
                || clause.Pieces is [.., { Noun: { IsPronoun: false } last }, { Value: { } end }] && end == bare
                    && (last.Is(ThingKind.Joint) || reader._refer.Known(last) is Joint)) ? bare : null;

        // "Guard off: three bolts": its bolts come out first.
        private void FastenersFirst(int before)
        {
            for (var i = before; i < reader._actions.Count; i++)
            {
                if (reader._actions[i] is not { Verb: Verb.TakeOut, Target: { } id } || reader._refer.Find(id) is not Joint joint) continue;
                var removed = reader._actions.FindIndex(before, i - before, a => a.Verb == Verb.Remove && reader._refer.Find(a.Target!) is Part part
                    && NameIndex.Holds(joint, part));
                if (removed < 0) continue;
                var taken = reader._actions[i];
                reader._actions.RemoveAt(i);
                reader._actions.Insert(removed, taken);
            }
        }

        // "Then the positive", "negative last": the same done to it as to what stands before.
        private bool Gapped(List<NounPhrase> objects)
        {
            if (objects.Count == 0 || reader._only is not null || clause.Proviso is not null || Values(clause).Any()
                || clause.Pieces.Exists(p => p.Way is not null || p.Noun is { After: not (null or "beside") })) return false;
            if (objects.Count > 1) return ListGoesOn(objects);
            var what = objects[0];
            if (!reader.IsLedIn(clause) && !reader.Has(clause, "last", "next", "first", "likewise", "ditto", "too")) return false;
            // Of two things told apart by the same words, the other one.
            var former = what.Distinct.Count > 0 && reader._actions.FindLast(a => a.Target is { } t && reader._refer.Find(t) is { } like
                && NameIndex.NamesOf(like)[0].Any(Trade.Distinct.Contains)) is { } alike ? alike
                : reader._actions.Count > 0 ? reader._actions[^1] : reader.Before?.Actions.LastOrDefault(a => IsMotion(a.Verb));
            if (former is not { Target: { } id } || !IsMotion(former.Verb) && former.Verb is not (Verb.Snug or Verb.BreakLoose)
                || reader._refer.Find(id) is not { } done || former.Branch > 0 && !reader.IsLedIn(clause)) return false;
            var meant = what.IsPronoun ? reader._refer.Meant(what, k => k == done.Kind) is { Count: > 0 } and [var one, ..] ? one : null : reader._refer.Known(what, k => k == done.Kind);
            if (what.IsPronoun && what.Distinct.Count > 0 && (meant is null
                || !NameIndex.NamesOf(meant).Any(n => what.Distinct.All(n.Contains)))) meant = reader.TwinOf(what, done);
            // "Likewise the rear hose", which the sheet does not have yet.
            if (meant is null && what is { IsPronoun: false, Stems.Count: > 0 } && reader._refer.Doubtful.Count == 0 && reader._refer.Known(what) is null
                && Trade.NounOf(what.Stems) is { Role: NounRole.Thing } named && named.Kinds.Contains(done.Kind))
                meant = reader._refer.Assume(what, done.Kind, former.Verb is Verb.Fit or Verb.Start or Verb.Connect, null, null);
            if (meant is null || meant.Kind != done.Kind || !what.Distinct.All(NameIndex.NamesOf(meant)[0].Contains)) return false;
            reader.Add(former.Verb, meant, what.At, a => a with { Rest = what.IsRest, New = what.IsNew });
            reader.Spoken.Hand([meant]);
            return _any = true;
        }

        // "Outer bearing next, then the lock plate, then the nut", "two screws, bracket, core": as what was moved last.
        private bool ListGoesOn(List<NounPhrase> objects)
        {
            // "Clamp nut, clamp, then the injector": nothing else is told of them.
            bool IsListed(NounPhrase o) => reader._refer.Known(o) is Part or Joint or Connection || !o.IsPronoun && reader._refer.Known(o) is null
                && reader._refer.Doubtful.Count == 0
                    && Trade.NounOf(o.Stems) is { Role: NounRole.Thing, Kinds: [ThingKind.Part or ThingKind.Joint or ThingKind.Connection, ..] };
            if (reader.EndsWithColon(clause) || objects.Exists(Heads) || !objects.TrueForAll(IsListed)) return false;
            static bool IsWay(StepAction a) => a.Verb is Verb.Remove or Verb.TakeOut or Verb.Disconnect or Verb.Fit or Verb.Start or Verb.Connect;
            var former = reader._actions.LastOrDefault(IsWay) ?? reader.Before?.Actions.LastOrDefault(IsWay);
            if (former is null) return false;
            // What is off goes on, whatever came before.
            var known = objects.Select(o => reader._refer.Known(o)).OfType<Thing>().ToList();
            var sense = known.Exists(t => reader.Spoken.WasOff(t) is true) || former.Verb is Verb.Fit or Verb.Start or Verb.Connect ? Sense.On : Sense.Off;
            if (sense == Sense.On && !reader.Has(clause, "then", "next", "first", "last")
                && known.Exists(t => reader.Spoken.IsOff(t) is false)) return false;
            foreach (var phrase in objects)
                foreach (var thing in reader.DoTo(clause, sense, phrase)) _hand.Add((thing, phrase));
            return _any = true;
        }

        // Only what is said outright: "bolts to the casting: 12 N·m" puts nothing on.
        private string PlainWay()
        {
            for (var i = 0; i < clause.Pieces.Count; i++)
            {
                if (clause.Pieces[i].Way is not { } way || IsDenied(clause.Pieces[i].At)) continue;
                if (StrongOff.Contains(way)) return "off";
                // "Bolts up to 25 N·m", "cover straight up and off": how far, and the way to where it goes.
                if (way is "up" or "back" && (way == "up" && i + 1 < clause.Pieces.Count && clause.Pieces[i + 1].Value?.Kind == TokenKind.Torque
                    || clause.Pieces.Skip(i + 1).Any(p => p.Way is { } more && StrongOff.Contains(more)))) continue;
                // "Bar over them".
                if (way == "over" && i > 0 && i + 1 < clause.Pieces.Count && clause.Pieces[i + 1].Noun?.After == "over"
                    && clause.Pieces[i - 1].Noun is { After: null }) return "on";
                // "Pin centre on the old bar" tells where; "gasket into the groove" and "new bolts in" go on.
                var where = way is "in" or "on" && i + 1 < clause.Pieces.Count && clause.Pieces[i + 1].Noun is { } at && at.After == way
                    && (at.IsPronoun || Trade.NounOf(at.Stems)?.Role != NounRole.Words || at.Head is "side" or "top" or "bottom");
                if (!where && (StrongOn.Contains(way) || way is "up" or "back" or "through")) return "on";
            }

            // "Bolts finger-tight".
            return reader.Has(clause, "finger-tight", "hand-tight") ? "on" : "none";
        }

        // "The seat: …", "heat shield first: …".
        private bool Heads(NounPhrase phrase)
        {
            var colon = reader._text.IndexOf(':', phrase.At.End);
            return colon >= 0 && reader._text[phrase.At.End..colon].Trim().ToLowerInvariant() is "" or "first" or "next" or "now" or "last" or "then";
        }

        // Named with where it goes: "under the stud", "onto the post", "to the lower terminal".
        private bool Going(NounPhrase phrase) => clause.Behind(phrase) is
        {
            IsPronoun: false,
            After: "under" or "behind" or "in" or "on" or "over" or "between" or "to" or "into" or "onto" or "through"
        } place && (Trade.NounOf(place.Stems) is { Role: NounRole.Thing } || reader._refer.Known(place) is Part or Joint or Connection);

        // "A smear of grease, not a handful", "bolts loose, not out", "bolts loose but left in".
        private bool IsDenied(Span what)
        {
            for (var i = clause.From; i < clause.To && reader._finder.Tokens[i].At.Start < what.Start; i++)
                if (reader._finder.Tokens[i].Text is "not" or "no" or "never" && !clause.Pieces.Exists(p => p.At.Start > reader._finder.Tokens[i].At.Start
                    && p.At.End <= what.Start)
                    || reader._finder.Tokens[i].Text == "left" && reader._finder.Tokens[i + 1].At == what) return true;
            return false;
        }

        // Named with where it belongs, right behind it; "cover in the tray" is put down there, "battery in its tray" is not.
        private bool Placed(NounPhrase phrase)
        {
            if (phrase.IsPronoun || phrase.IsOld) return false;
            var way = clause.Pieces.Find(p => p.At.Start > phrase.At.Start)?.Way;
            return way is "in" or "on" or "over" or "under" or "through" or "up"
                && clause.Behind(phrase) is { IsPronoun: false } place && place.After == way && (place.IsIts || !LiesAt(place))
                && !(Trade.NounOf(place.Stems) is { Kinds: [ThingKind.Fluid or ThingKind.Consumable, ..] })
                && (Trade.NounOf(place.Stems)?.Role is null or NounRole.Thing or NounRole.Vehicle || place.Head is "top" or "bottom" or "place" or "position");
        }

        // "Hose on, clamp tight".
        private bool TightBehind(NounPhrase phrase)
        {
            for (var i = clause.From; i + 1 < clause.To; i++)
                if (reader._finder.Tokens[i].At.End == phrase.At.End) return reader._finder.Tokens[i + 1].Text == "tight";
            return false;
        }

        // "New pivot bolt, washer, nut": all of them.
        private bool GoesOnWithNew(NounPhrase phrase) => clause.Nouns.FirstOrDefault() is { IsNew: true, After: null } first && first != phrase
            && phrase is { IsPronoun: false, IsIndefinite: true, After: null, Count: null, Stems.Count: 1 } && _hand.Count > 0
            && !Values(clause).Any()
            && (IsCompanion(phrase) || phrase.Is(ThingKind.Joint));

        private void One(NounPhrase phrase, string way, bool loose)
        {
            phrase = reader.InFull(clause, phrase);
            // "Turn one sleeve out and the other in by as much": turned as well, and not fitted.
            if (phrase is { IsPronoun: true, IsRest: true } && reader._actions is [.., { Verb: Verb.Seat or Verb.Adjust } turned] && reader.IsInHand(turned))
            {
                reader._actions.Add(turned with { At = phrase.At, In = default, Rest = true, Some = null });
                _any = true;
                return;
            }

            // "Sensor in, bolt 8 N·m": the bolt of what was just fitted.
            if (phrase is { IsPronoun: false, IsIndefinite: true, Stems.Count: 1, Owner.Count: 0 } && phrase.Is(ThingKind.Joint)
                && reader._actions is [.., { Verb: Verb.Fit or Verb.Connect, Target: { } fitted }] && reader._refer.Find(fitted) is { } bearer
                // "Outlet back on, two bolts", where twelve hold something else.
                && (phrase.Count is not { } many || bearer is Part
                    && reader._refer.Known(phrase, k => k == ThingKind.Joint) is Joint { Count: > 1 } others && others.Count != many)
                && !Trade.Unfastened.Contains(NameIndex.NamesOf(bearer)[0][^1]))
            {
                var own = bearer is Part part ? reader.FastenersOf(part)
                    // "Cable on B+, nut 6 N·m": the B+ nut.
                    : reader._refer.WithWord(phrase.Head).OfType<Joint>().FirstOrDefault(j => NameIndex.NamesOf(j)[0] is { Length: > 1 } name
                        && name[^1] == phrase.Head && name.SkipLast(1).All(NameIndex.NamesOf(bearer)[0].Contains));
                var name = own?.Name ?? $"{bearer.Name} {phrase.Name}";
                if (own is null || NameIndex.NamesOf(own)[0][^1] == phrase.Head) phrase = phrase with { Name = name, Text = name.ToLowerInvariant(), Stems = NameIndex.StemsOf(name) };
            }

            // "Plate down, six screws": what is off goes on.
            if (way == "none" && !phrase.IsPronoun && reader.Has(clause, "down") && reader._refer.Known(phrase) is Part down
                && reader.Spoken.IsOff(down) is true) way = "on";
            // "Tank down again, two screws": what held it and is out goes in with it.
            if (way == "none" && !phrase.IsPronoun && reader._actions is [.., { Verb: Verb.Fit, Target: { } goesOn }]
                && reader._refer.Find(goesOn) is Part host && reader._refer.Known(phrase, k => k == ThingKind.Joint) is Joint fastens
                && reader.Spoken.WasOff(fastens) is true && NameIndex.Holds(fastens, host)) way = "on";
            // "Inner bearing in the drum, seal on top": what is off, or new, goes there.
            if (way == "none" && Placed(phrase) && (phrase.IsNew || reader._refer.Known(phrase, k => k != ThingKind.Aid) is { } off
                && reader.Spoken.IsOff(off) is true)) way = "on";
            // "Bearing on, circlip in its groove".
            if (way == "none" && phrase is { IsPronoun: false, IsOld: false } && reader._actions is [.., { Verb: Verb.Fit or Verb.Start }]
                && clause.Behind(phrase) is { IsIts: true, After: "in" or "into" } where
                && where.Head is "groove" or "seat" or "bore" or "slot" or "recess" or "place"
                && Trade.NounOf(phrase.Stems) is { Role: NounRole.Thing, Kinds: [ThingKind.Part, ..] }) way = "on";
            // "Tank up and over to the side", "copper rings in the bin".
            if (!phrase.IsPronoun && reader.Has(clause, "aside") && reader._refer.Known(phrase) is Part or null)
            {
                reader.DoTo(clause, Sense.Aside, phrase);
                _any = true;
                return;
            }

            if (way == "none" && phrase is { IsPronoun: false, IsNew: false }
                && clause.Behind(phrase) is { IsPronoun: false, After: "in" or "into", Head: "bin" or "scrap" or "trash" })
            {
                foreach (var thing in reader.DoTo(clause, Sense.Discard, phrase)) _hand.Add((thing, phrase));
                _any = true;
                return;
            }

            var fastener = !phrase.IsPronoun && (reader._refer.Known(phrase) is Joint || phrase.Is(ThingKind.Joint));
            var sense = (reader.Has(clause, "snug", "snugged", "nipped", "pinched") || TightBehind(phrase)
                && !Values(clause).Any(v => v.Kind == TokenKind.Torque)) && (fastener
                || phrase.IsPronoun) ? Sense.Snug : way switch
                {
                    "off" => Sense.Off,
                    "on" => Sense.On,
                    // "New alternator in, pivot bolt loose": in, and no tighter than that.
                    _ when loose && !phrase.IsPronoun && reader._refer.Known(phrase) is Joint or Part && reader._refer.Known(phrase) is { } wasOut
                        && reader.Spoken.WasOff(wasOut) is true => Sense.On,
                    // "Big washer on top, loose": nobody knocks that loose.
                    _ when loose && IsCompanion(phrase) => Sense.Say,
                    _ => loose ? Sense.BreakLoose : phrase.IsNew && !reader.Has(clause, "beside", "alongside")
                        || GoesOnWithNew(phrase) ? Sense.On : Sense.Say
                };
            if (!phrase.IsPronoun && phrase.Head is "pin" or "cotter" && !reader.HoldsAPin && sense is Sense.On or Sense.Off
                && !(reader._refer.Known(phrase) is Part))
            {
                reader.Pin(clause, sense == Sense.On ? Sense.PinIn : Sense.PinOut, [phrase]);
                _any = true;
                return;
            }

            var known = phrase.IsPronoun ? null : reader._refer.Known(phrase, k => sense != Sense.Say || k == ThingKind.Joint);
            var isControl = known is Control || known is null && !phrase.IsPronoun && reader._refer.Doubtful.Count == 0
                && (phrase.Is(ThingKind.Control) || Trade.Taps.Contains(phrase.Head) && reader.Has(clause, "open", "shut", "closed"));
            if (isControl)
            {
                reader.SetControl(clause, [phrase]);
                _any = true;
                return;
            }

            // "Chocks behind the rear wheels", "stand under the axle".
            if (sense == Sense.Say && !phrase.IsPronoun && (phrase.Is(ThingKind.Aid) || phrase.Head is "rag" or "cloth")
                && (clause.Behind(phrase) is { IsPronoun: false, After: "in" or "into" or "on" or "over" } mouth && !LiesAt(mouth)
                || reader.Has(clause, "fore-and-aft", "underneath") || clause.Nouns.Any(n => n != phrase
                && n.Head is "side" or "wheel" or "end") || clause.Pieces.Exists(p => p.Way == "under") || clause.Pieces.Exists(p => p.Noun is
                {
                    After: "at" or "behind" or "under" or "beneath" or "between" or "round" or "around" or "across" or "before" or "of"
                })))
            {
                // "Jack under the axle".
                if (phrase.Head == "jack" && clause.Nouns.Any(n => n.After is "under" or "beneath"
                    && (Trade.NounOf(n.Stems) is { Role: NounRole.Vehicle } || Trade.Bears.Contains(n.Head))))
                    reader.Add(Verb.Raise, null, phrase.At);
                else if (phrase.Head == "stand" && reader.Spoken.Raised) reader.Add(Verb.SetOnStands, null, phrase.At);
                else reader.DoTo(clause, Sense.Place, phrase);
                _any = true;
                return;
            }

            if (sense == Sense.Say && !phrase.IsPronoun && reader.Has(clause, "to")
                && (reader._refer.Known(phrase) is Fluid || phrase.Is(ThingKind.Fluid) && reader._refer.Known(phrase) is null))
            {
                // "Then oil to the upper mark".
                foreach (var thing in reader.DoTo(clause, Sense.Fill, phrase)) _hand.Add((thing, phrase));
                _any = true;
                return;
            }

            if (sense == Sense.Say)
            {
                // "Caliper bolts: 95 N·m".
                if (!Values(clause).Any(v => v.Kind is TokenKind.Torque)) return;
                foreach (var thing in reader.Things(clause, Sense.Torque, phrase)) _hand.Add((thing, phrase));
                return;
            }

            if (reader.Has(clause, "finger-tight", "hand-tight") && sense == Sense.On) sense = Sense.On;
            // "Adjuster up till the drum drags".
            if (!phrase.IsPronoun && phrase.Head == "adjuster") sense = Sense.Adjust;
            foreach (var thing in reader.DoTo(clause, sense, phrase))
            {
                _hand.Add((thing, phrase));
                _any = true;
            }
        }
    }
}
