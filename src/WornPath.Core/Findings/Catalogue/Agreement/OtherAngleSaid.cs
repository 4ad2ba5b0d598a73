using System.Globalization;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ018: a nut is backed off by another angle than its specification states.</summary>
public sealed class OtherAngleSaid : AgreementRule
{
    public override RuleInfo Info { get; } = new("TRQ018", Severity.Warn, "Another angle said");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.Actions.Any(a => a is { Verb: Verb.BackOff, Angle: not null });

    protected override Said? Differs(Walk walk, Step step, StepAction action, Joint joint)
    {
        if (joint.Torque?.Back is not { } back || action is not { Verb: Verb.BackOff, Angle: { } said } || said == back) return null;
        var (from, to) = (Degrees(said), Degrees(back));
        // The value of a bearing is one text, so that Joints does not take a part of it over.
        return new Said(new Span(Math.Max(0, step.Text.IndexOf(from, StringComparison.Ordinal)), step.Text.Contains(from, StringComparison.Ordinal) ? from.Length : 0), $"back {from}", $"back {to}", "", "", to);
    }

    private static string Degrees(decimal angle) => angle.ToString("0.##", CultureInfo.InvariantCulture) + "°";
}
