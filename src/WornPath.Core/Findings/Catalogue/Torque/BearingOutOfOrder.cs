using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ019: a bearing is adjusted otherwise than seated, backed off and set: one of the three is missing, or in another place.</summary>
public sealed class BearingOutOfOrder : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ019", Severity.Stop, "Bearing adjusted out of order");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Torque is not { Back: { } back } spec) return;
        WalkEvent? seated = null, backed = null, set = null, last = null, early = null;
        foreach (var walked in walk.EventsOf(joint.Id))
        {
            switch (walked.Verb)
            {
                case Verb.TakeOut:
                    (seated, backed, set, last, early) = (null, null, null, null, null);
                    continue;
                // Before anything is tightened it only comes undone.
                case Verb.Loosen or Verb.BackOff or Verb.BreakLoose when seated is null && set is null:
                    if (walked.Verb == Verb.BackOff && walked.Acted.Stage == JointStage.Started) early = walked;
                    continue;
                case Verb.TorquePass:
                    seated ??= walked;
                    break;
                // Said in one sentence, its value is the whole of it.
                case Verb.Torque when spec.Seat is { } seat && walked.Action.Torque is { } said && said.Target.NewtonMetres >= seat.NewtonMetres * 0.9
                    && seated is null:
                    seated = walked;
                    break;
                case Verb.Torque:
                    set = walked;
                    if (walked.Action.Torque is { Back: not null } or null) backed ??= walked;
                    if (walked.Action.Torque is { Seat: not null } or null) seated ??= walked;
                    break;
                case Verb.BackOff or Verb.Loosen:
                    if (walked.Action.Angle is { } angle && Math.Abs(angle - back) > 5)
                        found.Add(At(walked, $"{joint.Label} is backed off {angle:0.#}° here, and Joints says {back:0.#}°."));
                    backed = walked;
                    break;
                case Verb.TurnOn when seated is not null && backed is null:
                    found.Add(At(walked, $"{joint.Label} is turned on here where {joint.It} {joint.Are} to be backed off {back:0.#}°: the bearing is crushed."));
                    return;
                default:
                    continue;
            }

            last = walked;
        }

        if (last is null && early is null) return;
        last ??= early!;
        if (seated is null && spec.Seat is { } first)
            found.Add(At(last, $"{joint.Label} is not seated at {first} before {joint.It} {joint.Are} {(set is null ? "backed off" : "set")}: rollers that were never "
                + "pressed home leave play behind."));
        else if (backed is null && early is not null && seated is not null)
            found.Add(At(early, $"{joint.Label} is backed off here, before {joint.It} {joint.Are} seated in step {seated.StepIndex + 1}."));
        else if (backed is null)
            found.Add(At(set ?? last, $"{joint.Label} is seated and never backed off {back:0.#}°: the bearing runs under the seating load and burns.",
                seated is not null && seated != set ? Fixes.InsertAfter(walk, seated.StepIndex, $"Back {joint.Id} off",
                    $"Back {Fixes.The(joint)} off {back:0.#}°.") : null));
        else if (set is null)
            found.Add(At(last, $"{joint.Label} is backed off here and never set to {spec.Target}: the bearing keeps its play.",
                Fixes.InsertAfter(walk, last.StepIndex, $"Set {joint.Id}", $"Torque {Fixes.The(joint)} to {spec.Target}.")));
        else if (set.Order < backed.Order)
            found.Add(At(set, $"{joint.Label} is set here, before {joint.It} {joint.Are} backed off in step {backed.StepIndex + 1}."));
    }
}
