using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO006: a caliper or other hydraulic part of the brakes was moved, and the brakes are not pumped after it.</summary>
public sealed class PedalLeftSoft : Rule
{
    public override RuleInfo Info { get; } = new("CLO006", Severity.Stop, "Brakes not pumped");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        if (!walk.AtEnd(Walk.Vehicle).Vehicle.PedalSoft) yield break;
        var moved = walk.Events.Last(e => e.Thing is Part part && Natures.Of(part) == PartNature.Brake && e.Verb is Verb.Remove or Verb.HangAside or Verb.SetAside or Verb.Fit);
        yield return At(moved, $"{moved.Thing!.Label} is moved here and the brakes are not pumped afterwards: the first push of the pedal would go to the floor.",
            // With the brake apart its pistons would come out: it goes together first.
            PedalWhileOff.Apart(walk, walk.Events.Count) is not null ? null
                : Fixes.InsertBeforeUse(walk, moved.StepIndex, "Pump the brakes before it moves", "Pump the brake pedal until it is firm."));
    }
}
