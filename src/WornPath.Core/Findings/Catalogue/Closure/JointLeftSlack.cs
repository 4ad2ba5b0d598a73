using WornPath.Core.Building;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO002: a joint is loosened, started, snugged or brought through a pass, and never reaches its final torque.</summary>
public sealed class JointLeftSlack : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("CLO002", Severity.Stop, "Joint left loose, hand-tight or snug");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        var end = walk.AtEnd(joint.Id).Joint;
        if (!end.IsSlack || (end.Stage == JointStage.Snug && joint.Untorqued is not null)) return;
        var last = walk.EventsOf(joint.Id).Last(e => e.After.Joint != e.Before.Joint || e.Verb is Verb.Start or Verb.Snug);
        var how = end.Stage switch
        {
            JointStage.Started => "hand-tight",
            JointStage.Snug => "snug",
            JointStage.Pass => $"at pass {end.Pass}",
            _ => "loose",
        };
        found.Add(At(last, $"{joint.Label} {(joint.Count > 1 ? "are" : "is")} left {how} here and never tightened to {(joint.TighteningText is { Length: > 0 } text ? text : "a final torque")}.", Tighten(walk, joint, last.StepIndex)));
    }

    private static Fix? Tighten(Walk walk, Joint joint, int after) => Natures.HoldsAWheel(joint, walk.Things)
        ? Fixes.InsertAtEnd(walk, $"Tighten {joint.Id} at the end", TighteningSentence.Of(joint))
        : Fixes.InsertInRefit(walk, after, $"Tighten {joint.Id}", TighteningSentence.Of(joint));
}
