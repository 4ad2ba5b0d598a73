using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO013: a bonnet, a door or a drain cock is opened, and never shut; a tap is shut, and never opened.</summary>
public sealed class LeftOpen : ThingRule<Control>
{
    public override RuleInfo Info { get; } = new("CLO013", Severity.Warn, "Opened and never shut, or shut and never opened");

    protected internal override void Find(Walk walk, Control control, Found found)
    {
        if (ControlPosition.LeftOpen(walk, control) is not { } last) return;
        var tap = ControlPosition.IsTap(control);
        // What drains is shut before something is filled in, and not when all is done.
        var filled = Natures.Is(control, Trait.DrainPlug) ? walk.Doing(Verb.Fill).FirstOrDefault(e => e.StepIndex > last.StepIndex) : null;
        found.Add(At(last, tap ? $"{control.Label} is shut here, and no step opens {control.Them} again." : $"{control.Label} is opened here, and no step shuts {control.Them}.",
            filled is not null ? Fixes.InsertBefore(walk, filled.StepIndex, $"Shut {control.Id} before it is filled", ControlPosition.PutBack(control))
                : Fixes.InsertAtEnd(walk, $"{(tap ? "Open" : "Shut")} {control.Id} at the end", ControlPosition.PutBack(control))));
    }
}
