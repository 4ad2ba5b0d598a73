using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// The vehicle, what is placed under it, controls.
public sealed partial class SentenceReader
{
    // "Raise the rear axle and set it on stands", once more.
    private bool GoesOnToStands(Clause clause) => _clauses.ElementAtOrDefault(_clauses.IndexOf(clause) + 1) is { } next && !EndsBetween(clause, next)
        && Has(next, "stand", "stands");

    private void Vehicle(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        // "Let the axle down an inch on the jack", with the frame on stands: it moves, and the vehicle does not.
        if (sense is Sense.Lower or Sense.Raise && Spoken.OnStands && clause.Pieces.Find(p => p.Noun is { After: null, Head: "axle" }) is { Noun: { } axle }
            && !Has(clause, "ground", "floor", "stands") && !IsOtherEnd(axle) && !(sense == Sense.Raise && GoesOnToStands(clause)))
        {
            PlaceAids(clause);
            if (_refer.Known(axle) is { } eased) Spoken.Hand([eased]);
            else _unnamed = axle;
            _told = true;
            return;
        }

        // "The mower is lowered to the ground", which nobody has raised on a jack: it hangs on the tractor.
        if (sense == Sense.Lower && !Spoken.Raised && !Spoken.OnStands && objects is [{ IsPronoun: false, Head: var implement }]
            && Trade.NounOf(objects[0].Stems) is { Role: NounRole.Vehicle } && implement is "mower" or "harvester" && Has(clause, "ground", "floor"))
        {
            _told = true;
            return;
        }

        foreach (var phrase in objects)
        {
            // "Take out its bolts and let it down": what they held, and not the vehicle.
            var held = phrase.IsPronoun ? Undone() : _refer.Known(phrase) is Part named && IsUndone(named) ? named : null;
            if (held is not null && sense is Sense.Lower or Sense.VehicleMoves)
            {
                Act(clause, Sense.Off, held, phrase);
                Spoken.Hand([held]);
                return;
            }

            if (phrase.IsPronoun) continue;
            // "A stand under the subframe", "support the frame rails with stands": where the vehicle is borne.
            if (phrase.After is "under" or "beneath" or "below" || sense == Sense.Stands && phrase.Stems.Any(Trade.Bears.Contains)) continue;
            var thing = Settled(phrase.Text) is { Length: > 0 } s ? _refer.Find(s) : _refer.Known(phrase);
            if (thing is Aid or Tool || Trade.NounOf(phrase.Stems) is { Role: not NounRole.Thing } && thing is null
                || Settled(phrase.Text) is "" || phrase.Head is "stand" or "jack"
                || phrase.Head == "wheel" && phrase.Stems.SkipLast(1).All(Trade.Distinct.Contains)) continue;
            if (Settled(Question.OnlyThis + phrase.Text) is not null) return;
            // "Lower the new cylinder into position": what is off, or new, goes on.
            if (phrase.IsNew || thing is Part off && Spoken.IsOff(off) is true)
            {
                Spoken.Hand(DoTo(clause, Sense.On, phrase));
                return;
            }

            // "Take out the drawbar bolts." "Lower the drawbar": what they held.
            if (thing is null && sense is Sense.Lower or Sense.VehicleMoves && _refer.All<Joint>().Any(j => Spoken.WasOff(j) is true
                && NameIndex.NamesOf(j)[0] is [.. var whose, _] && whose.SequenceEqual(phrase.Stems)))
            {
                Spoken.Hand(DoTo(clause, Sense.Off, phrase));
                return;
            }

            // What comes next may be done to it: "lower the column and take it out".
            _unnamed = thing is null ? phrase : null;
            if (thing is not null) Spoken.Hand([thing]);
            if (sense is Sense.VehicleMoves or Sense.Raise or Sense.Lower or Sense.Stands)
                Ask(new Question { Kind = QuestionKind.VehicleMoves, Phrase = phrase.Text, At = phrase.At, Verb = VerbOf(sense) });
            return;
        }

        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { IsPronoun: false } phrase) continue;
            if (sense is Sense.Lower or Sense.Touch && phrase.After is null or "off" or "from")
            {
                // "Lower it off its stands": they are out.
                if (phrase.Head == "stand" && _refer.Known(phrase) is Aid stands && !_actions.Exists(a => a.Verb == Verb.TakeAway && a.Target == stands.Id))
                    Add(Verb.TakeAway, stands, phrase.At);
                continue;
            }

            // "Lift the vehicle off the stands": they are there.
            if (phrase.After is "off" or "from")
            {
                if (_refer.Known(phrase) is { } left) Spoken.Hand([left]);
                continue;
            }

            var thing = _refer.Known(phrase);
            if (thing is null && phrase.Is(ThingKind.Aid)) thing = _refer.Assume(phrase.Stems is ["stand"]
                ? phrase with { Name = "axle stands" } : phrase, ThingKind.Aid, false, null, null);
            if (thing is Aid && sense is not (Sense.Lower or Sense.Touch)) Add(Verb.Place, thing, phrase.At);
            else if (thing is Tool) Use(thing);
            else if (thing is null && phrase.Is(ThingKind.Tool)) Use(_refer.Assume(phrase, ThingKind.Tool, false, null, null));
        }

        // "Put stands under it and let it down on them": once.
        var moves = sense is Sense.VehicleMoves ? Verb.Lower : VerbOf(sense)!.Value;
        if (moves != Verb.SetOnStands || _actions is not [.., { Verb: Verb.SetOnStands }]) Add(moves, null, PlaceOf(clause));
        // "Get it off the ground and onto jack stands."
        if (sense == Sense.Raise && clause.Pieces.Exists(p => p.Noun is { After: "on" or "onto" or "over" or "to" } n && n.Head == "stand")) Add(Verb.SetOnStands, null, PlaceOf(clause));
        Spoken.Hand([.. clause.Pieces.Where(p => p.Noun is { IsPronoun: false }).Select(p => _refer.Known(p.Noun!)).OfType<Aid>()]);
        Spoken.Vehicle = true;
        // "Jack up the wheel and take it off": the wheel, and not the vehicle.
        if (sense == Sense.Raise && objects.Find(o => o is { IsPronoun: false, Head: "wheel" }) is { } wheel && ComesOffNext(clause))
        {
            Spoken.Vehicle = false;
            if (_refer.Known(wheel) is { } known) Spoken.Hand([known]);
            else _unnamed = wheel;
        }
    }

    private bool ComesOffNext(Clause clause) => _clauses.ElementAtOrDefault(_clauses.IndexOf(clause) + 1) is { } next && !EndsBetween(clause, next)
        && (Has(next, "off") || next.Verb?.Lemma == "remove");

    // "Raise the rear axle" with the front on stands.
    private bool IsOtherEnd(NounPhrase axle) =>
        WhichEnd.Of(axle.Text) is not Ends.None and var end && Spoken.StandsAt != Ends.None && (end & Spoken.StandsAt) == Ends.None;

    // "Support the engine with a jack": the vehicle does not move, the aid comes into place.
    private void Support(Clause clause)
    {
        if (clause.Pieces.Exists(p => p.Noun is { Head: "stand" }) && !clause.Pieces.Exists(p => p.Noun is { After: null, IsPronoun: false } n && Trade.NounOf(n.Stems)?.Role != NounRole.Vehicle))
        {
            Vehicle(clause, Sense.Stands, []);
            return;
        }

        PlaceAids(clause);
        Aside(clause);
    }

    private void PlaceAids(Clause clause)
    {
        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { IsPronoun: false } phrase || phrase.After is null or "of") continue;
            var thing = _refer.Known(phrase);
            if (thing is null && (phrase.Is(ThingKind.Aid) || phrase.Head == "jack")) thing = _refer.Assume(phrase, ThingKind.Aid, false, null, null);
            if (thing is Aid) Add(Verb.Place, thing, phrase.At);
        }
    }
}
