using System.Collections.Frozen;

namespace WornPath.Core.Fasteners;

/// <summary>Property classes of nuts (ISO 898-2) and SAE nut grades (SAE J995): which bolt each is meant for, and the stress it bears.</summary>
public static class NutClass
{
    private const double MegapascalPerKsi = 6.894757293; // NIST SP 811, appendix B.8

    private readonly record struct Row(double UpToMm, double Megapascal);

    // ISO 898-2, proof stress of regular nuts (style 1; class 12 above M16 style 2), coarse thread. From memory.
    private static readonly FrozenDictionary<string, Row[]> Rows = new Dictionary<string, Row[]>
    {
        ["5"] = [new(4, 520), new(7, 580), new(10, 590), new(16, 610), new(39, 630)],
        ["6"] = [new(4, 600), new(7, 670), new(10, 680), new(16, 700), new(39, 720)],
        ["8"] = [new(4, 800), new(7, 855), new(10, 870), new(16, 880), new(39, 920)],
        ["9"] = [new(4, 900), new(7, 915), new(10, 940), new(16, 950), new(39, 920)],
        ["10"] = [new(10, 1040), new(16, 1050), new(39, 1060)],
        ["12"] = [new(4, 1140), new(7, 1140), new(10, 1140), new(16, 1170), new(39, 1200)],
    }.ToFrozenDictionary();

    // ISO 898-6, proof stress of regular nuts with fine pitch (class 12 style 2). From memory.
    private static readonly FrozenDictionary<string, Row[]> Fine = new Dictionary<string, Row[]>
    {
        ["5"] = [new(16, 690), new(39, 720)],
        ["6"] = [new(10, 770), new(16, 780), new(33, 870), new(39, 930)],
        ["8"] = [new(16, 955), new(33, 1030), new(39, 1090)],
        ["10"] = [new(10, 1100), new(16, 1110), new(39, 1080)],
        ["12"] = [new(16, 1200)],
    }.ToFrozenDictionary();

    // SAE J995, proof stress of hex nuts in ksi: coarse, fine, to 1 in and to 1 1/2 in. From memory.
    private static readonly FrozenDictionary<string, (double Coarse, double Fine, double CoarseAbove, double FineAbove)> Inch = new Dictionary<string,
        (double, double, double, double)>
    {
        ["grade 2"] = (90, 90, 90, 90),
        ["grade 5"] = (120, 109, 105, 94),
        ["grade 8"] = (150, 150, 150, 150),
    }.ToFrozenDictionary();

    // The grades of bolts (SAE J429) a nut of a grade bears. SAE J995, from memory.
    private static readonly FrozenDictionary<string, string[]> InchBolts = new Dictionary<string, string[]>
    {
        ["grade 2"] = ["grade 1", "grade 2"],
        ["grade 5"] = ["grade 1", "grade 2", "grade 5"],
        ["grade 8"] = ["grade 1", "grade 2", "grade 5", "grade 8"],
    }.ToFrozenDictionary();

    // ISO 898-2 table 1: the strongest bolt a nut of the class can be loaded by. From memory.
    private static readonly FrozenDictionary<string, string[]> Bolts = new Dictionary<string, string[]>
    {
        ["5"] = ["4.6", "4.8", "5.6", "5.8"],
        ["6"] = ["4.6", "4.8", "5.6", "5.8", "6.8"],
        ["8"] = ["4.6", "4.8", "5.6", "5.8", "6.8", "8.8"],
        ["9"] = ["4.6", "4.8", "5.6", "5.8", "6.8", "8.8", "9.8"],
        ["10"] = ["4.6", "4.8", "5.6", "5.8", "6.8", "8.8", "9.8", "10.9"],
        ["12"] = ["4.6", "4.8", "5.6", "5.8", "6.8", "8.8", "9.8", "10.9", "12.9"],
    }.ToFrozenDictionary();

    /// <summary>Every class, as printed.</summary>
    public static IEnumerable<string> All => [.. Rows.Keys.OrderBy(int.Parse), .. Inch.Keys.Order(StringComparer.Ordinal)];

    /// <summary>The class or grade in words: "class 8", "grade 5".</summary>
    public static string Named(string name) => Inch.ContainsKey(name) || name.StartsWith("grade", StringComparison.Ordinal) ? name : $"class {name}";

    /// <summary>True where the class exists.</summary>
    public static bool Exists(string name) => Rows.ContainsKey(name) || Inch.ContainsKey(name);

    /// <summary>Proof stress in MPa of a nut of this class and thread; null where the class is not made in that size.</summary>
    public static double? ProofStress(string name, Thread thread)
    {
        if (Inch.TryGetValue(name, out var ksi))
        {
            if (thread is not InchThread inch || inch.DiameterMm < 6.35 - 1e-9 || inch.DiameterMm > 38.1 + 1e-9) return null;
            var fine = ThreadSeries.Inch(inch.Size) is { Fine: var tpi } && tpi == inch.PerInch;
            return (inch.DiameterMm <= 25.4 + 1e-9 ? fine ? ksi.Fine : ksi.Coarse : fine ? ksi.FineAbove : ksi.CoarseAbove) * MegapascalPerKsi;
        }

        // An inch nut has a grade; the ISO classes are of metric threads.
        if (thread is not MetricThread metric) return null;
        var isFine = ThreadSeries.CoarsePitch(metric.Diameter) is { } coarse && metric.Pitch < coarse;
        if (!(isFine ? Fine : Rows).TryGetValue(name, out var rows) && !Rows.TryGetValue(name, out rows)) return null;
        foreach (var row in rows)
            if (thread.DiameterMm <= row.UpToMm) return row.Megapascal;
        return null;
    }

    /// <summary>True where a nut of this class bears all that a bolt of that class can be loaded with. Bolts of other systems are judged by their strength alone: null.</summary>
    public static bool? Bears(string nut, string bolt) => InchBolts.TryGetValue(nut, out var grades)
        && bolt.StartsWith("grade", StringComparison.Ordinal) ? grades.Contains(bolt) :
        Bolts.TryGetValue(nut, out var bolts) && PropertyClass.IsIsoSteel(bolt) ? bolts.Contains(bolt) : null;

    /// <summary>The lowest class of nut that bears a bolt of this class; null for bolts of other systems.</summary>
    public static string? For(string bolt)
    {
        foreach (var name in All)
            if (Bears(name, bolt) == true) return name;
        return null;
    }
}
