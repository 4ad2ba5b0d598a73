using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ018: the vehicle is driven or its engine run while something of the job is open.</summary>
public sealed class UsedBeforeReady : Rule
{
    public override RuleInfo Info { get; } = new("HAZ018", Severity.Stop, "Used before it is ready");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var use in Uses.Of(walk))
        {
            var open = walk.Sheet.Things.Where(t => IsOpen(walk, use, t)).ToList();
            var vehicle = use.Order > 0 ? walk.VehicleBefore(use.Order).State.Vehicle : default;
            var soft = use.Drives && vehicle.PedalSoft;
            if (open.Count == 0 && !soft && !(use.Drives && vehicle.InTheAir)) continue;
            string[] why =
            [
                .. open.Take(4).Select(t => $"{t.Label} {Says(walk, use, t)}"),
                .. soft ? ["the brakes are not pumped"] : Array.Empty<string>(),
                .. use.Drives && vehicle.InTheAir ? ["it is not on the ground"] : Array.Empty<string>(),
            ];
            yield return At(use.Step, use.StepIndex, open.FirstOrDefault(),
                $"{(use.Drives ? "The vehicle is driven" : "The engine is run")} here, and {string.Join("; ", why)}. Put it behind what makes it ready.");
        }
    }

    private static bool IsOpen(Walk walk, Use use, Thing thing)
    {
        var state = walk.BeforeEvent(thing.Id, use.Order);
        if (state == walk.AtBeginning(thing.Id) || !Openness.IsOpen(walk, thing, state)) return false;
        // What is put right later; what never is has a finding of its own.
        if (!walk.EventsOf(thing.Id).Any(e => e.Order >= use.Order
            && (thing is Fluid ? e.After.Fluid != FluidState.Drained : !Openness.IsOpen(walk, thing, e.After)))) return false;
        return thing switch
        {
            Joint or Part or Connection => use.Drives || Natures.Is(thing, Trait.EngineNeeds),
            Fluid => state.Fluid == FluidState.Drained,
            _ => false,
        };
    }

    private static string Says(Walk walk, Use use, Thing thing) => walk.BeforeEvent(thing.Id, use.Order) switch
    {
        var state when thing is Joint joint => $"{joint.Are} {Bench.Says(joint, state.Joint)}",
        _ when thing is Part => "is off",
        _ when thing is Connection => "is open",
        _ => "is drained",
    };
}
