using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>What was read from a step's text.</summary>
/// <param name="Actions">What is done, in the order of the words.</param>
/// <param name="Questions">What the reading is not sure of.</param>
/// <param name="Branches">What the step may turn into, and the signs.</param>
/// <param name="Table">What a measured value is turned into; null where the step has no such table.</param>
/// <param name="Taken">Torque values the step states for joints that have none: they become the joint's, for the variants said.</param>
public sealed record Reading(ImmutableArray<StepAction> Actions, ImmutableArray<Question> Questions, ImmutableArray<Branch> Branches, ChoiceTable? Table, ImmutableArray<(string Joint, TorqueSpec Torque, Limit? Only)> Taken);

/// <summary>
/// Reads the sentences of a step into actions. Deterministic: a verb lexicon, the names on the sheet, numbers and units.
/// What it is not sure of it asks.
/// </summary>
public sealed class SentenceReader
{
    /// <summary>One more whenever the same words may be read otherwise than before.</summary>
    public const int Version = 1;

    private readonly Sheet _sheet;
    private readonly NameIndex _names;
    private readonly Step _step;
    private readonly string _text;
    private readonly List<StepAction> _actions = [];
    private readonly List<Question> _questions = [];
    private readonly List<(string Joint, TorqueSpec Torque, Limit? Only)> _taken = [];
    private readonly Dictionary<(string Joint, Limit? Only), TorqueSpec> _earlier;
    private readonly List<Passage> _passages;
    private readonly ImmutableArray<Branch> _branches;
    private Limit? _only;

    // What "it" and "them" mean: the direct objects of the clause before.
    private IReadOnlyList<Thing> _last = [];
    private bool _anyVerb;

    private SentenceReader(Sheet sheet, NameIndex names, Step step, string text)
    {
        _sheet = sheet;
        _names = names;
        _step = step;
        _text = text;
        _earlier = step.Actions.Where(a => a is { Verb: Verb.Torque, Torque: not null, Target: not null })
            .GroupBy(a => (a.Target!, a.Only)).ToDictionary(g => g.Key, g => g.Last().Torque!);
        (_passages, _branches) = Passages.Of(text, sheet.Header.Variants);
    }

    /// <summary>Reads <paramref name="text"/> as the new text of a step, on a sheet. What the step's author settled before still holds.</summary>
    public static Reading Read(Sheet sheet, NameIndex names, Step step, string text)
    {
        var reader = new SentenceReader(sheet, names, step, text);
        reader.Run();
        return new Reading([.. reader._actions], [.. reader._questions], reader._branches, ChoiceTable.Find(text), [.. reader._taken]);
    }

    private void Run()
    {
        foreach (var clause in new ClauseFinder(_text, _names).Find()) ReadPlaced(clause);
        if (_actions.Count > 0 || _questions.Count > 0 || _anyVerb || string.IsNullOrWhiteSpace(_text)) return;
        var whole = _text.Trim().ToLowerInvariant();
        var key = whole.Length <= 60 ? whole : whole[..60];
        if (Settled(key) is null) Ask(new Question { Kind = QuestionKind.NoVerb, Phrase = key, At = new Span(0, _text.Length) });
    }

    // Reads a clause for the variants and the branch of the passage it stands in. Advice and what leads a passage in is said, not done.
    private void ReadPlaced(Clause clause)
    {
        Passage? passage = null;
        foreach (var p in _passages)
            if (p.Start <= clause.At.Start && clause.At.Start < p.End) passage = p;
        if (passage is null or { IsAdvice: true })
        {
            _anyVerb = true;
            return;
        }

        _only = passage.Only;
        var from = _actions.Count;
        ReadClause(clause);
        if (passage is not ({ Only: not null } or { Branch: > 0 })) return;
        for (var i = from; i < _actions.Count; i++) _actions[i] = _actions[i] with { Only = passage.Only, Branch = passage.Branch };
    }

    private void ReadClause(Clause clause)
    {
        _anyVerb = true;
        if (clause.Sense == Sense.Say)
        {
            Remember(clause);
            return;
        }

        switch (clause.Sense)
        {
            case Sense.Raise or Sense.Support or Sense.Lower when ReadVehicle(clause): return;
            case Sense.Pump when !clause.All.Contains("clutch"):
                Add(clause, Verb.PumpBrakes, null);
                return;
            case Sense.Wait:
                Add(clause, Verb.Wait, null, a => a with { Minutes = ValueOf(clause, TokenKind.Time) });
                return;
            case Sense.Apply:
                ReadTreatment(clause);
                return;
            case Sense.Replace:
                ReadReplace(clause);
                return;
        }

        if (ReadPin(clause)) return;
        // "Plug both lines with the caps": the caps are what is put in place; the lines only tell where.
        var targets = clause.Sense == Sense.Place && AidIn(clause) is not null ? [] : Targets(clause);
        if (clause.Sense == Sense.Torque) ReadTorque(clause, targets);
        else
            foreach (var (thing, phrase) in targets) Do(clause, thing, phrase);
        ReadWith(clause, targets);
        if (targets.Count > 0) _last = [.. targets.Select(t => t.Thing).Distinct()];
    }

    // "Keep the disc clean": nothing is done, but "it" afterwards is the disc.
    private void Remember(Clause clause)
    {
        var named = clause.Phrases.Where(p => p.After is null && !p.IsPronoun).Select(p => _names.Resolve(p.Stems).One).OfType<Thing>().ToList();
        if (named.Count > 0 && !clause.Negated) _last = named;
    }

    /// <summary>The things a clause is done to; asks about those it cannot tell.</summary>
    private List<(Thing Thing, Phrase Phrase)> Targets(Clause clause)
    {
        var targets = new List<(Thing, Phrase)>();
        var direct = clause.Phrases.Where(p => p.After is null).ToList();
        if (clause.Sense is Sense.CheckLevel or Sense.FunctionCheck)
        {
            // "The level of the oil", "the function of the brake": what is after "of" is meant.
            direct.RemoveAll(p => p.Stems is ["level" or "function" or "operation"]);
            direct.AddRange(clause.Phrases.Where(p => p.After is "of"));
            // "The oil level" is the oil's.
            direct = [.. direct.Select(p => p.Stems is [_, .., "level" or "function" or "operation"] ? p with { Stems = [.. p.Stems.Take(p.Stems.Count - 1)] } : p)];
        }

        // "Fill the housing with gear oil", "refill with oil": the oil is what is filled.
        if (clause.Sense == Sense.Fill && clause.Phrases.Where(p => p is { After: "with", IsPronoun: false } && _names.Resolve(p.Stems).One is Fluid).ToList() is { Count: > 0 } fluids) direct = fluids;

        foreach (var phrase in direct)
        {
            if (phrase.IsPronoun)
            {
                var meant = _last.Where(t => Senses.Accepts(clause.Sense, t.Kind)).ToList();
                if (meant.Count > 0) targets.AddRange(meant.Select(t => (t, phrase)));
                else if (Senses.Changes(clause.Sense) && direct.TrueForAll(p => p.IsPronoun)) AskObject(clause, phrase.At);
                continue;
            }

            if (Resolve(clause, phrase) is { } thing) targets.Add((thing, phrase));
        }

        if (direct.Count == 0 && targets.Count == 0 && Senses.Changes(clause.Sense) && clause.Sense is not Sense.Secure)
        {
            var meant = _last.Where(t => Senses.Accepts(clause.Sense, t.Kind)).ToList();
            if (meant.Count > 0) targets.AddRange(meant.Select(t => (t, new Phrase([], clause.At, clause.Verb, null, false) { IsPronoun = true })));
            else if (clause.Phrases.Count == 0 || clause.Sense is Sense.Torque or Sense.Snug or Sense.Start) AskObject(clause, clause.At);
        }

        return targets;
    }

    private Thing? Resolve(Clause clause, Phrase phrase)
    {
        if (Settled(phrase.Text) is { } settled)
        {
            if (settled.Length == 0) return null;
            if (_names.Find(settled) is { } meant) return meant;
        }

        var found = _names.Resolve(phrase.Stems);
        if (found.One is { } one)
        {
            if (!phrase.IsPart || one is Joint { Count: var whole } && phrase.Count == whole || !Senses.Changes(clause.Sense)) return one;
            Ask(new Question { Kind = QuestionKind.PartOf, Phrase = phrase.Text, At = phrase.At, Verb = VerbFor(clause.Sense), Candidates = [one.Id], NewKinds = [one.Kind] });
            return null;
        }

        if (found.Others.Count > 1)
        {
            // Of several of one name, those of a kind the verb is done to.
            var fitting = found.Others.Where(t => Senses.Accepts(clause.Sense, t.Kind)).ToList();
            if (fitting.Count == 1) return fitting[0];
            if (Senses.Changes(clause.Sense))
                Ask(new Question { Kind = QuestionKind.Several, Phrase = phrase.Text, At = phrase.At, Verb = VerbFor(clause.Sense), Candidates = [.. (fitting.Count > 0 ? fitting : found.Others).Take(8).Select(t => t.Id)] });
            return null;
        }

        if (clause.Sense is Sense.Secure) return null;
        if (Senses.Changes(clause.Sense))
        {
            Ask(new Question
            {
                Kind = QuestionKind.UnknownName,
                Phrase = phrase.Text,
                At = phrase.At,
                Verb = VerbFor(clause.Sense),
                Candidates = [.. _names.Near(phrase.Stems).Select(t => t.Id)],
                NewKinds = [.. Words.LikelyKinds(phrase.Stems[^1], clause.Sense)],
                FromKit = clause.Sense is Sense.PutOn or Sense.Secure or Sense.Start or Sense.Connect or Sense.Torque or Sense.Snug,
            });
            return null;
        }

        // "Clean the threads": done, to nothing the sheet keeps count of.
        if (VerbFor(clause.Sense) is { } verb) _actions.Add(new StepAction { Verb = verb, Words = phrase.Text, At = phrase.At, Limits = LimitsAt(verb, phrase.At) });
        return null;
    }

    // What is measured is held against the limits its sentence goes on to say ("Measure the disc: at least 9.0 mm").
    private Limits? LimitsAt(Verb verb, Span at)
    {
        if (verb is not (Verb.Measure or Verb.Inspect)) return null;
        var end = _text.IndexOf('\n', at.End);
        for (var stop = _text.IndexOf(". ", at.End, StringComparison.Ordinal); stop >= 0 && (end < 0 || stop < end); stop = -1) end = stop;
        return Limits.Find(end < 0 ? _text[at.End..] : _text[at.End..end]);
    }

    private void Do(Clause clause, Thing thing, Phrase phrase)
    {
        var verb = Senses.For(clause.Sense, thing.Kind);
        if (clause.Sense == Sense.PutOn && thing.Kind is ThingKind.Tool or ThingKind.Consumable) return;
        if (verb is null)
        {
            if (thing.Kind is ThingKind.Tool or ThingKind.Consumable || clause.Sense is Sense.Secure || !Senses.Changes(clause.Sense)) return;
            if (Settled(phrase.Text) is "") return;
            Ask(new Question
            {
                Kind = QuestionKind.WrongKind,
                Phrase = phrase.Text,
                At = phrase.At,
                Verb = VerbFor(clause.Sense),
                Candidates = [.. _names.Near(phrase.Stems.Count > 0 ? phrase.Stems : NameIndex.StemsOf(thing.Name)).Where(t => Senses.Accepts(clause.Sense, t.Kind)).Select(t => t.Id)],
                Because = $"{thing.Label} is a {thing.Kind.ToString().ToLowerInvariant()}",
            });
            return;
        }

        Add(clause, verb.Value, thing, a => a with
        {
            At = phrase.At,
            New = phrase.IsNew,
            With = clause.Sense == Sense.Hang ? AidIn(clause) : null,
            Angle = verb is Verb.BackOff ? ValueOf(clause, TokenKind.Angle) : null,
            Limits = LimitsAt(verb.Value, phrase.At),
        });
    }

    // "Fit the bracket with the four bracket bolts": the joint after "with" is put in, too. Aids named with a "with" or "from" are placed.
    private void ReadWith(Clause clause, List<(Thing Thing, Phrase Phrase)> targets)
    {
        if (clause.Sense is not (Sense.PutOn or Sense.Secure or Sense.Place)) return;
        foreach (var phrase in clause.Phrases.Where(p => p is { After: "with" or "using" or "by", IsPronoun: false }))
        {
            if (targets.Any(t => t.Phrase == phrase)) continue;
            var found = Settled(phrase.Text) is { Length: > 0 } settled ? _names.Find(settled) : _names.Resolve(phrase.Stems).One;
            switch (found)
            {
                case Joint joint when clause.Sense is not Sense.Place:
                    _actions.Add(new StepAction { Verb = Verb.Start, Target = joint.Id, New = phrase.IsNew, At = phrase.At });
                    break;
                case Aid aid:
                    _actions.Add(new StepAction { Verb = Verb.Place, Target = aid.Id, At = phrase.At });
                    break;
                case null when clause.Sense is Sense.Secure && Words.LikelyKinds(phrase.Stems[^1], Sense.PutOn)[0] == ThingKind.Joint && Settled(phrase.Text) is null:
                    Ask(new Question { Kind = QuestionKind.UnknownName, Phrase = phrase.Text, At = phrase.At, Verb = Verb.Start, Candidates = [.. _names.Near(phrase.Stems).Select(t => t.Id)], NewKinds = [ThingKind.Joint, ThingKind.Part], FromKit = true });
                    break;
            }
        }
    }

    private void ReadTorque(Clause clause, List<(Thing Thing, Phrase Phrase)> targets)
    {
        var specs = clause.Values.Where(v => v.Kind == TokenKind.Torque).ToList();
        foreach (var bad in specs.Where(s => !s.Torque.IsGood))
            AskValue(bad.Text, bad.At, bad.Torque.Problem!.ToString());
        foreach (var bare in clause.Values.Where(v => v.Kind == TokenKind.Number && StandsAsValue(v)))
        {
            var unit = UnitAfter(bare);
            AskValue(bare.Text + (unit.Length > 0 ? " " + unit : ""), bare.At, unit.Length > 0 ? TorqueText.ParseUnit(unit).Problem!.ToString() : "The value has no unit. Write N·m, lbf·ft, lbf·in, kgf·m or kgf·cm after the number.");
        }

        var good = specs.Where(s => s.Torque.IsGood).ToList();
        var named = PassNamed(clause);
        foreach (var (thing, phrase) in targets)
        {
            if (thing is not Joint joint)
            {
                Do(clause, thing, phrase);
                continue;
            }

            for (var i = 0; i < good.Count - 1; i++)
                _actions.Add(new StepAction { Verb = Verb.TorquePass, Target = joint.Id, Torque = good[i].Torque.Value, Pass = i + 1, At = phrase.At });
            if (named is { } pass)
            {
                _actions.Add(new StepAction { Verb = Verb.TorquePass, Target = joint.Id, Torque = good.Count > 0 ? good[^1].Torque.Value : null, Pass = pass, At = phrase.At });
                continue;
            }

            var final = good.Count > 0 ? good[^1].Torque.Value : null;
            _actions.Add(new StepAction { Verb = clause.Verb is "retorque" or "re-torque" ? Verb.Retorque : Verb.Torque, Target = joint.Id, Torque = final, New = phrase.IsNew, At = phrase.At });
            if (final is not null) Compare(joint, final, good[^1]);
        }
    }

    // The step's value against the joint's: taken where there is none, followed where it was this step's own, asked about else.
    private void Compare(Joint joint, TorqueSpec stated, Token token)
    {
        var variant = _only is null ? null : joint.Variants.FirstOrDefault(v => _only.Equals(v.Limit));
        var given = variant?.Torque ?? joint.Torque;
        if (given is not null && SameWithinReading(given, stated)) return;
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

    // Equal within 1.5 %: the same value said in the other unit, rounded to whole numbers.
    private static bool SameWithinReading(TorqueSpec a, TorqueSpec b)
    {
        bool Near(decimal x, decimal y) => Math.Abs(new Torque(x, a.Unit).NewtonMetres - new Torque(y, b.Unit).NewtonMetres) <= 0.015 * new Torque(x, a.Unit).NewtonMetres;
        if (a.ThenAngle != b.ThenAngle) return false;
        return (Near(a.Low, b.Low) && Near(a.High, b.High)) || (!b.IsRange && Near(a.Target.Amount, b.Low));
    }

    // "first pass", "pass 2 of 3": which pass; null for the final one.
    private static int? PassNamed(Clause clause)
    {
        if (!clause.All.Contains("pass") || clause.All.Contains("final") || clause.All.Contains("last")) return null;
        string[] ordinals = ["first", "second", "third", "fourth"];
        for (var i = 0; i < ordinals.Length; i++)
            if (clause.All.Contains(ordinals[i])) return i + 1;
        return clause.Values.FirstOrDefault(v => v.Kind == TokenKind.Number) is { Text: { Length: > 0 } n } && int.TryParse(n, out var pass) && pass is > 0 and < 9 ? pass : null;
    }

    // A number right after "to" and before no noun of the sheet: meant as a value.
    private bool StandsAsValue(Token number)
    {
        var before = _text[..number.At.Start].TrimEnd();
        return before.EndsWith(" to", StringComparison.OrdinalIgnoreCase) && !_text[number.At.End..].TrimStart().StartsWith('%');
    }

    private string UnitAfter(Token number)
    {
        var rest = _text[number.At.End..].TrimStart();
        var end = 0;
        while (end < rest.Length && (char.IsLetter(rest[end]) || rest[end] is '·' or '-')) end++;
        return rest[..end];
    }

    private void AskValue(string phrase, Span at, string because)
    {
        var key = phrase.ToLowerInvariant();
        if (Settled(key) is null) Ask(new Question { Kind = QuestionKind.BadValue, Phrase = key, At = at, Verb = Verb.Torque, Because = because });
    }

    private bool ReadVehicle(Clause clause)
    {
        var direct = clause.Phrases.Where(p => p.After is null && !p.IsPronoun).ToList();
        var things = direct.Select(p => (Phrase: p, Thing: Settled(p.Text) is { Length: > 0 } s ? _names.Find(s) : _names.Resolve(p.Stems).One)).ToList();
        var stands = clause.Phrases.Any(p => p.Stems.Count > 0 && p.Stems[^1] == "stand");
        foreach (var (phrase, thing) in things)
        {
            if (thing is Aid || phrase.Stems[^1] is "stand" or "jack") continue;
            if (Settled(phrase.Text) is "" || (thing is null && phrase.Stems.Any(Words.Vehicle.Contains))) continue;
            if ((thing is Part && clause.Sense == Sense.Support) || Settled(Question.OnlyThis + phrase.Text) is not null) return true;
            Ask(new Question { Kind = QuestionKind.VehicleMoves, Phrase = phrase.Text, At = phrase.At, Verb = VehicleVerb(clause) });
            return true;
        }

        foreach (var phrase in clause.Phrases.Where(p => !p.IsPronoun))
            if (_names.Resolve(phrase.Stems).One is Aid aid && clause.Sense != Sense.Lower)
                _actions.Add(new StepAction { Verb = Verb.Place, Target = aid.Id, At = phrase.At });
        // "Support the engine with a jack" is no change of the vehicle; "on stands" is.
        if (clause.Sense == Sense.Support && !stands && !things.Any(t => t.Phrase.Stems.Any(Words.Vehicle.Contains))) return true;
        Add(clause, VehicleVerb(clause), null);
        return true;
    }

    private static Verb VehicleVerb(Clause clause) => clause.Sense switch
    {
        Sense.Raise => Verb.Raise,
        Sense.Support => Verb.SetOnStands,
        _ => clause.All.Contains("touch") || clause.All.Contains("touches") || clause.All.Contains("touching") ? Verb.LowerToTouch : Verb.Lower,
    };

    private void ReadTreatment(Clause clause)
    {
        // "Apply medium threadlocker to the bolts", "Oil the O-ring", "Put a drop of threadlocker on the bolts".
        var what = clause.Phrases.FirstOrDefault(p => p.After is null && !p.IsPronoun);
        var onto = clause.Phrases.Where(p => p.After is "to" or "on" or "onto" or "over").ToList();
        var treated = onto.Count > 0 ? onto : clause.Phrases.Where(p => p.After is null).ToList();
        var with = what is null ? null : _names.Resolve(what.Stems).One is Consumable consumable ? consumable.Id : null;
        foreach (var phrase in treated)
        {
            var things = phrase.IsPronoun ? _last : _names.Resolve(phrase.Stems).One is { } one ? [one] : [];
            var changed = things.Where(t => t.Kind is ThingKind.Joint or ThingKind.Part).ToList();
            if (changed.Count > 0) _last = changed;
            foreach (var thing in changed)
                _actions.Add(new StepAction { Verb = Verb.Treat, Target = thing.Id, With = with, Words = what?.Text, At = phrase.At });
            if (things.Count == 0 && !phrase.IsPronoun && !(phrase.Stems[^1] == "brake" && onto.Count == 0))
                _actions.Add(new StepAction { Verb = Verb.Treat, With = with, Words = phrase.Text, At = phrase.At });
        }
    }

    // "Replace the oil seal": the old one off, a new one on.
    private void ReadReplace(Clause clause)
    {
        var targets = Targets(clause);
        foreach (var (thing, phrase) in targets)
        {
            var (off, on) = thing.Kind == ThingKind.Joint ? (Verb.TakeOut, Verb.Start) : (Verb.Remove, Verb.Fit);
            if (thing.Kind is not (ThingKind.Joint or ThingKind.Part))
            {
                Do(clause, thing, phrase);
                continue;
            }

            _actions.Add(new StepAction { Verb = off, Target = thing.Id, At = phrase.At });
            _actions.Add(new StepAction { Verb = on, Target = thing.Id, New = true, At = phrase.At });
        }

        if (targets.Count > 0) _last = [.. targets.Select(t => t.Thing)];
    }

    // Cotter pins belong to their joint and are no parts of their own.
    private bool ReadPin(Clause clause)
    {
        var pin = clause.Phrases.FirstOrDefault(p => p.After is null && p.Stems.Count > 0 && p.Stems[^1] == "pin" && _names.Resolve(p.Stems).One is null && (p.Stems.Count == 1 || p.Stems.Any(Words.Pins.Contains)));
        if (pin is null || Settled(pin.Text) is not null) return false;
        Verb? verb = clause.Sense switch
        {
            Sense.TakeOff => Verb.RemovePin,
            Sense.PutOn or Sense.Place or Sense.Replace or Sense.Start => Verb.InsertPin,
            _ => null,
        };
        if (verb is null) return false;
        var named = clause.Phrases.Where(p => p != pin && !p.IsPronoun).Select(p => _names.Resolve(p.Stems).One).OfType<Joint>().ToList();
        var joints = named.Count > 0 ? named : _last.OfType<Joint>().Where(j => j.Locking == Locking.CotterPin).ToList();
        if (joints.Count == 0) joints = [.. _sheet.Joints.Where(j => j.Locking == Locking.CotterPin)];
        if (joints.Count != 1)
        {
            var key = $"{clause.Verb} {pin.Text}";
            if (Settled(key) is { Length: > 0 } settled && _names.Find(settled) is Joint chosen) joints = [chosen];
            else
            {
                if (Settled(key) is null)
                    Ask(new Question { Kind = QuestionKind.NoObject, Phrase = key, At = pin.At, Verb = verb, Candidates = [.. (joints.Count > 0 ? joints : [.. _sheet.Joints]).Take(6).Select(j => j.Id)] });
                return true;
            }
        }

        if (verb == Verb.InsertPin && clause.Sense == Sense.Replace)
            _actions.Add(new StepAction { Verb = Verb.RemovePin, Target = joints[0].Id, At = pin.At });
        _actions.Add(new StepAction { Verb = verb.Value, Target = joints[0].Id, New = pin.IsNew || clause.Sense == Sense.Replace, At = pin.At });
        // Other objects of the same verb ("remove the cotter pin and the hub nut").
        foreach (var phrase in clause.Phrases.Where(p => p != pin && p.After is null && !p.IsPronoun))
            if (Resolve(clause, phrase) is { } thing) Do(clause, thing, phrase);
        _last = [joints[0]];
        return true;
    }

    private string? AidIn(Clause clause) => clause.Phrases
        .Where(p => p is { After: "with" or "from" or "by" or "on" or "using", IsPronoun: false })
        .Select(p => Settled(p.Text) is { Length: > 0 } s ? _names.Find(s) : _names.Resolve(p.Stems).One)
        .OfType<Aid>().FirstOrDefault()?.Id;

    private static decimal? ValueOf(Clause clause, TokenKind kind)
    {
        foreach (var value in clause.Values)
            if (value.Kind == kind) return value.Number;
        return null;
    }

    private void Add(Clause clause, Verb verb, Thing? thing, Func<StepAction, StepAction>? more = null)
    {
        var action = new StepAction { Verb = verb, Target = thing?.Id, At = clause.At };
        _actions.Add(more is null ? action : more(action));
    }

    private void AskObject(Clause clause, Span at)
    {
        var key = clause.Verb;
        if (Settled(key) is { } settled)
        {
            if (settled.Length > 0 && _names.Find(settled) is { } thing) Do(clause, thing, new Phrase([], at, key, null, false) { IsPronoun = true });
            return;
        }

        var verb = VerbFor(clause.Sense);
        Ask(new Question { Kind = QuestionKind.NoObject, Phrase = key, At = at, Verb = verb, Candidates = [.. _sheet.Things.Where(t => Senses.Accepts(clause.Sense, t.Kind)).Take(6).Select(t => t.Id)] });
    }

    private void Ask(Question question)
    {
        if (!_questions.Any(q => q.Kind == question.Kind && q.Phrase == question.Phrase)) _questions.Add(question);
    }

    private string? Settled(string phrase)
    {
        foreach (var settlement in _step.Settled)
            if (settlement.Phrase == phrase) return settlement.Target;
        return null;
    }

    // The action a sense most often is, for a chip that has no object yet.
    private static Verb? VerbFor(Sense sense) => sense switch
    {
        Sense.Loosen => Verb.Loosen,
        Sense.BreakLoose => Verb.BreakLoose,
        Sense.TakeOff => Verb.Remove,
        Sense.Hang => Verb.HangAside,
        Sense.Disconnect => Verb.Disconnect,
        Sense.Drain => Verb.Drain,
        Sense.Inspect => Verb.Inspect,
        Sense.Measure => Verb.Measure,
        Sense.Clean => Verb.Clean,
        Sense.PutOn or Sense.Replace => Verb.Fit,
        Sense.Start or Sense.Secure => Verb.Start,
        Sense.Snug => Verb.Snug,
        Sense.Torque => Verb.Torque,
        Sense.Stake => Verb.Stake,
        Sense.Mark => Verb.Mark,
        Sense.Connect => Verb.Connect,
        Sense.Fill => Verb.Fill,
        Sense.CheckLevel => Verb.CheckLevel,
        Sense.FunctionCheck => Verb.FunctionCheck,
        Sense.Place => Verb.Place,
        Sense.Align => Verb.Align,
        Sense.BackOff => Verb.BackOff,
        Sense.Seat => Verb.Seat,
        _ => null,
    };
}
