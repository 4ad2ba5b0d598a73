using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>INS003: the rows of a choice table overlap, or leave values between them of which nothing is said.</summary>
public sealed class TableDoesNotClose : Rule
{
    public override RuleInfo Info { get; } = new("INS003", Severity.Stop, "Table overlaps or has a gap");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        for (var i = 0; i < walk.Steps.Count; i++)
            if (walk.Steps[i].Table is { } table && table.Faults().FirstOrDefault() is { } fault)
                yield return At(walk.Steps[i], i, null, $"The table of {table.Quantity} and {table.Chosen} does not close: {fault}. Whoever measures such a value has to guess.");
    }
}
