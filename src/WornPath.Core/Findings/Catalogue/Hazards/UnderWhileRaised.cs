using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ001: work goes on while the vehicle is raised and not on stands.</summary>
public sealed class UnderWhileRaised : Rule
{
    public override RuleInfo Info { get; } = new("HAZ001", Severity.Stop, "Work while raised and not on stands");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        WalkEvent? raised = null;
        if (walk.Doing(Verb.Raise).Count == 0) yield break;
        foreach (var walked in walk.Events)
        {
            switch (walked.Verb)
            {
                case Verb.Raise:
                    raised = walked;
                    break;
                case Verb.SetOnStands or Verb.Lower or Verb.LowerToTouch:
                    raised = null;
                    break;
            }

            if (raised is null || walked.Thing is not { Kind: ThingKind.Joint or ThingKind.Part or ThingKind.Connection or ThingKind.Fluid } thing) continue;
            yield return At(walked.Step, walked.StepIndex, null,
                $"Work on {thing.Label} begins here while the vehicle is raised (step {raised.StepIndex + 1}) and not on stands. A jack lifts; it does not hold.",
                Fixes.InsertAfter(walk, raised.StepIndex, "Set it on stands first", "Support the vehicle on stands."));
            // Once for each time it is raised: the one fix mends all that follows.
            raised = null;
        }
    }
}
