using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FLO003: a fluid is filled in while the drain plug or cock, or a cover that was opened for it, is not closed.</summary>
public sealed class FilledWhileOpen : Rule
{
    public override RuleInfo Info { get; } = new("FLO003", Severity.Stop, "Filled while it is open");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var filled in walk.Doing(Verb.Fill))
        {
            if (filled.Thing is not Fluid fluid || walk.EventsOf(fluid.Id).LastOrDefault(e => e.Verb == Verb.Drain
                && e.Order < filled.Order) is not { } drained) continue;
            foreach (var thing in walk.Sheet.Things)
            {
                var state = walk.BeforeEvent(thing.Id, filled.Order);
                var open = thing switch
                {
                    Joint when Natures.Is(thing, Trait.DrainPlug) =>
                        state.Joint is { AnyOut: true } or { Stage: JointStage.Started or JointStage.BackedOut or JointStage.BrokenLoose },
                    Part cover => state.Part is { Place: PartPlace.OnBench, WasOff: true } && Natures.Is(cover, Trait.KeepsFluidIn)
                        && walk.EventsOf(cover.Id).Any(e => e.Order > drained.Order && e.Order < filled.Order && e.Verb == Verb.Remove),
                    // On a sheet of one fluid its hoses are meant.
                    Connection hose when walk.Sheet.Fluids.Length == 1 => !state.Connected && Natures.Is(hose, Trait.CarriesFluid)
                        && walk.EventsOf(hose.Id).Any(e => e.Order < filled.Order && e.Verb == Verb.Disconnect),
                    Control cock => Natures.Is(cock, Trait.DrainPlug)
                        && walk.EventsOf(cock.Id).LastOrDefault(e => e.Order < filled.Order && e.Verb == Verb.Set) is { } set && ControlPosition.Opens(set),
                    _ => false,
                };
                // What never goes back has a finding of its own; a filter that is filled before it goes on is meant so.
                if (!open || filled.Step.Text.Contains(thing.Name, StringComparison.OrdinalIgnoreCase) && thing is Part) continue;
                if (walk.EventsOf(thing.Id).FirstOrDefault(e => e.Order > filled.Order
                    && (e.Verb is Verb.Fit or Verb.Torque or Verb.Start or Verb.Connect || ControlPosition.Shuts(e))) is not { } closed) continue;
                yield return At(filled, $"{fluid.Label} is filled in here, and {thing.Label} "
                    + $"{(thing is Control ? "is open" : thing is Joint joint ? $"is {Bench.Says(joint, state.Joint)}" : "is off")}; "
                    + $"{thing.It} {thing.Are} closed only in step "
                    + $"{closed.StepIndex + 1}: it runs out again.",
                    closed.Step.Id == filled.Step.Id || walk.EventsOf(fluid.Id).Any(e => e.Verb == Verb.CheckLevel && e.StepIndex < closed.StepIndex) ? null
                        : Fixes.MoveAfter(walk, filled.StepIndex, closed.StepIndex));
                break;
            }
        }
    }
}
