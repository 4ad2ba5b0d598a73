using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD005: a joint is loosened or taken out that is out already: a step stands twice, or another joint is meant.</summary>
public sealed class LoosenedWhileOut : Rule
{
    public override RuleInfo Info { get; } = new("ORD005", Severity.Warn, "Loosened while it is out");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Doing(Verb.BreakLoose, Verb.Loosen, Verb.TakeOut))
            if (walked is { Thing: Joint joint, Action.Verb: Verb.BreakLoose or Verb.Loosen or Verb.TakeOut } && walked.Acted.IsOut)
                yield return At(walked, $"{joint.Label} {joint.Are} out already{(joint.Origin == Origin.Vehicle ? "" : ", still in the kit,")} and "
                    + "loosened here. Is another joint meant?");
    }
}
