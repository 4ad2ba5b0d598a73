using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ025: a part is brought level or straight after what holds it has its final torque.</summary>
public sealed class MovedAfterTorque : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("TRQ025", Severity.Warn, "Moved after the torque");

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (walk.HoldersOf(part.Id) is not { Count: > 0 } holders) return;
        foreach (var moved in walk.EventsOf(part.Id))
        {
            if (moved.Verb is not (Verb.Seat or Verb.Adjust) || !Claims.Says(moved.Step, ClaimKind.Levelled)) continue;
            if (!holders.All(h => walk.BeforeEvent(h.Id, moved.Order).Joint is
                {
                    WasOut: true,
                    Stage: JointStage.Torqued or JointStage.Aligned or JointStage.Locked or JointStage.Marked
                })) continue;
            found.Add(At(moved, $"{part.Label} is moved here, and {string.Join(" and ", holders.Select(h => h.Label))} "
                + $"{(holders.Count > 1 || holders[0].Count > 1 ? "have" : "has")} the final torque already: it does not move, or what it moves is "
                + "loose again. Bring it into place first."));
        }
    }
}
