using System.Text.RegularExpressions;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD009: a step says how many fasteners a joint has, and the joint has another number.</summary>
public sealed partial class OtherCountSaid : StepRule
{
    // A number right before the name: "two of the bolts" and "the other two bolts" are a part of them.
    [GeneratedRegex(@"(?:^|[^\p{L}\d.,×/-])(?<count>both|\p{L}+(?:-\p{L}+)?|\d{1,2})\s+(?:new\s+|old\s+)?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Before();

    [GeneratedRegex(@"\b(?:other|remaining|first|last|next)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex APart();

    private static readonly Memo<Step, bool> SaysACount = new(step => step.Actions.Any(a => Said(step, a) is not null));

    public override RuleInfo Info { get; } = new("WRD009", Severity.Warn, "Another count said");

    protected internal override bool Concerns(Step step, HouseRules rules) => SaysACount.Of(step);

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        var told = new HashSet<string>();
        foreach (var action in step.Actions)
            if (action.Target is { } id && walk.Things.GetValueOrDefault(id) is Joint joint && Said(step, action) is { } count && count != joint.Count && told.Add(id))
                found.Add(At(step, stepIndex, joint, $"The step says {count}, and {joint.Label} {(joint.Count == 1 ? "is 1" : $"are {joint.Count}")} by what Joints says. One of the two is wrong; or name the ones that are meant as a joint of their own."));
    }

    // The count that stands before the words of an action's object; null where none does.
    private static int? Said(Step step, StepAction action)
    {
        if (action.At.Length == 0 || action.At.Start > step.Text.Length) return null;
        var lead = step.Text[Math.Max(0, action.At.Start - 30)..action.At.Start];
        if (Before().Match(lead) is not { Success: true } before || APart().IsMatch(lead[..before.Groups["count"].Index])) return null;
        var word = before.Groups["count"].Value;
        if (word.Equals("both", StringComparison.OrdinalIgnoreCase)) return 2;
        return word.ToLowerInvariant() is not ("a" or "an") && NumberWords.Parse(word) is { } number && number == Math.Truncate(number) && number is > 0 and < 100 ? (int)number : null;
    }
}
