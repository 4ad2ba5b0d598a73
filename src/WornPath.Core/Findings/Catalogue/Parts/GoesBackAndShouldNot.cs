using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>PRT006: a fastener that is superseded, thrown away or left off goes back in.</summary>
public sealed class GoesBackAndShouldNot : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("PRT006", Severity.Stop, "Goes back, and should not");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Becomes == JointFate.Refit) return;
        if (walk.EventsOf(joint.Id).FirstOrDefault(e => e.Verb is Verb.Start or Verb.Snug or Verb.Torque
            && e.Acted is { AnyOut: true, WasOut: true }) is not { } back) return;
        var said = Fields.Of(ThingKind.Joint).First(f => f.Name == "becomes").Get(joint);
        found.Add(At(back, $"{joint.Label} {joint.Or("goes", "go")} back in here, and Joints says “{said}”.",
            new Fix($"{joint.Label} {joint.Or("goes", "go")} back", new SetField(joint.Id, "becomes", said, EnumWord.Of(JointFate.Refit)))));
    }
}
