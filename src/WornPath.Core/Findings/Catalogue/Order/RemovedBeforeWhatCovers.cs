using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD006: a part comes off while a part it is behind is still on.</summary>
public sealed class RemovedBeforeWhatCovers : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("ORD006", Severity.Stop, "Taken off before what covers it");

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (part.Behind.IsEmpty) return;
        foreach (var walked in walk.EventsOf(part.Id))
        {
            if (walked is not { Verb: Verb.Remove or Verb.HangAside or Verb.SetAside, ActedPart.IsMounted: true }) continue;
            var covers = part.Behind.Where(id => walk.Things.ContainsKey(id) && IsStillOver(walk, id, walked)).Select(id => walk.Things[id]).ToList();
            if (covers.Count == 0) continue;
            var later = walk.EventsOf(covers[^1].Id).FirstOrDefault(e => e.Order > walked.Order && e.StepIndex != walked.StepIndex && e.Verb is Verb.Remove or Verb.HangAside or Verb.SetAside);
            found.Add(At(walked, $"{part.Label} comes off here and is behind what is still on: {string.Join(" and ", covers.Select(c => c.Label))}.",
                later is null || Fixes.IsWorkedOnBetween(walk, walked.Step, walked.StepIndex, later.StepIndex) ? null
                    : Fixes.MoveAfter(walk, walked.StepIndex, later.StepIndex)));
        }
    }

    // On the vehicle while the part is, or off it with the part and in its place; and does not sit on the part itself.
    private static bool IsStillOver(Walk walk, string cover, WalkEvent walked) =>
        walk.BeforeEvent(cover, walked.Order).Part.Place == walked.ActedPart.Place && walk.HostAt(cover, walked.Order) != walked.Thing!.Id
            && !walk.EventsOf(cover).Any(e => e.Verb == Verb.Carry && e.Action.Host == walked.Thing.Id && e.StepIndex == walked.StepIndex);
}
