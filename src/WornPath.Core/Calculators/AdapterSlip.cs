using WornPath.Core.Fasteners;
using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Workshops;

namespace WornPath.Core.Calculators;

/// <summary>The setting of a wrench with a crow-foot or extension.</summary>
public sealed class AdapterSlip : Calculator
{
    public override string Id => "adapter";

    public override string Title => "What is the wrench set to with a crow-foot?";

    public override ImmutableArray<SlipCell> Cells { get; } = [new("torque", "torque at the fastener", "60 N·m"), new("length", "length of the wrench, grip to square", "400 mm"), new("adapter", "adapter, length and angle", "60 mm at 0°")];

    public override IReadOnlyDictionary<string, string>? For(Joint joint, Workshop workshop) => joint is { Adapter: { } adapter, Torque: { } spec }
        ? new Dictionary<string, string>
        {
            ["torque"] = spec.TargetBy(workshop.Rules.Target).ToString(),
            ["length"] = JointJudgement.Of(joint, workshop).Wrench?.Wrench?.LengthMm is { } mm ? FormattableString.Invariant($"{mm:0.#} mm") : "400 mm",
            ["adapter"] = adapter.ToString(),
        }
        : null;

    protected override Outcome<Slip> Work(CellReader cells, Workshop workshop)
    {
        var spec = cells.Read("torque", t => TorqueText.Parse(t, TorqueUnit.NewtonMetre));
        var wrench = cells.Read("length", Length.Parse);
        var adapter = cells.Read("adapter", Adapter.Parse);
        if (cells.Problem is { } bad) return bad;
        var length = wrench.Millimetres;
        var set = adapter!.Setting(spec!.Target, length);
        if (!set.IsGood) return set.Problem.At("adapter");
        return new Slip("T_set = T · L / (L + E · cos θ)", "lever law; ISO 6789-1",
            [new("T", "torque at the fastener", spec.Target.ToString(), "as entered"), new("L", "grip to square", $"{Show(length)} mm", "measured on the wrench"), new("E", "square to fastener", $"{Show(adapter.LengthMm)} mm", "measured on the adapter"), new("θ", "between wrench and adapter", $"{Show(adapter.Degrees)}°", "0° straight on, 90° square to it")],
            [$"T_set = {Show((double)spec.Target.Amount)} · {Show(length)} / ({Show(length)} + {Show(adapter.LengthMm)} · {Show(Math.Cos(adapter.Degrees * Math.PI / 180))}) = {Show((double)set.Value.Amount)} {spec.Unit.Symbol()}"],
            $"Set the wrench to {set.Value.ShownIn(spec.Unit) with { Amount = Rounding.ToSettable((double)set.Value.Amount) }}.",
            "It holds only while the hand pulls at the middle of the grip. At 90° nothing changes.");
    }
}
