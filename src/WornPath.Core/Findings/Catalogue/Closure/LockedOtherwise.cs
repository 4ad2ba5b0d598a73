using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO010: a step pins or stakes a joint whose specification does not say so: nobody would miss the pin on the next sheet.</summary>
public sealed class LockedOtherwise : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("CLO010", Severity.Warn, "Locked otherwise than specified");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        foreach (var walked in walk.EventsOf(joint.Id))
        {
            if (walked.Verb is not (Verb.InsertPin or Verb.Stake)) continue;
            var done = walked.Verb == Verb.InsertPin ? Locking.CotterPin : Locking.Stake;
            if (joint.Locking == done) continue;
            found.Add(At(walked, $"{joint.Label} {(done == Locking.CotterPin ? "gets a cotter pin" : "is staked")} here, and Joints says {(joint.Locking == Locking.None ? "nothing of it" : $"“{EnumWord.Of(joint.Locking)}”")}: a pin or stake that is left out would not be missed.",
                new Fix($"{joint.Id} is locked by a {EnumWord.Of(done)}", new SetField(joint.Id, "locking", EnumWord.Of(joint.Locking), EnumWord.Of(done)))));
            return;
        }
    }
}
