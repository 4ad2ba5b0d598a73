using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ023: what was adjusted is locked by a torque afterwards, and not looked at once more.</summary>
public sealed class AdjustedThenTorqued : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ023", Severity.Warn, "Adjustment not checked after the torque");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (!Natures.Is(joint, Trait.LocksAdjustment)) return;
        if (walk.EventsOf(joint.Id).LastOrDefault(e => e.Verb == Verb.Torque) is not { } torqued) return;
        var (sets, looks) = found.Kept(this, () => Where(walk));
        if (looks.Exists(i => i > torqued.StepIndex || i == torqued.StepIndex && Behind(walk.Steps[i], torqued))) return;
        var adjusted = sets.LastOrDefault(i => i < torqued.StepIndex, -1);
        if (adjusted >= 0)
            found.Add(At(torqued, $"{joint.Label} {joint.Or("locks", "lock")} here what was adjusted in step {adjusted + 1}, and nothing "
                + "is looked at once more: a nut takes what it locks with it as it is tightened."));
    }

    // The steps in which something is set, and those in which it is looked at.
    private static Tuple<List<int>, List<int>> Where(Walk walk)
    {
        List<int> sets = [], looks = [];
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            var step = walk.Steps[i];
            var set = step.Actions.Any(a => a.Verb is Verb.Adjust) || Claims.Says(step, ClaimKind.Adjusts);
            if (set) sets.Add(i);
            if (set || step.Actions.Any(a => a.Verb is Verb.Measure or Verb.FunctionCheck || a.Verb == Verb.Inspect
                && !Claims.Says(step, ClaimKind.Qualified)) || Claims.Says(step, ClaimKind.Alignment)) looks.Add(i);
        }

        return Tuple.Create(sets, looks);
    }

    private static bool Behind(Step step, WalkEvent torqued) => step.Actions.Any(a => a.Verb is Verb.Measure or Verb.Inspect or Verb.Adjust
        && a.At.Start > torqued.Action.At.Start);
}
