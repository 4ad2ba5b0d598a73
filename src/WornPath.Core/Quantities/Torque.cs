using System.Globalization;

namespace WornPath.Core.Quantities;

/// <summary>A torque as it was entered: the number and the unit stay what the writer wrote, and are converted for show only.</summary>
/// <param name="Amount">The number in <paramref name="Unit"/>.</param>
/// <param name="Unit">The unit it was entered in.</param>
public readonly record struct Torque(decimal Amount, TorqueUnit Unit)
{
    /// <summary>The torque in N·m.</summary>
    public double NewtonMetres => (double)Amount * Unit.InNewtonMetres();

    /// <summary>The number this torque has in another unit, not rounded.</summary>
    public double In(TorqueUnit unit) => unit == Unit ? (double)Amount : NewtonMetres / unit.InNewtonMetres();

    /// <summary>The torque for show in another unit, rounded to what a wrench can be set to (see <see cref="Rounding.SettableStep"/>).</summary>
    public Torque ShownIn(TorqueUnit unit) =>
        unit == Unit ? this : new(Rounding.ToSettable(In(unit)), unit);

    public override string ToString() => Amount.ToString("0.######", CultureInfo.InvariantCulture) + " " + Unit.Symbol();
}
