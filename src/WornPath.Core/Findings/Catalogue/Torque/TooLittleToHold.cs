using WornPath.Core.Workshops;
using System.Globalization;
using WornPath.Core.Tightening;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ004: a torque that leaves the fastener so slack that the joint may not hold.</summary>
public sealed class TooLittleToHold : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ004", Severity.Warn, "Too little to hold");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        var judgement = JointJudgement.Of(joint, walk.Workshop);
        if (judgement is not { Meant: null, Preload: { Verdict: PreloadVerdict.TooLittle } preload }) return;
        var percent = (preload.Utilisation * 100).ToString("0", CultureInfo.InvariantCulture);
        found.Add(AtTorque(walk, joint, $"{judgement.Target} brings {joint.Label} to {percent} % of {joint.Its} proof load. Will it hold? Check the value; if snug is meant, write snug."));
    }
}
