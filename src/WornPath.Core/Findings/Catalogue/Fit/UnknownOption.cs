using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FIT003: something is limited to a variant or side that the header does not have.</summary>
public sealed class UnknownOption : Rule
{
    public override RuleInfo Info { get; } = new("FIT003", Severity.Stop, "No such variant or side");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        var factors = walk.Whole.Header.Variants;
        foreach (var thing in walk.Whole.Things)
            if (thing.Only?.Unknown(factors).FirstOrDefault() is { } unknown)
                yield return At(null, -1, thing, $"{thing.Label} is there on “{unknown}” only, and the header has no such variant or side.", new Fix($"Let {thing.Id} be there on all", new SetField(thing.Id, "only", thing.Only.ToString(), "")));
        if (factors.IsEmpty) yield break;
        foreach (var joint in walk.Whole.Joints)
            foreach (var variant in joint.Variants)
                if (variant.Limit?.Unknown(factors).FirstOrDefault() is { } unknown)
                    yield return AtTorque(walk, joint, $"{joint.Label} has a value for “{unknown}”, and the header has no such variant or side: the value is never used.");
    }
}
