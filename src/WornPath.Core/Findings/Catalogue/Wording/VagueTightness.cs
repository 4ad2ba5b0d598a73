using System.Text.RegularExpressions;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD001: "good and tight" is no value.</summary>
public sealed partial class VagueTightness : PhraseRule
{
    public override RuleInfo Info { get; } = new("WRD001", Severity.Warn, "Vague tightness");

    [GeneratedRegex(@"\b(?:plenty|good and|nice and|real(?:ly)?|very|fairly|reasonably|pretty|extra|super|just) tight\b|\bnip(?:ped)? (?:it |them )?up\b|\btight enough\b|\bas tight as (?:you can|possible)\b|\bgive (?:it|them) (?:a )?(?:bit|good heave|tug|tweak)\b|\buntil (?:it is|they are) tight\b|\bsecurely tighten\b|\btighten (?:it |them )?(?:securely|firmly|well|fully|properly)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    protected override Regex Phrases => Pattern();

    protected override string Says(string phrase) => $"“{phrase}” is a different torque in every hand. Give the value with its source, or write snug, which is defined.";
}
