using WornPath.Core.Building;
using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR007: oil, grease or anti-seize on a joint that holds a part of the brake.</summary>
public sealed class GreaseBesideBrake : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("THR007", Severity.Warn, "Grease beside the brake");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Treatment is not (Sheets.Treatment.Oil or Sheets.Treatment.Grease or Sheets.Treatment.AntiSeize)) return;
        var brake = joint.Holds.Select(id => walk.Things.GetValueOrDefault(id)).OfType<Part>().FirstOrDefault(p => Natures.Of(p) == PartNature.Brake || p.Name.Contains("brake", StringComparison.OrdinalIgnoreCase));
        if (brake is not null)
            found.Add(AtTorque(walk, joint, $"{joint.Label} get {TighteningSentence.TreatmentWords(joint)} and hold {brake.Label}: it creeps, and on a friction face the brake does not hold. Use what the brake’s maker names, or none.", new Fix("Leave it out", new SetField(joint.Id, "treatment", EnumWord.Of(joint.Treatment), EnumWord.Of(Sheets.Treatment.None)))));
    }
}
