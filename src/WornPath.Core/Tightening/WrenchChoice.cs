using WornPath.Core.Fasteners;
using System.Collections.Immutable;
using System.Globalization;
using WornPath.Core.Quantities;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tightening;

/// <summary>The wrench of the crib for a value, and its setting; or why none covers it.</summary>
/// <param name="Wrench">The smallest that covers; null where none does.</param>
/// <param name="Setting">What it is set to, the adapter reckoned in; null where there is no wrench.</param>
/// <param name="WhyNot">For each wrench that does not cover, why.</param>
/// <param name="Overdue">Why the chosen one should be calibrated first; null where it need not.</param>
public sealed record WrenchChoice(Wrench? Wrench, Torque? Setting, ImmutableArray<string> WhyNot, string? Overdue)
{
    /// <summary>
    /// Chooses. A wrench covers where the setting lies in its usable range (ISO 6789-1) and its deviation keeps the torque inside the
    /// specification's range. The smallest that covers is chosen; one that is overdue only where no other covers.
    /// </summary>
    /// <param name="spec">The specification.</param>
    /// <param name="target">The torque wanted, as the house rules set it.</param>
    /// <param name="adapter">A crow-foot or extension between wrench and fastener; null for none.</param>
    /// <param name="workshop">Crib, rules and day.</param>
    public static WrenchChoice For(TorqueSpec spec, Torque target, Adapter? adapter, Workshop workshop)
    {
        var why = ImmutableArray.CreateBuilder<string>();
        (Wrench Wrench, Torque Setting, string? Overdue)? best = null;
        foreach (var wrench in workshop.Crib.OrderBy(w => w.MaxNewtonMetres))
        {
            var needed = Needed(wrench, target, adapter);
            if (!needed.IsGood)
            {
                why.Add($"{wrench.Name}: {needed.Problem.What}");
                continue;
            }

            var setting = wrench.Setting(needed.Value);
            // What the fastener gets when the wrench clicks at its rounded setting.
            var gets = setting.NewtonMetres * target.NewtonMetres / needed.Value.NewtonMetres;
            if (Misses(wrench, setting, gets, spec) is { } reason)
            {
                why.Add($"{wrench.Name}: {reason}");
                continue;
            }

            var overdue = wrench.OverdueOn(workshop.Today, workshop.Rules);
            if (best is null || (best.Value.Overdue is not null && overdue is null)) best = (wrench, setting, overdue);
            if (overdue is null) break;
        }

        return best is { } found ? new WrenchChoice(found.Wrench, found.Setting, why.ToImmutable(), found.Overdue) : new WrenchChoice(null, null, why.ToImmutable(), null);
    }

    // The torque at the wrench that gives the target at the fastener, not yet rounded to a step.
    private static Outcome<Torque> Needed(Wrench wrench, Torque target, Adapter? adapter) =>
        adapter is null ? target
        : wrench.LengthMm is { } length ? adapter.Setting(target, (double)length)
        : new Problem("its length is not known, and the adapter's setting needs it.", "Measure it.");

    // Why the wrench cannot set the value; null where it can.
    private static string? Misses(Wrench wrench, Torque setting, double gets, TorqueSpec spec)
    {
        if (setting.Amount > wrench.Max) return $"ends at {Show(wrench.Max)} {wrench.Unit.Symbol()}";
        if (setting.Amount < wrench.UsableFrom)
            return setting.Amount < wrench.Min ? $"begins at {Show(wrench.Min)} {wrench.Unit.Symbol()}" : $"is used from {Show(wrench.UsableFrom)} {wrench.Unit.Symbol()} up, a fifth of its range";
        if (!spec.IsRange) return null;
        var deviation = wrench.Deviation(setting);
        double from = new Torque(spec.Low, spec.Unit).NewtonMetres, to = new Torque(spec.High, spec.Unit).NewtonMetres;
        return gets * (1 - deviation) < from - 1e-9 || gets * (1 + deviation) > to + 1e-9
            ? string.Create(CultureInfo.InvariantCulture, $"its ±{deviation * 100:0.#} % at {setting} leaves {spec}")
            : null;
    }

    private static string Show(decimal number) => number.ToString("0.##", CultureInfo.InvariantCulture);
}
