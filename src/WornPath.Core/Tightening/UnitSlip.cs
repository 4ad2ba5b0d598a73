using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;

namespace WornPath.Core.Tightening;

/// <summary>A value that no such fastener has, and the unit or the decimal point under which it would fit.</summary>
public static class UnitSlip
{
    /// <summary>Above this part of the proof load, friction low or high, a value is taken for a slip.</summary>
    private const double TooMuch = 1;

    /// <summary>Below this part of the proof load even a gasket screw is not meant. Common practice, no source.</summary>
    private const double TooLittle = 0.1;

    /// <summary>Where usual values lie: from a third of the proof load to the whole of it.</summary>
    private const double UsualFrom = 0.33, UsualTo = 1;

    /// <summary>
    /// The value as it was probably meant: the same number in another unit, else the point moved by one place. Null where the
    /// value can be right as it stands, or nothing near it would be.
    /// </summary>
    public static Torque? Meant(Fastener? fastener, TorqueSpec? spec, Preload? preload)
    {
        if (fastener is null || spec is null || preload is null) return null;
        if (preload.Low <= TooMuch && preload.High >= TooLittle) return null;
        var target = spec.Target;
        double Part(Torque torque) => preload.Utilisation * torque.NewtonMetres / target.NewtonMetres;
        bool Fits(Torque torque) => Part(torque) is >= UsualFrom and <= UsualTo;
        Torque? Nearest(params ReadOnlySpan<TorqueUnit> units)
        {
            Torque? best = null;
            foreach (var unit in units)
            {
                var torque = new Torque(target.Amount, unit);
                if (unit != spec.Unit && Fits(torque) && (best is not { } known || Math.Abs(Part(torque) - 0.7) < Math.Abs(Part(known) - 0.7))) best = torque;
            }

            return best;
        }

        Torque? Moved(decimal factor) => new Torque(target.Amount * factor, spec.Unit) is var moved && Fits(moved) ? moved : null;

        // The units that stand side by side in books come first; the kilogram ones are rarely meant.
        return Nearest(TorqueUnit.NewtonMetre, TorqueUnit.PoundForceFoot, TorqueUnit.PoundForceInch) ?? Moved(0.1m) ?? Moved(10) ?? Nearest(TorqueUnit.KilogramForceMetre, TorqueUnit.KilogramForceCentimetre);
    }
}
