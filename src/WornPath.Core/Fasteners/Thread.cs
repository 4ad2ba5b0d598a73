namespace WornPath.Core.Fasteners;

/// <summary>A screw thread: metric (ISO 261) or unified inch (ASME B1.1), by its designation.</summary>
public abstract record Thread
{
    /// <summary>Nominal (major) diameter in mm.</summary>
    public abstract double DiameterMm { get; }

    /// <summary>Pitch in mm.</summary>
    public abstract double PitchMm { get; }

    /// <summary>Pitch diameter d₂ = d − 0.649 519 P in mm (ISO 724; ASME B1.1 has the same profile).</summary>
    public double PitchDiameterMm => DiameterMm - (0.649519 * PitchMm);

    /// <summary>Minor diameter of the internal thread D₁ = d − 1.082 532 P in mm (ISO 724; ASME B1.1 has the same profile).</summary>
    public double MinorDiameterMm => DiameterMm - (1.082532 * PitchMm);

    /// <summary>Tensile stress area in mm².</summary>
    public abstract double StressAreaMm2 { get; }

    /// <summary>The printed designation, such as "M14×1.5" or "3/8-16 UNC".</summary>
    public abstract string Designation { get; }

    /// <summary>True where the thread is one of the series in <see cref="ThreadSeries"/>; others may be entered by hand and are judged all the same.</summary>
    public abstract bool IsUsual { get; }

    public sealed override string ToString() => Designation;
}

/// <summary>A metric thread, ISO 68-1 profile.</summary>
/// <param name="Diameter">Nominal diameter d in mm.</param>
/// <param name="Pitch">Pitch P in mm.</param>
public sealed record MetricThread(decimal Diameter, decimal Pitch) : Thread
{
    /// <inheritdoc/>
    public override double DiameterMm => (double)Diameter;

    /// <inheritdoc/>
    public override double PitchMm => (double)Pitch;

    /// <summary>A_s = π/4 · ((d₂ + d₃)/2)², d₃ = d − 1.226 869 P (ISO 898-1, 9.1.6.1; ISO 724), in mm².</summary>
    public override double StressAreaMm2
    {
        get
        {
            var mean = (PitchDiameterMm + DiameterMm - (1.226869 * PitchMm)) / 2;
            return Math.PI / 4 * mean * mean;
        }
    }

    /// <inheritdoc/>
    public override bool IsUsual => ThreadSeries.MetricPitches(Diameter).Contains(Pitch);

    /// <inheritdoc/>
    public override string Designation => ThreadSeries.CoarsePitch(Diameter) == Pitch
        ? FormattableString.Invariant($"M{Diameter:0.##}")
        : FormattableString.Invariant($"M{Diameter:0.##}×{Pitch:0.##}");
}

/// <summary>A unified inch thread (ASME B1.1).</summary>
/// <param name="Size">The size as written: "#10", "1/4", "1 1/8".</param>
/// <param name="Diameter">Nominal diameter D in inches.</param>
/// <param name="PerInch">Threads per inch n.</param>
public sealed record InchThread(string Size, decimal Diameter, int PerInch) : Thread
{
    /// <inheritdoc/>
    public override double DiameterMm => (double)Diameter * 25.4;

    /// <inheritdoc/>
    public override double PitchMm => 25.4 / PerInch;

    /// <summary>A_s = π/4 · (D − 0.9743/n)² in in² (ASME B1.1).</summary>
    public double StressAreaIn2
    {
        get
        {
            var mean = (double)Diameter - (0.9743 / PerInch);
            return Math.PI / 4 * mean * mean;
        }
    }

    /// <inheritdoc/>
    public override double StressAreaMm2 => StressAreaIn2 * 25.4 * 25.4;

    /// <inheritdoc/>
    public override bool IsUsual => Series is not null;

    /// <summary>"UNC", "UNF", or null for a pitch of neither series.</summary>
    public string? Series => ThreadSeries.Inch(Size) is not { } row ? null : row.Coarse == PerInch ? "UNC" : row.Fine == PerInch ? "UNF" : null;

    /// <inheritdoc/>
    public override string Designation => $"{Size}-{PerInch}" + (Series is { } s ? $" {s}" : "");
}
