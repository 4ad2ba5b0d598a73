using WornPath.Core.Workshops;
using WornPath.Core.Reading;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD002: "this one", "the other one over there": who reads it on paper sees no finger.</summary>
public sealed class PointingWord : PhraseRule
{
    public override RuleInfo Info { get; } = new("WRD002", Severity.Warn, "A finger that points");

    private protected override ClaimKind Way => ClaimKind.Pointing;

    protected override string Says(string phrase) => $"“{phrase}” points where the reader cannot see. Name the thing, and where it is.";
}
