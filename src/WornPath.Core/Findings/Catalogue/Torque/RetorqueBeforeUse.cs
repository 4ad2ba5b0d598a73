using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ022: a joint is torqued again before anything could have settled.</summary>
public sealed class RetorqueBeforeUse : Rule
{
    public override RuleInfo Info { get; } = new("TRQ022", Severity.Warn, "Retorque before the first use");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var again in walk.Doing(Verb.Retorque))
        {
            if (again is not { Thing: Joint joint, Action.If: { } when }) continue;
            var later = walk.EventsOf(joint.Id).FirstOrDefault(e => e.Order > again.Order && e.Verb == Verb.Torque);
            if (later is null && !walk.VehicleBefore(again.Order).State.Vehicle.InTheAir) continue;
            var behind = later?.StepIndex ?? walk.Steps.Count - 1;
            yield return At(again, $"{joint.Label} {joint.Are} torqued again here, {when}, and "
                + $"{(later is null ? "the vehicle is still up" : $"{joint.Or("gets", "get")} {joint.Its} first torque only in step {later.StepIndex + 1}")}.",
                behind == again.StepIndex ? null : Fixes.MoveAfter(walk, again.StepIndex, behind));
        }
    }
}
