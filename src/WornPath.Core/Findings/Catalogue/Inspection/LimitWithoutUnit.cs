using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>INS005: a value is measured against a number without a unit.</summary>
public sealed class LimitWithoutUnit : Rule
{
    public override RuleInfo Info { get; } = new("INS005", Severity.Warn, "Limit without a unit");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var measured in walk.Doing(Verb.Measure, Verb.Adjust))
            if (measured.Action.Limits is { Unit.Length: 0 } limits)
                yield return At(measured, $"{Reading.Sentences.Capital(measured.Thing?.Label ?? measured.Action.Words ?? "The value")} is held "
                    + $"against {limits} here, and nobody knows of what. Write the unit behind the number, such as mm.");
    }
}
