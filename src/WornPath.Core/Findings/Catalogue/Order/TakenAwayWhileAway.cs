using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD007: an aid is taken away that no step put in place.</summary>
public sealed class TakenAwayWhileAway : Rule
{
    public override RuleInfo Info { get; } = new("ORD007", Severity.Warn, "Taken away, never put in place");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Doing(Verb.TakeAway))
            // "Lift it on the hoist … push the hoist away": it was used.
            if (walked is { Thing: Aid aid, Action.Verb: Verb.TakeAway, Before.InPlace: false }
                && !(FirstUses(walk).TryGetValue(aid.SheetId, out var used) && used < walked.StepIndex))
                yield return At(walked, $"{aid.Label} {aid.Are} taken away here and {aid.Or("was", "were")} not in place. "
                    + $"Write where {aid.Or("it is", "they are")} put in place; a step is missing, or stands twice.");
    }

    // The first step that works with a thing, by its id.
    private static Dictionary<string, int> FirstUses(Walk walk) => walk.Kept(typeof(TakenAwayWhileAway), static w =>
    {
        var first = new Dictionary<string, int>();
        for (var i = 0; i < w.Steps.Count; i++)
            foreach (var id in w.Steps[i].Uses) first.TryAdd(id, i);
        return first;
    });
}
