using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC003: a sheet in review with a value that nobody but its author has read from the source.</summary>
public sealed class ValueUnverified : SecondReading
{
    /// <summary>The rule's id.</summary>
    public const string Id = "SRC003";

    public override RuleInfo Info { get; } = new(Id, Severity.Stop, "Value unverified");

    protected override string? Says(StatedValue value, ValueCheck? last) => last is null
        ? $"Nobody but its author has read {What(value)} of {value.Label} from “{value.Source}”. A reviewer reads it there and writes it under Review, without looking here."
        : null;

    private static string What(StatedValue value) => value switch
    {
        StatedAmount => "the amount",
        StatedLimits => "the limits",
        StatedTorque { Pass: { } pass } => $"the value in pass {pass}",
        _ => "the value",
    };
}
