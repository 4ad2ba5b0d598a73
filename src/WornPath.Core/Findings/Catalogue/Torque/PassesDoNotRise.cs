using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ015: a later pass asks no more than the one before, or a pass asks more than the final value.</summary>
public sealed class PassesDoNotRise : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ015", Severity.Warn, "Passes do not rise");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        // A bearing is seated with more than it keeps; what it is seated with is its own.
        if (joint.Torque is { IsAdjustment: true, Seat: var seat })
        {
            if (seat is { } asked && walk.EventsOf(joint.Id).FirstOrDefault(e => e.Action is { Verb: Verb.TorquePass, Torque: not null }) is { } seated && Math.Abs(seated.Action.Torque!.Target.NewtonMetres - asked.NewtonMetres) > 0.015 * asked.NewtonMetres)
                found.Add(At(seated, $"{joint.Label} is seated with {seated.Action.Torque} here, and with {asked} by {joint.Its} specification."));
            return;
        }

        var before = 0.0;
        foreach (var walked in walk.EventsOf(joint.Id))
        {
            if (walked.Verb is Verb.TakeOut or Verb.Loosen or Verb.BackOff or Verb.Start) before = 0;
            if (walked.Verb is not (Verb.TorquePass or Verb.Torque)) continue;
            var now = (walked.Action.Torque ?? (walked.Verb == Verb.Torque ? joint.Torque : null))?.Target.NewtonMetres ?? 0;
            if (now > 0 && now < before * 0.985)
            {
                found.Add(At(walked, FormattableString.Invariant($"{joint.Label} {joint.Are} brought to {before:0.#} N·m and then to {now:0.#} N·m: a wrench set lower only clicks. Let the passes rise to the final value.")));
                break;
            }

            if (walked.Verb == Verb.TorquePass && joint.Torque is { } final && now >= final.Target.NewtonMetres * 0.985)
            {
                found.Add(At(walked, FormattableString.Invariant($"A pass brings {joint.Label} to {now:0.#} N·m already, and the final value is {final}: the other fasteners are still loose then. Let the passes rise to it.")));
                break;
            }

            before = walked.Verb == Verb.Torque ? 0 : now;
        }
    }
}
