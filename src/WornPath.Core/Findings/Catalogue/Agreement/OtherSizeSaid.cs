using WornPath.Core.Fasteners;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>AGR003: a step names a socket, wrench or key of a size, and the joint's drive has another.</summary>
public sealed class OtherSizeSaid : AgreementRule
{
    public override RuleInfo Info { get; } = new("AGR003", Severity.Warn, "Another size of tool than in Joints");

    protected internal override bool Concerns(Step step, HouseRules rules) => Claims.Says(step, ClaimKind.ToolSize);

    protected override Said? Differs(Walk walk, Step step, StepAction action, Joint joint)
    {
        if (joint.Fastener?.Drive is not { } drive) return null;
        // A second size may hold the nut, or be another joint's.
        var sizes = Claims.All(step, ClaimKind.ToolSize).Select(c => c.At).ToList();
        if (sizes.Count != 1 || NamesSeveralJoints(walk, step)) return null;
        var size = sizes[0].Of(step.Text);
        if (joint.HeldBy.Contains(size, StringComparison.OrdinalIgnoreCase) || Bare(size) == Bare(drive.Size)) return null;
        // "24 mm socket" is an external hexagon's, "6 mm key" a hexagon socket's: the same kind of drive, of another size.
        var fastener = joint.Fastener with { Drive = drive with { Size = Spelled(size) } };
        var takes = FastenerText.Parse(fastener.ToString()).IsGood ? fastener.ToString() : "";
        return new Said(sizes[0], size, drive.Size, takes.Length > 0 ? "fastener" : "", takes, drive.Size);
    }

    // The size alone, to be compared: "13mm", "13 mm" and "9/16 in", "9/16".
    private static string Bare(string size)
    {
        var bare = new string([.. size.Where(c => char.IsAsciiLetterOrDigit(c) || c is '/' or '.')]).ToUpperInvariant();
        return bare.Contains('/') ? bare.Replace("INCH", "").Replace("IN", "") : bare;
    }

    // The size as a drive is written: "13 mm", "9/16 in", "T30".
    private static string Spelled(string size)
    {
        var bare = Bare(size);
        return bare.EndsWith("MM", StringComparison.Ordinal) ? $"{bare[..^2]} mm" : bare.Contains('/') ? $"{bare} in" : bare;
    }
}
