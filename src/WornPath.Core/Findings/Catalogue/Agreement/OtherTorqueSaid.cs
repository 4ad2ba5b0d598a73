using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>AGR001: a step states a torque, and Joints has another for the joint, or none.</summary>
public sealed class OtherTorqueSaid : AgreementRule
{
    public override RuleInfo Info { get; } = new("AGR001", Severity.Stop, "Another torque than in Joints");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.Actions.Any(a => a is { Verb: Verb.Torque, Torque: not null });

    protected override Said? Differs(Walk walk, Step step, StepAction action, Joint joint)
    {
        // Values by variant have a rule of their own; an open question about the value is found as such.
        if (action is not { Verb: Verb.Torque, Torque: { } torque } || joint.Variants.Length > 0) return null;
        var stated = WithAngle(torque, step, joint);
        if (Same(joint.Torque, stated)) return null;
        if (step.Questions.Any(q => q.Kind == QuestionKind.OtherValue && q.Candidates.Contains(joint.Id))) return null;
        var at = TorqueText.FindAll(step.Text).FirstOrDefault(f => f.Spec is { IsGood: true } spec && spec.Value == stated);
        return new Said(new Span(at.Start, at.Length), stated.ToString(), joint.TighteningText, "torque", stated.ToString(), joint.Torque?.ToString());
    }

    // The torque with the angle the step goes on to tell.
    private static TorqueSpec WithAngle(TorqueSpec torque, Step step, Joint joint) =>
        step.Actions.FirstOrDefault(a => a.Verb == Verb.TurnOn && a.Target == joint.Id)?.Angle is { } angle && TorqueSpec.Create(torque.Low, torque.High, torque.Unit, angle) is { IsGood: true } whole ? whole.Value : torque;

    // Another value comes from another place: the old source does not vouch for it.
    protected override IEnumerable<Edit> Besides(Joint joint) => joint.Source.Length > 0 ? [new SetField(joint.Id, "source", joint.Source, "")] : [];

    // A step may say the value alone of a range or of what goes on to an angle. In another unit it is the same within what rounding to whole numbers makes.
    private static bool Same(TorqueSpec? table, TorqueSpec stated)
    {
        if (table is null) return false;
        if (stated.ThenAngle is { } angle && angle != table.ThenAngle) return false;
        bool Near(decimal tableEnd, decimal statedEnd) => table.Unit == stated.Unit
            ? tableEnd == statedEnd
            : Math.Abs(new Torque(tableEnd, table.Unit).NewtonMetres - new Torque(statedEnd, stated.Unit).NewtonMetres) <= 0.015 * new Torque(tableEnd, table.Unit).NewtonMetres;
        return (Near(table.Low, stated.Low) && Near(table.High, stated.High)) || (!stated.IsRange && (Near(table.Target.Amount, stated.Low) || (table.Seat is { } seat && seat.Unit == table.Unit && Near(seat.Amount, stated.Low))));
    }
}
