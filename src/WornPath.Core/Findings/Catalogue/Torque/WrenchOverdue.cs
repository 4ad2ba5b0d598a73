using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ008: the only wrench that covers a value is overdue for calibration.</summary>
public sealed class WrenchOverdue : Rule
{
    public override RuleInfo Info { get; } = new("TRQ008", Severity.Hint, "Wrench overdue for calibration");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
            if (JointJudgement.Of(joint, walk.Workshop).Wrench is { Overdue: { } overdue }) yield return AtTorque(walk, joint, $"{overdue}; no other covers {joint.Torque} of {joint.Label}.");
    }
}
