using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ020: the cotter pin goes in before its nut has its final torque.</summary>
public sealed class PinBeforeTorque : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ020", Severity.Stop, "Pin before the torque");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        foreach (var walked in walk.EventsOf(joint.Id))
        {
            if (walked.Verb != Verb.InsertPin
                || walked.Acted.Stage is JointStage.Tight or JointStage.Torqued or JointStage.Aligned or JointStage.Locked or JointStage.Marked) continue;
            var later = walk.EventsOf(joint.Id).FirstOrDefault(e => e.Order > walked.Order && e.Verb == Verb.Torque);
            if (later is null && joint.Torque is null) continue;
            found.Add(At(walked, $"The pin of {joint.Label} goes in here, and the nut is {Bench.Says(joint, walked.Acted)}: "
                + $"{(later is null ? "it never gets its torque" : $"it gets its torque only in step {later.StepIndex + 1}, and does not turn with the pin in")}.",
                later is null || later.Step.Id == walked.Step.Id ? null : Fixes.MoveAfter(walk, walked.Step, later.Step)));
        }
    }
}
