using System.Text.RegularExpressions;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>AGR002: a step names a property class or grade, and the joint's fastener has another.</summary>
public sealed partial class OtherClassSaid : AgreementRule
{
    public override RuleInfo Info { get; } = new("AGR002", Severity.Warn, "Another class than in Joints");

    // Property classes of ISO 898-1 as they stand on a head, and grades of SAE J429 with the word before them.
    [GeneratedRegex(@"(?<![\d.,])(?<class>(?:4\.6|4\.8|5\.6|5\.8|6\.8|8\.8|9\.8|10\.9|12\.9))(?![\d.,]*\d)(?!\s*(?:mm|cm|m|in|N|lb|kg|bar|L|°|minutes?|min))|\b(?<class>grade\s+[1258])\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Class();

    protected internal override bool Concerns(Step step, HouseRules rules) => Class().IsMatch(step.Text);

    protected override Said? Differs(Walk walk, Step step, StepAction action, Joint joint)
    {
        if (joint.Fastener?.Class is not { } has || NamesSeveralJoints(walk, step)) return null;
        var said = Class().Matches(step.Text).Select(m => m.Groups["class"]).ToList();
        if (said.Exists(s => PropertyClass.Parse(s.Value) is { IsGood: true } parsed && parsed.Value == has)) return null;
        if (said.FirstOrDefault(s => PropertyClass.Parse(s.Value).IsGood) is not { } other) return null;
        var takes = (joint.Fastener with { Class = PropertyClass.Parse(other.Value).Value }).ToString();
        return new Said(new Span(other.Index, other.Length), other.Value, has, "fastener", takes, has);
    }
}
