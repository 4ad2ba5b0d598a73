using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD007: left or right is said, and not from where it is seen: in front of the vehicle they are the other way round.</summary>
public sealed partial class LeftRightUndefined : StepRule
{
    private const string Definition = "Left and right are as seen from the driver’s seat.";

    public override RuleInfo Info { get; } = new("WRD007", Severity.Hint, "Left and right undefined");

    [GeneratedRegex(@"\b(?:left|right)[ -](?:hand|side|rear|front|wheel|one|end|of)\b|\b(?:the|on|to|from) (?:left|right)\b(?! angle)|^(?:left|right)[:,]", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.Multiline)]
    private static partial Regex Sided();

    [GeneratedRegex(@"\bseen from\b|\bdriver.s seat\b|\bfacing forwards?\b|\bdirection of travel\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Defined();

    private static readonly Memo<Step, bool> IsSided = new(step => Sided().IsMatch(step.Text));

    protected internal override bool Concerns(Step step, HouseRules rules) => IsSided.Of(step);

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        if (!found.IsFirst(this)) return;
        var header = walk.Sheet.Header;
        if (Defined().IsMatch($"{header.Purpose} {header.Fits} {header.EntryCheck}") || walk.Steps.Any(s => Defined().IsMatch(s.Text))) return;
        found.Add(At(walk.Steps[stepIndex], stepIndex, null, "Left or right is said, and nowhere from where it is seen: who stands before the vehicle has them the other way round.", new Fix("Say it in the header: from the driver’s seat", new SetField("", "fits", header.Fits, $"{header.Fits} {Definition}".Trim()))));
    }
}
