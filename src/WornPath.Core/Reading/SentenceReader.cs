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
public sealed record Reading(ImmutableArray<StepAction> Actions, ImmutableArray<Question> Questions, ImmutableArray<Branch> Branches, ChoiceTable? Table, ImmutableArray<(string Joint, TorqueSpec Torque, Limit? Only)> Taken)
{
    /// <summary>What the sentences name that the sheet does not have: assumed, and shown as new.</summary>
    public ImmutableArray<AssumedThing> Assumed { get; init; } = [];

    /// <summary>Tools, consumables and aids that are named beside what is done.</summary>
    public ImmutableArray<string> Uses { get; init; } = [];

    /// <summary>People the words say it takes; null where they say nothing.</summary>
    public int? People { get; init; }

    /// <summary>Words nobody understood.</summary>
    public ImmutableArray<Span> Residue { get; init; } = [];
}

/// <summary>
/// Reads the sentences of a step into actions: words, clauses, noun phrases, what they mean, what the verb comes to, which value
/// belongs where. Deterministic. The language stands in Reading/Trade; docs/reading.md tells the way through. What it is not sure
/// of it asks, what it does not understand it shows.
/// </summary>
public sealed class SentenceReader
{
    /// <summary>One more whenever the same words may be read otherwise than before.</summary>
    public const int Version = 2;

    private readonly Sheet _sheet;
    private readonly Step _step;
    private readonly string _text;
    private readonly ClauseFinder _finder;
    private readonly Referring _refer;
    private readonly List<StepAction> _actions = [];
    private readonly List<Question> _questions = [];
    private readonly List<(string Joint, TorqueSpec Torque, Limit? Only)> _taken = [];
    private readonly Dictionary<(string Joint, Limit? Only), TorqueSpec> _earlier;
    private readonly List<Passage> _passages;
    private readonly List<Branch> _branches;
    private readonly List<string> _uses = [];
    private readonly List<Span> _residue = [];
    private readonly List<Clause> _clauses;
    // What was named last and is no thing of the sheet yet: "squeeze the ring and hook it out".
    private NounPhrase? _unnamed;
    private int? _people;
    private Limit? _only;
    private int _branch;
    private bool _told;

    private SentenceReader(Sheet sheet, NameIndex names, Step step, string text, Spoken before)
    {
        _sheet = sheet;
        _step = step;
        _text = text;
        _earlier = step.Actions.Where(a => a is { Verb: Verb.Torque, Torque: not null, Target: not null })
            .GroupBy(a => (a.Target!, a.Only)).ToDictionary(g => g.Key, g => WithTurn(g.Last(), step.Actions));
        (_passages, var branches) = Passages.Of(text, sheet.Header.Variants);
        _branches = [.. branches];
        _finder = new ClauseFinder(text, names);
        _refer = new Referring(sheet, names, before, Settled);
        _clauses = _finder.Find();
    }

    /// <summary>Reads <paramref name="text"/> as the new text of a step, on a sheet. What the step's author settled before still holds.</summary>
    public static Reading Read(Sheet sheet, NameIndex names, Step step, string text) => Read(sheet, names, step, text, null);

    /// <summary>The same, where what was spoken of before is known already.</summary>
    internal static Reading Read(Sheet sheet, NameIndex names, Step step, string text, Spoken? before)
    {
        var reader = new SentenceReader(sheet, names, step, text, before ?? Spoken.Before(sheet, names, step));
        reader.Run();
        return new Reading([.. reader._actions], [.. reader._questions], [.. reader._branches], ChoiceTable.Find(text), [.. reader._taken])
        {
            Assumed = [.. reader._refer.Assumed],
            Uses = [.. reader._uses.Distinct()],
            People = reader._people,
            Residue = [.. reader._residue],
        };
    }

    private Spoken Spoken => _refer.Spoken;

    private void Run()
    {
        foreach (var clause in _clauses) Placed(clause);
        if (_actions.Count > 0 || _questions.Count > 0 || _told || string.IsNullOrWhiteSpace(_text)) return;
        var whole = _text.Trim().ToLowerInvariant();
        var key = whole.Length <= 60 ? whole : whole[..60];
        if (Settled(key) is null) Ask(new Question { Kind = QuestionKind.NoVerb, Phrase = key, At = new Span(0, _text.Length) });
    }

    // --- where a clause stands: for which variants, in which branch
    private void Placed(Clause clause)
    {
        var at = PlaceOf(clause);
        Passage? passage = null;
        foreach (var p in _passages)
            if (p.Start <= at.Start && at.Start < p.End) passage = p;
        if (passage is null or { IsAdvice: true })
        {
            _told = true;
            return;
        }

        var former = _actions.Count > 0 ? _actions[^1] : null;
        (_only, _branch) = (passage.Only, passage.Branch);
        var from = _actions.Count;
        var branches = _branches.Count;
        if (clause.Proviso is { } proviso && _branch == 0) _branch = BranchOf(proviso);
        _finder.Fill(clause);
        Read(clause);
        if (_actions.Count == from)
        {
            if (_branches.Count > branches) _branches.RemoveAt(branches);
            return;
        }

        // "15 N·m; 30 N·m; 45 N·m": what stood before was a pass.
        if (clause.Mood == Mood.Fragment && _actions.Count == from + 1 && former is { Verb: Verb.Torque, Torque: { } pass } && _actions[from] is { Verb: Verb.Torque, Torque: { } last } final && final.Target == former.Target && clause.Pieces.TrueForAll(p => p.Noun is null) && last.Target.NewtonMetres > pass.Target.NewtonMetres)
        {
            _actions[from - 1] = final with { At = former.At, Passes = TorquePasses.Of([.. former.Passes?.Torques ?? [], pass, .. final.Passes?.Torques ?? []]) };
            _actions.RemoveAt(from);
            return;
        }

        if (_only is null && _branch == 0) return;
        for (var i = from; i < _actions.Count; i++) _actions[i] = _actions[i] with { Only = _only, Branch = _branch };
    }

    // A proviso within a sentence is a branch of the step like one on a line of its own.
    private int BranchOf(Proviso proviso)
    {
        var sign = proviso.Sign.Trim().TrimEnd('.', ',', ':', '?');
        for (var i = 0; i < _branches.Count; i++)
            if (_branches[i].Sign == sign) return i + 1;
        _branches.Add(new Branch(sign, false, proviso.At));
        return _branches.Count;
    }

    private Span PlaceOf(Clause clause)
    {
        var tokens = _finder.Tokens;
        var first = tokens[clause.From].At;
        var last = tokens[Math.Max(clause.From, Math.Min(clause.To, tokens.Count) - 1)].At;
        return new Span(first.Start, Math.Max(first.Length, last.End - first.Start));
    }

    // --- one clause
    private void Read(Clause clause)
    {
        Hands(clause);
        if (Repeats(clause)) return;
        if (clause.Negated || clause.IsRemark)
        {
            Aside(clause);
            return;
        }

        if (clause.IsUnknown)
        {
            Unclear(clause);
            return;
        }

        if (clause.Mood == Mood.Fragment)
        {
            new FragmentReader(this, clause).Read();
            return;
        }

        if (clause.Verb is null)
        {
            _told = true;
            return;
        }

        var facts = new Facts(this, clause);
        var sense = Sense.Say;
        var objects = facts.Objects;
        foreach (var frame in clause.Verb.Frames)
        {
            if (!Array.TrueForAll(frame.Conditions, c => c.Holds(facts))) continue;
            sense = frame.Sense;
            if (frame.Object is { } behind) objects = [.. clause.Pieces.Where(p => p.Noun?.After == behind).Select(p => p.Noun!)];
            break;
        }

        // Who moves of itself is said, unless it moves on or off.
        if (clause.Mood == Mood.Declarative && sense is not (Sense.Off or Sense.On or Sense.Torque or Sense.TurnOn or Sense.Disconnect or Sense.Connect)) sense = Sense.Say;
        var (actions, questions) = (_actions.Count, _questions.Count);
        Do(clause, sense, objects);
        // Told to do what changes the state, and nothing came of it: shown and asked.
        if (!Trade.Of(sense).IsSoft && _actions.Count == actions && _questions.Count == questions && !IsDone(clause, sense)) Unclear(clause);
    }

    // Done already by another motion of the sentence, or settled to be just words.
    private bool IsDone(Clause clause, Sense sense) =>
        _actions.Exists(a => IsMotion(a.Verb)) || clause.Pieces.Exists(p => p.Noun is { IsPronoun: false } n && (Settled(n.Text) is "" || _refer.Known(n) is Aid or Tool or Consumable)) || Settled(clause.Verb?.Lemma ?? "") is not null || sense == Sense.Support;

    private void Do(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        _told = true;
        switch (sense)
        {
            case Sense.Say:
                Aside(clause);
                return;
            case Sense.Raise or Sense.Stands or Sense.Touch or Sense.Lower or Sense.VehicleMoves:
                Vehicle(clause, sense, objects);
                return;
            case Sense.Support:
                Support(clause);
                return;
            case Sense.Engine:
                Add(Verb.Set, ControlOf(new NounPhrase(PlaceOf(clause), "engine", ["engine"])), PlaceOf(clause), a => a with { Position = Short(PlaceOf(clause).Of(_text)) });
                return;
            case Sense.Gear:
                Add(Verb.Set, ControlOf(new NounPhrase(PlaceOf(clause), "gear", ["gear"])), PlaceOf(clause), a => a with { Position = Short(PlaceOf(clause).Of(_text)) });
                return;
            case Sense.JackDown:
                if (Spoken.Raised) Add(Verb.Lower, null, PlaceOf(clause));
                else Aside(clause);
                return;
            case Sense.Level when !objects.Exists(o => o.IsPronoun || _refer.Known(o) is Fluid || Trade.NounOf(o.Stems) is { Kinds: [ThingKind.Fluid, ..] }):
                if (Spoken.Nearest(_refer.Things.Where(t => t is Fluid)) is { } fluid) Add(Verb.CheckLevel, fluid, PlaceOf(clause));
                else goto default;
                return;
            case Sense.PlaceOwn:
                PlaceOwn(clause, objects);
                return;
            case Sense.Unhang:
                Unhang(clause, objects);
                return;
            case Sense.Again:
                Again();
                return;
            case Sense.Off or Sense.On or Sense.Place or Sense.Move or Sense.Replace when objects.Exists(IsCotter):
                Pin(clause, sense is Sense.Off ? Sense.PinOut : Sense.PinIn, objects);
                return;
            case Sense.Lock or Sense.Unlock or Sense.Stake:
                LockOn(clause, sense, objects);
                return;
            default:
                DoEach(clause, sense, objects);
                return;
            case Sense.Pump:
                Add(Verb.PumpBrakes, null, PlaceOf(clause));
                return;
            case Sense.Wait:
                Wait(clause, objects);
                return;
            case Sense.Treat:
                Treat(clause, objects);
                return;
            case Sense.PinOut or Sense.PinIn:
                Pin(clause, sense, objects);
                return;
            case Sense.Set:
                SetControl(clause, objects);
                return;
            case Sense.Torque or Sense.TurnOn or Sense.Align or Sense.BackOff or Sense.BoltTorque or Sense.Retorque:
                Tighten(clause, sense, objects);
                return;
        }
    }

    private void DoEach(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        var things = new List<Thing>();
        foreach (var phrase in objects.Count > 0 ? objects : [Bare(clause)]) things.AddRange(DoTo(clause, sense, phrase));
        With(clause, sense, things);
        Beside(clause);
        if (things.Count > 0) Spoken.Hand([.. things.Distinct()]);
        // "Fit the plug, 20 N·m": the value makes it a tightening, too.
        if (sense is Sense.On or Sense.Start or Sense.Secure or Sense.Snug or Sense.Connect or Sense.Replace && Values(clause).Any(v => v.Kind == TokenKind.Torque)) Tighten(clause, Sense.Torque, []);
    }

    // Whatever a verb is done to where the sentence does not say: what was in hand.
    private NounPhrase Bare(Clause clause) => new(PlaceOf(clause), clause.Verb?.Lemma ?? "", []) { IsPronoun = true, IsPlural = true, Name = "" };

    /// <summary>Does a sense to what a phrase names; returns the things.</summary>
    private List<Thing> DoTo(Clause clause, Sense sense, NounPhrase phrase)
    {
        var things = Things(clause, sense, phrase);
        // "Pop the lead out of its clip": the clip is what is opened; the lead is unplugged for itself.
        if (sense is Sense.Off or Sense.On && things is [Connection lead] && clause.Pieces.Find(p => p.Noun is { IsIts: true, Head: "clip" })?.Noun is { } clip)
        {
            var name = $"{lead.Name} {clip.Name}";
            var named = clip with { Name = name, Text = name.ToLowerInvariant(), Stems = NameIndex.StemsOf(name), IsIts = false };
            Act(clause, sense, _refer.Known(named) ?? _refer.Assume(named, ThingKind.Connection, false, null, null), clip);
            return things;
        }

        foreach (var thing in things) Act(clause, sense, thing, phrase);
        return things;
    }

    private void Act(Clause clause, Sense sense, Thing thing, NounPhrase phrase)
    {
        if (thing.Kind is ThingKind.Tool or ThingKind.Consumable) Use(thing);
        var row = Trade.Of(sense);
        if (thing is Control && sense is Sense.Off or Sense.On or Sense.Move or Sense.Place or Sense.Connect or Sense.Disconnect)
        {
            Add(Verb.Set, thing, phrase.At, a => a with { Position = Short(PlaceOf(clause).Of(_text)) });
            return;
        }

        if (!row.ByKind.TryGetValue(thing.Kind, out var verb))
        {
            if (thing.Kind == ThingKind.Aid || row.IsSoft || thing.Kind is ThingKind.Tool or ThingKind.Consumable) return;
            if (Settled(phrase.Text) is "") return;
            Ask(new Question
            {
                Kind = QuestionKind.WrongKind, Phrase = phrase.Text, At = phrase.At, Verb = VerbOf(sense), Because = $"{thing.Label} is a {thing.Kind.ToString().ToLowerInvariant()}",
                Candidates = [.. _refer.Things.Where(t => row.ByKind.ContainsKey(t.Kind) && NameIndex.NamesOf(t)[0].Any(s => NameIndex.NamesOf(thing)[0].Contains(s))).Take(4).Select(t => t.Id)],
            });
            return;
        }

        if (verb is null)
        {
            Both(clause, sense, thing, phrase);
            return;
        }

        Add(verb.Value, thing, phrase.At, a => Detailed(a, clause, phrase));
    }

    private StepAction Detailed(StepAction action, Clause clause, NounPhrase phrase) => action with
    {
        New = phrase.IsNew,
        With = action.Verb is Verb.HangAside ? AidIn(clause)?.Id : null,
        Some = SomeOf(action.Target, phrase),
        Rest = phrase.IsRest,
        Angle = action.Verb is Verb.BackOff or Verb.TurnOn ? Values(clause).FirstOrDefault(v => v.Kind == TokenKind.Angle) is { Kind: TokenKind.Angle } angle ? angle.Number : null : null,
        Limits = LimitsAt(action.Verb, phrase.At),
    };

    // So many of the set; null for all.
    private int? SomeOf(string? target, NounPhrase phrase)
    {
        if (phrase.IsRest) return null;
        var whole = target is not null ? (_refer.Find(target) switch { Joint j => j.Count, Part p => p.Quantity, _ => 0 }) : 0;
        var some = phrase.Some is { } said ? said < 0 ? whole + said : said : phrase.Count is { } count && whole > count && count < whole && !phrase.IsAll ? count : (int?)null;
        return some is { } n && n > 0 && n != whole ? n : null;
    }

    // Two actions, or one of two.
    private void Both(Clause clause, Sense sense, Thing thing, NounPhrase phrase)
    {
        var off = Trade.Of(Sense.Off).ByKind.GetValueOrDefault(thing.Kind);
        var on = Trade.Of(Sense.On).ByKind.GetValueOrDefault(thing.Kind);
        if (off is null || on is null) return;
        if (sense == Sense.Replace)
        {
            Add(off.Value, thing, phrase.At);
            Add(on.Value, thing, phrase.At, a => a with { New = true });
            return;
        }

        // Moved, and the words do not say where: what is off goes on; what is on, and known to be so, comes off.
        var phase = _sheet.Phases.FirstOrDefault(p => p.Steps.Any(x => x.Id == _step.Id))?.Name ?? "";
        bool Says(params string[] words) => Array.Exists(words, w => phase.Contains(w, StringComparison.OrdinalIgnoreCase));
        if (Spoken.IsOff(thing) is null && !phrase.IsNew && Says("remov", "strip", "dismant", "taking off", "tear"))
        {
            Add(off.Value, thing, phrase.At, a => Detailed(a, clause, phrase));
            return;
        }

        if (Spoken.IsOff(thing) is null && !phrase.IsNew && !Says("refit", "fitting", "install", "assembl", "building up") && Spoken.ComesOff is true && _actions.Count > 0)
        {
            Add(off.Value, thing, phrase.At, a => Detailed(a, clause, phrase));
            return;
        }

        if (Spoken.IsOff(thing) is null && (Spoken.ComesOff is false && _actions.Count > 0 || Says("refit", "fitting", "install", "assembl", "building up")) || phrase.IsNew || Spoken.IsOff(thing) is true || thing is Part { Origin: Origin.Kit } or Joint { Origin: Origin.Kit } or Connection { Origin: Origin.Kit } && Spoken.IsOff(thing) is null) Add(on.Value, thing, phrase.At, a => Detailed(a, clause, phrase));
        else Unclear(clause);
    }

    /// <summary>What a phrase means for a sense: things of the sheet, one named anew, or none; asks where it cannot tell.</summary>
    private List<Thing> Things(Clause clause, Sense sense, NounPhrase phrase)
    {
        var row = Trade.Of(sense);
        bool Accepts(ThingKind kind) => row.ByKind.ContainsKey(kind);
        if (phrase.IsPronoun)
        {
            if (_unnamed is { } said && !row.IsSoft && phrase.Text is "it" or "them")
            {
                _unnamed = null;
                return Things(clause, sense, said with { At = phrase.At });
            }

            var meant = _refer.Meant(phrase, Accepts);
            if (meant.Count > 0) return [.. meant];
            if (!row.IsSoft) AskObject(clause, sense, phrase);
            return [];
        }

        if (phrase.IsVague && Settled(phrase.Text) is null && _refer.Known(phrase, Accepts) is { } set)
        {
            Ask(new Question { Kind = QuestionKind.PartOf, Phrase = phrase.Text, At = phrase.At, Verb = VerbOf(sense), Candidates = [set.Id], NewKinds = [set.Kind] });
            return [];
        }

        if (Settled(phrase.Text) is { } settled)
        {
            if (settled.Length == 0) return [];
            if (_refer.Find(settled) is { } chosen) return [chosen];
        }

        if (_refer.Known(phrase, Accepts) is { } known && (Accepts(known.Kind) || !(Trade.NounOf(phrase.Stems)?.Kinds.Any(Accepts) ?? false)))
        {
            Spoken.Name(known);
            return [known];
        }

        if (_refer.Doubtful.Count > 1)
        {
            var fitting = _refer.Doubtful.Where(t => Accepts(t.Kind)).ToList();
            if (fitting.Count == 1) return fitting;
            // "Both valve lines", "left and right": all of them.
            if (phrase.IsAll || phrase.IsPlural && phrase.Count is { } all && all == fitting.Count) return fitting;
            if (!row.IsSoft)
                Ask(new Question { Kind = QuestionKind.Several, Phrase = phrase.Text, At = phrase.At, Verb = VerbOf(sense), Candidates = [.. (fitting.Count > 0 ? fitting : _refer.Doubtful).Take(8).Select(t => t.Id)] });
            return [];
        }

        // "Its stud", "their threads": a part of what is in hand and no thing of its own. "Their nuts" are those of the bolts in hand.
        if (phrase.IsIts && phrase.Head is "stud" or "thread" or "shank" or "end" or "lip" or "collar" or "tip") return [];
        if (phrase.IsIts && phrase.Head == "nut" && Spoken.Last.OfType<Joint>().FirstOrDefault(j => NameIndex.NamesOf(j)[0][^1] is "bolt" or "stud" or "screw") is { } bolted) return [bolted];
        var noun = Trade.NounOf(phrase.Stems);
        // "Push the axle out of the hub": here no end of the vehicle.
        if (noun is { Role: NounRole.Vehicle } && sense is Sense.Off or Sense.On or Sense.Move) noun = null;
        if (noun is { Role: not NounRole.Thing })
        {
            // "Clean the threads": done, to nothing the sheet keeps count of.
            if (row.IsSoft && noun.Role is NounRole.Words or NounRole.Place && VerbOf(sense) is { } soft && sense is not (Sense.Aside or Sense.Discard or Sense.Seat)) _actions.Add(new StepAction { Verb = soft, Words = phrase.Text, At = phrase.At, Limits = LimitsAt(soft, phrase.At) });
            return [];
        }

        var kinds = noun?.Kinds ?? [];
        if (kinds is [ThingKind.Control, ThingKind.Part] && sense is Sense.Off or Sense.On or Sense.Move && clause.Mood == Mood.Imperative) kinds = [ThingKind.Part];
        ThingKind? kind = kinds.Length > 0 ? Array.Find(kinds, Accepts) is var fit && kinds.Any(Accepts) ? fit : kinds[0] : null;
        if (kind is ThingKind.Tool or ThingKind.Consumable or ThingKind.Aid && !Accepts(kind.Value) || kind is ThingKind.Tool or ThingKind.Consumable)
        {
            Use(_refer.Assume(phrase, kind.Value, false, null, null));
            return [];
        }

        if (row.IsSoft && kind is not ThingKind.Joint && sense is not (Sense.Aside or Sense.Discard))
        {
            // "Clean the threads": done, to nothing the sheet keeps count of.
            if (VerbOf(sense) is { } verb) _actions.Add(new StepAction { Verb = verb, Words = phrase.Text, At = phrase.At, Limits = LimitsAt(verb, phrase.At) });
            _unnamed = phrase;
            return [];
        }

        if (row.ByKind.Count == 0) return [];
        // A word that is no noun of the trade and has no "the": asked, not made a thing.
        if (kind is null && phrase is { IsIndefinite: true, IsNew: false, Count: null, IsPlural: false, Stems.Count: 1 })
        {
            Ask(new Question { Kind = QuestionKind.UnknownName, Phrase = phrase.Text, At = phrase.At, Verb = VerbOf(sense), NewKinds = [Likely(sense)] });
            return [];
        }

        kind ??= Likely(sense);
        if (!Accepts(kind.Value) && kind == ThingKind.Part && Accepts(ThingKind.Joint) && row.ByKind.Count == 1) kind = ThingKind.Joint;
        var (owner, ownerId) = kind == ThingKind.Joint ? OwnerOf(clause, phrase) : (null, null);
        var comes = sense is Sense.On or Sense.Start or Sense.Secure or Sense.Connect or Sense.Torque or Sense.Snug or Sense.BoltTorque;
        var assumed = _refer.Assume(phrase, kind.Value, comes, owner, ownerId);
        Spoken.Name(assumed);
        return [assumed];
    }

    private static ThingKind Likely(Sense sense) => sense switch
    {
        Sense.Loosen or Sense.BreakLoose or Sense.Start or Sense.Snug or Sense.Torque or Sense.Stake or Sense.Align or Sense.BackOff or Sense.TurnOn or Sense.Retorque or Sense.Lock or Sense.Unlock => ThingKind.Joint,
        Sense.Disconnect or Sense.Connect => ThingKind.Connection,
        Sense.Drain or Sense.Fill or Sense.Level => ThingKind.Fluid,
        Sense.Place => ThingKind.Aid,
        Sense.Set => ThingKind.Control,
        _ => ThingKind.Part,
    };

    // Whose fastener it is: as said, else the part named nearest in the sentence, else what was last in hand.
    private (string? Name, string? Id) OwnerOf(Clause clause, NounPhrase phrase)
    {
        if (phrase.Stems.Count > 1 && phrase.Owner.Count == 0) return (null, null);
        if (phrase.OwnerName.Length > 0)
        {
            var owner = _refer.Known(new NounPhrase(phrase.At, phrase.OwnerName, phrase.Owner));
            return (HeadOf(phrase.OwnerName), owner is Part ? owner.Id : null);
        }

        if (phrase.IsIts && Spoken.Last.OfType<Part>().LastOrDefault() is { } its) return (its.Name, its.Id);
        // "Undo the two bolts and lift the bracket off".
        var at = _clauses.IndexOf(clause);
        foreach (var other in _clauses.Skip(at).Take(3))
        {
            _finder.Fill(other);
            foreach (var piece in other.Pieces)
            {
                if (piece.Noun is not { IsPronoun: false } noun || noun.At == phrase.At || noun.Stems.Count == 0) continue;
                if (other == clause && noun.After is "with" or "using" or "by" or "for") continue;
                if (Trade.NounOf(noun.Stems) is { } known && (known.Role != NounRole.Thing || known.Kinds is not ([ThingKind.Part, ..] or []))) continue;
                var part = _refer.Known(noun, k => k == ThingKind.Part);
                if (part is Part) return (part.Name, part.Id);
                if (part is null && Trade.NounOf(noun.Stems) is null && !noun.IsIndefinite) return (noun.Name, null);
            }
        }

        return Spoken.Last.OfType<Part>().LastOrDefault() is { } last ? (last.Name, last.Id) : (null, null);
    }

    private static string HeadOf(string name)
    {
        var words = name.Split(' ');
        return words.Length > 2 ? string.Join(' ', words[^2..]) : name;
    }

    // --- the vehicle
    private void Vehicle(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        foreach (var phrase in objects)
        {
            if (phrase.IsPronoun) continue;
            var thing = Settled(phrase.Text) is { Length: > 0 } s ? _refer.Find(s) : _refer.Known(phrase);
            if (thing is Aid or Tool || Trade.NounOf(phrase.Stems) is { Role: not NounRole.Thing } && thing is null || Settled(phrase.Text) is "" || phrase.Head is "wheel" or "stand" or "jack") continue;
            if (Settled(Question.OnlyThis + phrase.Text) is not null) return;
            if (sense is Sense.VehicleMoves or Sense.Raise or Sense.Lower or Sense.Stands)
                Ask(new Question { Kind = QuestionKind.VehicleMoves, Phrase = phrase.Text, At = phrase.At, Verb = VerbOf(sense) });
            return;
        }

        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { IsPronoun: false } phrase) continue;
            if (sense is Sense.Lower or Sense.Touch && phrase.After is null or "off" or "from") continue;
            var thing = _refer.Known(phrase);
            if (thing is null && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Aid, ..] }) thing = _refer.Assume(phrase.Stems is ["stand"] ? phrase with { Name = "axle stands" } : phrase, ThingKind.Aid, false, null, null);
            if (thing is Aid && sense is not (Sense.Lower or Sense.Touch)) Add(Verb.Place, thing, phrase.At);
            else if (thing is Tool) Use(thing);
            else if (thing is null && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Tool, ..] }) Use(_refer.Assume(phrase, ThingKind.Tool, false, null, null));
        }

        Add(sense is Sense.VehicleMoves ? Verb.Lower : VerbOf(sense)!.Value, null, PlaceOf(clause));
        // "Get it off the ground and onto jack stands."
        if (sense == Sense.Raise && clause.Pieces.Exists(p => p.Noun is { After: "on" or "onto" or "over" or "to" } n && n.Head == "stand")) Add(Verb.SetOnStands, null, PlaceOf(clause));
        Spoken.Hand([.. clause.Pieces.Where(p => p.Noun is { IsPronoun: false }).Select(p => _refer.Known(p.Noun!)).OfType<Aid>()]);
        Spoken.Vehicle = true;
    }

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
            if (thing is null && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Aid, ..] }) thing = _refer.Assume(phrase, ThingKind.Aid, false, null, null);
            if (thing is Aid) Add(Verb.Place, thing, phrase.At);
        }
    }

    // --- waiting, treating, pinning, setting
    private void Wait(Clause clause, List<NounPhrase> objects)
    {
        var time = Values(clause).FirstOrDefault(v => v.Kind == TokenKind.Time);
        var target = objects.Select(o => o.IsPronoun ? null : _refer.Known(o)).OfType<Part>().FirstOrDefault();
        Add(Verb.Wait, target, PlaceOf(clause), a => a with { Minutes = time.Kind == TokenKind.Time ? time.Number : null });
    }

    private void Treat(Clause clause, List<NounPhrase> objects)
    {
        // "Apply threadlocker to the bolts", "oil the seal", "pack the bearing with grease", "give each nut a drop of threadlocker".
        NounPhrase? what = null;
        var treated = new List<NounPhrase>();
        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { } phrase || phrase.After is "by" or "until" or "for" or "from") continue;
            if (!phrase.IsPronoun && IsStuff(phrase))
            {
                what ??= phrase;
                continue;
            }

            if (!phrase.IsPronoun && Trade.NounOf(phrase.Stems) is { Role: NounRole.Words or NounRole.Person }) continue;
            if (!phrase.IsPronoun && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Tool, ..] })
            {
                UseNamed(phrase);
                continue;
            }

            if (phrase.After is null or "to" or "on" or "onto" or "over" or "in" or "into" or "of" or "under" or "inside" or "around" or "round" or "along" || clause.Mood is Mood.Passive) treated.Add(phrase);
        }

        var stuff = what is null ? null : _refer.Known(what) as Consumable ?? (what.After is null or "of" or "with" or "in" ? _refer.Assume(what, ThingKind.Consumable, false, null, null) : null);
        if (stuff is not null) Use(stuff);
        var onto = treated.Exists(t => t.After is not null and not "of" and not "in") && what is null && treated.Exists(t => t.After is null) ? treated : treated;
        var hand = new List<Thing>();
        foreach (var phrase in onto)
        {
            var things = phrase.IsPronoun ? [.. _refer.Meant(phrase, k => k is ThingKind.Joint or ThingKind.Part or ThingKind.Connection)] : _refer.Known(phrase, k => k is ThingKind.Joint or ThingKind.Part) is { } one ? [one] : (IReadOnlyList<Thing>)[];
            var changed = things.Where(t => t.Kind is ThingKind.Joint or ThingKind.Part or ThingKind.Connection).ToList();
            if (changed.Count == 0 && !phrase.IsPronoun && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Joint, ..] })
            {
                var (owner, ownerId) = OwnerOf(clause, phrase);
                changed = [_refer.Assume(phrase, ThingKind.Joint, true, owner, ownerId)];
            }

            foreach (var thing in changed) _actions.Add(new StepAction { Verb = Verb.Treat, Target = thing.Id, With = stuff?.Id, Words = what?.Text ?? clause.Verb?.Lemma, New = phrase.IsNew, At = phrase.At });
            hand.AddRange(changed);
            if (changed.Count == 0 && !phrase.IsPronoun && !(phrase.Head == "brake" && phrase.After is null)) _actions.Add(new StepAction { Verb = Verb.Treat, With = stuff?.Id, Words = phrase.Text, At = phrase.At });
        }

        if (treated.Count == 0 && what is not null)
            foreach (var thing in _refer.Meant(new NounPhrase(what.At, "them", []) { IsPronoun = true, IsPlural = true }, k => k is ThingKind.Joint or ThingKind.Part))
                _actions.Add(new StepAction { Verb = Verb.Treat, Target = thing.Id, With = stuff?.Id, Words = what.Text, At = what.At });
        if (hand.Count > 0) Spoken.Hand(hand);
        Beside(clause);
    }

    private bool IsStuff(NounPhrase phrase) => _refer.Known(phrase) is Consumable || Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Consumable, ..] } && _refer.Known(phrase) is null
        || phrase.After is "with" or "in" && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Fluid, ..] };

    // "The split pin", "the cotter", and "it" after one.
    private bool IsCotter(NounPhrase phrase) => phrase.IsPronoun ? phrase.Text is "it" or "them" && Spoken.Pin
        : (phrase.Head == "cotter" || phrase.Head == "pin" && (phrase.Stems.Any(s => s is "cotter" or "split") || phrase.Stems.Count == 1)) && _refer.Known(phrase) is null or Consumable;

    // "Chock both rear wheels", "cap the ports": the verb names the aid, its object where it goes.
    private void PlaceOwn(Clause clause, List<NounPhrase> objects)
    {
        var verb = clause.Verb!.Lemma;
        var aid = _refer.Things.OfType<Aid>().Where(a => NameIndex.NamesOf(a)[0][^1] == verb).ToList();
        if (objects.FirstOrDefault(o => !o.IsPronoun) is not { } where)
        {
            var what = Spoken.Nearest(aid) ?? aid.FirstOrDefault() ?? _refer.Assume(new NounPhrase(PlaceOf(clause), verb + "s", [verb]) { Name = NameOfLast(verb) }, ThingKind.Aid, false, null, null);
            Add(Verb.Place, what, PlaceOf(clause));
            Beside(clause);
            return;
        }

        // "Plug the ports with the caps": said with what.
        var with = clause.Pieces.Where(p => p.Noun is { After: "with" or "using", IsPronoun: false }).Select(p => p.Noun!).Select(n => _refer.Known(n) is Aid known ? known : Trade.NounOf(n.Stems) is { Kinds: [ThingKind.Aid, ..] } && _refer.Known(n) is null ? _refer.Assume(n, ThingKind.Aid, false, null, null) : null).OfType<Aid>().FirstOrDefault();
        var name = $"{where.Stems[^1]} {verb}{(where.IsPlural || verb is "chock" or "block" ? "s" : "")}";
        var own = with ?? Spoken.Nearest(aid) ?? aid.FirstOrDefault() ?? _refer.Assume(where with { Name = name, Stems = NameIndex.StemsOf(name), Count = null, Some = null, Size = "" }, ThingKind.Aid, false, null, null);
        Add(Verb.Place, own, where.At);
        if (_refer.Known(where) is { } there) Spoken.Hand([there]);
        else if (Trade.NounOf(where.Stems)?.Role is null or NounRole.Thing) _unnamed = where;
    }

    private string NameOfLast(string verb) => Spoken.Last.Count > 0 ? $"{NameIndex.NamesOf(Spoken.Last[0])[0][^1]} {verb}s" : verb + "s";

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

    // "Warm it and try again": what was tried before it, once more.
    private void Again()
    {
        if (_actions.FindLastIndex(a => a.Branch == 0 && a.Target is not null && a.Verb is not (Verb.Treat or Verb.Wait or Verb.Clean)) is >= 0 and var at) _actions.Add(_actions[at]);
    }

    // A tab, a plate, a wire lock the joint they belong to.
    private void LockOn(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        var verb = sense switch { Sense.Lock => Verb.Lock, Sense.Unlock => Verb.Unlock, _ => Verb.Stake };
        foreach (var phrase in objects)
        {
            var joint = phrase.IsPronoun ? _refer.Meant(phrase, k => k == ThingKind.Joint).OfType<Joint>().FirstOrDefault() : _refer.Known(phrase, k => k == ThingKind.Joint) as Joint;
            joint ??= JointNear(clause, phrase);
            if (joint is null) _actions.Add(new StepAction { Verb = verb, Words = phrase.Text, At = phrase.At });
            else Add(verb, joint, phrase.At);
        }
    }

    // The fastener a pin, tab or collar belongs to: named beside it, named next, in hand.
    private Joint? JointNear(Clause clause, NounPhrase what)
    {
        if (what.Owner.Count > 0 && _refer.Known(new NounPhrase(what.At, what.OwnerName, what.Owner), k => k == ThingKind.Joint) is Joint owned) return owned;
        var at = _clauses.IndexOf(clause);
        foreach (var other in _clauses.Skip(at).Take(3))
        {
            _finder.Fill(other);
            foreach (var piece in other.Pieces)
            {
                if (piece.Noun is not { IsPronoun: false } noun || noun.At == what.At) continue;
                if (_refer.Known(noun) is Joint named) return named;
                if (_refer.Doubtful.Count == 0 && Trade.NounOf(noun.Stems) is { Kinds: [ThingKind.Joint, ..] })
                {
                    var (owner, ownerId) = OwnerOf(other, noun);
                    return (Joint)_refer.Assume(noun, ThingKind.Joint, false, owner, ownerId);
                }
            }
        }

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
        foreach (var phrase in objects.Where(p => p != pin)) DoTo(clause, sense == Sense.PinOut ? Sense.Off : Sense.On, phrase);
        Spoken.Hand([joint]);
        Spoken.Pin = true;
    }

    private Joint? PinnedBy(Clause clause, NounPhrase pin, string key, bool isCotter)
    {
        if (Settled(key) is { Length: > 0 } settled && _refer.Find(settled) is Joint chosen) return chosen;
        // Named beside it, spoken of next, in hand, the only one that has a pin.
        var at = _clauses.IndexOf(clause);
        foreach (var other in _clauses.Skip(at).Take(3))
        {
            _finder.Fill(other);
            foreach (var piece in other.Pieces)
            {
                if (piece.Noun is not { IsPronoun: false } noun || noun.At == pin.At) continue;
                if (_refer.Known(noun) is Joint named) return named;
                if (noun.Head == "nut" && _refer.Doubtful.Count == 0 && (isCotter || noun.Stems.Contains("castle")))
                {
                    var (owner, ownerId) = OwnerOf(other, noun);
                    return (Joint)_refer.Assume(noun, ThingKind.Joint, false, owner, ownerId);
                }
            }
        }

        if (Spoken.Pin && Spoken.Pinned is Joint pulled) return pulled;
        if (pin.OwnerName.Length > 0 && _refer.Things.OfType<Joint>().FirstOrDefault(j => NameIndex.NamesOf(j)[0].Intersect(pin.Owner).Any()) is { } owned) return owned;
        bool Pinned(Joint j) => j.Locking == Locking.CotterPin || NameIndex.NamesOf(j)[0] is [.., "nut"] name && !name.Any(n => n is "lock" or "jam" or "wheel" or "lug" or "swivel" or "flare");
        if (Spoken.Last.Concat(Spoken.Earlier).OfType<Joint>().FirstOrDefault(Pinned) is { } inHand) return inHand;
        var all = _refer.Things.OfType<Joint>().Where(j => j.Locking == Locking.CotterPin).ToList();
        if (all.Count == 0) all = [.. _refer.Things.OfType<Joint>().Where(Pinned)];
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
        var any = false;
        foreach (var phrase in objects)
        {
            if (phrase.IsPronoun || Trade.NounOf(phrase.Stems) is { Role: not NounRole.Thing }) continue;
            var control = _refer.Known(phrase, k => k == ThingKind.Control);
            if (control is not Control) control = Trade.NounOf(phrase.Stems) is { } noun && noun.Kinds.Contains(ThingKind.Control) ? ControlOf(phrase) : null;
            if (control is null) continue;
            any = true;
            if (_actions is [.., { Verb: Verb.Set } last] && last.Target == control.Id && clause.Mood == Mood.Fragment && Has(clause, "pocket", "hand")) continue;
            Add(Verb.Set, control, phrase.At, a => a with { Position = Short(position) });
        }

        if (!any) _told = true;
    }

    // A control by the name it has everywhere: "the engine" is stopped with its key, "the brake" is the parking brake.
    private Thing ControlOf(NounPhrase phrase)
    {
        var name = phrase.Text switch
        {
            "engine" or "motor" or "key" or "ignition" => "ignition key",
            "handbrake" or "hand brake" or "park brake" or "brake" => "parking brake",
            "gear" or "transmission" or "gearbox" => "gear lever",
            "pto" => "PTO lever",
            _ => phrase.Name.Length > 0 ? phrase.Name : phrase.Text,
        };
        var named = phrase with { Name = name, Text = name.ToLowerInvariant(), Stems = NameIndex.StemsOf(name) };
        return _refer.Known(named) ?? _refer.Assume(named, ThingKind.Control, false, null, null);
    }

    private static string Short(string words) => words.Length <= 80 ? words : words[..80];

    // --- tightening
    private void Tighten(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        foreach (var bad in Values(clause).Where(v => v.Kind == TokenKind.Torque && !v.Torque.IsGood)) AskValue(bad.Text, bad.At, bad.Torque.Problem!.ToString());
        var group = new List<(Thing Thing, NounPhrase Phrase)>();
        var values = new List<Token>();
        var any = false;
        var slot = Has(clause, "slot", "slots", "castellation", "castellations");
        var unit = Values(clause).Where(v => v is { Kind: TokenKind.Torque, Torque.IsGood: true }).Select(v => v.Torque.Value.Unit).FirstOrDefault();
        var hasTorque = Values(clause).Any(v => v is { Kind: TokenKind.Torque, Torque.IsGood: true });
        void Flush()
        {
            if (group.Count == 0 && values.Count == 0 && !((slot || sense == Sense.Align) && objects.Count == 0 && !any)) return;
            if (group.Count == 0)
            {
                var meant = _refer.Meant(Bare(clause), k => k == ThingKind.Joint);
                if (meant.Count == 0) return;
                group.AddRange(meant.Select(m => (m, Bare(clause))));
            }

            foreach (var (thing, phrase) in group) Tightened(clause, sense, thing, phrase, values, slot);
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
                var things = Things(clause, Trade.Of(sense).ByKind.Count > 0 ? sense : Sense.Torque, phrase);
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
                else if (!hasTorque && sense is Sense.Torque && ValueWithoutUnit(bare)) AskUnit(bare);
            }
        }

        var before = _actions.Count;
        Flush();
        if (any || _actions.Count > before || _questions.Count > 0) { Beside(clause); return; }
        if (objects.Count == 0 || objects.TrueForAll(o => o.IsPronoun)) AskObject(clause, sense, Bare(clause));
        Beside(clause);
    }

    private void Tightened(Clause clause, Sense sense, Thing thing, NounPhrase phrase, List<Token> values, bool slot)
    {
        if (thing is not Joint joint)
        {
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
            if (torques.Count > 0 && torques[^1].Spec.Unit != spec.Unit && SameSaidTwice(torques[^1].Spec, spec)) continue;
            if (spec.ThenAngle is { } then) angle = then;
            torques.Add((Plain(spec), value));
        }

        var some = SomeOf(joint.Id, phrase);
        StepAction Of(StepAction a) => a with { New = phrase.IsNew, Some = some, Rest = phrase.IsRest };
        if (sense == Sense.BackOff)
        {
            Add(Verb.BackOff, joint, phrase.At, a => Of(a) with { Angle = angle });
            return;
        }

        if (torques.Count == 0 && (angle is not null || slot || sense == Sense.Align))
        {
            Add(angle is null ? Verb.Align : Verb.TurnOn, joint, phrase.At, a => Of(a) with { Angle = angle });
            return;
        }

        var final = torques.Count > 0 ? torques[^1].Spec : null;
        if (PassNamed(clause) is { } pass && torques.Count < 2)
        {
            Add(Verb.TorquePass, joint, phrase.At, a => Of(a) with { Torque = final, Pass = pass });
            return;
        }

        var again = sense == Sense.Retorque;
        Add(again ? Verb.Retorque : Verb.Torque, joint, phrase.At, a => Of(a) with { Torque = final, Passes = TorquePasses.Of(torques.SkipLast(1).Select(t => t.Spec)) });
        if (final is not null && !again) Compare(joint, TorqueSpec.Create(final.Low, final.High, final.Unit, angle) is { IsGood: true } whole && angle is not null ? whole.Value : final, torques[^1].Token);
        if (angle is not null) Add(Verb.TurnOn, joint, phrase.At, a => Of(a) with { Angle = angle });
        if (slot) Add(Verb.Align, joint, phrase.At, Of);
    }

    private static TorqueSpec Plain(TorqueSpec spec) => spec.ThenAngle is null ? spec : TorqueSpec.Create(spec.Low, spec.High, spec.Unit).Value;

    private static TorqueSpec WithTurn(StepAction torque, ImmutableArray<StepAction> actions) =>
        actions.FirstOrDefault(a => a.Verb == Verb.TurnOn && a.Target == torque.Target)?.Angle is { } angle && TorqueSpec.Create(torque.Torque!.Low, torque.Torque.High, torque.Torque.Unit, angle) is { IsGood: true } whole ? whole.Value : torque.Torque!;

    // Within 4 %: the other unit is printed in whole numbers.
    private static bool SameSaidTwice(TorqueSpec a, TorqueSpec b) => Math.Abs(a.Target.NewtonMetres - b.Target.NewtonMetres) <= 0.04 * a.Target.NewtonMetres;

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

    private bool StandsAlone(Token number)
    {
        var rest = _text[number.At.End..].TrimStart();
        return rest.Length == 0 || !(char.IsLetter(rest[0]) && !rest.StartsWith("and", StringComparison.OrdinalIgnoreCase) && !rest.StartsWith("then", StringComparison.OrdinalIgnoreCase) && !rest.StartsWith("on ", StringComparison.OrdinalIgnoreCase) && !rest.StartsWith("in ", StringComparison.OrdinalIgnoreCase) && !rest.StartsWith("first", StringComparison.OrdinalIgnoreCase) && !rest.StartsWith("for ", StringComparison.OrdinalIgnoreCase)) && !rest.StartsWith('%') && !rest.StartsWith('°');
    }

    // A number right behind "to" and before no noun of the sheet: meant as a value.
    private bool ValueWithoutUnit(Token number)
    {
        var before = _text[..number.At.Start].TrimEnd();
        return before.EndsWith(" to", StringComparison.OrdinalIgnoreCase) && !_text[number.At.End..].TrimStart().StartsWith('%');
    }

    private void AskUnit(Token bare)
    {
        var unit = UnitAfter(bare);
        AskValue(bare.Text + (unit.Length > 0 ? " " + unit : ""), bare.At, unit.Length > 0 ? TorqueText.ParseUnit(unit).Problem!.ToString() : "The value has no unit. Write N·m, lbf·ft, lbf·in, kgf·m or kgf·cm after the number.");
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

    // Equal within 1.5 %: the same value said in the other unit, rounded to whole numbers.
    private static bool SameWithinReading(TorqueSpec a, TorqueSpec b)
    {
        bool Near(decimal x, decimal y) => Math.Abs(new Torque(x, a.Unit).NewtonMetres - new Torque(y, b.Unit).NewtonMetres) <= 0.015 * new Torque(x, a.Unit).NewtonMetres;
        if (b.ThenAngle is not null && a.ThenAngle != b.ThenAngle) return false;
        return (Near(a.Low, b.Low) && Near(a.High, b.High)) || (!b.IsRange && Near(a.Target.Amount, b.Low));
    }

    // --- what stands beside: with what, by whom
    // "Fit the bracket with the four bracket bolts": the joint behind "with" is put in, too.
    private void With(Clause clause, Sense sense, List<Thing> targets)
    {
        if (sense is not (Sense.On or Sense.Secure or Sense.Start or Sense.Place)) return;
        var fastened = false;
        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { After: "with" or "using" or "by", IsPronoun: false } phrase) continue;
            var found = Settled(phrase.Text) is { Length: > 0 } settled ? _refer.Find(settled) : _refer.Known(phrase);
            if (found is null && sense is not Sense.Place && Settled(phrase.Text) is null && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Joint, ..] })
            {
                var part = targets.OfType<Part>().LastOrDefault();
                found = _refer.Assume(phrase, ThingKind.Joint, true, phrase.Stems.Count == 1 ? part?.Name : null, part?.Id);
            }

            switch (found)
            {
                case Joint joint when sense is not Sense.Place && !targets.Contains(joint):
                    Add(Verb.Start, joint, phrase.At, a => a with { New = phrase.IsNew });
                    targets.Add(joint);
                    fastened = true;
                    break;
                case Part part when phrase.IsNew && !targets.Contains(part):
                    Add(Verb.Fit, part, phrase.At, a => a with { New = true });
                    break;
                case null when phrase.IsNew && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Part, ..] } && _refer.Doubtful.Count == 0:
                    Add(Verb.Fit, _refer.Assume(phrase, ThingKind.Part, true, null, null), phrase.At, a => a with { New = true });
                    break;
                case Aid aid:
                    Add(Verb.Place, aid, phrase.At);
                    break;
            }
        }

        // "Bolt it on": its bolts go in.
        if (sense != Sense.Secure || fastened || targets.OfType<Joint>().Any()) return;
        foreach (var part in targets.OfType<Part>().ToList())
        {
            if ((FastenersOf(part) ?? (clause.Verb?.Lemma == "bolt" ? AssumeBolts(part, Bare(clause)) : null)) is not { } joint) continue;
            Add(Verb.Start, joint, PlaceOf(clause));
            targets.Add(joint);
        }
    }

    // "Bolt the hoop up": it has bolts.
    private Joint AssumeBolts(Part part, NounPhrase phrase)
    {
        var name = $"{part.Name} bolts";
        return (Joint)_refer.Assume(phrase with { Name = name, Text = name.ToLowerInvariant(), Stems = NameIndex.StemsOf(name), Count = null, Some = null, IsNew = false }, ThingKind.Joint, true, null, part.Id);
    }

    private Joint? FastenersOf(Part part)
    {
        var holding = _refer.Things.OfType<Joint>().Where(j => j.Holds.Contains(part.Id) || NameIndex.NamesOf(j)[0] is [.. var first, _] && first.SequenceEqual(NameIndex.NamesOf(part)[0])).ToList();
        return holding.Count == 1 ? holding[0] : Spoken.Nearest(holding) as Joint;
    }

    // Tools and consumables that are named: the sheet comes to know them.
    private void Beside(Clause clause)
    {
        foreach (var piece in clause.Pieces)
            if (piece.Noun is { IsPronoun: false, After: not null } phrase) UseNamed(phrase);
    }

    private void Aside(Clause clause)
    {
        _told = true;
        if (clause.Pieces.Exists(p => p.Noun is { IsPronoun: false } n && IsCotter(n))) Spoken.Pin = true;
        // "Remove the hoop, which is held by two bolts": they come out with it.
        if (clause.Mood == Mood.Beside && Has(clause, "held", "secured", "retained") && _actions is [.., { Verb: Verb.Remove } removed])
            foreach (var by in clause.Pieces.Where(p => p.Noun is { After: "by", IsPronoun: false } n && Trade.NounOf(n.Stems) is { Kinds: [ThingKind.Joint, ..] }))
            {
                var part = removed.Target is { } id ? _refer.Find(id) : null;
                if ((_refer.Known(by.Noun!) ?? _refer.Assume(by.Noun!, ThingKind.Joint, false, part?.Name, part?.Id)) is Joint joint) Add(Verb.TakeOut, joint, by.At);
            }

        var named = new List<Thing>();
        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { IsPronoun: false } phrase) continue;
            if (phrase.After is "with" or "using" or "in" && !clause.Negated) UseNamed(phrase);
            if ((phrase.After is null || clause.Verb?.Lemma is "begin" or "start" && phrase.After is "with" or "on" || clause.Verb?.Lemma == "see" && phrase.After == "to") && _refer.Known(phrase) is { } thing) named.Add(thing);
        }

        // "Keep the disc clean": nothing is done, but "it" afterwards is the disc.
        if (named.Count > 0 && !clause.Negated && clause.Mood != Mood.Beside) Spoken.Hand(named);
        else if (clause is { Mood: Mood.Imperative, Negated: false } && clause.Pieces.Find(p => p.Noun is { After: null, IsPronoun: false } n && Trade.NounOf(n.Stems)?.Role is null or NounRole.Thing) is { Noun: { } unknown }) _unnamed = unknown;
    }

    private void UseNamed(NounPhrase phrase)
    {
        if (_refer.Known(phrase) is { } known)
        {
            if (known.Kind is ThingKind.Tool or ThingKind.Consumable or ThingKind.Aid) Use(known);
            return;
        }

        if (_refer.Doubtful.Count == 0 && Settled(phrase.Text) is null && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Tool or ThingKind.Consumable, ..] } noun) Use(_refer.Assume(phrase, noun.Kinds[0], false, null, null));
    }

    private void Use(Thing thing) => _uses.Add(thing.Id);

    // "With a helper", "two people lift": how many hands.
    private void Hands(Clause clause)
    {
        if (clause.HasHelper) _people = Math.Max(_people ?? 1, 2);
        // "With the parking brake applied and the gear lever in neutral".
        if (clause.People > 1) _people = Math.Max(_people ?? 1, clause.People);
        if (!clause.Negated && clause.Mood is Mood.Imperative or Mood.Passive)
            foreach (var piece in clause.Pieces)
                if (piece.Noun is { After: "with", IsPronoun: false } with && Trade.NounOf(with.Stems) is { Kinds: [ThingKind.Control, ..] })
                    SetControl(clause, [.. clause.Pieces.SkipWhile(p => p != piece).Where(p => p.Noun is { IsPronoun: false } n && Trade.NounOf(n.Stems) is { Kinds: [ThingKind.Control, ..] }).Select(p => p.Noun!)]);
        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { IsPronoun: false } phrase || Trade.NounOf(phrase.Stems) is not { Role: NounRole.Person }) continue;
            if (phrase.Head is "hand" or "hands" || phrase.Stems.Contains("qualified")) continue;
            var one = phrase.Head is "people" or "person" && phrase.Count is > 1 ? phrase.Count.Value : phrase.Head == "person" && phrase.Distinct.Count == 0 && !phrase.Stems.Contains("second") ? 1 : 1 + (phrase.Count ?? 1);
            if (one > 1 && !clause.Negated) _people = Math.Max(_people ?? 1, one);
        }
    }

    private Aid? AidIn(Clause clause)
    {
        foreach (var piece in clause.Pieces)
        {
            if (piece.Noun is not { After: "with" or "from" or "by" or "on" or "using" or "in" or "into", IsPronoun: false } phrase) continue;
            var thing = Settled(phrase.Text) is { Length: > 0 } s ? _refer.Find(s) : _refer.Known(phrase);
            if (thing is null && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Aid, ..] } && _refer.Doubtful.Count == 0) thing = _refer.Assume(phrase, ThingKind.Aid, false, null, null);
            if (thing is Aid aid) return aid;
        }

        return null;
    }

    // --- the same again
    private bool Repeats(Clause clause)
    {
        if (clause.Negated || clause.Mood == Mood.Beside) return false;
        var repeats = clause.Verb?.Lemma is "repeat" or "redo"
            || Has(clause, "same") && (Has(clause, "do", "again", "way", "manner", "routine", "likewise", "goes") || clause.Mood == Mood.Fragment && Has(clause, "on", "with", "for")) && !Values(clause).Any(v => v.Kind == TokenKind.Torque) && (clause.Verb?.Lemma is null or "do" or "be" or "fish")
            || Has(clause, "likewise") && Has(clause, "do", "deal", "treat")
            || clause.Verb is null && clause.Mood is Mood.Fragment or Mood.Declarative && PlaceOf(clause).Of(_text).ToLowerInvariant() is { Length: < 40 } short_ && (short_.EndsWith("the other one", StringComparison.Ordinal) || short_.EndsWith("the other side", StringComparison.Ordinal))
            || clause.Verb?.Lemma is "do" && Has(clause, "like") || clause.Verb?.Lemma is "do" && Has(clause, "side") && Has(clause, "other")
            || Has(clause, "again") && Has(clause, "steps", "step") && clause.Mood is Mood.Fragment or Mood.Declarative;
        if (!repeats) return false;
        var at = PlaceOf(clause);
        _told = true;
        _actions.Add(new StepAction { Verb = Verb.Repeat, Words = Short(at.Of(_text)), At = at });
        return true;
    }

    // --- what is not understood
    private void Unclear(Clause clause)
    {
        var at = PlaceOf(clause);
        var key = at.Of(_text).Trim().ToLowerInvariant();
        if (key.Length > 60) key = key[..60];
        _told = true;
        if (_step.Settled.FirstOrDefault(s => s.Phrase == key) is { } settled)
        {
            if (settled.Verb is { } verb && _refer.Find(settled.Target) is { } meant) Add(verb, meant, at);
            return;
        }

        _residue.Add(at);
        var things = clause.Pieces.Where(p => p.Noun is { IsPronoun: false }).Select(p => _refer.Known(p.Noun!)).OfType<Thing>().Distinct().Take(3);
        Ask(new Question { Kind = QuestionKind.Unclear, Phrase = key, At = at, Candidates = [.. things.Select(t => t.Id)] });
    }

    // --- helpers
    private static IEnumerable<Token> Values(Clause clause) => clause.Pieces.Where(p => p.Value is not null).Select(p => p.Value!.Value);

    private bool Has(Clause clause, params ReadOnlySpan<string> words)
    {
        for (var i = clause.From; i < Math.Max(clause.To, clause.Reach) && i < _finder.Tokens.Count; i++)
            foreach (var word in words)
                if (_finder.Tokens[i].Text == word) return true;
        return false;
    }

    // What is measured is held against the limits its sentence goes on to say ("Measure the disc: at least 9.0 mm").
    private Limits? LimitsAt(Verb verb, Span at)
    {
        if (verb is not (Verb.Measure or Verb.Inspect)) return null;
        var end = _text.IndexOf('\n', at.End);
        var stop = _text.IndexOf(". ", at.End, StringComparison.Ordinal);
        if (stop >= 0 && (end < 0 || stop < end)) end = stop;
        return Limits.Find(end < 0 ? _text[at.End..] : _text[at.End..end]);
    }

    private void AskValue(string phrase, Span at, string because)
    {
        var key = phrase.ToLowerInvariant();
        if (Settled(key) is null) Ask(new Question { Kind = QuestionKind.BadValue, Phrase = key, At = at, Verb = Verb.Torque, Because = because });
    }

    private void Add(Verb verb, Thing? thing, Span at, Func<StepAction, StepAction>? more = null)
    {
        var action = new StepAction { Verb = verb, Target = thing?.Id, At = at };
        if (more is not null) action = more(action);
        action = action with { Only = _only, Branch = _branch };
        // Several motions of one taking-off are one.
        if (thing is not null && IsMotion(verb) && _actions.FindLast(a => a.Target == thing.Id && IsMotion(a.Verb)) is { } former && former.Verb == verb && former.Some == action.Some && former.Rest == action.Rest && former.Branch == _branch && Equals(former.Only, _only)) return;
        _actions.Add(action);
        _unnamed = null;
        if (thing is null) Spoken.Moved(verb);
        if (verb is Verb.RemovePin or Verb.InsertPin) Spoken.Pinned = thing;
        if (action.Some is not null) Spoken.Partly = thing;
        if (thing is null) return;
        Spoken.Did(thing, verb);
        if (thing.Kind != ThingKind.Aid) Spoken.Vehicle = false;
    }

    private static bool IsMotion(Verb verb) => verb is Verb.TakeOut or Verb.Remove or Verb.Fit or Verb.Start or Verb.Disconnect or Verb.Connect or Verb.Place or Verb.TakeAway or Verb.Loosen;

    private void AskObject(Clause clause, Sense sense, NounPhrase phrase)
    {
        var key = clause.Verb?.Lemma ?? phrase.Text;
        if (Settled(key) is { } settled)
        {
            if (settled.Length > 0 && _refer.Find(settled) is { } thing) Act(clause, sense, thing, phrase);
            return;
        }

        Ask(new Question { Kind = QuestionKind.NoObject, Phrase = key, At = phrase.At, Verb = VerbOf(sense), Candidates = [.. _sheet.Things.Where(t => Trade.Of(sense).ByKind.ContainsKey(t.Kind)).Take(6).Select(t => t.Id)] });
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
    private static Verb? VerbOf(Sense sense) => sense switch
    {
        Sense.Raise => Verb.Raise,
        Sense.Stands => Verb.SetOnStands,
        Sense.Touch => Verb.LowerToTouch,
        Sense.Lower or Sense.VehicleMoves => Verb.Lower,
        Sense.Off => Verb.Remove,
        Sense.On or Sense.Replace => Verb.Fit,
        Sense.Look => Verb.Inspect,
        _ => Trade.Of(sense).ByKind.Values.FirstOrDefault(v => v is not null),
    };

    /// <summary>What frames ask of a clause.</summary>
    private sealed class Facts : IClauseFacts
    {
        private readonly SentenceReader _reader;
        private readonly Clause _clause;
        private readonly string _words;
        private string? _way;
        private string? _kind;

        public Facts(SentenceReader reader, Clause clause)
        {
            (_reader, _clause) = (reader, clause);
            _words = reader.PlaceOf(clause).Of(reader._text).ToLowerInvariant();
            Objects = FindObjects();
        }

        /// <summary>What the verb is done to.</summary>
        public List<NounPhrase> Objects { get; }

        public bool Has(Looks looks, string what) => looks switch
        {
            Looks.Way => (_way ??= WayOf()) == what,
            Looks.Word => what.Contains(' ') ? _words.Contains(what, StringComparison.Ordinal) : _reader.Has(_clause, what),
            Looks.Head => Objects.Exists(o => o.Head == what || o.IsPronoun && _reader.Spoken.Last.Any(t => NameIndex.NamesOf(t)[0][^1] == what)),
            Looks.Kind => what == "thing" ? Kind() is not ("vehicle" or "none" or "words") : Kind() == what,
            Looks.Value => Values(_clause).Any(v => what switch { "torque" => v.Kind == TokenKind.Torque, "angle" => v.Kind == TokenKind.Angle, "time" => v.Kind == TokenKind.Time, _ => _reader.Has(_clause, what) }),
            Looks.Rest => _clause.Pieces.Exists(p => p.Noun is { After: "on" or "onto" or "in" or "into" or "to" or "over" or "with" } n && (n.After != "with" || n.Head == "scrap") && Trade.NounOf(n.Stems) is { Role: NounRole.Place } && n.Head is not ("bottom" or "top" or "middle" or "inside" or "outside" or "place")),
            _ => throw new ArgumentOutOfRangeException(nameof(looks)),
        };

        private List<NounPhrase> FindObjects()
        {
            var found = new List<NounPhrase>();
            if (_clause.Mood is Mood.Passive or Mood.Declarative)
            {
                var verbAt = _reader._finder.Tokens[_clause.VerbAt].At.Start;
                foreach (var piece in _clause.Pieces)
                    if (piece.Noun is { After: null } subject && piece.At.Start < verbAt) found.Add(subject);
                return found;
            }

            foreach (var piece in _clause.Pieces)
                if (piece.Noun is { After: null } direct) found.Add(direct);
            if (found.Exists(o => o.IsPronoun || Trade.NounOf(o.Stems)?.Role is not (NounRole.Words or NounRole.Person or NounRole.Place))) return [.. found.Where(o => o.IsPronoun || Trade.NounOf(o.Stems)?.Role is not (NounRole.Words or NounRole.Person or NounRole.Place) || _reader._refer.Known(o) is not null)];
            // "Take off the wheel", "go over the nuts": what stands behind the particle of the verb.
            var particle = -1;
            for (var i = 0; i < _clause.Pieces.Count; i++)
            {
                if (_clause.Pieces[i].Way is not null)
                {
                    particle = i;
                    continue;
                }

                if (_clause.Pieces[i].Noun is { After: { } after } noun && (particle >= 0 && Trade.Paths.Contains(after) || after is "for" or "at" or "of" or "to" && found.Count > 0 && Trade.NounOf(found[0].Stems)?.Role == NounRole.Words))
                {
                    var more = new List<NounPhrase> { noun };
                    for (var k = i + 1; k < _clause.Pieces.Count && _clause.Pieces[k].Noun is { } next && next.After == after; k++) more.Add(next);
                    return more;
                }

                if (_clause.Pieces[i].Noun is not null) break;
            }

            return found;
        }

        // A joint that is run or pulled down goes on.
        private string WayOf()
        {
            var way = Way(_clause);
            return way == "off" && Kind() == "joint" && _clause.Pieces.Exists(p => p.Way == "down") && !_clause.Pieces.Exists(p => p.Way is { } w && StrongOff.Contains(w)) ? "on" : way;
        }

        private string Kind()
        {
            if (_kind is not null) return _kind;
            _kind = "none";
            foreach (var phrase in Objects)
            {
                var kind = KindOf(phrase);
                if (kind == "words" && Objects.Count > 1) continue;
                return _kind = kind;
            }

            if (Objects.Count == 0 && _reader.Spoken.Last.Count > 0 && _clause.Mood == Mood.Imperative) _kind = _reader.Spoken.Vehicle ? "vehicle" : "none";
            return _kind;
        }

        private string KindOf(NounPhrase phrase)
        {
            if (phrase.IsPronoun)
            {
                if (phrase.Text is "her" or "she") return "vehicle";
                if (phrase.Text is "it" && (_reader.Spoken.Vehicle || _reader.Spoken.Last.Count == 0)) return "vehicle";
                return _reader._refer.Meant(phrase, _ => true) is { Count: > 0 } meant ? meant[0].Kind.ToString().ToLowerInvariant() : "none";
            }

            if (_reader._refer.Known(phrase) is { } known) return known.Kind.ToString().ToLowerInvariant();
            if (_reader._refer.Doubtful.Count > 0) return _reader._refer.Doubtful[0].Kind.ToString().ToLowerInvariant();
            return Trade.NounOf(phrase.Stems) switch
            {
                { Role: NounRole.Vehicle } => "vehicle",
                { Role: NounRole.Words or NounRole.Place or NounRole.Person } => "words",
                { Kinds: [var first, ..] } => first.ToString().ToLowerInvariant(),
                _ => "part",
            };
        }
    }

    private static readonly HashSet<string> StrongOff = ["off", "out", "away", "free", "apart"];
    private static readonly HashSet<string> StrongOn = ["in", "into", "on", "onto", "home", "together"];
    private static readonly HashSet<string> WeakOn = ["over", "back", "up", "around", "round", "under", "forward"];

    /// <summary>Whether a clause tells of coming off or going on: by its first plain word of the way, else by a weaker one.</summary>
    private static string Way(Clause clause)
    {
        var weak = "";
        for (var i = 0; i < clause.Pieces.Count; i++)
        {
            if (clause.Pieces[i].Way is not { } way) continue;
            if (StrongOff.Contains(way)) return "off";
            if (StrongOn.Contains(way)) return "on";
            if (weak.Length == 0 && WeakOn.Contains(way)) weak = "on";
            if (weak.Length == 0 && way is "down" or "loose") weak = "off";
        }

        if (weak == "off" && clause.Pieces.Exists(p => p.Noun is { After: "over" or "to" or "onto" })) return "on";
        if (weak.Length == 0 && clause.Pieces.Exists(p => p.Noun is { After: "from" })) return "off";
        if (weak.Length == 0 && clause.Pieces.Exists(p => p.Noun is { After: "to" or "against" or "behind" })) return "on";
        return weak.Length > 0 ? weak : "none";
    }

    /// <summary>Reads a fragment: "new bolts in with medium threadlocker, finger-tight, 30 N·m".</summary>
    private sealed class FragmentReader(SentenceReader reader, Clause clause)
    {
        private readonly List<(Thing Thing, NounPhrase Phrase)> _hand = [];
        private bool _any;

        public void Read()
        {
            var way = PlainWay();
            var loose = reader.Has(clause, "loose");
            var objects = new List<NounPhrase>();
            NounPhrase? stuff = null;
            foreach (var piece in clause.Pieces)
            {
                if (piece.Noun is not { } phrase) continue;
                if (!phrase.IsPronoun && reader.IsStuff(phrase))
                {
                    stuff ??= phrase;
                    continue;
                }

                if (phrase.After is "with" or "using" or "by" or "for" or "of" or "from" or "at" or "than" or "under" or "against" or "to" or "in" or "on" or "over" or "out" or "off" or "into" or "onto" && !(phrase.After is "in" or "on" or "off" or "out" && objects.Count == 0)) continue;
                if (!phrase.IsPronoun && Trade.NounOf(phrase.Stems) is { Role: NounRole.Words or NounRole.Place or NounRole.Person }) continue;
                objects.Add(phrase);
            }

            // "Bike down till the tyres just kiss the floor", "front end up".
            if (clause.Pieces.Find(p => p.Noun is { IsPronoun: false } n && Trade.NounOf(n.Stems) is { Role: NounRole.Vehicle })?.Noun is { After: null } && reader.Has(clause, "down", "up"))
            {
                reader.Add(reader.Has(clause, "up") ? Verb.Raise : reader.Has(clause, "kiss", "touch", "touches", "touching") ? Verb.LowerToTouch : Verb.Lower, null, reader.PlaceOf(clause));
                reader.Spoken.Vehicle = true;
                _any = true;
            }

            foreach (var phrase in objects) One(phrase, way, loose);
            if (stuff is not null && _hand.Count > 0)
            {
                var known = reader._refer.Known(stuff) as Consumable ?? (Consumable)reader._refer.Assume(stuff, ThingKind.Consumable, false, null, null);
                reader.Use(known);
                foreach (var (thing, phrase) in _hand.Where(h => h.Thing.Kind is ThingKind.Joint or ThingKind.Part))
                    reader._actions.Add(new StepAction { Verb = Verb.Treat, Target = thing.Id, With = known.Id, Words = stuff.Text, At = stuff.At });
                _any = true;
            }

            reader.Beside(clause);
            if (_hand.Count > 0) reader.Spoken.Hand([.. _hand.Select(h => h.Thing).Distinct()]);
            var slot = reader.Has(clause, "slot", "slots");
            if (Values(clause).Any(v => v.Kind is TokenKind.Torque or TokenKind.Angle) || slot)
            {
                reader.Tighten(clause, Sense.Torque, [.. objects.Where(o => _hand.Exists(h => h.Phrase == o && h.Thing is Joint))]);
                _any = true;
            }

            if (_any)
            {
                reader._told = true;
                return;
            }

            // "Rear pin: …", "old bolts in the scrap": what follows is about it.
            reader.Spoken.Hand([.. objects.Where(o => !o.IsPronoun).Select(o => reader._refer.Known(o)).OfType<Thing>()]);

            // "Distance between the brackets: 712 ± 2 mm": measured.
            if (Values(clause).Any(v => v.Kind == TokenKind.Number) && Limits.Find(reader.PlaceOf(clause).Of(reader._text)) is { } limits)
            {
                reader._actions.Add(new StepAction { Verb = Verb.Measure, Words = Short(objects.FirstOrDefault()?.Text ?? reader.PlaceOf(clause).Of(reader._text)), Limits = limits, At = reader.PlaceOf(clause) });
                reader._told = true;
                return;
            }

            // "No grease", "lip inwards": words. A thing of the sheet named with nothing said of it is shown.
            if (objects.Exists(o => !o.IsPronoun && reader._refer.Known(o) is not null) || way != "none" && objects.Count > 0) reader._residue.Add(reader.PlaceOf(clause));
            else if (reader._clauses.Count > 1) reader._told = true;
        }

        // Only what is said outright: "bolts to the casting: 12 N·m" puts nothing on.
        private string PlainWay()
        {
            for (var i = 0; i < clause.Pieces.Count; i++)
            {
                if (clause.Pieces[i].Way is not { } way) continue;
                if (StrongOff.Contains(way)) return "off";
                // "Pin centre on the old bar" tells where; "gasket into the groove" and "new bolts in" go on.
                var where = way is "in" or "on" && i + 1 < clause.Pieces.Count && clause.Pieces[i + 1].Noun?.After == way;
                if (!where && (StrongOn.Contains(way) || way is "up" or "back" or "through")) return "on";
            }

            return "none";
        }

        private void One(NounPhrase phrase, string way, bool loose)
        {
            var fastens = !phrase.IsPronoun && (reader._refer.Known(phrase) is Joint || Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Joint, ..] });
            var sense = reader.Has(clause, "snug") && (fastens || phrase.IsPronoun) ? Sense.Snug : way switch { "off" => Sense.Off, "on" => Sense.On, _ => loose ? Sense.BreakLoose : phrase.IsNew ? Sense.On : Sense.Say };
            if (!phrase.IsPronoun && phrase.Head is "pin" or "cotter" && sense is Sense.On or Sense.Off && !(reader._refer.Known(phrase) is Part))
            {
                reader.Pin(clause, sense == Sense.On ? Sense.PinIn : Sense.PinOut, [phrase]);
                _any = true;
                return;
            }

            var known = phrase.IsPronoun ? null : reader._refer.Known(phrase, k => sense != Sense.Say || k == ThingKind.Joint);
            var isControl = known is Control || known is null && !phrase.IsPronoun && reader._refer.Doubtful.Count == 0 && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Control, ..] };
            if (isControl)
            {
                reader.SetControl(clause, [phrase]);
                _any = true;
                return;
            }

            if (sense == Sense.Say && !phrase.IsPronoun && reader.Has(clause, "to") && (reader._refer.Known(phrase) is Fluid || Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Fluid, ..] } && reader._refer.Known(phrase) is null))
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
            foreach (var thing in reader.DoTo(clause, sense, phrase))
            {
                _hand.Add((thing, phrase));
                _any = true;
            }
        }
    }
}
