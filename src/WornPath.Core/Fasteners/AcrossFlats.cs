using System.Collections.Frozen;

namespace WornPath.Core.Fasteners;

/// <summary>Which makers' habit a hexagon's width follows where a thread has more than one.</summary>
public enum FlatsHabit
{
    /// <summary>ISO 272 and the standards that rest on it (ISO 4014, ISO 4032); inch: ASME B18.2.1 and B18.2.2.</summary>
    Standard,

    /// <summary>The older widths of DIN 931 and DIN 934.</summary>
    Older,

    /// <summary>Flange heads: DIN 6921 and DIN 6923.</summary>
    Flange,

    /// <summary>Small heads, as light vehicles have them (JIS B 1180 small series; ISO 15071 for flange bolts). Common practice beside the standards.</summary>
    Small,
}

/// <summary>A width across flats and whose habit it is.</summary>
/// <param name="Size">As the tool is called: "17 mm", "9/16 in".</param>
/// <param name="Habit">Where it comes from.</param>
public readonly record struct Flats(string Size, FlatsHabit Habit);

/// <summary>
/// Width across flats of hexagon heads and nuts by thread. All from memory of the standards named; an inch bolt and its nut
/// differ in some sizes, and an older metric head differs from a newer one at M10, M12, M14 and M22.
/// </summary>
public static class AcrossFlats
{
    // ISO 272 / ISO 4014 / ISO 4032, then DIN 931 and 934 where they differ, then DIN 6921 / 6923, then the small series; mm, 0 where there is none.
    private static readonly FrozenDictionary<decimal, decimal[]> Metric = new Dictionary<decimal, decimal[]>
    {
        [3] = [5.5m, 0, 0, 0],
        [3.5m] = [6, 0, 0, 0],
        [4] = [7, 0, 0, 0],
        [5] = [8, 0, 8, 7],
        [6] = [10, 0, 10, 8],
        [7] = [11, 0, 0, 0],
        [8] = [13, 0, 13, 12],
        [10] = [16, 17, 15, 14],
        [12] = [18, 19, 16, 17],
        [14] = [21, 22, 18, 19],
        [16] = [24, 0, 21, 22],
        [18] = [27, 0, 0, 24],
        [20] = [30, 0, 27, 27],
        [22] = [34, 32, 0, 0],
        [24] = [36, 0, 0, 32],
        [27] = [41, 0, 0, 0],
        [30] = [46, 0, 0, 0],
        [33] = [50, 0, 0, 0],
        [36] = [55, 0, 0, 0],
    }.ToFrozenDictionary();

    // ASME B18.2.1 hex cap screws, ASME B18.2.2 hex nuts.
    private static readonly FrozenDictionary<string, (string Head, string Nut)> Inch = new Dictionary<string, (string, string)>
    {
        ["1/4"] = ("7/16", "7/16"),
        ["5/16"] = ("1/2", "1/2"),
        ["3/8"] = ("9/16", "9/16"),
        ["7/16"] = ("5/8", "11/16"),
        ["1/2"] = ("3/4", "3/4"),
        ["9/16"] = ("13/16", "7/8"),
        ["5/8"] = ("15/16", "15/16"),
        ["3/4"] = ("1 1/8", "1 1/8"),
        ["7/8"] = ("1 5/16", "1 5/16"),
        ["1"] = ("1 1/2", "1 1/2"),
        ["1 1/8"] = ("1 11/16", "1 11/16"),
        ["1 1/4"] = ("1 7/8", "1 7/8"),
        ["1 3/8"] = ("2 1/16", "2 1/16"),
        ["1 1/2"] = ("2 1/4", "2 1/4"),
    }.ToFrozenDictionary();

    private static readonly FrozenSet<FastenerForm> Nuts = new[] { FastenerForm.Nut, FastenerForm.FlangeNut, FastenerForm.LockNut, FastenerForm.CastleNut, FastenerForm.Stud }.ToFrozenSet();

    private static readonly FrozenDictionary<decimal, Flats[]> OfHeads = Ordered(flange: false);
    private static readonly FrozenDictionary<decimal, Flats[]> OfFlanges = Ordered(flange: true);

    /// <summary>The widths a hexagon of this thread may have, the likeliest for its form first; empty for a thread outside the tables.</summary>
    public static IReadOnlyList<Flats> Of(Thread thread, FastenerForm? form = null)
    {
        switch (thread)
        {
            case MetricThread metric when Metric.ContainsKey(metric.Diameter):
                return (form is FastenerForm.FlangeBolt or FastenerForm.FlangeNut ? OfFlanges : OfHeads)[metric.Diameter];
            case InchThread inch when Inch.TryGetValue(inch.Size, out var sizes):
                return [new Flats((form is { } f && Nuts.Contains(f) ? sizes.Nut : sizes.Head) + " in", FlatsHabit.Standard)];
            default:
                return [];
        }
    }

    // Each width once, the likeliest first; a flange head is looked up under its own standard first.
    private static FrozenDictionary<decimal, Flats[]> Ordered(bool flange) => Metric.ToFrozenDictionary(row => row.Key, row =>
        Enumerable.Range(0, row.Value.Length).Where(i => row.Value[i] > 0)
        .Select(i => new Flats(FormattableString.Invariant($"{row.Value[i]:0.#} mm"), (FlatsHabit)i))
        .OrderBy(f => flange && f.Habit == FlatsHabit.Flange ? -1 : (int)f.Habit).DistinctBy(f => f.Size).ToArray());
}
