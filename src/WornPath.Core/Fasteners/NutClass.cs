using System.Collections.Frozen;

namespace WornPath.Core.Fasteners;

/// <summary>Property classes of nuts (ISO 898-2) and SAE nut grades (SAE J995): which bolt each is meant for, and the stress it bears.</summary>
public static class NutClass
{
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
    public static IEnumerable<string> All => Rows.Keys.OrderBy(int.Parse);

    /// <summary>True where the class exists.</summary>
    public static bool Exists(string name) => Rows.ContainsKey(name);

    /// <summary>Proof stress in MPa of a nut of this class and thread; null where the class is not made in that size.</summary>
    public static double? ProofStress(string name, Thread thread)
    {
        if (!Rows.TryGetValue(name, out var rows)) return null;
        foreach (var row in rows)
            if (thread.DiameterMm <= row.UpToMm) return row.Megapascal;
        return null;
    }

    /// <summary>True where a nut of this class bears all that a bolt of that class can be loaded with. Bolts of other systems are judged by their strength alone: null.</summary>
    public static bool? Bears(string nut, string bolt) =>
        Bolts.TryGetValue(nut, out var bolts) && PropertyClass.IsIsoSteel(bolt) ? bolts.Contains(bolt) : null;

    /// <summary>The lowest class of nut that bears a bolt of this class; null for bolts of other systems.</summary>
    public static string? For(string bolt)
    {
        foreach (var name in All)
            if (Bears(name, bolt) == true) return name;
        return null;
    }
}
