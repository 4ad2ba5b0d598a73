using WornPath.Core.Reading;
using System.Collections.Immutable;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tightening;

/// <summary>
/// What goes on a thread, why, how long it cures in this shop and how it is undone. Strength classes as ISO 10964 and ASTM D5363
/// grade threadlockers; figures are those usual for anaerobic products (common practice, no source): the maker's data sheet goes before them.
/// </summary>
/// <param name="Advised">The treatment advised.</param>
/// <param name="Why">Reasons, in one line each.</param>
/// <param name="FixtureMinutes">Minutes until it may be handled; null where nothing on the thread cures.</param>
/// <param name="FullHours">Hours until it bears its load.</param>
/// <param name="Undone">How the joint is undone.</param>
/// <param name="HottestCelsius">Temperature the compound bears, in °C.</param>
public sealed record TreatmentAdvice(Treatment Advised, ImmutableArray<string> Why, int? FixtureMinutes, int? FullHours, string Undone, int? HottestCelsius)
{
    /// <summary>Largest diameter in mm that low strength holds, and that high strength may not be put on: above, it cannot be undone without breaking.</summary>
    public const double SmallMm = 6;

    private const int FullAt22 = 24;

    // Minutes until it may be handled, at 22 °C: the stronger, the later.
    private static int FixtureAt22(Treatment treatment) => treatment switch
    {
        Treatment.ThreadlockerLow => 15,
        Treatment.ThreadlockerHigh or Treatment.RetainingCompound => 30,
        _ => 20,
    };

    /// <summary>True for the three strengths of threadlocker.</summary>
    public static bool IsLocker(Treatment treatment) => treatment is Treatment.ThreadlockerLow or Treatment.ThreadlockerMedium or Treatment.ThreadlockerHigh;

    /// <summary>
    /// How much longer a cure takes: at 22 °C as the sheet says, four times at 5 °C, and smoothly between and beyond, as reactions go with temperature;
    /// three times on metals that do not help it along. Common practice, no source: the maker's data sheet goes before it.
    /// </summary>
    public static double CureFactor(int celsius, bool passive) => Math.Clamp(Math.Pow(4, (22 - celsius) / 17.0), 0.5, 8) * (passive ? 3 : 1);

    /// <summary>The advice for a joint.</summary>
    /// <param name="joint">The joint.</param>
    /// <param name="things">Things of its sheet, by id.</param>
    /// <param name="rules">House rules: the temperature of the shop.</param>
    public static TreatmentAdvice For(Joint joint, IReadOnlyDictionary<string, Thing> things, HouseRules rules)
    {
        var why = ImmutableArray.CreateBuilder<string>();
        var diameter = joint.Fastener?.Thread?.DiameterMm;
        var advised = Treatment.None;
        if (joint.Locking != Locking.None) why.Add($"It is locked by its {EnumWord.Of(joint.Locking)}: no compound is needed.");
        else if (joint.Fastener?.Form == FastenerForm.LockNut) why.Add("The prevailing-torque nut locks it: no compound on top of it.");
        else if (Natures.HoldsAWheel(joint, things)) why.Add("Wheel fasteners are held by their preload and are torqued again after the first use.");
        else if (joint.Untorqued is not null) why.Add("It is not brought to a preload that a compound would have to keep.");
        else
        {
            var chosen = rules.Chosen(School.LockingCompound).Word;
            advised = diameter is <= SmallMm ? Treatment.ThreadlockerLow : chosen == "none" ? Treatment.None : chosen == "medium strength" ? Treatment.ThreadlockerMedium : Treatment.ThreadlockerHigh;
            if (joint.Treatment == Treatment.None) why.Add(diameter is <= SmallMm ? "If it gets a compound, low strength: up to M6 it holds and still comes undone without breaking the screw." : "If it gets a compound, medium strength: it holds against vibration and comes undone with hand tools.");
        }

        var put = joint.Treatment;
        var cures = IsLocker(put) || put is Treatment.RetainingCompound;
        var passive = joint.Fastener?.Class is { } made && PropertyClass.IsStainless(made);
        var factor = CureFactor(rules.ShopCelsius, passive);
        if (cures && passive) why.Add("Stainless steel does not help the cure along: three times as long, or use the maker's activator.");
        if (cures && rules.ShopCelsius < 22) why.Add($"The shop has {rules.ShopCelsius} °C: it cures more slowly than the 22 °C of the data sheets.");
        return new TreatmentAdvice(
            advised,
            why.ToImmutable(),
            cures ? (int)Math.Round(FixtureAt22(put) * factor) : null,
            cures ? (int)Math.Round(FullAt22 * factor) : null,
            put switch
            {
                Treatment.ThreadlockerHigh or Treatment.RetainingCompound => "with heat, about 250 °C at the joint, and turned while hot",
                Treatment.ThreadlockerLow or Treatment.ThreadlockerMedium or Treatment.Sealant => "with hand tools; old compound is cleaned from both threads",
                _ => "with hand tools",
            },
            cures ? 150 : null);
    }
}
