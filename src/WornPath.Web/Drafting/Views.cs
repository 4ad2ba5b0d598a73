using WornPath.Core.Cautions;
using WornPath.Core.Fasteners;
using WornPath.Core.Workshops;
using System.Collections.Immutable;
using System.Runtime.InteropServices;
using WornPath.Core.Editing;
using WornPath.Core.Findings;
using WornPath.Core.Printing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Web.Drafting;

/// <summary>What a sentence was read as: one action.</summary>
/// <param name="Text">In the trade's words.</param>
/// <param name="Kind">Kind of what it is done to; null for the vehicle or for words.</param>
/// <param name="Target">Id of what it is done to.</param>
/// <param name="At">Where its words stand.</param>
/// <param name="Again">The edit that takes back what the author settled here; null where nothing was settled.</param>
/// <param name="IsNew">True where it is done to something that was assumed from a sentence and that nobody has looked at.</param>
/// <param name="IsSaid">True where it is the author's word, and not what was read.</param>
public sealed record ChipView(string Text, ThingKind? Kind, string? Target, Span At, Edit? Again, bool IsNew, bool IsSaid);

/// <summary>A word that was taught.</summary>
/// <param name="Word">The word, and what it is.</param>
/// <param name="Says">The same in words.</param>
public sealed record WordView(HouseWord Word, string Says)
{
    public static WordView Of(HouseWord word) => new(word, Mending.Says(word));
}

/// <summary>One answer to a question.</summary>
public sealed record AnswerView(string Label, Edit Edit);

/// <summary>A question under a step.</summary>
public sealed record QuestionView(string Key, string Ask, Span At, ImmutableArray<AnswerView> Answers);

/// <summary>A way a step may turn out.</summary>
/// <param name="Key">How the walk is asked for it.</param>
/// <param name="Says">"if it will not move", "or, if …" where it is done in place of the rest.</param>
public sealed record TurnView(string Key, string Says);

/// <summary>A step as the Write face shows it.</summary>
/// <param name="Only">The variants and sides all of it is for; empty for every vehicle, or where its sentences differ.</param>
/// <param name="Branches">What it may turn into: how the walk names each turn, and its sign.</param>
/// <param name="Residue">Words nobody understood.</param>
/// <param name="Measures">True where it holds something against limits: their source is asked for.</param>
/// <param name="Lost">Words the author said something of that does not hold any more.</param>
/// <param name="Figures">What it shows, as it is edited.</param>
/// <param name="Shown">The same as it is shown: numbered from 1 in the step, with names and values.</param>
public sealed record StepView(string Id, string Text, string Only, ImmutableArray<TurnView> Branches, ImmutableArray<ChipView> Chips,
    ImmutableArray<QuestionView> Questions, ImmutableArray<Caution> Cautions, ImmutableArray<DroppedCaution> Dropped,
    ImmutableArray<string> Residue, ImmutableArray<string> Lost, bool Measures, IReadOnlyDictionary<string, string> Fields,
    ImmutableArray<Figure> Figures, ImmutableArray<PrintedFigure> Shown);

/// <summary>A phase and the order of its steps.</summary>
public sealed record PhaseView(string Id, string Name, ImmutableArray<string> Steps);

/// <summary>A thing with the texts of its fields.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Name">Its name.</param>
/// <param name="Fields">Text of every field by name.</param>
/// <param name="Steps">Numbers of the steps that use it.</param>
/// <param name="Assumed">True where it stands only because a sentence named it, and nobody has looked at it.</param>
public sealed record ThingView(string Id, ThingKind Kind, string Name, bool Assumed, IReadOnlyDictionary<string, string> Fields, ImmutableArray<int> Steps);

/// <summary>Preload as a part of the proof load: at the target and at both ends of the scatter, and what that means.</summary>
public sealed record PreloadView(double Low, double Target, double High, PreloadVerdict Verdict);

/// <summary>The wrench for a value.</summary>
/// <param name="Name">The wrench; empty where the crib has none that covers.</param>
/// <param name="Setting">What it is set to.</param>
/// <param name="WhyNot">Why each of the others does not cover.</param>
/// <param name="Overdue">Why it should be calibrated first; empty where it need not.</param>
public sealed record WrenchChoiceView(string Name, string Setting, ImmutableArray<string> WhyNot, string Overdue);

/// <summary>A pattern to draw.</summary>
public sealed record PatternView(ImmutableArray<Spot> Places, ImmutableArray<int> Order, ImmutableArray<string> Passes, string Because);

/// <summary>What the core has computed for a joint.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Counterpart">The torque in the other unit.</param>
/// <param name="Preload">Null while thread, class or value is not known.</param>
/// <param name="ProofKn">Proof load of one fastener in kN; null while not known.</param>
/// <param name="End">The glyph of its state when all is done.</param>
/// <param name="Wrench">Null while there is no value, or nobody has filled the crib.</param>
/// <param name="Pattern">Null while no pattern is given.</param>
/// <param name="Check">Null while there is no value with a source.</param>
/// <param name="Notes">What the arithmetic says, in sentences.</param>
public sealed record JointView(string Id, string Counterpart, PreloadView? Preload, double? ProofKn, Glyph End, WrenchChoiceView? Wrench, PatternView? Pattern, JointCheck? Check, ImmutableArray<string> Notes);

/// <summary>What the faces show of a sheet. In an answer to an edit, what did not change is null.</summary>
public sealed record SheetView
{
    /// <summary>Number of the last edit.</summary>
    public required int Seq { get; init; }

    public IReadOnlyDictionary<string, string>? Header { get; init; }

    /// <summary>The ways in which the vehicles differ, to walk as one of them.</summary>
    public ImmutableArray<Factor>? Factors { get; init; }

    /// <summary>The words the sheet is read with besides those of the trade.</summary>
    public ImmutableArray<WordView>? Words { get; init; }

    public ImmutableArray<PhaseView>? Phases { get; init; }

    /// <summary>Steps that are new or changed; all of them in a whole view.</summary>
    public required ImmutableArray<StepView> Steps { get; init; }

    public ImmutableArray<ThingView>? Things { get; init; }

    public ImmutableArray<JointView>? Joints { get; init; }

    public ImmutableArray<Finding>? Findings { get; init; }

    /// <summary>What undo would take back; null where there is nothing.</summary>
    public string? Undo { get; init; }

    /// <summary>What redo would do again; null where there is nothing.</summary>
    public string? Redo { get; init; }
}

/// <summary>Makes views of a walked sheet.</summary>
public static class SheetViews
{
    /// <summary>The whole view.</summary>
    public static SheetView Whole(Draft.Walked now, string? undo, string? redo) => Changed(null, now, undo, redo);

    /// <summary>What is different from another sheet, found by reference: what two sheets share is the same.</summary>
    public static SheetView Changed(Draft.Walked? was, Draft.Walked now, string? undo, string? redo)
    {
        var before = was?.Sheet;
        var sheet = now.Sheet;
        var things = before?.SameThings(sheet) != true;
        var phases = before is null || !Delta.SameOutline(before, sheet);
        // The cautions and the names on chips depend on more than the step: when things or order change, every step is shown anew.
        var all = things || phases || was is null;
        var given = new HashSet<Caution>();
        var shown = new List<(Step Step, ImmutableArray<Caution> Cautions)>();
        List<Step> whole = [.. sheet.Steps], former = [.. before?.Steps ?? []];
        for (var i = 0; i < whole.Count; i++)
        {
            // Given in order: each caution stands where it is first needed.
            var cautions = UsualCautions.For(whole[i], sheet, given);
            if (all || !ReferenceEquals(former[i], whole[i])) shown.Add((whole[i], cautions));
        }

        var steps = new StepView[shown.Count];
        if (shown.Count < SheetSize.ManySteps)
            for (var i = 0; i < steps.Length; i++) steps[i] = Of(shown[i].Step, sheet, now.House, shown[i].Cautions);
        else
            Parallel.For(0, steps.Length, i => steps[i] = Of(shown[i].Step, sheet, now.House, shown[i].Cautions));

        // What steps use a thing, and how a joint ends, follows from the actions: the same actions, the same answers.
        var used = all || !ReferenceEquals(before!.Header, sheet.Header) || !SameActions(former, whole);
        var usedBy = used ? StepsByThing(whole) : null;
        return new SheetView
        {
            Seq = now.Seq,
            Header = before is null || !ReferenceEquals(before.Header, sheet.Header) ? Fields.Header.ToDictionary(f => f.Name, f => f.Get(sheet.Header)) : null,
            Words = before is null || before.Header.Words != sheet.Header.Words ? [.. sheet.Header.Words.Select(WordView.Of)] : null,
            Factors = before is null || !ReferenceEquals(before.Header, sheet.Header) ? sheet.Header.Variants : null,
            Phases = phases ? [.. sheet.Phases.Select(p => new PhaseView(p.Id, p.Name, [.. p.Steps.Select(s => s.Id)]))] : null,
            Steps = ImmutableCollectionsMarshal.AsImmutableArray(steps),
            Things = usedBy is null ? null : [.. sheet.Things.Select(t => Of(t, usedBy))],
            Joints = used ? JointsOf(now) : null,
            Findings = was is not null && SameFindings(was.Findings, now.Findings) ? null : now.Findings,
            Undo = undo,
            Redo = redo,
        };
    }

    // Steps that were not touched are the same objects; of the others the actions are compared.
    private static bool SameActions(List<Step> a, List<Step> b)
    {
        for (var i = 0; i < b.Count; i++)
            if (!ReferenceEquals(a[i], b[i]) && !a[i].Actions.Select(x => x with { At = default, In = default })
                .SequenceEqual(b[i].Actions.Select(x => x with { At = default, In = default }))) return false;
        return true;
    }

    // The numbers of the steps that do something to a thing or with it, whatever they are walked as.
    private static Dictionary<string, List<int>> StepsByThing(List<Step> steps)
    {
        var used = new Dictionary<string, List<int>>();
        void Use(string id, int number)
        {
            if (!used.TryGetValue(id, out var numbers)) used[id] = numbers = [];
            if (numbers.Count == 0 || numbers[^1] != number) numbers.Add(number);
        }

        for (var i = 0; i < steps.Count; i++)
        {
            foreach (var id in steps[i].Actions.SelectMany(a => a.Ids).Concat(steps[i].Uses)) Use(id, i + 1);
        }

        return used;
    }

    private static bool SameFindings(ImmutableArray<Finding> a, ImmutableArray<Finding> b) =>
        a.Length == b.Length && a.Zip(b).All(p => p.First.Key == p.Second.Key && p.First.Message == p.Second.Message && p.First.StepNumber == p.Second.StepNumber && p.First.For == p.Second.For && p.First.Waiver == p.Second.Waiver && p.First.Severity == p.Second.Severity && p.First.Fixes.SequenceEqual(p.Second.Fixes));

    private static StepView Of(Step step, Sheet sheet, Workshop workshop, ImmutableArray<Caution> cautions) => new(
        step.Id,
        step.Text,
        OnlyOf(step),
        step.Branches.IsEmpty ? [] : [.. step.Branches.Select((b, i) => new TurnView($"{step.Id}={i + 1}", $"{(b.Instead ? "or, if" : "if")} {b.Sign}"))],
        ChipsOf(step, sheet),
        step.Questions.IsEmpty ? [] : [.. step.Questions.Select(q => Of(q, step, sheet))],
        cautions,
        step.Dropped,
        step.Residue.IsEmpty ? [] : [.. step.Residue.Select(r => r.Of(step.Text)).Where(w => w.Length > 0)],
        Mending.Lost(sheet, step),
        step.Source is not null || step.Table is not null || step.Actions.Any(a => a.Limits is not null),
        step is { Minutes: null, People: null, Source: null } ? NoFields : Fields.Step.ToDictionary(f => f.Name, f => f.Get(step)),
        step.Figures,
        PrintedFigure.Of(step, sheet, workshop, 1));

    private static QuestionView Of(Question question, Step step, Sheet sheet) =>
        new(question.Phrase, Asking.Of(question, sheet), question.At, [.. Asking.Answers(question, step, sheet).Select(a => new AnswerView(a.Label, a.Edit))]);

    // What all that is done in a step is for; nothing where its sentences differ.
    private static string OnlyOf(Step step)
    {
        if (step.Actions.IsEmpty) return "";
        var first = step.Actions[0].Only?.ToString() ?? "";
        foreach (var action in step.Actions)
            if ((action.Only?.ToString() ?? "") != first) return "";
        return first;
    }

    private static ImmutableArray<ChipView> ChipsOf(Step step, Sheet sheet)
    {
        if (step.Actions.IsEmpty) return [];
        var chips = ImmutableArray.CreateBuilder<ChipView>(step.Actions.Length);
        foreach (var action in step.Actions) chips.Add(Of(action, step, sheet));
        return chips.MoveToImmutable();
    }

    // Most steps have nothing but their text: they share what is empty.
    private static readonly Dictionary<string, string> NoFields = Fields.Step.ToDictionary(f => f.Name, f => f.Get(new Step { Id = "" }));

    private static ChipView Of(StepAction action, Step step, Sheet sheet)
    {
        var phrase = step.Settled.IsEmpty ? "" : action.At.Of(step.Text).ToLowerInvariant();
        var again = phrase.Length > 0 && step.Settled.Any(s => s.Phrase == phrase && s.Target == action.Target) ? new AskAgain(step.Id, phrase) : null;
        var turn = action.Branch > 0 && action.Branch <= step.Branches.Length ? step.Branches[action.Branch - 1].Instead ? "or: " : "if: " : "";
        var thing = action.Target is { } id ? sheet.Find(id) : null;
        return new ChipView(turn + Asking.Of(action, sheet), thing?.Kind, action.Target, action.At, again, thing?.Assumed == true, action.IsSaid);
    }

    private static ThingView Of(Thing thing, Dictionary<string, List<int>> usedBy) => new(
        thing.Id,
        thing.Kind,
        thing.Name,
        thing.Assumed,
        Fields.Of(thing.Kind).ToDictionary(f => f.Name, f => f.Get(thing)),
        usedBy.TryGetValue(thing.Id, out var steps) ? [.. steps] : []);

    private static ImmutableArray<JointView> JointsOf(Draft.Walked now)
    {
        // What was released before passes were read stays verified as it was.
        var passes = now.Reviewed.State is RevisionState.Draft or RevisionState.InReview ? StatedTorque.PassesOf(now.Sheet) : null;
        return [.. now.Sheet.Joints.Select(j => Of(j, now, passes?[j.Id] ?? []))];
    }

    private static JointView Of(Joint joint, Draft.Walked now, IEnumerable<Core.Quantities.TorqueSpec> passes)
    {
        var walks = now.Walks;
        // A joint that is there on some variants alone is shown as it is on the first of them.
        var walk = walks.All.FirstOrDefault(w => w.Things.ContainsKey(joint.Id));
        var end = walk is null ? new Glyph(Walker.AtBeginning(joint, isReplaced: false).Joint.Stage) : Bench.GlyphOf(walk, joint, walk.AtEnd(joint.Id).Joint);
        walk ??= walks.First;
        var judgement = JointJudgement.Of(joint, walk.Workshop);
        var advice = TreatmentAdvice.For(joint, walk.Things, walk.Workshop.Rules);
        return new JointView(
            joint.Id,
            joint.Torque?.ShownInCounterpart() ?? "",
            judgement.Preload is { } preload ? new PreloadView(preload.Low, preload.Utilisation, preload.High, preload.Verdict) : null,
            joint.Fastener?.ProofLoadKn(),
            end,
            judgement.Wrench is { } choice ? new WrenchChoiceView(choice.Wrench?.Name ?? "", choice.Setting?.ToString() ?? "", choice.WhyNot, choice.Overdue ?? "") : null,
            judgement.Places.IsEmpty ? null : new PatternView(judgement.Places, judgement.Order, [.. judgement.Passes.Select(p => $"{p.Value}, {p.Says}")], joint.Pattern!.Because),
            ValueChecks.Of(joint, passes, now.Reviewed.Checks),
            [.. JointNotes.Of(joint, judgement, advice, walk.Workshop.Rules)]);
    }
}
