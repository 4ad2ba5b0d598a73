using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ011: a vehicle that is raised or opened stands on a slope.</summary>
public sealed class OnASlope : StepRule
{
    public override RuleInfo Info { get; } = new("HAZ011", Severity.Warn, "Work on a slope");

    protected internal override bool Concerns(Step step, HouseRules rules) => Claims.Says(step, ClaimKind.OnSlope);

    protected internal override void Find(Walk walk, int stepIndex, Found found) =>
        found.Add(At(walk.Steps[stepIndex], stepIndex, null, walk.Doing(Verb.Raise).Count > 0
            ? "The vehicle stands on a slope here and is raised in this job: it slides off its stands. Work on level, firm ground."
            : "The vehicle stands on a slope here: it can roll, and no level is read right. Work on level ground."));
}
