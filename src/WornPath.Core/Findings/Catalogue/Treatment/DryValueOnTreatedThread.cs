using WornPath.Core.Building;
using WornPath.Core.Workshops;
using System.Globalization;
using WornPath.Core.Tightening;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR001: the source states its value for dry threads, and the thread is treated.</summary>
public sealed class DryValueOnTreatedThread : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("THR001", Severity.Warn, "Dry value on a treated thread");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        var judgement = JointJudgement.Of(joint, walk.Workshop);
        if (judgement.DryRatio is not { } ratio) return;
        var share = ratio.ToString("0.00", CultureInfo.InvariantCulture);
        var other = new Quantities.Torque(joint.Torque!.TargetBy(walk.Workshop.Rules.Target).Amount * (decimal)ratio, joint.Torque.Unit);
        found.Add(AtTorque(walk, joint, judgement.IsReduced
            ? $"The value of {joint.Label} is stated for dry threads; with {TighteningSentence.TreatmentWords(joint)} the house rule sets it to {share} of that, {judgement.Target}. Does its source agree?"
            : $"The value of {joint.Label} is stated for dry threads, and they get {TighteningSentence.TreatmentWords(joint)}: the same torque pulls {(1 / ratio).ToString("0.00", CultureInfo.InvariantCulture)} times as hard. The maker may have meant it so; by the ratio of the nut factors ({share}) it would be {Quantities.Rounding.ToSettable((double)other.Amount).ToString("0.##", CultureInfo.InvariantCulture)} {Quantities.TorqueUnits.Symbol(other.Unit)}."));
    }
}
