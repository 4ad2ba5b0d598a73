using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>PRT003: a step fits a new part, and the list of parts says that the old one goes on again: nobody will have it in hand.</summary>
public sealed class NewPartNotListed : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("PRT003", Severity.Warn, "New part not on the list");

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (part.Origin != Origin.Vehicle || part.Fate == Fate.Replace) return;
        // On a branch it is only perhaps needed; that is what spares are for.
        if (walk.EventsOf(part.Id).FirstOrDefault(e => e.Action is { Verb: Verb.Fit, New: true, Branch: 0 }) is { } fitted)
            found.Add(At(fitted, $"A new one of {part.Label} goes on here, and the list of parts says “{EnumWord.Of(part.Fate)}”: nobody will have it in hand.", new Fix($"Put {part.Id} down as replaced", new SetField(part.Id, "fate", EnumWord.Of(part.Fate), EnumWord.Of(Fate.Replace)))));
    }
}
