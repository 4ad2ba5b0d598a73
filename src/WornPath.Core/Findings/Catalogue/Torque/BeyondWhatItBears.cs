using System.Globalization;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>
/// TRQ003: a value above what the fastener bears. Stop where even the low end of the scatter passes the proof load, warning
/// where only the high end does.
/// </summary>
public sealed class BeyondWhatItBears : Rule
{
    public override RuleInfo Info { get; } = new("TRQ003", Severity.Stop, "Value beyond what the fastener bears");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            if (Preload.Of(joint.Fastener, joint.Torque) is not { High: > 1 } preload) continue;
            var torqued = walk.EventsOf(joint.Id).FirstOrDefault(e => e.Action.Verb == Verb.Torque);
            var fastener = $"{joint.Fastener!.Thread} {joint.Fastener.Class}";
            var bears = new Quantities.Torque((decimal)Preload.TorqueFor(joint.Fastener, 1)!.Value, TorqueUnit.NewtonMetre).In(joint.Torque!.Unit);
            var shown = $"{Rounding.ToSettable(bears).ToString("0.#", CultureInfo.InvariantCulture)} {joint.Torque.Unit.Symbol()}";
            var percent = (preload.Utilisation * 100).ToString("0", CultureInfo.InvariantCulture);
            var target = joint.Torque.Target;
            var message = preload.Low > 1
                ? $"{target} is above what {Article(fastener)} {fastener} bears (about {shown}): {percent} % of its proof load. Is this {joint.Id}’s value, and is the unit right?"
                : $"{target} may pass the proof load of {Article(fastener)} {fastener} where friction is low ({percent} % of it at the target; it is reached at about {shown}). Check the value of {joint.Id}.";
            var finding = At(torqued?.Step, torqued?.StepIndex ?? -1, joint, message);
            yield return preload.Low > 1 ? finding : finding with { Severity = Severity.Warn };
        }
    }

    private static string Article(string fastener) => fastener[0] is 'M' or '8' ? "an" : "a";
}
