using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ010: a whole axle is set down on a single stand.</summary>
public sealed class OneStand : Rule
{
    public override RuleInfo Info { get; } = new("HAZ010", Severity.Warn, "An axle on one stand");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var set in walk.Doing(Verb.SetOnStands))
            if (Claims.Says(set.Step, ClaimKind.OneStand) && (Claims.Says(set.Step, ClaimKind.WholeAxle) || Raised(walk, set) is { } raised
                && Claims.Says(raised.Step, ClaimKind.WholeAxle)))
                yield return At(set.Step, set.StepIndex, null,
                    "An axle stands on one stand here: it tips. One on each side, under the points the maker names.");
    }

    private static WalkEvent? Raised(Walk walk, WalkEvent set) => walk.Doing(Verb.Raise).LastOrDefault(e => e.Order < set.Order);
}
