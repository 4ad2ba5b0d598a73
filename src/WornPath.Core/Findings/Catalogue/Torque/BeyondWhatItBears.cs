using WornPath.Core.Workshops;
using System.Globalization;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>
/// TRQ003: a torque that takes the fastener past its proof load: a Stop where the target itself does, a Warn where
/// only low friction brings it there (see <see cref="Preload"/>). A value that would fit under another unit is TRQ005.
/// </summary>
public sealed class BeyondWhatItBears : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ003", Severity.Stop, "Value beyond what the fastener bears");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        var judgement = JointJudgement.Of(joint, walk.Workshop);
        if (judgement.Meant is null && judgement.Preload is { Verdict: PreloadVerdict.MayYield or PreloadVerdict.Yields } preload) found.Add(Of(walk, joint, judgement.Target!.Value, preload, ""));
        foreach (var variant in joint.Variants)
        {
            // A variant of the header has a walk of its own, with its own value.
            if (variant.IsOf(walk.Whole.Header.Variants)) continue;
            var target = variant.Torque.TargetBy(walk.Workshop.Rules.Target);
            if (Preload.Of(joint.Fastener, variant.Torque, walk.Workshop.Rules.NutFactors.Of(joint.Treatment), walk.Workshop.Rules.Target,
                Preload.ScatterOf(joint, walk.Workshop.Rules.Scatter)) is { Verdict: PreloadVerdict.MayYield or PreloadVerdict.Yields } there)
                found.Add(Of(walk, joint, target, there, $", {variant.When},"));
        }
    }

    private Finding Of(Walk walk, Joint joint, Quantities.Torque target, Preload preload, string when)
    {
        var fastener = $"{joint.Fastener!.Thread} {joint.Fastener.Class}";
        var bears = new Quantities.Torque((decimal)Preload.TorqueFor(joint.Fastener, 1, preload.NutFactor)!.Value, TorqueUnit.NewtonMetre).In(target.Unit);
        var shown = $"{Rounding.ToSettable(bears).ToString("0.#", CultureInfo.InvariantCulture)} {target.Unit.Symbol()}";
        var percent = (preload.Utilisation * 100).ToString("0", CultureInfo.InvariantCulture);
        var message = preload.Verdict == PreloadVerdict.Yields
            ? $"{target}{when} is above what {Article(fastener)} {fastener} bears (about {shown}): {percent} % of its proof load. Is this {joint.Id}’s value, and is the unit right?"
            : $"{target}{when} may pass the proof load of {Article(fastener)} {fastener} where friction is low ({percent} % of it at the target; it is reached at about {shown}). Check the value of {joint.Id}.";
        var finding = AtTorque(walk, joint, message);
        return preload.Verdict == PreloadVerdict.Yields ? finding : finding with { Severity = Severity.Warn };
    }

    private static string Article(string fastener) => fastener[0] is 'M' or '8' ? "an" : "a";
}
