using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ022: the jack, hoist or sling goes away while a heavy part it bears is on with none of its fasteners in.</summary>
public sealed class LetGoTooSoon : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("HAZ022", Severity.Stop, "Let go while nothing holds it");

    // The mass in kg from which a part that falls does harm. Common practice, no source.
    private const decimal HarmfulKg = 10;

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (part.MassKg < HarmfulKg || part.MassKg is null && !Natures.IsHeavy(part) || walk.HoldersOf(part.Id) is not { Count: > 0 } holders) return;
        var aways = found.Kept(this, () => walk.Doing(Verb.TakeAway).Where(e => e.Thing is Aid && Natures.Is(e.Thing, Trait.Carrier)
            && !Natures.Is(e.Thing, Trait.Chock)).OrderBy(e => e.Order).ToList());
        if (aways.Count == 0) return;
        List<WalkEvent> moves = [.. holders.Append<Thing>(part).SelectMany(t => walk.EventsOf(t.Id)).OrderBy(e => e.Order)];
        for (var i = 0; i < moves.Count; i++)
        {
            // From here on it is on, and nothing holds it.
            if (moves[i].Verb is not (Verb.Fit or Verb.TakeOut) || walk.BeforeEvent(part.Id, moves[i].Order + 1).Part.Place != PartPlace.On
                || holders.Any(j => !walk.BeforeEvent(j.Id, moves[i].Order + 1).Joint.IsOut)) continue;
            var until = i + 1 < moves.Count ? moves[i + 1] : null;
            for (var k = FirstAfter(aways, moves[i].Order); k < aways.Count && aways[k].Order < (until?.Order ?? int.MaxValue); k++)
            {
                var away = aways[k];
                // It bears the part: put there for it, or worked with as it went on.
                if (!PlacedFor(walk, away.Thing!, moves[i]) && !moves[i].Step.Uses.Contains(away.Thing!.SheetId)) continue;
                found.Add(At(away, $"{away.Thing!.Label} goes away here while nothing holds {part.Label}: "
                    + $"{holders[0].Label} {holders[0].Are} out. {part.Or("It falls", "They fall")}.",
                    until is null || until.Step.Id == away.Step.Id || away.Step.Actions.Length > 1 ? null
                        : Fixes.MoveAfter(walk, away.StepIndex, until.StepIndex)));
                return;
            }
        }
    }

    // Put in place in the step, or in one of the two before it.
    private static bool PlacedFor(Walk walk, Thing carrier, WalkEvent move) =>
        walk.EventsOf(carrier.Id).LastOrDefault(e => e.Verb == Verb.Place && e.Order < move.Order) is { } placed && placed.StepIndex >= move.StepIndex - 2
        && walk.BeforeEvent(carrier.Id, move.Order).InPlace;

    private static int FirstAfter(List<WalkEvent> events, int order)
    {
        var (low, high) = (0, events.Count);
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (events[middle].Order <= order) low = middle + 1;
            else high = middle;
        }

        return low;
    }
}
