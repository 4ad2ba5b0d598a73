using System.Collections.Immutable;
using WornPath.Core.Findings;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Revisions;

/// <summary>What an approver is told once more before a sheet is released.</summary>
public static class Releasing
{
    /// <summary>What is about to be released, a sentence each.</summary>
    public static ImmutableArray<string> Of(Sheet sheet, IReadOnlyCollection<Finding> findings, ImmutableArray<ValueCheck> checks)
    {
        var said = ImmutableArray.CreateBuilder<string>();
        said.Add($"{Count(sheet.Steps.Count(s => s.Text.Length > 0), "step", "steps")} in {Count(sheet.Phases.Count(p => !p.Steps.IsEmpty), "phase", "phases")}.");
        var values = StatedValue.All(sheet).Count();
        if (values > 0)
            said.Add(ValueChecks.VerifiedBy(sheet, checks) is { Length: > 0 } who
                ? $"{Count(values, "value", "values")}, read from {(values == 1 ? "its source" : "their sources")} by {who}."
                : $"{Count(values, "value", "values")}, not all read from where they are taken.");
        foreach (var waiver in findings.Where(f => f.Waiver is not null))
            said.Add($"A warning stands{(waiver.StepNumber is { } n ? $" at step {n}" : "")}: {waiver.Title}. {waiver.Waiver!.Who}: “{waiver.Waiver.Why}”");
        if (findings.Count(f => f.Severity == Severity.Hint) is > 0 and var hints) said.Add($"{Count(hints, "hint", "hints")} left as {(hints == 1 ? "it is" : "they are")}.");
        return said.ToImmutable();
    }

    /// <summary>The ways of the house it is judged by, where practice has more than one: question and way.</summary>
    public static ImmutableArray<string> Ways(HouseRules rules) => [.. School.All.Select(s => $"{s.Question}: {rules.Chosen(s).Word}")];

    private static string Count(int number, string one, string many) => number == 1 ? $"1 {one}" : $"{number} {many}";
}
