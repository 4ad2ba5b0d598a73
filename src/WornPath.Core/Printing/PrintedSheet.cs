using WornPath.Core.Cautions;
using WornPath.Core.Fasteners;
using System.Collections.Immutable;
using WornPath.Core.Building;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Printing;

/// <summary>A step as printed.</summary>
/// <param name="Number">Its number on the sheet.</param>
/// <param name="Text">Its text, for the combination that is walked.</param>
/// <param name="Cautions">What stands before it.</param>
/// <param name="People">How many it takes, where it says so.</param>
/// <param name="Tightens">The joints that are brought to a value here.</param>
/// <param name="Figures">What it shows.</param>
public sealed record PrintedStep(int Number, string Text, ImmutableArray<Caution> Cautions, int? People, ImmutableArray<PrintedTightening> Tightens,
    ImmutableArray<PrintedFigure> Figures);

/// <summary>A joint that is brought to a value at a step.</summary>
/// <param name="Joint">Its number: a row of the torque table.</param>
/// <param name="Value">What the wrench is set to at this step; empty where neither the step nor the joint has a value.</param>
/// <param name="Pass">Which of the passes before the full value it is, from 1; null at the full value.</param>
public sealed record PrintedTightening(string Joint, string Value, int? Pass);

/// <summary>A phase as printed.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Steps">Its steps.</param>
/// <param name="Owed">What is still to torque when it ends.</param>
public sealed record PrintedPhase(string Name, ImmutableArray<PrintedStep> Steps, ImmutableArray<OwedTorque> Owed);

/// <summary>A row of the torque table.</summary>
/// <param name="Setting">Wrench and setting; empty where the crib has none, or nobody has filled it.</param>
/// <param name="Note">Condition, how it is held, how it is told from others, values by variant; empty for nothing.</param>
public sealed record PrintedTorque(string Id, string Name, int Count, string Fastener, string Value, string Counterpart, string Setting, string Treatment, string After, string Note, string Source, ImmutableArray<int> Steps);

/// <summary>A pattern as drawn: where the fasteners lie, the order and the passes.</summary>
public sealed record PrintedPattern(string Id, string Name, ImmutableArray<Spot> Places, ImmutableArray<int> Order, ImmutableArray<string> Passes,
    string Because)
{
    /// <summary>The pattern of a joint; null where it has none.</summary>
    public static PrintedPattern? Of(Joint joint, Workshop workshop)
    {
        var judgement = JointJudgement.Of(joint, workshop);
        if (judgement.Places.IsEmpty) return null;
        return new PrintedPattern(joint.Id, joint.Name, judgement.Places, judgement.Order, [.. judgement.Passes.Select(p =>
            $"{p.Value}, {p.Says}")], joint.Pattern!.Because);
    }
}

/// <summary>What is done to a joint after the job, once the vehicle was used.</summary>
/// <param name="When">In the writer's words: "after the first 50 miles".</param>
/// <param name="Joint">Its number.</param>
/// <param name="What">What is done, in words.</param>
/// <param name="Value">Its torque; empty where none is told.</param>
/// <param name="Step">The step that tells it.</param>
public sealed record PrintedLater(string When, string Joint, string What, string Value, int Step);

/// <summary>A line of a list of parts or consumables: what, how many or how much, and what it is for.</summary>
public sealed record PrintedItem(string What, string Amount, string For);

/// <summary>A sheet laid out for print: what to have in hand, the cautions before each step, the torque table.</summary>
public sealed record PrintedSheet(
    SheetHeader Header,
    ImmutableArray<PrintedItem> Parts,
    ImmutableArray<ToolLine> Tools,
    ImmutableArray<PrintedItem> Consumables,
    ImmutableArray<PrintedPhase> Phases,
    ImmutableArray<PrintedTorque> Torques,
    ImmutableArray<PrintedPattern> Patterns,
    ImmutableArray<PrintedLater> Later,
    ImmutableArray<string> Practice)
{
    /// <summary>What the arithmetic behind the torque table does not judge: it stands on every sheet.</summary>
    public const string NotJudged = "The values are held against the proof load of the fastener with usual friction. Not judged: values with an angle after them, bearing adjustments, the parts clamped between, fatigue, and whether a value is the right one for the vehicle. Only its source can say that.";

    /// <summary>Lays a walked sheet out.</summary>
    public static PrintedSheet Of(Walk walk)
    {
        var sheet = walk.Written;
        var given = new HashSet<Caution>();
        var tightened = TightenedAt(walk, sheet.Steps.Count());
        var (number, figures) = (0, 1);
        PrintedStep Step(Step step)
        {
            var shown = PrintedFigure.Of(step, sheet, walk.Workshop, figures);
            figures += shown.Length;
            var text = Passages.TextFor(step.Text, sheet.Header.Variants, walk.Combination.Options);
            // What is all said of other vehicles is not shown of this one.
            var isForOthers = text.Length == 0 && step.Text.Length > 0;
            return new PrintedStep(++number, text, UsualCautions.For(step, sheet, given), step.People ?? step.Hands, tightened[number - 1],
                isForOthers ? [] : shown);
        }

        var phases = sheet.Phases.Where(p => p.Steps.Length > 0).Select(p => new PrintedPhase(p.Name,
            [.. p.Steps.Select(Step).Where(s => s.Text.Length > 0 || !s.Figures.IsEmpty)], TorqueLedger.After(walk, number - 1))).ToImmutableArray();
        return new PrintedSheet(sheet.Header, Printed(Needs.Parts(walk)), ToolList.Of(walk, walk.Workshop), Printed(Needs.Consumables(walk)), phases,
            [.. sheet.Joints.Select(j => Row(j, walk))],
            [.. sheet.Joints.Where(j => j.Count >= 3 && walk.EventsOf(j.Id).Count > 0).Select(j => PrintedPattern.Of(j,
                walk.Workshop)).OfType<PrintedPattern>()],
            [.. LaterOf(walk)],
            [.. PracticeOf(walk)]);
    }

    // What the steps tell for after the job stands together: whoever has the vehicle needs no more than that.
    private static IEnumerable<PrintedLater> LaterOf(Walk walk)
    {
        var told = new HashSet<(string?, string)>();
        var number = 0;
        foreach (var step in walk.Steps)
        {
            number++;
            foreach (var action in step.Actions)
                if (action.If is { Length: > 0 } when && walk.Whole.Joints.FirstOrDefault(j => j.Id == action.Target) is { } joint
                    && told.Add((joint.Id, when)))
                    yield return new PrintedLater(when, joint.Id, $"{EnumWord.Of(action.Verb)} {(joint.Count > 1 ? $"{joint.Count} × " : "")}{joint.Name}",
                        action.Torque?.ToString() ?? joint.TighteningText, number);
        }
    }

    private static ImmutableArray<PrintedTightening>[] TightenedAt(Walk walk, int steps)
    {
        var at = Enumerable.Range(0, steps).Select(_ => new List<PrintedTightening>()).ToArray();
        foreach (var walked in walk.Events)
        {
            if (walked.Verb is not (Verb.Torque or Verb.TorquePass or Verb.Retorque) || walked.Thing is not Joint joint || walked.StepIndex >= steps) continue;
            var one = walked.Verb == Verb.TorquePass
                ? new PrintedTightening(joint.SheetId, PassValue(joint, walked.Action, walk.Workshop), walked.Action.Pass ?? 1)
                : new PrintedTightening(joint.SheetId, joint.TighteningText, null);
            if (!at[walked.StepIndex].Contains(one)) at[walked.StepIndex].Add(one);
        }

        return [.. at.Select(all => all.ToImmutableArray())];
    }

    // The sentence's own value, else the pass as the house divides the full one. Never the full value: a wrench set by it would be too high.
    private static string PassValue(Joint joint, StepAction action, Workshop workshop)
    {
        if (action.Torque is { } stated) return stated.ToString();
        var passes = JointJudgement.Of(joint, workshop).Passes;
        return action.Pass is { } pass && pass >= 1 && pass <= passes.Length ? passes[pass - 1].Value.ToString() : "";
    }

    // The ways of the house that the words of this sheet touch.
    private static IEnumerable<string> PracticeOf(Walk walk)
    {
        foreach (var school in School.All)
            if (school.Touches.Any(t => walk.Steps.Any(s => s.Text.Contains(t, StringComparison.OrdinalIgnoreCase)))) yield return walk.Workshop.Rules.Chosen(school).Practice;
    }

    private static PrintedTorque Row(Joint joint, Walk walk)
    {
        var after = new List<string>();
        if (joint.Reuse == ReuseRule.Renew) after.Add("renew");
        if (joint.Locking != Locking.None) after.Add(joint.Locking == Locking.Stake ? "stake" : $"new {EnumWord.Of(joint.Locking)}");
        if (joint.Mark) after.Add("mark");
        var judgement = JointJudgement.Of(joint, walk.Workshop);
        var notes = new List<string>();
        if (walk.HasSecond(joint)) notes.Add("on each side");
        if (joint.Tell.Length > 0) notes.Add(joint.Tell);
        if (joint.Stack is { } stack) notes.Add($"with {stack}");
        if (joint.Condition != TighteningCondition.None) notes.Add(EnumWord.Of(joint.Condition));
        if (joint.HeldBy.Length > 0) notes.Add($"held by {joint.HeldBy}");
        if (joint.Adapter is { } adapter) notes.Add($"with an adapter of {adapter}");
        if (judgement.SlotPitch is { } pitch) notes.Add(FormattableString.Invariant($"on to the next slot, less than {pitch:0.#}°, never back"));
        if (judgement.IsReduced) notes.Add($"source says {joint.Torque} dry; reduced by house rule to {judgement.Target}");
        // A variant of the header has its own sheet, with its own value in the column.
        foreach (var variant in joint.Variants.Where(v => !v.IsOf(walk.Whole.Header.Variants))) notes.Add($"{variant.When}: {variant.Torque} ({variant.Torque.ShownInCounterpart()})");
        var setting = judgement.Wrench is { Wrench: { } wrench, Setting: { } set } ? $"{wrench.Name} at {set}" : "";
        return new PrintedTorque(joint.Id, joint.Name, joint.Count, joint.Fastener?.ToString() ?? "", joint.TighteningText, joint.Torque?.ShownInCounterpart() ?? "", setting,
            joint.Treatment == Treatment.None ? "" : EnumWord.Of(joint.Treatment), string.Join(", ", after), string.Join("; ", notes), joint.Source, walk.StepsOf(joint));
    }

    // What must be in hand is listed once; here it is printed.
    private static ImmutableArray<PrintedItem> Printed(IEnumerable<ReadyItem> needs) => [.. needs.Select(n => new PrintedItem(n.What, n.Amount, n.Note))];
}
