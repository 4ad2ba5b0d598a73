using WornPath.Core.Editing;
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
                OnStands(walk, raised));
            // Once for each time it is raised: the one fix mends all that follows.
            raised = null;
        }
    }

    // Onto the stands behind the raising, and off them before it is lowered.
    private static Fix? OnStands(Walk walk, WalkEvent raised)
    {
        var stands = walk.Sheet.Aids.FirstOrDefault(a => a.Name.EndsWith("stands", StringComparison.OrdinalIgnoreCase))?.Name ?? "axle stands";
        const string Title = "Set it on stands first";
        var on = Fixes.InsertAfter(walk, raised.StepIndex, Title, $"Support the vehicle on the {stands}.");
        var lowered = walk.Events.FirstOrDefault(e => e.Order > raised.Order && e.Verb is Verb.Lower or Verb.LowerToTouch && e.StepIndex > raised.StepIndex);
        if (on is null || lowered is null || Fixes.InsertBefore(walk, lowered.StepIndex, Title, $"Take away the {stands}.") is not { } away) return on;
        return on with { Edit = new Several(Title, [away.Edit, on.Edit]) };
    }
}
