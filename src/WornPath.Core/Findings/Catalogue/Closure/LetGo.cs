using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO014: the parking brake or the gear is let go for the job, and nothing holds the vehicle when it is done.</summary>
public sealed class LetGo : ThingRule<Control>
{
    public override RuleInfo Info { get; } = new("CLO014", Severity.Warn, "Brake or gear left as the job set it");

    protected internal override void Find(Walk walk, Control control, Found found)
    {
        // Who drives sets it himself.
        if (ControlPosition.LetGo(walk, control) is not { } last || Uses.Of(walk).Any(u => u.Drives && u.Order > last.Order)) return;
        found.Add(At(last, $"{control.Label} is {(ControlPosition.IsParkingBrake(control) ? "released" : "out of gear")} from here on, "
            + "and no step sets it again: nothing holds the vehicle when the job is done.",
            Fixes.InsertAtEnd(walk, $"Set {control.Id} at the end", ControlPosition.PutBack(control))));
    }
}
