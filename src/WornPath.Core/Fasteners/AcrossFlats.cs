using System.Collections.Frozen;

namespace WornPath.Core.Fasteners;

/// <summary>Which makers' habit a hexagon's width follows where a thread has more than one.</summary>
public enum FlatsHabit
{
    /// <summary>ISO 272 and the standards that rest on it (ISO 4014, ISO 4032); inch: ASME B18.2.1 and B18.2.2.</summary>
    Standard,

    /// <summary>The older widths of DIN 931 and DIN 934.</summary>
    Older,

    /// <summary>Flange bolts: DIN 6921, ISO 4162.</summary>
    Flange,

    /// <summary>Small heads, as light vehicles have them (JIS B 1180 small series). Common practice beside the standards.</summary>
    Small,

    /// <summary>Flange nuts: DIN 6923, ISO 4161.</summary>
    FlangeNut,

    /// <summary>Flange bolts of the small series: ISO 15071.</summary>
    SmallFlange,

    /// <summary>Wheel nuts and wheel bolts, and nuts of axles and hubs. Common practice, no source.</summary>
    Wheel,
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
    // mm, with whose habit it is. ISO 272 / ISO 4014 / ISO 4032, above M36 too; DIN 931 and 934 where they differ; DIN 6921; JIS small series;
    // DIN 6923 / ISO 4161; ISO 15071.
    private static readonly FrozenDictionary<decimal, (decimal Mm, FlatsHabit Habit)[]> Metric = new Dictionary<decimal, (decimal, FlatsHabit)[]>
    {
        [2.5m] = [(5, FlatsHabit.Standard)],
        [3] = [(5.5m, FlatsHabit.Standard)],
        [3.5m] = [(6, FlatsHabit.Standard)],
        [4] = [(7, FlatsHabit.Standard)],
        [5] = [(8, FlatsHabit.Standard), (8, FlatsHabit.Flange), (7, FlatsHabit.Small), (8, FlatsHabit.FlangeNut), (7, FlatsHabit.SmallFlange)],
        [6] = [(10, FlatsHabit.Standard), (10, FlatsHabit.Flange), (8, FlatsHabit.Small), (10, FlatsHabit.FlangeNut), (8, FlatsHabit.SmallFlange)],
        [7] = [(11, FlatsHabit.Standard)],
        [8] = [(13, FlatsHabit.Standard), (13, FlatsHabit.Flange), (12, FlatsHabit.Small), (13, FlatsHabit.FlangeNut), (10, FlatsHabit.SmallFlange)],
        [10] = [(16, FlatsHabit.Standard), (17, FlatsHabit.Older), (15, FlatsHabit.Flange), (14, FlatsHabit.Small), (15, FlatsHabit.FlangeNut),
            (13, FlatsHabit.SmallFlange)],
        [12] = [(18, FlatsHabit.Standard), (19, FlatsHabit.Older), (16, FlatsHabit.Flange), (17, FlatsHabit.Small), (18, FlatsHabit.FlangeNut),
            (15, FlatsHabit.SmallFlange), (17, FlatsHabit.Wheel), (19, FlatsHabit.Wheel), (21, FlatsHabit.Wheel)],
        [14] = [(21, FlatsHabit.Standard), (22, FlatsHabit.Older), (18, FlatsHabit.Flange), (19, FlatsHabit.Small), (21, FlatsHabit.FlangeNut),
            (18, FlatsHabit.SmallFlange), (17, FlatsHabit.Wheel), (19, FlatsHabit.Wheel), (21, FlatsHabit.Wheel), (22, FlatsHabit.Wheel)],
        [16] = [(24, FlatsHabit.Standard), (21, FlatsHabit.Flange), (22, FlatsHabit.Small), (24, FlatsHabit.FlangeNut), (21, FlatsHabit.SmallFlange),
            (24, FlatsHabit.Wheel), (27, FlatsHabit.Wheel)],
        [18] = [(27, FlatsHabit.Standard), (24, FlatsHabit.Small), (27, FlatsHabit.Wheel), (30, FlatsHabit.Wheel), (32, FlatsHabit.Wheel),
            (33, FlatsHabit.Wheel)],
        [20] = [(30, FlatsHabit.Standard), (27, FlatsHabit.Flange), (27, FlatsHabit.Small), (30, FlatsHabit.FlangeNut), (27, FlatsHabit.Wheel),
            (30, FlatsHabit.Wheel), (32, FlatsHabit.Wheel)],
        [22] = [(34, FlatsHabit.Standard), (32, FlatsHabit.Older), (30, FlatsHabit.Wheel), (32, FlatsHabit.Wheel), (33, FlatsHabit.Wheel),
            (34, FlatsHabit.Wheel), (36, FlatsHabit.Wheel)],
        [24] = [(36, FlatsHabit.Standard), (32, FlatsHabit.Small), (30, FlatsHabit.Wheel), (32, FlatsHabit.Wheel), (36, FlatsHabit.Wheel)],
        [27] = [(41, FlatsHabit.Standard), (41, FlatsHabit.Wheel)],
        [30] = [(46, FlatsHabit.Standard)],
        [33] = [(50, FlatsHabit.Standard)],
        [36] = [(55, FlatsHabit.Standard)],
        [39] = [(60, FlatsHabit.Standard)],
        [42] = [(65, FlatsHabit.Standard)],
        [45] = [(70, FlatsHabit.Standard)],
        [48] = [(75, FlatsHabit.Standard)],
        [52] = [(80, FlatsHabit.Standard)],
        [56] = [(85, FlatsHabit.Standard)],
        [60] = [(90, FlatsHabit.Standard)],
        [64] = [(95, FlatsHabit.Standard)],
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

    private static readonly FrozenDictionary<decimal, Flats[]> OfHeads = Ordered(FlatsHabit.Standard);
    private static readonly FrozenDictionary<decimal, Flats[]> OfFlanges = Ordered(FlatsHabit.Flange, FlatsHabit.SmallFlange);
    private static readonly FrozenDictionary<decimal, Flats[]> OfFlangeNuts = Ordered(FlatsHabit.FlangeNut);
    private static readonly FrozenDictionary<decimal, Flats[]> OfWheels = Ordered(FlatsHabit.Wheel);

    /// <summary>The widths a hexagon of this thread may have, the likeliest for its form first; empty for a thread outside the tables.</summary>
    /// <param name="thread">The thread.</param>
    /// <param name="form">The form of head or nut; null where nobody has said.</param>
    /// <param name="ofWheel">True for what holds a wheel, a hub or a bearing.</param>
    public static IReadOnlyList<Flats> Of(Thread thread, FastenerForm? form = null, bool ofWheel = false)
    {
        switch (thread)
        {
            case MetricThread metric when Metric.ContainsKey(metric.Diameter):
                var widths = form switch { FastenerForm.FlangeBolt => OfFlanges, FastenerForm.FlangeNut => OfFlangeNuts, _ => OfHeads };
                return (ofWheel ? OfWheels : widths)[metric.Diameter];
            case InchThread inch when Inch.TryGetValue(inch.Size, out var sizes):
                return [new Flats((form is { } f && Nuts.Contains(f) ? sizes.Nut : sizes.Head) + " in", FlatsHabit.Standard)];
            default:
                return [];
        }
    }

    // Each width once: those of the habits that go with the form first, then the standard's and the others that are met beside it.
    private static FrozenDictionary<decimal, Flats[]> Ordered(params FlatsHabit[] first) => Metric.ToFrozenDictionary(row => row.Key, row =>
        row.Value.Where(f => f.Habit is FlatsHabit.Standard or FlatsHabit.Older or FlatsHabit.Flange or FlatsHabit.Small || first.Contains(f.Habit))
        .OrderBy(f => Array.IndexOf(first, f.Habit) is >= 0 and var at ? at - first.Length : (int)f.Habit)
        .Select(f => new Flats(FormattableString.Invariant($"{f.Mm:0.#} mm"), f.Habit)).DistinctBy(f => f.Size).ToArray());
}
