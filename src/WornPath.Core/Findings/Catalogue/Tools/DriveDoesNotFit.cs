using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TOO001: the size of the drive is none that a head of this thread and form has by the standards.</summary>
public sealed class DriveDoesNotFit : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TOO001", Severity.Warn, "Drive does not fit the thread");

    // What heads of the joint's thread and form usually have, where it is none of these; null where its drive fits or nothing tells.
    private static readonly Memo<Joint, List<Drive>?> Misfit = new(joint =>
    {
        if (joint.Fastener is not { Thread: { } thread, Form: { } form, Drive: { } drive }) return null;
        var usual = DriveSizes.Usual(thread, form, Natures.Is(joint, Trait.WheelHardware)).Where(d => d.Kind == drive.Kind).ToList();
        return usual.Exists(d => d == drive || IsTwin(d, drive)) || (usual.Count == 0 && !TooFarOff(thread, drive)) ? null : usual;
    });

    // A 16 mm socket turns a 5/8 in head: sizes of the two systems that lie within 0.2 mm are taken for each other. Common practice, no source.
    private static bool IsTwin(Drive one, Drive other) => one.Kind == DriveKind.Hexagon
        && Quantities.Length.Parse(one.Size) is { IsGood: true } a && Quantities.Length.Parse(other.Size) is { IsGood: true } b
        && a.Value.InInches != b.Value.InInches && Math.Abs(a.Value.Millimetres - b.Value.Millimetres) <= 0.2;

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (Misfit.Of(joint) is not { } usual) return;
        var (thread, drive) = (joint.Fastener!.Thread, joint.Fastener.Drive);
        found.Add(AtTorque(walk, joint, usual.Count == 0
            ? $"{joint.Label}: a head of {drive} on {thread} is more than any standard has (about 1.4 to 2 times the thread). Look at the head, or correct the thread."
            : $"{joint.Label}: {thread} heads of this form have {string.Join(" or ", usual)}, and the sheet says {drive}. Look at the head; if it is so, name the form plainly (screw, bolt) or correct the thread."));
    }

    // Hexagons are from 1.4 to 2.1 times the thread across flats in every table of this program; beyond that one of the two is wrong.
    private static bool TooFarOff(Thread thread, Drive drive) =>
        drive.Kind == DriveKind.Hexagon && Quantities.Length.Parse(drive.Size) is { IsGood: true } flats && (flats.Value.Millimetres > 2.4 * thread.DiameterMm || flats.Value.Millimetres < 1.2 * thread.DiameterMm);
}
