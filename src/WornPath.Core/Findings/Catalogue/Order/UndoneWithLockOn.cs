using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD015: a fastener is loosened or taken out while what locks it holds: its cotter pin, its tab, its wire.</summary>
public sealed class UndoneWithLockOn : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("ORD015", Severity.Stop, "Undone with its lock on");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.HasTabOrWire && walk.EventsOf(joint.Id).FirstOrDefault(e => IsUndoing(e.Verb)
            && e.Acted is { Lock: LockState.On, WasOut: false }) is { } forced)
        {
            var (holds, first) = joint.Locking == Locking.Wire ? ("the locking wire on", "Cut the wire first") : ("the tab of the lock plate up", "Bend the tab flat first");
            found.Add(At(forced, $"{joint.Label} comes undone here with {holds}. {first}.",
                Fixes.InsertBefore(walk, forced.StepIndex, first, $"Unlock {Fixes.The(joint)}.")));
        }

        if (joint.Locking != Locking.CotterPin) return;
        if (walk.EventsOf(joint.Id).FirstOrDefault(e => IsUndoing(e.Verb)
            && e.Acted is { PinIn: true, WasOut: false }) is not { } off) return;
        found.Add(At(off, $"{joint.Label} comes undone here with {joint.Its} cotter pin in. Pull the pin first.",
            Fixes.InsertBefore(walk, off.StepIndex, "Pull the pin first", $"Pull the cotter pin out of {Fixes.The(joint)}.")));
    }

    private static bool IsUndoing(Verb verb) => verb is Verb.Loosen or Verb.TakeOut or Verb.BreakLoose or Verb.BackOff;
}
