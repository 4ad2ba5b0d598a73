using System.Globalization;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD009: a step says how many fasteners a joint has, and the joint has another number.</summary>
public sealed class OtherCountSaid : AgreementRule
{
    public override RuleInfo Info { get; } = new("WRD009", Severity.Warn, "Another count said");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.Actions.Any(a => CountSaid.Of(step.Text, a.At) is not null);

    protected override Said? Differs(Walk walk, Step step, StepAction action, Joint joint)
    {
        if (CountSaid.Find(step.Text, action.At) is not { } said || said.Count == joint.Count
            || CountSaid.IsOfEach(step.Text, action.At, said.Count, joint.Count)) return null;
        var (takes, has) = (said.Count.ToString(CultureInfo.InvariantCulture), joint.Count.ToString(CultureInfo.InvariantCulture));
        return new Said(said.At, takes, has, "count", takes, joint.Count > 1 ? has : null);
    }
}
