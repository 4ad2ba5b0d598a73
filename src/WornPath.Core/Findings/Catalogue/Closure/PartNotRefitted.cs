using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO003: a part that goes on again, or is replaced, is off when all is done; or one of the kit is handled and never fitted.</summary>
public sealed class PartNotRefitted : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("CLO003", Severity.Stop, "Part never refitted");

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (part.Fate is Fate.Discard or Fate.Spare) return;
        var end = walk.AtEnd(part.Id).Part;
        if (end.Place == PartPlace.On) return;
        var events = walk.EventsOf(part.Id);
        var last = events.LastOrDefault(e => e.Verb is Verb.Remove or Verb.HangAside or Verb.SetAside) ?? (events.Count > 0 ? events[^1] : null);
        if (last is null)
        {
            found.Add(At(null, -1, part, $"Comes with the kit and no step fits it: {part.Label}.", Fit(walk, part, -1)));
            return;
        }

        var how = end.Place switch { PartPlace.Hung => "Hung aside", PartPlace.InBox => "Taken from the kit", _ => "Taken off" };
        found.Add(At(last, $"{how} here and never fitted again: {part.Label}.", Fit(walk, part, last.StepIndex)));
    }

    private static Fix? Fit(Walk walk, Part part, int after) =>
        Fixes.PutRight(walk, part, after, $"Fit {part.Id}", $"Fit the {(part.Fate == Fate.Replace ? "new " : "")}{part.Name}.");
}
