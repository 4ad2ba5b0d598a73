using WornPath.Core.Workshops;
using System.Globalization;
using WornPath.Core.Fasteners;
using WornPath.Core.Tightening;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ009: the nut or the tapped hole is weaker than what the torque asks of it, or a nut is weaker than its bolt.</summary>
public sealed class ThreadStrips : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ009", Severity.Stop, "The weaker thread strips");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        var judgement = JointJudgement.Of(joint, walk.Workshop);
        if (judgement.Stripping is not { } weaker) return;
        // Of a nut the torque alone tells what it is loaded with, whatever its bolt is.
        var force = judgement.Preload?.TargetKn
            ?? (joint is { Fastener.Thread: { } thread, Torque: { ThenAngle: null, IsAdjustment: false } } && judgement.Target is { } target
                ? Preload.ShortFormKn(target.NewtonMetres, thread, walk.Workshop.Rules.NutFactors.Of(joint.Treatment)) : 0);
        var scatter = judgement.Preload?.Scatter ?? Preload.ScatterOf(joint, walk.Workshop.Rules.Scatter);
        var bears = $"{weaker.What} of {joint.Label} bears about {weaker.LoadKn.ToString("0.#", CultureInfo.InvariantCulture)} kN";
        if (force > weaker.LoadKn)
            found.Add(AtTorque(walk, joint, $"{Capital(bears)}; {judgement.Target} asks {force.ToString("0.#", CultureInfo.InvariantCulture)} kN of it. {weaker.Advice}"));
        else if (force * (1 + scatter) > weaker.LoadKn)
            found.Add(AtTorque(walk, joint, $"{Capital(bears)}; where friction is low {judgement.Target} asks {(force * (1 + scatter)).ToString("0.#", CultureInfo.InvariantCulture)} kN of it. {weaker.Advice}") with { Severity = Severity.Warn });
        else if (joint.Fastener is { NutClass: { } nut, Class: { } bolt } && NutClass.Bears(nut, bolt) == false)
            found.Add(AtTorque(walk, joint,
                $"A nut of {Fasteners.NutClass.Named(nut)} is weaker than the {bolt} bolt of {joint.Label}: it strips before the bolt breaks. "
                + $"{weaker.Advice}") with
            { Severity = Severity.Warn });
    }

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
