using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>INS003: the rows of a choice table overlap, or leave values between them of which nothing is said.</summary>
public sealed class TableDoesNotClose : StepRule
{
    public override RuleInfo Info { get; } = new("INS003", Severity.Stop, "Table overlaps or has a gap");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.Table is not null;

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        if (walk.Steps[stepIndex].Table is { } table && table.Faults().FirstOrDefault() is { } fault)
            found.Add(At(walk.Steps[stepIndex], stepIndex, null, $"The table of {table.Quantity} and {table.Chosen} does not close: {fault}. Whoever measures such a value has to guess."));
    }
}
