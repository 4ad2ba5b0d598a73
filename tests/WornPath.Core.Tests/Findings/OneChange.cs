using System.Text;

namespace WornPath.Core.Tests.Findings;

/// <summary>The small sheets of <see cref="RuleTests"/>, what is found on them, and what is found otherwise after a change.</summary>
internal static class OneChange
{
    /// <summary>What <see cref="Beside"/> says where nothing is found otherwise.</summary>
    public const string Same = "=";

    /// <summary>Each slip, and what is right beside them, with the rule it is about.</summary>
    public static IEnumerable<(string Title, Written Written)> Sheets() =>
        RuleTests.Slips.Select(s => ($"{s.Rule} at {s.Step}", s.Slip())).Concat(RuleTests.Clean.Select(c => ($"no {c.Rule}", c.Clean())));

    /// <summary>The number of each step of a sheet, by its id.</summary>
    public static Dictionary<string, int> NumbersOf(Sheet sheet) => sheet.Steps.Select((s, i) => (s.Id, Number: i + 1)).ToDictionary(s => s.Id, s => s.Number);

    /// <summary>A sheet's title and its steps, a line each.</summary>
    public static void Tell(StringBuilder now, string title, Sheet sheet)
    {
        now.AppendLine(title);
        var number = 0;
        foreach (var step in sheet.Steps) now.Append("  ").Append(++number).Append(' ').AppendLine(step.Text.ReplaceLineEndings(" / "));
    }

    /// <summary>What is found, each rule with its step (by the number it had before the change; -1 for a step that came) or its thing.</summary>
    public static List<string> Each(IEnumerable<Finding> findings, Dictionary<string, int> numbers) => [.. findings
        .Select(f => (f.Rule, At: f.Step is { } id ? numbers.GetValueOrDefault(id, -1) : 0, f.Thing)).Order()
        .Select(f => $"{f.Rule} {(f.At == 0 ? f.Thing : $"at {f.At}")}".TrimEnd()).Distinct()];

    /// <summary>The same in a line.</summary>
    public static string Listed(IEnumerable<Finding> findings, Dictionary<string, int> numbers) =>
        Each(findings, numbers) is { Count: > 0 } found ? string.Join(", ", found) : "nothing";

    /// <summary>What is found more (+), and what no more (−).</summary>
    public static string Beside(List<string> was, List<string> now) =>
        string.Join(", ", now.Except(was).Select(f => $"+{f}").Concat(was.Except(now).Select(f => $"−{f}"))) is { Length: > 0 } other ? other : Same;

    /// <summary>The sheet after an edit; null where it is refused.</summary>
    public static Sheet? After(Sheet sheet, Edit edit) => Editor.Apply(sheet, edit) is { IsGood: true } applied ? applied.Value.Sheet : null;
}
