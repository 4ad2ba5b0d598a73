using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD015: a nut is loosened or taken off while its cotter pin is in.</summary>
public sealed class OutWithPinIn : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("ORD015", Severity.Stop, "Nut off with its pin in");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Locking != Locking.CotterPin) return;
        if (walk.EventsOf(joint.Id).FirstOrDefault(e => e.Verb is Verb.Loosen or Verb.TakeOut or Verb.BreakLoose or Verb.BackOff
            && e.Acted is { PinIn: true, WasOut: false }) is not { } off) return;
        found.Add(At(off, $"{joint.Label} comes undone here with its cotter pin in. Pull the pin first.",
            Fixes.InsertBefore(walk, off.StepIndex, "Pull the pin first", $"Pull the cotter pin out of {Fixes.The(joint)}.")));
    }
}
