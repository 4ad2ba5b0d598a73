using System.Text.RegularExpressions;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD002: "this one", "the other one over there": who reads it on paper sees no finger.</summary>
public sealed partial class PointingWord : PhraseRule
{
    public override RuleInfo Info { get; } = new("WRD002", Severity.Warn, "A finger that points");

    [GeneratedRegex(@"\b(?:this|that) (?:one|guy|thing|bad boy|little (?:one|guy))\b|\b(?:these|those) (?:ones|guys|things)\b|\bover (?:here|there)\b|\bright here\b|\bthe thing\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    protected override Regex Phrases => Pattern();

    protected override string Says(string phrase) => $"“{phrase}” points where the reader cannot see. Name the thing, and where it is.";
}
