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
        if (walk.Workshop.Checks is not { } checks || joint.Torque is null) return;
        if (ValueUnverified.StatedOn(walk, joint).Select(v => checks.Last(v)).FirstOrDefault(c => c is { Agrees: false }) is { } last)
            found.Add(AtTorque(walk, joint, $"{last.Who} reads {last.Read} for {joint.Label} in “{joint.Source}”, and the sheet states another value. One of the two is wrong: read it again there, or return the sheet to its author."));
    }
}
