using WornPath.Core.Workshops;
using WornPath.Core.Building;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR005: Joints says that a thread is treated, and no step puts it on.</summary>
public sealed class NeverApplied : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("THR005", Severity.Warn, "Treatment never applied");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Treatment == Sheets.Treatment.None) return;
        var events = walk.EventsOf(joint.Id);
        // A joint that is only torqued again keeps what is on it.
        if (events.FirstOrDefault(e => e.Verb is Verb.Start or Verb.Snug or Verb.Torque && e.Acted.AnyOut) is not { } goesIn
            || Applied.To(walk, joint).Any(e => e.Thing == joint ? e.Order > LastOut(events, goesIn)
                : OtherTreatmentSaid.Means(Applied.What(walk, e)).Contains(joint.Treatment))) return;
        found.Add(At(goesIn, $"{joint.Label} get {TighteningSentence.TreatmentWords(joint)} by Joints, and no step says so before they go in here.",
            Fixes.InsertBefore(walk, goesIn.StepIndex, $"Apply {TighteningSentence.TreatmentWords(joint)} first", TighteningSentence.Apply(joint))));
    }

    // What was put on before it came out came out with it.
    private static int LastOut(IReadOnlyList<WalkEvent> events, WalkEvent goesIn) =>
        events.LastOrDefault(e => e.Verb == Verb.TakeOut && e.Order < goesIn.Order)?.Order ?? -1;
}
