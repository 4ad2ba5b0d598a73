using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FLO002: a fluid is drained while its drain plug is in.</summary>
public sealed class DrainedThroughClosed : Rule
{
    public override RuleInfo Info { get; } = new("FLO002", Severity.Warn, "Drained through a closed plug");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var drained in walk.Doing(Verb.Drain))
        {
            if (walk.Sheet.Joints.FirstOrDefault(j => Natures.Is(j, Trait.DrainPlug)) is not { } plug
                || walk.BeforeEvent(plug.Id, drained.Order).Joint is not { Stage: JointStage.Tight }) continue;
            if (walk.EventsOf(plug.Id).FirstOrDefault(e => e.Order > drained.Order && e.Verb is Verb.TakeOut or Verb.Loosen) is not { } unscrewed) continue;
            yield return At(drained, $"{drained.Thing!.Label} is drained here, and {plug.Label} comes out only behind "
                + $"it{(unscrewed.StepIndex > drained.StepIndex ? $", in step {unscrewed.StepIndex + 1}" : "")}.",
                unscrewed.Step.Id == drained.Step.Id ? null : Fixes.MoveBefore(walk, unscrewed.StepIndex, drained.StepIndex));
        }
    }
}
