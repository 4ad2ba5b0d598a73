using System.Collections.Frozen;

namespace WornPath.Core.Fasteners;

/// <summary>A castle nut: its slots and the cotter pin that goes with its thread.</summary>
/// <param name="Slots">Slots round the nut.</param>
/// <param name="PinMm">Nominal size of the pin's hole in mm (ISO 1234).</param>
public readonly record struct CastleNut(int Slots, double PinMm)
{
    // DIN 935-1 and ISO 7035: six slots to M39, eight above; pins by ISO 1234. From memory.
    private static readonly FrozenDictionary<decimal, double> Pins = new Dictionary<decimal, double>
    {
        [4] = 1,
        [5] = 1.2,
        [6] = 1.6,
        [7] = 1.6,
        [8] = 2,
        [10] = 2.5,
        [12] = 3.2,
        [14] = 3.2,
        [16] = 4,
        [18] = 4,
        [20] = 4,
        [22] = 5,
        [24] = 5,
        [27] = 5,
        [30] = 6.3,
        [33] = 6.3,
        [36] = 6.3,
        [39] = 6.3,
        [42] = 8,
        [45] = 8,
        [48] = 8,
        [52] = 8,
        [56] = 8,
        [60] = 10,
        [64] = 10,
    }.ToFrozenDictionary();

    // ASME B18.2.2 slotted nuts have six slots; pins by ASME B18.8.1, in inches. From memory.
    private static readonly FrozenDictionary<string, string> InchPins = new Dictionary<string, string>
    {
        ["1/4"] = "1/16",
        ["5/16"] = "1/16",
        ["3/8"] = "3/32",
        ["7/16"] = "3/32",
        ["1/2"] = "1/8",
        ["9/16"] = "1/8",
        ["5/8"] = "5/32",
        ["3/4"] = "5/32",
        ["7/8"] = "5/32",
        ["1"] = "3/16",
        ["1 1/8"] = "3/16",
        ["1 1/4"] = "7/32",
        ["1 3/8"] = "7/32",
        ["1 1/2"] = "1/4",
    }.ToFrozenDictionary();

    /// <summary>Slots of a usual nut to M39 or 1 1/2 in.</summary>
    public const int UsualSlots = 6;

    /// <summary>The usual castle nut of a thread; null outside the tables.</summary>
    public static CastleNut? Of(Thread thread) => thread switch
    {
        MetricThread metric when Pins.TryGetValue(metric.Diameter, out var mm) => new CastleNut(SlotsOf(metric), mm),
        InchThread inch when InchPins.TryGetValue(inch.Size, out var size) => new CastleNut(UsualSlots, (double)Quantities.Fraction.Parse(size).Value * 25.4),
        _ => null,
    };

    /// <summary>Slots of the castle nut of a thread: six to M39 and for all inch sizes here, eight above.</summary>
    public static int SlotsOf(Thread? thread) => thread is MetricThread { Diameter: > 39 } ? 8 : UsualSlots;

    /// <summary>The pin as the trade calls it: "5 mm", "5/32 in"; null outside the tables.</summary>
    public static string? PinOf(Thread thread) => thread switch
    {
        MetricThread metric when Pins.TryGetValue(metric.Diameter, out var mm) => FormattableString.Invariant($"{mm:0.#} mm"),
        InchThread inch when InchPins.TryGetValue(inch.Size, out var size) => size + " in",
        _ => null,
    };
}
