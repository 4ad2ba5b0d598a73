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
            if (walk.AtEnd(joint.Id).Joint.Stage is not (JointStage.Torqued or JointStage.Aligned or JointStage.Locked or JointStage.Marked)) continue;
            var events = walk.EventsOf(joint.Id);
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
