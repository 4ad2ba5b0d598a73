using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ016: a joint gets its final torque a second time, though nothing loosened it: with threadlocker the film is broken.</summary>
public sealed class TorquedTwice : Rule
{
    public override RuleInfo Info { get; } = new("TRQ016", Severity.Hint, "Torqued twice");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Doing(Verb.Torque))
        {
            if (walked.Thing is not Joint joint || walked.Verb != Verb.Torque || walked.Acted.Stage is not (JointStage.Torqued or JointStage.Aligned or JointStage.Locked or JointStage.Marked)) continue;
            if (Claims.Says(walked.Step, ClaimKind.Again)) continue;
            yield return At(walked, $"{joint.Label} {joint.Or("has", "have")} the final torque already. Say that it is a check or a retorque, or take one of the two out{(Tightening.TreatmentAdvice.IsLocker(joint.Treatment) ? "; turned on, the threadlocker’s film is broken" : "")}.");
        }
    }
}
