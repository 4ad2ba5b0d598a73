using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR011: something is put on a thread that is in its hole already.</summary>
public sealed class TreatedAfterStart : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("THR011", Severity.Warn, "Put on after it went in");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        foreach (var put in Applied.To(walk, joint))
        {
            // Wicking grades go on assembled threads, and say so.
            if (put.Step.Text.Contains("wick", StringComparison.OrdinalIgnoreCase)) continue;
            var state = put.Thing == joint ? put.Acted : walk.BeforeEvent(joint.Id, put.Order).Joint;
            if (state is not { WasOut: true } and not { Renewed: true } || state.AnyOut || state.Stage is JointStage.Tight) continue;
            var goesIn = walk.EventsOf(joint.Id).LastOrDefault(e => e.Order < put.Order && e.Verb is Verb.Start or Verb.Snug or Verb.Torque);
            found.Add(At(put, $"{joint.Label} {joint.Are} {Bench.Says(joint, state)} when {Applied.What(walk, put)} is put on here: it does not reach "
                + "the threads. Put it on before they go in.",
                goesIn is null || goesIn.Step.Id == put.Step.Id ? null : Fixes.MoveBefore(walk, put.StepIndex, goesIn.StepIndex)));
            return;
        }
    }
}
