using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ005: a step says to beware behind the step that it is for.</summary>
public sealed class SaidAfterTheHazard : StepRule
{
    public override RuleInfo Info { get; } = new("HAZ005", Severity.Warn, "Warning behind the step it is for");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.Cautions.Length > 0 || Claims.Says(step, ClaimKind.Late)
        || Claims.Says(step, ClaimKind.Wears) && step.Actions.IsEmpty;

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        if (Claims.Says(step, ClaimKind.Late))
            found.Add(At(step, stepIndex, null, "This warns of what a step before has already done. Say it as a caution before that step."));
        // "Wear safety glasses: the oil is under pressure", behind the step that lets it out.
        if (Claims.Says(step, ClaimKind.Wears) && step.Actions.IsEmpty && FirstDone(walk, stepIndex) is { } met)
            found.Add(At(step, stepIndex, met.Thing,
                $"What is to be worn is said here, and step {met.StepIndex + 1} has already met {met.Thing!.Label}, which it is for. Put it before "
                + "that step.", Fixes.MoveBefore(walk, stepIndex, met.StepIndex)));
        // The author's own caution of a hazard that an earlier step has met.
        foreach (var caution in step.Cautions)
            if (Earlier(walk, stepIndex, caution) is { } first)
                found.Add(At(step, stepIndex, null, $"“{caution.Hazard}” is said here for the first time, and step {first + 1} already does it. Put the caution there.", new Fix($"Put it before step {first + 1}", new Editing.Several("caution put first", [new Editing.DropCaution(step.Id, caution.Hazard, ""), new Editing.WriteCaution(walk.Steps[first].Id, "", caution)]))));
    }

    // The first thing that was undone before and that the words name.
    private static WalkEvent? FirstDone(Walk walk, int at) => walk.Events.FirstOrDefault(e => e.StepIndex < at
        && e.Thing is { Kind: ThingKind.Part or ThingKind.Joint or ThingKind.Fluid or ThingKind.Connection } thing
        && e.Verb is Verb.Remove or Verb.TakeOut or Verb.Drain or Verb.Disconnect && Names(walk.Steps[at].Text,
            thing.Name[(thing.Name.LastIndexOf(' ') + 1)..]));

    private static bool Names(string text, string word) => text.Split([' ', '.', ',', ':', ';'], StringSplitOptions.RemoveEmptyEntries).Contains(word,
        StringComparer.OrdinalIgnoreCase);

    // A step before with the same actions on the same things, and without the caution.
    private static int? Earlier(Walk walk, int at, Caution caution)
    {
        var does = walk.Steps[at].Actions.Where(a => a.Target is not null && a.Verb is not (Verb.Inspect or Verb.Clean)).Select(a => (a.Verb, a.Target)).ToHashSet();
        if (does.Count == 0) return null;
        for (var i = 0; i < at; i++)
            if (walk.Steps[i].Cautions.All(c => c.Hazard != caution.Hazard) && walk.Steps[i].Actions.Any(a => does.Contains((a.Verb, a.Target)))) return i;
        return null;
    }
}
