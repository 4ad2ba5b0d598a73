using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>AGR005: a step torques a joint in a condition, and Joints has another for it, or none.</summary>
public sealed partial class OtherConditionSaid : AgreementRule
{
    public override RuleInfo Info { get; } = new("AGR005", Severity.Warn, "Another condition than in Joints");

    [GeneratedRegex(@"\b(?<tyre>(?:with|while|once|when)\s+the\s+(?:tyres?|tires?|wheels?)\s+(?:is\s+|are\s+)?(?:just\s+)?(?:touch(?:es|ing)?|on\s+the\s+ground))|\b(?<loaded>(?:with|while|once|when)\s+the\s+suspension\s+(?:is\s+)?loaded)|\b(?<turning>while\s+(?:you\s+)?(?:turn(?:ing)?|rotat(?:e|ing)|spin(?:ning)?)\s)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Condition();

    protected internal override bool Concerns(Step step, HouseRules rules) => Condition().IsMatch(step.Text);

    protected override Said? Differs(Walk walk, Step step, StepAction action, Joint joint)
    {
        if (action.Verb is not (Verb.Torque or Verb.TorquePass) || Condition().Match(step.Text) is not { Success: true } match) return null;
        var said = match.Groups["tyre"].Success ? TighteningCondition.TyreTouching : match.Groups["loaded"].Success ? TighteningCondition.SuspensionLoaded : TighteningCondition.Turning;
        // A bearing is turned while it is seated, without anybody saying it in Joints. Wheel fasteners are judged by their own rule, whatever the condition is called.
        if (said == joint.Condition || (said == TighteningCondition.Turning && joint.Torque?.Seat is not null) || (said == TighteningCondition.TyreTouching && joint.Condition == TighteningCondition.None && Natures.HoldsAWheel(joint, walk.Things))) return null;
        return new Said(new Span(match.Index, match.Length), $"“{match.Value.Trim()}”", joint.Condition == TighteningCondition.None ? "" : $"“{Fields.WordOf(joint.Condition)}”", "condition", Fields.WordOf(said), null);
    }
}
