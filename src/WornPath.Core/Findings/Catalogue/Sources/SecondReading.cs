using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>A rule on what second persons have read of the values of a sheet: asked in review alone. Of a joint, a fluid or a step one value is told at a time.</summary>
public abstract class SecondReading : Rule
{
    public override IEnumerable<Finding> Find(Walk walk)
    {
        if (walk.Workshop.Checks is not { } checks) yield break;
        foreach (var (thing, stepIndex, values) in ValuesOf(walk))
        {
            if (values.Select(v => Says(v, checks.Last(v))).FirstOrDefault(said => said is not null) is not { } message) continue;
            yield return thing switch
            {
                Joint joint => AtTorque(walk, joint, message),
                not null => walk.EventsOf(thing.Id).FirstOrDefault(e => e.Verb == Verb.Fill) is { } filled ? At(filled, message) : At(null, -1, thing, message),
                null => At(walk.Steps[stepIndex], stepIndex, null, message),
            };
        }
    }

    // The values of a walk, each with what it is of there: a thing, or a step.
    private static IEnumerable<(Thing? Thing, int StepIndex, IEnumerable<StatedValue> Values)> ValuesOf(Walk walk)
    {
        foreach (var thing in walk.Sheet.Things)
            if (thing is Joint { Torque: not null } joint)
                // On a walk a joint has the value of its variant; of the passes those count that its steps state.
                yield return (joint, -1, StatedTorque.Of(joint with { Variants = [] },
                    walk.EventsOf(joint.Id).Where(e => e.Action is { Verb: Verb.TorquePass, Torque: not null }).Select(e => e.Action.Torque!)));
            else if (thing is Fluid fluid) yield return (fluid, -1, StatedAmount.Of(fluid));
        for (var i = 0; i < walk.Steps.Count; i++)
            if (walk.Steps[i].Source is not null) yield return (null, i, StatedLimits.Of(walk.Steps[i], i + 1, id => walk.Things.GetValueOrDefault(id)));
    }

    /// <summary>What is found of a value, by the last that was read for it; null where nothing is.</summary>
    protected abstract string? Says(StatedValue value, ValueCheck? last);
}
