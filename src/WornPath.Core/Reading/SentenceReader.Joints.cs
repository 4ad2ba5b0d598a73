using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Tightening: which value belongs to which joint, pass, angle, slot.
public sealed partial class SentenceReader
{
    private void Tighten(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        AskBadValues(clause);
        var group = new List<(Thing Thing, NounPhrase Phrase)>();
        var values = new List<Token>();
        var any = false;
        var slot = Has(clause, "slot", "slots", "castellation", "castellations");
        var unit = Values(clause).Where(v => v is { Kind: TokenKind.Torque, Torque.IsGood: true }).Select(v => v.Torque.Value.Unit).FirstOrDefault();
        var hasTorque = Values(clause).Any(v => v is { Kind: TokenKind.Torque, Torque.IsGood: true });
        // "The bolt to 190 N·m, then the locknut to 120": the unit is said once.
        if (!hasTorque && UnitBefore(clause) is { } shared) (unit, hasTorque) = (shared, true);
        // "Tighten to 200", where every torque of the sheet is in one unit.
        var usual = hasTorque || sense != Sense.Torque ? null : UsualUnit;
        void Flush()
        {
            if (group.Count == 0 && values.Count == 0 && !((slot || sense == Sense.Align) && objects.Count == 0 && !any)) return;
            if (group.Count == 0)
            {
                var meant = JointsInHand(Bare(clause));
                if (meant.Count == 0) return;
                group.AddRange(meant.Select(m => (m, Bare(clause))));
            }

            // A wrench that was set gives its value, but not to what has another of its own behind what it was set for.
            if (values.Count == 0 && _wrench is { } set && sense == Sense.Torque && !slot && (!_wrenchUsed || group.TrueForAll(g => g.Thing is Joint { Torque: null })))
            {
                values.Add(set);
                _wrenchUsed = true;
            }

            // "The plate bolts and the winch bolts to 170 N·m and 30 ft-lb": each its own.
            var paired = group.Count > 1 && values.Count == group.Count && values.TrueForAll(v => v.Kind == TokenKind.Torque)
                && (Has(clause, "respectively") || group.Index().All(g => g.Item.Thing is Joint { Torque: { } own }
                    && own.SaysTheSameAs(values[g.Index].Torque.Value)));
            // "25 N·m on the left and 30 N·m on the right": each its side.
            var sides = values.ConvertAll(v => SideBehind(clause, v));
            foreach (var (i, (thing, phrase)) in group.Index())
            {
                if (sides.Count > 1 && !sides.Contains(null))
                    foreach (var (value, side) in values.Zip(sides))
                    {
                        var from = _actions.Count;
                        Tightened(clause, sense, thing, phrase, [value], slot);
                        for (var k = from; k < _actions.Count; k++) _actions[k] = _actions[k] with { Side = side };
                    }
                else Tightened(clause, sense, thing, phrase, paired ? [values[i]] : values, slot);
            }

            any = true;
            Spoken.Hand([.. group.Select(g => g.Thing).Distinct()]);
            group = [];
            values = [];
        }

        foreach (var piece in clause.Pieces)
        {
            // "To 45 bananas": a value in no unit that is known.
            if (piece.Noun is { After: "to", Count: { } amount, IsPronoun: false } odd && !hasTorque && sense == Sense.Torque && _refer.Known(odd) is null && _text.LastIndexOf($"{amount}", odd.At.Start, StringComparison.Ordinal) is >= 0 and var place)
            {
                var said = _text[place..odd.At.End];
                AskValue(said, new Span(place, said.Length), TorqueText.ParseUnit(odd.Text).Problem?.ToString() ?? "");
                continue;
            }

            if (piece.Noun is { } phrase)
            {
                var direct = objects.Contains(phrase) || objects.Count == 0 && (phrase.After is null or "over" or "round" or "around" or "on" or "of");
                if (!direct) continue;
                if (!phrase.IsPronoun && (Trade.NounOf(phrase.Stems) is { Role: not NounRole.Thing } || phrase.After is not null && !objects.Contains(phrase) && !(_refer.Known(phrase) is Joint && objects.Count == 0))) continue;
                if (phrase.IsPronoun && (!objects.Contains(phrase) && phrase.After is not null || group.Count > 0 && (phrase.IsAll || phrase.Text == "them"))) continue;
                var things = phrase is { IsPronoun: true, Text: "them", Some: null, IsRest: false } && _unnamed is null
                    && _refer.Meant(phrase, k => k == ThingKind.Joint).Count == 0 && JointsInHand(phrase) is { Count: > 0 } ofStep ? [.. ofStep]
                    : Things(clause, Trade.Of(sense).ByKind.Count > 0 ? sense : Sense.Torque, phrase);
                if (things.Count == 0) continue;
                if (values.Count > 0 && group.Count > 0) Flush();
                group.AddRange(things.Select(t => (t, phrase)));
            }
            else if (piece.Value is { } value && value.Kind is TokenKind.Torque or TokenKind.Angle)
            {
                if (value.Kind == TokenKind.Torque && !value.Torque.IsGood) continue;
                values.Add(value);
            }
            else if (piece.Value is { Kind: TokenKind.Number } bare)
            {
                if (hasTorque && StandsAlone(bare) && !IsNumbered(bare) && TorqueText.Parse(bare.Text, unit) is { IsGood: true } read) values.Add(bare with { Kind = TokenKind.Torque, Torque = read });
                else if (!hasTorque && sense is Sense.Torque && ValueWithoutUnit(bare))
                {
                    if (AsTorque(bare, usual) is { } plain) values.Add(plain);
                    else AskUnit(bare);
                }
            }
        }

        var before = _actions.Count;
        Flush();
        if (any || _actions.Count > before || _questions.Count > 0) { Beside(clause); return; }
        // "Line up the gaps, then tighten": what is in hand.
        if (objects.Count == 0 && sense is Sense.Torque or Sense.Retorque or Sense.BackOff && JointsInHand(Bare(clause)) is { Count: > 0 } inHand)
        {
            foreach (var joint in inHand) Tightened(clause, sense, joint, Bare(clause), [], false);
            return;
        }

        if (objects.Count == 0 || objects.TrueForAll(o => o.IsPronoun)) AskObject(clause, sense, Bare(clause));
        Beside(clause);
    }

    private static Side? SideBehind(Clause clause, Token value) =>
        clause.Pieces.SkipWhile(p => p.At != value.At).Skip(1).FirstOrDefault()?.Noun is { After: "at" } place ? SideWords.In(place.Text) : null;

    // "Tighten to the following torques: cover bolts 25 N·m; hub nuts 80 N·m": each is told behind the colon.
    private bool ValuesFollow(Clause clause, List<NounPhrase> objects)
    {
        bool IsNothing(NounPhrase o) => o.IsPronoun || Trade.NounOf(o.Stems)?.Role is not NounRole.Thing && _refer.Known(o) is null;
        if (!EndsWithColon(clause) && _finder.Tokens[clause.To - 1].Text != ":" || !objects.TrueForAll(IsNothing) || Values(clause).Any()) return false;
        var told = _clauses.SkipWhile(c => c.From < clause.To).Take(2).TakeWhile(c => c.Mood == Mood.Fragment).ToList();
        told.ForEach(_finder.Fill);
        if (!told.Exists(c => AllValues(c).Any())
            || !told[0].Nouns.Any(n => !n.IsPronoun && (_refer.Known(n) is Joint || n.Is(ThingKind.Joint)
                || _refer.Known(n) is Part held && FastenersOf(held) is not null))) return false;
        _told = true;
        return true;
    }

    // "Set the wrench to 25 N·m and tighten the bolts; set it to 80 and tighten the nuts": the value of what is tightened with it.
    private Token? _wrench;
    private bool _wrenchUsed;

    private bool SetsWrench(Clause clause)
    {
        if (clause.Verb?.Lemma is not ("set" or "preset" or "reset" or "adjust")
            || Values(clause).ToArray() is not [{ Kind: TokenKind.Torque, Torque.IsGood: true } value]) return false;
        if (clause.Nouns.FirstOrDefault() is not { } tool
            || !(tool.IsPronoun ? _wrench is not null && tool.Text == "it" : tool.Is(ThingKind.Tool))) return false;
        (_wrench, _wrenchUsed) = (value, false);
        _told = true;
        return true;
    }

    // "After fifty miles", "after the first ten hours": done then, not now.
    private string? Later(Clause clause)
    {
        // "Check all hardware after 50 km of driving": also what stands right behind.
        foreach (var near in _clauses.Where(c => c == clause || c.Mood == Mood.Beside && (c.To <= clause.From || c.From == clause.To)))
            for (var i = near.From; i < near.To; i++)
                if (_finder.Tokens[i] is { Kind: TokenKind.Word, Text: "after" }
                    && Enumerable.Range(i, near.To - i).Any(k => _finder.Tokens[k] is { Kind: TokenKind.Time, Number: >= 60 }
                    || Trade.Later.Contains(_finder.Tokens[k].Text)))
                {
                    var end = Enumerable.Range(i, near.To - i).TakeWhile(k => _finder.Tokens[k].Kind != TokenKind.Mark).Last();
                    return new Span(_finder.Tokens[i].At.Start, _finder.Tokens[end].At.End - _finder.Tokens[i].At.Start).Of(_text);
                }

        return null;
    }

    // "Bracket back on, 12 N·m": its fasteners get the value.
    private void TightenWhat(Clause clause, List<NounPhrase> joints, List<Thing> hand)
    {
        // "Spin the filter on; three quarters of a turn after it touches": no fastener.
        if (joints.Count == 0 && hand.Count == 0 && Values(clause).All(v => v.Kind != TokenKind.Torque)
            && _actions is [.., { Verb: Verb.Fit, Target: { } spun }] && _refer.Find(spun) is Part filter && FastenersOf(filter) is null) return;
        if (joints.Count > 0 || hand.Count == 0 || hand.Exists(t => t is not (Part or Joint)) && !hand.Exists(t => t is Joint))
        {
            Tighten(clause, Sense.Torque, joints);
            return;
        }

        var holding = hand.OfType<Joint>().ToList();
        if (holding.Count == 0 && hand is [.., Part part] && !_actions.Exists(a => a.Target is { } id && _refer.Find(id) is Joint))
        {
            if (FastenersOf(part) is { } holds) holding.Add(holds);
            // "New washer on the plug, 25 N·m": the plug's.
            else if (Trade.Unfastened.Contains(NameIndex.NamesOf(part)[0][^1])
                && clause.Nouns.Where(n => n is { IsPronoun: false, After: "on" or "onto" or "under" or "to" or "in" })
                .Select(n => _refer.Known(n, k => k == ThingKind.Joint)).OfType<Joint>().FirstOrDefault() is { } bears) holding.Add(bears);
            else if (Spoken.Last.Concat(Spoken.Earlier).OfType<Joint>().All(j => j.Holds.Length > 0
                || Spoken.WasOff(j) is not true)) holding.Add(AssumeBolts(part, Bare(clause)));
        }

        if (holding.Count == 0)
        {
            Tighten(clause, Sense.Torque, joints);
            return;
        }

        AskBadValues(clause);
        List<Token> values = [.. Values(clause).Where(v => v is { Kind: TokenKind.Torque, Torque.IsGood: true } or { Kind: TokenKind.Angle })];
        foreach (var joint in holding.Distinct()) Tightened(clause, Sense.Torque, joint, Bare(clause), values, Has(clause, "slot", "slots"));
        Spoken.Hand([.. holding.Distinct()]);
    }

    // The fasteners in hand, said or not: of a part just fitted its own, and no others that were spoken of before it.
    private IReadOnlyList<Thing> JointsInHand(NounPhrase phrase)
    {
        if (Spoken.Last is [.., Part part] && Spoken.Last.All(t => t is Part)
            && _actions is [.., { Verb: Verb.Fit, Target: { } fitted }] && fitted == part.Id
            && !Trade.Unfastened.Contains(NameIndex.NamesOf(part)[0][^1]))
        {
            if (FastenersOf(part) is { } own) return [own];
            if (!Spoken.Earlier.Any(t => t is Joint && _actions.Exists(a => a.Target == t.Id))) return [];
        }

        var meant = _refer.Meant(phrase, k => k == ThingKind.Joint);
        // "Screw the adapters into the valve, then tighten them to 60 N·m": no bolts of a step before.
        if (meant.Count > 0 && (phrase.Text is "them" or "it" || phrase.IsUnsaid) && Spoken.Last.Count > 0
            && Spoken.Last.All(t => t is Part && _actions.Exists(a => a.Verb == Verb.Fit && a.Target == t.Id))
            && !meant.Any(m => _actions.Exists(a => a.Target == m.Id) || Spoken.Last.OfType<Part>().Any(p => m is Joint far && NameIndex.Holds(far, p)))) return [];
        // "Loosen the bolts, change the belt and torque them": those of the step.
        return meant.Count == 0 && (phrase.Text == "them" || phrase.IsUnsaid) && _actions.FindLast(a => a.Target is { } id
            && _refer.Find(id) is Joint { IsMany: true } or Joint { Count: > 1 }) is { } done
            ? [_refer.Find(done.Target!)!] : meant;
    }

    // By this step so far, or by one before it.
    private bool WasTorqued(Joint joint) => _actions.Exists(a => a.Verb is Verb.Torque or Verb.TorquePass && a.Target == joint.Id)
        || _sheet.Steps.TakeWhile(s => s.Id != _step.Id).Any(s => s.Actions.Any(a => a.Verb is Verb.Torque or Verb.TorquePass && a.Target == joint.Id));

    private void AskBadValues(Clause clause)
    {
        foreach (var bad in Values(clause).Where(v => v.Kind == TokenKind.Torque
            && !v.Torque.IsGood)) AskValue(bad.Text, bad.At, bad.Torque.Problem!.ToString());
    }

    private void Tightened(Clause clause, Sense sense, Thing thing, NounPhrase phrase, List<Token> values, bool slot)
    {
        if (thing is not Joint joint)
        {
            // "Do up the brackets, 70 N·m": what holds them.
            if (thing is Part held && sense is Sense.Torque or Sense.Retorque or Sense.TurnOn && FastenersOf(held) is { } fasteners)
            {
                Tightened(clause, sense, fasteners, phrase with { Count = null, Some = null }, values, slot);
                return;
            }

            if (sense == Sense.BoltTorque && thing is Part part)
            {
                Add(Verb.Fit, part, phrase.At);
                if ((FastenersOf(part) ?? AssumeBolts(part, phrase)) is { } holds)
                {
                    Add(Verb.Start, holds, phrase.At);
                    Tightened(clause, Sense.Torque, holds, phrase, values, slot);
                }

                return;
            }

            Act(clause, sense, thing, phrase);
            return;
        }

        // "Go round the nuts twice at 130 N·m", which nobody has torqued before.
        if (sense == Sense.Retorque && values.Exists(v => v.Kind == TokenKind.Torque) && Later(clause) is null && !WasTorqued(joint)
            && !Has(clause, "again", "more", "once-more") && clause.Verb?.Lemma == "go") sense = Sense.Torque;
        var torques = new List<(TorqueSpec Spec, Token Token)>();
        decimal? angle = null;
        foreach (var value in values)
        {
            if (value.Kind == TokenKind.Angle)
            {
                angle = (angle ?? 0) + value.Number;
                continue;
            }

            var spec = value.Torque.Value;
            // The same in another unit: said twice, meant once.
            if (torques.Count > 0 && torques[^1].Spec.Unit != spec.Unit && torques[^1].Spec.SaysTheSameAs(spec)) continue;
            if (spec.ThenAngle is { } then) angle = then;
            torques.Add((Plain(spec), value));
        }

        // "Up to 60 N·m in three passes: 20, 40, 60": once.
        if (torques.Count > 2 && torques[0].Spec.SaysTheSameAs(torques[^1].Spec)) torques.RemoveAt(0);
        // "In by hand three turns at least, then 16 N·m": how far by hand.
        if (torques.Count > 0 && Has(clause, "hand", "fingers", "finger-tight", "hand-tight")) angle = null;
        var some = SomeOf(joint.Id, phrase, clause);
        StepAction Of(StepAction a) => a with { New = phrase.IsNew, Some = some, Rest = phrase.IsRest, If = a.Verb == Verb.Retorque ? Later(clause) : null };
        if (sense == Sense.BackOff)
        {
            Add(Verb.BackOff, joint, phrase.At, a => Of(a) with { Angle = angle });
            // "Back off a quarter turn, then 25 N·m".
            if (torques.Count > 0) Add(Verb.Torque, joint, torques[^1].Token.At, a => Of(a) with { Torque = torques[^1].Spec });
            return;
        }

        if (torques.Count == 0 && (angle is not null || slot || sense == Sense.Align))
        {
            Add(angle is null ? Verb.Align : Verb.TurnOn, joint, phrase.At, a => Of(a) with { Angle = angle });
            return;
        }

        // "Turn the adjusting screw until it drags".
        if (torques.Count == 0 && sense == Sense.TurnOn)
        {
            Add(Verb.Adjust, joint, phrase.At, Of);
            return;
        }

        var final = torques.Count > 0 ? torques[^1].Spec : null;
        if (sense != Sense.Retorque && PassNamed(clause) is { } pass && torques.Count < 2)
        {
            Add(Verb.TorquePass, joint, phrase.At, a => Of(a) with { Torque = final, Pass = pass });
            return;
        }

        // The torque a bearing is seated with: not yet the last.
        if (sense == Sense.Torque && torques.Count == 1 && angle is null && joint.Torque is { Seat: { } seat } set
            && final!.SaysTheSameAs(TorqueSpec.Create(seat.Amount, seat.Amount, seat.Unit).Value) && !final.SaysTheSameAs(set))
        {
            Add(Verb.TorquePass, joint, phrase.At, a => Of(a) with { Torque = final, Pass = 1 });
            return;
        }

        var again = sense == Sense.Retorque || final is null && sense == Sense.Torque && Has(clause, "again", "once-more");
        // "Shield on, four screws at 70 lbf·in": what was out goes in first.
        if (!again && (clause.Mood == Mood.Fragment || clause.Verb is { Frames: [.., { Sense: Sense.On }] }) && Spoken.IsOff(joint) is not false
            && _actions.Exists(a => a.Verb is Verb.Fit or Verb.Connect)) Add(Verb.Start, joint, phrase.At, Of);
        // "The same figure once more": the joint's own.
        if (again && final is null && Has(clause, "same") && Has(clause, "figure", "figures", "value", "values", "torque", "torques",
            "setting")) final = joint.Torque;
        Add(again ? Verb.Retorque : Verb.Torque, joint, phrase.At, a => Of(a) with { Torque = final, Passes = TorquePasses.Of(torques.SkipLast(1).Select(t => t.Spec)) });
        if (final is not null && !again) Compare(joint, TorqueSpec.Create(final.Low, final.High, final.Unit, angle) is { IsGood: true } whole && angle is not null ? whole.Value : final, torques[^1].Token);
        if (angle is not null) Add(Verb.TurnOn, joint, phrase.At, a => Of(a) with { Angle = angle });
        if (slot) Add(Verb.Align, joint, phrase.At, Of);
    }

    private static TorqueSpec Plain(TorqueSpec spec) => spec.ThenAngle is null ? spec : TorqueSpec.Create(spec.Low, spec.High, spec.Unit).Value;

    private static TorqueSpec WithTurn(StepAction torque, ImmutableArray<StepAction> actions) =>
        actions.FirstOrDefault(a => a.Verb == Verb.TurnOn && a.Target == torque.Target)?.Angle is { } angle && TorqueSpec.Create(torque.Torque!.Low, torque.Torque.High, torque.Torque.Unit, angle) is { IsGood: true } whole ? whole.Value : torque.Torque!;

    private static readonly string[] Ordinals = ["first", "second", "third", "fourth"];

    // "First pass", "pass 2 of 3": which pass; null for the final one.
    private int? PassNamed(Clause clause)
    {
        if (!Has(clause, "pass", "stage", "round", "go") || Has(clause, "final", "last")) return null;
        for (var i = 0; i < Ordinals.Length; i++)
            if (Has(clause, Ordinals[i])) return i + 1;
        return Values(clause).FirstOrDefault(v => v.Kind == TokenKind.Number) is { Text: { Length: > 0 } n } && int.TryParse(n, out var pass) && pass is > 0 and < 9 ? pass : null;
    }

    // "Pass 1", "stage 2": a number of something.
    private bool IsNumbered(Token number)
    {
        var before = _text[..number.At.Start].TrimEnd().ToLowerInvariant();
        return Array.Exists(["pass", "stage", "step", "round", "no.", "no", "figure", "fig.", "page"], w => before.EndsWith(w, StringComparison.Ordinal));
    }

    // A number with nothing behind it that it could be a number of.
    private bool StandsAlone(Token number)
    {
        var rest = _text[number.At.End..].TrimStart();
        if (rest.Length == 0) return true;
        var word = new string([.. rest.TakeWhile(char.IsLetter)]).ToLowerInvariant();
        return word.Length > 0 ? Trade.BehindValues.Contains(word) : rest[0] is not ('%' or '°');
    }

    // The unit of the torque last said in the sentence before a clause.
    private TorqueUnit? UnitBefore(Clause clause)
    {
        for (var i = _clauses.IndexOf(clause) - 1; i >= 0; i--)
        {
            if (EndsBetween(_clauses[i], clause)) return null;
            if (Values(_clauses[i]).LastOrDefault(v => v is { Kind: TokenKind.Torque, Torque.IsGood: true })
                is { Kind: TokenKind.Torque } torque) return torque.Torque.Value.Unit;
        }

        return null;
    }

    // The unit of every torque the sheet has; null where it has none yet, or has two.
    // "The cover bolts get 25 N·m, the pump bolts 45": as the step says it, else as the sheet does.
    private TorqueUnit? UsualUnit => _finder.Tokens.Where(t => t is { Kind: TokenKind.Torque, Torque.IsGood: true })
        .Select(t => t.Torque.Value.Unit).Distinct().Take(2).ToList() is [var said] ? said : _usualUnit.Value;

    private static TorqueUnit? UsualUnitOf(Sheet sheet, Step but) =>
        sheet.Steps.Where(s => s.Id != but.Id).SelectMany(s => s.Actions).Select(a => a.Torque).Concat(sheet.Joints.Select(j => j.Torque))
            .OfType<TorqueSpec>().Select(t => t.Unit).Distinct().Take(2).ToList() is [var only] ? only : null;

    // A number that stands alone, as a torque of a unit; null where it is none, or no more than a count.
    private Token? AsTorque(Token bare, TorqueUnit? unit) => unit is { } of && StandsAlone(bare) && !IsNumbered(bare) && !_text[..bare.At.Start].EndsWith('(')
        && NumberText.Parse(bare.Text) is { IsGood: true, Value: >= 5 } && TorqueText.Parse(bare.Text, of) is { IsGood: true } read
            ? bare with { Kind = TokenKind.Torque, Torque = read } : null;

    // A number right behind "to" and before no noun of the sheet: meant as a value.
    private bool ValueWithoutUnit(Token number)
    {
        var before = _text[..number.At.Start].TrimEnd();
        return (before.EndsWith(" to", StringComparison.OrdinalIgnoreCase) || before.EndsWith(" at", StringComparison.OrdinalIgnoreCase))
            && !_text[number.At.End..].TrimStart().StartsWith('%');
    }

    private void AskUnit(Token bare, Joint? joint = null)
    {
        var unit = UnitAfter(bare);
        if (Trade.IsSmall(unit.ToLowerInvariant()) || Trade.Adverbs.Contains(unit.ToLowerInvariant())) unit = "";
        var because = unit.Length > 0 ? TorqueText.ParseUnit(unit).Problem!.ToString()
            : "The value has no unit. Write N·m, lbf·ft, lbf·in, kgf·m or kgf·cm after the number.";
        AskValue(bare.Text + (unit.Length > 0 ? " " + unit : ""), bare.At, because, joint, unit.Length == 0
            && TorqueText.Parse(bare.Text, _sheet.Header.Unit) is { IsGood: true } read ? read.Value : null);
    }

    private string UnitAfter(Token number)
    {
        var rest = _text[number.At.End..].TrimStart();
        var end = 0;
        while (end < rest.Length && (char.IsLetter(rest[end]) || rest[end] is '·' or '-')) end++;
        return rest[..end];
    }

    // The step's value against the joint's: taken where there is none, followed where it was this step's own, asked about else.
    private void Compare(Joint joint, TorqueSpec stated, Token token)
    {
        var variant = _only is null ? null : joint.Variants.FirstOrDefault(v => _only.Equals(v.Limit));
        var given = variant?.Torque ?? joint.Torque;
        if (given is not null && SameWithinReading(given, stated)) return;
        // A joint nobody has given a value or a source: what the steps say last of it holds, what they said before were passes.
        if (given is not null && joint.Source.Length == 0 && joint.Assumed && _only is null)
        {
            _taken.RemoveAll(t => t.Joint == joint.Id && t.Only is null);
            _taken.Add((joint.Id, stated, null));
            return;
        }

        var own = _earlier.TryGetValue((joint.Id, _only), out var before) && (variant is not null ? variant.Torque == before : joint.Torque == before && joint.Source.Length == 0);
        // A value said for some variants alone becomes the joint's value there.
        if ((given is null && joint.Untorqued is null) || (own && stated != given) || (_only is not null && variant is null && before is null))
        {
            if (!_taken.Any(t => t.Joint == joint.Id && Equals(t.Only, _only))) _taken.Add((joint.Id, stated, _only));
            return;
        }

        var key = $"{token.Text} for {joint.Id}".ToLowerInvariant();
        if (Settled(key) is not null) return;
        Ask(new Question { Kind = QuestionKind.OtherValue, Phrase = key, At = token.At, Verb = Verb.Torque, Candidates = [joint.Id], Torque = stated });
    }

    // Equal within 1.5 %; said in the other unit, within what rounding to the last digit that is written comes to, and never more than 4 %.
    private static bool SameWithinReading(TorqueSpec a, TorqueSpec b)
    {
        bool Near(decimal x, decimal y)
        {
            double given = new Torque(x, a.Unit).NewtonMetres, said = new Torque(y, b.Unit).NewtonMetres;
            var rounding = a.Unit == b.Unit ? 0 : new Torque(0.5m / (decimal)Math.Pow(10, y.Scale), b.Unit).NewtonMetres;
            return Math.Abs(given - said) <= Math.Max(0.015 * given, Math.Min(0.04 * given, rounding));
        }

        if (b.ThenAngle is not null && a.ThenAngle != b.ThenAngle) return false;
        return (Near(a.Low, b.Low) && Near(a.High, b.High)) || (!b.IsRange && Near(a.Target.Amount, b.Low));
    }
}
