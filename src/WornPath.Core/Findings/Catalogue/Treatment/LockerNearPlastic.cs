using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR004: threadlocker on a joint that holds plastic or rubber, which it can make crack or swell.</summary>
public sealed class LockerNearPlastic : ThingRule<Joint>
{
    private static readonly string[] Words = ["plastic", "polycarbonate", "acrylic", "ABS ", "O-ring", "rubber"];

    public override RuleInfo Info { get; } = new("THR004", Severity.Warn, "Threadlocker near plastic or rubber");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (!TreatmentAdvice.IsLocker(joint.Treatment)) return;
        foreach (var id in joint.Holds)
            if (walk.Things.GetValueOrDefault(id) is Part part && Words.Any(w => part.Name.Contains(w, StringComparison.OrdinalIgnoreCase) || part.Note.Contains(w, StringComparison.OrdinalIgnoreCase)))
                found.Add(AtTorque(walk, joint, $"{joint.Label} get threadlocker and hold {part.Label}: anaerobic compounds make many plastics crack and some rubbers swell. Ask its maker, or lock it by other means."));
    }
}
