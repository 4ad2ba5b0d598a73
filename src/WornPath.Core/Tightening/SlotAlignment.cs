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

    /// <summary>Degrees to turn on from where the nut stands (0 where a slot meets already). Never back.</summary>
    /// <param name="nutDegrees">Where a slot of the nut stands.</param>
    /// <param name="holeDegrees">Where an opening stands.</param>
    public double TurnOn(double nutDegrees, double holeDegrees)
    {
        var rest = (holeDegrees - nutDegrees) % PitchDegrees;
        if (rest < 0) rest += PitchDegrees;
        return PitchDegrees - rest < 1e-9 ? 0 : rest;
    }

    /// <summary>Axial play in mm that backing a nut off by an angle leaves: P·α/360.</summary>
    public static double PlayMm(double pitchMm, Angle angle) => pitchMm * (double)angle.Degrees / 360;

    private static int Gcd(int a, int b) => b == 0 ? a : Gcd(b, a % b);
}
