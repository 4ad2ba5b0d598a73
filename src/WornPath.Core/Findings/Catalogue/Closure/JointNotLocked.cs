using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO008: a joint whose specification asks for a cotter pin, a stake or a witness mark reaches its torque and does not get it.</summary>
public sealed class JointNotLocked : Rule
{
    public override RuleInfo Info { get; } = new("CLO008", Severity.Stop, "Joint not pinned, staked or marked");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            if (joint.Locking == Locking.None && !joint.Mark) continue;
            var end = walk.AtEnd(joint.Id).Joint;
            var events = walk.EventsOf(joint.Id);
            // A pin pulled from a nut that stays tight is missed as much as one that never went in.
            if (joint.Locking == Locking.CotterPin && end is { Stage: JointStage.Tight, PinIn: false } && events.LastOrDefault(e => e.Action.Verb == Verb.RemovePin) is { } pulled)
                yield return At(pulled, $"The cotter pin of {joint.Label} is pulled here, and none goes in again.", Fixes.InsertInRefit(walk, pulled.StepIndex, "Insert a new cotter pin", $"Insert a new cotter pin in {Fixes.The(joint)}."));
            if (end.Stage is not (JointStage.Torqued or JointStage.Aligned or JointStage.Locked or JointStage.Marked)) continue;
            var torqued = events.LastOrDefault(e => e.Action.Verb == Verb.Torque);
            if (torqued is null) continue;
            bool After(Verb verb) => events.Any(e => e.Action.Verb == verb && e.Order > torqued.Order);
            if (joint.Locking == Locking.CotterPin && !walk.AtEnd(joint.Id).Joint.PinIn)
                yield return At(torqued, $"{joint.Label} is torqued here and gets no cotter pin.", Fixes.InsertAfter(walk, torqued.StepIndex, "Insert a new cotter pin", $"Insert a new cotter pin in {Fixes.The(joint)}."));
            else if (joint.Locking == Locking.Stake && !After(Verb.Stake))
                yield return At(torqued, $"{joint.Label} is torqued here and not staked.", Fixes.InsertAfter(walk, torqued.StepIndex, $"Stake {joint.Id}", $"Stake {Fixes.The(joint)}."));
            if (joint.Mark && !After(Verb.Mark))
                yield return At(torqued, $"{joint.Label} is torqued here and gets no witness mark.", Fixes.InsertAfter(walk, torqued.StepIndex, $"Mark {joint.Id}", $"Mark {Fixes.The(joint)}."));
        }
    }
}
