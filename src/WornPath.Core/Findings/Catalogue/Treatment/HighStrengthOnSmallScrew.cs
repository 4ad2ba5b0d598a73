using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Tightening;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR003: high-strength threadlocker on a screw so small that it breaks before it comes undone.</summary>
public sealed class HighStrengthOnSmallScrew : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("THR003", Severity.Warn, "High strength on a small screw");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Treatment == Sheets.Treatment.ThreadlockerHigh && joint.Fastener?.Thread is { DiameterMm: <= TreatmentAdvice.SmallMm } thread)
            found.Add(AtTorque(walk, joint, $"{joint.Label}, {thread}, get high-strength threadlocker: they break before they come undone.", new Fix("Low strength instead", new SetField(joint.Id, "treatment", EnumWord.Of(joint.Treatment), EnumWord.Of(Sheets.Treatment.ThreadlockerLow)))));
    }
}
