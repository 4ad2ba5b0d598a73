using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ024: a jam nut is tightened that no step has loosened, though what it locks was turned.</summary>
public sealed class NeverLoosened : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ024", Severity.Warn, "Tightened and never loosened");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (!Natures.Is(joint, Trait.JamNut)) return;
        if (walk.EventsOf(joint.Id).FirstOrDefault(e =>
            e.Verb is Verb.Torque or Verb.Snug or Verb.TorquePass or Verb.Loosen or Verb.BreakLoose or Verb.TakeOut) is not { Verb: Verb.Torque or Verb.Snug or Verb.TorquePass, Acted.Stage: JointStage.Tight } first) return;
        found.Add(At(first, $"{joint.Label} is tightened here, and no step has loosened {joint.Them}: what {joint.It} {joint.Or("locks", "lock")} cannot have been turned. Write where it is "
            + "loosened."));
    }
}
