using System.Text.RegularExpressions;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD001: "good and tight" is no value.</summary>
public sealed partial class VagueTightness : Rule
{
    public override RuleInfo Info { get; } = new("WRD001", Severity.Warn, "Vague tightness");

    [GeneratedRegex(@"\b(?:plenty|good and|nice and|real(?:ly)?|very|fairly|reasonably|pretty|extra|super|just) tight\b|\bnip(?:ped)? (?:it |them )?up\b|\btight enough\b|\bas tight as (?:you can|possible)\b|\bgive (?:it|them) (?:a )?(?:bit|good heave|tug|tweak)\b|\buntil (?:it is|they are) tight\b|\bsecurely tighten\b|\btighten (?:it |them )?(?:securely|firmly|well|fully|properly)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    public override IEnumerable<Finding> Find(Walk walk)
    {
        for (var i = 0; i < walk.Steps.Count; i++)
            if (Pattern().Match(walk.Steps[i].Text) is { Success: true } found)
                yield return At(walk.Steps[i], i, null, $"“{found.Value}” is a different torque in every hand. Give the value with its source, or write snug, which is defined.");
    }
}
