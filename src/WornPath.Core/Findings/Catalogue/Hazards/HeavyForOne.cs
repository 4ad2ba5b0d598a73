using WornPath.Core.Workshops;
using WornPath.Core.Cautions;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ002: a part heavier than one person lifts comes off or goes on, and the step has one person and no hoist.</summary>
public sealed class HeavyForOne : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("HAZ002", Severity.Stop, "Heavy part and one person");

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (part.MassKg is not > UsualCautions.HeaviestForOne) return;
        foreach (var walked in walk.EventsOf(part.Id))
        {
            if (walked.Verb is not (Verb.Remove or Verb.Fit)) continue;
            if (walked.Step.Takes(walk.Sheet.Header.People) > 1 || Claims.Says(walked.Step, ClaimKind.Lifted)) continue;
            found.Add(At(walked, FormattableString.Invariant($"{part.Label} weighs {part.MassKg:0.#} kg, more than one person lifts ({UsualCautions.HeaviestForOne} kg, ISO 11228-1). Two people, or a hoist."), new Fix("Two people for this step", new SetField(walked.Step.Id, "people", walked.Step.People?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "", "2"))));
        }
    }
}
