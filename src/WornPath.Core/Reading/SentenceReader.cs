using System.Collections.Immutable;
using System.Text.RegularExpressions;
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
public sealed partial class SentenceReader
{
    /// <summary>One more whenever the same words may be read otherwise than before.</summary>
    public const int Version = SheetFormat.NewestReader;

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
    private readonly Lazy<TorqueUnit?> _usualUnit;
    // What was named last and is no thing of the sheet yet: "squeeze the ring and hook it out".
    private NounPhrase? _unnamed;
    // Where what is in hand came off: "zip the nuts off the U-bolt and knock it loose".
    private NounPhrase? _from;
    // What a sentence says it is about, before a colon: "Drag link next: …".
    private NounPhrase? _topic;
    private int? _people;
    private Limit? _only;
    private int _branch;
    private bool _told;
    // What a clause says was done by the words before it: "cut and remove the ties".
    private bool _isDone;
    // The verb of the clause that is read.
    private string? _lemma;
    // The author said of a clause what is done, and nothing of fasteners that go in.
    private bool _startIsStruck;
    // Which one is told of first: "negative first: lead off its post".
    private NounPhrase? _first;
    // What the fasteners held that are out, where the clause calls it "it".
    private NounPhrase? _held;
    // A verb of moving is read.
    private bool _shifts;
    // What was on and is told to be pushed, and where.
    private readonly Dictionary<string, Span> _pushed = [];
    private List<string>? _trace;

    private SentenceReader(Sheet sheet, NameIndex names, Step step, string text, Spoken before)
    {
        _sheet = sheet;
        _step = step;
        _text = text = WithoutLead(text);
        _earlier = step.Actions.Where(a => a is { Verb: Verb.Torque, Torque: not null, Target: not null })
            .GroupBy(a => (a.Target!, a.Only)).ToDictionary(g => g.Key, g => WithTurn(g.Last(), step.Actions));
        (_passages, var branches) = Passages.Of(text, sheet.Header.Variants);
        _branches = [.. branches];
        _finder = new ClauseFinder(text, names);
        _refer = new Referring(sheet, names, before, Settled) { DoesBothSides = new Lazy<bool>(() => DoesBothSides(sheet, step)) };
        _clauses = _finder.Find();
        _usualUnit = new Lazy<TorqueUnit?>(() => UsualUnitOf(sheet, step));
    }

    /// <summary>"Right, cover off": what is said to begin with, and is no side, as blanks.</summary>
    internal static string WithoutLead(string text) => LedIn().Replace(text, static m => new string(' ', m.Length));

    /// <summary>By what the author's answer about some words is kept.</summary>
    internal static string KeyOf(string words) => words.Trim().ToLowerInvariant() is var key && key.Length > 60 ? key[..60] : key;

    [GeneratedRegex(@"\A\s*(?:right|righto|okay|ok|well|so|now then)\s*,(?!\s*(?:then|and|left|front|rear)\b)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex LedIn();

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

    /// <summary>How a text is cut into clauses and what each verb is taken for, a line a clause: for whoever adds a verb.</summary>
    public static IReadOnlyList<string> Explain(Sheet sheet, Step step, string text)
    {
        var names = NameIndex.Of(sheet);
        var reader = new SentenceReader(sheet, names, step, text, Spoken.Before(sheet, names, step)) { _trace = [] };
        reader.Run();
        return reader._trace;
    }

    /// <summary>Where the clauses of a text stand.</summary>
    internal static List<Span> ClausesOf(Sheet sheet, string text)
    {
        var finder = new ClauseFinder(text, NameIndex.Of(sheet));
        return [.. finder.Find().Select(c => PlaceOf(c, finder.Tokens))];
    }

    private Spoken Spoken => _refer.Spoken;

    // Some of what the sheet has is there once a side, where a step repeats others on the other.
    private static bool DoesBothSides(Sheet sheet, Step but)
    {
        foreach (var step in sheet.Steps)
            if (step.Id != but.Id)
                foreach (var action in step.Actions)
                    if (action is { Verb: Verb.Repeat, Side: not null }) return true;
        return false;
    }

    private void Trace(Clause clause, Sense? sense = null)
    {
        if (_trace is null) return;
        string Named(NounPhrase noun) => $"{(noun.After is { } after ? after + " " : "")}[{(noun.IsPronoun ? "~" : "")}{noun.Text}{(noun.Owner.Count > 0 ? " of " + noun.OwnerName : "")}]";
        var pieces = clause.Pieces.Select(p => p.Noun is { } noun ? Named(noun) : p.Way ?? $"={p.Value!.Value.Text}");
        var how = $"{(clause.Negated ? " not" : "")}{(clause.IsRemark ? " said" : "")}{(clause.IsUnknown ? " unknown" : "")}{(clause.Proviso is { } p ? $" if “{p.Sign}”" : "")}";
        _trace.Add($"{clause.Mood}{how} “{PlaceOf(clause).Of(_text)}”: {clause.Verb?.Lemma ?? "–"}{(sense is null ? "" : $" > {sense}")} {string.Join(" ", pieces)}");
    }

    // "The two top bolts are reached with a long extension." "Undo them": what the step before only spoke of.
    private void TakeMentions()
    {
        if (Before is { Text: { Length: > 0 and < 400 } about } && _text.StartsWith("It ", StringComparison.Ordinal))
        {
            var former = new ClauseFinder(about, NameIndex.Of(_sheet));
            if (former.Find() is [{ Mood: Mood.Fragment } heading, ..] && heading.To < former.Tokens.Count && former.Tokens[heading.To].Text == ":")
            {
                former.Fill(heading);
                _topic = heading.Pieces.Find(p => p.Noun is { IsPronoun: false })?.Noun;
            }
        }

        // "Check the bushings." "Press the worn ones out": only looked at.
        var looked = Before?.Actions.All(a => a is { Verb: Verb.Inspect or Verb.Measure, Target: null }) == true
            && _finder.Tokens.Any(t => t.Text == "ones");
        if (Before is not { Text: { Length: > 0 and < 400 } before } || !Before.Actions.IsEmpty && !looked) return;
        var finder = new ClauseFinder(before, NameIndex.Of(_sheet));
        foreach (var clause in finder.Find().Where(c => !c.Negated && (c.Mood is Mood.Declarative or Mood.Imperative or Mood.Passive
            || finder.Tokens[c.From].Text is "for" or "to" && c.From > 0 && finder.Tokens[c.From - 1].Text is "now" or "next" or "on")))
        {
            finder.Fill(clause);
            Introduce(clause);
            if (_introduced is not null) _introduced = _introduced with { Before = true };
            // "Now for the light switch, it hides under the pedal."
            if (clause.Pieces.Find(p => p.Noun is { After: null or "for" or "to", IsPronoun: false })?.Noun is not { } noun
                || Trade.NounOf(noun.Stems) is not { Role: NounRole.Thing }) continue;
            if (_refer.Known(noun) is { } known) Spoken.Hand([known]);
            else _unnamed = noun with { After = null };
            return;
        }
    }

    private void Run()
    {
        TakeMentions();
        foreach (var clause in _clauses) Placed(clause);
        UseTools();
        MergePasses();
        BindLeft();
        AskUnbound();
        AskBareFasteners();
        SayElsewhere();
        if (Claims.Find(_text).Any(c => c is { Kind: ClaimKind.Helped, Denied: false }
            or { Kind: ClaimKind.Alone, Denied: true })) _people = Math.Max(_people ?? 1, 2);
        if (_actions.Count > 0 || _questions.Count > 0 || _told || string.IsNullOrWhiteSpace(_text)) return;
        var key = KeyOf(_text);
        if (Settled(key) is null) Ask(new Question { Kind = QuestionKind.NoVerb, Phrase = key, At = new Span(0, _text.Length) });
    }

    // "First pass: head bolts 20 N·m. Second pass: 40. Third pass: 60", "to 20, go round again at 40 and finish at 60": passes of one tightening.
    private void MergePasses()
    {
        for (var i = _actions.Count - 1; i > 0; i--)
        {
            static bool Tightens(StepAction a) => a is
            {
                Verb: Verb.Torque or Verb.TorquePass or Verb.Retorque, Torque: not null,
                Target: not null, If: null, IsSaid: false
            };
            var last = _actions[i];
            var from = i;
            while (from > 0 && Tightens(_actions[from]) && Tightens(_actions[from - 1]) && _actions[from - 1].Target == last.Target
                && _actions[from - 1].Branch == last.Branch && Equals(_actions[from - 1].Only, last.Only)
                && _actions[from - 1].Torque!.Target.NewtonMetres < _actions[from].Torque!.Target.NewtonMetres) from--;
            var chain = _actions.GetRange(from, i + 1 - from);
            var full = last.Torque is not null && (_refer.Find(last.Target ?? "") as Joint)?.Torque is var set && (set is null
                || last.Torque.SaysTheSameAs(set));
            if (chain.Count > 1 && full && chain.Exists(a => a.Verb == Verb.Torque) && chain.Exists(a => a.Verb != Verb.Torque))
            {
                _actions.RemoveRange(from, chain.Count);
                _actions.Insert(from, last with
                {
                    Verb = Verb.Torque,
                    Pass = null,
                    At = chain[0].At,
                    In = chain[0].In,
                    Passes = TorquePasses.Of([.. chain.SkipLast(1).SelectMany(a => (IEnumerable<TorqueSpec>)[.. a.Passes?.Torques ?? [],
                        a.Torque!])]),
                });
                i = from;
            }
        }
    }

    // "Tighten the bolts. The torque is 25 N·m", "… until the wrench clicks at 25 N·m", "set the wrench to 25 N·m and tighten the bolts":
    // the value of what is tightened without one, where that is told of one joint alone.
    private void BindLeft()
    {
        // "A torque wrench is needed to tighten the bolts to 25 N·m. Tighten them to 25 N·m": once.
        _actions.RemoveAll(a => a.Verb == Verb.Torque && _clauses.Exists(c => c.IsNeed && PlaceOf(c) == a.In)
            && _actions.Exists(b => b != a && b with { In = a.In, At = a.At } == a));
        static bool IsWithout(StepAction a) => a is { Verb: Verb.Torque, Torque: null, Passes: null, Target: not null, IsSaid: false };
        for (var i = 0; i < _actions.Count; i++)
            if (IsWithout(_actions[i])) ToldOnce(i);
        if (_actions.Count(IsWithout) != 1) return;
        var at = _actions.FindIndex(IsWithout);
        if (_refer.Find(_actions[at].Target!) is not Joint joint) return;
        var left = _clauses.Where(c => !c.Negated && !_passages.Exists(p => p.Advises(PlaceOf(c))))
            .SelectMany(c => AllValues(c).Select(v => (Clause: c, Value: v))).Where(v => !_actions.Exists(a => a.Torque is { } t && t.SaysTheSameAs(v.Value.Torque!.Value))).ToList();
        if (left.Count == 0) return;
        var (clause, value) = left[0];
        if (!left.TrueForAll(l => l.Value.Torque!.Value.SaysTheSameAs(value.Torque!.Value)) || TellsOfAnother(clause, joint)) return;
        _actions[at] = _actions[at] with { Torque = value.Torque!.Value };
        _questions.RemoveAll(q => q.Kind == QuestionKind.NoObject && PlaceOf(clause).Begins(q.At));
        Compare(joint, value.Torque!.Value, value);
    }

    // "Tighten the bolts. Torque: 25 N·m", "with the wrench at 25 N·m, tighten the bolts": told once.
    private void ToldOnce(int at)
    {
        var again = _actions.FindIndex(a => a is { Verb: Verb.Torque, Torque: not null } && a.Target == _actions[at].Target && a.Branch == _actions[at].Branch
            && _clauses.Exists(c => (c.Mood == Mood.Fragment || c.Verb?.Lemma == "give") && PlaceOf(c) == a.In));
        if (again < 0) return;
        _actions[at] = _actions[at] with { Torque = _actions[again].Torque };
        _actions.RemoveAt(again);
    }

    // "The hub nut gets 240 N·m later": of something else, or of another time.
    private bool TellsOfAnother(Clause clause, Joint joint)
    {
        if (Has(clause, "later", "afterwards", "before", "after", "previously", "originally", "formerly", "once", "when", "if", "step")) return true;
        _finder.Fill(clause);
        return clause.Nouns.Any(n => !n.IsPronoun && _refer.Known(n, k => k is ThingKind.Joint or ThingKind.Part) is var known
            && (known is Joint or Part ? known.Id != joint.Id : known is null && n.Is(ThingKind.Joint)));
    }

    // Every torque in the words of a clause, also where they are only said.
    private IEnumerable<Token> AllValues(Clause clause)
    {
        for (var i = clause.From; i < clause.To && i < _finder.Tokens.Count; i++)
            if (_finder.Tokens[i] is { Kind: TokenKind.Torque, Torque.IsGood: true } value && !clause.Gaps.Exists(g => g.From <= i && i < g.To)) yield return value;
    }

    // A torque that was read and went nowhere is asked about: "wait ten minutes, then 10 N·m".
    private void AskUnbound()
    {
        foreach (var clause in _clauses.Where(c => !c.Negated && (c.Mood == Mood.Beside ? IsToBeDone(c) : !c.IsRemark || StatesValue(c))))
        {
            var at = PlaceOf(clause);
            if (_step.Said.Length > 0 && SaidOf(at) is not null || _questions.Exists(q => at.Begins(q.At)) || _residue.Exists(r => at.Begins(r))) continue;
            foreach (var value in Values(clause).Where(v => v is { Kind: TokenKind.Torque, Torque.IsGood: true }))
            {
                var torque = value.Torque.Value;
                if (_passages.Exists(p => p.Advises(at))) continue;
                if (_actions.Exists(a => a.Torque is { } t && t.SaysTheSameAs(torque) || a.Passes is { } passes
                    && passes.Torques.Any(t => t.SaysTheSameAs(torque)))) continue;
                Unclear(clause, Verb.Torque);
                break;
            }

            AskBare(clause, at);
        }
    }

    // "Six countersunk screws, and they've been locked in, so warm them first": so many, and nothing of the step is done to any.
    private void AskBareFasteners()
    {
        if (_actions.Exists(a => a.Target is { } id && _refer.Find(id) is Joint)) return;
        foreach (var clause in _clauses)
        {
            if (clause is not { Mood: Mood.Fragment, Negated: false, IsRemark: false, IsProviso: false }) continue;
            var at = PlaceOf(clause);
            if (_questions.Exists(q => at.Meets(q.At)) || _residue.Exists(at.Meets) || _actions.Exists(a => at.Meets(a.At))
                || _passages.Exists(p => p.Advises(at))
                || clause.Nouns.FirstOrDefault() is not { IsPronoun: false, After: null, Count: not null } counted || !counted.Is(ThingKind.Joint)
                // Bare bolts, of nobody knows what, would be taken for others later.
                || counted is { Stems.Count: 1, Owner.Count: 0 } && clause.Nouns.Count() == 1) continue;
            Unclear(clause, Verb.Remove);
            return;
        }

        AskToldUnder();
    }

    // "Weight frame: six bolts, it's heavy": where nothing else of the step is done.
    private void AskToldUnder()
    {
        if (_actions.Count > 0 || _questions.Count > 0 || _topic is null) return;
        foreach (var clause in _clauses)
            if (clause is { Mood: Mood.Fragment, Negated: false, IsRemark: false } && !_passages.Exists(p => p.Advises(PlaceOf(clause)))
                && clause.Nouns.Any(n => n is { IsPronoun: false, Count: not null } && n.Is(ThingKind.Joint)))
            {
                Unclear(clause, Verb.Remove);
                return;
            }
    }

    // "… but are to be checked at 40 N·m".
    private bool IsToBeDone(Clause clause) => _finder.Tokens[clause.From].Text == "to" && clause.From + 1 < clause.To
        && _finder.Tokens[clause.From + 1].Text == "be";

    // "The torque for the cover bolts is 25 N·m", "they may have had 30 N·m".
    private bool StatesValue(Clause clause)
    {
        if (clause.Mood != Mood.Declarative || !AllValues(clause).Any()) return false;
        _finder.Fill(clause);
        return clause.Nouns.FirstOrDefault() is { IsPronoun: true, Text: "it" or "they" or "these" or "those" or "this" }
            || clause.Nouns.Any(n => !n.IsPronoun && (n.Is(ThingKind.Joint) || _refer.Known(n, k => k == ThingKind.Joint) is Joint));
    }

    // "Give the nuts 250 in a star", "then 130 crosswise": a number with a fastener and without a unit.
    private void AskBare(Clause clause, Span at)
    {
        if (Values(clause).Any(v => v.Kind is TokenKind.Torque or TokenKind.Angle or TokenKind.Time)
            || _actions.Exists(a => a.In == at && (a.Limits is not null || a.Torque is not null || a.Verb is Verb.Set or Verb.Measure or Verb.Repeat))) return;
        if (Values(clause).FirstOrDefault(v => v.Kind == TokenKind.Number
            && NumberText.Parse(v.Text) is { IsGood: true, Value: >= 5 and <= 2000 } && StandsAlone(v)
            && !IsNumbered(v)) is not { Kind: TokenKind.Number } bare) return;
        var named = clause.Nouns.Where(n => n.After is null or "on" or "for")
            .Select(n => n.IsPronoun ? _refer.Meant(n, k => k == ThingKind.Joint) is [var one, ..] ? one : null
            : _refer.Known(n, k => k == ThingKind.Joint)).OfType<Joint>().FirstOrDefault();
        var joint = named ?? (clause.Nouns.Any(n => !n.IsPronoun && !Trade.IsNoObject(n)) ? null
            : _actions.FindLast(a => a.At.Start < at.End && a.Target is { } id && _refer.Find(id) is Joint)?.Target is { } last
            ? _refer.Find(last) as Joint
            // "Bring them down a bit at a time and finish at 28".
            : Has(clause, "at", "to") ? Spoken.Last.OfType<Joint>().LastOrDefault() : null);
        if (joint is null) return;
        if (AsTorque(bare, UsualUnit) is not { } plain) AskUnit(bare, joint);
        else if (_actions.FindIndex(a => a is { Verb: Verb.Torque, Torque: null } && a.In == at && a.Target == joint.Id) is >= 0 and var open)
            _actions[open] = _actions[open] with { Torque = plain.Torque.Value };
        else
        {
            // Under the condition of what else the clause tells.
            var beside = _actions.FindLast(a => a.In == at);
            _actions.Insert(_actions.FindLastIndex(a => a.At.Start < bare.At.Start) + 1, new StepAction
            {
                Verb = Verb.Torque,
                Target = joint.Id,
                Torque = plain.Torque.Value,
                At = bare.At,
                In = at,
                Branch = beside?.Branch ?? 0,
                Only = beside?.Only,
            });
            Compare(joint, plain.Torque.Value, plain);
        }
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
            if (passage is not { IsWarning: true } || clause.Mood == Mood.Beside) return;
            _finder.Fill(clause);
            Show(clause, isDone: false);
            return;
        }

        if (LeadsIn(clause, at)) return;
        var former = _actions.Count > 0 ? _actions[^1] : null;
        (_only, _branch) = (passage.Only, passage.Branch);
        var from = _actions.Count;
        var branches = _branches.Count;
        if (clause.Proviso is { } proviso && _branch == 0) _branch = BranchOf(proviso);
        if (SaidOf(at) is { } said)
        {
            Say(said, at);
            // "They are not put in here": nor where they are tightened.
            _startIsStruck |= !said.Actions.Any(a => a.Verb == Verb.Start);
            if (said.Actions.IsEmpty) Speak(clause);
            if (_branches.Count > branches && _actions.TrueForAll(a => a.Branch <= branches)) _branches.RemoveAt(branches);
            return;
        }

        _finder.Fill(clause);
        if (clause.IfNotYet && !clause.Nouns.Any(n => n.Text is "these" or "them" ? _unnamed is not null : (n.After is null or "with"
            || Trade.Comes.Contains(n.After)) && !n.IsPronoun
            && (_refer.Known(n) is { } told ? !clause.IfOff || Spoken.IsOff(told) is true : IsCotter(n) || clause.ComesFirst
                && ((n.IsIts || n.Count is not null) && n.Is(ThingKind.Joint)
                    // "… after pulling the weight pin".
                    || clause.Mood == Mood.Imperative && n is { Stems.Count: > 1, IsIndefinite: false } && n.Is(ThingKind.Part)))))
        {
            Aside(clause);
            return;
        }

        // "With the cover off, never turn the shaft", "with it off, keep dirt out": how things are, and nothing is told.
        if (clause is { IfNotYet: true, ComesFirst: false, Mood: Mood.Passive } && _clauses.ElementAtOrDefault(_clauses.IndexOf(clause) + 1) is { } goesOn
            && !EndsBetween(clause, goesOn) && (goesOn.Negated
                || goesOn.Verb?.Lemma is "keep" or "beware" or "mind" or "watch" or "protect" or "avoid" or "stay"))
        {
            Aside(clause);
            return;
        }

        if (IsExpected(clause)) return;
        ShareFastener(clause);
        NameByNext(clause);
        // "A wet one gets another 15°", "any implement comes off first": only such a one.
        if (clause is { Proviso: null, Mood: not Mood.Beside } && _branch == 0 && clause.Pieces is [{ Noun: { Sign.Length: > 0 } such }, ..]
            && (clause.Mood != Mood.Imperative || such.IsPronoun)) _branch = BranchOf(new Proviso(such.Sign, false, such.At));
        // "A blade with a cracked edge must be replaced": only such a one.
        if (_branch == 0 && FaultOf(clause) is { } fault) _branch = BranchOf(new Proviso($"with {fault.At.Of(_text)}", false, fault.At));
        TakeShown(clause);
        var questions = _questions.Count;
        _lemma = clause.Verb?.Lemma;
        Read(clause);
        TryAnotherWay(clause, from);
        // A tool that is put to something is no more than the means.
        Show(clause, _actions.Skip(from).Any(a => !(a.Verb == Verb.Place && _refer.Find(a.Target ?? "") is Tool)) || _questions.Count > questions);
        for (var i = _actions.Count - 1; clause.IfNotYet && i >= from; i--)
            if (IsDone(_actions[i], from)) _actions.RemoveAt(i);
        if (_actions.Count == from)
        {
            if (_branches.Count > branches) _branches.RemoveAt(branches);
            return;
        }

        // "15 N·m; 30 N·m; 45 N·m": what stood before was a pass.
        if (clause.Mood == Mood.Fragment && _actions.Count == from + 1 && former is { Verb: Verb.Torque, Torque: { } pass } && _actions[from] is { Verb: Verb.Torque, Torque: { } last } final && final.Target == former.Target && clause.Pieces.TrueForAll(p => p.Noun is null) && last.Target.NewtonMetres > pass.Target.NewtonMetres)
        {
            _actions[from - 1] = final with
            {
                At = former.At,
                In = former.In,
                Passes = TorquePasses.Of([.. former.Passes?.Torques ?? [], pass, .. final.Passes?.Torques ?? []])
            };
            _actions.RemoveAt(from);
            return;
        }

        // What the clause took back of what stood before moves its own actions up.
        if (_actions.FindIndex(x => x.In.Length == 0) is >= 0 and var first && first < from) from = first;
        for (var i = from; i < _actions.Count; i++)
        {
            var side = _actions[i].Side ?? SideOf(clause, _actions[i]);
            // "The other wheel" is the one on the other side, and not what is left of a set.
            _actions[i] = _actions[i] with
            {
                Only = _only,
                Branch = _branch,
                // One that was put before another has its own.
                In = _actions[i].In.Length > 0 ? _actions[i].In : at,
                Side = side,
                Rest = _actions[i].Rest && side != Side.Other,
            };
        }

        // "Slide off the hub, catching the bearing as it comes", "having first loosened …": that is done before.
        if ((clause.Verb?.Lemma == "catch" && _actions[^1].Verb == Verb.Remove && former?.Verb != Verb.TakeOut
            || clause.ComesFirst) && from > 0 && _actions.Count == from + 1) _actions.Reverse(from - 1, 2);
    }

    // "It should spin up freely and drop out": what is expected of it, and nothing is done.
    private bool IsExpected(Clause clause) => clause is { Mood: Mood.Declarative, Pieces: [{ Noun.IsPronoun: true }, ..] }
        ? Has(clause, "should", "must") && Has(clause, "freely", "smoothly", "easily", "evenly", "quietly")
        : clause is { Mood: Mood.Imperative, Pieces: var pieces } && pieces.TrueForAll(p => p.Noun is null && p.Value is null)
            && _clauses.IndexOf(clause) is > 0 and var at && _clauses[at - 1] is { Mood: Mood.Declarative } before
            && Has(before, "should", "must", "shall")
            && _finder.Tokens[clause.From - 1].Text is "and" or "or" && !EndsBetween(before, clause);

    // True where the words before an action have done it already: of what was done last to the same thing.
    private bool IsDone(StepAction action, int from)
    {
        var now = StateAfter(action.Verb);
        if (action.Verb == Verb.Treat) return _actions.Take(from).Any(a => a.Verb == Verb.Treat && a.Target == action.Target);
        if (now is null || action.Target is null) return true;
        // Of a pin and a lock another state is told than of what they lock.
        bool Tells(string state) => Locks(state) == Locks(now);
        for (var i = from - 1; i >= 0; i--)
            if (_actions[i].Target == action.Target && StateAfter(_actions[i].Verb) is { } here && Tells(here)) return Implies(here, now);
        string? last = null;
        foreach (var step in _sheet.Steps)
        {
            if (step.Id == _step.Id) break;
            foreach (var done in step.Actions)
                if (done.Target == action.Target && StateAfter(done.Verb) is { } state && Tells(state)) last = state;
        }

        return last is not null && Implies(last, now);
    }

    // What was taken out is loose, what was torqued is on.
    private static bool Implies(string state, string asked) => state == asked || (state, asked) is ("off", "loose") or ("tight", "on");

    private static string? StateAfter(Verb verb) => verb switch
    {
        Verb.TakeOut or Verb.Remove or Verb.Disconnect or Verb.HangAside or Verb.SetAside => "off",
        Verb.Loosen => "loose",
        Verb.Start or Verb.Fit or Verb.Connect or Verb.Snug or Verb.Place => "on",
        Verb.Torque => "tight",
        Verb.RemovePin => "unpinned",
        Verb.InsertPin => "pinned",
        Verb.Unlock => "unlocked",
        Verb.Lock => "locked",
        _ => null,
    };

    // Which of them a state is of: the pin, the lock, or the thing itself.
    private static int Locks(string state) => state is "pinned" or "unpinned" ? 1 : state is "locked" or "unlocked" ? 2 : 0;

    // A proviso within a sentence is a branch of the step like one on a line of its own.
    private int BranchOf(Proviso proviso)
    {
        var sign = proviso.Sign.Trim().TrimEnd('.', ',', ':', '?');
        for (var i = 0; i < _branches.Count; i++)
            if (_branches[i].Sign == sign) return i + 1;
        _branches.Add(new Branch(sign, false, proviso.At));
        return _branches.Count;
    }

    private bool EndsWithColon(Clause clause) => clause.To < _finder.Tokens.Count && _finder.Tokens[clause.To] is { Kind: TokenKind.Mark, Text: ":" };

    // "Then the positive", "… and last the negative".
    private bool IsLedIn(Clause clause)
    {
        for (var i = clause.From - 1; i >= 0 && _finder.Tokens[i].Kind == TokenKind.Word; i--)
            if (_finder.Tokens[i].Text is "then" or "next" or "finally" or "lastly") return true;
        return false;
    }

    // The step before this one.
    private Step? Before
    {
        get
        {
            Step? before = null;
            foreach (var step in _sheet.Steps)
            {
                if (step.Id == _step.Id) return before;
                before = step;
            }

            return before;
        }
    }

    // What this step has done, or the one before where it has done nothing yet.
    private IEnumerable<StepAction> DoneLately => _actions.Count > 0 ? _actions : Before?.Actions.AsEnumerable() ?? [];

    private Span PlaceOf(Clause clause) => PlaceOf(clause, _finder.Tokens);

    internal static Span PlaceOf(Clause clause, IReadOnlyList<Token> tokens) =>
        TokenList.Place(tokens, clause.From, Math.Min(clause.To, tokens.Count));

    // --- one clause
    private void Read(Clause clause)
    {
        if (clause.Verb is null || clause.Negated || clause.IsRemark || clause.IsUnknown) Trace(clause);
        Introduce(clause);
        if (RunsOut(clause) && !Values(clause).Any(v => v.Kind == TokenKind.Time) && clause.Verb?.Lemma != "wait") return;
        Hands(clause);
        if (Repeats(clause)) return;
        if (clause.Negated || clause.IsRemark)
        {
            Aside(clause);
            return;
        }

        if (clause.IsUnknown)
        {
            // A verb nobody knows and a plain way: "wheel the deck out", "jiggle the pin back in".
            var done = _actions.Count;
            if ((HouseSense(clause) ?? ByItsWay(clause)) is { } moved) Do(clause, moved, new Facts(this, clause).Objects);
            if (_actions.Count == done) Unclear(clause);
            return;
        }

        if (clause.Mood == Mood.Fragment)
        {
            if (clause.Nouns.FirstOrDefault() is { IsPronoun: true, Distinct.Count: > 0 } which && Has(clause, "first")
                && _text.AsSpan(which.At.End).TrimStart().StartsWith("first:", StringComparison.OrdinalIgnoreCase)) _first = which;
            new FragmentReader(this, clause).Read();
            return;
        }

        if (clause.Verb is null)
        {
            // "Likewise the belt end", "again after 30 km": something is done, and nothing tells what.
            if (_finder.Tokens[clause.From].Text is "likewise" or "ditto" or "again") new FragmentReader(this, clause).Read();
            if (_finder.Tokens[clause.From].Text is "likewise" or "ditto" && clause.Nouns.Any(n => !n.IsPronoun)) Unclear(clause);
            _told = true;
            return;
        }

        if (SetsWrench(clause)) return;
        _shifts = Trade.Shifts.Contains(clause.Verb.Lemma);
        _held = TakeHeld(clause);
        TakeEnds(clause);
        var facts = new Facts(this, clause);
        var sense = Sense.Say;
        string? control = null;
        var objects = facts.Objects;
        foreach (var frame in clause.Verb.Frames)
        {
            if (!Array.TrueForAll(frame.Conditions, c => c.Holds(facts))) continue;
            (sense, control) = (frame.Sense, frame.Control);
            if (IsOnlyHow(clause.Verb, frame, facts)) sense = Sense.Say;
            if (frame.Object is { } behind) objects = [.. clause.Pieces.Where(p => p.Noun?.After == behind).Select(p => p.Noun!)];
            break;
        }

        // "Brush the bolts with grease", "wipe a little grease on them": put on, and nothing is cleaned.
        if (sense == Sense.Clean && clause.Nouns.Any(n => n is { IsPronoun: false, After: null or "with" or "in" } && Stays(n))
            && (clause.Nouns.Any(n => n.After is "on" or "onto" or "over" or "into") || clause.Nouns.Any(n => n.After is "with" or "in"
                && Stays(n)))) sense = Sense.Treat;
        // "… and the cover comes away with them": with what held it.
        if (sense == Sense.Along && clause.Nouns.FirstOrDefault(n => n is { After: "with", IsPronoun: true }) is { } withIt
            && (withIt.IsPlural || clause.Nouns.Any(IsCompanion)) && Spoken.Last is [.., Joint holding]
            && Spoken.IsOff(holding) is true) sense = Sense.Off;
        // Whatever is said of a fastener beside a torque: that is its torque.
        if (sense == Sense.Say && clause.Mood is Mood.Imperative or Mood.Declarative && facts.Has(Looks.Value, "torque") && facts.Has(Looks.Kind, "joint")
            && clause.Verb.Lemma is not ("loosen" or "hold")) sense = Sense.Torque;
        // "Lift the wheel on", "… on, on the left": it goes on, whatever came off before.
        if (sense == Sense.MoveOff && GoesOn(clause)) sense = Sense.On;
        if (IsRunIn(clause, sense, objects)) sense = Sense.Start;
        if (IsToldBehind(clause, sense) || MovesBy(clause, sense) || GoesBackLater(clause, sense) || IsOnlyAsFar(clause, sense, objects)
            || IsOnlyLetDown(clause, sense, objects)) sense = Sense.Say;
        if (sense is Sense.Start or Sense.On && IsStudOfPart(clause, objects)) sense = Sense.Say;
        if (IsOnlySet(clause, sense, objects)) sense = Sense.Set;
        // "Wind the regulator in to 20 bar": to what a gauge shows.
        if (sense == Sense.Set && PressureSaid().IsMatch(PlaceOf(clause).Of(_text))) sense = Sense.Adjust;
        if (IsOnlyCatch(sense, objects)) sense = Sense.Say;
        (sense, control) = InHand(clause, facts, objects, sense, control);
        // "Start it, run it five minutes": no nut that is on.
        if (sense == Sense.Start && clause.Verb.Lemma == "start" && objects is [{ IsPronoun: true, Text: "it" } started] && _actions.Count == 0
            && _refer.Meant(started, k => k == ThingKind.Joint) is [var fast, ..] && Spoken.WasOff(fast) is false) (sense, control) = (Sense.Set, "engine");
        if (HouseSense(clause) is { } taught) (sense, control) = (taught, null);
        if (sense == Sense.Aside && KeepsCompanion(clause)) return;
        if (sense is Sense.On or Sense.Secure or Sense.Start or Sense.Hang or Sense.BoltTorque && TellsHowItIsHeld(clause)) sense = Sense.Say;
        Trace(clause, sense);
        if (_held is { } held && !Trade.Of(sense).IsSoft && _refer.Known(held) is null) _refer.Assume(held, ThingKind.Part, false, null, null);
        // "Snug them, no more: they go into plastic": where they are.
        if (clause.Mood == Mood.Declarative && sense == Sense.On && clause.Nouns.FirstOrDefault() is { IsPronoun: true }
            && !Has(clause, "back", "again", "next")
            && _actions is [.., { Verb: Verb.Snug or Verb.Torque or Verb.TurnOn or Verb.Start or Verb.Fit or Verb.Connect }]) sense = Sense.Say;
        // "The bracket then hangs on its lower bolt."
        if (clause.Mood == Mood.Declarative && clause.Verb.Lemma is "hang" or "rest" or "lean") sense = Sense.Say;
        // Who moves of itself is said, unless it moves on or off.
        if (clause.Mood == Mood.Declarative && sense is Sense.Off or Sense.On or Sense.Disconnect or Sense.Connect
            && !clause.Pieces.Exists(p => p.Way is { } way && (StrongOff.Contains(way) || StrongOn.Contains(way)
            || way is "back" or "up" or "through" or "over" || way == "down" && clause.Verb.Lemma is "drop" or "fall" or "come"))
            && !IsLedTo(clause, objects)) sense = Sense.Say;
        if (clause.Mood == Mood.Declarative && sense is not (Sense.Off or Sense.On or Sense.Place or Sense.Away
            or Sense.Snug or Sense.Torque or Sense.TurnOn or Sense.Disconnect or Sense.Connect or Sense.Along or Sense.Drain
                or Sense.Treat or Sense.Discard)
            // "With the key off and the parking brake set".
            && !(sense == Sense.Set && clause.VerbAt == clause.To - 1 && objects is [{ IsPronoun: false } braked]
                && (_refer.Known(braked) is Control || braked.Is(ThingKind.Control)))
            && !(sense == Sense.Start && clause.Pieces.Exists(p => p.Way is "in" or "on"))) sense = Sense.Say;
        // Where the sheet has an idler as a part, nothing is done to that.
        if (SwingsAside(clause, objects)) (sense, objects) = Swung(objects[0]);
        var (actions, questions) = (_actions.Count, _questions.Count);
        if (sense is Sense.Off or Sense.On or Sense.Set or Sense.Disconnect && SetAt(clause)) return;
        if (sense == Sense.Torque && ValuesFollow(clause, objects)) return;
        _isDone = false;
        FitGiven(clause, objects);
        if (control is not null) SetNamed(clause, control);
        else if (!ReplacedBy(clause, sense, objects) && !MustLieIn(clause, sense) && !GoesOnByItsVerb(clause, sense, objects)) Do(clause, sense, objects);
        // "Fill the filter with oil and spin it on": the filter.
        if (sense == Sense.Fill && objects.Count > 0 && clause.Pieces.Find(p => p.Noun is { After: null, IsPronoun: false } n
            && !objects.Contains(n))?.Noun is { } filled
            && Trade.NounOf(filled.Stems)?.Role is null or NounRole.Thing)
        {
            if (_refer.Known(filled) is { } vessel) Spoken.Hand([vessel]);
            else _unnamed = filled;
        }

        // "A new split pin opened both ways": it is in.
        if (_actions.Count == actions && objects.Exists(o => o is { IsNew: true, IsPronoun: false } && IsCotter(o))) Pin(clause, Sense.PinIn, objects);
        // Told to do what changes the state, and nothing came of it: shown and asked.
        if (!Trade.Of(sense).IsSoft && _actions.Count == actions && _questions.Count == questions && !IsDone(clause, sense))
            Unclear(clause, VerbOf(sense));
    }

    // "The red wire goes to the switch": one that is off, or that nobody has spoken of.
    private bool IsLedTo(Clause clause, List<NounPhrase> objects) => clause.Verb?.Lemma == "go"
        && clause.Nouns.Any(n => n is { IsPronoun: false, After: "to" or "onto" or "under" })
        && objects is [{ IsPronoun: false } led] && (_refer.Known(led) is { } known ? known is Connection && Spoken.WasOff(known) is true
            : led.Head is "wire" or "cable" or "lead");

    // "Throw the lever to float", "screw the tap shut": a control goes nowhere but into another position.
    private bool IsOnlySet(Clause clause, Sense sense, List<NounPhrase> objects) =>
        (sense is Sense.On or Sense.Off or Sense.Place or Sense.Discard or Sense.Seat || sense == Sense.Clean && Has(clause, "shut", "closed", "open"))
        && objects is [{ IsPronoun: false } one] && _refer.Known(one) is Control
        && (Has(clause, "to", "into", "in", "at", "shut", "closed", "open", "neutral"));

    // "Lift the catch and pull the lead off": how, and nothing comes off but the lead.
    private bool IsOnlyCatch(Sense sense, List<NounPhrase> objects) =>
        sense is Sense.On or Sense.Off or Sense.Move or Sense.MoveOff or Sense.MoveSay or Sense.Place or Sense.Seat && objects.Count > 0
        && objects.TrueForAll(o => !o.IsPronoun && Stem.Of(o.Head) is var head && Trade.Catches.Contains(head) && _refer.Known(o) is null);

    // "On" with nothing behind that it is on: no place, but the way.
    private static bool GoesOn(Clause clause)
    {
        for (var i = 0; i < clause.Pieces.Count; i++)
            if (clause.Pieces[i].Way == "on" && !(i > 0 && clause.Pieces[i - 1].Noun?.After == "with")
                && (i + 1 == clause.Pieces.Count || clause.Pieces[i + 1].Noun?.After != "on")) return true;
        return false;
    }

    // "Old seal out of the drum, hook it": a motion of which no way is said does not undo what has just been done; it only tells how.
    private bool IsOnlyHow(TradeVerb verb, Frame frame, Facts facts) => frame is { Sense: Sense.On or Sense.Off, Conditions: [] }
        && verb.Frames.Any(f => f.Sense == (frame.Sense == Sense.On ? Sense.Off : Sense.On))
        && !facts.Has(Looks.Way, "on") && !facts.Has(Looks.Way, "off") && _unnamed is null && !Spoken.Pin
        && facts.Objects is [{ IsPronoun: true, Text: "it" or "them" }]
        && (frame.Sense == Sense.On ? _actions is [.., { Verb: Verb.Remove or Verb.TakeOut }] : _actions is [.., { Verb: Verb.Fit or Verb.Start }]);

    // "It is located by two dowels", "the pump is mounted with two bolts": how it sits, and nothing is done.
    private bool TellsHowItIsHeld(Clause clause)
    {
        if (clause is not { Mood: Mood.Passive, IsFull: true } || Values(clause).Any(v => v.Kind == TokenKind.Torque)) return false;
        if (clause.Verb!.Lemma == "stick") return true;
        // "The deck is suspended on four pins."
        if (clause.Verb.Lemma == "suspend" && AidIn(clause) is null
            && clause.Nouns.Any(n => n is { IsPronoun: false, After: "on" or "from" or "by" or "in" })) return true;
        // "Remove the nut; it is secured with threadlocker": how it was.
        if (clause.Nouns.FirstOrDefault() is { IsPronoun: true } && (Trade.Holds.Contains(clause.Verb!.Lemma) || clause.Verb.Lemma is "lock" or "mount")
            && _actions is [.., { Verb: Verb.TakeOut or Verb.Remove or Verb.Disconnect or Verb.Loosen or Verb.BreakLoose }]) return true;
        var holds = clause.Verb!.Lemma is "mount" or "attach" or "secure" or "fasten" or "bolt" && !Has(clause, "then", "now", "again", "back");
        return clause.Pieces.Exists(p => p.Noun is { IsPronoun: false } by
            && (by.After == "by" && Trade.NounOf(by.Stems) is null or { Role: NounRole.Thing, Kinds: not [ThingKind.Tool, ..] }
            || holds && by is { After: "with", Count: not null } && by.Is(ThingKind.Joint)));
    }

    // What a motion comes to that is told by its way alone, where somebody is told to do it to something.
    private static Sense? ByItsWay(Clause clause)
    {
        if (!clause.Pieces.Exists(p => p.Noun is { After: null })) return null;
        for (var i = 0; i < clause.Pieces.Count; i++)
        {
            if (clause.Pieces[i].Way is not { } way) continue;
            // "Along the frame, away from the radiator hose": where it runs.
            if (way == "away" && i + 1 < clause.Pieces.Count && clause.Pieces[i + 1].Noun?.After == "from") continue;
            if (StrongOff.Contains(way)) return Sense.Off;
            var leads = i + 1 < clause.Pieces.Count && clause.Pieces[i + 1].Noun?.After == way;
            if (way is "into" or "onto" or "home" || StrongOn.Contains(way) && !leads) return Sense.On;
        }

        return null;
    }

    // Done already by another motion of the sentence, or settled to be just words.
    private bool IsDone(Clause clause, Sense sense) => _isDone
        || sense is not (Sense.Drain or Sense.Fill) && _actions.Exists(a => IsMotion(a.Verb)) && !clause.Pieces.Exists(p => p.Noun is { IsPronoun: false, IsIts: false, After: null } n
            && !Trade.IsNoObject(n)) || clause.Pieces.Exists(p => p.Noun is { IsPronoun: false } n
            && (Settled(n.Text) is "" || _refer.Known(n) is Aid or Tool or Consumable)) || Settled(clause.Verb?.Lemma ?? "") is not null
            || sense is Sense.Support or Sense.MoveSay;

    private void Do(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        _told = true;
        // "Do the fourth": what was just done to the others.
        if (clause.Verb?.Lemma == "do" && objects is [{ IsPronoun: true } again] && (again.IsRest || again.Distinct.Count > 0)
            && _actions.FindLast(a => a.Target is not null && IsMotion(a.Verb)) is { } done && _refer.Find(done.Target!) is { } same
            // "While you do the rest": of the work.
            && (same.IsMany || same.Name.EndsWith('s') || done.Some is not null))
        {
            Add(done.Verb, same, again.At, a => a with { Rest = true });
            return;
        }

        // "Check the nuts after the first 50 km".
        if (sense == Sense.Look && Later(clause) is not null && (objects.Count > 0 || _actions is [.., { Verb: Verb.Torque }])
            && objects.TrueForAll(o => o is { IsPronoun: true, Text: "them" }
            || !o.IsPronoun && (_refer.Known(o, k => k == ThingKind.Joint) is Joint
            || o is { IsAll: true, Stems: [var whatever] } && Trade.Hardware.Contains(whatever)))) sense = Sense.Retorque;
        // "Torque it to 80 N·m, loosen it a quarter turn and retighten it to 25": backed off, and torqued.
        if (_actions is [.., { Target: { } handled } just] && objects.TrueForAll(o => o.IsPronoun || _refer.Known(o)?.Id == handled))
        {
            if (sense is Sense.Loosen or Sense.BreakLoose && just.Verb == Verb.Torque
                && Values(clause).Any(v => v.Kind == TokenKind.Angle)) sense = Sense.BackOff;
            // "Crack the nuts, shove the pipe on and torque them again": to the value they have.
            if (sense is Sense.Retorque or Sense.Torque && Has(clause, "again") && !AllValues(clause).Any() && ToItsValueAgain(objects)) return;
            // "Turn the adjuster in until it drags, then back it off two clicks".
            if (sense == Sense.BackOff && just.Verb == Verb.Adjust && _refer.Find(handled) is { } set
                && NameIndex.NamesOf(set)[0][^1] == "adjuster") sense = Sense.Adjust;
            if (sense == Sense.Retorque && just.Verb == Verb.BackOff && Values(clause).Any(v => v.Kind == TokenKind.Torque)) sense = Sense.Torque;
        }

        // "Lock the collar with its set screw, 8 N·m": the screw is tightened.
        if (clause.Verb?.Lemma == "lock" && Values(clause).Any(v => v.Kind == TokenKind.Torque)
            && clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: "with" or "by" } && n.Is(ThingKind.Joint)) is { } screw)
            (sense, objects) = (Sense.Torque, [screw]);
        // "Secure the pin with a new cotter pin", whose old one was pulled.
        if (sense == Sense.Secure && Spoken.Pinned is Joint
            && clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: "with" } && IsCotter(n)) is { } anew)
        {
            Pin(clause, Sense.PinIn, [anew with { After = null }]);
            return;
        }

        // "Secure it with a new cotter pin", "lock the bolts with the tabs": by what it is locked.
        if (sense is Sense.Secure or Sense.Lock && clause.Pieces.Find(p => p.Noun is { IsPronoun: false, After: "with" or "by" })?.Noun is { } by
            && objects.TrueForAll(o => o.IsPronoun ? _refer.Meant(o, k => k is ThingKind.Joint or ThingKind.Part) is [Joint, ..]
                : _refer.Known(o, k => k == ThingKind.Joint) is Joint))
        {
            if (IsCotter(by) && !(objects is [{ IsPronoun: true } held]
                && _refer.Meant(held, k => k is ThingKind.Joint or ThingKind.Part) is [var pin] && IsPin(pin)))
            {
                Pin(clause, Sense.PinIn, [by with { After = null }, .. objects]);
                return;
            }

            if (by.Stems.Any(s => s is "lock" or "tab" or "tang" || Trade.LockWires.Contains(s))) sense = Sense.Lock;
        }

        switch (sense)
        {
            case Sense.Say:
                Aside(clause);
                return;
            case Sense.Raise or Sense.Stands or Sense.Touch or Sense.Lower or Sense.VehicleMoves:
                Vehicle(clause, sense, objects);
                // "Wheel on, nuts by hand, down on the ground, 120 N·m crosswise": what was started before it.
                if (Values(clause).Any(v => v.Kind == TokenKind.Torque) && _actions.FindLast(a => a.Verb is Verb.Start or Verb.Snug)?.Target is { } startedBefore
                    && _refer.Find(startedBefore) is Joint tight) TightenWhat(clause, [], [tight]);
                return;
            case Sense.Support:
                Support(clause);
                return;
            case Sense.JackDown:
                // A jack that was put under a part comes away; else the vehicle comes down with it.
                if (objects.Select(o => _refer.Known(o)).FirstOrDefault(a => a is Aid or Tool && Spoken.IsOff(a) is false
                    && Spoken.Lately(a) > Spoken.RaisedAt) is { } jack)
                {
                    // "Lower the jack until the springs are loose": it stays there.
                    if (Has(clause, "little", "bit", "slightly", "inch", "mm") || UntilBehind(clause) is not null)
                    {
                        _told = true;
                        return;
                    }

                    Add(Verb.TakeAway, jack, PlaceOf(clause));
                    Spoken.Hand([jack]);
                }
                else if (Spoken.Raised) Add(Verb.Lower, null, PlaceOf(clause));
                else Aside(clause);
                return;
            // "Then hang the panels": what is off goes on again.
            case Sense.Hang when AidIn(clause) is null && !Has(clause, "from", "aside", "clear", "up") && objects is [{ IsPronoun: false } panel]
                && _refer.Known(panel) is Part off && Spoken.IsOff(off) is true:
                DoEach(clause, Sense.On, objects);
                return;
            case Sense.Level when !objects.Exists(o => o.IsPronoun || _refer.Known(o) is Fluid || o.Is(ThingKind.Fluid)):
                if ((Spoken.Nearest(_refer.All<Fluid>()) ?? FluidIn([])) is { } fluid) Add(Verb.CheckLevel, fluid, PlaceOf(clause));
                else goto default;
                return;
            // "Fill with engine oil": with that, and no other that is on the sheet.
            // "Fill the new filter with clean diesel", which is on the sheet as a consumable.
            case Sense.Fill when clause.Pieces.Exists(p => p.Noun is { IsPronoun: false, After: null } n && _refer.Known(n) is Part)
                && clause.Pieces.Find(p => p.Noun is { IsPronoun: false, After: "with" })?.Noun is { } stuffed && _refer.Known(stuffed) is Consumable poured:
                Use(poured);
                Spoken.Hand([.. clause.Nouns.Where(n => n is { IsPronoun: false, After: null }).Select(n => _refer.Known(n)).OfType<Part>()]);
                _told = true;
                return;
            // "Fill it with oil", "fill her up with coolant".
            case Sense.Fill when objects.TrueForAll(o => o is { IsPronoun: true, Text: "it" or "her" })
                && !(Spoken.Last is [Part vessel] && Spoken.IsOff(vessel) is true)
                && clause.Pieces.Find(p => p.Noun is { IsPronoun: false, After: "with" } n && (n.Stems.Count > 1 || objects.Count > 0)
                && n.Is(ThingKind.Fluid))?.Noun is { } named:
                var into = _refer.Known(named, k => k == ThingKind.Fluid) as Fluid ?? _refer.Assume(named, ThingKind.Fluid, false, null, null);
                Add(Verb.Fill, into, named.At);
                Spoken.Hand([into]);
                return;
            // "Stop it and top up": what is filled in this job.
            case Sense.Fill when (objects.Count == 0 || objects is [{ IsPronoun: true, Text: "it" or "her" }]
                && !(Spoken.Last is [Part emptied] && Spoken.IsOff(emptied) is true)) && FluidOfJob() is { } filling:
                Add(Verb.Fill, filling, PlaceOf(clause));
                return;
            // "Top up the axle": with its oil.
            case Sense.Fill when objects.Count > 0 && objects.TrueForAll(o => !o.IsPronoun && _refer.Known(o) is not Fluid && !o.Is(ThingKind.Fluid))
                && _refer.All<Fluid>().Any():
                var fluids = _refer.All<Fluid>().ToList();
                var its = fluids.Find(l => NameIndex.NamesOf(l)[0].Intersect(objects[0].Stems).Any()) ?? Spoken.Nearest(fluids) ?? fluids[0];
                Add(Verb.Fill, its, PlaceOf(clause));
                Spoken.Hand([its]);
                return;
            // No oil that is known: named by what it is in.
            case Sense.Fill when objects is [{ IsPronoun: false } filled] && _refer.Known(filled) is null
                && Trade.NounOf(filled.Stems) is not { Kinds: [ThingKind.Fluid or ThingKind.Consumable, ..] }
                && Trade.NounOf(filled.Stems)?.Role is not NounRole.Words && (clause.Verb?.Lemma == "top"
                    || Trade.Vessels.Contains(filled.Head)):
                Add(Verb.Fill, _refer.Assume(filled with { Name = $"{filled.Name} oil", Text = $"{filled.Text} oil", Stems = [.. filled.Stems, "oil"] }, ThingKind.Fluid, false, null, null), PlaceOf(clause));
                return;
            // "Nuts on, then snug in a star": those in hand.
            case Sense.Snug when objects.Count > 0 && objects.TrueForAll(o => !o.IsPronoun && Trade.NounOf(o.Stems) is { Role: NounRole.Words })
                && JointsInHand(Bare(clause)) is { Count: > 0 } inHand:
                foreach (var joint in inHand) Tightened(clause, sense, joint, Bare(clause), [], false);
                Beside(clause);
                return;
            case Sense.Unbolt:
                Unbolt(clause, objects);
                return;
            case Sense.Drain:
                OpenFor(clause);
                DoEach(clause, sense, [.. objects.Select(o => DrainedFrom(clause, o))]);
                PlaceAids(clause);
                return;
            case Sense.PlaceOwn:
                PlaceOwn(clause, objects);
                return;
            case Sense.TakeOwn:
                TakeOwn(clause);
                return;
            case Sense.Unhang:
                Unhang(clause, objects);
                return;
            case Sense.Again:
                Again(clause);
                return;
            case Sense.Off or Sense.On or Sense.Place or Sense.Move or Sense.MoveOff or Sense.Replace when objects.Exists(IsCotter):
                // "Take the ring off and tap the pin through": out it goes, too.
                Pin(clause, sense is Sense.Off || sense is Sense.Move && IsTakingApart ? Sense.PinOut : Sense.PinIn, objects);
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
        // "Put everything back the way it was", "reassemble in reverse order": what that is, is asked.
        if ((objects.Exists(o => o is { IsPronoun: true, Text: "everything" }) || objects.Count == 0
            && Has(clause, "in-reverse-order", "in-the-reverse-order",
            "in-the-opposite-order")) && !Trade.Of(sense).IsSoft)
        {
            Unclear(clause);
            return;
        }

        if (sense == Sense.Off) Introduce(clause, objects);
        var things = new List<Thing>();
        // "Pull its two wires and unscrew it": whose they are is still spoken of.
        var whose = objects.Exists(o => o.IsIts) ? _unnamed : null;
        foreach (var phrase in objects.Count > 0 ? objects : [Bare(clause)])
        {
            // "The pivot bolt and its nut".
            if (phrase.IsIts && things.Count > 0) Spoken.Hand([things[^1]]);
            things.AddRange(DoTo(clause, sense, phrase));
        }

        With(clause, sense, things);
        FastenersFirst(clause);
        OnWhat(clause, sense, [.. things.OfType<Part>()]);
        Beside(clause);
        if (things.Count > 0) Spoken.Hand([.. things.Distinct()]);
        // "Put a washer on each bolt and start them": the bolts; "stick a new gasket to the pump and bolt it up": the pump, which is off.
        if (sense == Sense.On && objects is [{ IsPronoun: false } under] && (IsCompanion(under) || under.Head == "gasket")
            && clause.Nouns.Where(n => n is { IsPronoun: false, After: "on" or "onto" or "over" or "to" })
                .Select(n => _refer.Known(n)).Where(b => b is Joint || b is Part && under.Head == "gasket"
                    && Spoken.WasOff(b) is true).OfType<Thing>().ToList() is { Count: > 0 } borne)
            Spoken.Hand(borne);
        _unnamed ??= whose;
        // "Put the plug in, 30 pounds": no unit of torque, and not passed over.
        if (things.OfType<Joint>().Any() && clause.Pieces.Find(p => p.Noun is { IsPronoun: false, Count: not null, Head: "pound" or "lb" or "newton" or "kilo" })?.Noun is { } odd)
            AskValue($"{odd.Count} {odd.Text}", odd.At, $"“{odd.Text}” is no unit of torque. Write N·m, lbf·ft or lbf·in.");
        _from = clause.Pieces.Find(p => p.Noun is { IsPronoun: false, After: "off" or "from" } n
            && Trade.NounOf(n.Stems) is null or { Role: NounRole.Thing, Kinds: [ThingKind.Part, ..] })?.Noun
            ?? objects.Where(o => o.Owner.Count > 0 && o.Is(ThingKind.Joint))
                .Select(o => new NounPhrase(o.At, o.OwnerName.ToLowerInvariant(), o.Owner) { Name = o.OwnerName }).FirstOrDefault()
            ?? (objects.TrueForAll(o => o.IsPronoun) ? _from : null);
        // "Run each nut down till it seats, then half a turn more".
        if (sense == Sense.Snug && !Values(clause).Any(v => v.Kind == TokenKind.Torque)
            && Values(clause).FirstOrDefault(v => v.Kind == TokenKind.Angle) is { Kind: TokenKind.Angle } more
            && !_actions.Exists(a => a.Verb == Verb.TurnOn))
            foreach (var joint in things.OfType<Joint>().Distinct()) Add(Verb.TurnOn, joint, more.At, a => a with { Angle = more.Number });
        // "Fit the plug, 20 N·m": the value makes it a tightening, too.
        if (sense is Sense.On or Sense.Start or Sense.Secure or Sense.Snug or Sense.Connect or Sense.Replace
            && Values(clause).Any(v => v.Kind == TokenKind.Torque)) TightenWhat(clause, [], things);
    }

    // Whatever a verb is done to where the sentence does not say: what was in hand.
    private NounPhrase Bare(Clause clause) =>
        new(PlaceOf(clause), clause.Verb?.Lemma ?? "", []) { IsPronoun = true, IsUnsaid = true, IsPlural = true, Name = "" };

    /// <summary>Does a sense to what a phrase names; returns the things.</summary>
    private List<Thing> DoTo(Clause clause, Sense sense, NounPhrase phrase)
    {
        // "Pull the new stud through": what is new does not come off by a pull.
        // "Old bushings: the top one is driven up from below".
        if (sense == Sense.On && phrase.IsPronoun && _topic is { IsOld: true } && clause.Verb is { } driven
            && driven.Frames.Any(f => f.Sense == Sense.Off)) sense = Sense.Off;
        // "Drop the new one in its tray".
        if (sense == Sense.Off && phrase.IsNew && clause.Verb is { } moving && (Trade.Moves.Contains(moving.Lemma)
            || moving.Frames.Any(f => f.Sense == Sense.On) && !clause.Pieces.Exists(p => p.Way is { } way && StrongOff.Contains(way)))) sense = Sense.On;
        // "Negative first: lead off its post": the negative lead.
        if (_first is { Distinct: var which } && phrase is { IsPronoun: false, Stems.Count: 1, Owner.Count: 0, Distinct.Count: 0 })
        {
            var words = string.Join(" ", which);
            phrase = phrase with { Name = $"{words} {phrase.Name}", Text = $"{words} {phrase.Text}", Stems = [.. which, .. phrase.Stems], Distinct = which };
            _first = null;
        }

        if (sense is Sense.On or Sense.Start && RunOnForNow(phrase) is { } forNow) return [forNow];
        // "Wipe the new seal with oil and press it in": the new one.
        var isNew = phrase.IsPronoun && _unnamed is { IsNew: true };
        var things = Things(clause, sense, phrase);
        if (isNew && _unnamed is null) phrase = phrase with { IsNew = true };
        if (things is [Joint counted] && phrase is
            {
                IsPronoun: false, Count: > 1 and var many, Some: null, IsRest: false,
                IsIndefinite: false
            }) _counted[counted.Id] = many;
        // "All the bolts but the top two", and how many there are nobody has said: which of them, nobody knows.
        if ((phrase.Some < 0 || phrase is { IsPlural: true, Some: null } && LeftOut(clause) is not null) && !Trade.Of(sense).IsSoft
            && things is [Joint uncounted] && WholeOf(uncounted) == 1 && (phrase.Some < 0 || uncounted.Name.EndsWith('s')))
        {
            Unclear(clause, VerbOf(sense));
            return [];
        }

        // "Pop the lead out of its clip": the clip is what is opened; the lead is unplugged for itself.
        if (sense is Sense.Off or Sense.On && things is [Connection lead] && clause.Pieces.Find(p => p.Noun is { IsIts: true, Head: "clip" })?.Noun is { } clip)
        {
            var name = $"{lead.Name} {clip.Name}";
            var named = clip with { Name = name, Text = name.ToLowerInvariant(), Stems = NameIndex.StemsOf(name), IsIts = false };
            Act(clause, sense, _refer.Known(named) ?? _refer.Assume(named, ThingKind.Connection, false, null, null), clip);
            return things;
        }

        // "Put it with its washer": laid there; "put a nut on each stud": it goes on.
        if (sense == Sense.Place && things.Count > 0 && things.TrueForAll(t => t is Joint))
            sense = clause.Nouns.Any(n => n.After is "on" or "onto" or "in" or "into" or "over") || Way(clause) == "on" ? Sense.On : Sense.Aside;
        foreach (var thing in things) Act(clause, sense, thing, phrase);
        // "Unplug the lamps and take them off": the lamps are in hand, not their plugs.
        if (sense is Sense.Connect or Sense.Disconnect && !phrase.IsPronoun && things.TrueForAll(t => t is Connection)
            && _refer.Known(phrase) is Part unplugged) return [unplugged];
        return things;
    }

    private void Act(Clause clause, Sense sense, Thing thing, NounPhrase phrase)
    {
        if (thing.Kind is ThingKind.Tool or ThingKind.Consumable) Use(thing);
        var row = Trade.Of(sense);
        // "Spin the nut on but leave it loose": it is.
        if (sense == Sense.Loosen && clause.Verb?.Lemma == "leave" && _actions.FindLast(a => a.Target == thing.Id) is { Verb: Verb.Start }) return;
        // "Unscrew the nuts, but leave each on by two threads": they are not out; "leave the bolts loose for now": nobody loosens them.
        if (sense == Sense.Loosen && clause.Verb?.Lemma == "leave" && phrase is { Some: null, Count: null, Text: not "one" }
            && (LeftIn(thing) || !Has(clause, "thread", "threads", "turn", "turns")))
        {
            // "Fit the bracket and leave its bolts loose": they are in.
            if (thing is Joint left && Spoken.WasOff(left) is not false && ItsPartIsFitted(left)) Add(Verb.Start, left, phrase.At);
            _isDone = true;
            return;
        }

        // "Lift the bed, slip the spacers in and let it back down": what was lifted, and not what just went on.
        // "New cups: tap them down square": what has just gone in goes no further than down.
        if (sense == Sense.Off && phrase.IsPronoun && (clause.Verb?.Lemma is "let" or "lower" or "ease"
                || clause.Pieces.Exists(p => p.Way == "down") && clause.Pieces.TrueForAll(p => p.Way is null or "down"))
            && _actions is [.., { Verb: Verb.Fit, Target: { } on }]
            && on == thing.Id)
        {
            _isDone = true;
            return;
        }

        // "Fit the shaft. Secure with a new snap ring": it is on; the ring goes on.
        if (sense == Sense.Secure && (phrase.IsPronoun || clause.Nouns.Any(n => n is { After: "with", IsPronoun: false, Head: "pin" or "cotter" }))
            && thing is Part or Connection && Spoken.IsOff(thing) is false) return;
        // "Secure the roller with the circlip": the roller is on, and the circlip is not.
        if (sense == Sense.Secure && thing is Part or Connection && Spoken.IsOff(thing) is not true
            && clause.Nouns.Any(n => n is { After: "with", IsPronoun: false } && _refer.Known(n) is { } by && Spoken.IsOff(by) is true)) return;
        // "Seat the new bearing against its shoulder", "seat the pump on its dowels", which is not on yet.
        if (sense == Sense.Seat && thing is Part && (clause.Verb?.Lemma is "seat" or "bed" && !phrase.IsPronoun || ClicksHome(clause))
            && (phrase.IsNew || Spoken.WasOff(thing) is true) && !_actions.Exists(a => a.Verb == Verb.Fit && a.Target == thing.Id))
            (sense, row) = (Sense.On, Trade.Of(Sense.On));
        // "Remove the bolts and tilt the shroud back": out of the way; with its bolts in it only moves.
        if (sense == Sense.MoveFree)
        {
            if (thing is not Part free || !IsUndone(free))
            {
                Spoken.Hand([thing]);
                _isDone = true;
                return;
            }

            (sense, row) = (Sense.Aside, Trade.Of(Sense.Aside));
        }

        if (thing is Control && sense is Sense.Off or Sense.On or Sense.Move or Sense.MoveOff or Sense.Place or Sense.Connect or Sense.Disconnect)
        {
            SetTo(thing, phrase.At, PlaceOf(clause).Of(_text));
            return;
        }

        // "Feed the old harness back through": an old one does not go on by that.
        if (phrase.IsOld && sense == Sense.On && !(Spoken.IsOff(thing) is true && !phrase.IsIndefinite)
            && clause.Verb is { Lemma: not ("fit" or "refit" or "install" or "reinstall" or "put" or "start") })
        {
            Unclear(clause);
            return;
        }

        if (!row.ByKind.TryGetValue(thing.Kind, out var verb))
        {
            if (thing.Kind == ThingKind.Aid || row.IsSoft || thing.Kind is ThingKind.Tool or ThingKind.Consumable) return;
            if (Settled(phrase.Text) is "") return;
            Ask(new Question
            {
                Kind = QuestionKind.WrongKind,
                Phrase = phrase.Text,
                At = phrase.At,
                Verb = VerbOf(sense),
                Because = $"{thing.Label} is a {thing.Kind.ToString().ToLowerInvariant()}",
                Candidates = [.. _refer.Things.Where(t => row.ByKind.ContainsKey(t.Kind) && NameIndex.NamesOf(t)[0].Any(s => NameIndex.NamesOf(thing)[0].Contains(s))).Take(4).Select(t => t.Id)],
            });
            return;
        }

        // "Four bolts, cover off": its bolts come out first.
        if (verb == Verb.BreakLoose && thing is Part stuck) TakeIntroduced(stuck, phrase.At);
        if (verb == Verb.Remove && thing is Part held)
        {
            LoosenedRightOut(held);
            TakeIntroduced(held, phrase.At);
        }

        if (verb == Verb.Disconnect && thing is Connection) LoosenedOffItsStud(clause);
        // "Pick up the pry bar", "take a socket": in the hand.
        if (verb == Verb.TakeAway && thing is Tool && clause.Verb?.Lemma is "pick" or "take"
            && clause.Pieces.TrueForAll(p => p.Way is null or "up")) return;
        if (verb is null)
        {
            Both(clause, sense, thing, phrase);
            return;
        }

        // "Hose back on and clamp it": its clamp.
        if (verb == Verb.Snug && thing is Connection && _refer.All<Joint>().FirstOrDefault(j => Natures.Is(j, Trait.OwnClamp)
            && NameIndex.NamesOf(thing)[0].All(NameIndex.NamesOf(j)[0].Contains)) is { } clamp)
        {
            Add(Verb.Snug, clamp, phrase.At);
            return;
        }

        // "Clamp the hose", which nobody has just put on: a clamp is put to it, so that nothing runs out.
        if (verb == Verb.Snug && thing is Connection && NameIndex.NamesOf(thing)[0][^1] is "hose" or "line" or "pipe" && Spoken.IsOff(thing) is null
            && clause.Verb?.Lemma is "clamp" or "pinch")
        {
            Add(Verb.Place, _refer.Assume(new NounPhrase(phrase.At, "clamp", ["clamp"]) { Name = "clamp" }, ThingKind.Aid, false, null, null), phrase.At);
            return;
        }

        // "Slip a stand under": what is up is on it.
        if (verb == Verb.Place && Spoken.Raised && thing is Aid && NameIndex.NamesOf(thing)[0] is ["stand"] or ["axle" or "jack" or "safety", "stand"])
        {
            Add(Verb.Place, thing, phrase.At);
            Add(Verb.SetOnStands, null, phrase.At);
            Spoken.Vehicle = true;
            return;
        }

        // "Slacken the bolts and slide it back": it moves under them, and is on still.
        if (sense is Sense.On or Sense.Aside or Sense.Move or Sense.MoveOff && thing is Part under && IsFree(under, phrase) is false)
        {
            _isDone = true;
            return;
        }

        // "Squeeze the clip, slide it up the hose": along it, and not on.
        if (verb == Verb.Start && thing is Joint && Trade.Shifts.Contains(clause.Verb?.Lemma ?? "")
            && !clause.Pieces.Exists(p => p.Way is "on" or "in" or "into" or "onto")
            && _actions is [.., { Verb: Verb.Loosen, Target: { } slackened }] && slackened == thing.Id)
        {
            _isDone = true;
            return;
        }

        if (verb == Verb.Start && thing is Joint) ConnectBy(clause, phrase);
        // "Undo the unions and swing the lines clear": they are parted.
        if (sense == Sense.Aside && thing is Connection line && Spoken.IsOff(line) is not true && UnionOf(line) is not null)
            Add(Verb.Disconnect, thing, phrase.At);
        // "Take out the screws and set the grille aside": off, and then aside.
        if (sense == Sense.Aside && thing is Part loose && Spoken.IsOff(loose) is not true && (FastenersOf(loose) ?? JustOut()) is { } fast
            && (IsFree(loose, phrase) is true || _actions.Exists(a => a.Verb == Verb.TakeOut && a.Target == fast.Id && a.Some is null)))
            Add(Verb.Remove, thing, phrase.At);
        // "Undo the screws and lift the shroud over the fan": its fasteners are out, and nobody has taken it off yet.
        if (verb == Verb.Fit && thing is Part { Origin: Origin.Vehicle } still && !phrase.IsNew && !phrase.IsOld && Spoken.IsOff(still) is not true
            && FastenersOf(still) is { } undone && (IsFree(still, phrase) is true || _actions.Exists(a => a.Verb == Verb.TakeOut && a.Target == undone.Id))
            && !Installs(clause))
        {
            Act(clause, Sense.Off, thing, phrase);
            return;
        }

        // "Slide the roller to the left", "push it against the frame": it is on, and stays on.
        if (verb == Verb.Fit && thing is Part { Origin: Origin.Vehicle } && !phrase.IsNew && Spoken.IsOff(thing) is null && IsOnlyAside(clause)
            && _sheet.Find(thing.Id) is not null)
        {
            _isDone = true;
            return;
        }

        if (verb == Verb.Fit && thing is Part && IsPutDown(clause, thing, phrase)) verb = Verb.SetAside;
        // "Slide the guard back": what nobody has taken off is out of the way, and not on again.
        if (verb == Verb.Fit && thing is Part back && !phrase.IsNew && IsThere(back) && IsOnlyBack(clause))
            verb = Verb.SetAside;
        // "Loosen its two screws and swing it up": still held by them.
        if (verb == Verb.Fit && thing is Part swung && !phrase.IsNew && IsThere(swung)
            && Trade.Shifts.Contains(clause.Verb?.Lemma ?? "") && clause.Pieces.TrueForAll(p => p.Way is null or "up" or "back" && p.Noun?.After is null)
            && _actions.Exists(a => a is { Verb: Verb.Loosen or Verb.BreakLoose, Target: { } id } && _refer.Find(id) is Joint slack
                && IsOf(slack, swung, swung.Name)))
        {
            _isDone = true;
            return;
        }

        if (verb == Verb.HangAside && AidIn(clause) is { } hook && Spoken.IsOff(hook) is not false) Add(Verb.Place, hook, phrase.At);
        Add(verb.Value, thing, phrase.At, a => Detailed(a, clause, phrase));
    }

    // On the vehicle, or named here for the first time, and nobody has taken it off.
    private bool IsThere(Part part) => Spoken.WasOff(part) is null && (part.Origin == Origin.Vehicle || part.Assumed || _sheet.Find(part.Id) is null);

    // To a side, against something, and no word that puts it on.
    private static bool IsOnlyAside(Clause clause) => Trade.Shifts.Contains(clause.Verb?.Lemma ?? "")
        && clause.Nouns.Any(n => n.After is "to" or "against" or "toward" or "towards")
        && !clause.Pieces.Exists(p => p.Way is not null and not "against" || p.Noun?.After is "on" or "onto" or "in" or "into" or "over");

    // "Back" and no other word of the way, behind a verb of moving.
    private static bool IsOnlyBack(Clause clause) => Trade.Shifts.Contains(clause.Verb?.Lemma ?? "") && clause.Pieces.Exists(p => p.Way == "back")
        && !clause.Pieces.Exists(p => p.Way is not null and not "back" || p.Noun?.After is "on" or "onto" or "in" or "into" or "over");

    private StepAction Detailed(StepAction action, Clause clause, NounPhrase phrase) => action with
    {
        // "Grease the new bearing and push it in": the new one.
        New = phrase.IsNew || phrase.IsPronoun && _actions.FindLast(a => a.Target == action.Target) is { New: true },
        With = action.Verb is Verb.HangAside ? AidIn(clause)?.Id : null,
        Some = SomeOf(action.Target, phrase, clause),
        Rest = phrase.IsRest,
        Angle = action.Verb is Verb.BackOff or Verb.TurnOn ? Values(clause).FirstOrDefault(v => v.Kind == TokenKind.Angle) is { Kind: TokenKind.Angle } angle ? angle.Number : null : null,
        Limits = LimitsAt(action.Verb, phrase.At),
    };

    // "Except for one, remove the bolts", "the bolts, but not …": what is left out of them.
    private NounPhrase? LeftOut(Clause clause)
    {
        static NounPhrase? In(Clause told) => told.Pieces.Find(p => p.Noun is { After: "except", IsPronoun: true })?.Noun;
        var before = _clauses.FindLast(c => c.To <= clause.From);
        return In(clause) ?? (before is { Mood: Mood.Beside } && _finder.Tokens[before.From].Text == "except" ? In(before) : null);
    }

    // How many there are by this step's own words, where nobody has counted them on the sheet: "loosen all four bolts, take out all but one".
    private readonly Dictionary<string, int> _counted = [];

    private int WholeOf(Joint joint) => joint.Count > 1 ? joint.Count : _counted.GetValueOrDefault(joint.Id, joint.Count);

    // So many of the set; null for all.
    private int? SomeOf(string? target, NounPhrase phrase, Clause? clause = null)
    {
        if (phrase.IsRest) return null;
        // "All the bolts to 25 N·m, except the one by the wall".
        if (phrase is { IsPlural: true, Some: null } or { IsAll: true, Some: null } && clause is not null && target is not null
            && _refer.Find(target) is Joint all && WholeOf(all) is > 1 and var there && LeftOut(clause) is { } left)
            return there - (left.Count ?? 1) is > 0 and var fewer ? fewer : null;
        // "Take out the third", "the lower one", of several that no word of their name tells apart: one of them.
        if (phrase is { IsPlural: false, IsAll: false, Count: null, Some: null, Distinct.Count: > 0 } && phrase.Text is not "ones"
            && target is not null && _refer.Find(target) is Joint { Count: > 1 } counted
            && !NameIndex.NamesOf(counted)[0].Any(n => Trade.Ordinals.Contains(n) || Trade.Distinct.Contains(n))) return 1;
        var whole = target is not null ? (_refer.Find(target) switch { Joint j => WholeOf(j), Part p => p.Quantity, _ => 0 }) : 0;
        // "Press the cap out", of four: one of them.
        if (phrase is { IsPronoun: false, IsPlural: false, IsAll: false, Count: null, Some: null, IsNew: false } && target is not null
            && _refer.Find(target) is Part { Quantity: > 1 } set && set.Name.EndsWith('s')) return 1;
        // "Each plate … its four bolts": all of them, where there are two plates.
        if (phrase is { Some: null, Count: { } a } && CountSaid.IsOfEach(_text, phrase.At, a, whole)) return null;
        var some = phrase.Some is { } said ? said < 0 ? whole + said : said : phrase.Count is { } count && whole > count && count < whole && !phrase.IsAll ? count : (int?)null;
        return some is { } n && n > 0 && n != whole ? n : null;
    }

    // Two actions, or one of two.
    private void Both(Clause clause, Sense sense, Thing thing, NounPhrase phrase)
    {
        var off = Trade.Of(Sense.Off).ByKind.GetValueOrDefault(thing.Kind);
        var on = Trade.Of(Sense.On).ByKind.GetValueOrDefault(thing.Kind);
        if (off is null || on is null) return;
        if (sense == Sense.Transfer)
        {
            // "Change it over: undo the nut and pull the pulley off": how is told behind the colon.
            if (EndsWithColon(clause) && _clauses.Exists(c => c.From > clause.To && c.Mood == Mood.Imperative))
            {
                _isDone = true;
                return;
            }

            if (Spoken.IsOff(thing) is not true) Add(off.Value, thing, phrase.At);
            Add(on.Value, thing, phrase.At);
            return;
        }

        if (sense == Sense.Replace)
        {
            // "Replace the cover and torque the bolts to 12 N·m", and it is off: it goes back. Else it is renewed, wherever it lies.
            var goesBack = Spoken.WasOff(thing) is true && !phrase.IsNew && clause.Proviso is null && _clauses.ElementAtOrDefault(_clauses.IndexOf(clause) + 1)
                is { Mood: Mood.Imperative, Proviso: null } next && !EndsBetween(clause, next) && AllValues(next).Any();
            // "Pick the spider out; replace it if a leg is cracked": it is out, and a new one goes in.
            var isOut = clause.Proviso is not null && Spoken.IsOff(thing) is true && _actions.Exists(a => a.Verb == Verb.Remove && a.Target == thing.Id);
            if (!goesBack && !isOut) Add(off.Value, thing, phrase.At);
            Add(on.Value, thing, phrase.At, a => a with { New = !goesBack });
            return;
        }

        // "Undo the bolt and knock it through": out it is.
        if (thing is Joint && sense == Sense.Move && _actions.Exists(a => a.Verb == Verb.TakeOut && a.Target == thing.Id))
        {
            _isDone = true;
            return;
        }

        if (thing is Part part && IsFree(part, phrase) is true)
        {
            Add(off.Value, thing, phrase.At, a => Detailed(a, clause, phrase));
            return;
        }

        // "Drop the pan: six bolts. Hold it up while …": it has just come off.
        if (sense == Sense.MoveSay && _actions.Exists(a => a.Verb == Verb.Remove && a.Target == thing.Id))
        {
            Spoken.Hand([thing]);
            _isDone = true;
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

        if (Spoken.IsOff(thing) is null && !phrase.IsNew && !Says("refit", "fitting", "install", "assembl", "building up") && IsTakingApart)
        {
            Add(off.Value, thing, phrase.At, a => Detailed(a, clause, phrase));
            return;
        }

        if (Spoken.IsOff(thing) is null && (Spoken.ComesOff is false && _actions.Count > 0 || Says("refit", "fitting", "install", "assembl", "building up")) || phrase.IsNew || Spoken.IsOff(thing) is true || thing is Part { Origin: Origin.Kit } or Joint { Origin: Origin.Kit } or Connection { Origin: Origin.Kit } && Spoken.IsOff(thing) is null) Add(on.Value, thing, phrase.At, a => Detailed(a, clause, phrase));
        else if (sense == Sense.MoveOff && Spoken.IsOff(thing) is null) Add(off.Value, thing, phrase.At, a => Detailed(a, clause, phrase));
        // "Hold the bracket against the frame and start its bolts": it is on by that.
        else if (sense == Sense.MoveSay && IsHeldToBeStarted(clause, thing)) Add(Verb.Fit, thing, phrase.At, a => Detailed(a, clause, phrase));
        else if (sense == Sense.MoveSay) Spoken.Hand([thing]);
        else Unclear(clause);
    }

    // Something has come off in this step.
    private bool IsTakingApart => Spoken.ComesOff is true && _actions.Count > 0;

    // "… clean the face and set it back on its studs", "… and lay the new one on": what the step took off before.
    private bool IsOfWhatCameOff(Clause clause, NounPhrase phrase) => (phrase.IsNew || clause.Pieces.Exists(p => p.Way == "back"))
        && _actions.Exists(a => a.Verb is Verb.Remove or Verb.Disconnect);

    // "Remove the cover and set it on the hood": put down where it came off.
    private bool IsPutDown(Clause clause, Thing thing, NounPhrase phrase) => phrase.IsPronoun && clause.Verb is { } verb
        && verb.Frames.Any(f => f.Sense == Sense.Aside) && !clause.Pieces.Exists(p => p.Way == "back") && !Has(clause, "again")
        && clause.Nouns.Any(n => n is { IsPronoun: false, IsIts: false, After: "on" or "onto" or "in" or "into" })
        && _actions is [.., { Verb: Verb.Remove, Target: { } off }] && off == thing.Id;

    // What comes with the job and stays.
    // "Stick the switch in the dash": into what holds it.
    private static bool GoesInto(Clause clause) => clause.Nouns.Any(n => n is { IsPronoun: false, After: "in" or "into" }
        && n.Head is "dash" or "dashboard" or "panel" or "console" or "cutout" or "hole" or "opening" or "bracket" or "housing");

    private static bool Installs(Clause clause) => Trade.Installs.Contains(clause.Verb?.Lemma ?? "");

    // "Disconnect the battery", "unplug the alternator": its leads, its plug. The part itself stays where it is, and may come off later.
    private List<Thing> LeadsOf(NounPhrase phrase, Sense sense)
    {
        var open = sense == Sense.Connect;
        // "Reconnect the battery": its negative lead.
        bool Pole(string[] name) => phrase.Head == "battery" && Array.Exists(name, n => n is "negative" or "positive" or "ground" or "earth");
        var named = _refer.All<Connection>().Where(c => !Spoken.IsYetToCome(c)
            && NameIndex.NamesOf(c)[0] is var name && (phrase.Stems.All(name.Contains) || Pole(name) || GoesTo(c, phrase.Stems))).ToList<Thing>();
        if (named.FindAll(c => Spoken.IsOff(c) == open) is { Count: > 0 } meant) return meant;
        if (named.Count > 0) return named;
        if (_refer.Things.Any(t => t is not Part && NameIndex.NamesOf(t)[0].SequenceEqual(phrase.Stems))) return [];
        var name = $"{(phrase.IsPlural ? Stem.Of(phrase.Name) : phrase.Name)} {(phrase.Stems[^1] == "battery" ? "leads" : phrase.IsPlural ? "plugs" : "plug")}";
        return [_refer.Assume(phrase with { Name = name, Text = name.ToLowerInvariant(), Stems = NameIndex.StemsOf(name) },
            ThingKind.Connection, false, null, null)];
    }

    // "Snap the switch in and connect its plug": of those that go to it, the one that is called so.
    private List<Thing> ItsLeads(NounPhrase phrase, Sense sense)
    {
        if (Spoken.Last.OfType<Part>().LastOrDefault() is not { } bearer) return [];
        var leads = LeadsOf(phrase with { Stems = NameIndex.NamesOf(bearer)[0], Name = bearer.Name }, sense);
        return leads.FindAll(c => NameIndex.NamesOf(c)[0][^1] == phrase.Head) is { Count: > 0 } called ? called : leads;
    }

    /// <summary>What a phrase means for a sense: things of the sheet, one named anew, or none; asks where it cannot tell.</summary>
    private List<Thing> Things(Clause clause, Sense sense, NounPhrase phrase)
    {
        phrase = InFull(clause, phrase);
        var row = Trade.Of(sense);
        bool Accepts(ThingKind kind) => row.ByKind.ContainsKey(kind);
        if (phrase.IsPronoun)
        {
            // "Take out the six bolts; hold it while you take the last one out": they are out.
            if (sense == Sense.Off && phrase is { IsRest: true, IsPlural: false } && phrase.Text.EndsWith("one", StringComparison.Ordinal)
                && _actions.Exists(a => a is { Verb: Verb.TakeOut, Some: null, Target: { } id } && _refer.Find(id) is Joint { Count: > 1 }))
            {
                _isDone = true;
                return [];
            }

            // "Measure from the windshield: both ends …": nothing that is in hand.
            if (sense == Sense.Measure && phrase.IsUnsaid
                && clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: "from" or "between" or "across" }) is { } where)
            {
                _actions.Add(new StepAction
                {
                    Verb = Verb.Measure,
                    Words = $"{where.After} the {where.Text}",
                    At = phrase.At,
                    Limits = LimitsAt(Verb.Measure, phrase.At),
                });
                _isDone = true;
                return [];
            }

            // "Uncap the hoses and connect them": no bolts that were spoken of before.
            if (sense is Sense.Connect or Sense.Disconnect && phrase.Text is "it" or "them" && Spoken.Last.Count > 0 && Spoken.Last.All(t => t is Connection)
                && _unnamed is null) return [.. Spoken.Last];
            if (Accepts(ThingKind.Joint) && OnesOf(clause, phrase, sense) is { Count: > 0 } ones) return ones;
            // "Plug the lamps in, push them home": the lamps, which are off.
            if (sense == Sense.On && phrase.Text is "it" or "them" && _actions is [.., { Verb: Verb.Connect, Target: { } lead }]
                && _refer.Find(lead) is Connection pluggedIn && _refer.All<Part>().FirstOrDefault(p => Spoken.IsOff(p) is true
                    && NameIndex.NamesOf(p)[0] is var bears && (GoesTo(pluggedIn, bears) || bears.All(NameIndex.NamesOf(pluggedIn)[0].Contains))) is { } lamp)
                return [lamp];
            if (sense is Sense.Connect or Sense.Disconnect && phrase.Text is "it" or "them" && _unnamed is null && !Spoken.Last.Any(t => t is Connection)
                && Spoken.Last.Concat(Spoken.Earlier).OfType<Part>().FirstOrDefault() is { } wired
                && NameIndex.NamesOf(wired)[0] is var ofPart && (Trade.Wired.Contains(ofPart[^1]) || clause.Verb?.Lemma is "plug" or "unplug")
                && LeadsOf(phrase with { Stems = ofPart, Name = wired.Name }, sense) is { Count: > 0 } leadsOfIt) return leadsOfIt;
            if (ToldOf(clause, sense, phrase) is { } toldOf) return Things(clause, sense, toldOf);
            // "When there is no spring on them, spin them out": no spring.
            if (_unnamed is { } said && !(sense == Sense.On && IsOfWhatCameOff(clause, phrase)) && !(phrase.Text is "them" or "they"
                && said is { IsPlural: false, IsAll: false, Count: null or 1 }
                && said.Sign.Length == 0
                && !said.Name.EndsWith('s') && Spoken.Last is [Joint { Count: > 1 }, ..])
                    && (!row.IsSoft || phrase.Text == "it" && _actions is [.., { Target: null, Words: not null }])
                    && sense is not (Sense.Level or Sense.Drain or Sense.Fill)
                && (phrase.Text is "it" or "them" or "they" or "one" or "ones" or "these" or "those" || sense == Sense.Replace && phrase.Text == clause.Verb?.Lemma))
            {
                _unnamed = null;
                return Things(clause, sense, said with
                {
                    At = phrase.At,
                    IsNew = phrase.IsNew,
                    IsIndefinite = said.IsIndefinite && !phrase.IsNew,
                    Count = phrase.IsAll ? phrase.Count ?? said.Count : said.Count
                });
            }

            // "Set the compressors on the coil and wind them in": the tools, which no sheet keeps count of.
            if (phrase.Text is "it" or "them" && _actions is [.., { Verb: Verb.Place, Target: { } placed }]
                && (_refer.Find(placed) is Tool && !Accepts(ThingKind.Tool) || _refer.Find(placed) is Aid aid && phrase.Text == "them" && aid.Name.EndsWith('s')
                    && (row.ByKind.Keys.All(k => k == ThingKind.Joint) || sense == Sense.Move)))
            {
                _isDone = true;
                return [];
            }

            if (phrase is { Distinct.Count: > 0, IsRest: false } && TwinOf(phrase) is { } twin && Accepts(twin.Kind)) return [twin];
            if (Topic(phrase, sense) is { } topic) return Things(clause, sense, topic with { At = phrase.At });
            if (phrase.Text == "it" && _from is { } source && Accepts(ThingKind.Part)
                && Spoken.Last.All(t => t is Joint { Count: > 1 } || t is Joint && sense is Sense.Off && Spoken.IsOff(t) is true))
            {
                _from = null;
                return Things(clause, sense, source with { At = phrase.At, After = null });
            }

            // Also of a verb nobody knows, that is read by its way: "wriggle it down and out".
            if (sense == Sense.Off && HeldBy(clause, phrase) is { } held) return Things(clause, sense, held);
            // "The cover has four bolts. Undo them and lift it off": what they held.
            if (sense is Sense.Off or Sense.MoveOff && (phrase.Text == "it" || phrase.IsUnsaid && _finder.Tokens[clause.From].Text == "it")
                && Spoken.Last is [.., Joint { Count: > 1 }]
                && Undone() is { } freed) return [freed];
            var meant = phrase.Stems.Count == 0 && phrase.Name.Length == 0
                && row.ByKind.Keys.All(k => k == ThingKind.Joint) ? JointsInHand(phrase)
                    : _refer.Meant(phrase, k => Accepts(k) && k != ThingKind.Tool && (k != ThingKind.Control || phrase.Text == "it"));
            if (meant.Count > 0) return [.. meant];
            if (!row.IsSoft) AskObject(clause, sense, phrase);
            return [];
        }

        if (sense is Sense.Off or Sense.On or Sense.Start or Sense.Place or Sense.Secure or Sense.Replace or Sense.Move or Sense.MoveOff or Sense.Discard
            && ReadPieceOfStack(clause, phrase, sense is not (Sense.Off or Sense.MoveOff or Sense.Discard))) return [];
        // "Take the old race out again": what was worked with.
        if ((phrase.IsOld || Has(clause, "again")) && sense is Sense.Off or Sense.Away && _refer.Things.LastOrDefault(t => t is Aid && Spoken.IsOff(t) is false
            && Natures.Is(t, Trait.OldPart) && NameIndex.NamesOf(t)[0][^1] == phrase.Head) is { } worked) return [worked];
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

        if (AsPart(phrase, sense) is { } asPart) return [asPart];
        phrase = WithSource(clause, sense, phrase);
        // "… and the other end to the tank": of what goes on with the first.
        if (phrase is { Head: "end", IsRest: true }) return [];
        if (phrase.IsIts && sense is Sense.Disconnect or Sense.Connect && phrase.Head is "plug" or "connector" or "lead"
            && ItsLeads(phrase, sense) is { Count: > 0 } leads) return leads;
        if (ItsOwn(clause, phrase) is { } its) return [its];
        if (Accepts(ThingKind.Joint) && FastenersOfOwner(phrase) is { } ofOwner) return [ofOwner];
        if (Accepts(ThingKind.Joint) && HardwareOf(phrase, sense) is { Count: > 0 } hardware) return hardware;
        if (Accepts(ThingKind.Joint) && NutsOf(phrase) is { } nuts)
        {
            // "Fit one of the bolts, nut finger-tight": started already, with its bolt.
            if (_actions is [.., { Verb: Verb.Start, Target: { } started }] && started == nuts.Id && sense is Sense.On or Sense.Start)
            {
                _isDone = true;
                return [];
            }

            return [nuts];
        }

        if (sense is Sense.On or Sense.Start or Sense.Place && PluggedBy(phrase) is { } stopper) return [stopper];
        // "Plug of the speed lead off": the lead.
        if (WholeOfEnd(clause, phrase) is { } endOf && _refer.Known(endOf) is { } ended && Accepts(ended.Kind)) return [ended];
        // "Sensor bracket: bolt out": its bolt.
        if (_topic is { } about && phrase is { Stems.Count: 1, Owner.Count: 0 } && phrase.Is(ThingKind.Joint) && _refer.Known(about) is Part fastened
            && FastenersOf(fastened) is { } holding && NameIndex.NamesOf(holding)[0][^1] == phrase.Head
            && !_actions.Exists(a => a.At.Start > about.At.Start && a.Target is { } id && id != fastened.Id && _refer.Find(id) is Part)) return [holding];
        if (_topic is { Owner.Count: 0 } whose && phrase is { Stems.Count: 1, Owner.Count: 0, IsIts: false, Distinct.Count: 0 }
            && phrase.Is(ThingKind.Joint) && Accepts(ThingKind.Joint)
            && whose.Is(ThingKind.Part) && _refer.Known(phrase with { Stems = [.. whose.Stems, phrase.Head] }, k => k == ThingKind.Joint) is null
            && !_actions.Exists(a => a.Target is { } id && _refer.Find(id) is Joint))
            return [_refer.Assume(phrase, ThingKind.Joint, false, whose.Name, (_refer.Known(whose) as Part)?.Id)];
        // "Wheels on, nuts snug": those of what was just fitted.
        if (phrase is { IsIndefinite: true, IsNew: false, Count: null, Stems.Count: 1, Owner.Count: 0 } && Accepts(ThingKind.Joint)
            && phrase.Is(ThingKind.Joint)
            && _actions is [.., { Verb: Verb.Fit, Target: { } justOn }] && _refer.Find(justOn) is Part bearer
                && FastenersOf(bearer) is { } own && NameIndex.NamesOf(own)[0][^1] == phrase.Head) return [own];
        if (Accepts(ThingKind.Joint) && OfPartBeside(clause, sense, phrase) is { } ofBeside) return [ofBeside];
        // "Insert four M16 x 50 bolts": none that came off something.
        if (GoesOn(sense) && IsSizedAnew(phrase) && _refer.Known(phrase, k => k == ThingKind.Joint) is Joint unlike && IsOfAPart(unlike, phrase)
            && FastenerSizes.Same(phrase.Size, unlike) is null && Trade.Plain.Contains(phrase.Head))
            return [_refer.Assume(phrase, ThingKind.Joint, true, null, null)];
        // "The left and right lines".
        if (phrase.Distinct.Count == 2 && phrase.IsPlural && !phrase.Distinct.All(phrase.Stems.Contains) && phrase.Distinct.Select(d => _refer.Known(phrase with { Stems = [d, .. phrase.Stems.Where(s => !phrase.Distinct.Contains(s))], Distinct = [d], Text = $"{d} {phrase.Text}", Count = null, IsPlural = false })).ToList() is [{ } left, { } right] && left != right) return [left, right];
        // "Spin a nut onto each bolt": the bolt's nut.
        if (phrase.Head == "nut" && sense is Sense.On or Sense.Start or Sense.Off or Sense.Snug
            && clause.Pieces.Find(p => p.Noun is
            {
                IsPronoun: false, After: "on" or "onto" or "off" or "from",
                Head: "bolt" or "stud" or "screw"
            })?.Noun is { } bolt && _refer.Known(bolt) is Joint nutted) return [nutted];
        if (SetOf(phrase, sense, Accepts) is { Count: > 1 } several) return several;
        if (NearBy(clause, sense, phrase, Accepts) is { } nearBy) return [nearBy];
        if (sense is Sense.Disconnect or Sense.Connect && phrase.After is null or "in"
            && (Trade.Wired.Contains(phrase.Head) || clause.Verb?.Lemma is "plug" or "unplug" && (_refer.Known(phrase) is Part || phrase.Is(ThingKind.Part)
                || _refer.Things.Any(t => t is Connection && phrase.Stems.All(NameIndex.NamesOf(t)[0].Contains))))
            && LeadsOf(phrase, sense) is { Count: > 0 } wires) return wires;
        if (phrase is { IsAll: true, Stems.Count: 1 } && Every(phrase, Accepts) is { Count: > 0 } every) return every;
        if (_refer.Known(phrase, Accepts) is { } known && (Accepts(known.Kind) || !(Trade.NounOf(phrase.Stems)?.Kinds.Any(Accepts) ?? false)))
        {
            // "Tighten the tie bolts", where longer ones took their place: those. They come out only once they went in.
            if (known is Joint { SupersededBy: { } next } && Spoken.IsOff(known) is true && !phrase.IsOld
                && sense is not (Sense.Discard or Sense.Aside or Sense.On) && _refer.Find(next) is Joint instead
                && (sense is not (Sense.Off or Sense.Loosen or Sense.BreakLoose) || Spoken.IsOff(instead) is false)) known = instead;
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

        // "Then the pivots, 25 N·m": the pivot bolts.
        if (sense is Sense.Torque or Sense.Retorque or Sense.Snug or Sense.Loosen or Sense.BreakLoose && Trade.NounOf(phrase.Stems) is null
            && _refer.All<Joint>().Where(j => NameIndex.NamesOf(j)[0][..^1].SequenceEqual(phrase.Stems)).ToList() is [var called]) return [called];
        // "Rap each ear": struck, and no fastener for that.
        if (sense == Sense.BreakLoose && Trade.NounOf(phrase.Stems) is null) return [];
        // "Its stud", "their threads": a part of what is in hand and no thing of its own.
        if (phrase.IsIts && phrase.Head is "stud" or "thread" or "shank" or "end" or "lip" or "collar" or "tip") return [];
        // "…, open end down": how it stands.
        if (phrase is { Head: "end", IsIndefinite: true, IsNew: false, Count: null, Owner.Count: 0 }
            && clause.Nouns.FirstOrDefault() is { } first && first != phrase) return [];
        var noun = HouseKind(phrase) is { } taught ? new Noun([taught], NounRole.Thing) : Trade.NounOf(phrase.Stems);
        // "Push the axle out of the hub": here no end of the vehicle.
        if (noun is { Role: NounRole.Place } && !Trade.IsNoObject(phrase)) noun = null;
        var axle = noun is { Role: NounRole.Vehicle } && !Trade.WholeVehicles.Contains(phrase.Head)
            && sense is Sense.Off or Sense.On or Sense.Move or Sense.MoveOff or Sense.BreakLoose;
        if (axle) noun = null;
        if (noun is { Role: not NounRole.Thing })
        {
            // "Clean the threads": done, to nothing the sheet keeps count of.
            if (row.IsSoft && !Trade.Units.Contains(phrase.Head) && noun.Role is NounRole.Words or NounRole.Place && VerbOf(sense) is { } soft && sense is not (Sense.Aside or Sense.Discard or Sense.Seat)) _actions.Add(new StepAction { Verb = soft, Words = phrase.Text, At = phrase.At, Limits = LimitsAt(soft, phrase.At) });
            return [];
        }

        var kinds = noun?.Kinds ?? [];
        if (kinds is [ThingKind.Control, ThingKind.Part] && !(phrase.Head == "key"
            && !clause.Pieces.Exists(p => p.Noun is { After: "of" or "from" or "out" })) && sense is Sense.Off or Sense.On or Sense.Move
            && clause.Mood is Mood.Imperative or Mood.Declarative) kinds = [ThingKind.Part];
        // "Pan up", where the sheet has pan bolts: what is fastened is a part.
        if (kinds is [ThingKind.Aid or ThingKind.Tool, ..]
            && _refer.Things.Any(t => t is Joint && NameIndex.NamesOf(t)[0][..^1].SequenceEqual(phrase.Stems))) kinds = [ThingKind.Part];
        // "Unplug the horn switch": its plug.
        if (sense is Sense.Disconnect or Sense.Connect && (kinds is [ThingKind.Control, ..] || phrase.Head == "plug"
            && kinds is [ThingKind.Joint, ThingKind.Part]))
            kinds = [ThingKind.Connection];
        // "Slide the headlamps out and pull their plugs".
        if (phrase is { Head: "plug", IsIts: true } && Spoken.Last is [.., Part lit]
            && Trade.Wired.Contains(NameIndex.NamesOf(lit)[0][^1])) kinds = [ThingKind.Connection];
        if (phrase.IsNew && kinds.Contains(ThingKind.Part) && kinds[0] == ThingKind.Aid) kinds = [ThingKind.Part];
        // "Replace the plastic plugs": no aid is renewed.
        if (sense == Sense.Replace && kinds is [ThingKind.Aid]) kinds = [ThingKind.Part];
        // What comes off and was never put there is a part: "remove the strap".
        if (sense is Sense.Off or Sense.MoveOff && kinds.Contains(ThingKind.Part) && kinds[0] == ThingKind.Aid) kinds = [ThingKind.Part];
        // "Roll a floor jack in under the sump": it stays there.
        if (sense is Sense.On && phrase.Head == "jack" && kinds is [ThingKind.Tool, ..]
            && clause.Pieces.Exists(p => p.Noun is { After: "under" or "beneath" or "below" })) kinds = [ThingKind.Aid];
        // "Install the winch": no tool is installed. "Attach the air line": a line, whatever else is called so.
        if ((sense is Sense.Off or Sense.Away || sense == Sense.On && phrase.After is null && Installs(clause))
            && kinds is [ThingKind.Tool, ThingKind.Part]) kinds = [ThingKind.Part];
        if (sense is Sense.On or Sense.Connect or Sense.Disconnect && phrase.After is null && kinds is [ThingKind.Tool]
            && Trade.NounOf([phrase.Head]) is { Kinds: [ThingKind.Connection, ..] }) kinds = [ThingKind.Connection];
        // "Mount the switch in the panel".
        if ((sense == Sense.On && phrase.After is null && (Installs(clause) || GoesInto(clause)) || sense == Sense.Off
            && clause.Verb?.Lemma is "unscrew" or "remove" or "unbolt" or "undo" or "extract")
            && kinds is [ThingKind.Control] && Trade.Wired.Contains(phrase.Head))
            kinds = [ThingKind.Part];
        ThingKind? kind = kinds is [ThingKind.Control, ThingKind.Part]
            && sense is Sense.Off or Sense.On ? ThingKind.Control : kinds.Length > 0 ? Array.Find(kinds, Accepts) is var fit
            && kinds.Any(Accepts) ? fit : kinds[0] : null;
        if (kind is ThingKind.Tool or ThingKind.Consumable or ThingKind.Aid && !Accepts(kind.Value) || kind is ThingKind.Tool or ThingKind.Consumable)
        {
            var used = _refer.Assume(phrase, kind.Value, false, null, null);
            Use(used);
            return Accepts(kind.Value) ? [used] : [];
        }

        if (row.IsSoft && kind is not ThingKind.Joint && sense is not (Sense.Aside or Sense.Discard))
        {
            // "Clean the threads": done, to nothing the sheet keeps count of.
            if (VerbOf(sense) is { } verb) _actions.Add(new StepAction { Verb = verb, Words = phrase.Text, At = phrase.At, Limits = LimitsAt(verb, phrase.At) });
            _unnamed = HandledIn(clause, phrase);
            return [];
        }

        if (row.ByKind.Count == 0) return [];
        // "Install the remaining hardware": which that is, nobody knows.
        if (phrase is { Stems: [var whatever], Owner.Count: 0, Size: "" } && Trade.Hardware.Contains(whatever) && clause.Verb?.Lemma != "leave")
        {
            Unclear(clause, VerbOf(sense));
            return [];
        }

        // A word that is no noun of the trade and has no "the": asked, not made a thing.
        if (kind is null && !axle && sense != Sense.Fill && phrase is { IsIndefinite: true, IsNew: false, Count: null }
            && !(clause.Mood == Mood.Fragment && clause.Pieces.TrueForAll(p => p.Noun?.After is null or "from"))
            && clause.Pieces.Count(p => p.Noun is { After: null }) < 2)
        {
            Ask(new Question { Kind = QuestionKind.UnknownName, Phrase = phrase.Text, At = phrase.At, Verb = VerbOf(sense), NewKinds = [Likely(sense)] });
            return [];
        }

        // "The clamp on the intake hose … work the hose off": the intake hose.
        if (phrase is { Stems.Count: 1, IsNew: false, IsIndefinite: false } && kind is not ThingKind.Joint
            && MentionOf(clause, phrase) is { } whole) phrase = phrase with { Name = whole, Text = whole.ToLowerInvariant(), Stems = NameIndex.StemsOf(whole) };
        kind ??= Likely(sense);
        if (kind == ThingKind.Control) return [ControlOf(phrase)];
        if (!Accepts(kind.Value) && kind == ThingKind.Part && Accepts(ThingKind.Joint) && row.ByKind.Count == 1 && noun is null) kind = ThingKind.Joint;
        var (owner, ownerId) = kind == ThingKind.Joint ? OwnerOf(clause, phrase) : (null, null);
        var comes = sense is Sense.On or Sense.Start or Sense.Secure or Sense.Connect or Sense.Torque or Sense.Snug or Sense.BoltTorque;
        if (kind == ThingKind.Joint && CalledByItsForm(phrase) is { } formed) return [formed];
        var assumed = _refer.Assume(phrase, kind.Value, comes, owner, ownerId);
        Spoken.Name(assumed);
        return [assumed];
    }

    // "Take the four screws out of the dash panel": the panel's.
    private static NounPhrase WithSource(Clause clause, Sense sense, NounPhrase phrase)
    {
        if (sense is not (Sense.Off or Sense.BreakLoose or Sense.Loosen) || phrase is not { Stems.Count: 1, Owner.Count: 0, IsIts: false, After: null }
            || !phrase.Is(ThingKind.Joint) || !Trade.Plain.Contains(phrase.Head)) return phrase;
        // "Remove, from the tray, the four bolts".
        return (clause.Behind(phrase) ?? (clause.Nouns.FirstOrDefault() is { After: "from" } before ? before : null)) is var from
            && from is { IsPronoun: false, After: "of" or "from" or "out", IsIndefinite: false } && from.Is(ThingKind.Part)
            && !Trade.Unfastened.Contains(from.Head) ? phrase with { Owner = from.Stems, OwnerName = from.Name } : phrase;
    }

    // "The negative lead off first, then the positive one": of the same sort as what was told apart before by such a word.
    private Thing? TwinOf(NounPhrase phrase) =>
        _actions.FindLast(a => a.Target is { } t && _refer.Find(t) is { } like
            && NameIndex.NamesOf(like)[0].Any(Tells)) is { Target: { } id }
            && _refer.Find(id) is { } done ? TwinOf(phrase, done) : null;

    private Thing? TwinOf(NounPhrase phrase, Thing done)
    {
        var stems = NameIndex.NamesOf(done)[0];
        if (!stems.Any(Tells) || phrase.Distinct.All(stems.Contains)) return null;
        var name = string.Join(' ', [.. phrase.Distinct, stems[^1]]);
        var named = phrase with { IsPronoun = false, Name = name, Text = name, Stems = [.. phrase.Distinct, stems[^1]], Distinct = [] };
        return _refer.Known(named, k => k == done.Kind) ?? _refer.Assume(named, done.Kind, false, null, null);
    }

    private static bool Tells(string stem) => Trade.Distinct.Contains(stem) || Trade.Colours.Contains(stem);

    // "Tray: bolts out, slide it off": it is what the sentence is about, while nothing of its kind was named since.
    private NounPhrase? Topic(NounPhrase phrase, Sense sense)
    {
        // "Pins: pull both lower ones".
        if (_topic is { } set && phrase is { Text: "one" or "ones", Distinct.Count: > 0, Some: null, IsAll: false }
            // "Cover: take out seven of the bolts, leave the top one in": of the bolts.
            && !(_actions is [.., { Some: not null, Target: { } partly }] && _refer.Find(partly) is Joint && !set.Is(ThingKind.Joint)))
            return set with
            {
                Stems = [.. phrase.Distinct, .. set.Stems],
                Name = $"{string.Join(' ', phrase.Distinct)} {set.Name}",
                Text = $"{string.Join(' ', phrase.Distinct)} {set.Text}",
                Distinct = phrase.Distinct,
                Count = phrase.Count
            };
        // "Housing bolts: crack all ten, then take out eight".
        if (_topic is { } fasteners && phrase is { IsPronoun: true, Count: > 1 } && fasteners.Is(ThingKind.Joint) && Trade.Of(sense).ByKind.ContainsKey(ThingKind.Joint))
            return fasteners with { Count = phrase.IsAll ? phrase.Count : null, IsPlural = true };
        if (_topic is not { } topic || phrase.Text != "it" && !phrase.IsUnsaid) return null;
        var kind = _refer.Known(topic)?.Kind ?? (Trade.NounOf(topic.Stems) switch { { Role: NounRole.Thing, Kinds: [var first, ..] } => first, null => ThingKind.Part, _ => (ThingKind?)null });
        // "Old top link: linchpin out, pin out, lift away": it, and not the pin.
        var comes = (phrase.IsUnsaid || phrase.At.Of(_text) is not ("it" or "It")) && sense == Sense.Off && kind == ThingKind.Part
            && !(_refer.Known(topic) is { } gone && Spoken.WasOff(gone) is true) && _actions.TrueForAll(a => a.Verb is Verb.Remove or Verb.TakeOut);
        return kind is { } of && Trade.Of(sense).ByKind.ContainsKey(of)
            && (comes || !_actions.Exists(a => a.At.Start > topic.At.Start && a.Target is { } id && _refer.Find(id)?.Kind == of)) ? topic : null;
    }

    // "Fill it through the fill plug, then screw the plug in": what is called by its last word alone, by the whole name the step gave it before;
    // but "the upper bearing … the bearing" may be one of those the sheet has.
    private NounPhrase InFull(Clause clause, NounPhrase phrase)
    {
        if (phrase is not { IsPronoun: false, IsIts: false, Stems.Count: 1, Owner.Count: 0 } || MentionOf(clause, phrase) is not { } whole) return phrase;
        var full = phrase with { Name = whole, Text = whole.ToLowerInvariant(), Stems = NameIndex.StemsOf(whole) };
        // Another that is called so is not meant, where nothing was done to it here.
        return _refer.Known(phrase) is { } known && (full.Stems.SkipLast(1).All(Trade.Distinct.Contains) || phrase.IsIndefinite
            || phrase.IsNew || _refer.Known(full) is not null
            || _actions.Exists(a => a.Target == known.Id)) ? phrase : full;
    }

    // The whole name of what is called by its last word, where the step named it so before.
    private string? MentionOf(Clause clause, NounPhrase phrase)
    {
        for (var i = _clauses.IndexOf(clause) - 1; i >= 0; i--)
            foreach (var noun in _clauses[i].Nouns.Where(n => !n.IsPronoun))
            {
                if (noun.Stems.Count > 1 && noun.Head == phrase.Head) return noun.Name;
                if (noun.Owner.Count > 1 && noun.Owner[^1] == phrase.Head) return noun.OwnerName;
            }

        return null;
    }

    // "Its bolt": the one of what was spoken of just before, known or named so now; "their nuts" are those of the bolts in hand.
    private Joint? ItsOwn(Clause clause, NounPhrase phrase)
    {
        if (!phrase.IsIts || phrase.Stems.Count != 1 || !phrase.Is(ThingKind.Joint)) return null;
        // "Undo its screw and the lamp comes off": what is in hand has none that is called so.
        if (_actions.Count == 0 && _unnamed is null && _topic is null && NamedBehind(clause) is { } ahead
            && !(Spoken.Last is [.., Part inHand] && FastenersOf(inHand, phrase.Head) is not null))
            return FastenersOf(ahead, phrase.Head) ?? _refer.Assume(phrase, ThingKind.Joint, false, ahead.Name, ahead.Id) as Joint;
        var last = Spoken.Last.Count > 0 ? Spoken.Last[^1] : null;
        if (_unnamed is null && Topic(phrase with { Text = "it" }, Sense.Off) is null
            && last is Joint bolted) return NameIndex.NamesOf(bolted)[0][^1] == phrase.Head ? bolted : phrase.Head == "nut"
                ? CalledNutsOf(bolted, phrase) ?? bolted : null;
        var owner = Topic(phrase with { Text = "it" }, Sense.Off)?.Name ?? _unnamed?.Name ?? (last as Part)?.Name ?? (last as Connection)?.Name;
        if (owner is not { Length: > 0 }) return null;
        var stems = NameIndex.StemsOf(owner);
        // Who holds it, or bears its whole name, comes before who shares its last word.
        if (_refer.All<Joint>().Where(j => NameIndex.NamesOf(j)[0][^1] == phrase.Head
            && (last is not null && _unnamed is null && j.Holds.Contains(last.Id)
            || stems.All(NameIndex.NamesOf(j)[0].Contains))).ToList() is [var whole]) return whole;
        var own = _refer.All<Joint>().Where(j => NameIndex.NamesOf(j)[0][^1] == phrase.Head
            && (last is not null && _unnamed is null && j.Holds.Contains(last.Id) || NameIndex.NamesOf(j)[0].Contains(stems[^1])
            && (stems.Length == 1 || NameIndex.NamesOf(j)[0][..^1].All(stems.Contains)))).ToList();
        return own.Count == 1 ? own[0] : own.Count > 1 ? Spoken.Nearest(own) as Joint : _refer.Assume(phrase, ThingKind.Joint, false, owner, _unnamed is null ? (last as Part)?.Id : null) as Joint;
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
            if (other.Mood == Mood.Beside) continue;
            // "Squeeze the clamps and pull off both hoses": of the hoses, and of no part in hand.
            if (phrase.Head is "clamp" or "clip" && other.Nouns.Any(n => n is { IsPronoun: false, After: null } && IsHose(n))) return (null, null);
            foreach (var piece in other.Pieces)
            {
                if (piece.Noun is not { IsPronoun: false } noun || noun.At == phrase.At || noun.Stems.Count == 0) continue;
                if (other == clause && noun.After is "with" or "using" or "by" or "for" or "through" or "from" or "past") continue;
                if (Trade.NounOf(noun.Stems) is { } known && (known.Role != NounRole.Thing || known.Kinds is not ([ThingKind.Part, ..] or []))) continue;
                if (Trade.Unfastened.Contains(noun.Head)) continue;
                var part = _refer.Known(noun, k => k == ThingKind.Part);
                if (part is Part) return (part.Name, part.Id);
                if (part is null && Trade.NounOf(noun.Stems) is null or { Kinds: [ThingKind.Part, ..] } && (!noun.IsIndefinite || IsNoteOf(other, noun))
                    && _refer.Doubtful.Count == 0) return (noun.Name, null);
            }
        }

        // "Transfer the gear: nut off …": what the step spoke of before.
        for (var i = at - 1; i >= 0; i--)
            if (_clauses[i].Pieces.Find(p => p.Noun is { IsPronoun: false, After: null } n && !Trade.Unfastened.Contains(n.Head)
                && Trade.NounOf(n.Stems) is { Role: NounRole.Thing, Kinds: [ThingKind.Part, ..] })?.Noun is { } before)
                return ((_refer.Known(before) as Part)?.Name ?? before.Name, (_refer.Known(before) as Part)?.Id);
        if (_topic is { } topic && Trade.NounOf(topic.Stems) is null or { Role: NounRole.Thing, Kinds: [ThingKind.Part, ..] }) return (topic.Name, (_refer.Known(topic) as Part)?.Id);
        // A union or a nipple is no bolt of whatever was in hand.
        return Trade.Plain.Contains(phrase.Head) && Spoken.Last.OfType<Part>().LastOrDefault(p => !Trade.Unfastened.Contains(NameIndex.NamesOf(p)[0][^1])) is { } last
            ? (last.Name, last.Id) : (null, null);
    }

    private bool IsHose(NounPhrase noun) => noun.Head is "hose" or "pipe" or "line" && _refer.Known(noun) is null or Connection;

    // "Four bolts out, bracket lifts away": what a note begins with.
    private static bool IsNoteOf(Clause clause, NounPhrase noun) => (clause is { Mood: Mood.Declarative, IsRemark: false }
            || clause is { Mood: Mood.Fragment, Pieces: [_, { Way: "off" or "away" or "down" }] })
        && clause.Pieces[0].Noun == noun && noun is { Count: null, IsNew: false };

    private static string HeadOf(string name)
    {
        var words = name.Split(' ');
        return words.Length > 2 ? string.Join(' ', words[^2..]) : name;
    }

    // --- helpers
    private static IEnumerable<Token> Values(Clause clause) => clause.Pieces.Where(p => p.Value is not null).Select(p => p.Value!.Value);

    private bool Has(Clause clause, params ReadOnlySpan<string> words)
    {
        for (var i = clause.From; i < Math.Max(clause.To, clause.Reach) && i < _finder.Tokens.Count; i++)
        {
            // "To be backed out": the word belongs to the verb, and to no way.
            if (i < clause.VerbAt && _finder.Tokens[i].Text == "to" && (i + 1 == clause.VerbAt || Trade.Auxiliaries.Contains(_finder.Tokens[i + 1].Text))) continue;
            foreach (var word in words)
                if (_finder.Tokens[i].Text == word) return true;
        }

        return false;
    }

    // What is measured is held against the limits its sentence goes on to say ("Measure the disc: at least 9.0 mm").
    private Limits? LimitsAt(Verb verb, Span at)
    {
        if (verb is not (Verb.Measure or Verb.Inspect)) return null;
        var line = _text.IndexOf('\n', at.End) is >= 0 and var end ? end : _text.Length;
        var stop = SentenceStop().Match(_text, at.End, line - at.End);
        if (!stop.Success) return Limits.Find(_text[at.End..line]);
        // "Measure the disc. It must be at least 9.0 mm thick": the next sentence tells of it.
        var next = _text[(stop.Index + 1)..line];
        return Limits.Find(_text[at.End..stop.Index]) ?? (TellsItsLimit().IsMatch(next)
            ? Limits.Find(SentenceStop().Match(next) is { Success: true } last ? next[..last.Index] : next) : null);
    }

    [GeneratedRegex(@"\.(?=\s+\p{Lu})", RegexOptions.CultureInvariant)]
    private static partial Regex SentenceStop();

    [GeneratedRegex(@"^\s*(?:(?:It|They|This)\s+(?:must|should|may|has\s+to|is\s+to|shall)|The\s+(?:minimum|maximum|limit|least|most|allowed|permitted)\b)", RegexOptions.CultureInvariant)]
    private static partial Regex TellsItsLimit();

    private void AskValue(string phrase, Span at, string because, Joint? joint = null, TorqueSpec? likely = null)
    {
        var key = phrase.ToLowerInvariant();
        if (Settled(key) is null) Ask(new Question
        {
            Kind = QuestionKind.BadValue,
            Phrase = key,
            At = at,
            Verb = Verb.Torque,
            Because = because,
            Candidates = joint is null ? [] : [joint.Id],
            Torque = likely
        });
    }

    // "Start the upper one, then the lower one".
    private bool AreToldApart(StepAction one, StepAction other)
    {
        var (first, second) = (one.At.Of(_text), other.At.Of(_text));
        if ((one.Side ?? SideWords.In(first)) is { } here && (other.Side ?? SideWords.In(second)) is { } there && here != there) return true;
        return one.Some == 1 && first != second && Distinct(first) && Distinct(second);

        static bool Distinct(string words) => words.Split(' ').Any(w => Trade.Distinct.Contains(w.ToLowerInvariant()));
    }

    private void Add(Verb verb, Thing? thing, Span at, Func<StepAction, StepAction>? more = null)
    {
        var action = new StepAction { Verb = verb, Target = thing?.Id, At = at };
        if (more is not null) action = more(action);
        action = action with { Only = _only, Branch = _branch };
        // Several motions of one taking-off are one; two of a set, each told by where it is, are two.
        if (thing is not null && IsMotion(verb) && _actions.FindLast(a => a.Target == thing.Id && IsMotion(a.Verb)) is { } former
            && former.Verb == verb && former.Some == action.Some && former.Rest == action.Rest && former.Branch == _branch && Equals(former.Only, _only)
            && !AreToldApart(former, action))
        {
            _isDone = true;
            return;
        }

        if (thing is not null) NeverOn(verb, thing, at);
        // "Last of all the guard: three screws, 8 N·m", and it is off: it goes on.
        if (verb is Verb.Start or Verb.Snug or Verb.Torque && thing is Joint fastener && _topic is { } about && _refer.Known(about) is Part off
            && Spoken.WasOff(off) is true && NameIndex.Holds(fastener, off)) Add(Verb.Fit, off, at);
        if (verb is Verb.Snug or Verb.Torque or Verb.TorquePass && thing is Joint joint && GoesInFirst(joint))
            Add(Verb.Start, joint, at, a => a with { New = action.New, Some = action.Some, Rest = action.Rest });
        if (verb == Verb.Remove && thing is Part part)
            foreach (var slack in ComeOutWith(part)) Add(Verb.TakeOut, slack, at);
        _actions.Add(action);
        _unnamed = null;
        if (thing is null) Spoken.Moved(verb, WhichEnd.Of(action.At.Of(_text)));
        if (verb is Verb.RemovePin or Verb.InsertPin) Spoken.Pinned = thing;
        if (action.Some is not null) Spoken.Partly = thing;
        if (thing is null) return;
        Spoken.Did(thing, verb);
        if (thing.Kind != ThingKind.Aid) Spoken.Vehicle = false;
    }

    // "Refit the guard and tighten its screws to 8 N·m", "run the nut up to 8 N·m": what came out goes in before it is tightened.
    private bool GoesInFirst(Joint joint)
    {
        if (Spoken.WasOff(joint) is not true || _startIsStruck) return false;
        if (_lemma is not null && Trade.RunsIn.Contains(_lemma)) return true;
        return ItsPartIsFitted(joint);
    }

    // By this step, and before: what a fastener holds, or anything where that is not known.
    private bool ItsPartIsFitted(Joint joint)
    {
        var isAnyones = joint.Holds.Length == 0 && (NameIndex.NamesOf(joint)[0] is not [_, .., _] name || _refer.Called(name[..^1]) is not Part);
        return _actions.Exists(a => a.Verb is Verb.Fit or Verb.Connect && a.Target is { } id && (isAnyones
            || _refer.Find(id) is Part part && NameIndex.Holds(joint, part)));
    }

    // "Push the roller in, turn it and pull it out": what was on all the while did not go on by being pushed.
    private void NeverOn(Verb verb, Thing thing, Span at)
    {
        if (verb is Verb.Fit or Verb.Connect or Verb.Start && Spoken.IsOff(thing) is not true && _shifts) _pushed[thing.Id] = at;
        if (verb is Verb.Remove or Verb.Disconnect or Verb.TakeOut && _pushed.Remove(thing.Id, out var pushed)
            && !_finder.Tokens.Any(t => t.Kind == TokenKind.Stop && t.At.Start > pushed.Start && t.At.Start < at.Start))
            _actions.RemoveAll(a => a.Target == thing.Id && a.At == pushed);
    }

    private static bool IsMotion(Verb verb) => verb is Verb.TakeOut or Verb.Remove or Verb.Fit or Verb.Start or Verb.Disconnect or Verb.Connect or Verb.Place or Verb.TakeAway or Verb.Loosen;

    private void AskObject(Clause clause, Sense sense, NounPhrase phrase)
    {
        var key = clause.Verb?.Lemma ?? (phrase.Text.Length > 0 ? phrase.Text : KeyOf(PlaceOf(clause).Of(_text)));
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
        Sense.On or Sense.Replace or Sense.Transfer => Verb.Fit,
        Sense.Look => Verb.Inspect,
        _ => Trade.Of(sense).ByKind.Values.FirstOrDefault(v => v is not null),
    };
}
