using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC003: a sheet in review with a value that nobody but its author has read from the source.</summary>
public sealed class ValueUnverified : ThingRule<Joint>
{
    /// <summary>The rule's id.</summary>
    public const string Id = "SRC003";

    public override RuleInfo Info { get; } = new(Id, Severity.Stop, "Value unverified");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (walk.Workshop.Checks is not { } checks || joint.Torque is not { } torque || string.IsNullOrWhiteSpace(joint.Source)) return;
        if (checks.Last(new StatedValue(joint, "", torque)).Standing() == ValueStanding.Unverified)
            found.Add(AtTorque(walk, joint, $"Nobody but its author has read the value of {joint.Label} from “{joint.Source}”. A reviewer reads it there and writes it under Review, without looking here."));
    }
}
