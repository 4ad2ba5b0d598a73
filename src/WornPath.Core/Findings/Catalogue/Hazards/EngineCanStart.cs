using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ021: hands go to what the engine drives, and nothing keeps the engine from being started.</summary>
public sealed class EngineCanStart : Rule
{
    public override RuleInfo Info { get; } = new("HAZ021", Severity.Warn, "The engine can be started");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        var first = walk.Doing(Verb.Remove).FirstOrDefault(e => e.ActedPart.Place == PartPlace.On && e.Thing is Part && Natures.Is(e.Thing, Trait.Driven));
        if (first is null) yield break;
        if (walk.Sheet.Controls.Any(c => Trade.ControlNamed(c.Name.ToLowerInvariant()) == "ignition"
            && walk.BeforeEvent(c.Id, first.Order).Control == ControlState.Released)) yield break;
        if (walk.Doing(Verb.Disconnect, Verb.TakeOut).Any(e => e.Order < first.Order && Natures.Is(e.Thing, Trait.StartsEngine))) yield break;
        yield return At(first, $"{first.Thing!.Label} comes off here, and nothing before keeps the engine from being started: it takes the hand with "
            + "it. Switch off and take the key out, or take the leads of the plugs or the battery off.",
            Fixes.InsertBefore(walk, first.StepIndex, "Stop it first", "Switch the engine off and take the key out."));
    }
}
