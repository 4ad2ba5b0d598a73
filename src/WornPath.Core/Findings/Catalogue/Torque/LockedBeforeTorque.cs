using WornPath.Core.Workshops;
using WornPath.Core.Building;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ020: the cotter pin goes in, the tab is bent or the wire drawn before the fastener has its final torque.</summary>
public sealed class LockedBeforeTorque : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ020", Severity.Stop, "Locked before the torque");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        WalkEvent? lockedBy = null;
        foreach (var walked in walk.EventsOf(joint.Id))
        {
            // Tight and locked, and turned once more: what locks it is off first.
            if (walked.Verb == Verb.Torque && lockedBy is not null)
                found.Add(At(walked, $"{joint.Label} {joint.Are} torqued here, and locked since step {lockedBy.StepIndex + 1}: what is locked does not "
                    + "turn. Undo the lock first, or leave this out.", UnlockFor(walk, joint, walked, lockedBy.Verb == Verb.InsertPin)));
            if (walked.Verb is Verb.InsertPin or Verb.Lock or Verb.Stake)
                lockedBy = walked.Acted.Stage is JointStage.Torqued or JointStage.Aligned ? walked : null;
            else if (walked.Verb is Verb.RemovePin or Verb.Unlock or Verb.TakeOut or Verb.Loosen or Verb.BreakLoose or Verb.BackOff)
                lockedBy = null;
            if (walked.Verb is not (Verb.InsertPin or Verb.Lock or Verb.Stake)
                || walked.Acted.Stage is JointStage.Tight or JointStage.Torqued or JointStage.Aligned or JointStage.Locked or JointStage.Marked) continue;
            var later = walk.EventsOf(joint.Id).FirstOrDefault(e => e.Order > walked.Order && e.Verb == Verb.Torque);
            if (later is null && joint.Torque is null) continue;
            var what = walked.Verb == Verb.InsertPin ? $"The pin of {joint.Label} goes in here, and the nut is" : $"{joint.Label} {joint.Are} locked here, and";
            found.Add(At(walked, $"{what} {Bench.Says(joint, walked.Acted)}: "
                + (later is null ? "no step gives it its torque." : $"the torque comes only in step {later.StepIndex + 1}, and what is locked does not turn."),
                later is null || later.Step.Id == walked.Step.Id ? null : Fixes.MoveAfter(walk, walked.StepIndex, later.StepIndex)));
        }
    }

    // Undone before, and done again behind.
    private static Fix? UnlockFor(Walk walk, Joint joint, WalkEvent torqued, bool isPin) => Fixes.And(
        Fixes.InsertBefore(walk, torqued.StepIndex, "Undo the lock first",
            isPin ? $"Pull the cotter pin out of {Fixes.The(joint)}." : $"Unlock {Fixes.The(joint)}."),
        Fixes.InsertAfter(walk, torqued.StepIndex, "Lock it again", isPin ? TighteningSentence.Pin(joint)
            : joint.HasTabOrWire ? TighteningSentence.Lock(joint) : $"Lock {Fixes.The(joint)}."));
}
