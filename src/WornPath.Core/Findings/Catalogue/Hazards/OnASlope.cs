using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ011: a vehicle that is raised or opened stands on a slope.</summary>
public sealed class OnASlope : Rule
{
    public override RuleInfo Info { get; } = new("HAZ011", Severity.Warn, "Work on a slope");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        for (var i = 0; i < walk.Steps.Count; i++)
            if (Claims.Says(walk.Steps[i], ClaimKind.OnSlope))
                yield return At(walk.Steps[i], i, null, walk.Doing(Verb.Raise).Count > 0
                    ? "The vehicle stands on a slope here and is raised in this job: it slides off its stands. Work on level, firm ground."
                    : "The vehicle stands on a slope here: it can roll, and no level is read right. Work on level ground.");
    }
}
