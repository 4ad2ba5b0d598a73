using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ020: work goes on under or at an implement that hangs on its hydraulics or its lever, or somebody is under what runs.</summary>
public sealed class UnderAnImplement : Rule
{
    public override RuleInfo Info { get; } = new("HAZ020", Severity.Warn, "Under a raised implement");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            var step = walk.Steps[i];
            if (Claims.Says(step, ClaimKind.ImplementUp) && walk.Events.Any(e => e.StepIndex >= i && e.Thing is Joint or Connection or Part))
                yield return At(step, i, null, "An implement is left up here while work goes on: what hangs on its hydraulics comes down when a line "
                    + "is opened or a lever moved. Lower it to the ground, or support it.");
            // What is put under it holds it from then on.
            else if (Claims.Says(step, ClaimKind.UnderIt) && !step.Actions.Any(a => a.Verb == Verb.Place) && (Claims.Says(step, ClaimKind.RunsEngine)
                || step.Actions.Any(a => a.Verb == Verb.Set && a.Target is { } id && IsImplement(walk, id))))
                yield return At(step, i, null, "Somebody is under it here while it runs or hangs on its hydraulics. Stop it, lower it or support it first.");
        }

        foreach (var control in walk.Sheet.Controls.Where(c => Natures.Is(c, Trait.Implement)))
            if (UnsupportedWork(walk, control) is { } work)
                yield return At(work.Raised, $"{control.Label} is raised here and held by {control.Its} lever alone, and step {work.Event.StepIndex + 1} works "
                    + $"on {work.Event.Thing!.Label}. Set {control.Them} on blocks or stands first.");
    }

    // The first work on a part or joint after it went up, with nothing put under it since.
    private static (WalkEvent Raised, WalkEvent Event)? UnsupportedWork(Walk walk, Control control)
    {
        WalkEvent? raised = null;
        foreach (var walked in walk.Events)
        {
            if (walked.Thing == control && walked.Verb == Verb.Set) raised = Trade.Says(walked.Action.Position ?? "", Trade.Raises) ? walked : null;
            if (raised is null) continue;
            if (walked is { Verb: Verb.Place, Thing: Aid }) raised = null;
            else if (walked is { Verb: Verb.Remove or Verb.TakeOut, Thing: { } }) return (raised, walked);
        }

        return null;
    }

    private static bool IsImplement(Walk walk, string id) => walk.Things.GetValueOrDefault(id) is Control control && Natures.Is(control, Trait.Implement);
}
