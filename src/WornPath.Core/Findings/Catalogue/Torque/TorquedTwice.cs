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
            if (walked.Thing is not Joint joint || walked.Verb != Verb.Torque || walked.Before.Joint.Stage is not (JointStage.Torqued or JointStage.Aligned or JointStage.Locked or JointStage.Marked)) continue;
            if (Retorque(walked.Step.Text)) continue;
            yield return At(walked, $"{joint.Label} {(joint.Count > 1 ? "have" : "has")} the final torque already. Say that it is a check or a retorque, or take one of the two out{(Tightening.TreatmentAdvice.IsLocker(joint.Treatment) ? "; turned on, the threadlocker’s film is broken" : "")}.");
        }
    }

    /// <summary>True where the words say that a joint is torqued again on purpose.</summary>
    internal static bool Retorque(string text) => text.Contains("retorque", StringComparison.OrdinalIgnoreCase) || text.Contains("re-torque", StringComparison.OrdinalIgnoreCase) || text.Contains("again", StringComparison.OrdinalIgnoreCase) || text.Contains("once round", StringComparison.OrdinalIgnoreCase) || text.Contains("check", StringComparison.OrdinalIgnoreCase);
}
