using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC004: a second person reads another value from the source than the sheet states.</summary>
public sealed class ReadingDiffers : SecondReading
{
    public override RuleInfo Info { get; } = new("SRC004", Severity.Stop, "Second reading differs");

    protected override string? Says(StatedValue value, ValueCheck? last) => last is { Agrees: false }
        ? $"{last.Who} reads {last.Read} for {value.Label} in “{value.Source}”, and the sheet states another value. One of the two is wrong: read it again there, or return the sheet to its author."
        : null;
}
