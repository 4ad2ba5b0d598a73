using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>
/// Where on a sheet something that was left open is put right: before the first step that needs it, and behind what must be done before.
/// A cover needs what is under it, a fastener its part, a filling its plug, the lowering what is done in the air, a drive all of it.
/// </summary>
internal static class RefitPlace
{
    /// <summary>The step's place it goes before; the number of steps for the end.</summary>
    /// <param name="walk">The walk.</param>
    /// <param name="thing">What is put right; null for the vehicle.</param>
    /// <param name="notBefore">The step that left it open, from 0; −1 for the beginning.</param>
    public static int Of(Walk walk, Thing? thing, int notBefore)
    {
        var from = Math.Max(notBefore, LastUnder(walk, thing));
        // What gets its value with the suspension loaded gets it when it stands on its wheels.
        if (thing is Joint { Condition: TighteningCondition.SuspensionLoaded or TighteningCondition.TyreTouching }) from = Math.Max(from, walk.LastLowering);
        var due = walk.Steps.Count;
        foreach (var needed in NeedsIt(walk, thing, from))
            if (needed > from && needed < due) due = needed;
        return due;
    }

    // Steps at which it must be done, in no order.
    private static IEnumerable<int> NeedsIt(Walk walk, Thing? thing, int from)
    {
        IEnumerable<int> At(string id, params Verb[] verbs) => walk.EventsOf(id).Where(e => e.StepIndex > from && verbs.Contains(e.Verb)).Take(1).Select(e => e.StepIndex);
        string[] held = thing switch { Joint joint => [.. joint.Holds], Part part => [part.Id], _ => [] };
        foreach (var id in held)
        {
            foreach (var (cover, _) in walk.Things.GetValueOrDefault(id) is Part part ? Covers.Of(walk, part) : [])
                foreach (var at in At(cover.Id, Verb.Fit)) yield return at;
            foreach (var holder in thing is Part ? walk.HoldersOf(id) : [])
                foreach (var at in At(holder.Id, Verb.Start, Verb.Snug, Verb.TorquePass, Verb.Torque)) yield return at;
        }

        if (thing is Joint { HeldBy.Length: > 0 } turned)
            foreach (var aid in walk.Sheet.Aids.Where(a => turned.HeldBy.Contains(a.Name, StringComparison.OrdinalIgnoreCase)))
                foreach (var at in At(aid.Id, Verb.TakeAway)) yield return at;
        if (Natures.Is(thing, Trait.DrainPlug) || held.Any(id => Natures.Is(walk.Things.GetValueOrDefault(id), Trait.KeepsFluidIn)))
            foreach (var filled in walk.Doing(Verb.Fill)) yield return filled.StepIndex;
        // On a sheet of one fluid its hoses are on before it goes in.
        if (thing is Connection && walk.Sheet.Fluids.Length == 1 && Natures.Is(thing, Trait.CarriesFluid))
            foreach (var filled in walk.Doing(Verb.Fill)) yield return filled.StepIndex;
        if (thing is Aid && Natures.Is(thing, Trait.Under))
            foreach (var set in walk.Doing(Verb.Set))
                if (Natures.Is(set.Thing, Trait.Implement) && Trade.Says(set.Action.Position ?? "", Trade.Lowers)) yield return set.StepIndex;
        // What keeps it from rolling stays until it is down, and so does what is torqued on the ground.
        var onTheGround = thing is Aid && Natures.Is(thing, Trait.Chock) || thing is Joint wheel
            && (Natures.HoldsAWheel(wheel, walk.Things) || wheel.Condition is TighteningCondition.SuspensionLoaded or TighteningCondition.TyreTouching);
        if (!onTheGround && walk.LastLowering > from)
        {
            yield return walk.LastLowering;
            // Its stands come away for the lowering: nothing is worked on in between.
            foreach (var away in walk.Doing(Verb.TakeAway))
                if (Natures.Is(away.Thing, Trait.Stand) && away.StepIndex <= walk.LastLowering) yield return away.StepIndex;
        }

        foreach (var use in Uses.Of(walk))
            if (!onTheGround || use.Drives && use.StepIndex > walk.LastLowering) yield return use.StepIndex;
    }

    // The last step that fits what it goes over, or what it holds.
    private static int LastUnder(Walk walk, Thing? thing)
    {
        IEnumerable<string> under = thing switch
        {
            Part part => walk.Sheet.Parts.Where(p => p.Behind.Contains(part.Id)).Select(p => p.Id),
            Joint joint => joint.Holds,
            _ => [],
        };
        return under.Select(id => walk.EventsOf(id).LastOrDefault(e => e.Verb == Verb.Fit)?.StepIndex ?? -1).DefaultIfEmpty(-1).Max();
    }
}
