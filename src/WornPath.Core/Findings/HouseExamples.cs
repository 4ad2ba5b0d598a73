using WornPath.Core.Building;
using System.Collections.Immutable;
using System.Globalization;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings;

/// <summary>A house rule at work on a sheet.</summary>
/// <param name="Rule">The rule: a setting ("target"), a school ("school:axleNut") or a rule of the catalogue ("weigh:TRQ001").</param>
/// <param name="Sheet">Number of the sheet; empty where it is about the crib.</param>
/// <param name="Says">What the rule does there, in a sentence.</param>
public sealed record HouseExample(string Rule, string Sheet, string Says);

/// <summary>Finds for each house rule the first of some sheets on which it does something, and says what. A rule none of them shows has no example.</summary>
public static class HouseExamples
{
    /// <summary>On how many sheets the ways of a school are walked: each way is a walk of each.</summary>
    private const int MostWalked = 8;

    /// <summary>Examples for the rules of a workshop.</summary>
    /// <param name="workshop">The workshop, with the rules as they would be.</param>
    /// <param name="sheets">Number and walks of what may serve as an example, the likeliest first, walked under whatever rules they keep.</param>
    public static ImmutableArray<HouseExample> Of(Workshop workshop, IReadOnlyList<(string Number, WalkSet Walks)> sheets) =>
        [.. OfValues(workshop, sheets), .. OfSchools(workshop, sheets), .. OfWeights(sheets)];

    private static string Number(double value) => value.ToString("0.#", CultureInfo.InvariantCulture);

    private static string Percent(double part) => Math.Round(part * 100).ToString(CultureInfo.InvariantCulture) + " %";

    private static string Verdict(PreloadVerdict verdict) => verdict switch
    {
        PreloadVerdict.Yields => "it yields",
        PreloadVerdict.MayYield => "it may yield",
        PreloadVerdict.TooLittle => "it may not hold",
        _ => "it bears that",
    };

    private static string Factor(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);

    private static string? Treated(Joint joint, JointJudgement judged)
    {
        if (judged.DryRatio is not { } ratio || joint.Torque is not { } spec) return null;
        var stated = $"{spec} dry, with {TighteningSentence.TreatmentWords(joint)}";
        return judged.IsReduced ? $"{stated}: {judged.Target} is set and printed as reduced to {Factor(ratio)} of it." : $"{stated}: {judged.Target} stays, and a finding says so.";
    }

    private static string? Cure(Joint joint, HouseRules rules) =>
        TreatmentAdvice.For(joint, ImmutableDictionary<string, Thing>.Empty, rules) is { FullHours: { } hours, FixtureMinutes: { } minutes }
            ? $"{TighteningSentence.TreatmentWords(joint)} may be moved after {minutes} min and bears its load after {hours} h." : null;

    private static HouseExample? FirstDue(Workshop workshop)
    {
        var next = workshop.Crib.Select(w => (w.Name, Due: w.DueOn(workshop.Rules))).Where(w => w.Due is not null).OrderBy(w => w.Due).FirstOrDefault();
        return next.Due is { } due ? new HouseExample("calibration", "", $"{next.Name} is the first that is due, on {Days.Written(due)}.") : null;
    }

    private static IEnumerable<HouseExample> OfValues(Workshop workshop, IReadOnlyList<(string Number, WalkSet Walks)> sheets)
    {
        HouseExample? First(string rule, Func<Joint, JointJudgement, string?> says)
        {
            foreach (var (number, walks) in sheets)
                foreach (var joint in walks.Sheet.Joints)
                    if (says(joint, JointJudgement.Of(joint, workshop)) is { } said) return new HouseExample(rule, number, $"{joint.Name}: {said}");
            return null;
        }

        IEnumerable<HouseExample?> found =
        [
            First("target", (joint, judged) => joint.Torque is { IsRange: true } spec && judged.Target is { } target
                ? $"of {spec} the wrench is set to {target}." : null),
            First("treated", Treated),
            First("nutFactors", (_, judged) => judged is { Preload: { } load, Target: { } target }
                ? $"{target} at K {Factor(load.NutFactor)} pulls {Number(load.TargetKn)} kN, {Percent(load.Utilisation)} of its proof load." : null),
            First("scatter", (_, judged) => judged is { Preload: { } load, Target: { } target }
                ? $"{target} may come out at {Percent(load.Low)} to {Percent(load.High)} of its proof load: {Verdict(load.Verdict)}." : null),
            First("passes", (joint, judged) => joint.Count > 2 && judged.Passes is [.. { Length: > 0 } rising, var last]
                ? $"{joint.Count} of them: {string.Join(", then ", rising.Select(p => p.Value.ToString()))}, then {last.Says}." : null),
            First("shopCelsius", (joint, _) => Cure(joint, workshop.Rules)),
            FirstDue(workshop),
        ];
        return found.OfType<HouseExample>();
    }

    // What would be found besides, or no longer, the other way round; else what the sheet prints of it.
    private static IEnumerable<HouseExample> OfSchools(Workshop workshop, IReadOnlyList<(string Number, WalkSet Walks)> sheets)
    {
        List<(string Number, WalkSet Walks)> here = [.. sheets.Take(MostWalked).Select(s => (s.Number, WalkSet.Run(s.Walks.Sheet, workshop)))];
        foreach (var school in School.All)
        {
            bool Touches(Sheet sheet) => sheet.Steps.Any(step => school.Touches.Any(t => step.Text.Contains(t, StringComparison.OrdinalIgnoreCase)));
            if (school.Touches.IsEmpty && OfFindings(workshop, here, school) is { } judged) yield return judged;
            else if (sheets.FirstOrDefault(s => Touches(s.Walks.Sheet)) is { Number: { } number })
                yield return new HouseExample($"school:{school.Key}", number, $"it prints “{workshop.Rules.Chosen(school).Practice}”");
        }
    }

    private static HouseExample? OfFindings(Workshop workshop, List<(string Number, WalkSet Walks)> sheets, School school)
    {
        foreach (var (number, walks) in sheets)
            foreach (var other in school.Ways.Where(w => w != workshop.Rules.Chosen(school)))
            {
                var rules = workshop.Rules with { Schools = workshop.Rules.Schools.SetItem(school.Key, other.Word) };
                var there = WalkSet.Run(walks.Sheet, workshop with { Rules = rules });
                List<string> here = [.. walks.Findings.Select(Short)], elsewise = [.. there.Findings.Select(Short)];
                HouseExample Says(string says) => new($"school:{school.Key}", number, says);
                if (here.Except(elsewise).FirstOrDefault() is { } goes) return Says($"{goes} With “{other.Word}” that is not found.");
                if (elsewise.Except(here).FirstOrDefault() is { } comes) return Says($"with “{other.Word}” this is found: {comes}");
            }

        return null;
    }

    private static IEnumerable<HouseExample> OfWeights(IReadOnlyList<(string Number, WalkSet Walks)> sheets) =>
        sheets.SelectMany(s => s.Walks.Findings.Select(f => (s.Number, Finding: f)))
            .DistinctBy(x => x.Finding.Rule).Select(x => new HouseExample($"weigh:{x.Finding.Rule}", x.Number, Short(x.Finding)));

    private static string Short(Finding finding) => $"{(finding.StepNumber is { } n ? $"step {n}: " : "")}{NumberText.Excerpt(finding.Message, 160)}";
}
