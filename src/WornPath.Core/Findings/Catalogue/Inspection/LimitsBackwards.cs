using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>INS007: something is measured against limits of which the higher stands first.</summary>
public sealed class LimitsBackwards : StepRule
{
    public override RuleInfo Info { get; } = new("INS007", Severity.Warn, "Limits the wrong way round");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.Actions.Any(a => a.Limits is { Backwards: true });

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        foreach (var action in walk.Steps[stepIndex].Actions)
            if (action.Limits is { Backwards: true } limits)
                found.Add(At(walk.Steps[stepIndex], stepIndex, action.Target is { } id ? walk.Things.GetValueOrDefault(id) : null,
                    $"Of the limits {limits} the higher stands first. One of the two is wrong, or they stand the wrong way round."));
    }
}
