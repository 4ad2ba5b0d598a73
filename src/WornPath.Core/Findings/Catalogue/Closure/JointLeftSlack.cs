using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Building;
using WornPath.Core.Fasteners;
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
        if (!end.IsSlack || DoneAt.IsReached(walk, joint, end)) return;
        var last = walk.EventsOf(joint.Id).Last(e => e.After.Joint != e.Before.Joint || e.Verb is Verb.Start or Verb.Snug);
        var to = joint.TighteningText is { Length: > 0 } text ? text : "a final torque";
        var open = end.Counts?.Groups.Where(g => g.State.IsOut || g.State.IsSlack).ToList();
        var left = open is null ? $"{joint.Label} {joint.Are} left {How(end)}"
            : $"Of {joint.Label}, {joint.Count} in all, "
                + $"{string.Join(" and ", open.GroupBy(g => How(g.State), g => g.Count).Select((g, i) => $"{g.Sum()}{(i > 0 ? "" : Left(g.Sum()))} {g.Key}"))}";
        found.Add(At(last, $"{left} here and never tightened to {to}.", Tighten(walk, joint, last.StepIndex)));
    }

    private static string Left(int count) => count > 1 ? " are left" : " is left";

    private static string How(JointState state) => state.Stage switch
    {
        JointStage.Out => "out",
        JointStage.Started => "hand-tight",
        JointStage.Snug => "snug",
        JointStage.Pass => $"at pass {state.Pass}",
        _ => "loose",
    };

    // With its pin in it does not turn: the pin is out of place, and has a finding of its own.
    private static Fix? Tighten(Walk walk, Joint joint, int after) => walk.AtEnd(joint.Id).Joint.PinIn ? null
        : Fixes.PutRight(walk, joint, after, $"Tighten {joint.Id}", [TighteningSentence.Of(joint), .. TighteningSentence.Behind(joint)]);
}
