using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO013: a bonnet, a flap or a door is opened, and never shut.</summary>
public sealed class LeftOpen : ThingRule<Control>
{
    public override RuleInfo Info { get; } = new("CLO013", Severity.Warn, "Opened and never shut");

    protected internal override void Find(Walk walk, Control control, Found found)
    {
        if (!Natures.Is(control, Trait.Opens)) return;
        var last = walk.EventsOf(control.Id).LastOrDefault(e => e is { Verb: Verb.Set, Action.Position: { } position }
            && (Trade.Says(position, Trade.Openings) || Trade.Says(position, Trade.Shuttings)));
        if (last is null || Trade.Says(last.Action.Position!, Trade.Shuttings)) return;
        found.Add(At(last, $"{control.Label} is opened here, and no step shuts it.",
            Fixes.InsertAtEnd(walk, $"Shut {control.Id} at the end", $"Shut {Fixes.The(control)}.")));
    }
}
