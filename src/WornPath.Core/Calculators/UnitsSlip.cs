using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Calculators;

/// <summary>A torque in every unit.</summary>
public sealed class UnitsSlip : Calculator
{
    public override string Id => "units";

    public override string Title => "What is this torque in another unit?";

    public override ImmutableArray<SlipCell> Cells { get; } = [new("torque", "torque", "70 lbf·ft")];

    public override IReadOnlyDictionary<string, string>? For(Joint joint, Workshop workshop) => joint.Torque is { } spec ? new Dictionary<string, string> { ["torque"] = spec.ToString() } : null;

    protected override Outcome<Slip> Work(CellReader cells, Workshop workshop)
    {
        var spec = cells.Read("torque", t => TorqueText.Parse(t));
        if (spec is null) return cells.Problem!;
        var others = Enum.GetValues<TorqueUnit>().Where(u => u != spec.Unit).ToList();
        return new Slip("1 lbf·ft = 1.355 818 N·m, 1 lbf·in = 0.112 985 N·m, 1 kgf·m = 9.806 65 N·m", "NIST SP 811", [new("T", "torque", spec.ToString(), "as entered")],
            [.. others.Select(u => $"{spec.Target} = {Show(spec.Target.In(u))} {u.Symbol()}")],
            $"{spec} is {string.Join(", ", others.Select(spec.ShownIn))}.",
            "Rounded to what a wrench can be set to; a range is never made wider.");
    }
}
