using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO014: the parking brake or the gear is let go for the job, and nothing holds the vehicle when it is done.</summary>
public sealed class LetGo : ThingRule<Control>
{
    public override RuleInfo Info { get; } = new("CLO014", Severity.Warn, "Brake or gear left as the job set it");

    protected internal override void Find(Walk walk, Control control, Found found)
    {
        if (!ControlPosition.Holds(control) || walk.AtEnd(control.Id).Control != ControlState.Released) return;
        var last = walk.EventsOf(control.Id).Last(e => e.Verb == Verb.Set);
        // Who drives sets it himself; and what else holds it is enough.
        if (Uses.Of(walk).Any(u => u.Drives && u.Order > last.Order)
            || walk.Sheet.Controls.Any(other => other.Id != control.Id && ControlPosition.Holds(other)
                && walk.AtEnd(other.Id).Control == ControlState.Engaged)) return;
        var brake = ControlPosition.IsParkingBrake(control);
        found.Add(At(last, $"{control.Label} is {(brake ? "released" : "out of gear")} from here on, and no step sets it again: "
            + "nothing holds the vehicle when the job is done.",
            Fixes.InsertAtEnd(walk, $"Set {control.Id} at the end", brake ? $"Set {Fixes.The(control)}." : $"Put {Fixes.The(control)} in first gear.")));
    }
}
