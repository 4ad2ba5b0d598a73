using System.Collections.Immutable;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Calculators;

/// <summary>Whether the hole or the screw gives first.</summary>
public sealed class StrippingSlip : Calculator
{
    public override string Id => "stripping";

    public override string Title => "Does the thread strip before the screw yields?";

    public override ImmutableArray<SlipCell> Cells { get; } = [new("fastener", "fastener", "M8 8.8"), new("into", "tapped into", "cast aluminium, 16 mm")];

    public override IReadOnlyDictionary<string, string>? For(Joint joint, Workshop workshop) => joint is { Into: { } hole, Fastener: { Thread: { } thread, Class: { } made } }
        ? new Dictionary<string, string> { ["fastener"] = $"{thread} {made}", ["into"] = hole.ToString() }
        : null;

    protected override Outcome<Slip> Work(CellReader cells, Workshop workshop)
    {
        var fastener = cells.Read("fastener", FastenerText.Parse);
        var hole = cells.Read("into", TappedHole.Parse);
        if (cells.Problem is { } bad) return bad;
        if (fastener!.Thread is not { } thread || fastener.ProofLoadKn() is not { } proof) return new Problem("Thread and class are both needed.", "Write them as M8 8.8.", "fastener");
        double area = TappedHole.InternalShearAreaMm2(thread, hole!.EngagementMm), strips = hole.StripsAtKn(thread), needed = hole.EngagementForMm(thread, proof);
        var tensile = PropertyClass.TensileStrength(fastener.Class!, thread)!.Value;
        double own = TappedHole.ShearRatio * tensile * TappedHole.ExternalShearAreaMm2(thread, hole.EngagementMm) / 1000, breaks = tensile * thread.StressAreaMm2 / 1000;
        return new Slip("F_strip = τ · π · L_e/P · d · (P/2 + (d − d₂)/√3)", "FED-STD-H28/2 at basic sizes",
            [
                new("τ", "shear strength", $"{Show(TappedHole.ShearRatio)} · {Show(hole.TensileMegapascal)} MPa", $"{hole.MaterialName}: least tensile strength of a usual grade"),
                new("L_e", "engagement", $"{Show(hole.EngagementMm)} mm", "as entered"),
                new("P", "pitch", $"{Show(thread.PitchMm)} mm", "the thread"),
                new("d, d₂", "major and pitch diameter", $"{Show(thread.DiameterMm)}, {Show(thread.PitchDiameterMm)} mm", "ISO 724; ASME B1.1"),
            ],
            [$"shear area = {Show(area)} mm²", $"F_strip = {Show(TappedHole.ShearRatio * hole.TensileMegapascal)} MPa · {Show(area)} mm² = {Show(strips)} kN", $"proof load of the screw = {Show(proof)} kN", $"engagement for the proof load = {Show(needed)} mm ({Show(needed / thread.DiameterMm)} d)", $"the screw’s own thread strips at {Show(own)} kN, the screw breaks at {Show(breaks)} kN"],
            strips < proof ? $"The hole gives first, at {Percent(strips / proof)} of the screw’s proof load." : $"The screw gives first; the hole bears {Percent(strips / proof)} of its proof load.",
            "Clean, full threads are taken for granted; a hole that was stripped once bears less.");
    }
}
