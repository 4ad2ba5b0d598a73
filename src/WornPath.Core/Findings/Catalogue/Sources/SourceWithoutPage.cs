using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC002: a value names its source without a page, table or edition: nobody can look it up to verify it.</summary>
public sealed class SourceWithoutPage : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("SRC002", Severity.Hint, "Source without a page");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint is { Torque: not null, Source.Length: > 0 } && !joint.Source.Any(char.IsAsciiDigit))
            found.Add(AtTorque(walk, joint, $"The value of {joint.Label} is from “{joint.Source}”, without a page, table or edition: whoever verifies it has to search. Add it."));
    }
}
