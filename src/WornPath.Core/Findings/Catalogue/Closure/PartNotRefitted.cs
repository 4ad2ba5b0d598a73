using WornPath.Core.Building;
using WornPath.Core.Workshops;
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
        if (end.Place == PartPlace.On || walk.IsForABranch(part)) return;
        // What is on a part that is missing itself comes on with it.
        if (end.Place == PartPlace.Carried && walk.HostAt(part.Id, int.MaxValue) is { } bearer
            && walk.Things.GetValueOrDefault(bearer) is Part { Fate: Fate.Refit or Fate.Replace }) return;
        var events = walk.EventsOf(part.Id);
        var last = events.LastOrDefault(e => e.Verb is Verb.Remove or Verb.HangAside or Verb.SetAside or Verb.Carry && e.ActedPart.IsMounted)
            ?? (events.Count > 0 ? events[^1] : null);
        if (last is { Verb: Verb.Carry, Action.Host: { } host })
        {
            found.Add(At(last, $"{part.Label} goes with the old {walk.Things[host].Label} here and is not taken off it. "
                + "Write where it comes off and where it goes on.",
                Fit(walk, part, last.StepIndex)));
            return;
        }

        if (last is null)
        {
            found.Add(At(null, -1, part, $"{part.Or("Comes", "Come")} with the kit and no step fits {part.Them}: {part.Label}.", Fit(walk, part, -1)));
            return;
        }

        if (end.Counts is { } counts)
        {
            var missing = counts.Groups.Where(g => g.State.Place != PartPlace.On).Sum(g => g.Count);
            found.Add(At(events.Last(e => e.Verb is Verb.Fit or Verb.Remove or Verb.HangAside or Verb.SetAside),
                $"Of {part.Label}, {part.Quantity} in all, {missing} {(missing == 1 ? "is" : "are")} left "
                + $"{Bench.Says(end with { Counts = null })} here and never fitted.",
                // With its fasteners in, it would go on behind them.
                walk.Sheet.Joints.Any(j => j.Holds.Contains(part.Id) && !walk.AtEnd(j.Id).Joint.AnyOut) ? null : Fit(walk, part, last.StepIndex)));
            return;
        }

        var how = end.Place switch
        {
            PartPlace.Hung => "Hung aside",
            PartPlace.InBox => "Taken from the kit",
            _ => last.Verb == Verb.Discard ? "Thrown away" : "Taken off",
        };
        found.Add(At(last, $"{how} here and never fitted again: {part.Label}.",
            [Fit(walk, part, last.StepIndex), .. RefitChoice.StaysOff(walk, part).Select(w => new Fix(w.Says, w.Edit))]));
    }

    private static Fix? Fit(Walk walk, Part part, int after) =>
        Fixes.PutRight(walk, part, after, $"Fit {part.Id}", $"Fit the {(part.Fate == Fate.Replace ? "new " : "")}{part.Name}.");
}
