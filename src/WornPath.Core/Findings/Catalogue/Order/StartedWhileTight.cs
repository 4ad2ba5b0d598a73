using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD014: a joint is started by hand that is tight: the step that takes it out is missing, or another joint is meant.</summary>
public sealed class StartedWhileTight : Rule
{
    public override RuleInfo Info { get; } = new("ORD014", Severity.Warn, "Started while it is tight");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Doing(Verb.Start))
            if (walked is { Thing: Joint joint, Acted: { IsOut: false, IsSlack: false } })
                yield return At(walked, $"{joint.Label} {joint.Are} tight, and started by hand here. Write where "
                    + $"{joint.It} {joint.Or("comes", "come")} out; or another joint is meant.");
    }
}
