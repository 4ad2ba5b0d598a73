using WornPath.Core.Workshops;
using WornPath.Core.Tightening;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ007: no torque tool of the crib covers a value.</summary>
public sealed class NoWrenchCovers : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ007", Severity.Warn, "No wrench covers the value");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        var judgement = JointJudgement.Of(joint, walk.Workshop);
        if (judgement is { Meant: null, Wrench: { Wrench: null } choice })
            found.Add(AtTorque(walk, joint, $"No torque wrench of the crib covers {joint.Torque} of {joint.Label}: {string.Join("; ", choice.WhyNot)}."));
    }
}
