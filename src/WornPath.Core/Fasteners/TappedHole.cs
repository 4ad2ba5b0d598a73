using System.Globalization;
using System.Text.Json.Serialization;
using WornPath.Core.Quantities;

namespace WornPath.Core.Fasteners;

/// <summary>What a screw goes into.</summary>
public enum TappedMaterial
{
    Steel,
    HardSteel,
    CastIron,
    DuctileIron,
    CastAluminium,
    Aluminium,
    Magnesium,
    Brass,
}

/// <summary>Tapped holes stand in JSON as their printed text.</summary>
public sealed class TappedHoleJsonConverter() : TextJsonConverter<TappedHole>(TappedHole.Parse);

/// <summary>A tapped hole: the material and the length of thread in engagement.</summary>
/// <param name="Material">What it is tapped into.</param>
/// <param name="EngagementMm">Length of engagement L_e in mm.</param>
[JsonConverter(typeof(TappedHoleJsonConverter))]
public sealed record TappedHole(TappedMaterial Material, double EngagementMm)
{
    /// <summary>Shear strength as a part of tensile strength: 0.6 for the materials here. Machinery's Handbook, from memory; VDI 2230 has 0.6 to 0.7 for steel and aluminium.</summary>
    public const double ShearRatio = 0.6;

    // Least tensile strength in MPa of a usual grade. From memory: EN 10025-2 S235; a quenched steel; EN 1561 GJL-200; EN 1563 GJS-400; EN 1706 AC-43000 T6; EN 755-2 6082-T6; EN 1753 MC21110; EN 12164 CW614N.
    private static readonly (TappedMaterial Material, string[] Words, double Tensile)[] Materials =
    [
        (TappedMaterial.HardSteel, ["hard steel", "quenched steel", "hardened steel"], 800),
        (TappedMaterial.Steel, ["steel", "mild steel"], 360),
        (TappedMaterial.DuctileIron, ["ductile iron", "nodular iron", "spheroidal iron"], 400),
        (TappedMaterial.CastIron, ["cast iron", "grey iron", "gray iron", "iron"], 200),
        (TappedMaterial.CastAluminium, ["cast aluminium", "cast aluminum"], 220),
        (TappedMaterial.Aluminium, ["aluminium", "aluminum", "wrought aluminium"], 290),
        (TappedMaterial.Magnesium, ["magnesium"], 200),
        (TappedMaterial.Brass, ["brass"], 360),
    ];

    /// <summary>Least tensile strength of the material in MPa.</summary>
    public double TensileMegapascal => Materials.First(m => m.Material == Material).Tensile;

    /// <summary>Engagement that handbooks name, in diameters: 1 in steel, 1.5 in cast iron and brass, 2 in aluminium and magnesium. Machinery's Handbook, from memory.</summary>
    public double UsualDiameters => Material switch
    {
        TappedMaterial.Steel or TappedMaterial.HardSteel => 1,
        TappedMaterial.CastIron or TappedMaterial.DuctileIron or TappedMaterial.Brass => 1.5,
        TappedMaterial.CastAluminium or TappedMaterial.Aluminium or TappedMaterial.Magnesium => 2,
        _ => throw new ArgumentOutOfRangeException(nameof(Material)),
    };

    /// <summary>The material as written.</summary>
    public string MaterialName => Materials.First(m => m.Material == Material).Words[0];

    /// <summary>
    /// Load in kN at which the tapped thread strips: τ · π·L_e/P · d · (P/2 + (d − d₂)/√3), the shear area of the internal thread at the
    /// bolt's major diameter (FED-STD-H28/2 at basic sizes, from memory).
    /// </summary>
    public double StripsAtKn(Thread thread) => ShearRatio * TensileMegapascal * InternalShearAreaMm2(thread, EngagementMm) / 1000;

    /// <summary>Shear area of the internal thread in mm².</summary>
    public static double InternalShearAreaMm2(Thread thread, double engagementMm) =>
        Math.PI * engagementMm / thread.PitchMm * thread.DiameterMm * ((thread.PitchMm / 2) + ((thread.DiameterMm - thread.PitchDiameterMm) / Math.Sqrt(3)));

    /// <summary>Shear area of the external thread in mm², at the nut's minor diameter.</summary>
    public static double ExternalShearAreaMm2(Thread thread, double engagementMm) =>
        Math.PI * engagementMm / thread.PitchMm * thread.MinorDiameterMm * ((thread.PitchMm / 2) + ((thread.PitchDiameterMm - thread.MinorDiameterMm) / Math.Sqrt(3)));

    /// <summary>Length of engagement in mm at which this material holds a load in kN.</summary>
    public double EngagementForMm(Thread thread, double loadKn) => loadKn / StripsAtKn(thread) * EngagementMm;

    /// <summary>Reads "cast aluminium, 18 mm".</summary>
    public static Outcome<TappedHole> Parse(string text)
    {
        var trimmed = text.Trim().ToLowerInvariant();
        if (trimmed.StartsWith("into ", StringComparison.Ordinal)) trimmed = trimmed[5..];
        foreach (var (material, words, _) in Materials)
        {
            foreach (var word in words)
            {
                if (!trimmed.StartsWith(word, StringComparison.Ordinal)) continue;
                var rest = trimmed[word.Length..].Trim(' ', ',', ';');
                if (rest.Length == 0) return new Problem($"{Capital(word)}: how much thread is in engagement?", $"Write its length too, such as {word}, 18 mm.");
                var length = Length.Parse(rest);
                if (!length.IsGood) return length.Problem;
                return length.Value.Millimetres <= 300
                    ? new TappedHole(material, length.Value.Millimetres)
                    : new Problem($"{length.Value} of thread in engagement cannot be meant.", "Write the length of thread the screw is really in, such as 18 mm.");
            }
        }

        return new Problem($"“{NumberText.Excerpt(text.Trim())}” names no material a thread is tapped into.", $"Write one of {string.Join(", ", Materials.Select(m => m.Words[0]))}, and the length of engagement, such as cast aluminium, 18 mm.");
    }

    public override string ToString() => $"{MaterialName}, {EngagementMm.ToString("0.##", CultureInfo.InvariantCulture)} mm";

    private static string Capital(string word) => char.ToUpperInvariant(word[0]) + word[1..];
}
