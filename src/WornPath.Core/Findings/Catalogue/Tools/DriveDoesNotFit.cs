using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TOO001: the size of the drive is none that a head of this thread and form has by the standards.</summary>
public sealed class DriveDoesNotFit : Rule
{
    public override RuleInfo Info { get; } = new("TOO001", Severity.Warn, "Drive does not fit the thread");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            if (joint.Fastener is not { Thread: { } thread, Form: { } form, Drive: { } drive }) continue;
            var usual = DriveSizes.Usual(thread, form).Where(d => d.Kind == drive.Kind).ToList();
            if (usual.Count == 0 || usual.Contains(drive)) continue;
            yield return AtTorque(walk, joint, $"{joint.Label}: {thread} heads of this form have {string.Join(" or ", usual)}, and the sheet says {drive}. Look at the head; if it is so, name the form plainly (screw, bolt) or correct the thread.");
        }
    }
}
