using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ026: a bolt is shorter than the thread it is said to be in.</summary>
public sealed class TooShort : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ026", Severity.Warn, "Bolt too short for its hole");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint is not { Fastener.Length: { } length, Into: { } hole } || length.Millimetres >= hole.EngagementMm) return;
        found.Add(AtTorque(walk, joint,
            $"{joint.Label}: a bolt of {length} cannot be {hole.EngagementMm:0.#} mm deep in its thread, as Joints says ({hole}), whatever it clamps. "
            + "Check the length."));
    }
}
