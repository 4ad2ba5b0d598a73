using WornPath.Core.Workshops;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ006: two joints beside each other take the same wrench and differ in value or length, and the sheet does not tell them apart.</summary>
public sealed class LookAlikeJoints : Rule
{
    public override RuleInfo Info { get; } = new("TRQ006", Severity.Warn, "Look-alike joints");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var pair in LookAlike.Find(walk))
            yield return AtTorque(walk, pair.One, $"{pair.One.Label} and {pair.Other.Label} look alike ({pair.Same}) and differ: {pair.Differ}. Say in Joints how each is told from the other.");
    }
}
