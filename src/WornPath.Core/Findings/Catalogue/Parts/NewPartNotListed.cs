using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>PRT003: a step fits a new part, and the list of parts says that the old one goes on again: nobody will have it in hand.</summary>
public sealed class NewPartNotListed : Rule
{
    public override RuleInfo Info { get; } = new("PRT003", Severity.Warn, "New part not on the list");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var part in walk.Sheet.Parts)
        {
            if (part.Origin != Origin.Vehicle || part.Fate == Fate.Replace) continue;
            // On a branch it is only perhaps needed; that is what spares are for.
            if (walk.EventsOf(part.Id).FirstOrDefault(e => e.Action is { Verb: Verb.Fit, New: true, Branch: 0 }) is { } fitted)
                yield return At(fitted, $"A new one of {part.Label} goes on here, and the list of parts says “{Fields.WordOf(part.Fate)}”: nobody will have it in hand.", new Fix($"Put {part.Id} down as replaced", new SetField(part.Id, "fate", Fields.WordOf(part.Fate), Fields.WordOf(Fate.Replace))));
        }
    }
}
