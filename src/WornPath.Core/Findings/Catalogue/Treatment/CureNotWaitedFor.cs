using WornPath.Core.Building;
using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR009: a joint with a compound that cures, and the sheet neither waits nor says when the vehicle may be used.</summary>
public sealed class CureNotWaitedFor : Rule
{
    public override RuleInfo Info { get; } = new("THR009", Severity.Warn, "Cure not waited for");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            if (joint.Treatment == Sheets.Treatment.None) continue;
            if (walk.EventsOf(joint.Id).LastOrDefault(e => e.Verb == Verb.Torque) is not { } torqued || TreatmentAdvice.For(joint, walk.Things, walk.Workshop.Rules).FullHours is not { } hours) continue;
            var waited = false;
            for (var i = torqued.StepIndex; i < walk.Steps.Count && !waited; i++)
                waited = walk.Steps[i].Actions.Any(a => a.Verb == Verb.Wait && a.Minutes >= 10) || Claims.Says(walk.Steps[i], ClaimKind.Cures);
            if (waited) continue;
            yield return At(torqued, $"The {TighteningSentence.TreatmentWords(joint)} on {joint.Label} bears its load after {hours} h in this shop, "
                + "and no step behind waits for it or says so.",
                Fixes.InsertAtEnd(walk, $"Wait {hours} h at the end", $"Let the {TighteningSentence.TreatmentWords(joint)} cure {hours} hours before the vehicle is used."));
            yield break;
        }
    }
}
