using WornPath.Core.Workshops;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO011: a joint is locked by a cotter pin, and its nut has no slots for one.</summary>
public sealed class PinInPlainNut : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("CLO011", Severity.Warn, "Cotter pin in a nut without slots");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Locking != Locking.CotterPin
            || joint.Fastener is not { Form: FastenerForm.Nut or FastenerForm.LockNut or FastenerForm.FlangeNut } fastener) return;
        found.Add(AtTorque(walk, joint,
            $"{joint.Label} {joint.Are} locked by a cotter pin, and Joints has {fastener}: only a castle nut has slots for a pin. Is it a castle nut?"));
    }
}
