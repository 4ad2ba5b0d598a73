using WornPath.Core.Building;
using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR002: threadlocker on a prevailing-torque nut.</summary>
public sealed class LockerOnLockNut : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("THR002", Severity.Warn, "Threadlocker on a prevailing-torque nut");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Fastener?.Form == FastenerForm.LockNut && TreatmentAdvice.IsLocker(joint.Treatment))
            found.Add(AtTorque(walk, joint, $"The nut of {joint.Label} locks by itself, and gets {TighteningSentence.TreatmentWords(joint)} as well: the compound spoils the insert and adds to the running torque.", new Fix("Leave the threadlocker out", new SetField(joint.Id, "treatment", EnumWord.Of(joint.Treatment), EnumWord.Of(Sheets.Treatment.None)))));
    }
}
