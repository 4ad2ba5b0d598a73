using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ022: the jack, hoist or sling goes away while a heavy part it bears is on with none of its fasteners in.</summary>
public sealed class LetGoTooSoon : Rule
{
    public override RuleInfo Info { get; } = new("HAZ022", Severity.Stop, "Let go while nothing holds it");

    // The mass in kg from which a part that falls does harm. Common practice, no source.
    private const decimal HarmfulKg = 10;

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var away in walk.Doing(Verb.TakeAway))
        {
            if (away.Thing is not Aid carrier || !Natures.Is(carrier, Trait.Carrier) || Natures.Is(carrier, Trait.Chock)
                || Since(walk, carrier, away) is not { } since) continue;
            foreach (var part in walk.Sheet.Parts.Where(p => p.MassKg >= HarmfulKg || Natures.IsHeavy(p)))
            {
                if (walk.BeforeEvent(part.Id, away.Order).Part.Place != PartPlace.On) continue;
                var holders = walk.HoldersOf(part.Id);
                if (holders.Count == 0 || holders.Any(j => !walk.BeforeEvent(j.Id, away.Order).Joint.IsOut)) continue;
                // Borne by it: put on, or undone, since it is there.
                if (!holders.Append<Thing>(part).Any(t => walk.EventsOf(t.Id).Any(e => e.StepIndex >= since && e.Order < away.Order
                    && e.Verb is Verb.Fit or Verb.TakeOut))) continue;
                var held = walk.Events.FirstOrDefault(e => e.Order > away.Order && (e.Verb == Verb.Start && holders.Contains(e.Thing)
                    || e.Verb == Verb.Remove && e.Thing == part));
                yield return At(away, $"{carrier.Label} {(carrier.IsMany ? "go" : "goes")} away here while nothing holds {part.Label}: {holders[0].Label} {holders[0].Are} out. It falls.",
                    held is null || held.Step.Id == away.Step.Id || away.Step.Actions.Length > 1 ? null : Fixes.MoveAfter(walk, away.Step, held.Step));
                break;
            }
        }
    }

    // The step that put it in place or first worked with it; null where none did.
    private static int? Since(Walk walk, Aid carrier, WalkEvent away)
    {
        if (walk.EventsOf(carrier.Id).LastOrDefault(e => e.Order < away.Order && e.Verb == Verb.Place) is { } placed) return placed.StepIndex;
        for (var i = 0; i < away.StepIndex; i++)
            if (walk.Steps[i].Uses.Contains(carrier.SheetId)) return i;
        return null;
    }
}
