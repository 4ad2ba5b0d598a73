using WornPath.Core.Fasteners;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>AGR002: a step names a property class or grade, and the joint's fastener has another.</summary>
public sealed class OtherClassSaid : AgreementRule
{
    public override RuleInfo Info { get; } = new("AGR002", Severity.Warn, "Another class than in Joints");

    protected internal override bool Concerns(Step step, HouseRules rules) => Claims.Says(step, ClaimKind.Class);

    protected override Said? Differs(Walk walk, Step step, StepAction action, Joint joint)
    {
        if (joint.Fastener?.Class is not { } has || NamesSeveralJoints(walk, step)) return null;
        var said = Claims.All(step, ClaimKind.Class).Select(c => (At: c.At, Value: c.At.Of(step.Text))).ToList();
        if (said.Exists(s => PropertyClass.Parse(s.Value) is { IsGood: true } parsed && parsed.Value == has)) return null;
        if (said.Find(s => PropertyClass.Parse(s.Value).IsGood) is not { Value: not null } other) return null;
        var takes = (joint.Fastener with { Class = PropertyClass.Parse(other.Value).Value }).ToString();
        return new Said(other.At, other.Value, has, "fastener", takes, has);
    }
}
