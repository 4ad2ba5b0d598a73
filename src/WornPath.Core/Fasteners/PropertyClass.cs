using System.Collections.Frozen;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;

namespace WornPath.Core.Fasteners;

/// <summary>Property classes and grades of bolts and screws, with their proof strength.</summary>
public static partial class PropertyClass
{
    /// <summary>The property classes of ISO 898-1 as a pattern, as they stand on a head.</summary>
    internal const string MetricPattern = @"(?:4\.6|4\.8|5\.6|5\.8|6\.8|8\.8|9\.8|10\.9|12\.9)";

    private const double MegapascalPerKsi = 6.894757293; // NIST SP 811, appendix B.8

    /// <summary>One row of a strength table: proof and tensile strength that hold up to a nominal diameter, and from one.</summary>
    private readonly record struct Row(double UpToMm, double Megapascal, double Tensile, double FromMm = 0);

    // SAE J429 begins at 1/4 in.
    private const double QuarterInch = 6.35;

    // ISO 898-1:2013 table 3, "stress under proof load" S_p nominal and tensile strength R_m,min; class 9.8 to M16 only.
    // SAE J429 table 1, proof load in ksi by size range; sizes below 1/4 in are not in the standard.
    // ISO 3506-1:2009 table 2, R_p0.2 minimum (stainless steels state no proof load; the 0.2 % limit stands in for it), to M39; classes 70 and 80 to
    // M24, above by agreement only.
    // All from memory of the tables; see the checks beside the tests.
    private static readonly FrozenDictionary<string, Row[]> Rows = new Dictionary<string, Row[]>(StringComparer.OrdinalIgnoreCase)
    {
        ["4.6"] = [new(39, 225, 400)],
        ["4.8"] = [new(39, 310, 420)],
        ["5.6"] = [new(39, 280, 500)],
        ["5.8"] = [new(39, 380, 520)],
        ["6.8"] = [new(39, 440, 600)],
        ["8.8"] = [new(16, 580, 800), new(39, 600, 830)],
        ["9.8"] = [new(16, 650, 900)],
        ["10.9"] = [new(39, 830, 1040)],
        ["12.9"] = [new(39, 970, 1220)],
        ["grade 1"] = [new(38.1, 33 * MegapascalPerKsi, 60 * MegapascalPerKsi, QuarterInch)],
        ["grade 2"] = [new(19.05, 55 * MegapascalPerKsi, 74 * MegapascalPerKsi, QuarterInch), new(38.1, 33 * MegapascalPerKsi, 60 * MegapascalPerKsi)],
        ["grade 5"] = [new(25.4, 85 * MegapascalPerKsi, 120 * MegapascalPerKsi, QuarterInch), new(38.1, 74 * MegapascalPerKsi, 105 * MegapascalPerKsi)],
        ["grade 8"] = [new(38.1, 120 * MegapascalPerKsi, 150 * MegapascalPerKsi, QuarterInch)],
        ["A2-50"] = [new(39, 210, 500)],
        ["A2-70"] = [new(24, 450, 700)],
        ["A2-80"] = [new(24, 600, 800)],
        ["A4-50"] = [new(39, 210, 500)],
        ["A4-70"] = [new(24, 450, 700)],
        ["A4-80"] = [new(24, 600, 800)],
    }.ToFrozenDictionary(StringComparer.OrdinalIgnoreCase);

    /// <summary>Every class known, as printed.</summary>
    public static IEnumerable<string> All => Rows.Keys.Order(StringComparer.Ordinal);

    [GeneratedRegex(@"^(?:(?:property\s+)?class\s*|cl\.?\s*)?(?<iso>\d{1,2}\.\d)$|^(?:grade|gr\.?|g)\s*(?<sae>\d)$|^(?<inox>A[24]-\d0)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    /// <summary>Reads "10.9", "class 8.8", "grade 5", "gr 8", "A2-70" to the printed form.</summary>
    public static Outcome<string> Parse(string text)
    {
        var match = Pattern().Match(text.Trim());
        var name = match.Groups["iso"].Success ? match.Groups["iso"].Value
            : match.Groups["sae"].Success ? "grade " + match.Groups["sae"].Value
            : match.Groups["inox"].Value.ToUpperInvariant();
        return match.Success && Rows.ContainsKey(name)
            ? name
            : new Problem($"“{NumberText.Excerpt(text.Trim())}” is not a property class or grade.", "Write one such as 8.8, 10.9, grade 5 or A2-70.");
    }

    /// <summary>Proof strength in MPa for a thread; null where the class is not made in that size.</summary>
    public static double? ProofStrength(string name, Thread thread) => RowOf(name, thread)?.Megapascal;

    /// <summary>Least tensile strength in MPa for a thread; null where the class is not made in that size.</summary>
    public static double? TensileStrength(string name, Thread thread) => RowOf(name, thread)?.Tensile;

    /// <summary>True for the steel classes of ISO 898-1 ("8.8").</summary>
    public static bool IsIsoSteel(string name) => name.Contains('.');

    /// <summary>True for stainless steels (ISO 3506-1).</summary>
    public static bool IsStainless(string name) => name.StartsWith('A');

    private static Row? RowOf(string name, Thread thread)
    {
        if (!Rows.TryGetValue(name, out var rows)) return null;
        // A hair of slack: 3/4 in is 19.05 mm on both sides of the comparison.
        foreach (var row in rows)
            if (thread.DiameterMm <= row.UpToMm + 1e-9) return thread.DiameterMm >= row.FromMm - 1e-9 ? row : null;
        return null;
    }

    /// <summary>Proof load in kN: proof strength times stress area (ISO 898-1, 9.6). Null where the class is not made in that size.</summary>
    public static double? ProofLoadKn(string name, Thread thread) => ProofStrength(name, thread) * thread.StressAreaMm2 / 1000;
}
