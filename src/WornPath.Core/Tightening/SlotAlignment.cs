using WornPath.Core.Quantities;

namespace WornPath.Core.Tightening;

/// <summary>How far a castle nut is turned on until a slot meets the hole. Geometry, no source.</summary>
/// <param name="Slots">Slots round the nut.</param>
/// <param name="Openings">Openings of the cross holes round the bolt: two for one hole, four for two crossed ones.</param>
public readonly record struct SlotAlignment(int Slots, int Openings)
{
    /// <summary>One cross hole has two openings.</summary>
    public const int OneHole = 2;

    /// <summary>Degrees from one meeting to the next: 360 / lcm(slots, openings).</summary>
    public double PitchDegrees => 360.0 / (Slots / Gcd(Slots, Openings) * Openings);

    /// <summary>Axial play in mm that backing a nut off by an angle leaves: P·α/360.</summary>
    public static double PlayMm(double pitchMm, Angle angle) => pitchMm * (double)angle.Degrees / 360;

    private static int Gcd(int a, int b) => b == 0 ? a : Gcd(b, a % b);
}
