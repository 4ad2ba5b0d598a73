using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO013: a bonnet, a flap or a door is opened, and never shut; a tap is shut, and never opened.</summary>
public sealed class LeftOpen : ThingRule<Control>
{
    public override RuleInfo Info { get; } = new("CLO013", Severity.Warn, "Opened and never shut, or shut and never opened");

    protected internal override void Find(Walk walk, Control control, Found found)
    {
        var tap = Natures.Is(control, Trait.LetsThrough);
        if (!tap && !Natures.Is(control, Trait.Opens)) return;
        var last = walk.EventsOf(control.Id).LastOrDefault(e => e is { Verb: Verb.Set, Action.Position: { } position }
            && (Trade.Says(position, Trade.Openings) || Trade.Says(position, Trade.Shuttings)));
        if (last is null || Trade.Says(last.Action.Position!, tap ? Trade.Openings : Trade.Shuttings)) return;
        if (tap)
        {
            found.Add(At(last, $"{control.Label} is shut here, and no step opens it again.",
                Fixes.InsertAtEnd(walk, $"Open {control.Id} at the end", $"Open {Fixes.The(control)}.")));
            return;
        }

        found.Add(At(last, $"{control.Label} is opened here, and no step shuts it.",
            Fixes.InsertAtEnd(walk, $"Shut {control.Id} at the end", $"Shut {Fixes.The(control)}.")));
    }
}
