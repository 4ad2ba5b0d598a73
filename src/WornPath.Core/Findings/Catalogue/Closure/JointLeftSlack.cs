using WornPath.Core.Building;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO002: a joint is loosened, started, snugged or brought through a pass, and never reaches its final torque.</summary>
public sealed class JointLeftSlack : Rule
{
    public override RuleInfo Info { get; } = new("CLO002", Severity.Stop, "Joint left loose, hand-tight or snug");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            var end = walk.AtEnd(joint.Id).Joint;
            if (!end.IsSlack || (end.Stage == JointStage.Snug && joint.Untorqued is not null)) continue;
            var last = walk.EventsOf(joint.Id).Last(e => e.After.Joint != e.Before.Joint || e.Action.Verb is Verb.Start or Verb.Snug);
            var how = end.Stage switch
            {
                JointStage.Started => "hand-tight",
                JointStage.Snug => "snug",
                JointStage.Pass => $"at pass {end.Pass}",
                _ => "loose",
            };
            yield return At(last, $"{joint.Label} {(joint.Count > 1 ? "are" : "is")} left {how} here and never tightened to {(joint.TighteningText is { Length: > 0 } text ? text : "a final torque")}.", Tighten(walk, joint, last.StepIndex));
        }
    }

    private static Fix? Tighten(Walk walk, Joint joint, int after) => Natures.HoldsAWheel(joint, walk.Things)
        ? Fixes.InsertAtEnd(walk, $"Tighten {joint.Id} at the end", TighteningSentence.Of(joint))
        : Fixes.InsertInRefit(walk, after, $"Tighten {joint.Id}", TighteningSentence.Of(joint));
}
