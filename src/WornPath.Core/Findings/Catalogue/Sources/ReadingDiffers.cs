using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC004: a second person reads another value from the source than the sheet states.</summary>
public sealed class ReadingDiffers : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("SRC004", Severity.Stop, "Second reading differs");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (walk.Workshop.Checks is not { } checks || joint.Torque is not { } torque) return;
        if (checks.Last(new StatedValue(joint, "", torque)) is { Agrees: false } last)
            found.Add(AtTorque(walk, joint, $"{last.Who} reads {last.Read} for {joint.Label} in “{joint.Source}”, and the sheet states another value. One of the two is wrong: read it again there, or return the sheet to its author."));
    }
}
