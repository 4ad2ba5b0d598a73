using WornPath.Core.Workshops;
using System.Globalization;
using WornPath.Core.Editing;
using WornPath.Core.Tightening;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ005: a value no such fastener has, that would fit in another unit or with the point moved.</summary>
public sealed class UnitSlipped : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ005", Severity.Stop, "Unit or decimal point slipped");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (JointJudgement.Of(joint, walk.Workshop) is not { Meant: { } meant, Preload: { } preload, Target: { } target }) return;
        var times = preload.Utilisation >= 1 ? $"{preload.Utilisation.ToString("0.#", CultureInfo.InvariantCulture)} times its proof load" : $"{(preload.Utilisation * 100).ToString("0.#", CultureInfo.InvariantCulture)} % of its proof load";
        var message = $"{target} on {joint.Fastener!.Thread} {joint.Fastener.Class} is {times}. {meant} would fit. Look the value of {joint.Label} up in its source.";
        found.Add(AtTorque(walk, joint, message, new Fix($"Write {meant}", new SetField(joint.Id, "torque", joint.TighteningText, meant.ToString()))));
    }
}
