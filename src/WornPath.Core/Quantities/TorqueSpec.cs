using System.Globalization;
using System.Text.Json.Serialization;

namespace WornPath.Core.Quantities;

/// <summary>Where in a range the wrench is set: a house rule.</summary>
public enum RangeTarget
{
    /// <summary>The middle: equal room for the wrench's error on both sides.</summary>
    [JsonStringEnumMemberName("middle")] Middle,

    /// <summary>The low end.</summary>
    [JsonStringEnumMemberName("low end")] Low,

    /// <summary>The high end.</summary>
    [JsonStringEnumMemberName("high end")] High,
}

/// <summary>Specifications stand in JSON as their printed text.</summary>
public sealed class TorqueSpecJsonConverter() : TextJsonConverter<TorqueSpec>(text => TorqueText.Parse(text));

/// <summary>
/// What a joint is tightened to: one value, a value with its tolerance, or a range; and, where asked, what comes before and
/// after it: an angle, the next slot of a castle nut, a bearing seated and backed off. The numbers are kept as entered, in the unit entered.
/// </summary>
[JsonConverter(typeof(TorqueSpecJsonConverter))]
public sealed record TorqueSpec
{
    /// <summary>The largest torque a hand procedure is taken to mean, in N·m. Common practice, no source: above it a multiplier or a hydraulic tool is needed.</summary>
    public const double LargestByHand = 3000;

    /// <summary>The smallest torque a joint is tightened to, in N·m. Common practice, no source.</summary>
    public const double Smallest = 0.05;

    private TorqueSpec(decimal low, decimal high, TorqueUnit unit, decimal? thenAngle)
    {
        Low = low;
        High = high;
        Unit = unit;
        ThenAngle = thenAngle;
    }

    /// <summary>True where it was given as a value with a tolerance ("25 ± 3 N·m") and is printed so.</summary>
    public bool IsTolerance { get; private init; }

    /// <summary>Torque a bearing is seated with while it turns, before the nut is backed off; null where there is none.</summary>
    public Torque? Seat { get; private init; }

    /// <summary>Degrees the nut is backed off: after seating where there is a <see cref="Seat"/>, else after the value itself. Null where it is not.</summary>
    public decimal? Back { get; private init; }

    /// <summary>True where the nut is turned on to the next slot, never back.</summary>
    public bool ToNextSlot { get; private init; }

    /// <summary>The most degrees to the next slot; beyond it the adjustment begins again. Null where nothing is said.</summary>
    public decimal? SlotWithin { get; private init; }

    /// <summary>True where the value sets a bearing's play and makes no preload that could be judged.</summary>
    public bool IsAdjustment => Back is not null;

    /// <summary>The low end; equal to <see cref="High"/> for a single value.</summary>
    public decimal Low { get; }

    /// <summary>The high end.</summary>
    public decimal High { get; }

    /// <summary>The unit of both ends.</summary>
    public TorqueUnit Unit { get; }

    /// <summary>Degrees turned after the torque is reached; null where the torque is the whole of it.</summary>
    public decimal? ThenAngle { get; }

    /// <summary>True where low and high differ.</summary>
    public bool IsRange => Low != High;

    /// <summary>The value the wrench is set to: the middle of a range (the default house rule: equal room for wrench error on both sides).</summary>
    public Torque Target => TargetBy(RangeTarget.Middle);

    /// <summary>The value the wrench is set to by a house rule. A value with a tolerance is its own target.</summary>
    public Torque TargetBy(RangeTarget rule) => new(IsTolerance || rule == RangeTarget.Middle ? (Low + High) / 2 : rule == RangeTarget.Low ? Low : High, Unit);

    /// <summary>A specification, or why there is none.</summary>
    public static Outcome<TorqueSpec> Create(decimal low, decimal high, TorqueUnit unit, decimal? thenAngle = null)
    {
        if (low <= 0 || high <= 0)
            return new Problem($"A torque of {Show(low <= 0 ? low : high)} {unit.Symbol()} cannot be set.", "Write a value above zero, such as 45 N·m.");
        if (low > high)
            return new Problem($"The low end {Show(low)} is above the high end {Show(high)}.", "Write the smaller number first.");
        if (high > 1_000_000m || (double)high * unit.InNewtonMetres() > LargestByHand)
            return new Problem($"{Show(high)} {unit.Symbol()} is beyond any hand torque wrench ({LargestByHand:0} N·m).", "Check the number and the unit.");
        if ((double)low * unit.InNewtonMetres() < Smallest)
            return new Problem($"{Show(low)} {unit.Symbol()} is too small to be set.", "Check the number and the unit.");
        if (thenAngle is <= 0 or > 720)
            return new Problem($"An angle of {Show(thenAngle.Value)}° cannot be meant.", "Write an angle between 1° and 720°, such as 90°.");
        return new TorqueSpec(low, high, unit, thenAngle);
    }

    /// <summary>The same value given as a value with a tolerance.</summary>
    /// <summary>The same torque in another unit, within 4 %: there it is printed in whole numbers (common practice, no source).</summary>
    internal bool SaysTheSameAs(TorqueSpec other) => Math.Abs(Target.NewtonMetres - other.Target.NewtonMetres) <= 0.04 * Target.NewtonMetres;

    internal TorqueSpec AsTolerance() => this with { IsTolerance = IsRange };

    /// <summary>The same value with a bearing seated before it, or the nut backed off after it.</summary>
    internal Outcome<TorqueSpec> WithBackOff(Torque? seat, decimal back)
    {
        if (back is <= 0 or > 360) return new Problem($"A back-off of {Show(back)}° cannot be meant.", "Write an angle between 1° and 360°, such as 90°.");
        if (ThenAngle is not null) return new Problem("A nut is either turned on by an angle or backed off, not both.", "Leave one of the two out.");
        if (seat is not { } torque) return this with { Back = back };
        var good = Create(torque.Amount, torque.Amount, torque.Unit);
        if (!good.IsGood) return good.Problem;
        if (torque.NewtonMetres < Target.NewtonMetres)
            return new Problem($"The nut is seated at {torque} and set to more, {Target}.", "Seat at the higher value, set to the lower: that is how the rollers find their place.");
        return this with { Seat = torque, Back = back };
    }

    /// <summary>The same value, then on to the next slot.</summary>
    internal Outcome<TorqueSpec> WithNextSlot(decimal? within) =>
        within is <= 0 or > 90 ? new Problem($"{Show(within.Value)}° to the next slot cannot be meant.", "Write an angle between 1° and 90°; a six-slot nut has a slot every 60°.")
        : ThenAngle is not null ? new Problem("A nut turned by an angle has no slot to find.", "Leave one of the two out.")
        : this with { ToNextSlot = true, SlotWithin = within };

    /// <summary>The specification for show in another unit: each end rounded to a settable step, a range never made wider than it was.</summary>
    public string ShownIn(TorqueUnit unit)
    {
        if (unit == Unit) return ToString();
        var from = new Torque(Low, Unit).In(unit);
        var to = new Torque(High, Unit).In(unit);
        var low = IsRange ? Rounding.UpToSettable(from) : Rounding.ToSettable(from);
        var high = IsRange ? Rounding.DownToSettable(to) : low;
        // A range narrower than one step of the wrench: show its middle with one digit more than can be set.
        if (low > high) low = high = (decimal)Math.Round((from + to) / 2, 2);
        return Format(low, high, unit, Seat?.ShownIn(unit));
    }

    /// <summary>The torques of the specification in its unit's counterpart (see <see cref="TorqueUnits.Counterpart"/>); what is done between and after them stands beside the original.</summary>
    public string ShownInCounterpart()
    {
        var unit = Unit.Counterpart(Target.NewtonMetres);
        var shown = (this with { Seat = null, Back = null, ToNextSlot = false, SlotWithin = null }).ShownIn(unit);
        return Seat is { } seat ? $"seat {seat.ShownIn(unit)}, set {shown}" : shown;
    }

    public override string ToString() => Format(Low, High, Unit, Seat);

    private string Format(decimal low, decimal high, TorqueUnit unit, Torque? seat)
    {
        var value = low == high ? Show(low) : IsTolerance ? $"{Show((low + high) / 2)} ± {Show((high - low) / 2)}" : $"{Show(low)}–{Show(high)}";
        var text = $"{value} {unit.Symbol()}";
        if (ThenAngle is { } angle) text += $" + {Show(angle)}°";
        if (seat is { } first) text = $"seat {first}, back {Show(Back!.Value)}°, set {text}";
        else if (Back is { } back) text += $", back {Show(back)}°";
        if (ToNextSlot) text += SlotWithin is { } within ? $" + next slot within {Show(within)}°" : " + next slot";
        return text;
    }

    private static string Show(decimal number) => number.ToString("0.######", CultureInfo.InvariantCulture);
}
