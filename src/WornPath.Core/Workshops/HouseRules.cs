using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>What is done where a value was stated for dry threads and the thread is treated.</summary>
public enum TreatedSchool
{
    /// <summary>Keep the maker's value and flag it: the maker may have meant it so.</summary>
    [JsonStringEnumMemberName("keep the value")] Keep,

    /// <summary>Reduce it by the ratio of the nut factors, and print it as such.</summary>
    [JsonStringEnumMemberName("reduce by the ratio")] Reduce,
}

/// <summary>
/// Nut factors K of T = K·F·d by the state of the thread. Defaults after Shigley's Mechanical Engineering Design, table 8–15,
/// and NASA RP-1228, from memory; a workshop that measured its own puts them here.
/// </summary>
/// <param name="AsReceived">As received, zinc plated or dry.</param>
/// <param name="Oiled">Oiled; also wet threadlocker and sealant, unless their maker says otherwise.</param>
/// <param name="Greased">Greased.</param>
/// <param name="AntiSeize">With anti-seize.</param>
public sealed record NutFactors(double AsReceived = NutFactors.OfSteelAsReceived, double Oiled = 0.18, double Greased = 0.16, double AntiSeize = 0.14)
{
    /// <summary>Nut factor of zinc-plated steel. Shigley's Mechanical Engineering Design, table 8–15, from memory; taken for steel as received (house).</summary>
    public const double OfSteelAsReceived = 0.20;

    /// <summary>The factor of a treatment.</summary>
    public double Of(Treatment treatment) => treatment switch
    {
        Treatment.None => AsReceived,
        Treatment.Grease => Greased,
        Treatment.AntiSeize => AntiSeize,
        _ => Oiled,
    };
}

/// <summary>A word the workshop does not write, and the one it writes instead.</summary>
public sealed record Term(string Refused, string Preferred);

/// <summary>The choices of a workshop where practice has more than one school. The defaults say why beside them.</summary>
public sealed record HouseRules
{
    /// <summary>Scatter of preload under a hand torque wrench on lubricated threads, as a part of it: ±25 %. NASA RP-1228, table of torque accuracy, from memory.</summary>
    public const double UsualScatter = 0.25;

    /// <summary>Scatter of preload under a hand torque wrench, as a part of it.</summary>
    public double Scatter { get; init; } = UsualScatter;

    /// <summary>Where in a range the wrench is set: the middle leaves equal room for its error on both sides.</summary>
    public RangeTarget Target { get; init; }

    /// <summary>A dry value on a treated thread: keep it and say so, for the maker may have meant it so.</summary>
    public TreatedSchool Treated { get; init; }

    public NutFactors NutFactors { get; init; } = new();

    /// <summary>Up to this many fasteners the passes are <see cref="FewPasses"/>, above <see cref="ManyPasses"/>.</summary>
    public int Few { get; init; } = 6;

    /// <summary>Percent of the target in each pass: two passes seat a small flange evenly.</summary>
    public ImmutableArray<int> FewPasses { get; init; } = [50, 100];

    /// <summary>Percent of the target in each pass: three above six fasteners (ASME PCC-1, legacy method, from memory).</summary>
    public ImmutableArray<int> ManyPasses { get; init; } = [30, 70, 100];

    /// <summary>Temperature of the workshop in °C: cures are reckoned at it.</summary>
    public int ShopCelsius { get; init; } = 20;

    /// <summary>Months between two calibrations of a torque tool (ISO 6789-1, from memory).</summary>
    public int CalibrationMonths { get; init; } = 12;

    /// <summary>Cycles between two calibrations of a torque tool (ISO 6789-1, from memory).</summary>
    public int CalibrationCycles { get; init; } = 5000;

    /// <summary>How many people sign a sheet before it is released, the one who releases it among them.</summary>
    public int Signatures { get; init; } = 1;

    /// <summary>The same for a sheet on whose work lives hang: brakes, steering, suspension, road wheels, roll-over and towing structures.</summary>
    public int SafetySignatures { get; init; } = 2;

    /// <summary>The way chosen in each <see cref="School"/>, by its key; the first where none is.</summary>
    public ImmutableSortedDictionary<string, string> Schools { get; init; } = ImmutableSortedDictionary<string, string>.Empty;

    /// <summary>Severities this workshop gives to rules of the catalogue, by rule id, where it differs. A Stop stays one.</summary>
    public ImmutableSortedDictionary<string, Severity> Severities { get; init; } = ImmutableSortedDictionary<string, Severity>.Empty;

    /// <summary>Words this workshop does not write, and what it writes for them.</summary>
    public ImmutableArray<Term> Terms { get; init; } = [new("split pin", "cotter pin"), new("circlip", "retaining ring"), new("torque down", "torque"), new("jack up", "raise")];

    /// <summary>The way chosen in a school.</summary>
    public Way Chosen(School school)
    {
        var word = Schools.GetValueOrDefault(school.Key);
        foreach (var way in school.Ways)
            if (way.Word == word) return way;
        return school.Ways[0];
    }

    /// <summary>True where the default way of a school is kept to.</summary>
    public bool KeepsTo(School school) => Chosen(school) == school.Ways[0];

    /// <summary>When a joint is torqued again, as a sentence says it.</summary>
    [JsonIgnore]
    public string RetorqueWords => KeepsTo(School.Retorque) ? "the first use or 100 km (60 mi)" : "the running time the maker names";

    /// <summary>The severity of a finding in this workshop. What a rule gives as Stop is never lowered.</summary>
    public Severity SeverityOf(string rule, Severity given) => given != Severity.Stop && Severities.TryGetValue(rule, out var own) ? own : given;

    private static Problem? CheckWords(HouseRules rules, IReadOnlyDictionary<string, Severity> known)
    {
        foreach (var (key, word) in rules.Schools)
        {
            if (School.All.FirstOrDefault(s => s.Key == key) is not { } school) return new Problem($"There is no school “{NumberText.Excerpt(key)}”.", "Reload to see the schools there are.");
            if (school.Ways.All(w => w.Word != word)) return new Problem($"“{NumberText.Excerpt(word)}” is no way there.", $"Choose one of: {string.Join(", ", school.Ways.Select(w => w.Word))}.", school.Question);
        }

        foreach (var (id, severity) in rules.Severities)
        {
            if (!known.TryGetValue(id, out var given)) return new Problem($"There is no rule “{NumberText.Excerpt(id)}”.", "Reload to see the rules there are.");
            if (given == Severity.Stop && severity != Severity.Stop) return new Problem("What stops a release stops it in every workshop.", "Leave it at stop.", id);
        }

        if (rules.Terms.Length > 200) return new Problem($"{rules.Terms.Length} words are too many.", "Keep the list to 200.", "terms");
        foreach (var term in rules.Terms)
        {
            if (Names.Clean(term.Refused).Length is < 2 or > 60 || Names.Clean(term.Preferred).Length is < 1 or > 60) return new Problem($"“{NumberText.Excerpt(term.Refused)}”: a word and the one for it have up to 60 letters.", "Write both.", "terms");
            if (term.Preferred.Contains(term.Refused, StringComparison.OrdinalIgnoreCase)) return new Problem($"“{NumberText.Excerpt(term.Preferred)}” holds the refused word.", "Put another word in its place.", "terms");
        }

        return null;
    }

    /// <summary>The rules, or which of them cannot be meant.</summary>
    /// <param name="rules">The rules.</param>
    /// <param name="known">The severity of each rule of findings there is.</param>
    public static Outcome<HouseRules> Check(HouseRules rules, IReadOnlyDictionary<string, Severity> known)
    {
        if (CheckWords(rules, known) is { } words) return words;
        foreach (var (name, k) in ((string, double)[])[("as received", rules.NutFactors.AsReceived), ("oiled", rules.NutFactors.Oiled), ("greased", rules.NutFactors.Greased), ("anti-seize", rules.NutFactors.AntiSeize)])
            if (!(k is >= 0.05 and <= 0.6)) return new Problem($"A nut factor of {k} cannot be meant.", "Write a number from 0.05 to 0.6, such as 0.2.", $"K, {name}");
        if (!(rules.Scatter is >= 0.02 and <= 0.6)) return new Problem($"A scatter of {rules.Scatter} cannot be meant.", "Write a part from 0.02 to 0.6, such as 0.25.", "scatter");
        if (rules.ShopCelsius is < -20 or > 50) return new Problem($"{rules.ShopCelsius} °C is no workshop.", "Write its temperature, from −20 to 50.", "shop temperature");
        if (rules.Few is < 2 or > 40) return new Problem($"{rules.Few} fasteners cannot be where the passes change.", "Write a number from 2 to 40, such as 6.", "few");
        foreach (var (name, passes) in ((string, ImmutableArray<int>)[])[("passes of a few", rules.FewPasses), ("passes of many", rules.ManyPasses)])
            if (passes.IsDefaultOrEmpty || passes.Length > 8 || passes[^1] != 100 || passes.Any(p => p is < 5 or > 100) || !passes.SequenceEqual(passes.Order().Distinct()))
                return new Problem("The passes do not rise to 100 %.", "Write rising percents that end at 100, such as 30, 70, 100.", name);
        if (rules.CalibrationMonths is < 1 or > 120) return new Problem($"{rules.CalibrationMonths} months cannot be meant.", "Write a number from 1 to 120, such as 12.", "months between calibrations");
        foreach (var (name, number) in ((string, int)[])[("signatures", rules.Signatures), ("signatures where lives hang on it", rules.SafetySignatures)])
            if (number is < 1 or > 5) return new Problem($"{number} signatures cannot be meant.", "Write a number from 1 to 5.", name);
        if (rules.SafetySignatures < rules.Signatures)
            return new Problem("Where lives hang on it, fewer would sign.", "Write at least as many as for other sheets.", "signatures where lives hang on it");
        return rules.CalibrationCycles is < 100 or > 1_000_000 ? new Problem($"{rules.CalibrationCycles} cycles cannot be meant.", "Write a number from 100, such as 5000.", "cycles between calibrations") : rules;
    }
}
