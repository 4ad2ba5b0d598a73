using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>AGR005: a step torques a joint in a condition, and Joints has another for it, or none.</summary>
public sealed class OtherConditionSaid : AgreementRule
{
    public override RuleInfo Info { get; } = new("AGR005", Severity.Warn, "Another condition than in Joints");

    private static readonly (ClaimKind Claim, TighteningCondition Means)[] Conditions =
    [
        (ClaimKind.TyreTouching, TighteningCondition.TyreTouching),
        (ClaimKind.SuspensionLoaded, TighteningCondition.SuspensionLoaded),
        (ClaimKind.WhileTurning, TighteningCondition.Turning),
    ];

    protected internal override bool Concerns(Step step, HouseRules rules) => SaidIn(step) is not null;

    protected override Said? Differs(Walk walk, Step step, StepAction action, Joint joint)
    {
        if (action.Verb is not (Verb.Torque or Verb.TorquePass) || SaidIn(step) is not var (at, said)) return null;
        // A bearing is turned while it is seated, without anybody saying it in Joints. Wheel fasteners are judged by their own rule, whatever the condition is called.
        if (said == joint.Condition || (said == TighteningCondition.Turning && joint.Torque?.Seat is not null) || (said == TighteningCondition.TyreTouching && joint.Condition == TighteningCondition.None && Natures.HoldsAWheel(joint, walk.Things))) return null;
        var stands = joint.Condition == TighteningCondition.None ? "" : $"“{EnumWord.Of(joint.Condition)}”";
        return new Said(at, $"“{at.Of(step.Text)}”", stands, "condition", EnumWord.Of(said), null);
    }

    // The first condition the words say.
    private static (Span At, TighteningCondition Means)? SaidIn(Step step)
    {
        foreach (var claim in Claims.Of(step))
            foreach (var (kind, means) in Conditions)
                if (claim.Kind == kind && !claim.Denied) return (claim.At, means);
        return null;
    }
}
