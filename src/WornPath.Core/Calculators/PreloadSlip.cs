using System.Collections.Immutable;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Workshops;

namespace WornPath.Core.Calculators;

/// <summary>What a torque does to a fastener.</summary>
public sealed class PreloadSlip : Calculator
{
    public override string Id => "preload";

    public override string Title => "What does this torque do to the fastener?";

    public override ImmutableArray<SlipCell> Cells { get; } = [new("fastener", "fastener", "M10 8.8"), new("torque", "torque", "49 N·m"), new("k", "nut factor K", "0.2"), new("mu", "friction μ", "0.14")];

    public override IReadOnlyDictionary<string, string>? For(Joint joint, Workshop workshop) => joint is { Fastener: { Thread: { } thread, Class: { } made }, Torque: { IsAdjustment: false } spec }
        ? new Dictionary<string, string>
        {
            ["fastener"] = $"{thread} {made}",
            ["torque"] = spec.TargetBy(workshop.Rules.Target).ToString(),
            ["k"] = Show(workshop.Rules.NutFactors.Of(joint.Treatment)),
            ["mu"] = joint.Treatment == Treatment.None ? "0.14" : "0.12",
        }
        : null;

    protected override Outcome<Slip> Work(CellReader cells, Workshop workshop)
    {
        var fastener = cells.Read("fastener", FastenerText.Parse);
        var spec = cells.Read("torque", t => TorqueText.Parse(t, TorqueUnit.NewtonMetre));
        double k = cells.Number("k", 0.05, 0.6), mu = cells.Number("mu", 0.03, 0.5);
        if (cells.Problem is { } bad) return bad;
        if (fastener!.Thread is not { } thread || fastener.Class is not { } made) return new Problem("Thread and class are both needed.", "Write them as M10 8.8 or 3/8-16 grade 5.", "fastener");
        var torque = spec!.Target.NewtonMetres;
        // A nut factor as high as that of steel as received is one of dry threads.
        var dry = k >= workshop.Rules.NutFactors.AsReceived;
        var scatter = dry ? Preload.ScatterDry(workshop.Rules.Scatter) : workshop.Rules.Scatter;
        var preload = new Preload(Preload.ShortFormKn(torque, thread, k), fastener.ProofLoadKn()!.Value, k, scatter);
        double proof = preload.ProofKn, force = preload.TargetKn, longForce = Preload.LongFormKn(torque, thread, mu, mu);
        var verdict = preload.Verdict switch
        {
            PreloadVerdict.Yields => "The value itself passes the proof load: the fastener yields.",
            PreloadVerdict.MayYield => "It may pass the proof load where friction is low, and is above what is usual.",
            PreloadVerdict.TooLittle => "It is little: will the joint hold?",
            _ => "The fastener bears it.",
        };
        return new Slip(
            "F = T / (K · d)",
            "Shigley, Mechanical Engineering Design; NASA RP-1228",
            [
                new("T", "torque", spec.Target + (spec.Unit == TorqueUnit.NewtonMetre ? "" : $" = {Show(torque)} N·m"), "as entered"),
                new("K", "nut factor", Show(k), "house rules: Shigley, table 8–15"),
                new("d", "nominal diameter", $"{Show(thread.DiameterMm)} mm", "the thread"),
                new("A_s", "stress area", $"{Show(thread.StressAreaMm2)} mm²", thread is InchThread ? "ASME B1.1" : "ISO 898-1, ISO 724"),
                new("S_p", "proof strength", $"{Show(PropertyClass.ProofStrength(made, thread)!.Value)} MPa", made.StartsWith('g') ? "SAE J429" : PropertyClass.IsStainless(made) ? "ISO 3506-1, 0.2 % limit" : "ISO 898-1"),
            ],
            [
                $"F = {Show(torque)} N·m / ({Show(k)} · {Show(thread.DiameterMm)} mm) = {Show(force)} kN",
                $"proof load = {Show(thread.StressAreaMm2)} mm² · {Show(PropertyClass.ProofStrength(made, thread)!.Value)} MPa = {Show(proof)} kN",
                $"F / proof load = {Percent(preload.Utilisation)}, {Percent(preload.Low)} to {Percent(preload.High)} with the scatter of a hand wrench",
                $"long form (VDI 2230) with μ = {Show(mu)}: {Show(longForce)} kN, {Percent(longForce / proof)}",
            ],
            $"{Percent(preload.Utilisation)} of the proof load. {verdict}",
            "A common advice is 75 % of the proof load for a joint that is taken apart, 90 % for one that is not. The maker’s value goes before it.");
    }
}
