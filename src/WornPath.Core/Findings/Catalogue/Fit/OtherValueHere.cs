using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FIT005: a step states a torque that is not the joint's on the variant that is walked.</summary>
public sealed class OtherValueHere : Rule
{
    public override RuleInfo Info { get; } = new("FIT005", Severity.Stop, "Another variant's value");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Doing(Verb.Torque))
        {
            if (walked.Thing is not Joint { Torque: { } own, Variants.Length: > 0 } joint || walked.Action is not { Verb: Verb.Torque, Torque: { } stated }) continue;
            if (Math.Abs(stated.Target.NewtonMetres - own.Target.NewtonMetres) <= 0.015 * own.Target.NewtonMetres) continue;
            yield return At(walked, $"This step says {stated}, and here {joint.Label} has {own}. Begin the sentence with the variants it is for, or leave the value out: the joint has it.");
        }
    }
}
