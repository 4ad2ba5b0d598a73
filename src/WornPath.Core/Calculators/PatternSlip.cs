using WornPath.Core.Fasteners;
using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Workshops;

namespace WornPath.Core.Calculators;

/// <summary>The order and the passes of a pattern.</summary>
public sealed class PatternSlip : Calculator
{
    public override string Id => "pattern";

    public override string Title => "In which order and passes?";

    public override ImmutableArray<SlipCell> Cells { get; } = [new("count", "how many fasteners", "8"), new("pattern", "how they lie", "circle"), new("torque", "torque", "95 N·m")];

    public override IReadOnlyDictionary<string, string>? For(Joint joint, Workshop workshop) => joint is { Pattern: { } pattern, Torque: { } spec }
        ? new Dictionary<string, string> { ["count"] = joint.Count.ToString(), ["pattern"] = pattern.ToString(), ["torque"] = spec.TargetBy(workshop.Rules.Target).ToString() }
        : null;

    protected override Outcome<Slip> Work(CellReader cells, Workshop workshop)
    {
        var count = (int)cells.Number("count", 1, 200);
        var pattern = cells.Read("pattern", Pattern.Parse);
        var spec = cells.Read("torque", t => TorqueText.Parse(t, TorqueUnit.NewtonMetre));
        if (cells.Problem is { } bad) return bad;
        if (pattern!.CheckCount(count) is { } odd) return odd.At("how they lie");
        var order = string.Join("-", TighteningOrder.Of(pattern, count));
        var passes = Passes.Of(count, pattern.Shape, spec!.Target, Rounding.SettableStep((double)spec.Target.Amount), workshop.Rules);
        return new Slip(pattern.Shape == PatternShape.Circle ? "opposite pairs, each far from the last; odd numbers by the star" : "from the centre outwards, each followed by the one across", pattern.Shape == PatternShape.Circle ? "ASME PCC-1, legacy pattern" : "common practice, no source",
            [new("n", "fasteners", count.ToString(), "as entered"), new("T", "target", spec.Target.ToString(), "as entered")],
            [$"order {order}", .. passes.Select(p => $"pass {p.Number}: {p.Value} ({p.Percent} %), {p.Says}")],
            $"{order}, in {passes.Length} round{(passes.Length == 1 ? "" : "s")}.",
            "Where a maker gives an order, it goes before this one.");
    }
}
