using WornPath.Core.Building;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR005: Joints says that a thread is treated, and no step puts it on.</summary>
public sealed class NeverApplied : Rule
{
    public override RuleInfo Info { get; } = new("THR005", Severity.Warn, "Treatment never applied");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            if (joint.Treatment == Sheets.Treatment.None) continue;
            var events = walk.EventsOf(joint.Id);
            // A joint that is only torqued again keeps what is on it.
            if (events.FirstOrDefault(e => e.Before.Joint.IsOut && e.Action.Verb is Verb.Start or Verb.Snug or Verb.Torque) is not { } goesIn || events.Any(e => e.Action.Verb == Verb.Treat)) continue;
            yield return At(goesIn, $"{joint.Label} get {Fields.WordOf(joint.Treatment)} by Joints, and no step says so before they go in here.", Fixes.InsertBefore(walk, goesIn.StepIndex, $"Apply {TighteningSentence.TreatmentWords(joint)} first", TighteningSentence.Apply(joint)));
        }
    }
}
