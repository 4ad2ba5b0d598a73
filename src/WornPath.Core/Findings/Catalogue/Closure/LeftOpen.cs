using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO013: a bonnet, a flap or a door is opened, and never shut; a tap is shut, and never opened.</summary>
public sealed class LeftOpen : ThingRule<Control>
{
    public override RuleInfo Info { get; } = new("CLO013", Severity.Warn, "Opened and never shut, or shut and never opened");

    protected internal override void Find(Walk walk, Control control, Found found)
    {
        if (ControlPosition.LeftOpen(walk, control) is not { } last) return;
        var tap = Natures.Is(control, Trait.LetsThrough);
        found.Add(At(last, tap ? $"{control.Label} is shut here, and no step opens {control.Them} again." : $"{control.Label} is opened here, and no step shuts {control.Them}.",
            Fixes.InsertAtEnd(walk, $"{(tap ? "Open" : "Shut")} {control.Id} at the end", ControlPosition.PutBack(control))));
    }
}
