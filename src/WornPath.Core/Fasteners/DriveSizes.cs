using System.Collections.Frozen;
using System.Globalization;

namespace WornPath.Core.Fasteners;

/// <summary>Sizes of internal and external drives by thread and form of head, and the width each hexalobular size has.</summary>
public static class DriveSizes
{
    // Hexagon sockets in mm: ISO 4762 cap screws, ISO 7380-1 button heads, ISO 10642 countersunk heads. From memory.
    private static readonly FrozenDictionary<decimal, decimal> Cap = Row((2.5m, 2), (3, 2.5m), (4, 3), (5, 4), (6, 5), (8, 6), (10, 8), (12, 10),
        (14, 12), (16, 14), (18, 14), (20, 17), (22, 17), (24, 19), (27, 19), (30, 22), (33, 24), (36, 27), (42, 32), (48, 36));
    private static readonly FrozenDictionary<decimal, decimal> Button = Row((3, 2), (4, 2.5m), (5, 3), (6, 4), (8, 5), (10, 6), (12, 8), (16, 10));
    private static readonly FrozenDictionary<decimal, decimal> Countersunk = Row((3, 2), (4, 2.5m), (5, 3), (6, 4), (8, 5), (10, 6), (12, 8), (14, 10), (16, 10), (20, 12));

    // ASME B18.3 socket head cap screws, key size in inches. From memory.
    private static readonly FrozenDictionary<string, string> InchCap = new Dictionary<string, string>
    {
        ["#4"] = "3/32",
        ["#5"] = "3/32",
        ["#6"] = "7/64",
        ["#8"] = "9/64",
        ["#10"] = "5/32",
        ["1/4"] = "3/16",
        ["5/16"] = "1/4",
        ["3/8"] = "5/16",
        ["7/16"] = "3/8",
        ["1/2"] = "3/8",
        ["5/8"] = "1/2",
        ["3/4"] = "5/8",
        ["7/8"] = "3/4",
        ["1"] = "3/4",
        ["1 1/8"] = "7/8",
        ["1 1/4"] = "7/8",
        ["1 3/8"] = "1",
        ["1 1/2"] = "1",
    }.ToFrozenDictionary();

    // ISO 10664 sizes by thread for ISO 14579 cap screws and ISO 14583 pan heads; ISO 14581 countersunk heads. From memory.
    private static readonly FrozenDictionary<decimal, decimal> Lobed = Row((3, 10), (3.5m, 15), (4, 20), (5, 25), (6, 30), (8, 45), (10, 50), (12, 55), (14, 60), (16, 70), (18, 80), (20, 90));

    private static readonly FrozenDictionary<decimal, decimal> LobedCountersunk = Row((3, 10), (3.5m, 15), (4, 20), (5, 25), (6, 30), (8, 40), (10, 50));

    // External hexalobular heads, the usual size first. Common practice, no source: makers differ from M8 on.
    private static readonly FrozenDictionary<decimal, int[]> LobedOutside = new Dictionary<decimal, int[]>
    {
        [5] = [6],
        [6] = [8],
        [8] = [10, 12],
        [10] = [12, 14],
        [12] = [14, 16, 18],
        [14] = [18, 20],
        [16] = [20, 22],
        [20] = [24],
    }.ToFrozenDictionary();

    // ISO 7046 and ISO 7045: size of the cross recess. From memory.
    private static readonly FrozenDictionary<decimal, decimal> Cross = Row((3, 1), (3.5m, 2), (4, 2), (5, 2), (6, 3), (8, 4), (10, 4));

    // ISO 10664 table 1, dimension A (over the lobes) in mm, for reference. From memory.
    private static readonly FrozenDictionary<int, double> Across = new Dictionary<int, double>
    {
        [6] = 1.75,
        [8] = 2.4,
        [10] = 2.8,
        [15] = 3.35,
        [20] = 3.95,
        [25] = 4.5,
        [30] = 5.6,
        [40] = 6.75,
        [45] = 7.93,
        [50] = 8.95,
        [55] = 11.35,
        [60] = 13.45,
        [70] = 15.7,
        [80] = 17.75,
        [90] = 20.2,
        [100] = 22.4,
    }.ToFrozenDictionary();

    /// <summary>Dimension A of a hexalobular size in mm (ISO 10664); null for a size the standard does not have.</summary>
    public static double? HexalobularAcross(int size) => Across.TryGetValue(size, out var mm) ? mm : null;

    /// <summary>
    /// The drives a head of this form and thread usually has, the likeliest first; empty where the tables do not say.
    /// What the author wrote always goes before it.
    /// </summary>
    /// <param name="thread">The thread.</param>
    /// <param name="form">The form of head or nut.</param>
    /// <param name="ofWheel">True for what holds a wheel, a hub or a bearing.</param>
    public static IReadOnlyList<Drive> Usual(Thread thread, FastenerForm form, bool ofWheel = false)
    {
        switch (form)
        {
            case FastenerForm.CapScrew:
                return thread is InchThread inch
                    ? InchCap.TryGetValue(inch.Size, out var key) ? [new Drive(DriveKind.HexSocket, key + " in")] : []
                    : [.. Socket(Cap, thread), .. Sized(Lobed, thread, DriveKind.Hexalobular, "T")];
            case FastenerForm.ButtonHeadScrew:
                return [.. Socket(Button, thread)];
            case FastenerForm.CountersunkScrew:
                return [.. Socket(Countersunk, thread), .. Sized(LobedCountersunk, thread, DriveKind.Hexalobular, "T"), .. Sized(Cross, thread, DriveKind.CrossRecess, "PH")];
            case FastenerForm.PanHeadScrew:
                return [.. Sized(Lobed, thread, DriveKind.Hexalobular, "T"), .. Sized(Cross, thread, DriveKind.CrossRecess, "PH")];
            case FastenerForm.Fitting or FastenerForm.Stud or FastenerForm.Screw or FastenerForm.SetScrew or FastenerForm.Plug or FastenerForm.CarriageBolt
                or FastenerForm.OddNut:
                return [];
            default:
                return [.. AcrossFlats.Of(thread, form, ofWheel).Select(f => new Drive(DriveKind.Hexagon, f.Size))];
        }
    }

    /// <summary>External hexalobular sizes by thread, as the trade meets them, the usual one first; empty where it meets none.</summary>
    public static IEnumerable<Drive> ExternalHexalobular(Thread thread) =>
        thread is MetricThread metric && LobedOutside.TryGetValue(metric.Diameter, out var sizes)
            ? sizes.Select(s => new Drive(DriveKind.ExternalHexalobular, $"E{s}")) : [];

    private static IEnumerable<Drive> Socket(FrozenDictionary<decimal, decimal> row, Thread thread) =>
        thread is MetricThread metric && row.TryGetValue(metric.Diameter, out var mm) ? [new Drive(DriveKind.HexSocket, mm.ToString("0.#", CultureInfo.InvariantCulture) + " mm")] : [];

    private static IEnumerable<Drive> Sized(FrozenDictionary<decimal, decimal> row, Thread thread, DriveKind kind, string letter) =>
        thread is MetricThread metric && row.TryGetValue(metric.Diameter, out var size) ? [new Drive(kind, letter + size.ToString("0", CultureInfo.InvariantCulture))] : [];

    private static FrozenDictionary<decimal, decimal> Row(params (decimal Diameter, decimal Size)[] sizes) => sizes.ToFrozenDictionary(s => s.Diameter, s => s.Size);
}
