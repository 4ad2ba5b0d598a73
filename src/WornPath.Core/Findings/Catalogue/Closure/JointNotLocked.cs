using WornPath.Core.Workshops;
using WornPath.Core.Building;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>
/// CLO008: a joint whose specification asks for a cotter pin, a stake, a lock plate, a wire or a witness mark reaches its torque and does not
/// get it; or what locked it is undone, and nothing locks it again.
/// </summary>
public sealed class JointNotLocked : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("CLO008", Severity.Stop, "Joint not locked or marked");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        var end = walk.AtEnd(joint.Id).Joint;
        if (joint.Locking == Locking.None && !joint.Mark && end.Lock != LockState.Off) return;
        var events = walk.EventsOf(joint.Id);
        // What was locked by something, though no cell says by what, and stays tight or gets its torque.
        if (joint.Locking == Locking.None && end is { Lock: LockState.Off, IsOut: false, IsSlack: false }
            && events.LastOrDefault(e => e.Verb == Verb.Unlock) is { } undone)
            found.Add(At(undone, $"What locks {joint.Label} is undone here, and nothing locks {joint.Them} again.",
                Fixes.PutRight(walk, joint, Math.Max(undone.StepIndex, events[^1].StepIndex), $"Lock {joint.Id} again", $"Lock {Fixes.The(joint)}.")));
        // A pin pulled from a nut that stays tight is missed as much as one that never went in.
        if (joint.Locking == Locking.CotterPin && end is { Stage: JointStage.Tight, PinIn: false } && events.LastOrDefault(e => e.Verb == Verb.RemovePin) is { } pulled)
            found.Add(At(pulled, $"The cotter pin of {joint.Label} is pulled here, and none goes in again.", Fixes.PutRight(walk, joint, pulled.StepIndex, "Insert a new cotter pin", TighteningSentence.Pin(joint))));
        if (end.Stage is not (JointStage.Torqued or JointStage.Aligned or JointStage.Locked or JointStage.Marked)) return;
        var torqued = events.LastOrDefault(e => e.Verb == Verb.Torque);
        if (torqued is null) return;
        bool After(Verb verb) => events.Any(e => e.Verb == verb && e.Order > torqued.Order);
        if (joint.Locking == Locking.CotterPin && !walk.AtEnd(joint.Id).Joint.PinIn)
            found.Add(At(torqued, $"{joint.Label} {joint.Are} torqued here and {joint.Or("gets", "get")} no cotter pin.",
                Fixes.InsertAfter(walk, torqued.StepIndex, "Insert a new cotter pin", TighteningSentence.Pin(joint))));
        else if (joint.Locking == Locking.Stake && !After(Verb.Stake))
            found.Add(At(torqued, $"{joint.Label} is torqued here and not staked.",
                Fixes.InsertAfter(walk, torqued.StepIndex, $"Stake {joint.Id}", TighteningSentence.Stake(joint))));
        else if (joint.HasTabOrWire && end.Lock != LockState.On)
            found.Add(At(torqued, $"{joint.Label} {joint.Are} torqued here and {joint.Or("gets", "get")} no {EnumWord.Of(joint.Locking)}.",
                Fixes.InsertAfter(walk, torqued.StepIndex, $"Lock {joint.Id}", TighteningSentence.Lock(joint))));
        if (joint.Mark && !After(Verb.Mark))
            found.Add(At(torqued, $"{joint.Label} {joint.Are} torqued here and {joint.Or("gets", "get")} no witness mark.",
                Fixes.InsertAfter(walk, torqued.StepIndex, $"Mark {joint.Id}", TighteningSentence.Mark(joint))));
    }
}
