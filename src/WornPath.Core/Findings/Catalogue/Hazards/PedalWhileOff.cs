using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ014: the brake pedal is pressed while a caliper or brake cylinder is off.</summary>
public sealed class PedalWhileOff : Rule
{
    public override RuleInfo Info { get; } = new("HAZ014", Severity.Stop, "Pedal pressed with the brake apart");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var pressed in walk.Doing(Verb.PumpBrakes))
            if (Apart(walk, pressed.Order) is { } off)
                yield return At(pressed.Step, pressed.StepIndex, off,
                    $"The brake pedal is pressed here while {off.Label} is off: {off.Its} pistons come out, and the fluid after them. Press it when the "
                    + "brake is together.");
    }

    /// <summary>A part of the brakes that is off just before an event; null where all are on.</summary>
    internal static Part? Apart(Walk walk, int order) => walk.Sheet.Parts.FirstOrDefault(p => Natures.Of(p) == PartNature.Brake
        && walk.BeforeEvent(p.Id, order).Part is { Place: not PartPlace.On, WasOff: true });
}
