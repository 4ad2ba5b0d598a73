using WornPath.Core.Workshops;
using WornPath.Core.Fasteners;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>PRT001: a one-time fastener, a cotter pin or a part that is to be replaced goes back in, and no word says it is new.</summary>
public sealed class NotRenewed : ThingRule<Thing>
{
    public override RuleInfo Info { get; } = new("PRT001", Severity.Stop, "Pin or one-time fastener not renewed");

    protected internal override void Find(Walk walk, Thing thing, Found found)
    {
        if (thing is Joint joint && (joint.Locking == Locking.CotterPin || joint.Reuse == ReuseRule.Renew))
            foreach (var walked in walk.EventsOf(joint.Id))
            {
                if (walked.Action is { Verb: Verb.InsertPin, New: false } && joint.Locking == Locking.CotterPin)
                    found.Add(At(walked, $"The cotter pin of {joint.Label} goes in here and is not said to be new. A bent pin is never used again.",
                        Fixes.SayNew(walked)));
                else if (joint.Reuse == ReuseRule.Renew && walked.Action is { Verb: Verb.Start, New: false } && walked.Acted.AnyOut
                    && (walked.Acted.WasOut && joint.Origin == Origin.Vehicle
                        || Claims.Says(walked.Step, walked.Action, ClaimKind.TheOld)) && !NewLater(walk, walked))
                    found.Add(At(walked, $"{joint.Label} {joint.Are} to be renewed each time, and "
                        + $"{joint.Or("the old one goes", "the old ones go")} back in here.", Fixes.SayNew(walked)));
            }

        if (thing is Joint { Stack: { } stack } built) FindOld(walk, built, stack, found);
        if (thing is Part part && (part.Fate == Fate.Replace || part.Origin != Origin.Vehicle))
            foreach (var walked in walk.EventsOf(part.Id))
                if (walked.Action is { Verb: Verb.Fit, New: false } && walked.After.Part is { IsNew: false } && (walked.ActedPart.WasOff
                    || part.Origin != Origin.Vehicle) && !IsTheNew(walk, part, walked))
                    found.Add(At(walked, $"{part.Label} {part.Are} to be replaced, and the old {part.Or("one goes", "ones go")} back on here.",
                        Fixes.SayNew(walked)));
                else if (walked is { Verb: Verb.Carry, ActedPart: { Place: PartPlace.Carried, WasOff: false, IsNew: false }, After.Part.Place: PartPlace.On }
                    && walked.Action.Host is { } host)
                    found.Add(At(walked, $"{part.Label} {part.Are} to be replaced, and the old {part.Or("one comes", "ones come")} back "
                        + $"on {walk.Things[host].Label} here. "
                        + "Write where the new one goes in."));
    }

    // "Push the mounts onto the new radiator" stands before it, and no word that the old one is meant.
    private static bool IsTheNew(Walk walk, Part part, WalkEvent fitted) => !Claims.Says(fitted.Step, ClaimKind.TheOld)
        && walk.EventsOf(part.Id).LastOrDefault(e => e.Order < fitted.Order && e.Verb == Verb.Remove) is { } off
        && walk.Steps.Skip(off.StepIndex + 1).Take(fitted.StepIndex - off.StepIndex - 1).Any(s => Claims.SpeaksOfNew(s, part, walk.Sheet));

    // Washers and nuts that are new each time: said from where the joint comes out on.
    private void FindOld(Walk walk, Joint joint, JointStack stack, Found found)
    {
        var events = walk.EventsOf(joint.Id);
        if (events.FirstOrDefault(e => e.Verb is Verb.Start or Verb.Snug or Verb.Torque && e.Acted is { AnyOut: true, WasOut: true }) is not { } back) return;
        foreach (var piece in stack.Renewed)
        {
            if (events.Any(e => e is { Verb: Verb.Renew, Action.Words: { } words } && words.Contains(piece.Name, StringComparison.OrdinalIgnoreCase))) continue;
            var many = joint.Count * piece.Count > 1;
            var name = piece.NameFor(joint.Count * piece.Count);
            found.Add(At(back, $"{joint.Label} {joint.Or("goes", "go")} back in here, and no step says that the {name} {(many ? "are" : "is")} new.",
                Fixes.InsertBefore(walk, back.StepIndex, $"New {name} first", $"Put {(many ? "" : "a ")}new {name} on the {joint.Name}.")));
        }
    }

    // "Start the nut by hand … torque the new nut": said late is said.
    private static bool NewLater(Walk walk, WalkEvent started)
    {
        foreach (var later in walk.EventsOf(started.Thing!.Id))
        {
            if (later.Order <= started.Order) continue;
            if (later.Verb == Verb.TakeOut) return false;
            // A new pin is no new nut.
            if (later.Action is { New: true, Verb: not Verb.InsertPin }) return true;
        }

        return false;
    }
}
