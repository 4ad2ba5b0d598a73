using WornPath.Core.Workshops;
using WornPath.Core.Tightening;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ008: the only wrench that covers a value is overdue for calibration.</summary>
public sealed class WrenchOverdue : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ008", Severity.Hint, "Wrench overdue for calibration");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (JointJudgement.Of(joint, walk.Workshop).Wrench is { Overdue: { } overdue }) found.Add(AtTorque(walk, joint, $"{overdue}; no other covers {joint.Torque} of {joint.Label}."));
    }
}
