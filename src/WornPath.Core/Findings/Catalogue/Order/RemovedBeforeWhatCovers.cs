using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD006: a part comes off while a part it is behind is still on.</summary>
public sealed class RemovedBeforeWhatCovers : Rule
{
    public override RuleInfo Info { get; } = new("ORD006", Severity.Stop, "Taken off before what covers it");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Sheet.Parts.Where(p => p.Behind.Length > 0).SelectMany(p => walk.EventsOf(p.Id)))
        {
            if (walked is not { Thing: Part { Behind.Length: > 0 } part, Action.Verb: Verb.Remove or Verb.HangAside, Before.Part.Place: PartPlace.On }) continue;
            var covers = part.Behind.Where(id => walk.Things.ContainsKey(id) && walk.BeforeEvent(id, walked.Order).Part.Place == PartPlace.On).Select(id => walk.Things[id]).ToList();
            if (covers.Count == 0) continue;
            var later = walk.EventsOf(covers[^1].Id).FirstOrDefault(e => e.Order > walked.Order && e.StepIndex != walked.StepIndex && e.Action.Verb is Verb.Remove or Verb.HangAside);
            yield return At(walked, $"{part.Label} comes off here and is behind what is still on: {string.Join(" and ", covers.Select(c => c.Label))}.", later is null ? null : Fixes.MoveAfter(walk, walked.Step, later.Step));
        }
    }
}
